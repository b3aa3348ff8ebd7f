import { Cat } from '../tokens/categories';
import type { Token } from './meaning';
import type { Processor } from './processor';

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
  return /\\([A-Za-z@]+)\*?\s*(?:\[[^[\]]*\]\s*)*$/.exec(before)?.[1] ?? null;
}

/**
 * An argument without its brace, as far as it was meant to go: to the end of its line for a title,
 * to the end of its word for a name. What was taken behind that is read again as what it is.
 *
 * @param waiting the end of the paragraph waits to be read.
 */
export function cutShort(
  p: Processor,
  name: string,
  open: Token,
  tokens: Token[],
  waiting: boolean,
): Token[] {
  const { text, base, chunk } = p.reader;
  if (open.chunk !== chunk || !(ON_A_LINE.has(name) || ONE_WORD.has(name))) return tokens;
  const blankLine = waiting ? p.next() : null;
  if (!p.atFile) {
    if (blankLine) p.unread(blankLine);
    return tokens;
  }
  const start = base + open.to;
  const word = /[^\s{}\\]*/y;
  word.lastIndex = start;
  const newline = text.indexOf('\n', start);
  const lineEnd = newline < 0 ? text.length : newline;
  const end = ONE_WORD.has(name) ? start + (word.exec(text)?.[0].length ?? 0) : lineEnd;
  p.reach = Math.max(p.reach, Math.min(text.length, lineEnd + 1));
  p.reader.jump(end);
  const count = tokens.findIndex((t) => t.chunk === chunk && base + t.from >= end);
  return count < 0 ? tokens : tokens.slice(0, count);
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
  const newline = text.indexOf('\n', at);
  const line = text.slice(at, newline < 0 ? text.length : newline);
  p.reach = Math.max(p.reach, Math.min(text.length, at + line.length + 1));
  const round = /^\(([^()\n]*)\)/.exec(line);
  const open = /^[A-Za-z]/.test(line) && ON_A_LINE.has(name) ? /^[^%]*[^%\s]/.exec(line) : null;
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

/** Commands whose options stand before an argument in braces. */
const WITH_OPTIONS = /\\(?:documentclass|usepackage|RequirePackage|includegraphics|caption)[ \t]*$/;

/** `[11pt{article}`: how many of the tokens behind a bracket that is never closed are in it; null when it is none of options. */
export function bracketCut(p: Processor, open: Token, tokens: readonly Token[]): number | null {
  const { text, base, chunk } = p.reader;
  const at = base + open.from;
  if (open.chunk !== chunk || !WITH_OPTIONS.test(text.slice(Math.max(0, at - 40), at))) return null;
  const brace = tokens.findIndex(({ cat }) => cat === Cat.Begin);
  const before = tokens[brace];
  if (!before || before.chunk !== chunk || text.slice(at, base + before.from).includes('\n'))
    return null;
  p.report(
    'bracket-unclosed',
    p.spanOf(open),
    {},
    {
      title: 'Close it with ]',
      edits: [{ from: before.from, to: before.from, text: ']' }],
    },
  );
  return brace;
}
