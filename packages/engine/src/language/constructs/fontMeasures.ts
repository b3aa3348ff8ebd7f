import { glue, type Glue, PT, type Sp } from '../../base/lengths';
import type { Primitive } from '../../expansion/meaning';
import { setSkip } from '../../expansion/registers';
import { fontUnits, scanDimen, scanInt } from '../../expansion/scan';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';

/** The blank between words in force: the document's own, or the font's. */
function blank(it: Interpreter): Glue {
  const own = it.skip('spaceskip');
  return own.width !== 0 || own.stretch !== 0 || own.shrink !== 0 ? own : fontUnits(it.p).blank;
}

/** Parameters of the fonts of signs and of large signs, in em of the size in force (The TeXbook, appendix G). */
const OF_SIGNS: Readonly<Record<number, number>> = { 5: 0.430555, 6: 1, 22: 0.25 };
const OF_LARGE_SIGNS: Readonly<Record<number, number>> = { 5: 0.430555, 6: 1, 8: 0.04 };

/** Parameter so and so of the font in force (The TeXbook, appendix F). */
function textParameter(it: Interpreter, number: number): Sp {
  const { em, ex, extra } = fontUnits(it.p);
  const { width, stretch, shrink } = blank(it);
  return [0, 0, width, stretch, shrink, ex, em, extra][number] ?? 0;
}

/** The font behind the number: a switch, `\font`, or `\textfont2`; gives the number of its family. */
function takeFont(it: Interpreter): number {
  const token = it.p.next();
  if (token?.cat !== Cat.Command) {
    if (token) it.p.unread(token);
    return 0;
  }
  return /^(?:text|script|scriptscript)font$/.test(token.text) ? scanInt(it.p) : 0;
}

/** `\fontdimen`: read where a length is wanted; blanks between words follow an assignment. */
export function bindFontMeasures(it: Interpreter): void {
  const primitive: Primitive = {
    kind: 'primitive',
    name: 'fontdimen',
    read: (p) => {
      const number = scanInt(p);
      const family = takeFont(it);
      const table = family === 2 ? OF_SIGNS : family === 3 ? OF_LARGE_SIGNS : null;
      const value = table
        ? (table[number] ?? 0) * (it.font.size || 10 * PT)
        : textParameter(it, number);
      return { type: 'dimen', value: Math.round(value) };
    },
    run: (p) => {
      const number = scanInt(p);
      const family = takeFont(it);
      p.takeChar('=');
      const value = scanDimen(p);
      if (family > 1 || number < 2 || number > 4) return;
      const { width, stretch, shrink } = blank(it);
      const parts = [width, stretch, shrink];
      parts[number - 2] = value;
      setSkip(it.state, 'spaceskip', glue(...(parts as [Sp, Sp, Sp])));
    },
  };
  it.state.set(it.state.cell('fontdimen'), primitive);
}
