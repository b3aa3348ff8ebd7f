import type { Inline, RefInline } from '../document/inlines';
import { colourOf } from './colours';
import type { Interpreter } from './interpreter';

/** What a link leads to, for its colour. */
export type LinkKind = 'urlcolor' | 'linkcolor' | 'citecolor';

const DEFAULTS: Readonly<Record<LinkKind, string>> = {
  urlcolor: 'magenta',
  linkcolor: 'red',
  citecolor: 'green',
};

/** The colour of a kind of link, when hyperref colours links; else null. */
export function linkColour(it: Interpreter, kind: LinkKind): number | null {
  if (it.state.get(it.state.cell('\u0001link:on')) !== true) return null;
  const said = it.state.get(it.state.cell(`\u0001link:${kind}`)) as string | undefined;
  return colourOf(it, null, it.source(said ?? DEFAULTS[kind]));
}

/** A reference, which with hyperref leads to what it names. */
export function leading(it: Interpreter, ref: RefInline, kind: LinkKind = 'linkcolor'): Inline {
  if (!it.hasPackage('hyperref')) return ref;
  const color = linkColour(it, kind);
  const font = color === null ? ref.font : it.intern({ ...ref.font, color });
  const label = ref.what === 'cite' ? `\u0001cite:${ref.label}` : ref.label;
  const { from, to } = ref;
  return { kind: 'link', inlines: [{ ...ref, font }], target: `#${label}`, from, to };
}
