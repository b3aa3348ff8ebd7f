import { editDistance } from '../../base/nearest';
import type { Span } from '../../base/spans';
import { isPar, readArgument } from '../../expansion/arguments';
import { textOf } from '../../expansion/tokenText';
import { STOP, type Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from './interpreter';
import type { MathReader } from './mathReader';
import { renameFix } from './unknown';

/** An `\end` that is none of those begun within, or a sign that closes the formula around. */
type Edge = 'end' | 'early' | 'misspelt' | 'within';

/** What stands open while the contents of an environment are read. */
interface Within {
  /** The environments begun in it, and `\[` and `\(`. */
  readonly begun: string[];
  /** Those around it. */
  readonly around: ReadonlySet<string>;
  readonly name: string;
}

/** Closes the innermost of a name that was begun within, and what is open in it; false when none was. */
function closes({ begun }: Within, name: string): boolean {
  const at = begun.lastIndexOf(name);
  if (at >= 0) begun.length = at;
  return at >= 0;
}

/** What an `\end` is to the environment whose contents are read. */
function edgeOf(within: Within, found: string): Edge {
  const { begun, around, name } = within;
  if (closes(within, found)) return 'within';
  if (found === name) return 'end';
  if (around.has(found)) return 'early';
  return begun.length === 0 && editDistance(found, name, 2) <= 2 ? 'misspelt' : 'within';
}

const HEADING = /^(?:sub)*(?:section|paragraph)$|^chapter$/;

/** What opens a formula, by what closes it. */
const OPENED_BY: ReadonlyMap<string, string> = new Map([
  [']', '['],
  [')', '('],
]);

/** Reads on until the environment ends, or what is around it does. */
class Contents {
  readonly tokens: Token[] = [];
  /** Where an environment that is never ended is taken to end: at its first paragraph's end, or before a heading. */
  private broken = -1;
  private readonly within: Within;

  constructor(
    private readonly it: Interpreter,
    name: string,
    around: Iterable<string>,
    private readonly begin: Span,
  ) {
    this.within = { begun: [], around: new Set(around), name };
  }

  read(): Token[] {
    const { p } = this.it;
    for (let token = p.next(); token !== null; token = p.next()) {
      if (token.cat === STOP) {
        p.unread(token);
        break;
      }
      if (this.take(token)) return this.tokens;
    }
    this.unended();
    return this.tokens;
  }

  /** Takes a token; true when it ended the environment. */
  private take(token: Token): boolean {
    const isCommand = token.cat === Cat.Command;
    if (isCommand && (token.text === 'begin' || token.text === 'end')) return this.takeEdge(token);
    const { begun, around } = this.within;
    const opener = isCommand ? OPENED_BY.get(token.text) : undefined;
    if (opener !== undefined && !closes(this.within, opener) && around.has(opener))
      return this.endBefore(token, [token]);
    if (isCommand && (token.text === '[' || token.text === '(')) begun.push(token.text);
    const isBreak = isPar(token) || (isCommand && HEADING.test(token.text));
    if (isBreak && this.broken < 0 && begun.length === 0) this.broken = this.tokens.length;
    this.tokens.push(token);
    return false;
  }

  private takeEdge(token: Token): boolean {
    const { p } = this.it;
    const argument = readArgument(p, token) ?? [];
    const found = textOf(p, argument);
    const whole = [token, p.make(Cat.Begin, '{'), ...argument, p.make(Cat.End, '}')];
    const edge = token.text === 'begin' ? 'within' : edgeOf(this.within, found);
    if (edge === 'end') return true;
    if (edge === 'early') return this.endBefore(token, whole, found === 'document');
    if (edge === 'misspelt') {
      const { from } = this.it.spanOf(token);
      const args = { found: `\\end{${found}}`, expected: this.within.name };
      const span = { from, to: from + args.found.length };
      p.report('begin-end-mismatch', span, args, renameFix(this.it, argument, this.within.name));
      return true;
    }
    if (token.text === 'begin') this.within.begun.push(found);
    this.tokens.push(...whole);
    return false;
  }

  /** What is around ends: so does this one, at the last of its words. */
  private endBefore(token: Token, back: readonly Token[], isOfDocument = false): true {
    const { tokens } = this;
    this.it.p.push(back);
    if (!isOfDocument) {
      const last = tokens.findLastIndex((t) => t.cat !== Cat.Space && !isPar(t));
      const behind = tokens.splice(last + 1);
      this.tell(behind.find(isPar) ?? token);
    } else this.unended();
    return true;
  }

  /** The document ends: all from the first break on is read again as what follows. */
  private unended(): void {
    const first = this.broken < 0 ? undefined : this.tokens[this.broken];
    if (first) this.it.p.push(this.tokens.splice(this.broken));
    this.tell(first);
  }

  private tell(before: Token | undefined): void {
    const { it, begin } = this;
    const { name } = this.within;
    const { reader } = it.p;
    const isTyped = reader.text.startsWith('\\begin', reader.base + begin.from);
    const isOwn = isTyped && before?.chunk === reader.chunk;
    const at = isOwn ? it.spanOf(before).from : 0;
    const apart = reader.text[reader.base + at - 1] === '\n' ? '\n' : ' ';
    const edits = [{ from: at, to: at, text: `\\end{${name}}${apart}` }];
    const fix = isOwn ? { title: `End ${name} here`, edits } : undefined;
    it.p.report('environment-unclosed', begin, { name }, fix);
  }
}

/**
 * The tokens up to the `\end` of the environment that was just begun, which is taken; nothing in them
 * is expanded. One that is never ended is told of, and ends where what is around it ends, else at its
 * first paragraph.
 */
export function environmentTokens(it: Interpreter, name: string): Token[] {
  const open = it.environments.at(-1);
  const around = it.environments.slice(0, -1).map((one) => one.name);
  return new Contents(it, name, [...around, 'document'], open?.span ?? it.p.place).read();
}

/** The same of one in a formula, by the token of its `\begin`. */
export function formulaTokens(reader: MathReader, name: string, begin: Token): Token[] {
  const { it } = reader;
  const around = [...it.environments, ...reader.environments].map((one) => one.name);
  const inFormula = [...around, 'document', '[', '('];
  return new Contents(it, name, inFormula, it.spanOf(begin)).read();
}
