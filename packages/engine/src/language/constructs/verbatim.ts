import { emptyBox } from '../machine/paragraphMode';
import { CELLS } from '../machine/cells';
import { FIL, glue } from '../../base/lengths';
import type { FontFamily } from '../../document/font';
import type { Inline } from '../../document/inlines';
import { tokensText } from '../../expansion/tokenText';
import { readOptional } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { setDimen, setSkip } from '../../expansion/registers';
import type { CommandEntry, EnvironmentEntry } from '../machine/entries';
import { type OpenEnvironment, sourceName } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';
import { beginTrivial, endList } from './lists';
import { unendedLines } from './unendedVerbatim';
import { LIST } from './listData';

interface Raw {
  readonly text: string;
  readonly found: boolean;
}

/**
 * The characters up to a mark, as they stand in the file. Where tokens wait already (the body of a frame, the
 * argument of a command) they are looked up in the file; what came from elsewhere is written out again, which
 * is as near as one can come.
 */
export function readRaw(it: Interpreter, mark: string, onLine = false): Raw {
  const reader = it.p.nextSource;
  if (reader) {
    const raw = reader.rawUntil(mark, onLine);
    if (reader === it.p.reader) it.p.reach = Math.max(it.p.reach, reader.pos);
    return raw;
  }
  const written = writtenUntil(it, mark);
  if (written !== null) return { text: written, found: true };
  let text = '';
  for (let t = it.p.next(); t !== null; t = it.p.next()) {
    text += tokensText([t]).trimEnd() || ' ';
    if (text.endsWith(mark)) return { text: text.slice(0, -mark.length), found: true };
  }
  return { text, found: false };
}

/** What waits as tokens, as it stands in the file they were read from, up to the mark, which is passed; null where it does not. */
function writtenUntil(it: Interpreter, mark: string): string | null {
  const first = it.p.next();
  if (!first) return null;
  it.p.unread(first);
  const source = it.p.sourceOf(first.chunk);
  if (!source) return null;
  const { text, base } = source;
  const end = text.indexOf(mark, base + first.from);
  if (end < 0 || end + mark.length > source.pos) return null;
  for (let t = it.p.next(); t !== null; t = it.p.next()) {
    if (t.chunk === first.chunk && base + t.from < end + mark.length) continue;
    it.p.unread(t);
    break;
  }
  let start = base + first.from;
  // Blanks and comments before the first token made none.
  while (start > base && /[ \t\n]/.test(text[start - 1] as string)) start--;
  return text.slice(start, end);
}

/** Text as it is typed needs to be read as such, which a frame of slides does where it is told to. */
function needsFragile(it: Interpreter, span: { readonly from: number; readonly to: number }): void {
  if (!it.read(CELLS.frameOfTokens)) return;
  it.p.report('frame-not-fragile', span);
  it.write(CELLS.frameOfTokens, false, true);
}

/** Text in typewriter, blanks as wide as letters; no ligatures, no breaks in it. */
export function typewriterInlines(
  it: Interpreter,
  text: string,
  visible = false,
  family: FontFamily = 'mono',
): Inline[] {
  const font = it.intern({ ...it.font, family, series: it.font.series });
  const at = it.p.place;
  const out: Inline[] = [];
  for (const part of text.replaceAll('\t', '        ').split(/( )/)) {
    if (part === ' ' && !visible) {
      const blank = { kind: 'text' as const, text: '\u00a0', font, ...at };
      out.push(blank);
    } else if (part !== '')
      out.push({ kind: 'text', text: part === ' ' ? '␣' : part, font, ...at });
  }
  return out;
}

/** `\verb|…|`. */
export function verb(it: Interpreter, token: Token): void {
  const start = it.spanOf(token);
  const reader = it.p.nextSource;
  let delimiter = reader ? reader.rawChar() : (it.p.next()?.text ?? '');
  const star = delimiter === '*';
  if (star) delimiter = reader ? reader.rawChar() : (it.p.next()?.text ?? '');
  while (delimiter === ' ') delimiter = reader ? reader.rawChar() : (it.p.next()?.text ?? '');
  it.startParagraph();
  if (delimiter === '') return;
  needsFragile(it, start);
  const { text, found } = readRaw(it, delimiter, true);
  const line = text.indexOf('\n');
  if (!found || line >= 0) it.p.report('verb-unclosed', start, { open: delimiter });
  it.p.place = { from: start.from, to: Math.max(start.to, it.p.here()) };
  for (const inline of typewriterInlines(it, line >= 0 ? text.slice(0, line) : text, star))
    it.add(inline);
}

/** How a listing is set: each line as inlines, framed or numbered by packages. */
export interface ListingLook {
  readonly visible: boolean;
  readonly lineOf: ((it: Interpreter, line: string, index: number) => readonly Inline[]) | null;
}

/**
 * The lines of a verbatim environment up to its `\end`; whether blanks before that are a line of
 * their own, the environment decides.
 */
export function rawLines(it: Interpreter, name: string, blanksCount = false): string[] {
  const open = it.environments.at(-1) as OpenEnvironment;
  const source = sourceName(it, name);
  const isInFile = it.p.nextSource === it.p.reader;
  const { text, found } = readRaw(it, `\\end{${source}}`);
  needsFragile(it, open.span);
  if (!found && !isInFile) it.p.report('environment-unclosed', open.span, { name });
  const taken = found || !isInFile ? text : unendedLines(it, open, source, text);
  const lines = taken.split('\n');
  if ((lines[0] ?? '').trim() === '') lines.shift();
  const last = lines.at(-1) ?? '';
  if (blanksCount ? !last.includes(' ') && last.trim() === '' : last.trim() === '') lines.pop();
  return lines;
}

/** Opens a list without a mark whose lines are paragraphs as they are typed (LaTeX's `\@verbatim`). */
export function beginVerbatim(it: Interpreter): void {
  beginTrivial(it);
  // `\trivlist\item\relax … \vskip\parskip`.
  it.mode.vlist.push({ kind: 'vspace', glue: it.skip('parskip'), behaviour: 'plain' });
  setSkip(it.state, 'parskip', glue(0));
  setDimen(it.state, 'parindent', 0);
  setSkip(it.state, 'rightskip', FIL);
  it.write(CELLS.alignment, 'left');
}

/** Lines in typewriter one under another, in the measures of a list. */
export function setLines(it: Interpreter, lines: readonly (readonly Inline[])[]): void {
  beginVerbatim(it);
  const { data } = it.innermost;
  const list = data.get(LIST);
  if (list) data.set(LIST, { ...list, parSep: it.skip('parskip') });
  // Nothing at all is a line: the list's item wants one (`\\endtrivlist`).
  const shown = lines.length > 0 ? lines : [[]];
  shown.forEach((line) => {
    it.startParagraph(false);
    it.mode.nextIndent = 0;
    it.add(emptyBox(it));
    for (const inline of line) it.add(inline);
    it.endParagraph();
    it.mode.vlist.push({ kind: 'penalty', penalty: 0 });
  });
  it.mode.vlist.pop();
}

/** Ends an environment that has read its own `\end`. */
export function finishRaw(it: Interpreter): void {
  it.p.push(
    it
      .source('\\end')
      .concat(it.p.make(Cat.Begin, '{'), ...it.p.chars(sourceName(it)), it.p.make(Cat.End, '}')),
  );
}

const verbatim = (name: string, visible: boolean): EnvironmentEntry => ({
  name,
  signature: '',
  description: 'Text exactly as it is typed, in typewriter.',
  example: `\\begin{${name}}\nfor each ferry: leave\n\\end{${name}}`,
  begin: (it) => {
    // A blank that stands before `\\end` begins a line as any other does (the kernel's `\\@xobeysp`).
    const lines = rawLines(it, name, true);
    // The type may be the document's own.
    const own = it.p.command('verbatim@font');
    if (it.state.get(it.state.cell(own.text)) !== undefined) it.execute([own]);
    setLines(
      it,
      lines.map((line) => typewriterInlines(it, line, visible)),
    );
    finishRaw(it);
  },
  end: endList,
});

export const verbatimEnvironments: readonly EnvironmentEntry[] = [
  verbatim('verbatim', false),
  verbatim('verbatim*', true),
];

/** An environment that does nothing with what it holds. */
export const ignoredEnvironment = (name: string, description: string): EnvironmentEntry => ({
  name,
  signature: '',
  description,
  example: `\\begin{${name}}\nNot printed.\n\\end{${name}}`,
  begin: (it) => {
    rawLines(it, name);
    finishRaw(it);
  },
});

export const verbatimCommands: readonly CommandEntry[] = [
  {
    name: 'verb',
    signature: '',
    description: 'Text exactly as it is typed, between two equal characters.',
    example: '\\verb|50 % ebb|',
    run: (it, _args, token) => verb(it, token),
    math: (reader, token) => {
      const { it } = reader;
      const raw = readRaw(it, it.p.nextSource?.rawChar() ?? '|');
      return { kind: 'text', inlines: typewriterInlines(it, raw.text), ...reader.span(token) };
    },
  },
];

/**
 * Options in brackets right behind `\begin{…}`, before characters that are read as they stand:
 * where there are none nothing is looked at, since what has become a token is no longer raw.
 */
export const rawOptions = (it: Interpreter): readonly Token[] | null =>
  it.p.nextSource?.comes('[') === false ? null : readOptional(it.p, false);
