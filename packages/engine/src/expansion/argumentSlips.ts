import { wholeLineEnd } from '../base/lines';
import { Cat } from '../tokens/categories';
import type { Token } from './meaning';
import type { Processor } from './processor';
import { IN_DOCUMENT } from './cells';

/** What arguments were meant to be where their brackets are not there, or are others. */

/** Commands whose argument stands on one line, and those for which it is one word. */
const ON_A_LINE: ReadonlySet<string> = new Set(
  'documentclass usepackage RequirePackage title subtitle author date institute part chapter section subsection subsubsection paragraph subparagraph frametitle framesubtitle caption newtheorem bibliography thispagestyle geometry hypersetup tikzset'.split(
    ' ',
  ),
);
const ONE_WORD: ReadonlySet<string> = new Set(
  'begin end label ref eqref pageref autoref cref cite input include includegraphics pagestyle bibliographystyle newcounter'.split(
    ' ',
  ),
);

/** The command that a brace in the source belongs to, as the writer knows it; null when none stands there. */
export function nameBefore(p: Processor, open: Token): string | null {
  if (open.chunk !== p.reader.chunk) return null;
  const at = p.reader.base + open.from;
  const before = p.reader.text.slice(Math.max(0, at - 200), at);
  const begun = /\\(begin\{[A-Za-z]+\*?\})(?:\[[^[\]]*\]|\{[^{}]*\})*$/.exec(before)?.[1];
  return begun ?? /\\([A-Za-z@]+)\*?\s*(?:\[[^[\]]*\]\s*)*$/.exec(before)?.[1] ?? null;
}

/** Commands for which a definition stands in braces. */
const DEFINES =
  /^(?:(?:re)?new|provide)(?:command|environment)$|^Declare|DocumentCommand$|^[gex]?def$/;
/** Commands that set some words in another font: those were meant to end on their line. */
const SOME_WORDS =
  /^text(?:bf|it|tt|sc|sf|sl|rm|md|up|normal|color|superscript|subscript)?$|^emph$|^underline$|^[mf]box$|^(?:math)(?:bf|bb|cal|rm|it|sf|frak)$/;

/**
 * An argument without its brace, as far as it was meant to go: to the end of its line for a title,
 * to the end of its word for a name, before the row, item or environment around it ends. What was
 * taken behind that is read again as what it is.
 *
 * @param waiting the end of the paragraph waits to be read.
 */
export function cutShort(
  p: Processor,
  name: string,
  caller: string,
  open: Token,
  tokens: Token[],
  waiting: boolean,
): Token[] {
  const { text, base, chunk } = p.reader;
  if (open.chunk !== chunk) return tokens;
  const blankLine = waiting ? p.next() : null;
  const start = base + open.to;
  const end = p.atFile ? meantEnd(p, start, name, caller) : p.reader.pos;
  if (end >= p.reader.pos) {
    if (blankLine) p.unread(blankLine);
    return tokens;
  }
  p.reach = Math.max(p.reach, Math.min(text.length, wholeLineEnd(text, start) + 1));
  p.reader.jump(end);
  const count = tokens.findIndex((t) => t.chunk === chunk && base + t.from >= end);
  return count < 0 ? tokens : tokens.slice(0, count);
}

/** Where an argument that begins there was meant to end: what stands in a preamble is said in lines. */
function meantEnd(p: Processor, start: number, name: string, caller: string): number {
  const { text, pos: limit } = p.reader;
  const line = wholeLineEnd(text, start);
  const word = /^(?:begin|end)$/.test(name) ? /^[A-Za-z]+\*?/ : /^[^\s{}\\]*/;
  // One of two braces is too many.
  const doubled = text[start] === '{' ? groupEnd(text, start, line) : null;
  if (doubled !== null) return doubled;
  if (ONE_WORD.has(name)) return start + (word.exec(text.slice(start, line))?.[0].length ?? 0);
  if (ON_A_LINE.has(name) || name.startsWith('begin{')) return line;
  const defined = NAMES_FIRST.test(caller) ? /^\\[A-Za-z@]+/.exec(text.slice(start, line)) : null;
  if (defined && /\\[A-Za-z]+\*?\{$/.test(text.slice(Math.max(0, start - 30), start)))
    return start + defined[0].length;
  const next = nextArgument(text, start, line, name, caller);
  if (next !== null) return next;
  if (DEFINES.test(caller) || !p.state.read(IN_DOCUMENT)) return endOfDefinition(text, line);
  const around = endAround(text, start, limit);
  return SOME_WORDS.test(name) ? Math.min(line, around) : around;
}

/** Commands whose first argument is one name. */
const NAMES_FIRST =
  /^(?:(?:re)?new|provide)(?:command|length)$|^(?:set|addto)(?:length|counter)$|^DeclareMathOperator$/;

/** The place behind a group that begins there; null when it does not end on the line. */
function groupEnd(text: string, start: number, lineEnd: number): number | null {
  let depth = 0;
  for (let i = start; i < lineEnd; i++) {
    if (text[i] === '\\') i++;
    else if (text[i] === '{') depth++;
    else if (text[i] === '}' && --depth === 0) return i + 1;
  }
  return null;
}

/** Where the argument behind this one begins, as far as the line tells. */
function nextArgument(
  text: string,
  start: number,
  lineEnd: number,
  name: string,
  caller: string,
): number | null {
  const ofEnvironment = /environment$/.test(caller);
  const closing = ofEnvironment ? text.slice(start, lineEnd).indexOf('{\\end{') : -1;
  if (closing > 0) return start + closing;
  const isLast = SOME_WORDS.test(name) || (DEFINES.test(caller) && !ofEnvironment);
  return isLast ? null : gluedGroup(text, start, lineEnd);
}

/** A command with what belongs to it, before a brace. */
const TAKES_GROUP = /\\[A-Za-z@]+\*?(?:\[[^[\]]*\]|\{[^{}]*\})*$/;

/** Where the next argument stands close to the words of this one, as in `{ebb{flood}`; null when none does on the line. */
function gluedGroup(text: string, start: number, lineEnd: number): number | null {
  for (let i = start; i < lineEnd; i++) {
    if (text[i] === '\\') i++;
    if (text[i] !== '{') continue;
    const before = text.slice(Math.max(start, i - BEFORE), i);
    const end = groupEnd(text, i, lineEnd);
    if (end === null) return null;
    if (/[\w.)\]]$/.test(before) && !TAKES_GROUP.test(before)) return i;
    i = end - 1;
  }
  return null;
}

/** The lines of a definition: the first, and those that are set in behind it. */
function endOfDefinition(text: string, firstEnd: number): number {
  let end = firstEnd;
  for (;;) {
    const next = text.slice(end + 1, wholeLineEnd(text, end + 1));
    if (end >= text.length || !/^[ \t]+\S/.test(next)) return end;
    end += 1 + next.length;
  }
}

const ROWS = /^(?:tabular[xy]?|longtable|array|align|gather|flalign|eqnarray|[pbBvV]?matrix|cases)/;

/** Where what stands around an argument ends: an item, a row, an environment, a section. */
function endAround(text: string, start: number, limit: number): number {
  const inside = text.slice(start, limit);
  const parts =
    /%[^\n]*|\\(begin|end)\s*\{([^{}]*)\}|\\(?:item|(?:sub)*section|chapter)(?![A-Za-z])|\\[\s\S]|&/g;
  let begun = 0;
  let firstRow = -1;
  for (const { 0: part, 1: half, 2: name = '', index } of inside.matchAll(parts)) {
    if (half === 'begin') begun++;
    else if (half === 'end' && begun-- === 0)
      return start + (firstRow >= 0 && ROWS.test(name) ? firstRow : index);
    else if (begun > 0) continue;
    else if (/^\\(?:item|(?:sub)*section|chapter)$/.test(part)) return start + index;
    else if ((part === '&' || part === '\\\\') && firstRow < 0) firstRow = index;
  }
  return limit;
}

const BEFORE = 200;
/** A command in front of its argument. */
const CALLED = /\\([A-Za-z]+)\*?[ \t]*$/;

/**
 * `\usepackage(amsmath)`, `\section Title`: an argument without its braces, for commands that are
 * never written so. Null when the one token is meant.
 */
export function bracesMeant(p: Processor, first: Token): Token[] | null {
  const { text, base, chunk } = p.reader;
  if (first.chunk !== chunk || !p.atFile || first.cell !== null) return null;
  const at = base + first.from;
  const name = CALLED.exec(text.slice(Math.max(0, at - BEFORE), at))?.[1] ?? '';
  if (!ON_A_LINE.has(name) && !ONE_WORD.has(name)) return null;
  const line = text.slice(at, wholeLineEnd(text, at));
  p.reach = Math.max(p.reach, Math.min(text.length, at + line.length + 1));
  const round = /^\(([^()\n]*)\)/.exec(line);
  const whole = ONE_WORD.has(name) ? /^[A-Za-z][\w:.-]*\w\*?/ : /^[^%]*[^%\s]/;
  const open = /^[A-Za-z]/.test(line) ? whole.exec(line) : null;
  const found = round ?? open;
  if (!found) return null;
  const inside = round ? (round[1] ?? '') : found[0];
  const to = first.from + found[0].length;
  const tokens = tokensUpTo(p, first, base + to);
  p.report(
    'braces-meant',
    { from: first.from, to },
    { name },
    {
      title: 'Put it in braces',
      edits: [{ from: first.from, to, text: `{${inside}}` }],
    },
  );
  return round ? tokens.slice(1, -1) : tokens;
}

/** What is read up to a place of the file, the token at hand first. */
function tokensUpTo(p: Processor, first: Token, end: number): Token[] {
  const tokens = [first];
  while (p.reader.pos < end) {
    const token = p.next();
    if (!token) break;
    tokens.push(token);
  }
  return tokens;
}

/** What stands before options whose bracket may have been forgotten. */
const WITH_OPTIONS = /\\(?:documentclass|usepackage|RequirePackage|includegraphics|caption)[ \t]*$/;
const BEGINS = /\\begin\{[^{}\n]*\}[ \t]*$/;

const ITEM = /\\item[ \t]*$/;

/** Does a bracket belong to an item? No other item stands in it. */
export function opensItem({ reader }: Processor, { chunk, from }: Token): boolean {
  const at = reader.base + from;
  return chunk === reader.chunk && ITEM.test(reader.text.slice(Math.max(0, at - 20), at));
}

/** `[11pt{article}`: how many of the tokens behind a bracket that is never closed are in it; null when it is none of options. */
export function bracketCut(p: Processor, open: Token, tokens: readonly Token[]): number | null {
  const { text, base, chunk } = p.reader;
  const at = base + open.from;
  if (open.chunk !== chunk) return null;
  const before = text.slice(Math.max(0, at - 60), at);
  const cut = WITH_OPTIONS.test(before)
    ? tokens.findIndex(({ cat }) => cat === Cat.Begin)
    : BEGINS.test(before)
      ? endOfLine(text, base, at, tokens)
      : ITEM.test(before)
        ? tokens.findIndex(({ cat }) => cat === Cat.Space)
        : -1;
  const last = tokens[cut - 1];
  if (!last || last.chunk !== chunk || text.slice(at, base + last.to).includes('\n')) return null;
  let end = last.to;
  while (/\s/.test(text[base + end - 1] ?? '')) end--;
  const edits = [{ from: end, to: end, text: ']' }];
  p.report('bracket-unclosed', p.spanOf(open), {}, { title: 'Close it with ]', edits });
  return cut;
}

/** How many tokens stand on the line of an opening bracket, before an item at the most. */
function endOfLine(text: string, base: number, at: number, tokens: readonly Token[]): number {
  const end = wholeLineEnd(text, at);
  const next = tokens.findIndex((t) => base + t.from >= end || t.text === 'item');
  return next < 0 ? tokens.length : next;
}
