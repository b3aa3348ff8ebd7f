import { wholeLineEnd } from '../../base/lines';
import { STOP, type Token } from '../../expansion/meaning';
import type { Span } from '../../base/spans';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { isSign, wordsOf } from './words';

/** Reads the source of paths, a thing at a time. */
export interface Scanner {
  readonly it: Interpreter;
}

/** The next token that is no blank, expanded; it is left to be read again. */
export function peek({ it }: Scanner): Token | null {
  const token = it.p.nextNonBlank();
  if (token) it.p.unread(token);
  return token && token.cat !== STOP ? token : null;
}

/** Takes the next sign, blanks aside, when it is this one. */
export function takeSign(scanner: Scanner, sign: string): boolean {
  const token = peek(scanner);
  if (token?.text !== sign || token.cat === Cat.Command) return false;
  scanner.it.p.nextNonBlank();
  return true;
}

/** Takes signs that stand together, such as `--`. */
export function takeSigns(scanner: Scanner, signs: string): boolean {
  const { p } = scanner.it;
  const taken: Token[] = [];
  for (const sign of signs) {
    const token = taken.length === 0 ? p.nextNonBlank() : p.nextExpanded();
    if (token) taken.push(token);
    if (token?.text !== sign || token.cat === Cat.Command) {
      for (const one of taken.reverse()) p.unread(one);
      return false;
    }
  }
  return true;
}

/** Takes a word of letters; '' when none stands here. Letters are put back when the word is not wanted. */
export function takeWord({ it }: Scanner, wanted: (word: string) => boolean): string {
  const { p } = it;
  const taken: Token[] = [];
  let word = '';
  for (;;) {
    const token = taken.length === 0 ? p.nextNonBlank() : p.next();
    if (!token) break;
    if (token.cat !== Cat.Letter) {
      p.unread(token);
      break;
    }
    taken.push(token);
    word += token.text;
  }
  if (word !== '' && wanted(word)) return word;
  for (const token of taken.reverse()) p.unread(token);
  return '';
}
export const takeThisWord = (scanner: Scanner, word: string): boolean =>
  takeWord(scanner, (found) => found === word) !== '';

/** What stands between brackets of a kind, when they open here; nothing in it is expanded. */
export function takeBetween(scanner: Scanner, open: string, closing: string): Token[] | null {
  const first = peek(scanner);
  if (!first || !takeSign(scanner, open)) return null;
  const { p } = scanner.it;
  const out: Token[] = [];
  let [depth, braces] = [1, 0];
  // In braces a statement may be meant (`mark=… with {\draw …;}`), or the braces are not closed.
  let statement = -1;
  for (;;) {
    const token = p.next();
    if (token === null || token.cat === STOP || isEdge(token, braces)) {
      if (token) p.unread(token);
      if (statement >= 0) p.push(out.splice(statement));
      return cutOff(scanner, first, out, closing);
    }
    if (token.cat === Cat.Command && token.text === 'draw' && statement < 0) statement = out.length;
    if (token.cat === Cat.Begin) braces++;
    else if (token.cat === Cat.End) braces--;
    else if (braces === 0 && token.cell === null) {
      if (token.text === open) depth++;
      else if (token.text === closing && --depth === 0) return out;
    }
    out.push(token);
  }
}

/** Nothing in brackets reaches over the end of an environment, or of its statement. */
const isEdge = (token: Token, braces: number): boolean =>
  token.cat === Cat.Command
    ? token.text === 'end' || (token.text === 'draw' && braces === 0)
    : braces === 0 && token.text === ';';

/** A bracket that is never closed: it goes up to the next operation of the path, and is told of. */
function cutOff({ it }: Scanner, open: Token, tokens: Token[], close: string): Token[] {
  const operation = tokens.findIndex(
    ({ text }, i) => i > 0 && /^[-.]$/.test(text) && tokens[i + 1]?.text === text,
  );
  const place = tokens.findIndex(({ text }) => text === '(');
  const ends = [operation, close === ']' ? place : -1].filter((at) => at > 0);
  const inside = tokens.slice(0, Math.min(tokens.length, ...ends));
  it.p.push(tokens.slice(inside.length));
  const last = inside.findLast(({ cat }) => cat !== Cat.Space);
  const own = it.p.reader.chunk;
  const isTyped = last?.chunk === own && open.chunk === own;
  const edits = last ? [{ from: last.to, to: last.to, text: close }] : [];
  const fix = isTyped ? { title: `Close it with ${close}`, edits } : undefined;
  it.p.report('picture-bracket', it.p.spanOf(open), { open: open.text, close }, fix);
  return inside;
}

/** The words between round brackets, or null. */
export const takeCoordinate = (scanner: Scanner): string | null =>
  takeWritten(scanner)?.words ?? null;

/** What stands between round brackets, and where: null when it does not stand there letter for letter. */
export interface Written {
  readonly words: string;
  readonly span: Span | null;
}

export function takeWritten(scanner: Scanner): Written | null {
  const { it } = scanner;
  const tokens = takeBetween(scanner, '(', ')');
  if (!tokens) return null;
  return { words: wordsOf(it, tokens), span: spanOfLetters(it, tokens) };
}

/** Where tokens stand in the document itself, if they are its letters one by one. */
function spanOfLetters({ p }: Interpreter, tokens: readonly Token[]): Span | null {
  const [first, last] = [tokens[0], tokens.at(-1)];
  if (!first || !last || tokens.some(({ cat }) => cat === Cat.Command)) return null;
  const [start, end] = [p.spanOf(first), p.spanOf(last)];
  const isWhole = !start.inFile && end.to - start.from === tokens.length;
  return isWhole ? { from: start.from, to: end.to } : null;
}

export const takeOptions = (scanner: Scanner): Token[] | null => takeBetween(scanner, '[', ']');

/** What stands in braces here, or null. */
export function takeGroup(scanner: Scanner): Token[] | null {
  const open = peek(scanner);
  if (open?.cat !== Cat.Begin) return null;
  const { p } = scanner.it;
  p.nextNonBlank();
  const out: Token[] = [];
  for (let depth = 1; ;) {
    const token = p.next();
    if (token === null || token.cat === STOP) {
      if (token) p.unread(token);
      return openGroup(scanner, open, out);
    }
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End && --depth === 0) return out;
    out.push(token);
  }
}

/** A group that is never closed goes up to the end of its statement, and is told of. */
function openGroup({ it }: Scanner, open: Token, tokens: Token[]): Token[] {
  const end = tokens.findIndex(({ text, cat }) => text === ';' && cat !== Cat.Command);
  if (end <= 0) return tokens;
  const inside = tokens.slice(0, end);
  it.p.push(tokens.slice(end));
  const last = inside.at(-1);
  const own = it.p.reader.chunk;
  const edits = last ? [{ from: last.to, to: last.to, text: '}' }] : [];
  const isTyped = last?.chunk === own && open.chunk === own;
  const fix = isTyped ? { title: 'Close it with }', edits } : undefined;
  it.p.report('picture-bracket', it.p.spanOf(open), { open: '{', close: '}' }, fix);
  return inside;
}

/** A statement ends though no `;` stands there. */
export function tellLostEnd({ p }: Interpreter, command: Token): void {
  const { to } = p.place;
  const span = p.spanOf(command);
  const next = p.nextNonBlank();
  if (next) p.unread(next);
  const { reader } = p;
  const isNext = next && next.cat !== STOP && next.chunk === reader.chunk;
  // In a line of text the statement was meant to end with it.
  const end = wholeLineEnd(reader.text, reader.base + span.to);
  const line = end === reader.text.length ? to : end - reader.base;
  p.reach = Math.max(p.reach, Math.min(reader.text.length, end + 1));
  let at = isNext ? p.spanOf(next).from : p.atFile ? p.here() : line;
  while (at > span.to && /\s/.test(reader.text[reader.base + at - 1] ?? '')) at--;
  const fix = { title: 'Put the ;', edits: [{ from: at, to: at, text: ';' }] };
  const isTyped = command.chunk === reader.chunk;
  p.report('picture-semicolon', span, { name: command.text }, isTyped ? fix : undefined);
}

/** A statement that waits: up to its `;`, and not over the end of an environment. */
export function upToSemicolon(it: Interpreter): Token[] {
  const out: Token[] = [];
  let [depth, begun] = [0, 0];
  for (let token = it.p.next(); token !== null; token = it.p.next()) {
    const isCommand = token.cat === Cat.Command;
    if (token.cat === STOP || (isCommand && token.text === 'end' && begun === 0)) {
      it.p.unread(token);
      break;
    }
    out.push(token);
    if (isCommand && token.text === 'begin') begun++;
    else if (isCommand && token.text === 'end') begun--;
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    else if (depth === 0 && isSign(token, ';')) break;
  }
  return out;
}
