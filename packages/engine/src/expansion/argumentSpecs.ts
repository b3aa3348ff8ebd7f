import { Cat } from '../tokens/categories';
import { readArgument } from './arguments';
import { ownName } from './cells';
import { type ArgumentSpec, detach, type Processing, STOP, type Token } from './meaning';
import type { Processor } from './processor';

/** What stands for an optional argument that was left out. */
export const NO_VALUE = ownName('novalue');

const plain = (type: ArgumentSpec['type'], long: boolean, open = '', close = ''): ArgumentSpec => ({
  type,
  open,
  close,
  fallback: null,
  long,
});

/** The next token of the specification that is no blank. */
function nextSolid(tokens: readonly Token[], from: number): number {
  let at = from;
  while (tokens[at]?.cat === Cat.Space) at++;
  return at;
}

/** The group that starts at `at`, or the single token there; and where it ends. */
function groupAt(tokens: readonly Token[], start: number): { inner: Token[]; end: number } {
  const at = nextSolid(tokens, start);
  const first = tokens[at];
  if (first?.cat !== Cat.Begin) return { inner: first ? [first] : [], end: at + 1 };
  let depth = 0;
  for (let i = at; i < tokens.length; i++) {
    const cat = (tokens[i] as Token).cat;
    if (cat === Cat.Begin) depth++;
    else if (cat === Cat.End && --depth === 0)
      return { inner: tokens.slice(at + 1, i), end: i + 1 };
  }
  return { inner: tokens.slice(at + 1), end: tokens.length };
}

/** The processors of an argument that are known: `\SplitArgument{1}{,}`, `\SplitList{;}`, `\ReverseBoolean`, `\TrimSpaces`. */
function processingOf(tokens: readonly Token[]): Processing[] {
  const out: Processing[] = [];
  for (let i = 0; i < tokens.length; i++) {
    const { cat, text } = tokens[i] as Token;
    if (cat !== Cat.Command) continue;
    if (text === 'ReverseBoolean') out.push({ kind: 'reverse' });
    else if (text === 'TrimSpaces') out.push({ kind: 'trim' });
    else if (text === 'SplitList' || text === 'SplitArgument') {
      const count = text === 'SplitArgument' ? groupAt(tokens, i + 1) : { inner: [], end: i + 1 };
      const at = groupAt(tokens, count.end);
      const number = Number(count.inner.map((t) => t.text).join(''));
      out.push({
        kind: 'split',
        at: at.inner,
        parts: text === 'SplitArgument' ? number + 1 : null,
      });
      i = at.end - 1;
    }
  }
  return out;
}

/** An argument after what is done with it. */
function processed(
  p: Processor,
  argument: readonly Token[],
  processing: readonly Processing[] = [],
): readonly Token[] {
  if (argument.length === 1 && argument[0]?.text === NO_VALUE) return argument;
  return processing.reduce((tokens, one): readonly Token[] => {
    if (one.kind !== 'split')
      return one.kind === 'trim'
        ? unblanked(tokens)
        : [p.command(tokens[0]?.text === 'BooleanTrue' ? 'BooleanFalse' : 'BooleanTrue')];
    const parts = splitAtTokens(tokens, one.at, one.parts);
    while (parts.length < (one.parts ?? 0)) parts.push(noValue(p));
    return parts.flatMap((part) => [
      p.make(Cat.Begin, '{'),
      ...unblanked(part),
      p.make(Cat.End, '}'),
    ]);
  }, argument);
}

function unblanked(tokens: readonly Token[]): readonly Token[] {
  const first = tokens.findIndex(({ cat }) => cat !== Cat.Space);
  const last = tokens.findLastIndex(({ cat }) => cat !== Cat.Space);
  return first < 0 ? [] : tokens.slice(first, last + 1);
}

/** Tokens cut at others outside braces; what is left behind so many parts stays in the last. */
function splitAtTokens(
  tokens: readonly Token[],
  at: readonly Token[],
  most: number | null,
): (readonly Token[])[] {
  const parts: Token[][] = [[]];
  let depth = 0;
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i] as Token;
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    const isHere =
      depth === 0 &&
      at.length > 0 &&
      (most === null || parts.length < most) &&
      at.every(({ text }, k) => tokens[i + k]?.text === text);
    if (!isHere) parts.at(-1)?.push(token);
    else {
      parts.push([]);
      i += at.length - 1;
    }
  }
  return parts;
}

/**
 * The arguments that a specification of letters asks for (the document-command
 * syntax of LaTeX: `m o O{} g G{} d() D(){} r() R(){} s t+ v b e{^_} E{^_}{…}`, `+` and `!` before them).
 */
export function parseSpec(tokens: readonly Token[]): ArgumentSpec[] {
  const specs: ArgumentSpec[] = [];
  let long = false;
  const processing: Processing[] = [];
  let i = 0;
  const char = (): string => {
    i = nextSolid(tokens, i);
    return tokens[i++]?.text ?? '';
  };
  const fallback = (): readonly Token[] => {
    const { inner, end } = groupAt(tokens, i);
    i = end;
    return detach(inner);
  };
  while ((i = nextSolid(tokens, i)) < tokens.length) {
    const letter = char();
    if (letter === '+') {
      long = true;
      continue;
    }
    if (letter === '!') continue;
    if (letter === '>') {
      processing.unshift(...processingOf(fallback()));
      continue;
    }
    if (letter === 'm' || letter === 'v' || letter === 's') specs.push(plain(letter, long));
    else if (letter === 'o') specs.push(plain('o', long, '[', ']'));
    else if (letter === 'b' || letter === 'g') specs.push(plain(letter, long));
    else if (letter === 'G') specs.push({ ...plain('g', long), fallback: fallback() });
    else if (letter === 'O') specs.push({ ...plain('o', long, '[', ']'), fallback: fallback() });
    else if (letter === 'd' || letter === 'r') specs.push(plain(letter, long, char(), char()));
    else if (letter === 'D' || letter === 'R') {
      const type = letter === 'D' ? 'd' : 'r';
      specs.push({ ...plain(type, long, char(), char()), fallback: fallback() });
    } else if (letter === 't') specs.push(plain('t', long, char()));
    else if (letter === 'e' || letter === 'E') {
      const marks = fallback();
      const values = letter === 'E' ? fallback() : [];
      marks.forEach((mark, k) => {
        const value = letter === 'E' ? [values[k]].filter((t) => t !== undefined) : null;
        specs.push({ ...plain('e', long, mark.text), fallback: value });
      });
    }
    if (processing.length > 0 && specs.length > 0) {
      const last = specs.pop() as ArgumentSpec;
      specs.push({ ...last, processing: [...processing] });
      processing.length = 0;
    }
    long = false;
  }
  return specs;
}

const noValue = (p: Processor): Token[] => [p.command(NO_VALUE)];

/** Everything between two delimiters, nested pairs included; null when it does not start here. */
function delimited(p: Processor, open: string, close: string): Token[] | null {
  const blanks: Token[] = [];
  let token = p.next();
  while (token !== null && token.cat === Cat.Space) {
    blanks.push(token);
    token = p.next();
  }
  const back = (): null => {
    p.push(token === null ? blanks : [...blanks, token]);
    return null;
  };
  if (token === null || token.text !== open || token.cat === Cat.Command) return back();
  const first = token;
  const out: Token[] = [];
  let braces = 0;
  let nested = 0;
  for (;;) {
    token = p.next();
    if (token === null || token.cat === STOP || (braces === 0 && token.cat === Cat.End)) {
      p.push(token === null ? [first, ...out] : [first, ...out, token]);
      return null;
    }
    if (token.cat === Cat.Begin) braces++;
    else if (token.cat === Cat.End) braces--;
    else if (braces === 0 && token.cell === null && token.text === close) {
      if (nested-- === 0) return out;
    } else if (braces === 0 && token.cell === null && token.text === open) nested++;
    out.push(token);
  }
}

/** An argument in braces, if one stands here. */
function inBraces(p: Processor, caller: Token, long: boolean): readonly Token[] | null {
  const blank = p.next();
  const next = blank?.cat === Cat.Space ? p.nextNonBlank() : blank;
  if (next) p.unread(next);
  if (next?.cat === Cat.Begin) return readArgument(p, caller, long);
  if (blank?.cat === Cat.Space) p.unread(blank);
  return null;
}

/** All that stands in an environment, up to its end, without blanks around it. */
function body(p: Processor): readonly Token[] {
  const out: Token[] = [];
  let open = 0;
  for (let token = p.next(); token !== null; token = p.next()) {
    const isEnd = token.cat === Cat.Command && token.text === 'end';
    if (token.cat === STOP || (isEnd && open === 0)) {
      p.unread(token);
      break;
    }
    if (isEnd) open--;
    else if (token.cat === Cat.Command && token.text === 'begin') open++;
    out.push(token);
  }
  return unblanked(out);
}

function readOne(p: Processor, caller: Token, spec: ArgumentSpec): readonly Token[] {
  switch (spec.type) {
    case 'm':
    case 'v':
      return readArgument(p, caller, spec.long) ?? [];
    case 'b':
      return body(p);
    case 'g':
      return inBraces(p, caller, spec.long) ?? spec.fallback ?? noValue(p);
    case 's':
      return [p.command(p.takeChar('*') ? 'BooleanTrue' : 'BooleanFalse')];
    case 't':
      return [p.command(p.takeChar(spec.open) ? 'BooleanTrue' : 'BooleanFalse')];
    case 'e':
      return spec.fallback ?? noValue(p);
    default:
      return delimited(p, spec.open, spec.close) ?? spec.fallback ?? noValue(p);
  }
}

/** Marked arguments (`e`) may come in any order. */
function readEmbellished(
  p: Processor,
  caller: Token,
  specs: readonly ArgumentSpec[],
): (readonly Token[])[] {
  const found = new Map<string, readonly Token[]>();
  for (;;) {
    const token = p.next();
    if (token === null) break;
    const spec = specs.find(({ open }) => open === token.text && !found.has(open));
    if (!spec || token.cat === Cat.Command) {
      p.unread(token);
      break;
    }
    found.set(spec.open, readArgument(p, caller, spec.long) ?? []);
  }
  return specs.map((spec) => found.get(spec.open) ?? readOne(p, caller, spec));
}

/** Reads the arguments of a macro defined with a specification. */
export function readBySpec(
  p: Processor,
  caller: Token,
  specs: readonly ArgumentSpec[],
): (readonly Token[])[] {
  const args: (readonly Token[])[] = [];
  for (let i = 0; i < specs.length; i++) {
    const spec = specs[i] as ArgumentSpec;
    if (spec.type !== 'e') {
      args.push(processed(p, readOne(p, caller, spec), spec.processing));
      continue;
    }
    let end = i;
    while (specs[end]?.type === 'e') end++;
    args.push(...readEmbellished(p, caller, specs.slice(i, end)));
    i = end - 1;
  }
  return args;
}
