import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { adjust } from '../machine/asides';
import type { Args, CommandEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';

/** `\\@lowpenalty` and its kin (article.cls): what a break asked for less strongly costs. */
const DEGREES = [0, 51, 151, 301];

/** `\\linebreak[2]`: how strongly the break is asked for, or against; without a number, wholly. */
const degreeOf = (it: Interpreter, given: Args[number] | undefined): number => {
  const said = Array.isArray(given) ? parseInt(textOf(it.p, given as Token[]), 10) : 4;
  return DEGREES[said] ?? 10000;
};

/** A break that is asked for (-1) or against (1), in the line or on the page. */
const breakCommand = (
  name: string,
  sign: 1 | -1,
  vertical: boolean,
  description: string,
): CommandEntry => ({
  name,
  signature: 'o',
  description: `${description} With a number from 0 to 4 in brackets, less strongly.`,
  example: `\\${name}`,
  run: (it, args, token) => {
    const penalty = sign * degreeOf(it, args[0]) + 0;
    const { hlist } = it.mode;
    if (vertical || hlist === null) return adjust(it, { kind: 'penalty', penalty });
    const last = hlist.last();
    const blank = last?.kind === 'space' || last?.kind === 'glue' ? last : null;
    if (blank) hlist.unskip();
    hlist.add({ kind: 'penalty', penalty, ...it.spanOf(token) });
    if (!blank) return;
    hlist.add(blank);
    it.skipBlanks();
  },
});

const penalty = (name: string, value: number, description: string): CommandEntry => ({
  name,
  signature: '',
  description,
  example: `\\${name}`,
  run: (it, _args, token) => {
    if (it.mode.hlist === null) adjust(it, { kind: 'penalty', penalty: value });
    else it.mode.hlist.add({ kind: 'penalty', penalty: value, ...it.spanOf(token) });
  },
});

/** Where lines and pages may break, and where not (ltspace.dtx). */
export const breakCommands: readonly CommandEntry[] = [
  breakCommand('linebreak', -1, false, 'Breaks the line here and spreads its words.'),
  breakCommand('nolinebreak', 1, false, 'No line break here.'),
  breakCommand('pagebreak', -1, true, 'Breaks the page here.'),
  breakCommand('nopagebreak', 1, true, 'No page break here.'),
  penalty('allowbreak', 0, 'The line may break here.'),
  penalty('nobreak', 10000, 'No break here.'),
];
