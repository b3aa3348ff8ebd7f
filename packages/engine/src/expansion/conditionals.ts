import type { Span } from '../base/spans';
import { cellsBy } from './cells';
import { Cat } from '../tokens/categories';
import { type Expandable, isTaken, type Meaning, sameMeaning, STOP, type Token } from './meaning';
import type { Processor } from './processor';
import { scanDimen, scanInt } from './scan';

/** A condition that is open: where it began, and whether its true part was found. */
export interface OpenCondition {
  readonly token: Token;
  readonly span: Span;
  /** Its test is still being read. */
  deciding: boolean;
  inElse: boolean;
  readonly isCase: boolean;
}

type Test = (p: Processor) => boolean;

/** The two tokens' codes for `\if` and `\ifcat`: a command that is no character counts as 256. */
function charOf(p: Processor, token: Token | null): { cat: number; char: string } {
  if (token === null) return { cat: -1, char: '' };
  if (token.cell === null) return { cat: token.cat, char: token.text };
  const meaning = p.state.meaning(token.cell);
  if (meaning?.kind === 'char') return { cat: meaning.cat, char: meaning.text };
  return { cat: Cat.Command, char: '\u0000' };
}

/** What a token means; a character means itself. */
export function meaningOf(p: Processor, token: Token | null): Meaning | undefined {
  if (token === null) return undefined;
  if (token.cell !== null) return p.meaning(token.cell);
  return { kind: 'char', cat: token.cat, text: token.text };
}

function compare(p: Processor, scan: (p: Processor) => number): boolean {
  const left = scan(p);
  const relation = p.nextNonBlank();
  const sign = relation?.text ?? '';
  if (relation && !['<', '>', '='].includes(sign)) {
    p.report('number-missing', p.spanOf(relation));
    p.unread(relation);
  }
  const right = scan(p);
  return sign === '<' ? left < right : sign === '>' ? left > right : left === right;
}

/** The lines of a file that is open for reading and were not read yet, by its stream; null: none is open. */
export const IN_STREAM = cellsBy<readonly string[] | null>('instream', null);

const TESTS: Readonly<Record<string, Test>> = {
  iftrue: () => true,
  iffalse: () => false,
  if: (p) => charOf(p, p.nextExpanded()).char === charOf(p, p.nextExpanded()).char,
  ifcat: (p) => charOf(p, p.nextExpanded()).cat === charOf(p, p.nextExpanded()).cat,
  ifx: (p) => {
    const a = p.next();
    const b = p.next();
    return sameMeaning(meaningOf(p, a), meaningOf(p, b));
  },
  ifnum: (p) => compare(p, scanInt),
  ifdim: (p) => compare(p, scanDimen),
  ifodd: (p) => Math.abs(scanInt(p)) % 2 === 1,
  ifdefined: (p) => {
    const token = p.next();
    return token?.cell != null && isTaken(p.meaning(token.cell));
  },
  ifcsname: (p) => isTaken(p.meaning(p.state.cell(readCsName(p)))),
  ifinner: (p) => p.isInner(),
  ifeof: (p) => (p.state.read(IN_STREAM(String(scanInt(p)))) ?? []).length === 0,
  ifvoid: (p) => p.state.get(p.state.register('box', scanInt(p))) === undefined,
  ifhbox: (p) => p.state.get(p.state.register('box', scanInt(p))) !== undefined,
  ifvbox: (p) => p.state.get(p.state.register('box', scanInt(p))) === null,
  ifmmode: (p) => p.mode() === 'math',
  ifhmode: (p) => p.mode() === 'horizontal',
  ifvmode: (p) => p.mode() === 'vertical',
};

/** The name between `\csname` and `\endcsname`. */
export function readCsName(p: Processor): string {
  let name = '';
  for (;;) {
    const token = p.nextExpanded();
    if (token === null) return name;
    if (token.cat === Cat.Command) {
      if (token.text !== 'endcsname') {
        p.report('command-unknown', p.spanOf(token), { name: token.text });
        p.unread(token);
      }
      return name;
    }
    if (token.cat === STOP) {
      p.unread(token);
      return name;
    }
    name += token.text;
  }
}

function begin(p: Processor, token: Token, isCase: boolean): OpenCondition {
  const open = { token, span: p.spanOf(token), deciding: true, inElse: false, isCase };
  p.conditions.push(open);
  return open;
}

/** Skips to the `\else`, `\or` or `\fi` of the innermost condition; which it was, or null at the end. */
function skipBranch(p: Processor): 'else' | 'or' | 'fi' | null {
  let depth = 0;
  for (;;) {
    const token = p.next();
    if (token === null || token.cat === STOP) {
      if (token) p.unread(token);
      return null;
    }
    if (token.cell === null) continue;
    const meaning = p.state.meaning(token.cell);
    if (meaning?.kind !== 'expandable' || !meaning.conditional) continue;
    if (meaning.conditional === 'if') depth++;
    else if (depth === 0) return meaning.conditional;
    else if (meaning.conditional === 'fi') depth--;
  }
}

function unclosed(p: Processor): void {
  const open = p.conditions.pop();
  if (!open || p.exhausted !== null) return;
  p.report('conditional-unclosed', open.span, { name: open.token.text });
  const { reader } = p;
  // One that a macro or another file began cannot be gone back to.
  if (open.token.chunk !== reader.chunk || p.nextSource !== reader) return;
  // Nothing ends it up to the end of the document: it ends with its paragraph, and the rest is read.
  const at = reader.base + open.token.to;
  const behind = reader.text.slice(at).search(/\n[ \t]*\n|\n?\\end\{document\}/);
  if (behind >= 0) reader.pos = at + behind;
}

/** Passes over what a false condition guards. */
function skipFalse(p: Processor): void {
  for (;;) {
    const end = skipBranch(p);
    if (end === null) return unclosed(p);
    if (end === 'fi') return void p.conditions.pop();
    if (end === 'else') {
      const open = p.conditions.at(-1);
      if (open) open.inElse = true;
      return;
    }
  }
}

/** Passes over what is left of a condition whose true part was read. */
function skipRest(p: Processor): void {
  for (;;) {
    const end = skipBranch(p);
    if (end === null) return unclosed(p);
    if (end === 'fi') return void p.conditions.pop();
  }
}

function condition(name: string, test: Test): Expandable {
  return {
    kind: 'expandable',
    name,
    conditional: 'if',
    expand: (p, token) => {
      const open = begin(p, token, false);
      const holds = test(p);
      open.deciding = false;
      if (!holds) skipFalse(p);
    },
  };
}

function ifcase(p: Processor, token: Token): void {
  const open = begin(p, token, true);
  let number = scanInt(p);
  open.deciding = false;
  while (number !== 0) {
    const end = skipBranch(p);
    if (end === null) return unclosed(p);
    if (end === 'fi') return void p.conditions.pop();
    if (end === 'else') return;
    number--;
  }
}

function branchEnd(name: 'else' | 'or' | 'fi'): Expandable {
  return {
    kind: 'expandable',
    name,
    conditional: name,
    expand: (p, token) => {
      // What it ends is not decided yet: that ends the test (TeX: The Program, §510).
      if (p.conditions.at(-1)?.deciding) p.push([p.command('relax'), token]);
      else if (name === 'fi') p.conditions.pop();
      else if (p.conditions.length > 0) skipRest(p);
    },
  };
}

/** All conditionals (The TeXbook, chapter 20), by name. */
export const conditionals: readonly Expandable[] = [
  ...Object.entries(TESTS).map(([name, test]) => condition(name, test)),
  { kind: 'expandable', name: 'ifcase', conditional: 'if', expand: ifcase },
  branchEnd('else'),
  branchEnd('or'),
  branchEnd('fi'),
  {
    kind: 'expandable',
    name: 'unless',
    expand: (p) => {
      const token = p.next();
      const meaning = token?.cell ? p.state.meaning(token.cell) : undefined;
      const test = meaning?.kind === 'expandable' ? TESTS[meaning.name] : undefined;
      if (!token || !test) return;
      const open = begin(p, token, false);
      const holds = test(p);
      open.deciding = false;
      if (holds) skipFalse(p);
    },
  },
];
