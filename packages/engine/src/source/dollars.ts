import { environmentKind } from './environmentKinds';
import { partnerOf, shapeOf, type Shape } from './shape';

/** One `$` put in or taken out, by which every formula of a paragraph is one. */
export interface DollarEdit {
  /** Where it is put in, or where the one stands that goes. */
  readonly at: number;
  readonly isRemoval: boolean;
  /** A `$` that is put in begins a formula, or ends the one before. */
  readonly opens: boolean;
}

/** Longer paragraphs are not searched: each place in them would be weighed against all of it. */
const LONGEST = 3000;

const SPEECH =
  /\\(?:text|mbox|hbox|textrm|textbf|textit|operatorname|mathrm|mathbf|label|ref|eqref|cite|begin|end)\*?\s*\{[^{}]*\}|\\[A-Za-z]+/g;
const MATHEMATICS =
  /\\(?:frac|dfrac|sqrt|sum|prod|int|lim|sup|inf|alpha|beta|gamma|delta|epsilon|varepsilon|eta|theta|lambda|mu|nu|xi|pi|rho|sigma|tau|phi|varphi|chi|psi|omega|Gamma|Delta|Theta|Lambda|Sigma|Phi|Psi|Omega|to|mapsto|rightarrow|Rightarrow|iff|implies|infty|partial|nabla|cdot|times|pm|leq?|geq?|neq?|equiv|approx|sim|in|notin|subset|subseteq|cup|cap|setminus|emptyset|forall|exists|mathbb|mathcal|mathscr|mathfrak|bar|hat|vec|tilde|left|right|dots|ldots|cdots|log|ln|exp|sin|cos|tan|det|dim|ker|gcd|min|max|binom)(?![A-Za-z])/g;

/** Stands for what is a formula, or code, by itself. */
const OTHER = '\u0001';

/** The paragraph with displays, comments and code blanked out. */
function dollarsOnly(shape: Shape): string {
  let out = shape.text;
  const blank = (from: number, to: number): void => {
    out = out.slice(0, from) + OTHER.repeat(Math.max(0, to - from)) + out.slice(to);
  };
  for (const part of shape.parts) {
    const { kind, name, from, to } = part;
    if (kind === 'comment' || kind === 'code') blank(from, to);
    const isDisplay = kind === 'begin' && ['display', 'code'].includes(environmentKind(name) ?? '');
    const isMark = kind === 'mark' && (name === '\\[' || name === '\\(');
    const end = isDisplay || isMark ? partnerOf(shape, part) : null;
    if (end) blank(from, end.to);
  }
  return out;
}

const count = (text: string, pattern: RegExp): number => text.match(pattern)?.length ?? 0;

/** How unlike a formula a stretch is: words, ends of cells and sentences, braces of others. */
function strangeInFormula(text: string): number {
  if (text.trim() === '') return 4;
  const plain = text.replace(SPEECH, ' ');
  let depth = 0;
  let crossed = 0;
  for (const char of plain) {
    if (char === '{') depth++;
    else if (char === '}' && --depth < 0) {
      crossed++;
      depth = 0;
    }
  }
  return (
    3 * count(plain, /(?<![A-Za-z])[A-Za-z]{3,}/g) +
    1.5 *
      count(
        plain,
        /(?<![A-Za-z])(?:is|be|in|of|on|we|so|to|at|as|by|or|if|it|an|no)(?![A-Za-z])/gi,
      ) +
    (text.includes(OTHER) ? 12 : 0) +
    5 *
      (count(text, /(?<!\\)&|\\\\|\\item|\\begin|\\end|\\(?:sub)*section|\\par|\n[ \t]*\n/g) +
        crossed +
        depth) +
    2 * count(plain, /[.?;:!](?:\s|$)/g) +
    1.5 * count(plain, /,\s+(?=[A-Za-z]{2})/g) +
    (/^\s/.test(text) ? 0.6 : 0) +
    (/^[,.;:)]/.test(text) ? 1.5 : 0) +
    (/\s$/.test(text) ? 0.6 : 0) +
    (/[.,;:]$/.test(text) ? 0.8 : 0)
  );
}

/** How unlike words a stretch between formulas is: scripts, commands of mathematics, lonely letters and signs. */
const strangeInText = (text: string): number =>
  3 * count(text, /(?<!\\)[\^_]/g) +
  2.5 * count(text, MATHEMATICS) +
  0.8 * count(text, /(?<![A-Za-z\\{[])(?![aAI](?![A-Za-z]))[A-Za-z](?![A-Za-z])/g) +
  0.9 * count(text, /[=<>]/g) +
  0.4 * count(text, /(?<![\d.])\d+(?![\d.])/g) +
  0.3 * count(text, /[+*/]/g);

/** What the formulas and the text between marks at these places come to. */
function weigh(text: string, marks: readonly number[]): number {
  let sum = 0;
  let from = 0;
  marks.forEach((mark, i) => {
    const part = text.slice(from, mark);
    sum += i % 2 === 0 ? strangeInText(part) : strangeInFormula(part);
    from = mark + 1;
  });
  return sum + strangeInText(text.slice(from));
}

/** Is a place within a word, a name, a number, or between a command or a script and what it works on? There no formula begins or ends. */
function isWithin(text: string, at: number): boolean {
  const [before, behind] = [text.slice(Math.max(0, at - 30), at), text.slice(at, at + 2)];
  if (/[\\^_]$/.test(before) || /^[\^_]/.test(behind)) return true;
  if (/[A-Za-z0-9]$/.test(before) && /^[A-Za-z0-9]/.test(behind)) return true;
  if (/\d$/.test(before) && /^[.,]\d/.test(behind)) return true;
  if (/\d[.,]$/.test(before) && /^\d/.test(behind)) return true;
  // A key and its value are not one formula.
  if (/(?<!\\)\b[A-Za-z]{3,}$/.test(before) && behind.startsWith('=')) return true;
  return /(?:\\[A-Za-z]+|[\^_}\]])$/.test(before) && behind.startsWith('{');
}

/**
 * The `$` that a paragraph with an odd number of them lacks, or has too many: of all places that
 * one at which formulas hold mathematics and the text between them words.
 *
 * @returns null when the number is even, or the paragraph too long.
 */
export function oddDollar(paragraph: string): DollarEdit | null {
  if (paragraph.length > LONGEST) return null;
  const shape = shapeOf(paragraph);
  const plain = dollarsOnly(shape);
  const marks = shape.parts
    .filter(({ kind, name }) => kind === 'mark' && /^\$+$/.test(name))
    .flatMap(({ from, to }) => Array.from({ length: to - from }, (_, i) => from + i))
    .filter((at) => plain[at] === '$');
  if (marks.length % 2 === 0) return null;
  let best: DollarEdit | null = null;
  let least = Infinity;
  const take = (edit: DollarEdit, cost: number): void => {
    if (cost < least) [best, least] = [edit, cost];
  };
  marks.forEach((at, i) => {
    const rest = marks.filter((mark) => mark !== at).map((mark) => (mark > at ? mark - 1 : mark));
    const without = plain.slice(0, at) + plain.slice(at + 1);
    take({ at, isRemoval: true, opens: i % 2 === 0 }, weigh(without, rest) + 2);
  });
  for (let at = 0; at <= paragraph.length; at++) {
    if (isWithin(plain, at) || plain[at - 1] === OTHER || plain[at] === OTHER) continue;
    const before = marks.filter((mark) => mark < at);
    const behind = marks.filter((mark) => mark >= at).map((mark) => mark + 1);
    const whole = `${plain.slice(0, at)}$${plain.slice(at)}`;
    const opens = before.length % 2 === 0;
    take({ at, isRemoval: false, opens }, weigh(whole, [...before, at, ...behind]));
  }
  return best;
}
