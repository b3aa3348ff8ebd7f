import type { Fix } from './entry';
import { packageLine } from '../source/packageLine';

/** A displayed formula with its marks: what opens it, what it holds, what closes it. */
export const DISPLAY =
  /^(\\\[|\\begin\{(?:equation\*?|displaymath)\}|\$\$)([\s\S]*?)(\\\]|\\end\{(?:equation\*?|displaymath)\}|\$\$)$/;
const RELATION =
  /^(?:=|<|>|\\(?:le|leq|ge|geq|equiv|approx|sim|to|implies|iff|subseteq)(?![A-Za-z]))/;

/** Places where a formula can be broken: relations and plus or minus signs, outside brackets. */
export function breaks(body: string): { relations: number[]; signs: number[] } {
  const relations: number[] = [];
  const signs: number[] = [];
  let depth = 0;
  for (let i = 0; i < body.length; i++) {
    const c = body[i] as string;
    if ('{(['.includes(c) || body.startsWith('\\left', i)) depth++;
    else if ('})]'.includes(c) || body.startsWith('\\right', i)) depth--;
    else if (depth === 0 && RELATION.test(body.slice(i, i + 16))) relations.push(i);
    else if (depth === 0 && /[+-]/.test(c) && body.slice(0, i).trim() !== '') signs.push(i);
    if (c === '\\') i += (/^\\([A-Za-z]+|.)/.exec(body.slice(i))?.[0].length ?? 1) - 1;
    if (/^\\(left|right)/.test(body.slice(Math.max(0, i - 5), i + 1))) i++;
  }
  return { relations, signs };
}

/**
 * A displayed formula that is too wide, over several lines: at its relations, each aligned,
 * or at the sign nearest to its middle. Null when it has none, or is broken over lines already.
 *
 * @param from,to the formula with its marks, or a part of it.
 */
export function brokenFormula(text: string, from: number, to: number): Fix | null {
  const span = withMarks(text, from, to);
  const found = DISPLAY.exec(text.slice(span.from, span.to));
  if (!found) return null;
  const [, open = '', body = '', close = ''] = found;
  if (/\\\\|\\begin|(?<!\\)&/.test(body)) return null;
  const label = /\s*\\label\{[^{}]*\}/.exec(body)?.[0].trim() ?? '';
  const plain = body.replace(/\s*\\label\{[^{}]*\}/, '').trim();
  const { relations, signs } = breaks(plain);
  const lines = linesAt(plain, relations, signs);
  if (!lines) return null;
  const head = label === '' ? open : `${open} ${label}`;
  const mark = open === '$$' ? ['\\[', '\\]'] : [head, close];
  const written = `${mark[0]}\n  \\begin{split}\n${lines}\n  \\end{split}\n${mark[1]}`;
  return {
    title: 'Break it over several lines',
    edits: [...loading(text, 'amsmath', 'mathtools'), { ...span, text: written }],
  };
}

/** The edit that loads a package, unless it is loaded, or one that brings it. */
export function loading(text: string, name: string, ...bringing: readonly string[]): Fix['edits'] {
  const names = [name, ...bringing].join('|');
  if (new RegExp(`\\\\usepackage(?:\\[[^\\]]*\\])?\\{[^}]*\\b(?:${names})\\b`).test(text))
    return [];
  const load = packageLine(text, name);
  return load ? [{ from: load.from, to: load.from, text: load.insert }] : [];
}

/** A formula with its marks, where only what they hold is known. */
export function withMarks(text: string, from: number, to: number): { from: number; to: number } {
  const begin = /\\begin\{(?:equation\*?|displaymath)\}\s*$/.exec(
    text.slice(Math.max(0, from - 40), from),
  );
  const start = begin ? from - begin[0].length : from + text.slice(from, to).search(/\S/);
  const end = /^\s*\\end\{(?:equation\*?|displaymath)\}/.exec(text.slice(to));
  return { from: start, to: to + (end?.[0].length ?? 0) };
}

/** How many letters and signs one line holds about. */
const ROOM = 42;

/** Signs and letters that are seen of a source, about: commands count one each. */
export const seen = (source: string): number =>
  source.replace(/\\[A-Za-z]+/g, 'x').replace(/[{}_^\s]/g, '').length;

/** A formula in lines with a mark to align each at, `\\\\` between them; null when it has no place to break. */
export function linesAt(
  plain: string,
  relations: readonly number[],
  signs: readonly number[],
): string | null {
  const [first] = relations;
  if (first !== undefined && relations.length > 1) {
    const steps = relations.map((at, i) => plain.slice(at, relations[i + 1]).trim());
    const left = plain.slice(0, first).trim();
    return steps.map((step, i) => `    ${i === 0 ? left : ''} &${step}`).join(' \\\\\n');
  }
  const pieces = piecesAt(
    plain,
    signs.filter((at) => first === undefined || at > first),
  );
  if (pieces.length < 2) return null;
  const [head = '', ...others] = pieces;
  const top =
    first === undefined
      ? `    & ${head}`
      : `    ${plain.slice(0, first).trim()} &${head.slice(first)}`;
  return [top, ...others.map((piece) => `    &\\quad ${piece}`)].join(' \\\\\n');
}

/** A sum in as few pieces as are short enough, each from a sign on. */
function piecesAt(plain: string, signs: readonly number[]): string[] {
  const out: string[] = [];
  let start = 0;
  let last: number | null = null;
  for (const at of [...signs, plain.length]) {
    if (last !== null && seen(plain.slice(start, at)) > ROOM) {
      out.push(plain.slice(start, last).trim());
      start = last;
    }
    last = at;
  }
  return [...out, plain.slice(start).trim()];
}
