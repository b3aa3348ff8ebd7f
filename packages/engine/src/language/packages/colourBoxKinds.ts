import { readOptional } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { newCounter } from '../machine/counters';
import { type Args, type CommandEntry, tokensOf } from '../machine/entries';
import { hookCell } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';
import { listed, listOf, nameKind, titleText } from './colourBoxNames';
import { braced } from './colourBoxes';

/** The counter that the settings of a new box ask for; null when they ask for none. */
function counterOf(it: Interpreter, name: string, init: readonly Token[]): string | null {
  const settings = tokensText(init);
  const shared = /use counter(?: from)?\s*=\s*\{?(\w+)/.exec(settings)?.[1];
  if (shared)
    return it.state.meaning(it.state.cell(`thetcb@cnt@${shared}`)) ? `tcb@cnt@${shared}` : shared;
  const within = /number within\s*=\s*\{?(\w+)/.exec(settings)?.[1] ?? null;
  if (!within && !/auto counter/.test(settings)) return null;
  const counter = `tcb@cnt@${name}`;
  newCounter(it, counter, within);
  const format = /number format\s*=\s*\\(\w+)/.exec(settings)?.[1] ?? 'arabic';
  const own = `\\${format}{${counter}}`;
  it.define(`the${counter}`, within ? `\\the${within}.${own}` : own);
  return counter;
}

/** What a numbered box does at its begin: it counts, and `\thetcbcounter` is its number. */
function counted(it: Interpreter, name: string, init: readonly Token[]): Token[] {
  const counter = counterOf(it, name, init);
  if (counter === null) return [];
  const number = it.p.command(`the${counter}`);
  return [
    ...it.source(`\\refstepcounter{${counter}}\\def\\thetcbcounter`),
    ...braced(it, [number]),
  ];
}

/** `\newtcolorbox[…]{name}[n][default]{options}`: an environment that is a box with these options. */
function newBox(it: Interpreter, token: Token, renews: boolean): void {
  const { p } = it;
  const init = readOptional(p);
  const name = it.readArguments('m', token);
  const count = readOptional(p);
  const fallback = count ? readOptional(p) : null;
  const options = it.readArguments('m', token);
  if (!name || !options) return;
  const list = listOf(init ?? []);
  it.execute([
    p.command(renews ? 'renewenvironment' : 'newenvironment'),
    ...braced(it, tokensOf(name, 0)),
    ...(count ? [...p.chars('['), ...count, ...p.chars(']')] : []),
    ...(fallback ? [...p.chars('['), ...fallback, ...p.chars(']')] : []),
    ...braced(it, [
      ...(init ? counted(it, textOf(p, tokensOf(name, 0)), init) : []),
      ...(list === null
        ? []
        : it.source(listed(list, 'tcbcounter', titleText(tokensOf(options, 0))))),
      ...it.source('\\begin{tcolorbox}['),
      ...tokensOf(options, 0),
      ...p.chars(']'),
    ]),
    ...braced(it, it.source('\\end{tcolorbox}')),
  ]);
}

/** What stands between the number of a statement and its title. */
function separatorOf(options: readonly Token[]): string {
  const text = tokensText(options);
  if (/separator sign none|theorem style\s*=\s*(?:standard|change)/.test(text)) return '';
  return /separator sign\s*=\s*\{?([^,{}]*)/.exec(text)?.[1]?.trim() ?? ':';
}

/** `\newtcbtheorem[…]{name}{title}{options}{prefix}`: numbered boxes; `\begin{name}{title}{label}`. */
function newTheorem(it: Interpreter, token: Token): void {
  const { p } = it;
  const init = readOptional(p) ?? [];
  const args = it.readArguments('mmmm', token);
  if (!args) return;
  const [name, display, options, prefix] = [0, 1, 2, 3].map((i) => tokensOf(args, i));
  if (!name || !display || !options || !prefix) return;
  const words = textOf(p, name);
  const counter = counterOf(it, words, [...init, ...p.chars(',auto counter')]);
  if (counter === null) return;
  nameKind(it, counter, [...init, ...p.chars(','), ...options]);
  const sign = separatorOf(options);
  const brackets = /description delimiters parenthesis/.test(tokensText(options));
  const title = brackets ? '(#2)' : '#2';
  const list = listOf([...init, ...p.chars(','), ...options]);
  const body = (numbered: boolean): Token[] => [
    ...(numbered ? it.source(`\\refstepcounter{${counter}}`) : []),
    ...it.source('\\begin{tcolorbox}['),
    ...options,
    ...it.source(',title={'),
    ...display,
    ...(numbered ? [...it.source('~'), p.command(`the${counter}`)] : []),
    ...it.source(`\\if\\relax\\detokenize{#2}\\relax\\else${sign} ${title}\\fi},#1]`),
    ...(numbered && list !== null ? it.source(listed(list, counter, '#2')) : []),
    ...it.source('\\if\\relax\\detokenize{#3}\\relax\\else\\label{'),
    ...prefix,
    ...it.source(':#3}\\fi\\ignorespaces'),
  ];
  for (const star of ['', '*'])
    it.execute([
      p.command('newenvironment'),
      ...braced(it, [...name, ...p.chars(star)]),
      ...p.chars('[3][]'),
      ...braced(it, body(star === '')),
      ...braced(it, it.source('\\end{tcolorbox}')),
    ]);
}

/** `\tcolorboxenvironment{name}{options}`: an environment that there is, in a box from now on. */
function boxAround(it: Interpreter, args: Args): void {
  const name = textOf(it.p, tokensOf(args, 0));
  const [before, after] = [hookCell('before', name), hookCell('after', name)];
  const options = [...it.p.chars('['), ...braced(it, tokensOf(args, 1)), ...it.p.chars(']')];
  it.write(before, [...it.read(before), ...it.source('\\begin{tcolorbox}'), ...options]);
  it.write(after, [...it.source('\\end{tcolorbox}'), ...it.read(after)]);
}

/** Commands that declare kinds of coloured boxes. */
export const kindCommands: readonly CommandEntry[] = [
  {
    name: 'newtcolorbox',
    signature: '',
    package: 'tcolorbox',
    description: 'An environment of your own that is a coloured box.',
    example: '\\newtcolorbox{note}{colback=yellow!10}\\begin{note}High water\\end{note}',
    run: (it, _args, token) => newBox(it, token, false),
  },
  {
    name: 'renewtcolorbox',
    signature: '',
    package: 'tcolorbox',
    description: 'Another look for a box of your own.',
    example: '\\newtcolorbox{note}{}\\renewtcolorbox{note}{colback=red!10}',
    run: (it, _args, token) => newBox(it, token, true),
  },
  {
    name: 'tcolorboxenvironment',
    signature: 'mm',
    package: 'tcolorbox',
    description: 'Puts an environment that there is into a coloured box.',
    example: '\\tcolorboxenvironment{quote}{colback=yellow!10}\\begin{quote}High water\\end{quote}',
    run: boxAround,
  },
  {
    name: 'newtcbtheorem',
    signature: '',
    package: 'tcolorbox',
    description: 'Numbered boxes for theorems, with a title and a label.',
    example:
      '\\newtcbtheorem{tiderule}{Rule}{colback=blue!5}{ru}\\begin{tiderule}{Ebb}{ebb}Low.\\end{tiderule}',
    run: (it, _args, token) => newTheorem(it, token),
  },
];
