import {
  argumentsAt,
  blanked,
  callsOf,
  closingBraceAt,
  environmentKind,
  hasRows,
  isBetweenMarks,
  isFormula,
  openAt,
  partnerOf,
  partsNamed,
  shapeOf,
  type Part,
  type Shape,
} from '@odd-compass/engine/shape';
import type { Word } from '@odd-compass/engine/worker';

/** What stands around a place in the source: found by looking at the text near it. */

/** An environment that is open at a place. */
export interface OpenEnvironment {
  readonly name: string;
  /** Where its `\begin` starts, and where what it holds does. */
  readonly from: number;
  readonly body: number;
}

/** How far back an open environment is looked for. */
const WINDOW = 20_000;

/** Comments blanked out, so that places stay. */
export const withoutComments = (text: string): string =>
  text.includes('%') ? blanked(shapeOf(text), 'comment') : text;

/** Where the brace stands that closes the one at a place; null when none does. */
export const closingBrace = (text: string, open: number, limit = text.length): number | null => {
  const close = closingBraceAt(shapeOf(text.slice(open, limit)), 0);
  return close === null ? null : open + close;
};

const opened = ({ name, from, to }: Part, base: number): OpenEnvironment => ({
  name,
  from: base + from,
  body: base + to,
});

/** Environments open at a place, the innermost last. */
export function openEnvironments(text: string, at: number): OpenEnvironment[] {
  const start = Math.max(0, at - WINDOW);
  const shape = shapeOf(text.slice(start, at));
  return openAt(shape, at - start)
    .filter((part) => part.name !== 'document' && partnerOf(shape, part) === null)
    .map((part) => opened(part, start));
}

/** Most environments end soon: so far is looked first. */
const SOON = 1_500;

/** Where the environment that starts there ends: the place of its `\end`, and behind it. */
export function environmentEnd(
  text: string,
  { name, body }: Pick<OpenEnvironment, 'name' | 'body'>,
): { from: number; to: number } | null {
  const end =
    endWithin(text.slice(body, body + SOON), name) ??
    endWithin(text.slice(body, body + WINDOW), name);
  return end && { from: body + end.from, to: body + end.to };
}

/** The first end of that name that has no begin of its own in a text. */
function endWithin(behind: string, name: string): Part | null {
  const shape = shapeOf(behind);
  return partsNamed(shape, 'end', name).find((part) => partnerOf(shape, part) === null) ?? null;
}

/**
 * Is a place inside a formula, by the marks before it in its paragraph? For the moment
 * until the engine has read what was just typed.
 */
export function withinMarks(text: string, at: number): boolean {
  const start = Math.max(0, at - WINDOW);
  const shape = shapeOf(text.slice(start, at));
  const here = at - start;
  return isBetweenMarks(shape, here) || openAt(shape, here).some(({ name }) => isFormula(name));
}

export const isAlignment = hasRows;
export const isList = (name: string): boolean => environmentKind(name) === 'list';

/** The packages that lines of a text load, as calls. */
export const packageCalls = (shape: Shape) =>
  callsOf(shape, ['usepackage', 'RequirePackage'], 'om');

/** The packages that the preamble loads. */
export function loadedPackages(text: string): ReadonlySet<string> {
  const calls = packageCalls(shapeOf(preambleOf(text)));
  return new Set(
    calls.flatMap(({ args }) => (args[1]?.text ?? '').split(',').map((n) => n.trim())),
  );
}

/** Is a package loaded, by itself or by another that is? */
export function hasPackage(
  loaded: ReadonlySet<string>,
  name: string,
  words: readonly Word[],
): boolean {
  if (name === '' || loaded.has(name)) return true;
  return words.some(
    (word) =>
      word.kind === 'package' &&
      word.requires.includes(name) &&
      hasPackage(loaded, word.name, words),
  );
}

export const preambleOf = (text: string): string => {
  const end = text.indexOf('\\begin{document}');
  return end < 0 ? text.slice(0, 5000) : text.slice(0, end);
};

/** A command or environment that the document defines. */
export interface OwnName {
  readonly kind: 'command' | 'environment';
  readonly name: string;
  readonly args: number;
  readonly what: string;
  /** A kind of theorem. */
  readonly theorem?: boolean;
}

/** The commands that define others. */
const DEFINING = [
  'newcommand',
  'renewcommand',
  'providecommand',
  'DeclareMathOperator',
  'DeclarePairedDelimiter',
  'def',
];

/** The command that a definition names, in braces or not, and where what follows it starts. */
function namedBehind(text: string, at: number): { name: string; to: number } | null {
  const found = /^\s*(?:\{\s*\\([A-Za-z]+)\s*\}|\\([A-Za-z]+))/.exec(text.slice(at, at + 80));
  return found && { name: found[1] ?? found[2] ?? '', to: at + found[0].length };
}

function ownCommands(shape: Shape): OwnName[] {
  const { text } = shape;
  return partsNamed(shape, 'command', ...DEFINING).flatMap((part): OwnName[] => {
    const named = namedBehind(text, part.to);
    if (!named) return [];
    const [count] = argumentsAt(shape, named.to, 'o');
    const params = /^(?:#\d)*/.exec(text.slice(named.to, named.to + 20))?.[0].length ?? 0;
    const args = part.name === 'def' ? params / 2 : Number(count?.text) || 0;
    return [{ kind: 'command', name: named.name, args, what: 'Defined in this document.' }];
  });
}

function ownEnvironments(shape: Shape): OwnName[] {
  const plain = callsOf(shape, ['newenvironment', 'renewenvironment'], 'smo').map(
    ({ args: [, name, count] }): OwnName => ({
      kind: 'environment',
      name: name?.text ?? '',
      args: Number(count?.text) || 0,
      what: 'Defined in this document.',
    }),
  );
  const theorems = callsOf(shape, ['newtheorem'], 'smom').map(
    ({ args: [, name, , title] }): OwnName => ({
      kind: 'environment',
      name: name?.text ?? '',
      args: 0,
      what: `${title?.text ?? ''}, as this document declares it.`,
      theorem: true,
    }),
  );
  return [...plain, ...theorems].filter(({ name }) => name !== '');
}

/** What the document defines: its commands, environments and kinds of theorems. */
export function ownNames(text: string): OwnName[] {
  const shape = shapeOf(text);
  const own = [...ownCommands(shape), ...ownEnvironments(shape)];
  return [...new Map(own.map((one) => [`${one.kind} ${one.name}`, one])).values()];
}

/** Keys of the bibliography that the source itself lists. */
export const citationKeys = (text: string): string[] => [
  ...new Set(callsOf(shapeOf(text), ['bibitem'], 'om').flatMap(({ args }) => args[1]?.text ?? [])),
];

/** The class of a document; '' when it does not say. */
export const classOf = (text: string): string =>
  callsOf(shapeOf(text.slice(0, 20_000)), ['documentclass'], 'om')[0]?.args[1]?.text ?? '';

/** Does a class have a word? A class that is not known may have any. */
export const inClass = ({ classes }: Word, name: string, words: readonly Word[]): boolean =>
  classes.length === 0 ||
  classes.includes(name) ||
  !words.some((word) => word.kind === 'class' && word.name === name);
