import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Ended, MathReader, Until } from './mathReader';

/** Where a formula was meant to end, or a part of it, though its own mark is not there. */

/** What closes each mark that opens a formula. */
const CLOSES: Readonly<Record<string, string>> = {
  '\\(': '\\)',
  '\\[': '\\]',
  $: '$',
  $$: '$$',
};
/** How far the rest of a paragraph is looked through. */
const AHEAD = 4000;

/** The rest of the paragraph behind what was just read. */
function restOfParagraph({ p }: MathReader): string {
  const { text, pos } = p.reader;
  const near = text.slice(pos, pos + AHEAD);
  const rest = near.slice(0, /\n[ \t]*\n|\\end\{document\}|$/.exec(near)?.index);
  p.reach = Math.max(p.reach, Math.min(text.length, pos + near.length));
  return rest;
}

const dollarsIn = (text: string): number => (text.match(/(?<!\\)\$/g) ?? []).length;

/** Does what closes this formula still come, before another of its kind is opened? */
function isClosedIn(rest: string, opening: string): boolean {
  if (opening === '$') return dollarsIn(rest) % 2 === 1;
  if (opening === '$$') return rest.includes('$$');
  const [open, close] = [rest.indexOf(opening), rest.indexOf(CLOSES[opening] ?? '')];
  return close >= 0 && (open < 0 || close < open);
}

/** Does the mark that closes the whole formula come before its paragraph ends? Then others on the way mean nothing. */
export function ownMarkAhead(reader: MathReader): boolean {
  const { opening } = reader;
  return (opening === '\\(' || opening === '\\[') && isClosedIn(restOfParagraph(reader), opening);
}

/** `\( x $`: the formula ends with a mark that closes none of its kind. */
export function closedOtherwise(reader: MathReader, token: Token): void {
  const { it } = reader;
  const { opening } = reader;
  const close = CLOSES[opening ?? ''] ?? '';
  const span = it.spanOf(token);
  const isDouble = token.cat === Cat.Math && it.p.reader.text.startsWith('$', it.p.reader.pos);
  if (isDouble) it.p.next();
  const to = isDouble ? span.to + 1 : span.to;
  const found = token.cat === Cat.Math ? (isDouble ? '$$' : '$') : `\\${token.text}`;
  it.p.report(
    'formula-closed-otherwise',
    { from: span.from, to },
    { found, open: opening ?? '', close },
    { title: `Write ${close}`, edits: [{ from: span.from, to, text: close }] },
  );
  reader.closing = token;
}

/** A mark within a formula that goes on, told of with the one that belongs to it. */
function strayMark(reader: MathReader, token: Token): void {
  const { it } = reader;
  const span = it.spanOf(token);
  if (token.from === reader.partnerMark) return;
  const edits = [{ ...span, text: '' }];
  const rest = restOfParagraph(reader);
  const partner = CLOSES[`\\${token.text}`];
  const at = partner ? rest.indexOf(partner) : -1;
  if (partner && at >= 0) {
    const from = it.p.here() + at;
    reader.partnerMark = from;
    edits.push({ from, to: from + partner.length, text: '' });
  }
  const title = edits.length > 1 ? 'Take both out' : 'Take it out';
  it.p.report('mark-in-formula', span, { mark: `\\${token.text}` }, { title, edits });
}

/**
 * `\(`, `\)`, `\[`, `\]` where the list that is read ends with something else. Undefined when the
 * token is none of them, or no mark as it was typed.
 */
export function markWithin(
  reader: MathReader,
  token: Token,
  until: Until,
): Ended | null | undefined {
  const { it, opening } = reader;
  if (!/^[()[\]]$/.test(token.text) || token.chunk !== it.p.reader.chunk || !it.p.atFile)
    return undefined;
  const back = (): Ended => {
    it.p.unread(token);
    return 'early';
  };
  const mark = `\\${token.text}`;
  const isOpening = mark in CLOSES;
  if (!isOpening && opening !== null && CLOSES[opening] === mark) return back();
  // In an environment that is a formula by itself no mark means anything.
  if (opening === null) return (strayMark(reader, token), null);
  if (isOpening && mark === opening) return back();
  if (isClosedIn(restOfParagraph(reader), opening)) return (strayMark(reader, token), null);
  if (isOpening || until !== reader.outermost) return back();
  closedOtherwise(reader, token);
  return 'closed';
}

/** `\( x $` or `$` in a formula that began with another mark: does it close that? */
export const dollarCloses = (reader: MathReader): boolean =>
  (reader.opening === '\\(' || reader.opening === '\\[') &&
  (dollarsIn(restOfParagraph(reader)) % 2 === 0 ||
    (reader.p.reader.text.startsWith('$', reader.p.reader.pos) &&
      dollarsIn(restOfParagraph(reader)) === 1));

/**
 * Does a `&` or `\\` within braces end what is open in its cell? A brace that is never closed
 * does not go on over the row; one that comes to its end makes them signs that align nothing.
 *
 * @param depth how many braces are open in the cell.
 */
export function rowCutsBraces(reader: MathReader, token: Token, depth: number): boolean {
  const { p } = reader;
  const { text, base, chunk } = p.reader;
  if (token.chunk !== chunk || !p.atFile) return false;
  const start = base + token.to;
  const ahead = text.slice(start, start + AHEAD);
  p.reach = Math.max(p.reach, Math.min(text.length, start + ahead.length));
  let open = depth;
  let begun = 0;
  for (const [part] of ahead.matchAll(
    /\\(?:begin|end)\{[^{}]*\}|\\[\s\S]|%[^\n]*|[{}]|\n[ \t]*\n/g,
  )) {
    if (part.startsWith('\\begin')) begun++;
    else if (part.startsWith('\\end') && begun-- === 0) return true;
    else if (part === '{') open++;
    else if (part === '}' && --open === 0) return false;
    else if (part.startsWith('\n')) return true;
  }
  return true;
}

/** A relation, or what raises behind a bound: what a script or an argument in braces goes up to at most. */
const RELATION = /\s*(?:[=<>]|\\(?:leq?|geq?|neq?|equiv|approx|to|implies|iff)(?![A-Za-z]))/y;

/** Where the group begins that ends a text and belongs to no command or sign before it; -1 when there is none. */
function lastGroup(text: string, from: number, end: number): number {
  if (text[end - 1] !== '}') return -1;
  let depth = 0;
  for (let at = end - 1; at >= from; at--) {
    if (text[at] === '}') depth++;
    else if (text[at] === '{' && --depth === 0)
      return /[A-Za-z^_]$/.test(text.slice(from, at)) &&
        /\\[A-Za-z]+$|[\^_]$/.test(text.slice(from, at))
        ? -1
        : at;
  }
  return -1;
}

/**
 * Where in the source the `}` of a group in a formula was meant to stand: before the first
 * relation in it (not below, where bounds have one), before what is raised behind a bound, or at the end.
 */
export function meantEnd(text: string, open: number, end: number): number {
  // `\\frac{a{b}`: what stands in braces last is the other argument.
  const last = /\\[dt]?(?:frac|binom)$/.test(text.slice(Math.max(0, open - 8), open))
    ? lastGroup(text, open + 1, end)
    : -1;
  if (last >= 0) return last;
  const isBelow = text[open - 1] === '_';
  let depth = 0;
  for (let at = open + 1; at < end; at++) {
    const char = text[at];
    if (char === '{') depth++;
    else if (char === '}') depth--;
    if (depth !== 0) continue;
    RELATION.lastIndex = at;
    const ends = isBelow ? char === '^' : RELATION.test(text);
    if (ends && at > open + 1) return at;
    if (char === '\\') at += /^[A-Za-z]*|^./.exec(text.slice(at + 1))?.[0].length ?? 0;
  }
  return end;
}

/** A blank line inside a display that goes on is passed over; any other ends the formula. */
export function passBlankLine(reader: MathReader, token: Token, until: Until): boolean {
  const { it, p } = reader;
  const open = reader.environments.at(-1);
  const closing = open ? `\\end{${open.name}}` : until === 'bracket' ? '\\]' : null;
  if (closing === null) return false;
  const ahead = p.reader.text.slice(p.reader.pos, p.reader.pos + 2000);
  p.reach = Math.max(p.reach, Math.min(p.reader.text.length, p.reader.pos + 2000));
  const end = ahead.indexOf(closing);
  const other = ahead.search(/\n[ \t]*\n|\\begin\{|\\(sub)*section|\\[[(]/);
  if (end < 0 || (other >= 0 && other < end)) return false;
  const span = it.spanOf(token);
  const edits = [{ ...span, text: '' }];
  p.report('blank-line-in-formula', span, {}, { title: 'Take the blank line out', edits });
  return true;
}
