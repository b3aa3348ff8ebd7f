import { readArgument } from '../../expansion/arguments';
import { textOf, tokensText } from '../../expansion/tokenText';
import { type Expandable, sameMeaning, type Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { scanInt } from '../../expansion/scan';
import type { PackageEntry } from '../machine/entries';
import { boolExpressions } from './boolExpressions';
import { ETOOLBOX_LISTS, etoolboxNames } from './etoolboxLists';
import { macroEntry, quietEntry } from '../machine/macroEntry';
import { ownName } from '../../expansion/cells';

/** The switch of a toggle. */
const toggle = (name: string): string => ownName(`toggle:${name}`);

const arg = (p: Processor, caller: Token): Token[] => readArgument(p, caller, true) ?? [];

function choice(name: string, test: (p: Processor, caller: Token) => boolean): Expandable {
  return {
    kind: 'expandable',
    name,
    expand: (p, caller) => {
      const holds = test(p, caller);
      const yes = arg(p, caller);
      const no = arg(p, caller);
      p.push(holds ? yes : no);
    },
  };
}

const isOn = (p: Processor, name: string): boolean => {
  const meaning = p.state.meaning(p.state.cell(name));
  return meaning?.kind === 'expandable' && meaning.name === 'iftrue';
};

const number = (p: Processor, tokens: readonly Token[]): number => {
  p.push([...tokens, p.command('relax')]);
  const value = scanInt(p);
  const rest = p.next();
  if (rest && rest.text !== 'relax') p.unread(rest);
  return value;
};

const meaningOf = (p: Processor, tokens: readonly Token[]) => {
  const [first] = tokens;
  return first?.cell ? p.state.meaning(first.cell) : undefined;
};

const emptyMacro = (p: Processor, tokens: readonly Token[]): boolean => {
  const meaning = meaningOf(p, tokens);
  return (
    meaning === undefined || (meaning.kind === 'macro' && meaning.body.every((t) => t.cat === 10))
  );
};

const TESTS: readonly Expandable[] = [
  choice('ifbool', (p, c) => isOn(p, `if${textOf(p, arg(p, c))}`)),
  choice('notbool', (p, c) => !isOn(p, `if${textOf(p, arg(p, c))}`)),
  choice('iftoggle', (p, c) => isOn(p, toggle(textOf(p, arg(p, c))))),
  choice('nottoggle', (p, c) => !isOn(p, toggle(textOf(p, arg(p, c))))),
  choice('ifdef', (p, c) => meaningOf(p, arg(p, c)) !== undefined),
  choice('ifundef', (p, c) => meaningOf(p, arg(p, c)) === undefined),
  choice('ifcsdef', (p, c) => p.state.get(p.state.cell(textOf(p, arg(p, c)))) !== undefined),
  choice('ifcsundef', (p, c) => p.state.get(p.state.cell(textOf(p, arg(p, c)))) === undefined),
  choice('ifdefempty', (p, c) => emptyMacro(p, arg(p, c))),
  choice('ifdefvoid', (p, c) => emptyMacro(p, arg(p, c))),
  choice('ifcsempty', (p, c) => emptyMacro(p, [p.command(textOf(p, arg(p, c)))])),
  choice('ifcsvoid', (p, c) => emptyMacro(p, [p.command(textOf(p, arg(p, c)))])),
  choice('ifblank', (p, c) => arg(p, c).every((t) => t.cat === 10)),
  choice('notblank', (p, c) => !arg(p, c).every((t) => t.cat === 10)),
  choice('ifempty', (p, c) => arg(p, c).length === 0),
  choice('ifstrempty', (p, c) => arg(p, c).length === 0),
  choice('ifstrequal', (p, c) => tokensText(arg(p, c)) === tokensText(arg(p, c))),
  choice('ifdefstring', (p, c) => {
    const meaning = meaningOf(p, arg(p, c));
    return (meaning?.kind === 'macro' ? tokensText(meaning.body) : '') === tokensText(arg(p, c));
  }),
  choice('ifdefequal', (p, c) => sameMeaning(meaningOf(p, arg(p, c)), meaningOf(p, arg(p, c)))),
  choice('ifnumequal', (p, c) => number(p, arg(p, c)) === number(p, arg(p, c))),
  choice('ifnumgreater', (p, c) => number(p, arg(p, c)) > number(p, arg(p, c))),
  choice('ifnumless', (p, c) => number(p, arg(p, c)) < number(p, arg(p, c))),
  choice('ifnumodd', (p, c) => Math.abs(number(p, arg(p, c))) % 2 === 1),
  choice('ifnumcomp', (p, c) => {
    const left = number(p, arg(p, c));
    const relation = textOf(p, arg(p, c));
    const right = number(p, arg(p, c));
    return relation === '<' ? left < right : relation === '>' ? left > right : left === right;
  }),
];

const switched = boolExpressions({
  isBool: (p, name) => isOn(p, `if${name}`),
  isToggle: (p, name) => isOn(p, toggle(name)),
});

/** A patch: the first place where the text stands in a macro's body is replaced. */
function patch(p: Processor, caller: Token): void {
  const target = arg(p, caller)[0];
  const search = arg(p, caller);
  const replace = arg(p, caller);
  const yes = arg(p, caller);
  const no = arg(p, caller);
  const meaning = target?.cell ? p.state.meaning(target.cell) : undefined;
  if (meaning?.kind !== 'macro' || !target?.cell || search.length === 0) return p.push(no);
  const { body } = meaning;
  const at = body.findIndex((_t, i) => search.every((s, k) => s.text === body[i + k]?.text));
  if (at < 0) return p.push(no);
  const next = [...body.slice(0, at), ...replace, ...body.slice(at + search.length)];
  p.state.set(target.cell, { ...meaning, body: next.map((t) => ({ ...t, chunk: -1 })) });
  p.push(yes);
}

/** etoolbox: tests, switches, hooks, loops over lists. */
export const etoolbox: PackageEntry = {
  name: 'etoolbox',
  description: 'Tests, switches, hooks on environments, loops over lists.',
  options: null,
  requires: ['ifthen'],
  commands: [
    macroEntry('newbool', 'm', 'A switch of your own.', '\\newbool{tide}', '\\newboolean{#1}'),
    macroEntry(
      'providebool',
      'm',
      'A switch of your own, unless there is one.',
      '\\providebool{tide}',
      '\\provideboolean{#1}',
    ),
    macroEntry(
      'booltrue',
      'm',
      'Sets a switch.',
      '\\newbool{tide}\\booltrue{tide}',
      '\\csname #1true\\endcsname',
    ),
    macroEntry(
      'boolfalse',
      'm',
      'Clears a switch.',
      '\\newbool{tide}\\boolfalse{tide}',
      '\\csname #1false\\endcsname',
    ),
    macroEntry(
      'setbool',
      'mm',
      'Sets a switch to true or false.',
      '\\newbool{tide}\\setbool{tide}{true}',
      '\\csname #1#2\\endcsname',
    ),
    macroEntry(
      'newtoggle',
      'm',
      'A switch of your own.',
      '\\newtoggle{tide}',
      `\\expandafter\\let\\csname ${toggle('#1')}\\endcsname\\iffalse`,
    ),
    macroEntry(
      'toggletrue',
      'm',
      'Sets a switch.',
      '\\newtoggle{tide}\\toggletrue{tide}',
      `\\expandafter\\let\\csname ${toggle('#1')}\\endcsname\\iftrue`,
    ),
    macroEntry(
      'togglefalse',
      'm',
      'Clears a switch.',
      '\\newtoggle{tide}\\togglefalse{tide}',
      `\\expandafter\\let\\csname ${toggle('#1')}\\endcsname\\iffalse`,
    ),
    macroEntry(
      'settoggle',
      'mm',
      'Sets a switch to true or false.',
      '\\newtoggle{tide}\\settoggle{tide}{true}',
      '\\csname toggle#2\\endcsname{#1}',
    ),
    macroEntry(
      'AtBeginEnvironment',
      'mM',
      'Carried out at each beginning of an environment.',
      '\\AtBeginEnvironment{quote}{\\small}',
      '\\@hookenv{#1}{begin}{#2}',
    ),
    macroEntry(
      'AtEndEnvironment',
      'mM',
      'Carried out at each end of an environment.',
      '\\AtEndEnvironment{quote}{\\small}',
      '\\@hookenv{#1}{end}{#2}',
    ),
    macroEntry(
      'BeforeBeginEnvironment',
      'mM',
      'Carried out before each beginning of an environment.',
      '\\BeforeBeginEnvironment{quote}{\\par}',
      '\\@hookenv{#1}{before}{#2}',
    ),
    macroEntry(
      'AfterEndEnvironment',
      'mM',
      'Carried out after each end of an environment.',
      '\\AfterEndEnvironment{quote}{\\par}',
      '\\@hookenv{#1}{after}{#2}',
    ),
    macroEntry('csuse', 'm', 'The command of a name.', '\\csuse{relax}', '\\csname #1\\endcsname'),
    macroEntry(
      'cslet',
      'mm',
      'A name for what a command means.',
      '\\cslet{tide}\\relax',
      '\\expandafter\\let\\csname #1\\endcsname#2',
    ),
    macroEntry(
      'csgdef',
      'm',
      'Defines the command of a name.',
      '\\csgdef{tide}{ebb}',
      '\\expandafter\\gdef\\csname #1\\endcsname',
    ),
    macroEntry(
      'csedef',
      'm',
      'Defines the command of a name, expanded.',
      '\\csedef{tide}{ebb}',
      '\\expandafter\\edef\\csname #1\\endcsname',
    ),
    macroEntry('undef', 'm', 'Forgets a command.', '\\undef\\tide', '\\let#1\\@undefined'),
    macroEntry(
      'docsvlist',
      'm',
      'The command \\do for each entry of a list.',
      '\\renewcommand{\\do}[1]{#1 }\\docsvlist{a,b}',
      '\\@for\\@entry:=#1\\do{\\expandafter\\do\\expandafter{\\@entry}}',
    ),
    macroEntry(
      'forcsvlist',
      'mm',
      'A command for each entry of a list.',
      '\\forcsvlist{\\textbf}{a,b}',
      '\\@for\\@entry:=#2\\do{\\expandafter#1\\expandafter{\\@entry}}',
    ),
    {
      name: 'patchcmd',
      signature: '',
      description: 'Replaces a piece of a macro.',
      example: '\\newcommand{\\tide}{ebb}\\patchcmd{\\tide}{ebb}{flood}{}{}',
      run: (it, _a, token) => patch(it.p, token),
    },
    macroEntry(
      'apptocmd',
      'mMMM',
      'Adds to the end of a macro.',
      '\\newcommand{\\tide}{ebb}\\apptocmd{\\tide}{ flood}{}{}',
      '\\gappto#1{#2}#3',
    ),
    macroEntry(
      'pretocmd',
      'mMMM',
      'Adds before a macro.',
      '\\newcommand{\\tide}{ebb}\\pretocmd{\\tide}{flood }{}{}',
      '\\gpreto#1{#2}#3',
    ),
    quietEntry('tracingpatches', '', 'Says what patches do.'),
  ],
  source: '\\def\\do#1{}' + ETOOLBOX_LISTS,
  described: etoolboxNames,
  setup: (it) => {
    for (const entry of [...TESTS, ...switched])
      it.state.set(it.state.cell(entry.name), entry, true);
  },
};
