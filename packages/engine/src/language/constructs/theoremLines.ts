import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import type { Args } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { groupsIn } from '../scanning/optionLists';
import { addContentsLine, LINE_OF } from './contents';

/** Of a line whose statement bears a note. */
const NAMED = 'named';

/** The line of a statement in the list of theorems: number, kind and note; set as a figure's is. */
export function listTheorem(
  it: Interpreter,
  title: readonly Token[],
  number: string,
  args: Args,
): void {
  const note = Array.isArray(args[0]) ? (args[0] as Token[]) : [];
  const noted = note.length > 0 ? [...it.p.chars(' ('), ...note, ...it.p.chars(')')] : [];
  const shown = number === '' ? null : it.p.chars(number);
  const kind = ['figure', it.innermost.name, ...(noted.length > 0 ? [NAMED] : [])].join(LINE_OF);
  addContentsLine(it, 'loe', kind, shown, [...title, ...noted]);
}

/** Of which kind of theorem a line of the list is, and whether it bears a note; null of another line. */
export function theoremOfLine(
  entry: readonly Token[],
): { readonly kind: string; readonly named: boolean } | null {
  const [of] = entry[0]?.text === 'contentsline' ? groupsIn(entry.slice(1)) : [];
  const [, kind, mark] = of ? tokensText(of).split(LINE_OF) : [];
  return kind === undefined ? null : { kind, named: mark === NAMED };
}
