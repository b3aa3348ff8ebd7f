import type { CommandEntry } from '../machine/entries';
import {
  FUNCTIONS,
  KERNEL_SYMBOLS,
  LARGE_OPERATORS,
  LIMIT_INTEGRALS,
  LIMIT_FUNCTIONS,
  type SymbolEntry,
} from '../symbols/symbols';
import { letterIn } from '../symbols/alphabets';
import { DELIMITER_COMMANDS } from '../symbols/delimiters';

/** A symbol as a command. */
export function symbolCommand({ name, char, cls, package: pkg }: SymbolEntry): CommandEntry {
  const entry: CommandEntry = {
    name,
    signature: '',
    description: `The symbol ${char}.`,
    example: `$\\${name}$`,
    math: (reader, token) => {
      const drawn = cls === 'ord' ? letterIn(char, reader.alphabet) : char;
      return reader.symbol(drawn, cls, reader.it.spanOf(token));
    },
  };
  return pkg ? { ...entry, package: pkg } : entry;
}

export const largeOperator = (
  [name, char]: readonly [string, string],
  takesLimits?: boolean,
): CommandEntry => ({
  name,
  signature: '',
  description: `The large operator ${char}.`,
  example: `\\[ \\${name}_{i=1}^n a_i \\]`,
  math: (reader, token) => ({
    kind: 'operator',
    char,
    name: null,
    limits: null,
    ...(takesLimits === undefined ? {} : { takesLimits }),
    color: reader.color,
    ...reader.it.spanOf(token),
  }),
});

export const functionCommand = (name: string, text: string, limits: boolean): CommandEntry => ({
  name,
  signature: '',
  description: `The function ${text}, in upright letters.`,
  example: `$\\${name} x$`,
  math: (reader, token) => ({
    kind: 'operator',
    char: null,
    name: text,
    limits: null,
    takesLimits: limits,
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

/** The integral of text size, in displays too. */
const smallIntegral: CommandEntry = {
  name: 'smallint',
  signature: '',
  description: 'A small integral.',
  example: '$\\smallint f$',
  math: (reader, token) => reader.symbol('∫', 'op', reader.it.spanOf(token)),
};

/** Symbols, large operators and named functions of the kernel. */
export const mathSymbols: readonly CommandEntry[] = [
  ...KERNEL_SYMBOLS.map(symbolCommand),
  ...LARGE_OPERATORS.map((operator) => largeOperator(operator)),
  ...LIMIT_INTEGRALS.map((operator) => largeOperator(operator, true)),
  ...FUNCTIONS.map((name) => functionCommand(name, name, false)),
  ...LIMIT_FUNCTIONS.map(([name, text]) => functionCommand(name, text, true)),
  smallIntegral,
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
