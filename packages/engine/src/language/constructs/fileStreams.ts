import { readArgument } from '../../expansion/arguments';
import { cellsBy } from '../../expansion/cells';
import { IN_STREAM } from '../../expansion/conditionals';
import { latexMacro, readName, takePrefix } from '../../expansion/definitions';
import type { Primitive, Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { scanInt, takeKeyword } from '../../expansion/scan';
import { expandTokens, tokensText } from '../../expansion/tokenText';
import type { Interpreter } from '../machine/interpreter';
import { OWN } from '../machine/ownNames';
import { findFile, scanFileName, writtenFile } from './files';

/** The file that a stream writes to, and how many lines that was given; null: none is open. */
const target = cellsBy<{ readonly file: string; readonly lines: number } | null>('outstream', null);

/** Numbers from here on are the log, the terminal and the format's own files (The TeXbook, chapter 20). */
const STREAMS = 15;
/** How many lines one file may be given; what is more is not kept. */
const MOST_LINES = 2000;

/** Are all braces closed in it? `\read` goes on to further lines until they are. */
function isBalanced(text: string): boolean {
  let depth = 0;
  for (const char of text.replace(/\\./g, '')) depth += char === '{' ? 1 : char === '}' ? -1 : 0;
  return depth <= 0;
}

/** `\read` and `\readline`: the next line of a stream as a macro; empty behind the last. */
function readLine(it: Interpreter, p: Processor, caller: Token, asTyped: boolean): void {
  const prefix = takePrefix(p);
  const stream = IN_STREAM(String(scanInt(p)));
  takeKeyword(p, 'to');
  const cell = readName(p, caller);
  if (!cell) return;
  const lines = it.read(stream) ?? [];
  let [text = ''] = lines;
  let count = 1;
  while (!asTyped && !isBalanced(text) && count < lines.length) text += `\n${lines[count++]}`;
  it.write(stream, lines.length === 0 ? null : lines.slice(count), true);
  const body = asTyped ? p.chars(text) : it.source(lines.length === 0 ? '' : `${text}\n`);
  p.state.set(cell, latexMacro(p, null, null, body, true), prefix.global);
}

/** `\write`: a line more in the stream's file, as its tokens are printed. */
function writeLine(it: Interpreter, p: Processor, caller: Token): void {
  const number = scanInt(p);
  const tokens = readArgument(p, caller, true) ?? [];
  const stream = target(String(number));
  const open = it.read(stream);
  if (open === null || open.lines >= MOST_LINES) return;
  const before = it.read(writtenFile(open.file)) ?? '';
  it.write(writtenFile(open.file), `${before}${tokensText(expandTokens(p, tokens))}\n`, true);
  it.write(stream, { ...open, lines: open.lines + 1 }, true);
}

/** Gives a name the next stream's number. */
function newStream(it: Interpreter, p: Processor, caller: Token): void {
  const counter = it.state.register('count', OWN.streams);
  const number = (it.state.get(counter) as number | undefined) ?? 0;
  it.state.set(counter, Math.min(number + 1, STREAMS), true);
  const cell = readName(p, caller);
  if (cell) p.state.set(cell, { kind: 'chardef', code: number }, true);
}

/** Files that a document reads line by line, and writes for itself (The TeXbook, chapter 20). */
export function bindFileStreams(it: Interpreter): void {
  const run: Readonly<Record<string, Primitive['run']>> = {
    newread: (p, caller) => newStream(it, p, caller),
    newwrite: (p, caller) => newStream(it, p, caller),
    openin: (p) => {
      const number = scanInt(p);
      const file = findFile(it, scanFileName(p), ['', '.tex']);
      const lines = file?.text.replace(/\n$/, '').split('\n') ?? null;
      it.write(IN_STREAM(String(number)), lines, true);
    },
    closein: (p) => it.write(IN_STREAM(String(scanInt(p))), null, true),
    read: (p, caller) => readLine(it, p, caller, false),
    readline: (p, caller) => readLine(it, p, caller, true),
    openout: (p) => {
      const number = scanInt(p);
      const name = scanFileName(p);
      if (number < 0 || number >= STREAMS || name === '') return;
      const file = /\.\w+$/.test(name) ? name : `${name}.tex`;
      it.write(target(String(number)), { file, lines: 0 }, true);
      it.write(writtenFile(file), '', true);
    },
    closeout: (p) => it.write(target(String(scanInt(p))), null, true),
    write: (p, caller) => writeLine(it, p, caller),
  };
  for (const [name, carryOut] of Object.entries(run)) {
    const primitive: Primitive = { kind: 'primitive', name, run: carryOut };
    it.state.set(it.state.cell(name), primitive);
  }
}
