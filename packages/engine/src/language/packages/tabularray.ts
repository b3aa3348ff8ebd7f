import { readArgument, readOptional } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { environmentCell } from '../machine/cells';
import {
  type Args,
  type CommandEntry,
  type EnvironmentEntry,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import { environmentTokens, formulaTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';
import { idleEntry, macroEntry } from '../machine/macroEntry';
import { keyValues } from '../scanning/optionLists';
import { gridTokens } from './tableGrid';
import { INNER, innerOf, ofEnvironment, OUTER, OWN_COLUMNS, tblrGrid } from './tblrGrid';
import { plainColumns } from './tblrKeys';

/** `\SetTblrInner[tblr,longtblr]{…}`: keys for environments, or for all of them. */
const setting = (name: string, of: typeof INNER, description: string): CommandEntry => ({
  name,
  signature: 'om',
  package: 'tabularray',
  description,
  example: `\\${name}{${name === 'SetTblrInner' ? 'hlines' : 'headsep=2pt'}}`,
  run: (it, args) => {
    const names = args[0]
      ? tokensText(tokensOf(args, 0))
          .split(',')
          .map((one) => one.trim())
      : ENVIRONMENTS;
    const all = it.read(of);
    const more = names.map((one) => [
      one,
      [...(all[one] ?? []), ...it.p.chars(','), ...tokensOf(args, 1)],
    ]);
    it.write(of, { ...all, ...(Object.fromEntries(more) as object) });
  },
});
const ENVIRONMENTS = ['tblr', 'longtblr', 'talltblr', 'booktabs'];

/** A table as a `tabular`, or as wide as the text when columns share it. */
export function tblr(
  it: Interpreter,
  options: readonly Token[],
  body: readonly Token[],
  environment = 'tblr',
): Token[] {
  const grid = tblrGrid(it, options, body, environment);
  const isLong = environment === 'longtblr';
  const shares = grid.columns.map((column) => /^X[lcr]?([\d.]*);$/.exec(column)?.[1] ?? null);
  const sum = shares.reduce((all, share) => all + (share === null ? 0 : Number(share) || 1), 0);
  const count = shares.filter((share) => share !== null).length;
  if (count === 0) return gridTokens(it, grid, isLong ? 'longtable' : 'tabular');
  const columns = grid.columns.map((column, i) => {
    const share = shares[i];
    if (share === null || share === undefined) return column;
    const part = ((Number(share) || 1) * count) / sum;
    const width =
      Math.abs(part - 1) < 1e-6 ? '' : `\\hsize=${part.toFixed(5)}\\hsize\\linewidth\\hsize`;
    const align = { c: '\\centering', r: '\\raggedleft', l: '\\raggedright' }[column[1] ?? ''];
    const before = `${width}${align ? `${align}\\arraybackslash` : ''}`;
    return `${before && `>{${before}}`}X`;
  });
  const width = widthIn(it, options, environment) ?? '\\linewidth';
  return gridTokens(it, { ...grid, columns }, isLong ? 'xltabular' : 'tabularx', `{${width}}`);
}

/** `width=0.6\linewidth`: how wide a table is whose columns share its width. */
const widthIn = (it: Interpreter, options: readonly Token[], environment: string): string | null =>
  tokensText(
    keyValues([...innerOf(it, environment), ...it.p.chars(','), ...options]).get('width') ?? [],
  ).trim() || null;

/** What stands around a table: its caption above it, notes and remarks below (manual, section 4.2). */
function around(
  it: Interpreter,
  options: readonly Token[],
  environment: string,
  table: readonly Token[],
): Token[] {
  const given = [...ofEnvironment(it.read(OUTER), environment), ...it.p.chars(','), ...options];
  const keys = keyValues(given);
  const caption = keys.get('caption');
  const label = tokensText(keys.get('label') ?? []).trim();
  const notes = [...keys].flatMap(([key, value]) => {
    const [, kind = '', name = ''] = /^(note|remark)\s*\{([^{}]*)\}$/.exec(key) ?? [];
    if (kind === '') return [];
    const lead = kind === 'note' ? `\\textsuperscript{${name}}\\,` : `\\textit{${name}}: `;
    return [
      ...it.source(`\\par\\noindent{\\footnotesize ${lead}`),
      ...value,
      ...it.source('\\par}'),
    ];
  });
  if (!caption && notes.length === 0) return [...table];
  const short = keys.get('entry');
  const head = caption
    ? [
        ...it.source(
          '\\def\\@captype{table}\\abovecaptionskip0pt\\belowcaptionskip6pt\\relax\\caption',
        ),
        ...(short ? [...it.p.chars('['), ...short, ...it.p.chars(']')] : []),
        ...it.source('{'),
        ...caption,
        ...it.source(`}${label && label !== 'none' ? `\\label{${label}}` : ''}`),
      ]
    : [];
  if (environment === 'longtblr')
    return [...it.source('\\par{'), ...head, ...it.source('}'), ...table, ...notes];
  return [
    ...it.source('\\ifvmode\\noindent\\fi\\begin{minipage}{\\linewidth}\\centering '),
    ...head,
    ...it.source('\\noindent '),
    ...table,
    ...notes,
    ...it.source('\\end{minipage}'),
  ];
}

function beginTable(it: Interpreter, name: string, kind: string, args: Args): void {
  const body = environmentTokens(it, name);
  closeNamed(it, name);
  const table = tblr(it, tokensOf(args, 1), body, kind);
  it.p.push(around(it, args[0] ? tokensOf(args, 0) : [], kind, table));
}

const environment = (name: string, description: string): EnvironmentEntry => ({
  name,
  signature: 'om',
  package: 'tabularray',
  description,
  example: `\\begin{${name}}{colspec={ll}, hlines}\nebb & flood \\\\\nlow & high\n\\end{${name}}`,
  begin: (it, args) => beginTable(it, name, name, args),
});

/** `\begin{+pmatrix}[cells={r}]`: the matrices of amsmath, whose keys say where their entries stand. */
const matrix = (name: string): EnvironmentEntry => ({
  name: `+${name}`,
  signature: 'o',
  package: 'tabularray',
  description: 'A matrix by keys.',
  example: `$\\begin{+${name}} 1 & 2 \\end{+${name}}$`,
  math: (reader, token) => {
    const { it, p } = reader;
    const options = tokensText(readOptional(p) ?? []);
    const spec = name === 'array' ? tokensText(readArgument(p, token) ?? []) : '';
    const body = formulaTokens(reader, `+${name}`, token);
    const align = /(?:cells|columns)\s*=\s*\{?([lcr])/.exec(options)?.[1];
    const [begin, end] =
      name === 'array'
        ? [`\\begin{array}{${plainColumns(spec).join('')}}`, '\\end{array}']
        : align && name !== 'cases'
          ? [`\\begin{${name}*}[${align}]`, `\\end{${name}*}`]
          : [`\\begin{${name}}`, `\\end{${name}}`];
    p.push([...it.source(begin), ...body, ...it.source(end)]);
    return null;
  },
});
const MATRICES = [
  'array',
  'matrix',
  'pmatrix',
  'bmatrix',
  'Bmatrix',
  'vmatrix',
  'Vmatrix',
  'cases',
];

/** tabularray: tables by keys. */
export const tabularray: PackageEntry = {
  name: 'tabularray',
  description: 'Tables whose columns, cells and lines are said by keys.',
  options: null,
  requires: [
    'ninecolors',
    'colortbl',
    'multirow',
    'tabularx',
    'xltabular',
    'arydshln',
    'booktabs',
    'array',
  ],
  environments: [
    environment('tblr', 'A table by its keys: colspec, hlines, vlines, rows, cells.'),
    environment('longtblr', 'A long table by its keys, over several pages.'),
    environment('talltblr', 'A tall table by its keys, with what is said below it.'),
    environment('booktabs', 'A table with rules of three weights.'),
  ],
  commands: [
    {
      name: 'UseTblrLibrary',
      signature: 'm',
      package: 'tabularray',
      description: 'Loads a part of it: booktabs, siunitx.',
      example: '\\UseTblrLibrary{booktabs}',
      run: (it, args) => {
        const names = tokensText(tokensOf(args, 0)).split(',');
        if (names.some((name) => name.trim() === 'amsmath'))
          for (const entry of MATRICES.map(matrix))
            it.write(environmentCell(entry.name), entry, true);
        for (const name of names)
          if (/^(?:booktabs|siunitx|amsmath|varwidth|diagbox)$/.test(name.trim()))
            it.execute(
              it.source(
                `\\RequirePackage{${name.trim() === 'amsmath' ? 'mathtools' : name.trim()}}`,
              ),
            );
      },
    },
    setting('SetTblrInner', INNER, 'Keys for tables.'),
    setting('SetTblrOuter', OUTER, 'Keys for what stands around tables.'),
    {
      name: 'NewTblrEnviron',
      signature: 'm',
      package: 'tabularray',
      description: 'An environment for tables of one’s own.',
      example:
        '\\NewTblrEnviron{tides}\\SetTblrInner[tides]{hlines}\\begin{tides}{l} ebb \\end{tides}',
      run: (it, args) => {
        const name = textOf(it.p, tokensOf(args, 0)).trim();
        it.write(environmentCell(name), environment(name, 'A table by keys.'), true);
      },
    },
    ...['NewColumnType', 'NewTblrColumnType'].map((name): CommandEntry => ({
      name,
      signature: 'moom',
      package: 'tabularray',
      description: 'A letter for a kind of column.',
      example: `\\${name}{P}[1]{Q[wd=#1]}\\begin{tblr}{P{2cm}} ebb \\end{tblr}`,
      run: (it, args) =>
        it.write(OWN_COLUMNS, {
          ...it.read(OWN_COLUMNS),
          [tokensText(tokensOf(args, 0)).trim()]: tokensText(tokensOf(args, 3)),
        }),
    })),
    macroEntry(
      'TblrNote',
      'm',
      'The mark of a note below a table.',
      '\\TblrNote{a}',
      '\\textsuperscript{#1}',
    ),
    ...(
      [
        ['DefTblrTemplate', 'mmM'],
        ['SetTblrTemplate', 'mm'],
        ['SetTblrStyle', 'mM'],
        ['NewTblrTheme', 'mM'],
        ['SetTblrTheme', 'm'],
      ] as const
    ).map(([name, signature]) =>
      idleEntry(name, signature, 'How captions and notes of tables look.'),
    ),
  ],
};
