/**
 * The one schema of a page as flat arrays. From it are derived the type (`PageDescription`), the
 * lists that fill it, its transfer, the comparison of lines, and the oracle of the laws.
 *
 * Lengths are in big points (1/72 in), y downwards from the top edge of the paper. A table is a
 * group of columns with a row for each thing: a line of the page, a run of glyphs, a path. What
 * belongs to a line stands together in every table, in paint order.
 */

/** The arrays that columns are kept in. */
export interface Arrays {
  readonly u8: Uint8Array;
  readonly u16: Uint16Array;
  readonly u32: Uint32Array;
  readonly i32: Int32Array;
  readonly f32: Float32Array;
  readonly text: readonly string[];
}

export type Table =
  | 'line'
  | 'operation'
  | 'run'
  | 'glyph'
  | 'rule'
  | 'path'
  | 'segment'
  | 'dash'
  | 'map'
  | 'image'
  | 'link'
  | 'anchor';

/** What the numbers of a column are. */
export type Role =
  /** Something that is seen: of two lines that look alike these are the same. */
  | { readonly is: 'shown' }
  /** The block that a line came from; -1 is the page's own. */
  | { readonly is: 'block' }
  /** A place in the source, counted from the start of the line's block. */
  | { readonly is: 'place' }
  /** The first row of another table that belongs to this row; one more entry for the end. */
  | { readonly is: 'first'; readonly of: Table }
  /** A row of another table, that belongs to the same line, counted from 1; 0 is none. */
  | { readonly is: 'row'; readonly of: Table };

export interface Column {
  readonly table: Table;
  readonly kind: keyof Arrays;
  readonly role: Role;
  /** Numbers in each row. */
  readonly width: number;
}

const column = <Kind extends keyof Arrays>(table: Table, kind: Kind, role: Role, width = 1) => ({
  table,
  kind,
  role,
  width,
});
const shown = <Kind extends keyof Arrays>(table: Table, kind: Kind, width = 1) =>
  column(table, kind, { is: 'shown' }, width);
const first = (table: Table, of: Table) => column(table, 'u32', { is: 'first', of });
const row = (table: Table, of: Table) => column(table, 'u32', { is: 'row', of });
const place = (table: Table) => column(table, 'i32', { is: 'place' });

/** What is painted, by number. `clip` takes a path and holds until its `unclip`; `handle` takes one that is not painted. */
export const OPERATIONS = [
  'glyphs',
  'rule',
  'path',
  'picture',
  'clip',
  'unclip',
  'handle',
] as const;
/** The parts of a path, by number, and how many of the six numbers of a row of `points` each takes. */
export const VERBS = ['move', 'line', 'curve', 'close'] as const;
export const CAPS = ['butt', 'round', 'square'] as const;
export const JOINS = ['miter', 'round', 'bevel'] as const;
/** Bits of `pathDrawn`. */
export const FILLED = 1;
export const STROKED = 2;
export const EVEN_ODD = 4;

export const COLUMNS = {
  /** x, baseline, width, height and depth of each line. */
  lines: shown('line', 'f32', 5),
  /** The upper and the lower edge of all that is drawn for it. */
  lineInk: shown('line', 'f32', 2),
  lineBlock: column('line', 'i32', { is: 'block' }),
  lineOperation: first('line', 'operation'),
  lineRun: first('line', 'run'),
  lineRule: first('line', 'rule'),
  linePath: first('line', 'path'),
  lineImage: first('line', 'image'),
  lineMap: first('line', 'map'),

  /** In paint order. Each takes the next row of its table: runs, rules, paths (clips too), pictures. */
  operationKind: shown('operation', 'u8'),
  operationFrom: place('operation'),
  operationTo: place('operation'),

  /** Glyphs in one font and size on one baseline, which begins at x, y. */
  runFont: shown('run', 'u16'),
  runSize: shown('run', 'f32'),
  runX: shown('run', 'f32'),
  runY: shown('run', 'f32'),
  runPaint: shown('run', 'u32'),
  /** The map whose linear part turns and scales the run about its start. */
  runMap: row('run', 'map'),
  runGlyph: first('run', 'glyph'),
  glyphs: shown('glyph', 'u16'),
  /** From the run's own x, along its baseline. */
  glyphX: shown('glyph', 'f32'),
  /** The character of the run each glyph begins at, for runs that show their source letter by letter. */
  glyphCluster: column('glyph', 'u16', { is: 'place' }),

  /** x, y (top), width, height. */
  rules: shown('rule', 'f32', 4),
  rulePaint: shown('rule', 'u32'),

  pathDrawn: shown('path', 'u8'),
  pathFill: shown('path', 'u32'),
  pathStroke: shown('path', 'u32'),
  /** Width of the line, cap, join, limit of miters, phase of the dashes. */
  pathPen: shown('path', 'f32', 5),
  /** From the path's own coordinates to the page. */
  pathMap: row('path', 'map'),
  pathSegment: first('path', 'segment'),
  pathDash: first('path', 'dash'),
  verbs: shown('segment', 'u8'),
  points: shown('segment', 'f32', 6),
  dashes: shown('dash', 'f32'),

  /** a, b, c, d, e, f: (x, y) goes to (a x + c y + e, b x + d y + f). */
  maps: shown('map', 'f32', 6),

  /** a, b, c, d, e, f of each picture: where the unit square goes, its lower left corner at 0, 0. */
  images: shown('image', 'f32', 6),
  imageFile: shown('image', 'text'),
  /** Shares cut off at left, bottom, right, top. */
  imageCrop: shown('image', 'f32', 4),
  /** 1 where an empty frame stands for the picture. */
  imageBlank: shown('image', 'u8'),

  /** x, y (top), width, height, and where it leads: an address, or `#` and a label. */
  links: shown('link', 'f32', 4),
  linkTarget: shown('link', 'text'),
  /** Places that links can lead to: x, y (top). */
  anchors: shown('anchor', 'f32', 2),
  anchorName: shown('anchor', 'text'),
} as const;

export type ColumnName = keyof typeof COLUMNS;
export const COLUMN_NAMES = Object.keys(COLUMNS) as ColumnName[];

type NumberKind = Exclude<keyof Arrays, 'text'>;

/** The kinds of array that hold numbers. */
export const ARRAYS: {
  readonly [Kind in NumberKind]: new (values: ArrayLike<number>) => Arrays[NumberKind];
} = {
  u8: Uint8Array,
  u16: Uint16Array,
  u32: Uint32Array,
  i32: Int32Array,
  f32: Float32Array,
};
