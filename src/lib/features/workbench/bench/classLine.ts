import { callsOf, shapeOf } from '@odd-compass/engine/shape';
import { packageCalls } from '../source/structure';

/** An edit of the text. */
export interface LineEdit {
  readonly from: number;
  readonly to: number;
  readonly insert: string;
}

/** The line that says what kind of document it is. */
export interface ClassLine {
  readonly from: number;
  readonly to: number;
  readonly name: { readonly from: number; readonly to: number; readonly text: string };
  readonly options: readonly string[];
}

/** Reads the class line of a text; null when there is none. */
export function readClassLine(text: string): ClassLine | null {
  const call = callsOf(shapeOf(text), ['documentclass'], 'om').find(({ args }) => args[1]);
  const [options, name] = call?.args ?? [];
  if (!call || !name) return null;
  return {
    from: call.from,
    to: call.to,
    name: { from: name.from, to: name.to, text: name.text },
    options: (options?.text ?? '')
      .split(',')
      .map((option) => option.trim())
      .filter((option) => option !== ''),
  };
}

/** A choice that the class line makes: its title, and the option of each answer ('' is what stands by itself). */
export interface ClassChoice {
  readonly title: string;
  readonly answers: readonly (readonly [option: string, words: string])[];
}

export const CHOICES: readonly ClassChoice[] = [
  {
    title: 'Size',
    answers: [
      ['', '10 pt'],
      ['11pt', '11 pt'],
      ['12pt', '12 pt'],
    ],
  },
  {
    title: 'Paper',
    answers: [
      ['', 'letter'],
      ['a4paper', 'A4'],
      ['a5paper', 'A5'],
    ],
  },
  {
    title: 'Columns',
    answers: [
      ['', 'one'],
      ['twocolumn', 'two'],
    ],
  },
  {
    title: 'Sides',
    answers: [
      ['', 'as the kind has it'],
      ['oneside', 'all alike'],
      ['twoside', 'left and right'],
    ],
  },
  {
    title: 'Title stands',
    answers: [
      ['', 'as the kind has it'],
      ['titlepage', 'on its own page'],
      ['notitlepage', 'above the text'],
    ],
  },
  {
    title: 'Equations',
    answers: [
      ['', 'centred'],
      ['fleqn', 'at the left'],
    ],
  },
];

export const KINDS: readonly (readonly [name: string, words: string])[] = [
  ['article', 'article: sections'],
  ['report', 'report: chapters'],
  ['book', 'book: left and right'],
  ['letter', 'letter'],
  ['beamer', 'slides'],
  ['amsart', 'journal article'],
  ['proc', 'proceedings'],
];

/** Other names that some write for an option that stands by itself. */
const SAME: Readonly<Record<string, string>> = {
  '10pt': '',
  letterpaper: '',
  onecolumn: '',
};

/** The option of a choice that holds now. */
export const chosen = ({ options }: ClassLine, { answers }: ClassChoice): string =>
  answers.find(([option]) => option !== '' && options.includes(option))?.[0] ?? '';

/** The edit that answers a choice otherwise. */
export function choose(line: ClassLine, choice: ClassChoice, option: string): LineEdit {
  const mine = new Set(choice.answers.map(([name]) => name));
  const kept = line.options.filter((name) => {
    const means = SAME[name];
    return !mine.has(name) && !(means === '' && samePart(name, choice));
  });
  const options = option === '' ? kept : [...kept, option];
  const brackets = options.length === 0 ? '' : `[${options.join(',')}]`;
  return {
    from: line.from,
    to: line.to,
    insert: `\\documentclass${brackets}{${line.name.text}}`,
  };
}

/** Is the name that stands by itself an answer to this choice? */
function samePart(name: string, { title }: ClassChoice): boolean {
  return { '10pt': 'Size', letterpaper: 'Paper', onecolumn: 'Columns' }[name] === title;
}

/** A line of the preamble that holds one thing in braces. */
export function readPart(text: string, command: string) {
  const part = callsOf(shapeOf(text), [command], 'om').find(({ args }) => args[1])?.args[1];
  return part ? { from: part.from, to: part.to, text: part.text } : null;
}

/** Where a new line of the preamble goes: before `\begin{document}`, else behind the class line. */
function newLineAt(text: string): number {
  const begin = text.indexOf('\\begin{document}');
  if (begin >= 0) return begin;
  const line = readClassLine(text);
  return line ? line.to : 0;
}

/** The edits that give a title part its text; for a title also the line that prints it. */
export function setPart(text: string, command: string, value: string): LineEdit[] {
  const there = readPart(text, command);
  if (there) return [{ from: there.from, to: there.to, insert: value }];
  const at = newLineAt(text);
  const lead = at > 0 && text[at - 1] !== '\n' ? '\n' : '';
  return [
    { from: at, to: at, insert: `${lead}\\${command}{${value}}\n` },
    ...(command === 'title' ? printTitle(text) : []),
  ];
}

/** The edit that prints the title at the start of the document; none when it is printed. */
export function printTitle(text: string): LineEdit[] {
  const begin = text.indexOf('\\begin{document}');
  if (begin < 0 || /\\maketitle\b/.test(text)) return [];
  const at = begin + '\\begin{document}'.length;
  return [{ from: at, to: at, insert: '\n\\maketitle' }];
}

/** A package line's options: the whole line, and what stands in the brackets. */
function readPackage(text: string, name: string) {
  const call = packageCalls(shapeOf(text)).find(({ args }) => args[1]?.text.trim() === name);
  if (!call) return null;
  const behind = /^[ \t]*\n?/.exec(text.slice(call.to))?.[0].length ?? 0;
  return { from: call.from, to: call.to + behind, options: call.args[0]?.text ?? '' };
}

export const MARGINS: readonly (readonly [value: string, words: string])[] = [
  ['', 'as the kind has them'],
  ['3cm', '3 cm'],
  ['2.5cm', '2.5 cm'],
  ['2cm', '2 cm'],
  ['1in', '1 in'],
];
export const SPACINGS: readonly (readonly [value: string, words: string])[] = [
  ['', 'single'],
  ['onehalfspacing', 'one and a half'],
  ['doublespacing', 'double'],
];

/** The margins that the text asks for: a length, '' for those of the class, null for others. */
export function marginsOf(text: string): string | null {
  const found = readPackage(text, 'geometry');
  if (!found) return '';
  const all = /^\s*margin\s*=\s*([^,]+?)\s*$/.exec(found.options);
  return all?.[1] ?? null;
}

export function setMargins(text: string, value: string): LineEdit {
  const found = readPackage(text, 'geometry');
  const line = value === '' ? '' : `\\usepackage[margin=${value}]{geometry}\n`;
  if (found) return { from: found.from, to: found.to, insert: line };
  const at = behindClass(text);
  return { from: at, to: at, insert: line };
}

export const spacingOf = (text: string): string =>
  /\\(onehalfspacing|doublespacing)\b/.exec(text)?.[1] ?? '';

export function setSpacing(text: string, value: string): LineEdit[] {
  const now = /\\(?:onehalfspacing|doublespacing|singlespacing)\b[ \t]*\n?/.exec(text);
  const line = value === '' ? '' : `\\${value}\n`;
  const loaded = readPackage(text, 'setspace');
  const edits: LineEdit[] = [];
  if (loaded && value === '') edits.push({ from: loaded.from, to: loaded.to, insert: '' });
  const load = loaded || value === '' ? '' : '\\usepackage{setspace}\n';
  if (now) {
    const at = now.index;
    edits.push({ from: at, to: at + now[0].length, insert: load + line });
  } else if (line !== '') {
    const at = newLineAt(text);
    edits.push({ from: at, to: at, insert: load + line });
  }
  return edits;
}

/** The start of the line behind the class line. */
function behindClass(text: string): number {
  const line = readClassLine(text);
  if (!line) return 0;
  const end = text.indexOf('\n', line.to);
  return end < 0 ? text.length : end + 1;
}
