import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { labelled, rowsOf, tallBracket } from '../constructs/borderMatrix';
import type { EnvironmentEntry, PackageEntry } from '../machine/entries';
import { formulaTokens } from '../machine/environmentTokens';
import type { Interpreter } from '../machine/interpreter';
import { quietEntry, sourceCommand } from '../machine/macroEntry';

/** kbordermatrix: a matrix in square brackets with labels. */
export const kbordermatrix: PackageEntry = {
  name: 'kbordermatrix',
  description: 'Matrices with labels at their rows and columns.',
  options: null,
  commands: [
    labelled(
      'kbordermatrix',
      ['[', ']'],
      'A matrix in square brackets with labels at its rows and columns.',
    ),
    quietEntry('kbldelim', '', 'The left bracket; to be redefined.'),
    quietEntry('kbrdelim', '', 'The right bracket; to be redefined.'),
  ],
};

/** Brackets in the columns of a block, by the column they stand before. */
function bracketsIn(
  columns: string,
): readonly { readonly column: number; readonly char: string; readonly left: boolean }[] {
  const found: { column: number; char: string; left: boolean }[] = [];
  let column = 0;
  for (const char of columns.replace(/[@!><]\{[^{}]*\}/g, '')) {
    if (/[lcr]/.test(char)) column++;
    else if (/[[({]/.test(char))
      found.push({ column, char: char === '{' ? '\\{' : char, left: true });
    else if (/[\])}]/.test(char))
      found.push({ column: column - 1, char: char === '}' ? '\\}' : char, left: false });
    else if (char === '|')
      found.push({ column: Math.max(0, column - (column > 0 ? 1 : 0)), char, left: column === 0 });
  }
  return found;
}

const isNamed = (token: Token | undefined, name: string): boolean =>
  token?.cat === Cat.Command && token.text === name;

/** The text of a group that begins at a place, and the place behind it. */
function groupAt(
  tokens: readonly Token[],
  at: number,
): { readonly text: string; readonly next: number } {
  let start = at;
  while (tokens[start]?.cat === Cat.Space) start++;
  if (tokens[start]?.cat !== Cat.Begin) return { text: '', next: start };
  let depth = 0;
  for (let i = start; i < tokens.length; i++) {
    if (tokens[i]?.cat === Cat.Begin) depth++;
    if (tokens[i]?.cat === Cat.End && --depth === 0) {
      return { text: tokensText(tokens.slice(start + 1, i)), next: i + 1 };
    }
  }
  return { text: '', next: tokens.length };
}

/** A block array as an array: its blocks' brackets are drawn over their rows. */
export function blockArray(it: Interpreter, body: readonly Token[]): Token[] {
  const { text: columns, next } = groupAt(body, 0);
  const plain = columns.replace(/\|/g, '').replace(/[^lcr@{}\\;,! ]/g, '');
  const out: Token[] = it.source(`\\begin{array}{${plain}}`);
  let i = next;
  let rest: Token[] = [];
  const flush = (): void => {
    out.push(...rest);
    rest = [];
  };
  while (i < body.length) {
    const token = body[i] as Token;
    if (isNamed(token, 'begin') && /^block\*?$/.test(groupAt(body, i + 1).text)) {
      const named = groupAt(body, i + 1);
      const shape = groupAt(body, named.next);
      const end = endOfBlock(body, shape.next);
      flush();
      out.push(...block(it, body.slice(shape.next, end.from), shape.text));
      i = end.to;
    } else {
      rest.push(token);
      i++;
    }
  }
  flush();
  return [...out, ...it.source('\\end{array}')];
}

function endOfBlock(
  body: readonly Token[],
  from: number,
): { readonly from: number; readonly to: number } {
  for (let i = from; i < body.length; i++) {
    if (!isNamed(body[i], 'end')) continue;
    const { text, next } = groupAt(body, i + 1);
    if (/^block\*?$/.test(text)) return { from: i, to: next };
  }
  return { from: body.length, to: body.length };
}

function block(it: Interpreter, body: readonly Token[], columns: string): Token[] {
  const rows = rowsOf(body);
  const brackets = bracketsIn(columns);
  return rows.flatMap((cells, r) => [
    ...cells.flatMap((cell, c) => {
      const here = r === 0 ? brackets.filter(({ column }) => column === c) : [];
      const drawn = (left: boolean): Token[] =>
        here
          .filter((one) => one.left === left)
          .flatMap(({ char }) =>
            it.source(tallBracket(left ? 'left' : 'right', char, rows.length)),
          );
      return [...(c > 0 ? it.source('&') : []), ...drawn(true), ...cell, ...drawn(false)];
    }),
    ...it.source('\\\\'),
  ]);
}

const blockarray: EnvironmentEntry = {
  name: 'blockarray',
  signature: 'm',
  package: 'blkarray',
  description: 'An array with blocks in brackets, and labels outside them.',
  example:
    '$\\begin{blockarray}{ccc} & a & b \\\\ \\begin{block}{c[cc]} r & 1 & 2 \\\\ s & 3 & 4 \\\\ \\end{block} \\end{blockarray}$',
  math: (reader, token) => {
    const body = formulaTokens(reader, 'blockarray', token);
    reader.p.push(blockArray(reader.it, body));
    return null;
  },
};

/** blkarray: arrays with blocks. */
export const blkarray: PackageEntry = {
  name: 'blkarray',
  description: 'Arrays with blocks in brackets and labels outside them.',
  options: null,
  environments: [blockarray],
  commands: [quietEntry('BAnoalign', '', 'Between rows of an array.')],
};

/** bigdelim: brackets over several rows of a table. */
export const bigdelim: PackageEntry = {
  name: 'bigdelim',
  description: 'Brackets over several rows of a table.',
  options: null,
  requires: ['multirow'],
  described: [
    sourceCommand(
      'ldelim',
      'mmmo',
      'A left bracket over so many rows, with text before it.',
      '\\begin{tabular}{rl}\\ldelim\\{{2}{1.5cm}[both] & a\\\\ & b\\end{tabular}',
    ),
    sourceCommand(
      'rdelim',
      'mmmo',
      'A right bracket over so many rows, with text behind it.',
      '\\begin{tabular}{lr} a & \\rdelim\\}{2}{1.5cm}[both]\\\\ b\\end{tabular}',
    ),
  ],
  source: String.raw`
\def\bd@tall#1{\vcenter{\hrule height#1\baselineskip width\z@ depth\z@}}
\NewDocumentCommand\ldelim{m m m O{}}{\multirow{#2}{#3}{\hfill #4 $\left#1\bd@tall{#2}\right.$}}
\NewDocumentCommand\rdelim{m m m O{}}{\multirow{#2}{#3}{$\left.\bd@tall{#2}\right#1$ #4}}
`,
};
