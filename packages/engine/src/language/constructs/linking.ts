import type { Inline, RefInline } from '../../document/inlines';
import { colourOf } from '../scanning/colours';
import type { Interpreter } from '../machine/interpreter';
import { flag, cellsBy, citeLabel } from '../../expansion/cells';

/** What a link leads to, for its colour. */
export const LINK_KINDS = ['urlcolor', 'linkcolor', 'citecolor'] as const;
export type LinkKind = (typeof LINK_KINDS)[number];

/** Are links coloured, and how, as the document says (package hyperref)? */
export const COLOUR_LINKS = flag('link:on');
export const linkColourSaid = cellsBy<string | null>('link', null);

const DEFAULTS: Readonly<Record<LinkKind, string>> = {
  urlcolor: 'magenta',
  linkcolor: 'red',
  citecolor: 'green',
};

/** The colour of a kind of link, when hyperref colours links; else null. */
export function linkColour(it: Interpreter, kind: LinkKind): number | null {
  if (!it.read(COLOUR_LINKS)) return null;
  const said = it.read(linkColourSaid(kind));
  return colourOf(it, null, it.source(said ?? DEFAULTS[kind]));
}

/** A reference, which with hyperref leads to what it names. */
export function leading(it: Interpreter, ref: RefInline, kind: LinkKind = 'linkcolor'): Inline {
  if (!it.hasPackage('hyperref')) return ref;
  const color = linkColour(it, kind);
  const font = color === null ? ref.font : it.intern({ ...ref.font, color });
  const [first = ''] = ref.label.split(',');
  const isCitation = ref.what === 'cite' || ref.what === 'cites';
  const label = isCitation ? citeLabel(first) : first;
  const { from, to } = ref;
  return { kind: 'link', inlines: [{ ...ref, font }], target: `#${label}`, from, to };
}
