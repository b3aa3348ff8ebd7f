import type { Token } from '../../expansion/meaning';
import type { EnvironmentEntry } from './entries';
import type { MathReader } from './mathReader';

/** What a display is called that stands within another one. */
const INNER: Readonly<Record<string, string>> = {
  align: 'aligned',
  'align*': 'aligned',
  eqnarray: 'aligned',
  'eqnarray*': 'aligned',
  alignat: 'alignedat',
  'alignat*': 'alignedat',
  gather: 'gathered',
  'gather*': 'gathered',
  equation: 'gathered',
  'equation*': 'gathered',
  multline: 'multlined',
  'multline*': 'multlined',
};
/** What stands between formulas, and in none. */
const ELSEWHERE = /\n[ \t]*\n|\\(?:sub)*section(?![A-Za-z])|\\item(?![A-Za-z])/;
/** How far the rest of a display is looked through. */
const AHEAD = 4000;

/**
 * `\begin{equation}\begin{align}…`: a display within a formula that goes on behind it. Tells of it,
 * and gives what it is read as; null where the formula before it was not closed.
 */
export function displayWithin(
  reader: MathReader,
  token: Token,
  name: string,
): EnvironmentEntry | null {
  const { it, p } = reader;
  const [outer] = reader.environments;
  const inner = INNER[name];
  if (!outer || inner === undefined || token.chunk !== p.reader.chunk || !p.atFile) return null;
  const { text, base, pos } = p.reader;
  const ahead = text.slice(pos, pos + AHEAD);
  p.reach = Math.max(p.reach, Math.min(text.length, pos + ahead.length));
  const innerEnd = ahead.indexOf(`\\end{${name}}`);
  const outerEnd = ahead.indexOf(`\\end{${outer.name}}`, innerEnd + 1);
  if (innerEnd < 0 || outerEnd < 0) return null;
  // An end further down is that of another formula.
  const between = ahead.slice(innerEnd, outerEnd);
  if (between.includes(`\\begin{${outer.name}}`) || ELSEWHERE.test(between)) return null;
  const at = (index: number): number => pos - base + index;
  const before = text.slice(base + outer.span.from, base + token.from);
  const isAlone =
    /^\\begin\{[^{}]*\}\s*$/.test(before) &&
    ahead.slice(innerEnd + name.length + 6, outerEnd).trim() === '';
  const outerTo = at(outerEnd) + outer.name.length + 6;
  const nameFrom = token.from + '\\begin{'.length;
  const fix = isAlone
    ? {
        title: `Take ${outer.name} out`,
        edits: [
          { from: outer.span.from, to: token.from, text: '' },
          { from: at(innerEnd) + name.length + 6, to: outerTo, text: '' },
        ],
      }
    : {
        title: `Write ${inner}`,
        edits: [nameFrom, at(innerEnd) + '\\end{'.length].map((from) => ({
          from,
          to: from + name.length,
          text: inner,
        })),
      };
  const open = `\\begin{${outer.name}}`;
  p.report('marks-around-display', it.spanOf(token), { open, name }, fix);
  return it.environment(inner) ?? null;
}
