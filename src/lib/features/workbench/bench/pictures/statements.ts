import type { LineEdit } from '../classLine';
import { HUES, nodeNames } from '../../source/pictureNames';
import type { Span } from '../figure';
import { closingAt, optionsAt, withOption, type OptionList, type OptionPart } from './optionText';

/** A statement of a picture: a command with its options, up to its `;`. */
export interface Statement extends Span {
  readonly command: string;
  readonly options: OptionList;
}

const COMMAND = /\\(draw|fill|filldraw|path|node|coordinate|shade|shadedraw|clip|pattern)\b/g;

/** The statements of a picture, in order; `base` is where its text stands. */
export function statementsOf(text: string, base = 0): Statement[] {
  const found: Statement[] = [];
  for (const match of text.matchAll(COMMAND)) {
    const from = match.index;
    if (from < (found.at(-1)?.to ?? 0) - base) continue;
    const behind = from + match[0].length;
    const to = semicolonBehind(text, behind);
    const options = optionsAt(text, behind, base);
    found.push({ from: base + from, to: base + to, command: match[1] ?? '', options });
  }
  return found;
}

/** Behind the `;` that ends a statement: outside braces, or the end of the text. */
function semicolonBehind(text: string, at: number): number {
  for (let i = at; i < text.length; i++) {
    if (text[i] === '\\') i++;
    else if (text[i] === '{') i = closingAt(text, i);
    else if (text[i] === ';') return i + 1;
    else if (text[i] === '}') return i;
  }
  return text.length;
}

/** The statement that a place is in, or the last before it on its line. */
export const statementAt = (statements: readonly Statement[], at: number): Statement | null =>
  statements.findLast(({ from, to }) => from <= at && at <= to) ?? null;

/** What can be chosen of how a statement is drawn. */
export interface Choice {
  readonly title: string;
  /** What may be chosen: as it is written, and in words; the empty one is as it is without. */
  readonly values: readonly (readonly [string, string])[];
  readonly isKind: (part: OptionPart) => boolean;
  readonly written: (value: string) => string;
  readonly chosen: (part: OptionPart) => string;
}

const isHue = (text: string): boolean => HUES.includes(text.split('!')[0] ?? '');
const list = (words: string): (readonly [string, string])[] =>
  words.split(',').map((word) => [word, word] as const);
const oneOf = (title: string, usual: string, words: string): Choice => {
  const values = list(words);
  return {
    title,
    values: [['', usual], ...values],
    isKind: ({ text }) => values.some(([value]) => value === text),
    written: (value) => value,
    chosen: ({ text }) => text,
  };
};
const COLOURS: Choice['values'] = HUES.map((hue) => [hue, hue]);

export const COLOUR: Choice = {
  title: 'Colour',
  values: [['', 'as usual'], ...COLOURS],
  isKind: ({ key, value, text }) =>
    ((key === 'draw' || key === 'color') && value !== null) || (value === null && isHue(text)),
  written: (value) => value,
  chosen: ({ value, text }) => value ?? text,
};
export const FILL: Choice = {
  title: 'Filled with',
  values: [['', 'nothing'], ...COLOURS, ...list('gray!20,blue!15,green!15,red!15,yellow!30')],
  isKind: ({ key }) => key === 'fill',
  written: (value) => (value === '' ? '' : `fill=${value}`),
  chosen: ({ value }) => value ?? '',
};
export const WIDTH = oneOf(
  'Line',
  'thin',
  'ultra thin,very thin,semithick,thick,very thick,ultra thick',
);
export const DASHES = oneOf(
  'Dashes',
  'none',
  'dashed,densely dashed,loosely dashed,dotted,densely dotted,loosely dotted,dash dot',
);
export const TIPS: Choice = {
  title: 'Tips',
  values: [
    ['', 'none'],
    ['->', 'at the end'],
    ['<-', 'at the start'],
    ['<->', 'at both'],
  ],
  isKind: ({ text, value }) => value === null && text.includes('-') && !/^[\d.]/.test(text),
  written: (value) => value,
  chosen: ({ text }) => text,
};

/** What can be chosen for a command. */
export function choicesFor(command: string): readonly Choice[] {
  if (command === 'node') return [COLOUR, FILL];
  if (command === 'fill') return [COLOUR, FILL];
  if (command === 'coordinate' || command === 'clip') return [];
  return [COLOUR, WIDTH, DASHES, TIPS, FILL];
}

/** What is chosen now; '' for none. */
export function chosenOf({ options }: Statement, { isKind, chosen }: Choice): string {
  const part = options.parts.findLast(isKind);
  return part ? chosen(part) : '';
}

export const choose = (
  { options }: Statement,
  { isKind, written }: Choice,
  value: string,
): LineEdit | null => withOption(options, isKind, written(value));

// ---- what is added

/** A kind of statement that can be put in. */
export interface Addition {
  readonly title: string;
  readonly source: string;
}
export const ADDITIONS: readonly Addition[] = [
  { title: 'Line', source: '\\draw (0,0) -- (2,1);' },
  { title: 'Arrow', source: '\\draw[->] (0,0) -- (2,1);' },
  { title: 'Curve', source: '\\draw (0,0) .. controls (1,1) and (2,1) .. (3,0);' },
  { title: 'Circle', source: '\\draw (0,0) circle (1);' },
  { title: 'Rectangle', source: '\\draw (0,0) rectangle (2,1);' },
  { title: 'Point', source: '\\fill (1,1) circle (2pt) node[above right] {$P$};' },
  { title: 'Words', source: '\\node at (1,1) {words};' },
  {
    title: 'Axes',
    source:
      '\\draw[->] (-0.5,0) -- (4,0) node[right] {$x$};\n\\draw[->] (0,-0.5) -- (0,3) node[above] {$y$};',
  },
  { title: 'Grid', source: '\\draw[gray!40] (0,0) grid (4,3);' },
];

/** The edit that puts lines behind a statement, or at the end of a picture's body; with the place of the caret. */
export function addition(
  text: string,
  base: number,
  behind: Statement | null,
  source: string,
): LineEdit & { readonly caret: number } {
  const trimmed = text.trimEnd();
  const at = behind ? behind.to : base + trimmed.length;
  const indent = /(?:^|\n)([ \t]*)\S[^\n]*$/.exec(text.slice(0, at - base))?.[1] ?? '  ';
  const insert = source
    .split('\n')
    .map((line) => `\n${indent}${line}`)
    .join('');
  return { from: at, to: at, insert, caret: at + insert.length };
}

// ---- vertices and edges

const LETTERS = 'abcdefghijklmnopqrstuvwxyz';
const PLACED =
  /\\node\s*(?:\[[^\]]*\])?\s*\([^()]*\)\s*at\s*\(\s*(-?[\d.]+)\s*,\s*(-?[\d.]+)\s*\)/g;

/** A vertex with the next free letter, beside those that there are. */
export function newVertex(text: string): string {
  const names = nodeNames(text);
  const name = [...LETTERS].find((letter) => !names.includes(letter)) ?? `v${names.length}`;
  const places = [...text.matchAll(PLACED)].map((match) => [Number(match[1]), Number(match[2])]);
  const [x = -2, y = 0] = places.at(-1) ?? [];
  // Two in a row, then the next row: what is placed by chance would lie on one line.
  const [right, up] =
    places.length % 2 === 1 ? [x + 2, y] : places.length === 0 ? [0, 0] : [x - 2, y - 2];
  return `\\node[circle, draw] (${name}) at (${right},${up}) {$${name}$};`;
}

/** An edge between two vertices, with its weight when it has one. */
export function newEdge(from: string, to: string, weight: string, directed: boolean): string {
  const label = weight.trim() === '' ? '' : ` node[auto] {$${weight.trim()}$}`;
  if (from === to)
    return `\\draw${directed ? '[->]' : ''} (${from}) to[loop above]${label} (${to});`;
  return `\\draw${directed ? '[->]' : ''} (${from}) --${label} (${to});`;
}
