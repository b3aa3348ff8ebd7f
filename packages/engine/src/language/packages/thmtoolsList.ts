import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { entriesOf, setEntries } from '../constructs/contents';
import { theoremOfLine } from '../constructs/theoremLines';
import { type Args, type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { namesOf } from '../scanning/namesOf';
import { keyValues } from '../scanning/optionLists';

/** Which statements stand in the list: all of a kind, those with a note, none. */
type Listed = 'all' | 'named' | 'none';

/** What was said of kinds of theorems, and of those that nothing was said of. */
interface Choice {
  readonly others: Listed;
  readonly kinds: readonly (readonly [kind: string, listed: Listed])[];
}

const CHOICE = cell<Choice>('listedTheorems', { others: 'all', kinds: [] });

const choose = ({ others, kinds }: Choice, names: readonly string[], listed: Listed): Choice => ({
  others,
  kinds: [...kinds, ...names.map((name) => [name, listed] as const)],
});

/** The keys of `\listoftheorems` that choose (thmtools manual, section 1.3), in the order they are written in. */
function chosenBy(before: Choice, key: string, names: readonly string[]): Choice | null {
  switch (key) {
    case 'ignoreall':
      return { others: 'none', kinds: [] };
    case 'showall':
      return { others: 'all', kinds: [] };
    case 'ignore':
      return choose(before, names, 'none');
    case 'show':
      return choose(before, names, 'all');
    case 'onlynamed':
      return names.length > 0
        ? choose({ others: 'none', kinds: [] }, names, 'named')
        : { others: 'named', kinds: [] };
    default:
      return null;
  }
}

const isListed = ({ others, kinds }: Choice, entry: readonly Token[]): boolean => {
  const line = theoremOfLine(entry);
  // The last word counts.
  const said = kinds.findLast(([kind]) => kind === line?.kind)?.[1];
  const listed = line ? (said ?? others) : 'all';
  return listed === 'all' || (listed === 'named' && line?.named === true);
};

/** `\listoftheorems`: its heading, and the statements that are chosen. */
function listTheorems(it: Interpreter, args: Args): void {
  let choice = it.read(CHOICE);
  let heading: readonly Token[] = it.source('\\listtheoremname');
  const options = Array.isArray(args[0]) ? (args[0] as Token[]) : [];
  for (const [key, value] of keyValues(options)) {
    const next = chosenBy(choice, key, namesOf(it, value));
    if (next) choice = next;
    else if (key === 'title') heading = value;
    else if (options[0]) it.p.report('option-unknown', it.spanOf(options[0]), { name: key });
  }
  it.execute([...it.source('\\section*{'), ...heading, ...it.source('}')]);
  setEntries(
    it,
    entriesOf(it, 'loe').filter(({ entry }) => isListed(choice, entry)),
  );
}

const chooser = (name: string, description: string, key: string): CommandEntry => ({
  name,
  signature: name === 'onlynamedtheorems' ? 'o' : 'm',
  description,
  example: name === 'onlynamedtheorems' ? '\\onlynamedtheorems' : `\\${name}{tide}`,
  package: 'thmtools',
  run: (it, args) => {
    const names = Array.isArray(args[0]) ? namesOf(it, tokensOf(args, 0)) : [];
    const next = chosenBy(it.read(CHOICE), key, names);
    if (next) it.write(CHOICE, next);
  },
});

/** The list of theorems of thmtools, and what chooses from it. */
export const theoremList: readonly CommandEntry[] = [
  {
    name: 'listoftheorems',
    signature: 'o',
    description: 'The list of theorems with their pages: all, or those of the kinds shown.',
    example: '\\newtheorem{tide}{Tide}\\listoftheorems[ignoreall,show={tide}]',
    package: 'thmtools',
    run: listTheorems,
  },
  chooser('ignoretheorems', 'Kinds left out of the list of theorems.', 'ignore'),
  chooser('showtheorems', 'Kinds shown in the list of theorems again.', 'show'),
  chooser('onlynamedtheorems', 'Those with a name alone in the list of theorems.', 'onlynamed'),
];
