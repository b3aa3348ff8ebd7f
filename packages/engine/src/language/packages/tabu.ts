import type { Token } from '../../expansion/meaning';
import { readArgument, readOptional } from '../../expansion/arguments';
import { scanDimen, takeKeyword } from '../../expansion/scan';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { argumentAt } from '../constructs/tablePreamble';
import { environmentTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import type { EnvironmentEntry, PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { describedNames, idleEntry } from '../machine/macroEntry';
import { braced } from './colourBoxes';

/** A column that takes a share of the width (`X[2,c]`): its share, how it is aligned, how it stands in its row. */
interface Share {
  readonly share: number;
  readonly align: string;
  readonly type: string;
}

function shareOf(said: string): Share {
  const parts = said
    .split(/[,\s]+|(?<=\d)(?=[a-z])|(?<=[a-z])(?=[a-z])/)
    .filter((part) => part !== '');
  const number = parts.find((part) => /^-?[\d.]+$/.test(part));
  return {
    share: Math.abs(parseFloat(number ?? '1')) || 1,
    align: parts.find((part) => /^[lcrjLCRJ]$/.test(part))?.toLowerCase() ?? 'j',
    type: parts.find((part) => /^[pmb]$/.test(part)) ?? 'p',
  };
}

const ALIGNED: Readonly<Record<string, string>> = {
  l: '\\raggedright\\arraybackslash',
  r: '\\raggedleft\\arraybackslash',
  c: '\\centering\\arraybackslash',
  j: '',
};

/** The columns of a preamble: those that share the width, and all others as they stand. */
function columnsOf(preamble: readonly Token[]): (Share | readonly Token[])[] {
  const out: (Share | readonly Token[])[] = [];
  for (let i = 0; i < preamble.length; i++) {
    const token = preamble[i] as Token;
    const plain = token.cell === null;
    if (plain && (token.text === 'X' || token.text === '|') && preamble[i + 1]?.text === '[') {
      const end = preamble.findIndex((t, j) => j > i && t.cell === null && t.text === ']');
      const said = tokensText(preamble.slice(i + 2, end < 0 ? undefined : end));
      out.push(token.text === 'X' ? shareOf(said) : [token]);
      i = end < 0 ? preamble.length : end;
    } else if (plain && token.text === 'X') out.push(shareOf(''));
    else if (token.cat === Cat.Begin) {
      const { end } = argumentAt(preamble, i);
      out.push(preamble.slice(i, end));
      i = end - 1;
    } else out.push([token]);
  }
  return out;
}

/** The preamble in which shares are columns of `tabularx`, or paragraphs of a part of the width. */
function written(
  it: Interpreter,
  columns: readonly (Share | readonly Token[])[],
  width: string | null,
): Token[] {
  const shares = columns.filter((column): column is Share => 'share' in column);
  const sum = shares.reduce((total, { share }) => total + share, 0);
  const count = columns.filter(
    (c) => 'share' in c || /^[lcrpmb]$/.test(tokensText(c).trim()),
  ).length;
  return columns.flatMap((column) => {
    if (!('share' in column)) return [...column];
    const part = column.share / sum;
    const align = ALIGNED[column.align] ?? '';
    if (width === null)
      return it.source(
        `>{\\hsize=${(part * shares.length).toFixed(5)}\\hsize\\linewidth=\\hsize${align}}X`,
      );
    const own = `\\dimexpr${part.toFixed(5)}\\dimexpr${width}-${2 * count}\\tabcolsep\\relax\\relax`;
    return it.source(`>{${align}}${column.type}{${own}}`);
  });
}

const tabuEnvironment = (name: string, long: boolean): EnvironmentEntry => ({
  name,
  signature: '',
  package: 'tabu',
  description: `A table${long ? ' that goes on over pages' : ''} some of whose columns share its width: X, X[2], X[1,c].`,
  example: `\\begin{${name}} to 6cm {X[2]X[1,r]}ebb & flow\\\\\\end{${name}}`,
  begin: (it, _args, token) => {
    const { p } = it;
    const to = takeKeyword(p, 'to') ? scanDimen(p) : null;
    // What is added to the natural width (`spread`) is not.
    if (to === null && takeKeyword(p, 'spread')) scanDimen(p);
    const place = readOptional(p);
    const columns = columnsOf(readArgument(p, token) ?? []);
    const body = environmentTokens(it, name);
    closeNamed(it, name);
    const shared = columns.some((column) => 'share' in column);
    const width = to === null ? '\\linewidth' : `${to}sp`;
    const at = place ? [...p.chars('['), ...place, ...p.chars(']')] : [];
    const kind = long ? 'longtable' : shared ? 'tabularx' : to === null ? 'tabular' : 'tabular*';
    p.push([
      ...it.source(`\\begin{${kind}}`),
      ...(kind === 'tabularx' || kind === 'tabular*' ? it.source(`{${width}}`) : []),
      ...at,
      ...braced(it, [
        ...(kind === 'tabular*' ? it.source('@{\\extracolsep{\\fill}}') : []),
        ...written(it, columns, long ? width : null),
      ]),
      ...body,
      ...it.source(`\\end{${kind}}`),
    ]);
  },
});

/** tabu: tables whose columns share a width, in an older way. */
export const tabu: PackageEntry = {
  name: 'tabu',
  description: 'Tables whose columns share a width.',
  options: null,
  requires: ['array', 'tabularx', 'longtable', 'varwidth'],
  environments: [
    tabuEnvironment('tabu', false),
    tabuEnvironment('tabu*', false),
    tabuEnvironment('longtabu', true),
  ],
  commands: [
    idleEntry('rowfont', 'om', 'The type of a row.'),
    idleEntry('taburowcolors', 'om', 'The colours of rows.'),
    idleEntry('everyrow', 'm', 'What stands between rows.'),
  ],
  described: describedNames(String.raw`
    tabucline om | A line over some columns. | \begin{tabu}{cc}a & b\\\tabucline{1-2}\end{tabu}
    tabulinesep | The room above and below the lines of a cell. | \tabulinesep=1mm`),
  source: String.raw`\newdimen\tabulinesep\newdimen\extrarowsep\newcommand\tabucline[2][]{\ifx-#2\hline\else\cline{#2}\fi}\newcommand\tabudecimal[1]{}\newcommand\usetabu[1]{}\newcommand\savetabu[1]{}\newcommand\tabulinestyle[1]{}\newcommand\newtabulinestyle[1]{}\newcommand\taburulecolor[2][]{}\newcommand\tabuphantomline{}\newcommand\preamble[1]{}`,
};
