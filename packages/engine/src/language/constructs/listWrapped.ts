import { cell } from '../../expansion/cells';
import { detach, type Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { bothOf, listKeys } from './listOptions';
import { WRAPPER } from './listData';

/**
 * Lists that open an environment before their first item and end it behind their last
 * (`before=\begin{multicols}{2}`, enumitem manual, section 3.7): that environment stands around the list.
 */

/** The list that begins now stands in what was opened for it, and carries this out behind its end. */
const CLOSING = cell<readonly Token[] | null>('listclosing', null);
/** What a wrapped list, which opens nothing itself, carries out behind its end. */
export const WRAPPED = cell<readonly Token[] | null>('listwrapped', null);

const opens = (tokens: readonly Token[]): boolean =>
  tokens.some(({ cat, text }) => cat === Cat.Command && text === 'begin');

function environment(it: Interpreter, word: 'begin' | 'end', kind: string): Token[] {
  const { p } = it;
  const name = [p.make(Cat.Begin, '{'), ...p.chars(kind), p.make(Cat.End, '}')];
  return [p.command(word), ...name];
}

/**
 * Begins such a list anew within what it opens; true when it did, and nothing more is to be done.
 *
 * @param own what stands in the brackets behind its begin.
 * @param options that, behind what is said of all lists of its kind.
 */
export function wrapsList(
  it: Interpreter,
  kind: string,
  own: readonly Token[],
  options: readonly Token[],
): boolean {
  const { data } = it.innermost;
  const closing = it.read(CLOSING);
  if (closing !== null) {
    it.write(CLOSING, null);
    data.set(WRAPPED, closing);
    return false;
  }
  const keys = listKeys(it, options);
  const before = bothOf(keys, 'before');
  if (!opens(before)) return false;
  data.set(WRAPPER, true);
  it.write(CLOSING, [...detach(bothOf(keys, 'after')), ...environment(it, 'end', kind)]);
  const brackets = own.length > 0 ? [...it.p.chars('['), ...own, ...it.p.chars(']')] : [];
  it.p.push([...detach(before), ...environment(it, 'begin', kind), ...brackets]);
  return true;
}
