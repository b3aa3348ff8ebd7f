import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { sourceCommand } from '../machine/macroEntry';
import { splitAt, trimmed } from '../scanning/optionLists';

/** What stands before a key's `=` and behind it; null when there is none. */
function keyAndValue(part: readonly Token[]): readonly [readonly Token[], readonly Token[] | null] {
  const at = part.findIndex((t) => t.cat === Cat.Other && t.text === '=');
  return at < 0 ? [trimmed(part), null] : [trimmed(part.slice(0, at)), trimmed(part.slice(at + 1))];
}

/** The command that takes all keys of a family at once, where a package keeps them in a form of its own. */
export const wholeFamily = (family: string): string => `KV@${family}@@all`;

/** Carries out one key of a family: `\KV@family@key{value}`, or its default when no value is given. */
function setKey(it: Interpreter, family: string, part: readonly Token[]): void {
  const [name, value] = keyAndValue(part);
  if (name.length === 0) return;
  const key = textOf(it.p, name);
  const command = `KV@${family}@${key}`;
  const given = value === null ? `${command}@default` : command;
  if (it.state.get(it.state.cell(given)) === undefined) {
    const known = it.state.get(it.state.cell(command)) !== undefined;
    const at = { ...it.spanOf(name[0] as Token), to: it.spanOf(name.at(-1) as Token).to };
    if (!known) return it.p.report('option-unknown', at, { name: key });
  }
  const call = it.p.command(value === null ? given : command);
  const argument =
    value === null ? [] : [it.p.make(Cat.Begin, '{'), ...value, it.p.make(Cat.End, '}')];
  it.execute([call, ...argument]);
}

const setkeys: CommandEntry = {
  name: 'setkeys',
  signature: 'omm',
  package: 'keyval',
  description: 'Carries out keys of a family with their values.',
  example:
    '\\makeatletter\\define@key{tide}{height}{\\def\\tideheight{#1}}\\makeatother\n\\setkeys{tide}{height=3}\\tideheight',
  run: (it, args) => {
    const family = textOf(it.p, tokensOf(args, 1));
    const whole = wholeFamily(family);
    if (it.state.get(it.state.cell(whole)) !== undefined)
      return it.p.push([
        it.p.command(whole),
        it.p.make(Cat.Begin, '{'),
        ...tokensOf(args, 2),
        it.p.make(Cat.End, '}'),
      ]);
    for (const part of splitAt(tokensOf(args, 2), ',')) setKey(it, family, part);
  },
};

/** keyval: options by name and value. */
export const keyval: PackageEntry = {
  name: 'keyval',
  description: 'Options by names and values, for commands of your own.',
  options: null,
  commands: [setkeys],
  described: [
    sourceCommand(
      'define@key',
      'mmom',
      'A key of a family: what it does with its value.',
      '\\makeatletter\\define@key{tide}{height}{\\def\\tideheight{#1}}\\makeatother\n\\setkeys{tide}{height=3}\\tideheight',
    ),
  ],
  source: String.raw`
\def\define@key#1#2{\@ifnextchar[{\KV@withdefault{#1}{#2}}{\KV@plain{#1}{#2}}}
\long\def\KV@plain#1#2#3{\expandafter\def\csname KV@#1@#2\endcsname##1{#3}}
\long\def\KV@withdefault#1#2[#3]#4{\KV@plain{#1}{#2}{#4}\expandafter\def\csname KV@#1@#2@default\endcsname{\csname KV@#1@#2\endcsname{#3}}}
`,
};

/** xkeyval: the same, and keys that are switches. */
export const xkeyval: PackageEntry = {
  name: 'xkeyval',
  description: 'Options by names and values, and switches among them.',
  options: null,
  requires: ['keyval'],
  described: [
    sourceCommand(
      'define@boolkey',
      'momom',
      'A key that is a switch.',
      '\\makeatletter\\define@boolkey{tide}[tide@]{high}[true]{}\\setkeys{tide}{high}\\iftide@high high\\fi\\makeatother',
    ),
  ],
  source: String.raw`
\def\define@boolkey#1{\@ifnextchar[{\XKV@bool{#1}}{\XKV@bool{#1}[KV@#1@]}}
\def\XKV@bool#1[#2]#3{\expandafter\newif\csname if#2#3\endcsname\@ifnextchar[{\XKV@boolkey{#1}{#2}{#3}}{\XKV@boolkey{#1}{#2}{#3}[true]}}
\long\def\XKV@boolkey#1#2#3[#4]#5{\define@key{#1}{#3}[#4]{\csname #2#3##1\endcsname #5}}
\def\define@cmdkey#1{\@ifnextchar[{\XKV@cmd{#1}}{\XKV@cmd{#1}[cmdKV@#1@]}}
\def\XKV@cmd#1[#2]#3{\@ifnextchar[{\XKV@cmdkey{#1}{#2}{#3}}{\XKV@cmdkey{#1}{#2}{#3}[]}}
\long\def\XKV@cmdkey#1#2#3[#4]#5{\define@key{#1}{#3}[#4]{\expandafter\def\csname #2#3\endcsname{##1}#5}}
`,
};
