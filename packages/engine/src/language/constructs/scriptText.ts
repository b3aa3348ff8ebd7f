import { mathSizes, superscriptShift } from '../../base/mathSizes';
import type { FontSpec } from '../../document/font';
import type { Inline } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';

/** How far down a subscript without a superscript stands, in em (`\fontdimen16` of cmsy10). */
const LOWERED = 0.15;

/** Text in the size of scripts (`\sf@size`), raised or lowered as a script in a formula is. */
export function scriptText(
  it: Interpreter,
  tokens: readonly Token[],
  up: boolean,
  font: Partial<FontSpec> = {},
): Inline {
  return scriptInlines(it, () => it.inlinesOf(tokens), up, font);
}

/** As `scriptText`, of what `make` gives while that size is in force. */
export function scriptInlines(
  it: Interpreter,
  make: () => readonly Inline[],
  up: boolean,
  font: Partial<FontSpec> = {},
): Inline {
  const { size } = it.font;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.changeFont({ ...font, size: mathSizes(size)[1] });
  const inlines = make();
  it.closeGroup();
  return {
    kind: 'box',
    inlines,
    width: null,
    align: 'left',
    raise: up ? superscriptShift(size) : -Math.round(LOWERED * size),
    hidden: false,
    frame: null,
    grow: false,
    ...it.p.place,
  };
}
