import { type Macro, type Meaning, type Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';

/** The tokens of the rows of an alignment: macros may hold cells, and whole rows. */

const meaningOf = (it: Interpreter, token: Token): Meaning | undefined =>
  token.cell ? it.state.meaning(token.cell) : undefined;

/** Does a token end a row, under whatever name? */
export function endsRow(it: Interpreter, token: Token): boolean {
  if (token.cat !== Cat.Command) return false;
  if (token.text === 'cr' || token.text === 'crcr' || token.text === '\\') return true;
  const meaning = meaningOf(it, token);
  return meaning?.kind === 'command' && (meaning.name === 'cr' || meaning.name === 'crcr');
}

/** Does a macro hold cells, or one that it holds? Each is looked into once. */
function holdsCells(it: Interpreter, macro: Macro, known: Map<Macro, boolean>): boolean {
  const found = known.get(macro);
  if (found !== undefined) return found;
  known.set(macro, false);
  const holds = macro.body.some((token) => {
    if (token.cat === Cat.Tab || endsRow(it, token)) return true;
    const meaning = meaningOf(it, token);
    return meaning?.kind === 'macro' && holdsCells(it, meaning, known);
  });
  known.set(macro, holds);
  return holds;
}

/** Does `\the` stand before a register of tokens? */
function givesTokens(it: Interpreter): boolean {
  const next = it.p.nextNonBlank();
  if (next) it.p.unread(next);
  const meaning = next ? meaningOf(it, next) : undefined;
  return meaning?.kind === 'register' && meaning.type === 'toks';
}

/** Rows with those macros replaced, outside of groups, that hold signs between cells or ends of rows. */
export function openedRows(it: Interpreter, rows: readonly Token[]): Token[] {
  const { p } = it;
  const out: Token[] = [];
  const known = new Map<Macro, boolean>();
  const end = p.command('relax');
  p.push([...rows, end]);
  let depth = 0;
  for (let token = p.next(); token !== null && token !== end; token = p.next()) {
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    const meaning = depth === 0 && !endsRow(it, token) ? meaningOf(it, token) : undefined;
    if (meaning?.kind === 'macro' && holdsCells(it, meaning, known)) p.expand(token, meaning);
    else if (meaning?.kind === 'expandable' && meaning.name === 'the' && givesTokens(it))
      p.expand(token, meaning);
    else out.push(token);
  }
  return out;
}
