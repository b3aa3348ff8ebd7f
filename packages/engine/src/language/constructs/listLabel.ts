import type { Inline } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';
import { CELLS } from '../machine/cells';
import { Cat } from '../../tokens/categories';
import type { EnvironmentData } from '../machine/environmentData';
import type { Interpreter } from '../machine/interpreter';
import { DESCRIPTION, LABEL_FONT, LABEL_PLACE } from './listData';

const braced = (it: Interpreter, tokens: readonly Token[]): Token[] => [
  it.p.make(1, '{'),
  ...tokens,
  it.p.make(2, '}'),
];

/** A label as `\\makelabel` dresses it. */
export function makeLabel(it: Interpreter, label: readonly Token[]): readonly Inline[] {
  const own = it.state.meaning(it.state.cell('makelabel'));
  if (own?.kind !== 'macro') return it.inlinesOf(label);
  return it.inlinesOf([it.p.command('makelabel'), ...braced(it, label)]);
}

/** A body with its one argument filled in. */
const filled = (body: readonly Token[], argument: readonly Token[]): Token[] =>
  body.flatMap((token, i) => {
    if (token.cat === Cat.Parameter) return [];
    return body[i - 1]?.cat === Cat.Parameter ? argument : [token];
  });

/** A label in the font of its list; of a description, as `\\descriptionlabel` has it. */
export function dressedLabel(
  it: Interpreter,
  data: EnvironmentData,
  label: readonly Token[],
): readonly Inline[] {
  const font = data.get(LABEL_FONT);
  const dressed = font.length > 0 ? [...font, ...braced(it, label)] : label;
  const place = data.get(LABEL_PLACE);
  const tokens = place.length > 0 ? filled(place, dressed) : dressed;
  if (!data.get(DESCRIPTION)) return it.inlinesOf(tokens);
  // Slides have labels of their own look.
  if (it.read(CELLS.overlay) === null)
    return it.inlinesOf([it.p.command('descriptionlabel'), ...braced(it, tokens)]);
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.changeFont({ family: it.textFamily, shape: 'upright', series: 'bold' });
  const inlines = it.inlinesOf(tokens);
  it.closeGroup();
  return inlines;
}
