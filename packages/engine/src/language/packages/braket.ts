import type { Token } from '../../expansion/meaning';
import { mathEntry } from '../constructs/mathEntry';
import type { CommandEntry, PackageEntry } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';
import { Cat } from '../../tokens/categories';

/** The bars outside braces made into what is given. */
function barsAs(tokens: readonly Token[], bar: readonly Token[], first: boolean): Token[] {
  let depth = 0;
  let done = false;
  return tokens.flatMap((token) => {
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    const isBar = depth === 0 && token.text === '|' && token.cell === null;
    if (!isBar || (first && done)) return [token];
    done = true;
    return [...bar];
  });
}

/** Brackets around an argument whose bars are made into `bar`. */
const around = (
  name: string,
  open: string,
  close: string,
  bar: string,
  first: boolean,
  what: string,
): CommandEntry =>
  mathEntry(name, 'm', what, `\\${name}{a | b}`, (reader, token) => {
    const { it } = reader;
    const inner = barsAs(reader.argument(token), it.source(bar), first);
    reader.p.push([...it.source(open), ...inner, ...it.source(close)]);
    return null;
  });

/** braket: states in angle brackets, and sets. */
export const braket: PackageEntry = {
  name: 'braket',
  description: 'States in angle brackets, and sets with a bar.',
  options: null,
  commands: [
    macroEntry('bra', 'm', 'A state to the left.', '$\\bra{a}$', '\\mathinner{\\langle{#1}|}'),
    macroEntry('ket', 'm', 'A state.', '$\\ket{a}$', '\\mathinner{|{#1}\\rangle}'),
    macroEntry(
      'braket',
      'm',
      'A product of states.',
      '$\\braket{a|b}$',
      '\\mathinner{\\langle{#1}\\rangle}',
    ),
    macroEntry('Bra', 'm', 'The same, growing.', '$\\Bra{a}$', '\\left\\langle{#1}\\right|'),
    macroEntry('Ket', 'm', 'The same, growing.', '$\\Ket{a}$', '\\left|{#1}\\right\\rangle'),
    around(
      'Braket',
      '\\left\\langle ',
      '\\right\\rangle ',
      '\\,\\middle|\\,',
      false,
      'A product of states, growing.',
    ),
    around(
      'set',
      '\\mathinner{\\lbrace\\,',
      '\\,\\rbrace}',
      '\\mid ',
      true,
      'A set; the bar parts its halves.',
    ),
    around(
      'Set',
      '\\left\\lbrace\\,',
      '\\,\\right\\rbrace ',
      '\\;\\middle|\\;',
      true,
      'A set whose brackets grow.',
    ),
  ],
};
