import { readArgument, readOptional } from '../../expansion/arguments';
import type { Primitive, Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { Cat } from '../../tokens/categories';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import type { LanguageCommand } from '../machine/reading';
import { overlaySpec, showsOn } from '../machine/overlays';

/** What is left of a command on the steps it is not for: its last argument as ordinary text, or nothing. */
type Elsewhere = 'plain' | 'gone';

/** Commands that take steps between their name and their arguments (beamer user guide, section 9.3). */
const COMMANDS: Readonly<Record<Elsewhere, string>> = {
  plain:
    'textbf textmd textit textsl textsc textup texttt textsf textrm textnormal emph underline textcolor hypertarget',
  gone: 'color includegraphics footnote label hyperlink href url caption frametitle framesubtitle section subsection subsubsection rowcolor cellcolor',
};

function isAngleNext(it: Interpreter): boolean {
  const next = it.p.next();
  if (next) it.p.unread(next);
  return next?.text === '<' && next.cell === null;
}

/** Is there a specification that leaves the command out on this step? */
const isElsewhere = (it: Interpreter): boolean => {
  const spec = isAngleNext(it) ? overlaySpec(it) : null;
  return spec !== null && !showsOn(it, spec);
};

/** The last of the arguments that a command has; they are read, and nothing comes of the others. */
function lastArgument(it: Interpreter, entry: CommandEntry, token: Token): readonly Token[] {
  const args = it.readArguments(entry.signature, token);
  return args ? tokensOf(args, args.length - 1) : [];
}

/** A command with steps behind its name. */
function withSteps(entry: CommandEntry, elsewhere: Elsewhere): CommandEntry {
  const { math } = entry;
  return {
    ...entry,
    instead: (it, token) => {
      if (!isElsewhere(it)) return entry.instead?.(it, token) ?? false;
      const last = lastArgument(it, entry, token);
      if (elsewhere === 'plain') it.execute(last);
      return true;
    },
    ...(math && {
      math: (reader, token) => {
        if (!isElsewhere(reader.it)) return math(reader, token);
        if (elsewhere === 'plain') return reader.field(token);
        lastArgument(reader.it, entry, token);
        return null;
      },
    }),
  };
}

/** Made once for each command, so that a preamble read again finds the same. */
const MADE = new WeakMap<CommandEntry, CommandEntry>();

function madeOf(entry: CommandEntry, elsewhere: Elsewhere): CommandEntry {
  const made = MADE.get(entry) ?? withSteps(entry, elsewhere);
  MADE.set(entry, made).set(made, made);
  return made;
}

/** Gives steps to those commands that are still what the language has; one's own macros stay as they are. */
export function giveSteps(it: Interpreter): void {
  for (const elsewhere of ['plain', 'gone'] as const)
    for (const name of COMMANDS[elsewhere].split(' ')) {
      const cell = it.state.cell(name);
      const meaning = it.state.meaning(cell);
      if (meaning?.kind !== 'command') continue;
      const { entry } = meaning as LanguageCommand;
      const made: LanguageCommand = {
        ...(meaning as LanguageCommand),
        entry: madeOf(entry, elsewhere),
      };
      it.state.set(cell, made, true);
    }
}

const braced = (p: Processor, tokens: readonly Token[]): Token[] => [
  p.make(Cat.Begin, '{'),
  ...tokens,
  p.make(Cat.End, '}'),
];

/** The first `count` parameters, each in braces. */
const parameters = (from: number, count: number): string =>
  Array.from({ length: count }, (_, i) => `{#${from + i}}`).join('');

const bare = (from: number, count: number): string => parameters(from, count).replace(/[{}]/g, '');

/**
 * The macros behind a command that takes steps: the first looks for them, the next reads the arguments, the
 * last has the body, and the steps are its last argument, as `<2->` or empty (beamer user guide, section 9.6.1).
 */
function definition(name: string, count: number, hasDefault: boolean): string {
  const own = (part: string): string => `\\csname bmr@${part}@${name}\\endcsname`;
  const def = (part: string): string =>
    `\\long\\expandafter\\def\\csname bmr@${part}@${name}\\endcsname`;
  const start = `${def('start')}{\\@ifnextchar<{${own('with')}}{${own('args')}{}}}${def('with')}<#1>{${own('args')}{<#1>}}`;
  if (!hasDefault)
    return `${start}${def('args')}#1${bare(2, count)}{${own('body')}${parameters(2, count)}{#1}}`;
  const rest = count - 1;
  return `${start}${def('args')}#1{\\@ifnextchar[{${own('opt')}{#1}}{${own('opt')}{#1}[${own('default')}]}}${def('opt')}#1[#2]${bare(3, rest)}{${own('body')}{#2}${parameters(3, rest)}{#1}}`;
}

/** What `\newcommand<>` and `\newenvironment<>` define: name, count of arguments, default, and what is carried out. */
function define(
  it: Interpreter,
  name: string,
  count: number,
  fallback: readonly Token[] | null,
  body: readonly Token[],
): void {
  const { p } = it;
  it.execute([
    ...it.source(definition(name, count, fallback !== null)),
    ...it.source(
      `\\long\\expandafter\\def\\csname bmr@body@${name}\\endcsname${bare(1, count + 1)}`,
    ),
    ...braced(p, body),
    ...it.source(`\\expandafter\\def\\csname bmr@default@${name}\\endcsname`),
    ...braced(p, fallback ?? []),
  ]);
}

const countIn = (tokens: readonly Token[] | null): number =>
  Math.max(0, Math.min(8, parseInt((tokens ?? []).map(({ text }) => text).join(''), 10) || 0));

/** What stands behind `\newcommand<>`: its macros are made, and the command is defined by the first of them. */
function readDefinition(it: Interpreter, token: Token, isEnvironment: boolean): void {
  const { p } = it;
  p.takeChar('>');
  p.takeChar('*');
  const target = readArgument(p, token) ?? [];
  const count = countIn(readOptional(p));
  const fallback = readOptional(p);
  const body = readArgument(p, token, true) ?? [];
  const end = isEnvironment ? braced(p, readArgument(p, token, true) ?? []) : [];
  const named = isEnvironment ? target : target.filter((t) => t.cell !== null).slice(0, 1);
  const name = named.map(({ text }) => text).join('');
  define(it, name, count, fallback, body);
  const start = braced(p, it.source(`\\csname bmr@start@${name}\\endcsname`));
  p.push([token, ...braced(p, target), ...start, ...end]);
}

/** `\newcommand<>` and its kin define what takes steps. */
export function defineWithSteps(it: Interpreter): void {
  for (const name of ['newcommand', 'renewcommand', 'providecommand']) {
    const before = it.state.meaning(it.state.cell(name));
    if (before?.kind !== 'primitive') continue;
    const run: Primitive['run'] = (p, token) =>
      p.takeChar('<') ? readDefinition(it, token, false) : before.run(p, token);
    it.state.set(it.state.cell(name), { ...before, run }, true);
  }
  for (const name of ['newenvironment', 'renewenvironment']) {
    const before = it.state.meaning(it.state.cell(name));
    if (before?.kind !== 'command') continue;
    const { entry } = before as LanguageCommand;
    const instead: CommandEntry['instead'] = (inner, token) => {
      const isMine = inner.p.takeChar('<');
      if (isMine) readDefinition(inner, token, true);
      return isMine;
    };
    const own: LanguageCommand = { ...(before as LanguageCommand), entry: { ...entry, instead } };
    it.state.set(it.state.cell(name), own, true);
  }
}
