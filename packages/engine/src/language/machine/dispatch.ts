import { CELLS } from './cells';
import { typedCharacter } from './encoding';
import { pick } from '../../base/spans';
import { assignRegister } from '../../expansion/definitions';
import type { Meaning, Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { CommandEntry } from './entries';
import { environmentByName } from './environments';
import { readDollarFormula, readStrayMath } from './formulas';
import type { Interpreter } from './interpreter';
import type { LanguageCommand } from './reading';
import { reportUnknownCommand } from './unknown';

/** How much work a command makes, in the measure of an expansion: what it leaves is laid out too. */
const WORK = 5;
const WORK_OF: ReadonlyMap<string, number> = new Map(
  Object.entries({
    maketitle: 1000,
    newpage: 400,
    clearpage: 400,
    cleardoublepage: 400,
    pagebreak: 400,
    eject: 400,
    lipsum: 200,
    chapter: 100,
    part: 100,
    tableofcontents: 100,
    listoffigures: 100,
    listoftables: 100,
    caption: 100,
    footnote: 100,
    footnotetext: 100,
    marginpar: 50,
    '@startsection': 50,
    item: 25,
    label: 10,
    par: 10,
  }),
);

/** The chunk of tokens that no source holds: those of macros. A character of them costs what it takes to set it. */
const MADE = -1;
const CHARACTER_WORK = 0.6;

/** Carries out one token that expansion has left, by its category or its meaning (TeX: The Program, §1030 ff.). */
export function carryOut(it: Interpreter, token: Token): void {
  switch (token.cat) {
    case Cat.Letter:
    case Cat.Other:
      if (token.chunk === MADE) it.p.spend(CHARACTER_WORK, '');
      return typedCharacter(it, token.text, it.p.spanOf(token));
    case Cat.Space:
      return it.space(it.p.spanOf(token));
    case Cat.Begin:
      return it.openGroup({ kind: 'brace', span: it.p.spanOf(token) });
    case Cat.Active:
      return command(it, token);
    case Cat.End:
      return closeBrace(it, token);
    case Cat.Math:
      return readDollarFormula(it, token);
    case Cat.Super:
    case Cat.Sub:
      if (token.cat === Cat.Sub && it.read(CELLS.plainLowLine))
        return typedCharacter(it, '_', it.p.spanOf(token));
      return readStrayMath(it, token);
    case Cat.Tab:
      return it.p.report('alignment-outside', it.p.spanOf(token));
    case Cat.Parameter:
    case Cat.Argument:
      return it.p.report('parameter-character', it.p.spanOf(token));
    default:
      return command(it, token);
  }
}

function command(it: Interpreter, token: Token): void {
  if (!it.p.spend(WORK_OF.get(token.text) ?? WORK, token.text)) return;
  const meaning: Meaning | undefined = token.cell ? it.state.meaning(token.cell) : undefined;
  switch (meaning?.kind) {
    case 'primitive':
      return meaning.run(it.p, token);
    case 'register':
      return assignRegister(it.p, meaning);
    case 'chardef':
      return it.character(String.fromCodePoint(meaning.code), it.p.spanOf(token));
    case 'char':
      return carryOut(it, { ...token, cat: meaning.cat, text: meaning.text, cell: null });
    case 'command':
      return runEntry(it, (meaning as LanguageCommand).entry, token);
    case undefined:
      return environmentByName(it, token) ? undefined : reportUnknownCommand(it, token);
    case 'macro':
    case 'expandable':
      return; // held back by `\noexpand`: nothing happens
    default:
      return meaning satisfies never;
  }
}

function runEntry(it: Interpreter, entry: CommandEntry, token: Token): void {
  if (!entry.run) return readStrayMath(it, token);
  if (token.chunk === it.p.reader.chunk) it.p.place = pick(token);
  if (entry.instead?.(it, token)) return;
  const args = it.readArguments(entry.signature, token);
  if (args) entry.run(it, args, token);
}

function closeBrace(it: Interpreter, token: Token): void {
  if (it.groups.at(-1)?.kind === 'brace') return it.closeGroup();
  it.p.report('brace-extra', it.p.spanOf(token), {});
}
