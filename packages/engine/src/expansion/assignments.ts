import { Cat } from '../tokens/categories';
import { parseSpec } from './argumentSpecs';
import { readArgument } from './arguments';
import { ownName } from './cells';
import { codeTables } from './codeTables';
import { latexMacro, parameterise, readName, takePrefix } from './definitions';
import {
  detach,
  isFree,
  type Macro,
  type Meaning,
  type Primitive,
  type RegisterType,
  type Token,
} from './meaning';
import { expandTokens, textOf } from './tokenText';
import type { Processor } from './processor';
import { declareRegister } from './registers';
import { scanInt } from './scan';

const primitive = (name: string, run: Primitive['run']): Primitive => ({
  kind: 'primitive',
  name,
  run,
});

const arg = (p: Processor, caller: Token): Token[] => readArgument(p, caller, true) ?? [];

/** `\countdef` and its kin: a name for a numbered register. */
function registerName(name: string, type: RegisterType): Primitive {
  return primitive(name, (p, caller) => {
    const prefix = takePrefix(p);
    const cell = readName(p, caller);
    p.takeChar('=');
    const number = scanInt(p);
    const storage = p.state.register(type, number);
    if (cell) p.state.set(cell, { kind: 'register', type, storage }, prefix.global);
  });
}

/** Reads `count` arguments and does nothing: messages, files to be written. */
const ignored = (name: string, count: number): Primitive =>
  primitive(name, (p, caller) => {
    for (let i = 0; i < count; i++) arg(p, caller);
  });

function documentCommand(kind: 'new' | 'renew' | 'provide' | 'declare') {
  return (p: Processor, caller: Token): void => {
    const target = readArgument(p, caller)?.find((t) => t.cell !== null);
    const spec = readArgument(p, caller) ?? [];
    const body = readArgument(p, caller, true);
    if (!target?.cell || !body) return;
    const existing = !isFree(p.state.meaning(target.cell));
    if (kind === 'provide' && existing) return;
    if (kind === 'new' && existing)
      p.report('command-redefined', p.spanOf(target), { name: target.text });
    p.state.set(target.cell, specMacro(p, spec, body));
  };
}

/** The macro that `\NewDocumentCommand` defines. */
export function specMacro(p: Processor, spec: readonly Token[], body: readonly Token[]): Macro {
  return { ...latexMacro(p, null, null, body, true, true), spec: parseSpec(spec) };
}

/** `\@namedef{name}`, then parameters and a body as for `\def`. */
function namedDefinition(name: string, define: string): Primitive {
  return primitive(name, (p, caller) => {
    const target = textOf(p, arg(p, caller));
    p.push([p.command(define), p.command(target)]);
  });
}

/** What a command does that is no macro, under a name of its own, so that more can be added to it. */
function keptAs(p: Processor, name: string, meaning: Meaning | undefined): readonly Token[] {
  if (meaning === undefined) return [];
  const kept = p.command(ownName(`kept:${name}`));
  if (kept.cell) p.state.set(kept.cell, meaning, true);
  return detach([kept]);
}

/** `\g@addto@macro`: more at the end of a macro's body. */
function addToMacro(name: string, global: boolean, before: boolean, expanded = false): Primitive {
  return primitive(name, (p, caller) => {
    const target = arg(p, caller).find((t) => t.cell !== null);
    let more = arg(p, caller);
    if (expanded) more = expandTokens(p, more);
    if (!target?.cell) return;
    const old = p.state.meaning(target.cell);
    const macro: Macro =
      old?.kind === 'macro'
        ? old
        : { ...latexMacro(p, null, null, [], true), body: keptAs(p, target.text, old) };
    const added = detach(parameterise(more));
    const body = before ? [...added, ...macro.body] : [...macro.body, ...added];
    p.state.set(target.cell, { ...macro, body }, global);
  });
}

/** `\@for\x:=a,b,c\do{…}` and `\@tfor`: the body once for each entry. */
function forEach(name: string, byToken: boolean): Primitive {
  return primitive(name, (p, caller) => {
    const cell = readName(p, caller);
    const list: Token[] = [];
    for (let t = p.next(); t !== null; t = p.next()) {
      if (t.cat === Cat.Command && t.text === 'do') break;
      list.push(t);
    }
    const body = arg(p, caller);
    if (!cell) return;
    const start = list.findIndex((t) => t.text === '=') + 1;
    const items = byToken ? entries(list.slice(start)) : split(expandOne(p, list.slice(start)));
    const name = p.command(cell.name);
    p.push(
      items.flatMap((item) => [
        p.command('def'),
        name,
        p.make(Cat.Begin, '{'),
        ...item,
        p.make(Cat.End, '}'),
        ...body,
      ]),
    );
  });
}

/** A list given as one macro is what that macro holds. */
function expandOne(p: Processor, tokens: readonly Token[]): readonly Token[] {
  const solid = tokens.filter((t) => t.cat !== Cat.Space);
  const [only] = solid;
  if (solid.length !== 1 || !only?.cell) return tokens;
  const meaning = p.state.meaning(only.cell);
  return meaning?.kind === 'macro' && meaning.params.length === 0 ? meaning.body : tokens;
}

/** The list cut at commas outside braces; blanks before an entry go. */
function split(tokens: readonly Token[]): Token[][] {
  const parts: Token[][] = [[]];
  let depth = 0;
  for (const token of tokens) {
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    const part = parts.at(-1) as Token[];
    if (depth === 0 && token.cell === null && token.text === ',') parts.push([]);
    else if (token.cat !== Cat.Space || part.length > 0) part.push(token);
  }
  return parts.length === 1 && parts[0]?.length === 0 ? [] : parts;
}

function entries(tokens: readonly Token[]): Token[][] {
  const out: Token[][] = [];
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i] as Token;
    if (token.cat === Cat.Space) continue;
    if (token.cat !== Cat.Begin) {
      out.push([token]);
      continue;
    }
    let depth = 0;
    const start = i + 1;
    for (; i < tokens.length; i++) {
      const { cat } = tokens[i] as Token;
      if (cat === Cat.Begin) depth++;
      else if (cat === Cat.End && --depth === 0) break;
    }
    out.push(tokens.slice(start, i));
  }
  return out;
}

/** `\loop … \if… \repeat`: the body again as long as its condition holds. */
const loop = primitive('loop', (p) => {
  const body: Token[] = [];
  let depth = 0;
  for (let t = p.next(); t !== null; t = p.next()) {
    if (t.cat === Cat.Command && t.text === 'loop') depth++;
    if (t.cat === Cat.Command && t.text === 'repeat' && depth-- === 0) break;
    body.push(t);
  }
  iterate(p, detach(body));
});

function iterate(p: Processor, body: readonly Token[]): void {
  const again: Macro = { ...latexMacro(p, null, null, [], true), body: [] };
  const name = p.command('iterate');
  // The \relax ends a number that ends the body, before anything behind it is expanded.
  const end = ['relax', 'expandafter'].map((word) => p.command(word));
  const whole = [...body, ...end, name, p.command('fi')];
  p.state.set(p.state.cell('iterate'), { ...again, body: whole });
  p.unread(name);
}

/** `\@whilenum test \do{…}` and its kin. */
function whileLoop(name: string, test: string): Primitive {
  return primitive(name, (p, caller) => {
    const condition: Token[] = [];
    for (let t = p.next(); t !== null; t = p.next()) {
      if (t.cat === Cat.Command && t.text === 'do') break;
      condition.push(t);
    }
    const body = arg(p, caller);
    const head = test === '' ? [] : [p.command(test)];
    const relax = test === '' ? [] : [p.command('relax')];
    iterate(p, detach([...head, ...condition, ...relax, ...body]));
  });
}

/** Further assignments of TeX and LaTeX (The TeXbook, chapters 24 and 26; the LaTeX kernel). */
export const assignments: readonly Primitive[] = [
  ...codeTables,
  registerName('countdef', 'count'),
  registerName('dimendef', 'dimen'),
  registerName('skipdef', 'skip'),
  registerName('muskipdef', 'muskip'),
  registerName('toksdef', 'toks'),
  primitive('newmuskip', (p, caller) => {
    const cell = readName(p, caller);
    if (cell) declareRegister(p.state, 'muskip', cell.name);
  }),
  ignored('immediate', 0),
  ignored('message', 1),
  ignored('errmessage', 1),
  ignored('typeout', 1),
  ignored('wlog', 1),
  ignored('PackageWarning', 2),
  ignored('PackageWarningNoLine', 2),
  ignored('PackageInfo', 2),
  ignored('PackageError', 3),
  ignored('ClassWarning', 2),
  ignored('ClassWarningNoLine', 2),
  ignored('ClassInfo', 2),
  ignored('ClassError', 3),
  ignored('GenericWarning', 2),
  ignored('GenericError', 4),
  ignored('@latex@warning', 1),
  ignored('@latex@error', 2),
  ignored('batchmode', 0),
  ignored('nonstopmode', 0),
  ignored('special', 1),
  primitive('NewDocumentCommand', documentCommand('new')),
  primitive('RenewDocumentCommand', documentCommand('renew')),
  primitive('ProvideDocumentCommand', documentCommand('provide')),
  primitive('DeclareDocumentCommand', documentCommand('declare')),
  primitive('NewExpandableDocumentCommand', documentCommand('new')),
  namedDefinition('@namedef', 'def'),
  namedDefinition('@xnamedef', 'xdef'),
  addToMacro('g@addto@macro', true, false),
  addToMacro('l@addto@macro', false, false),
  addToMacro('appto', false, false),
  addToMacro('gappto', true, false),
  addToMacro('eappto', false, false, true),
  addToMacro('xappto', true, false, true),
  addToMacro('preto', false, true),
  addToMacro('gpreto', true, true),
  forEach('@for', false),
  forEach('@tfor', true),
  loop,
  whileLoop('@whilenum', 'ifnum'),
  whileLoop('@whiledim', 'ifdim'),
  whileLoop('@whilesw', ''),
  primitive('MakeRobust', (p, caller) => void arg(p, caller)),
  primitive('robustify', (p, caller) => void arg(p, caller)),
  primitive('newrobustcmd', (p) => p.unread(p.command('DeclareRobustCommand'))),
  primitive('renewrobustcmd', (p) => p.unread(p.command('DeclareRobustCommand'))),
  primitive('providerobustcmd', (p) => p.unread(p.command('providecommand'))),
  primitive('csdef', (p, caller) => {
    const target = textOf(p, arg(p, caller));
    p.push([p.command('def'), p.command(target)]);
  }),
  primitive('NewCommandCopy', (p, caller) => {
    const to = arg(p, caller)[0];
    const from = arg(p, caller)[0];
    if (to?.cell && from?.cell) p.state.set(to.cell, p.state.get(from.cell));
  }),
  primitive('hyphenation', (p, caller) => void arg(p, caller)),
  primitive('showhyphens', (p, caller) => void arg(p, caller)),
  primitive('newlanguage', (p, caller) => void readName(p, caller)),
  primitive('patterns', (p, caller) => void arg(p, caller)),
];
