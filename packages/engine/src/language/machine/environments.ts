import { editDistance } from '../../base/nearest';
import { pick, type Span } from '../../base/spans';
import { readArgument } from '../../expansion/arguments';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import type { EnvironmentEntry } from './entries';
import { EnvironmentData } from './environmentData';
import { readStrayMath } from './formulas';
import type { Interpreter } from './interpreter';
import type { LanguageCommand } from './reading';
import { environmentFix, LOOK_AHEAD } from './environmentFix';
import { holderOf, tellUnclosed } from './unclosedEnvironment';
import { isStranger, nearestEnvironment, renameFix } from './unknown';
import { noteVeil } from './overlays';
import { braced, ENDING, runOwnEnd } from './ownEnd';
import { cell, cellsBy, flag } from '../../expansion/cells';
import { CELLS, environmentCell } from './cells';

/** An environment that has begun. */
export interface OpenEnvironment {
  readonly name: string;
  /** How its name is misspelt in the source; its end may be so too. */
  readonly alias?: string;
  /** It was begun by the command of its name (`\trivlist`), within another's halves. */
  readonly byName?: true;
  /** Its name was told of: that it has no end is not told beside that. */
  readonly isUnknown?: boolean;
  readonly span: Span;
  /** Null for one the document defines itself by macros. */
  readonly entry: EnvironmentEntry | null;
  /** Groups open when it began. */
  readonly groups: number;
  /** What its begin leaves for its end. */
  readonly data: EnvironmentData;
}

/** How the name of the document's beginning was misspelt; its end may be so too. */
const BEGUN_AS = cell<string | null>('begunas', null);

/** How far ahead the end of an environment is looked for, in characters. */

/** How many environments may be open inside one another; what is deeper is set as if its begin were not there. */
const DEEPEST = 150;

/** The work of an environment that begins, in the measure of an expansion. */
const ENVIRONMENT_WORK = 30;

/** Carries out `\begin{name}`. */
export function beginEnvironment(it: Interpreter, token: Token): void {
  const { p } = it;
  const start = it.spanOf(token);
  const nameTokens = readArgument(p, token);
  if (!nameTokens) return;
  const name = textOf(p, nameTokens);
  const span = { from: start.from, to: Math.max(start.to, nameEnd(it, nameTokens, start)) };
  if (name === 'document') return it.environment('document')?.begin?.(it, [], token);
  if (it.environments.length >= DEEPEST) {
    if (it.environments.length === DEEPEST) p.report('nesting-too-deep', span);
    return openTransparent(it, name, span);
  }
  if (!p.spend(ENVIRONMENT_WORK, name)) return;
  const macro = it.state.meaning(it.state.cell(name));
  const copied = macro ? COPIED.get(macro) : undefined;
  if (copied && endsAsBefore(it, name, copied)) it.write(environmentCell(name), copied);
  const entry = it.environment(name);
  const byMacro = !entry && macro !== undefined;
  if (!entry && !byMacro) return beginUnknown(it, name, span, nameTokens, token);
  beginKnown(it, name, span, token);
}

/** Has the document no end of its own for an environment of that name? */
function endsAsBefore(it: Interpreter, name: string, entry: EnvironmentEntry): boolean {
  const end = it.state.meaning(it.state.cell(`end${name}`));
  return end === undefined || end === HALVES.get(entry)?.end;
}

/** Carries out the begin of an environment that is known, by an entry or by a macro of its name. */
function beginKnown(
  it: Interpreter,
  name: string,
  span: Span,
  token: Token,
  how: Pick<OpenEnvironment, 'alias' | 'byName'> = {},
): void {
  const { p } = it;
  const entry = it.environment(name);
  runHook(it, 'before', name);
  it.environments.push({
    name,
    ...how,
    span,
    entry: entry ?? null,
    groups: it.groups.length,
    data: new EnvironmentData(),
  });
  it.openGroup({ kind: 'environment', span });
  noteVeil(it);
  runHook(it, 'begin', name);
  if (!entry) return p.push([p.command(name)]);
  if (entry.math && !entry.begin) return readMathEnvironmentInText(it, name, token);
  p.place = span;
  const args = it.readArguments(entry.signature, {
    ...token,
    text: name,
    from: span.from,
    to: span.to,
  });
  if (args === null) return;
  entry.begin?.(it, args, { ...token, text: name, ...span });
}

function nameEnd(it: Interpreter, tokens: readonly Token[], start: Span): number {
  const own = tokens.filter((t) => t.chunk === it.p.reader.chunk);
  const last = own.at(-1);
  return last ? last.to + 1 : start.to;
}

/** A matrix and its like outside any formula: read as the formula it was meant to be. */
function readMathEnvironmentInText(it: Interpreter, name: string, token: Token): void {
  it.environments.pop();
  it.closeGroup();
  it.p.push(braced(it, name));
  readStrayMath(it, { ...token, text: 'begin' });
}

/** An unknown environment: taken for the one whose name is near, else its contents are set as they are. */
function beginUnknown(
  it: Interpreter,
  name: string,
  span: Span,
  nameTokens: readonly Token[],
  token: Token,
): void {
  const isDocument = !it.read(CELLS.inDocument) && editDistance(name, 'document', 2) <= 2;
  const near = isDocument ? 'document' : nearestEnvironment(it, name);
  const fix = near ? environmentFix(it, name, nameTokens, near) : undefined;
  const isWritten = fix !== undefined && fix.edits.length > 0;
  if (isWritten || !isStranger(it, `the environment ${name}`, span))
    it.p.report('environment-unknown', span, { name }, fix);
  if (isDocument) {
    it.write(BEGUN_AS, name, true);
    return it.environment('document')?.begin?.(it, [], token);
  }
  if (near && editDistance(name, near, 2) <= 2)
    return beginKnown(it, near, span, token, { alias: name });
  openTransparent(it, name, span, true);
}

/** Opens an environment that does nothing, so that its `\end` has something to end. */
function openTransparent(it: Interpreter, name: string, span: Span, isUnknown = false): void {
  const entry = { name, signature: '', description: '', example: '' };
  it.environments.push({
    name,
    isUnknown,
    span,
    entry,
    groups: it.groups.length,
    data: new EnvironmentData(),
  });
  it.openGroup({ kind: 'environment', span });
}

/** The environment that a command's name means, by its beginning or its end; null when it is none. */
function halfNamed(
  it: Interpreter,
  name: string,
): { readonly entry: EnvironmentEntry; readonly isEnd: boolean } | null {
  const begun = it.environment(name);
  if (begun) return { entry: begun, isEnd: false };
  const ended = name.startsWith('end') ? it.environment(name.slice(3)) : undefined;
  return ended ? { entry: ended, isEnd: true } : null;
}

/** The name under which an environment is begun by a command: where the document has taken its own, another. */
function nameFor(it: Interpreter, entry: EnvironmentEntry, { text }: Token): string {
  const name = text === entry.name && it.environment(text) === undefined ? `${text}′` : text;
  if (it.environment(name) !== entry) it.write(environmentCell(name), entry);
  return name;
}

/** Begins an environment under the name of a command: its own, or one that was let be it. */
function beginByName(it: Interpreter, entry: EnvironmentEntry, token: Token): void {
  const name = nameFor(it, entry, token);
  if (it.environments.length >= DEEPEST) return it.p.report('nesting-too-deep', it.spanOf(token));
  if (it.p.spend(ENVIRONMENT_WORK, name))
    beginKnown(it, name, it.spanOf(token), token, { byName: true });
}

/** Ends the innermost environment that this is the end of. */
function endByName(it: Interpreter, entry: EnvironmentEntry, token: Token): void {
  // An entry that was made anew since is the same environment.
  const { environments } = it;
  const own =
    environments.findLast((open) => open.entry === entry) ??
    environments.findLast((open) => open.entry?.name === entry.name);
  const name = own?.name ?? token.text.replace(/^end/, '');
  it.p.push([it.p.command('end'), ...braced(it, name)]);
}

/** An environment begun or ended by the commands of its name (`\trivlist … \endtrivlist`); false when it is none. */
export function environmentByName(it: Interpreter, token: Token): boolean {
  const half = halfNamed(it, token.text);
  if (!half) return false;
  (half.isEnd ? endByName : beginByName)(it, half.entry, token);
  return true;
}

/** The two halves of environments as commands, made once for each. */
const HALVES = new WeakMap<EnvironmentEntry, { begin: LanguageCommand; end: LanguageCommand }>();

/** The environment whose beginning a command is. */
const COPIED = new WeakMap<object, EnvironmentEntry>();

const halfCommand = (
  entry: EnvironmentEntry,
  name: string,
  half: (it: Interpreter, entry: EnvironmentEntry, token: Token) => void,
): LanguageCommand => ({
  kind: 'command',
  name,
  entry: {
    name,
    signature: '',
    description: '',
    example: '',
    run: (it, _args, token) => half(it, entry, token),
    math: ({ it }, token) => {
      if (half === endByName) endByName(it, entry, token);
      else it.p.push([it.p.command('begin'), ...braced(it, nameFor(it, entry, token))]);
      return null;
    },
  },
});

function halvesOf(entry: EnvironmentEntry): { begin: LanguageCommand; end: LanguageCommand } {
  let made = HALVES.get(entry);
  if (!made) {
    made = {
      begin: halfCommand(entry, entry.name, beginByName),
      end: halfCommand(entry, `end${entry.name}`, endByName),
    };
    HALVES.set(entry, made);
    COPIED.set(made.begin, entry);
  }
  return made;
}

/** What the name of an environment means as a command, so that `\let` can keep it. */
export function impliedMeaning(it: Interpreter, name: string): LanguageCommand | undefined {
  const half = halfNamed(it, name);
  return half ? halvesOf(half.entry)[half.isEnd ? 'end' : 'begin'] : undefined;
}

/** The document takes the name of one half: the other stays what it was, as a command. */
function takeHalf(it: Interpreter, name: string): void {
  const half = halfNamed(it, name);
  if (!half) return;
  const own = half.isEnd ? name.slice('end'.length) : name;
  const other = it.state.cell(half.isEnd ? own : `end${own}`);
  it.write(environmentCell(own), undefined);
  if (it.state.get(other) === undefined)
    it.state.set(other, halvesOf(half.entry)[half.isEnd ? 'begin' : 'end']);
}

/** Lets names of environments be commands too, and the document take them for its own. */
export function bindHalves(it: Interpreter): void {
  it.p.impliedBy = (name) => impliedMeaning(it, name);
  it.p.redefined = (name) => takeHalf(it, name);
}

/** What its lines end with is the end of this environment, of which the one within reads them (`\VerbatimEnvironment`). */
export const ENDS_LINES = flag('endslines');

/**
 * The name that the source ends an environment of lines by: its own, or that of the one within whose
 * halves it was begun by name.
 */
export function sourceName(it: Interpreter, own?: string): string {
  const last = it.environments.at(-1);
  const outer = it.environments.at(-2);
  if (outer?.data.get(ENDS_LINES)) return outer.name;
  if (!last?.byName) return own ?? last?.name ?? '';
  return it.environments.findLast(({ byName }) => !byName)?.name ?? last.name;
}

/** Carries out `\end{name}`. */
export function endEnvironment(it: Interpreter, token: Token): void {
  const { p } = it;
  const start = it.spanOf(token);
  const nameTokens = readArgument(p, token);
  if (!nameTokens) return;
  const name = textOf(p, nameTokens);
  const span = { from: start.from, to: Math.max(start.to, nameEnd(it, nameTokens, start)) };
  if (name === 'document') return leaveDocument(it, span);
  const open = it.environments.slice(it.openOutside).at(-1);
  if (open?.name === name) return finishEnvironment(it, span);
  const at = it.environments.findLastIndex((e) => e.name === name || e.alias === name);
  if (at >= it.openOutside) {
    const outer = it.environments[at] as OpenEnvironment;
    // The closing half of the document's own environment may hold the ends that seem to be missing.
    if (outer.entry === null && !outer.data.get(ENDING)) return runOwnEnd(it, outer);
    const inner = it.environments[at + 1];
    if (inner) closeOpenGroups(it, inner.groups, span);
    return finishEnvironment(it, span);
  }
  if (endsDocument(it, name, open)) {
    // One that began so was told of there.
    if (it.read(BEGUN_AS) !== name)
      p.report(
        'begin-end-mismatch',
        span,
        { found: `\\end{${name}}`, expected: 'document' },
        renameFix(it, nameTokens, 'document'),
      );
    return leaveDocument(it, span);
  }
  if (!open || isStray(it, name, open)) {
    p.report(
      'end-without-begin',
      span,
      { name },
      { title: 'Take it out', edits: [{ ...span, text: '' }] },
    );
    return;
  }
  const holder = holderOf(it, open);
  const expected = holder?.name ?? open.name;
  const fix = renameFix(it, nameTokens, expected);
  p.report('begin-end-mismatch', span, { found: `\\end{${name}}`, expected }, fix);
  if (holder) runOwnEnd(it, holder);
  else finishEnvironment(it, span);
}

/** `\end{document}`: all that is open ends. In a box of its own nothing more is read, and what is open outside ends there. */
function leaveDocument(it: Interpreter, span: Span): void {
  if (it.openOutside === 0) closeOpenGroups(it, 0, span);
  it.environment('document')?.end?.(it);
}

/** Is it the end of the document, misspelt? Not where an open environment's name is as near. */
const endsDocument = (it: Interpreter, name: string, open: OpenEnvironment | undefined): boolean =>
  it.read(CELLS.inDocument) &&
  editDistance(name, 'document', 2) <= 2 &&
  (!open || editDistance(name, open.name, 2) > 2);

/**
 * Is an `\end` that names another environment than the open one to be passed
 * over? Yes when the open one is ended properly further down and the names are
 * not near.
 */
function isStray(it: Interpreter, name: string, open: OpenEnvironment): boolean {
  if (editDistance(name, open.name, 2) <= 2) return false;
  const { reader } = it.p;
  const ahead = reader.text.slice(reader.pos, reader.pos + LOOK_AHEAD);
  it.p.reach = Math.max(it.p.reach, Math.min(reader.text.length, reader.pos + LOOK_AHEAD));
  const end = ahead.indexOf(`\\end{${open.name}}`);
  const begin = ahead.indexOf(`\\begin{${open.name}}`);
  // Of several that are open each needs an end of its own.
  const count = it.environments.filter((one) => one.name === open.name).length;
  const enough = count < 2 || ahead.split(`\\end{${open.name}}`).length > count;
  return enough && end >= 0 && (begin < 0 || end < begin);
}

/** Ends the innermost environment: braces left open inside it first, then its own end. */
function finishEnvironment(it: Interpreter, at: Span): void {
  const open = it.environments.at(-1);
  if (!open) return;
  closeBraces(it, open.groups + 1);
  if (open.entry === null && !open.data.get(ENDING)) return runOwnEnd(it, open);
  it.p.place = pick(at);
  runHook(it, 'end', open.name);
  open.entry?.end?.(it);
  closeEnvironment(it);
  runHook(it, 'after', open.name);
}

export type Hook = 'before' | 'begin' | 'end' | 'after';

/** Where what a document hangs on an environment is kept (package etoolbox). */
const hooks = cellsBy<readonly Token[]>('hook', []);
export const hookCell = (when: Hook, name: string) => hooks(`${when}:${name}`);

function runHook(it: Interpreter, when: Hook, name: string): void {
  it.execute(it.read(hookCell(when, name)));
}

/** Closes the environment of that name behind its own closing half, and what that left open. */
export function closeNamed(it: Interpreter, name: string): void {
  const at = it.environments.findLastIndex((e) => e.name === name);
  const inner = it.environments[at + 1];
  if (at < 0) return;
  if (inner) closeOpenGroups(it, inner.groups, it.p.place);
  closeEnvironment(it);
}

/** Takes the innermost environment off, with its group. */
export function closeEnvironment(it: Interpreter): void {
  const open = it.environments.pop();
  if (!open) return;
  closeBraces(it, open.groups + 1);
  if (it.groups.length > open.groups) it.closeGroup();
  const after = it.afterEnvironment;
  it.afterEnvironment = null;
  after?.(it);
}

function closeBraces(it: Interpreter, down: number): void {
  while (it.groups.length > down) {
    const group = it.groups.at(-1);
    if (group?.kind === 'brace') it.p.report('brace-unclosed', group.span);
    it.closeGroup();
  }
}

/** Closes everything above that many groups, reporting what was never closed. */
export function closeOpenGroups(it: Interpreter, down: number, before?: Span): void {
  while (it.groups.length > down) {
    const open = it.environments.at(-1);
    if (open && open.groups === it.groups.length - 1) {
      tellUnclosed(it, open, before);
      open.entry?.end?.(it);
      if (open.entry === null) it.endParagraph();
      it.environments.pop();
      it.closeGroup();
      it.afterEnvironment = null;
    } else {
      const group = it.groups.at(-1);
      if (group?.kind === 'brace') it.p.report('group-unclosed', group.span);
      it.closeGroup();
    }
  }
}
