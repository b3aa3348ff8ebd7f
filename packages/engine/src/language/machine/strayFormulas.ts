import type { Span } from '../../base/spans';
import type { Fix } from '../../findings/finding';

/** Mathematics typed in text: how far the formula goes that it was meant to be, and signs that were meant to be printed. */

const SCRIPTS = String.raw`(?:[\^_](?:\{[^{}\n]*\}|\\[A-Za-z]+|\w))*`;
const NUMBER = String.raw`\d+(?:\.\d+)?(?:\\?[A-Za-z](?![A-Za-z]))?`;
const COMMAND = String.raw`\\[A-Za-z]+(?:\{[^{}\n]*\})*`;
const BRACKETS = String.raw`\([^()\n$]{1,40}\)`;
const LETTER = String.raw`[A-Za-z](?![A-Za-z])(?:${BRACKETS})?`;
const OPERAND = `(?:${NUMBER}|${COMMAND}|${LETTER}|${BRACKETS})${SCRIPTS}`;
const SIGNS =
  'cdot|times|leq?|geq?|neq?|pm|in|notin|to|mapsto|rightarrow|Rightarrow|implies|iff|subset|subseteq|cup|cap|setminus|equiv|approx|sim|cong|mid';
const SIGN = String.raw`(?:[<>]=|[-+*/=<>:]|\\(?:${SIGNS})(?![A-Za-z]))`;
const OPERATOR = String.raw`[ \t]*${SIGN}[ \t]*`;

const BEHIND = new RegExp(`^(?:${OPERATOR}${OPERAND})+`);
const BEFORE = new RegExp(`(?<![A-Za-z\\\\$])(?:${OPERAND}${OPERATOR})+$`);
const IS_SIGN = new RegExp(String.raw`^\\(?:${SIGNS})$`);
const LAST_OPERAND = new RegExp(String.raw`(?<![A-Za-z\\$])${OPERAND}[ \t]*$`);
const FIRST_OPERAND = new RegExp(String.raw`^[ \t]*${OPERAND}`);
/** What an operator works on: its terms stand beside it, without a sign. A letter that is a word is none. */
const LARGE = /^\\(?:int|iint|oint|sum|prod|lim|bigcup|bigcap)(?![A-Za-z])/;
const TERMS = new RegExp(String.raw`^(?:[ \t]+(?:d[a-z](?![a-z])|(?![aAI](?![_^(]))${OPERAND}))+`);

/** How far to both sides a run of mathematics is looked for. */
export const RUN = 160;

/** Arguments in braces that belong to what stands before them. */
const GROUPS = /^(?:\{[^{}\n]*\})+/;

/** The whole run of mathematics around what stands in text: operands joined by operators, up to the words around it. */
export function runAround(text: string, { from, to }: Span): Span {
  let [start, end] = [from, to];
  const written = text.slice(from, to);
  const take = (pattern: RegExp): void =>
    void (end += pattern.exec(text.slice(end, end + RUN))?.[0].length ?? 0);
  const takeBack = (pattern: RegExp): void =>
    void (start -=
      pattern.exec(text.slice(Math.max(0, start - RUN), start))?.[0].trimStart().length ?? 0);
  take(GROUPS);
  if (IS_SIGN.test(written)) {
    take(FIRST_OPERAND);
    takeBack(LAST_OPERAND);
  }
  if (LARGE.test(written)) take(TERMS);
  // Of a number only its last figure was taken for the base of a script.
  if (/\d/.test(text[start] ?? '')) takeBack(/\d[\d.]*$/);
  take(BEHIND);
  takeBack(BEFORE);
  return { from: start, to: end };
}

/** Chemical elements that sheets name most. */
const ELEMENT = '(?:H|He|Li|C|N|O|F|Na|Mg|Al|Si|P|S|Cl|K|Ca|Fe|Cu|Zn|Br|Ag|I|Au|Pb)';
const COMPOUND = new RegExp(String.raw`^(?:${ELEMENT}(?:\d+|_\d|_\{\d+\})*){2,}$|^[HNOF]_2$`);

/** `my_lamp`, `a_b@c.example`: a sign that was meant to be printed; `CO_2`: a figure that was meant to be lowered in text. */
export function literalSign(text: string, base: number, { from, to }: Span): Fix[] {
  const at = text.slice(base + from, base + to).search(/[_^]/);
  if (at < 0) return [];
  const sign = base + from + at;
  const char = text.charAt(sign);
  const before = /\S*$/.exec(text.slice(Math.max(0, sign - RUN), sign))?.[0] ?? '';
  const behind = /^\S*/.exec(text.slice(sign + 1, sign + RUN))?.[0] ?? '';
  const word = (before + char + behind).replace(/[.,;:!?]+$/, '');
  const start = sign - before.length;
  if (COMPOUND.test(word)) {
    const edits = [...word.matchAll(/_(?:\{(\d+)\}|(\d))/g)].map(
      ({ index, 0: whole, 1: many, 2: one }) => ({
        from: start + index - base,
        to: start + index + whole.length - base,
        text: `\\textsubscript{${many ?? one ?? ''}}`,
      }),
    );
    return [{ title: 'Lower the figures in text', edits }];
  }
  const isBetweenWords = /[A-Za-z]{2}$/.test(before) && /^[A-Za-z]{2}/.test(behind);
  const isAddress = /@|:\/\/|^www\.|\.[a-z]{2,4}$/.test(word);
  const isBeforeWord = before === '' && /^[A-Za-z]{3}/.test(behind);
  if (!isBetweenWords && !isAddress && !isBeforeWord) return [];
  const edits = [
    { from: sign - base, to: sign - base + 1, text: `\\${char === '^' ? '^{}' : char}` },
  ];
  return [{ title: `Print the ${char} itself`, edits }];
}
