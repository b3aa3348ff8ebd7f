import { Cat } from '../../tokens/categories';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { rowsOf } from '../constructs/borderMatrix';
import { tokensOf, type EnvironmentEntry, type PackageEntry } from '../machine/entries';
import { environmentTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';
import { keyValues } from '../scanning/optionLists';

/** What stands at the side of a display, in the middle of all its rows, written in one of them; it takes no room there. */
function atSide(
  it: Interpreter,
  side: 'left' | 'right',
  what: readonly Token[],
  { rows, row }: { readonly rows: number; readonly row: number },
): Token[] {
  const apart = `\\dimexpr ${rows}\\baselineskip+${rows}\\jot\\relax`;
  const lower = `\\lower\\dimexpr(\\baselineskip+\\jot)*${rows - 1 - 2 * row}/2\\relax\\hbox`;
  const tall = `\\def\\empheqheight{\\vcenter{\\hrule height${apart} width0pt depth0pt}}`;
  const inner = [...it.source(`{${tall}$\\displaystyle `), ...what, ...it.source('$}')];
  const [before, behind] = side === 'left' ? ['\\hss', ''] : ['', '\\hss'];
  return [
    ...it.source(`\\hbox to0pt{${before}\\smash{${lower}`),
    ...inner,
    ...it.source(`}${behind}}`),
  ];
}

type Rows = readonly (readonly (readonly Token[])[])[];

/** Rows joined again. */
const joined = (it: Interpreter, rows: Rows): Token[] =>
  rows.flatMap((cells, r) => [
    ...(r > 0 ? it.source('\\\\') : []),
    ...cells.flatMap((cell, c) => [...(c > 0 ? it.source('&') : []), ...cell]),
  ]);

/** Rows with something at their sides: at the left in the first, at the right in the longest. */
function withSides(
  it: Interpreter,
  rows: Rows,
  left: readonly Token[] | undefined,
  right: readonly Token[] | undefined,
): Rows {
  const sizes = rows.map((cells) => cells.flat().length);
  const longest = sizes.indexOf(Math.max(...sizes));
  const count = rows.length;
  return rows.map((cells, r) =>
    cells.map((cell, c) => [
      ...(left && r === 0 && c === 0 ? atSide(it, 'left', left, { rows: count, row: 0 }) : []),
      ...cell,
      ...(right && r === longest && c === cells.length - 1
        ? atSide(it, 'right', right, { rows: count, row: longest })
        : []),
    ]),
  );
}

const INNER: Readonly<Record<string, string>> = {
  align: 'aligned',
  alignat: 'aligned',
  flalign: 'aligned',
  gather: 'gathered',
};

const wrapped = (it: Interpreter, name: string, inner: readonly Token[]): Token[] => [
  ...it.source(`\\begin{${name}}`),
  ...inner,
  ...it.source(`\\end{${name}}`),
];

/** A display with something at its sides, or within a box. */
function display(
  it: Interpreter,
  name: string,
  body: readonly Token[],
  options: ReadonlyMap<string, readonly Token[]>,
): Token[] {
  const box = options.get('box') ?? options.get('innerbox');
  if (box) {
    const plain = name.replace('*', '');
    const inner = INNER[plain];
    const content = inner ? wrapped(it, inner, body) : body;
    const whole = [...box, ...it.source('{$\\displaystyle '), ...content, ...it.source('$}')];
    const outer = name.endsWith('*') ? 'equation*' : 'equation';
    return wrapped(it, outer, whole);
  }
  const [left, right] = [options.get('left'), options.get('right')];
  if (INNER[name.replace('*', '')] === 'gathered' && left) {
    // Behind a brace lines begin below one another.
    const rows = rowsOf(body).map((cells) => [[], ...cells]);
    const star = name.endsWith('*') ? '*' : '';
    return wrapped(it, `align${star}`, joined(it, withSides(it, rows, left, right)));
  }
  return wrapped(it, name, joined(it, withSides(it, rowsOf(body), left, right)));
}

const empheqEnvironment: EnvironmentEntry = {
  name: 'empheq',
  signature: 'om',
  package: 'empheq',
  description: 'A display with a brace at its side or a frame around it.',
  example: '\\begin{empheq}[left=\\empheqlbrace]{align*}\na &= b \\\\\nc &= d\n\\end{empheq}',
  begin: (it, args) => {
    const body = environmentTokens(it, 'empheq');
    closeNamed(it, 'empheq');
    const name = tokensText(tokensOf(args, 1)).trim().replace(/=.*/, '');
    it.p.push(display(it, name, body, keyValues(tokensOf(args, 0))));
  },
};

/** empheq: displayed formulas with something around them. */
export const empheq: PackageEntry = {
  name: 'empheq',
  description: 'Displayed formulas with a brace at their side or a frame around them.',
  options: null,
  requires: ['amsmath', 'mathtools'],
  environments: [empheqEnvironment],
  source: [
    'lbrace:\\{:left',
    'lbrack:[:left',
    'lparen:(:left',
    'lvert:\\vert:left',
    'langle:\\langle:left',
    'rbrace:\\}:right',
    'rbrack:]:right',
    'rparen:):right',
    'rvert:\\vert:right',
  ]
    .map((line) => line.split(':') as [string, string, string])
    .map(([name, char, side]) =>
      side === 'left'
        ? `\\def\\empheq${name}{\\left${char}\\empheqheight\\right.}\\def\\empheqbig${name}{\\empheq${name}}`
        : `\\def\\empheq${name}{\\left.\\empheqheight\\right${char}}\\def\\empheqbig${name}{\\empheq${name}}`,
    )
    .join('')
    .concat(
      '\\def\\empheqheight{}\\newcommand\\empheqset[1]{}\\newcommand\\Newempheqdisplaycommand[2]{}',
    ),
};

/** Labels are of the row, not of its words. */
function withoutLabels(tokens: readonly Token[]): {
  readonly labels: readonly Token[];
  readonly rest: readonly Token[];
} {
  const at = tokens.findIndex((t) => t.cat === Cat.Command && t.text === 'label');
  if (at < 0) return { labels: [], rest: tokens };
  const end = tokens.findIndex((t, i) => i > at && t.cat === Cat.End);
  const behind = withoutLabels(tokens.slice(end + 1));
  return {
    labels: [...tokens.slice(at, end + 1), ...behind.labels],
    rest: [...tokens.slice(0, at), ...behind.rest],
  };
}

/** Cases that have a number each. */
const numbered = (name: string, parts: boolean): EnvironmentEntry => ({
  name,
  signature: 'm',
  package: 'cases',
  description: `Cases behind a brace, each with a number${parts ? ' and a letter' : ''}.`,
  example: `\\begin{${name}}{f(x)=}\nx & if it is positive \\\\\n0 & otherwise\n\\end{${name}}`,
  begin: (it, args) => {
    const body = environmentTokens(it, name);
    closeNamed(it, name);
    const rows = rowsOf(body).map(([value = [], ...words]) => {
      const { labels, rest } = withoutLabels(words.flat());
      const said = [...it.source('\\text{'), ...rest, ...it.source('}'), ...labels];
      return [[], [...it.source('{'), ...value, ...it.source('}')], [], said];
    });
    const lead = [...tokensOf(args, 0), ...it.source('\\left\\{\\empheqheight\\right.\\,')];
    const [before, behind] = parts ? ['\\begin{subequations}', '\\end{subequations}'] : ['', ''];
    it.p.push([
      ...it.source(`${before}\\begin{alignat}{2}`),
      ...joined(it, withSides(it, rows, lead, undefined)),
      ...it.source(`\\end{alignat}${behind}`),
    ]);
  },
});

/** cases: distinctions of cases with numbers. */
export const cases: PackageEntry = {
  name: 'cases',
  description: 'Distinctions of cases with a number for each.',
  options: null,
  requires: ['amsmath'],
  environments: [numbered('numcases', false), numbered('subnumcases', true)],
};
