import { PT, type Sp } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { tokensOf, type CommandEntry, type EnvironmentEntry } from '../machine/entries';
import { environmentTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';
import { dimenOf } from '../scanning/dimenOf';
import { keyValues } from '../scanning/optionLists';
import { braced } from './colourBoxes';
import { EVERY_BOX, MM } from './colourBoxLook';

/** How boxes of a raster stand (tcolorbox manual, section 14). */
interface Raster {
  readonly columns: number;
  readonly columnSkip: Sp;
  readonly rowSkip: Sp;
  readonly equalHeight: boolean;
  /** What every box of it is set with. */
  readonly keys: readonly Token[];
}

function rasterOf(it: Interpreter, options: readonly Token[]): Raster {
  const keys = keyValues([...it.read(EVERY_BOX), ...it.p.chars(','), ...options]);
  const number = (key: string, usual: number): number =>
    parseInt(tokensText(keys.get(key) ?? []), 10) || usual;
  const length = (key: string, usual: Sp): Sp => {
    const said = keys.get(key) ?? keys.get('raster equal skip');
    return said ? dimenOf(it, said) : usual;
  };
  const rest = [...keyValues(options)].filter(([key]) => !key.startsWith('raster '));
  const every = keys.get('raster every box/.style') ?? [];
  return {
    columns: Math.max(1, number('raster columns', 2)),
    columnSkip: length('raster column skip', 2 * MM),
    rowSkip: length('raster row skip', 2 * MM),
    equalHeight: keys.has('raster equal height'),
    keys: [
      ...every,
      ...rest.flatMap(([key, value]) => [
        ...it.p.chars(`,${key}`),
        ...(value.length > 0 ? [...it.p.chars('='), ...braced(it, value)] : []),
      ]),
    ],
  };
}

/** The environments that stand side by side in a text, one by one. */
function environmentsIn(_it: Interpreter, tokens: readonly Token[]): Token[][] {
  const out: Token[][] = [];
  let depth = 0;
  tokens.forEach((token, i) => {
    const isCommand = token.cat === Cat.Command;
    if (isCommand && token.text === 'begin' && depth++ === 0) out.push([]);
    if (depth > 0) out.at(-1)?.push(token);
    if (!isCommand || token.text !== 'end' || --depth > 0) return;
    // The name behind `\end` belongs to it.
    const close = tokens.findIndex((t, k) => k > i && t.cat === Cat.End);
    out.at(-1)?.push(...tokens.slice(i + 1, close + 1));
  });
  return out;
}

/** Sets boxes in rows, each as wide as its column. */
function setRaster(it: Interpreter, boxes: readonly (readonly Token[])[], raster: Raster): void {
  const { columns, columnSkip, rowSkip, keys } = raster;
  const line = it.dimen('linewidth');
  const width = (line - (columns - 1) * columnSkip) / columns;
  const pt = (length: Sp): string => `${(length / PT).toFixed(4)}pt`;
  const common = (height: Sp | null): Token[] => [
    ...it.source(`,nobeforeafter,box align=top,width=${pt(width)}`),
    ...(height === null ? [] : it.source(`,height=${pt(height)}`)),
    ...it.p.chars(','),
    ...keys,
  ];
  const before = it.read(EVERY_BOX);
  const withKeys = (height: Sp | null, act: () => void): void => {
    it.write(EVERY_BOX, [...before, ...common(height)]);
    act();
    it.write(EVERY_BOX, before);
  };
  for (let at = 0; at < boxes.length; at += columns) {
    const row = boxes.slice(at, at + columns);
    let height: Sp | null = null;
    if (raster.equalHeight && row.length > 1)
      withKeys(null, () => {
        height = Math.max(
          ...row.map((box) => {
            const size = it.host.measure(it.inlinesOf(box));
            return size.height + size.depth;
          }),
        );
      });
    withKeys(height, () =>
      it.execute([
        ...it.source('\\par\\noindent '),
        ...row.flatMap((box, i) => [
          ...(i > 0 ? it.source(`\\hskip${pt(columnSkip)}\\relax `) : []),
          ...box,
        ]),
        ...it.source('\\par'),
      ]),
    );
    if (at + columns < boxes.length)
      it.execute(it.source(`\\nointerlineskip\\vskip${pt(rowSkip)}\\relax `));
  }
}

const around = (it: Interpreter, act: () => void): void => {
  it.execute(it.source('\\par\\addvspace{\\medskipamount}'));
  act();
  it.execute(it.source('\\addvspace{\\medskipamount}'));
};

/** The items of `tcbitemize`, each as a box with its own options. */
function itemBoxes(it: Interpreter, body: readonly Token[]): Token[][] {
  const items: Token[][] = [];
  for (const token of body)
    if (token.cat === Cat.Command && token.text === 'tcbitem') items.push([]);
    else items.at(-1)?.push(token);
  return items.map((item) => [
    // What it is set with stands first, and is read as the box's own.
    ...it.source('\\begin{tcolorbox}'),
    ...item,
    ...it.source('\\end{tcolorbox}'),
  ]);
}

const environment = (
  name: string,
  description: string,
  example: string,
  boxesOf: (it: Interpreter, body: readonly Token[]) => Token[][],
): EnvironmentEntry => ({
  name,
  signature: 'o',
  package: 'tcolorbox',
  description,
  example,
  begin: (it, args) => {
    const raster = rasterOf(it, tokensOf(args, 0));
    const body = environmentTokens(it, name);
    closeNamed(it, name);
    around(it, () => setRaster(it, boxesOf(it, body), raster));
  },
});

/** Boxes in rows and columns. */
export const rasterEnvironments: readonly EnvironmentEntry[] = [
  environment(
    'tcbraster',
    'Coloured boxes in rows and columns.',
    '\\begin{tcbraster}[raster columns=2]\n\\begin{tcolorbox}Ebb\\end{tcolorbox}\n\\begin{tcolorbox}Flood\\end{tcolorbox}\n\\end{tcbraster}',
    environmentsIn,
  ),
  environment(
    'tcbitemize',
    'Items as coloured boxes in rows and columns.',
    '\\begin{tcbitemize}[raster columns=2]\n\\tcbitem Ebb\n\\tcbitem Flood\n\\end{tcbitemize}',
    itemBoxes,
  ),
];

export const rasterCommands: readonly CommandEntry[] = [
  {
    name: 'tcbitem',
    signature: 'o',
    package: 'tcolorbox',
    description: 'An item that is a coloured box.',
    example: '\\begin{tcbitemize}\\tcbitem[title=Tide] Ebb\\end{tcbitemize}',
    run: (it, _args, token) => it.p.report('item-outside-list', it.spanOf(token)),
  },
  {
    name: 'tcbsidebyside',
    signature: 'oMM',
    package: 'tcolorbox',
    description: 'Two texts side by side in a coloured box.',
    example: '\\tcbsidebyside{Ebb}{Flood}',
    run: (it, args) =>
      it.execute([
        ...it.source('\\begin{tcolorbox}[sidebyside,'),
        ...tokensOf(args, 0),
        ...it.p.chars(']'),
        ...tokensOf(args, 1),
        ...it.source('\\tcblower '),
        ...tokensOf(args, 2),
        ...it.source('\\end{tcolorbox}'),
      ]),
  },
];
