import type { Token } from '../../../expansion/meaning';
import type { Interpreter } from '../../machine/interpreter';
import { splitAt, trimmed } from '../../scanning/optionLists';

/** How plots differ in turn: options of each (pgfplots manual, “cycle lists”). */
export type Cycle = readonly (readonly Token[])[];

const MARKS = ['*', 'x', '+', 'square*', 'o', 'asterisk', 'star', 'oplus', 'triangle*', 'diamond*'];
const LINES = [
  'solid',
  'dashed',
  'dotted',
  'dash dot',
  'densely dotted',
  'loosely dashed',
  'densely dashed',
  'dash dot dot',
];

/** The lists by name, as the manual has them; others are the usual colours. */
const NAMED: Readonly<Record<string, readonly string[]>> = {
  'color list':
    'red,blue,black,yellow,brown,teal,orange,violet,cyan,green!70!black,magenta,gray'.split(','),
  'black white': [
    'mark options={fill=gray},mark=*',
    'mark options={fill=gray},mark=square*',
    'mark options={fill=gray},mark=otimes*',
    'mark=star',
    'mark options={fill=gray},mark=diamond*',
    'densely dashed,mark options={fill=gray},mark=*',
    'densely dashed,mark options={fill=gray},mark=square*',
    'densely dashed,mark options={fill=gray},mark=otimes*',
  ],
  exotic: [
    'teal,mark=*',
    'orange,mark=square*',
    'cyan!60!black,mark=otimes*',
    'red!70!white,mark=star',
    'lime!80!black,mark=diamond*',
    'red,densely dashed,mark=*',
    'yellow!60!black,densely dashed,mark=square*',
    'black,mark=otimes*',
  ],
  linestyles: LINES,
  'linestyles*': LINES,
  'mark list': MARKS.map((mark) => `mark=${mark}`),
  'mark list*': MARKS.map((mark) => `mark=${mark}`),
};

export const namedCycle = (it: Interpreter, name: string): Cycle | null =>
  NAMED[name]?.map((options) => it.source(options)) ?? null;

/** `cycle list={red,blue,{green,dashed}}`, or a line each, parted at `\\`. */
export function readCycle(value: readonly Token[]): Cycle {
  const isEnd = (token: Token): boolean => token.cell !== null && token.text === '\\';
  if (!value.some(isEnd)) return splitAt(value, ',').map(trimmed);
  const lines: Token[][] = [[]];
  for (const token of value)
    if (isEnd(token)) lines.push([]);
    else lines.at(-1)?.push(token);
  return lines.map(trimmed).filter((line) => line.length > 0);
}
