import { parameterise } from '../../expansion/definitions';
import type { Macro, Token } from '../../expansion/meaning';
import type { Cell, State } from '../../expansion/state';
import { Cat, standardCategories, withCategory } from '../../tokens/categories';
import { Reader } from '../../tokens/reader';
import type { Interpreter } from './interpreter';

/** Category codes of style files: `@` is a letter. */
const STYLE_FILE = withCategory(standardCategories(), 64, Cat.Letter);

/** Source of our own as tokens that stand nowhere in the document. */
export function tokenize(state: State, source: string): Token[] {
  const reader = new Reader<Cell>(source, state.cell, 0, -1);
  const tokens: Token[] = [];
  // In the middle of a line, so that a blank at the start counts.
  reader.jump(0);
  for (let token = reader.next(STYLE_FILE); token !== null; token = reader.next(STYLE_FILE)) {
    tokens.push({ ...token, from: 0, to: 0 });
  }
  return tokens;
}

/** A macro with `params` arguments whose body is given as source. */
export function macroOf(state: State, body: string, params = 0): Macro {
  return {
    kind: 'macro',
    params: Array.from({ length: params }, (_, i) => ({
      cat: Cat.Argument,
      text: String(i + 1),
      cell: null,
      from: 0,
      to: 0,
      chunk: -1,
    })),
    optional: null,
    body: parameterise(tokenize(state, body)),
    long: true,
    protect: false,
  };
}

/** The same within the group that is open. */
export function defineHere(it: Interpreter, name: string, body: string): void {
  it.state.set(it.state.cell(name), macroOf(it.state, body, 0));
}

export function defineMacro(it: Interpreter, name: string, body: string, params: number): void {
  it.state.set(it.state.cell(name), macroOf(it.state, body, params), true);
}
