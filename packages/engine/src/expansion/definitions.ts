import type { Glue } from '../base/lengths';
import { Cat, categoryOf, withCategory } from '../tokens/categories';
import { isPar, readArgument, readGroup, readOptional } from './arguments';
import { bareName, checkArguments, countOf } from './definitionSlips';
import { readExpanded } from './tokenText';
import {
  detach,
  isFree,
  type Macro,
  type Meaning,
  type Primitive,
  type RegisterMeaning,
  type RegisterType,
  STOP,
  type Token,
} from './meaning';
import type { Processor } from './processor';
import { declareRegister, storageOf } from './registers';
import { quantityOf, registerOf, scanDimen, scanGlue, scanInt, takeKeyword } from './scan';
import type { Cell } from './state';
import { cell } from './cells';

/** What `\afterassignment` keeps. */
const AFTER = cell<Token | null>('afterassignment', null);

interface Prefix {
  readonly global: boolean;
  readonly long: boolean;
  readonly protect: boolean;
}
const NO_PREFIX: Prefix = { global: false, long: false, protect: false };

/** Prefixes gathered before an assignment: `\global`, `\long`, `\outer`, `\protected`. */
const PREFIX = cell('prefix', NO_PREFIX);

export function takePrefix(p: Processor): Prefix {
  const prefix = p.state.read(PREFIX);
  if (prefix !== NO_PREFIX) p.state.write(PREFIX, NO_PREFIX, true);
  return prefix;
}

function addPrefix(p: Processor, change: Partial<Prefix>): void {
  p.state.write(PREFIX, { ...p.state.read(PREFIX), ...change }, true);
}

/** Turns `#1` into argument tokens and `##` into one `#`. */
export function parameterise(tokens: readonly Token[]): Token[] {
  const out: Token[] = [];
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i] as Token;
    const next = tokens[i + 1];
    if (token.cat !== Cat.Parameter || next === undefined) out.push(token);
    else if (next.cat === Cat.Parameter) {
      out.push(next);
      i++;
    } else if (/^[1-9]$/.test(next.text)) {
      out.push({ ...next, cat: Cat.Argument });
      i++;
    } else out.push(token);
  }
  return out;
}

/** Code with arguments put in for `#1` and its kin; what is not given is empty. */
export const withArguments = (
  code: readonly Token[],
  args: readonly (readonly Token[])[],
): Token[] =>
  parameterise(code).flatMap((token) =>
    token.cat === Cat.Argument ? [...(args[Number(token.text) - 1] ?? [])] : [token],
  );

/** The name that a definition binds; reports and gives null when there is none. */
export function readName(p: Processor, caller: Token): Cell | null {
  for (;;) {
    const token = p.next();
    if (token !== null && token.cat === Cat.Space) continue;
    if (token !== null && token.cell !== null) return token.cell;
    if (token) p.unread(token);
    if (p.exhausted === null) p.report('argument-missing', p.spanOf(caller), { name: caller.text });
    return null;
  }
}

function def(expanded: boolean, alwaysGlobal: boolean) {
  return (p: Processor, caller: Token): void => {
    const prefix = takePrefix(p);
    const cell = readName(p, caller);
    if (!cell) return;
    const params: Token[] = [];
    let open: Token;
    /** `#{`: the brace ends the parameters, and stands behind the body too (The TeXbook, chapter 20). */
    let brace: Token[] = [];
    for (;;) {
      const token = p.next();
      if (token === null || token.cat === STOP || isPar(token)) {
        if (token) p.unread(token);
        p.report('argument-missing', p.spanOf(caller), { name: caller.text });
        return;
      }
      if (token.cat === Cat.Begin) {
        if (params.at(-1)?.cat === Cat.Parameter) brace = [token];
        open = token;
        break;
      }
      params.push(token);
    }
    const body = expanded ? readExpanded(p) : readGroup(p, caller, open, true);
    if (brace.length > 0) params.splice(-1, 1, ...brace);
    const macro: Macro = {
      kind: 'macro',
      params: detach(parameterise(params)),
      optional: null,
      body: detach([...parameterise(body), ...brace]),
      long: prefix.long,
      protect: prefix.protect,
    };
    p.state.set(cell, macro, alwaysGlobal || prefix.global);
    p.redefined(cell.name);
  };
}

/** What a token means, for `\let`. */
function meaningForLet(p: Processor, token: Token): Meaning | undefined {
  if (token.cell !== null) return p.meaning(token.cell);
  return { kind: 'char', cat: token.cat, text: token.text };
}

/** `\afterassignment`: the token kept comes next. */
function afterwards(p: Processor): void {
  const kept = p.state.read(AFTER);
  if (!kept) return;
  p.state.write(AFTER, null, true);
  p.unread(kept);
}

function letTo(p: Processor, caller: Token): void {
  const prefix = takePrefix(p);
  const cell = readName(p, caller);
  if (!cell) return;
  let token = p.next();
  while (token !== null && token.cat === Cat.Space) token = p.next();
  if (token !== null && token.cat === Cat.Other && token.text === '=') {
    token = p.next();
    if (token !== null && token.cat === Cat.Space) token = p.next();
  }
  if (token !== null) {
    p.state.set(cell, meaningForLet(p, token), prefix.global);
    p.redefined(cell.name);
  }
  afterwards(p);
}

function futureLet(p: Processor, caller: Token): void {
  const prefix = takePrefix(p);
  const cell = readName(p, caller);
  const first = p.next();
  const second = p.next();
  if (!cell || !first || !second) return;
  p.state.set(cell, meaningForLet(p, second), prefix.global);
  p.push([first, second]);
}

/** A token list, or another register's; what stands before its brace is expanded (TeX: The Program, §1226). */
function scanTokens(p: Processor): readonly Token[] {
  let token = p.nextExpanded();
  while (token && (token.cat === Cat.Space || token.text === 'relax')) token = p.nextExpanded();
  if (!token) return [];
  const held = token.cell === null ? null : quantityOf(p, token);
  if (held?.type === 'toks') return (held.value as readonly Token[] | undefined) ?? [];
  p.unread(token);
  return readArgument(p, p.command('toks'), true) ?? [];
}

/** Reads a value of the register's type. */
function scanValue(p: Processor, type: RegisterType): unknown {
  if (type === 'count') return scanInt(p);
  if (type === 'dimen') return scanDimen(p);
  if (type === 'toks') return scanTokens(p);
  return scanGlue(p, type === 'muskip');
}

/** `\parindent=2em`: assigns to a register by name. */
export function assignRegister(p: Processor, register: RegisterMeaning): void {
  const prefix = takePrefix(p);
  p.takeChar('=');
  const value = scanValue(p, register.type);
  p.state.set(register.storage, value, prefix.global);
  // Only a number is looked at: this is done with each assignment.
  if (register.type === 'count' && register.storage === storageOf(p.state, 'count', 'endlinechar'))
    endLines(p, value as number, prefix.global);
  afterwards(p);
}

function arithmetic(operation: 'advance' | 'multiply' | 'divide') {
  return (p: Processor, caller: Token): void => {
    const prefix = takePrefix(p);
    const target = p.nextNonBlank();
    const register = target ? registerOf(p, target) : null;
    if (!register) {
      if (target) p.unread(target);
      p.report('number-missing', p.spanOf(caller));
      return;
    }
    takeKeyword(p, 'by');
    const old = p.state.get(register.storage) ?? 0;
    let value: unknown;
    if (operation === 'advance') {
      const amount = scanValue(p, register.type);
      value =
        typeof amount === 'number' ? Number(old) + amount : addGlue(old as Glue, amount as Glue);
    } else {
      const by = scanInt(p);
      const times = (n: number): number =>
        operation === 'multiply' ? n * by : by === 0 ? n : Math.trunc(n / by);
      value =
        typeof old === 'number'
          ? times(old)
          : {
              ...(old as Glue),
              width: times((old as Glue).width),
              stretch: times((old as Glue).stretch),
              shrink: times((old as Glue).shrink),
            };
    }
    p.state.set(register.storage, value, prefix.global);
  };
}

/** The sum; of two infinities the higher order stays (The TeXbook, chapter 24). */
function addGlue(a: Glue, b: Glue): Glue {
  const join = (x: number, xo: Glue['stretchOrder'], y: number, yo: Glue['stretchOrder']) =>
    xo === yo || y === 0
      ? ([x + (xo === yo ? y : 0), xo] as const)
      : x === 0 || yo > xo
        ? ([y, yo] as const)
        : ([x, xo] as const);
  const [stretch, stretchOrder] = join(a.stretch, a.stretchOrder, b.stretch, b.stretchOrder);
  const [shrink, shrinkOrder] = join(a.shrink, a.shrinkOrder, b.shrink, b.shrinkOrder);
  return { width: a.width + b.width, stretch, stretchOrder, shrink, shrinkOrder };
}

function newRegister(type: RegisterType) {
  return (p: Processor, caller: Token): void => {
    const cell = readName(p, caller);
    if (cell) declareRegister(p.state, type, cell.name);
  };
}

/** `\newif\iffoo`: the condition and its two switches. */
function newIf(p: Processor, caller: Token): void {
  const cell = readName(p, caller);
  if (!cell) return;
  const name = cell.name.replace(/^if/, '');
  const become = (value: string): Macro => ({
    kind: 'macro',
    params: [],
    optional: null,
    body: detach([p.command('let'), p.command(cell.name), p.command(value)]),
    long: false,
    protect: false,
  });
  p.state.set(p.state.cell(`${name}true`), become('iftrue'), true);
  p.state.set(p.state.cell(`${name}false`), become('iffalse'), true);
  p.state.set(cell, p.state.get(p.state.cell('iffalse')), true);
}

/** Names of the kernel that documents define anew, and that are no macros here: what is defined is carried out. */
const BUILT_IN =
  /^(?:makelabel|@seccntformat|fnum@\w+|@makefntext|@makefnmark|@makecaption|@maketitle|@cite|@citex|@eqnnum|tagform@|maketag@@@|verbatim@font|@listi{1,3}v?|@listI|fps@\w+|ps@\w+|l@\w+|p@\w+|theH\w+|@makechapterhead|@makeschapterhead|@chapter|@schapter|@part|@spart|@sect|@ssect|@xsect|@footnotetext|@evenhead|@oddhead|@evenfoot|@oddfoot|@biblabel|@title|@date|@currentlabel|@dotsep|@opargbegintheorem|@begintheorem|@endtheorem|@thm|@starttoc|@afterheading|@outputpage|@thanks|\w+autorefname|cref\w*conjunction|[cC]pagerefname)$/;

/** `\newcommand`, `\renewcommand`, `\providecommand` and the robust form. */
function latexDefinition(kind: 'new' | 'renew' | 'provide' | 'declare') {
  return (p: Processor, caller: Token): void => {
    const star = p.takeChar('*');
    const names = readArgument(p, caller);
    const target = names?.find((t) => t.cell !== null) ?? bareName(p, caller, names ?? []);
    const count = readOptional(p);
    const optional = count ? readOptional(p) : null;
    const body = readArgument(p, caller, true);
    if (!names || !body) return;
    if (!target?.cell) {
      p.report('argument-missing', p.spanOf(caller), { name: caller.text });
      return;
    }
    const [head, ...rest] = names.filter(({ cat }) => cat !== Cat.Space);
    if (head?.cell && rest.length > 0 && rest.every(({ chunk }) => chunk === p.reader.chunk))
      p.report('name-with-figures', p.spanOf(target), {
        name: names.map((t) => t.text).join(''),
      });
    const before =
      p.state.meaning(target.cell) ?? (kind === 'renew' ? p.impliedBy(target.text) : undefined);
    const existing = !isFree(before);
    if (kind === 'provide' && existing) return;
    if (kind === 'new' && existing) {
      p.report('command-redefined', p.spanOf(target), { name: target.text });
    }
    if (kind === 'renew' && !existing && !BUILT_IN.test(target.text)) {
      p.report('command-not-yet-defined', p.spanOf(target), { name: target.text });
    }
    checkArguments(p, target, count, body);
    p.state.set(target.cell, latexMacro(p, count, optional, body, !star, kind === 'declare'));
    if (kind !== 'provide') p.redefined(target.text);
  };
}

/** The macro that `\newcommand[count][optional]{body}` defines. */
export function latexMacro(
  p: Processor,
  count: readonly Token[] | null,
  optional: readonly Token[] | null,
  body: readonly Token[],
  long: boolean,
  protect = false,
): Macro {
  const total = countOf(count);
  const mandatory = Array.from({ length: optional ? Math.max(0, total - 1) : total }, (_, i) =>
    p.make(Cat.Argument, String(optional ? i + 2 : i + 1)),
  );
  return {
    kind: 'macro',
    params: mandatory,
    optional: optional ? detach(optional) : null,
    body: detach(parameterise(body)),
    long,
    protect,
  };
}

const [NEWLINE, RETURN] = [10, 13];

/** What `\\endlinechar` makes of the end of a line: nothing, when there is no such character. */
function endLines(p: Processor, char: number, global: boolean): void {
  const cat =
    char === RETURN
      ? Cat.Eol
      : char < 0 || char > 255
        ? Cat.Ignored
        : categoryOf(p.categories, char);
  p.setCategories(withCategory(p.categories, NEWLINE, cat), global);
}

const AT = 64;
const primitive = (name: string, run: Primitive['run']): Primitive => ({
  kind: 'primitive',
  name,
  run,
});

/** The assignments of TeX and LaTeX that are carried out in any mode (The TeXbook, chapter 24). */
export const definitions: readonly Primitive[] = [
  primitive('relax', () => undefined),
  primitive('afterassignment', (p) => {
    const token = p.next();
    if (token) p.state.write(AFTER, token, true);
  }),
  primitive('def', def(false, false)),
  primitive('gdef', def(false, true)),
  primitive('edef', def(true, false)),
  primitive('xdef', def(true, true)),
  primitive('let', letTo),
  primitive('futurelet', futureLet),
  primitive('global', (p) => addPrefix(p, { global: true })),
  primitive('long', (p) => addPrefix(p, { long: true })),
  primitive('outer', () => undefined),
  primitive('protected', (p) => addPrefix(p, { protect: true })),
  primitive('advance', arithmetic('advance')),
  primitive('multiply', arithmetic('multiply')),
  primitive('divide', arithmetic('divide')),
  ...(['count', 'dimen', 'skip', 'muskip', 'toks'] as const).map((type) =>
    primitive(type, (p, token) => {
      p.unread(token);
      const again = p.next();
      const register = again ? registerOf(p, again) : null;
      if (register) assignRegister(p, register);
    }),
  ),
  primitive('newcount', newRegister('count')),
  primitive('newdimen', newRegister('dimen')),
  primitive('newskip', newRegister('skip')),
  primitive('newlength', (p, caller) => {
    const name = readArgument(p, caller)?.find((t) => t.cell !== null);
    if (name) declareRegister(p.state, 'skip', name.text);
  }),
  primitive('newtoks', newRegister('toks')),
  primitive('newif', newIf),
  primitive('chardef', (p, caller) => {
    const prefix = takePrefix(p);
    const cell = readName(p, caller);
    p.takeChar('=');
    const code = scanInt(p);
    if (cell) p.state.set(cell, { kind: 'chardef', code }, prefix.global);
  }),
  primitive('mathchardef', (p, caller) => {
    const prefix = takePrefix(p);
    const cell = readName(p, caller);
    p.takeChar('=');
    const digits = p.chars(String(scanInt(p)));
    const body = [p.command('mathchar'), ...digits, p.command('relax')];
    if (cell) p.state.set(cell, latexMacro(p, null, null, body, true), prefix.global);
  }),
  primitive('makeatletter', (p) => p.setCategories(withCategory(p.categories, AT, Cat.Letter))),
  primitive('makeatother', (p) => p.setCategories(withCategory(p.categories, AT, Cat.Other))),
  primitive('newcommand', latexDefinition('new')),
  primitive('renewcommand', latexDefinition('renew')),
  primitive('providecommand', latexDefinition('provide')),
  primitive('DeclareRobustCommand', latexDefinition('declare')),
];
