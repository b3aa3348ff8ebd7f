import type { MathAlphabet, MathNode } from '../../document/math';
import type { CommandEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';
import { inAlphabet } from '../symbols/alphabets';
import { mathEntry as entry } from './mathEntry';

export function alphabetCommand(name: string, alphabet: MathAlphabet, what: string): CommandEntry {
  return entry(name, 'm', `${what}.`, `\\${name}{R}`, (reader, token) => {
    const outer = reader.alphabet;
    reader.alphabet = alphabet;
    const body = reader.field(token);
    reader.alphabet = outer;
    return asOne(reader, token, body);
  });
}

function asOne(
  reader: MathReader,
  token: Parameters<MathReader['span']>[0],
  body: readonly MathNode[],
): MathNode {
  const [only] = body;
  if (body.length === 1 && (only?.kind === 'symbol' || only?.kind === 'operator')) return only;
  if (body.length === 1 && only?.kind === 'bold') return only;
  return { kind: 'group', cls: 'ord', body, limits: false, ...reader.span(token) };
}

/** Bold signs, letters in their bold form and others drawn heavier (amsmath's `\boldsymbol`, package bm). */
export function boldCommand(name: string): CommandEntry {
  return entry(
    name,
    'm',
    'The formula in bold, italic letters staying italic.',
    `\\${name}{x+\\alpha}`,
    (reader, token) => {
      const outer = reader.bold;
      reader.bold = true;
      const body = reader.field(token).map(boldOperator);
      reader.bold = outer;
      return asOne(reader, token, body);
    },
  );
}

function boldOperator(node: MathNode): MathNode {
  if (node.kind !== 'operator') return node;
  if (node.name === null) return { kind: 'bold', body: node, from: node.from, to: node.to };
  return { ...node, name: [...node.name].map((c) => inAlphabet(c, 'bold')).join('') };
}

/** The sign made heavier by drawing it more than once. */
export const poorMansBold = entry(
  'pmb',
  'm',
  'The formula made bold by drawing it more than once.',
  '\\pmb{+}',
  (reader, token) => {
    const body = reader.field(token);
    const inner = asOne(reader, token, body);
    return { kind: 'bold', body: inner, ...reader.span(token) };
  },
);

/** Old names, which act up to the end of the group. */
const alphabetSwitch = (name: string, alphabet: MathAlphabet): CommandEntry =>
  entry(
    name,
    '',
    'Letters of another alphabet up to the end of the group.',
    `{\\${name} R}`,
    (reader) => {
      reader.alphabet = alphabet;
      return null;
    },
  );

/** Alphabets of the kernel. */
export const alphabets: readonly CommandEntry[] = [
  alphabetCommand('mathrm', 'roman', 'Upright letters'),
  alphabetCommand('mathup', 'roman', 'Upright letters'),
  alphabetCommand('mathbf', 'bold', 'Bold letters'),
  alphabetCommand('mathit', 'textItalic', 'The italic letters of text, for names of several'),
  alphabetCommand('mathsf', 'sans', 'Letters without serifs'),
  alphabetCommand('mathsfit', 'sansItalic', 'Italic letters without serifs'),
  alphabetCommand('mathtt', 'mono', 'Typewriter letters'),
  alphabetCommand('mathcal', 'calligraphic', 'Calligraphic letters'),
  alphabetCommand('mathnormal', 'normal', 'The usual letters of formulas'),
  alphabetSwitch('cal', 'calligraphic'),
  alphabetSwitch('mit', 'italic'),
];
