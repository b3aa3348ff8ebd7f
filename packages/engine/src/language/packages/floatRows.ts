import { PT } from '../../base/lengths';
import { cell } from '../../expansion/cells';
import { readOptional } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import {
  tokensOf,
  type CommandEntry,
  type EnvironmentEntry,
  type PackageEntry,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { idleEntry, macroEntry, quietEntry } from '../machine/macroEntry';
import { dimenOf } from '../scanning/dimenOf';
import { keyValues } from '../scanning/optionLists';

/** Where captions of a kind of float stand. */
type Side = 'top' | 'bottom' | 'beside';
const SIDES = cell<Readonly<Record<string, Side>>>('floatrowcaptions', {});
/** How many boxes share the row that is being set; null outside rows. */
const ROW = cell<number | null>('floatrow', null);

const isCaption = (tokens: readonly Token[]): boolean =>
  tokens.some(({ cell: c, text }) => c !== null && /^(?:caption|captionof|subcaption)$/.test(text));

/** A caption as one of its kind, whatever float it stands in. */
const captionOf = (it: Interpreter, tokens: readonly Token[], type: string): Token[] =>
  tokens.flatMap((token, i) => {
    if (token.cell !== null && token.text === 'caption')
      return [
        it.p.command('captionof'),
        ...(tokens[i + 1]?.text === '*' ? [] : it.source(`{${type}}`)),
      ];
    const starred = token.text === '*' && tokens[i - 1]?.text === 'caption';
    return starred ? [token, ...it.source(`{${type}}`)] : [token];
  });

/** The natural width of what a box holds. */
const naturalWidth = (it: Interpreter, object: readonly Token[]): number =>
  it.host.measure(it.inlinesOf(object)).width;

/** How wide a box is: as said, its share of the row, or the whole line. */
function widthOf(it: Interpreter, said: readonly Token[] | null, object: readonly Token[]): number {
  const line = it.dimen('linewidth');
  if (said && tokensText(said).includes('FBwidth')) {
    const natural = naturalWidth(it, object);
    const rest = said.filter(({ text }) => text !== 'FBwidth');
    const factor = parseFloat(tokensText(rest));
    return Math.min(line, Number.isNaN(factor) ? natural : factor * natural);
  }
  if (said && said.length > 0) return dimenOf(it, said);
  const row = it.read(ROW);
  return row === null ? line : (line - (row - 1) * BETWEEN) / row;
}

/** Room between boxes of a row. */
const BETWEEN = 10 * PT;

interface Wanted {
  readonly type: string;
  readonly width: readonly Token[] | null;
  readonly parts: readonly [readonly Token[], readonly Token[]];
  readonly beside: boolean;
}

/** A box of a float: what it shows and its caption, above, below or beside it. */
function floatBox(it: Interpreter, { type, width, parts, beside }: Wanted): void {
  const [first, second] = parts;
  // The caption comes first as the manual has it; many write it second.
  const isFirst = isCaption(first) || !isCaption(second);
  const [said, object] = isFirst ? [first, second] : [second, first];
  const caption = captionOf(it, said, type);
  const side = it.read(SIDES)[type] ?? (type === 'table' ? 'top' : 'bottom');
  const wide = widthOf(it, width, object);
  const pt = (length: number): string => `${(length / PT).toFixed(3)}pt`;
  if (beside) {
    const room = Math.max(50 * PT, it.dimen('linewidth') - wide - BETWEEN);
    it.execute([
      ...it.source(`\\noindent\\begin{minipage}[c]{${pt(wide)}}\\centering `),
      ...object,
      ...it.source(`\\end{minipage}\\hfill\\begin{minipage}[c]{${pt(room)}}`),
      ...caption,
      ...it.source('\\end{minipage}'),
    ]);
    return;
  }
  const inRow = it.read(ROW) !== null;
  it.execute([
    ...it.source(`\\leavevmode\\begin{minipage}[${side === 'top' ? 't' : 'b'}]{${pt(wide)}}`),
    ...(side === 'top' ? caption : []),
    ...it.source('\\centering '),
    ...object,
    ...it.source('\\par '),
    ...(side === 'top' ? [] : caption),
    ...it.source(`\\end{minipage}${inRow ? '\\hfill\\ignorespaces ' : '\\par '}`),
  ]);
}

/** `[width][height][place]`: the width; null where nothing is said. */
function sizesHere(it: Interpreter): readonly Token[] | null {
  const width = readOptional(it.p);
  for (let i = 0; i < 2 && width !== null; i++) if (readOptional(it.p) === null) break;
  return width;
}

const boxCommand = (name: string, type: string, beside = false): CommandEntry => ({
  name,
  signature: '',
  package: 'floatrow',
  description: `A ${type} with its caption${beside ? ' beside it' : ''}.`,
  example: `\\begin{${type}}\\${name}{\\caption{Tides}}{ebb}\\end{${type}}`,
  run: (it, _args, token) => {
    const width = sizesHere(it);
    const args = it.readArguments('MM', token);
    if (args) floatBox(it, { type, width, parts: [tokensOf(args, 0), tokensOf(args, 1)], beside });
  },
});

/** `\floatsetup[table]{capposition=top}`. */
function setUp(it: Interpreter, kinds: readonly Token[], options: readonly Token[]): void {
  const place = keyValues(options).get('capposition');
  const side = place && tokensText(place).trim();
  if (side !== 'top' && side !== 'bottom' && side !== 'beside') return;
  const named = textOf(it.p, kinds)
    .split(',')
    .map((kind) => kind.trim());
  const all = kinds.length === 0 ? ['figure', 'table'] : named;
  it.write(SIDES, {
    ...it.read(SIDES),
    ...Object.fromEntries(all.map((kind) => [kind, side] as const)),
  });
}

const row = (name: string): EnvironmentEntry => ({
  name,
  signature: 'o',
  package: 'floatrow',
  description: 'Boxes of floats side by side.',
  example: `\\begin{figure}\\begin{${name}}\\ffigbox{\\caption{A}}{a}\\ffigbox{\\caption{B}}{b}\\end{${name}}\\end{figure}`,
  begin: (it, args) => {
    it.write(ROW, Math.max(1, parseInt(tokensText(tokensOf(args, 0)), 10) || 2));
    it.execute(it.source('\\par\\noindent\\ignorespaces '));
  },
  end: (it) => it.execute(it.source('\\unskip\\par ')),
});

/** floatrow: floats side by side, captions where they are wanted (its manual, sections 2 to 4). */
export const floatrow: PackageEntry = {
  name: 'floatrow',
  description: 'Floats side by side, with captions above, below or beside them.',
  options: null,
  requires: ['float', 'caption'],
  commands: [
    boxCommand('ffigbox', 'figure'),
    boxCommand('ttabbox', 'table'),
    boxCommand('capbtabbox', 'table'),
    boxCommand('fcapside', 'figure', true),
    boxCommand('tcapside', 'table', true),
    {
      name: 'floatbox',
      signature: 'om',
      package: 'floatrow',
      description: 'A box of a float of a kind with its caption.',
      example: '\\begin{figure}\\floatbox{figure}{\\caption{Tides}}{ebb}\\end{figure}',
      run: (it, args, token) => {
        const width = sizesHere(it);
        const rest = it.readArguments('MM', token);
        const type = textOf(it.p, tokensOf(args, 1)).trim();
        if (rest)
          floatBox(it, {
            type,
            width,
            parts: [tokensOf(rest, 0), tokensOf(rest, 1)],
            beside: false,
          });
      },
    },
    {
      name: 'newfloatcommand',
      signature: 'mmoo',
      package: 'floatrow',
      description: 'A command of your own for a box of a float.',
      example: '\\newfloatcommand{tidebox}{figure}[][\\FBwidth]',
      run: (it, args) => {
        const [name, type] = [0, 1].map((i) => textOf(it.p, tokensOf(args, i)).trim());
        const width = tokensOf(args, 3);
        it.execute([
          ...it.source(`\\expandafter\\def\\csname ${name}\\endcsname{\\floatbox{${type}}`),
          ...(width.length > 0 ? [...it.p.chars('['), ...width, ...it.p.chars(']')] : []),
          ...it.source('}'),
        ]);
      },
    },
    ...['floatsetup', 'thisfloatsetup'].map((name): CommandEntry => ({
      name,
      signature: 'om',
      package: 'floatrow',
      description: 'Where captions of floats stand.',
      example: `\\${name}[table]{capposition=top}`,
      run: (it, args) => setUp(it, tokensOf(args, 0), tokensOf(args, 1)),
    })),
    {
      name: 'floatfoot',
      signature: 'sM',
      package: 'floatrow',
      description: 'A note below a float.',
      example: '\\begin{table}\\floatfoot{Low water.}\\end{table}',
      run: (it, args) =>
        it.execute([
          ...it.source('\\par{\\footnotesize '),
          ...tokensOf(args, 1),
          ...it.source('\\par}'),
        ]),
    },
    macroEntry(
      'FBwidth',
      '',
      'The width of what a box shows.',
      '\\begin{figure}\\ffigbox[\\FBwidth]{}{ebb}\\end{figure}',
      '\\linewidth',
    ),
    quietEntry('RawFloats', 'o', 'Floats as they are without the package.'),
    quietEntry('clearfloatsetup', 'm', 'Forgets how floats are set.'),
    idleEntry('DeclareFloatFont', 'mm', 'A font for floats.'),
    idleEntry('DeclareMarginSet', 'mm', 'Margins for floats.'),
    idleEntry('CenterFloatBoxes', '', 'Boxes of a row are centred.'),
    idleEntry('TopFloatBoxes', '', 'Boxes of a row stand at its top.'),
    idleEntry('BottomFloatBoxes', '', 'Boxes of a row stand at its bottom.'),
  ],
  environments: [row('floatrow'), row('subfloatrow')],
};
