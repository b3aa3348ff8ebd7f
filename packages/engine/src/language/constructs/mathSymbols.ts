import type { CommandEntry } from '../entries';
import {
  FUNCTIONS,
  KERNEL_SYMBOLS,
  LARGE_OPERATORS,
  LIMIT_FUNCTIONS,
  type SymbolEntry,
} from '../symbols/symbols';
import { inAlphabet } from '../symbols/alphabets';
import { DELIMITER_COMMANDS } from '../symbols/delimiters';

const GREEK_CAPITAL = /^[Α-Ω]$/u;

/** A symbol as a command. */
export function symbolCommand({ name, char, cls, package: pkg }: SymbolEntry): CommandEntry {
  const entry: CommandEntry = {
    name,
    signature: '',
    description: `The symbol ${char}.`,
    example: `$\\${name}$`,
    math: (reader, token) => {
      const alphabet =
        reader.alphabet === 'normal' && GREEK_CAPITAL.test(char) ? 'roman' : reader.alphabet;
      const drawn = cls === 'ord' ? inAlphabet(char, alphabet) : char;
      return reader.symbol(drawn, cls, reader.it.spanOf(token));
    },
  };
  return pkg ? { ...entry, package: pkg } : entry;
}

const operators: readonly CommandEntry[] = LARGE_OPERATORS.map(([name, char]) => ({
  name,
  signature: '',
  description: `The large operator ${char}.`,
  example: `\\[ \\${name}_{i=1}^n a_i \\]`,
  math: (reader, token) => ({
    kind: 'operator',
    char,
    name: null,
    limits: null,
    color: reader.color,
    ...reader.it.spanOf(token),
  }),
}));

const named = (name: string, text: string, limits: boolean): CommandEntry => ({
  name,
  signature: '',
  description: `The function ${text}, in upright letters.`,
  example: `$\\${name} x$`,
  math: (reader, token) => ({
    kind: 'operator',
    char: null,
    name: text,
    limits: limits ? true : null,
    color: reader.color,
    ...reader.it.spanOf(token),
  }),
});

const escaped: readonly CommandEntry[] = [
  ['{', 'open'],
  ['}', 'close'],
].map(([name, cls]) => ({
  name: name as string,
  signature: '',
  description: 'A brace that is printed.',
  example: '$\\{1, 2\\}$',
  math: (reader, token) =>
    reader.symbol(name as string, cls as 'open' | 'close', reader.it.spanOf(token)),
}));

const plain: readonly CommandEntry[] = ['%', '&', '#', '_', '$'].map((name) => ({
  name,
  signature: '',
  description: `The sign ${name}.`,
  example: `$5\\${name}$`,
  math: (reader, token) => reader.symbol(name, 'ord', reader.it.spanOf(token)),
}));

/** Symbols, large operators and named functions of the kernel. */
export const mathSymbols: readonly CommandEntry[] = [
  ...KERNEL_SYMBOLS.map(symbolCommand),
  ...operators,
  ...FUNCTIONS.map((name) => named(name, name, false)),
  ...LIMIT_FUNCTIONS.map(([name, text]) => named(name, text, true)),
  ...escaped,
  ...plain,
  {
    name: '|',
    signature: '',
    description: 'A double vertical line.',
    example: '$\\|x\\|$',
    math: (reader, token) =>
      reader.symbol(DELIMITER_COMMANDS['|'] as string, 'ord', reader.it.spanOf(token)),
  },
];
