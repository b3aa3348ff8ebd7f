import { CELLS } from '../machine/cells';
import { gluePt, NO_GLUE, PT, type Glue, type Sp } from '../../base/lengths';
import { cell } from '../../expansion/cells';
import { setDimen } from '../../expansion/registers';
import type { Interpreter } from '../machine/interpreter';

/** Spaces of a list. */
export interface ListMeasures {
  readonly topSep: Glue;
  readonly parSep: Glue;
  readonly itemSep: Glue;
  readonly partopSep: Glue;
  /** The left margin, where the document says it here. */
  readonly margin?: Sp;
}

/** `\@listi` to `\@listiii` of size10, size11, size12; deeper levels are as the third. */
const MEASURES: Readonly<Record<number, readonly [ListMeasures, ListMeasures, ListMeasures]>> = {
  10: [
    {
      topSep: gluePt(8, 2, 4),
      parSep: gluePt(4, 2, 1),
      itemSep: gluePt(4, 2, 1),
      partopSep: gluePt(2, 1, 1),
    },
    {
      topSep: gluePt(4, 2, 1),
      parSep: gluePt(2, 1, 1),
      itemSep: gluePt(2, 1, 1),
      partopSep: gluePt(2, 1, 1),
    },
    {
      topSep: gluePt(2, 1, 1),
      parSep: gluePt(0),
      itemSep: gluePt(2, 1, 1),
      partopSep: gluePt(1, 0, 1),
    },
  ],
  11: [
    {
      topSep: gluePt(9, 3, 5),
      parSep: gluePt(4.5, 2, 1),
      itemSep: gluePt(4.5, 2, 1),
      partopSep: gluePt(3, 1, 1),
    },
    {
      topSep: gluePt(4.5, 2, 1),
      parSep: gluePt(2, 1, 1),
      itemSep: gluePt(2, 1, 1),
      partopSep: gluePt(3, 1, 1),
    },
    {
      topSep: gluePt(2, 1, 1),
      parSep: gluePt(0),
      itemSep: gluePt(2, 1, 1),
      partopSep: gluePt(1, 0, 1),
    },
  ],
  12: [
    {
      topSep: gluePt(10, 4, 6),
      parSep: gluePt(5, 2.5, 1),
      itemSep: gluePt(5, 2.5, 1),
      partopSep: gluePt(3, 2, 2),
    },
    {
      topSep: gluePt(5, 2.5, 1),
      parSep: gluePt(2.5, 1, 1),
      itemSep: gluePt(2.5, 1, 1),
      partopSep: gluePt(3, 2, 2),
    },
    {
      topSep: gluePt(2.5, 1, 1),
      parSep: gluePt(0),
      itemSep: gluePt(2.5, 1, 1),
      partopSep: gluePt(1, 0, 1),
    },
  ],
};

export const ROMAN = ['i', 'ii', 'iii', 'iv', 'v', 'vi'];

export const addGlue = (a: Glue, b: Glue): Glue => ({
  ...a,
  width: a.width + b.width,
  stretch: a.stretch + b.stretch,
  shrink: a.shrink + b.shrink,
});

/** `\\@listi` as `\\small` and `\\footnotesize` redefine it (size10.clo, size11.clo, size12.clo): top, between. */
const SMALLER: Readonly<
  Record<number, readonly (readonly [size: number, top: Glue, sep: Glue])[]>
> = {
  10: [
    [9, gluePt(4, 2, 2), gluePt(2, 1, 1)],
    [8, gluePt(3, 1, 1), gluePt(2, 1, 1)],
  ],
  11: [
    [10, gluePt(6, 2, 2), gluePt(3, 2, 1)],
    [9, gluePt(4, 2, 2), gluePt(2, 1, 1)],
  ],
  12: [
    [10.95, gluePt(9, 3, 5), gluePt(4.5, 2, 1)],
    [10, gluePt(6, 2, 2), gluePt(3, 2, 1)],
  ],
};

/** The first level of the class, as its size file runs `\\@listi` once. */
export const firstMeasures = (base: number): ListMeasures =>
  ((MEASURES[base] ?? MEASURES[10]) as (typeof MEASURES)[number])[0];

/** The first level at the size that is in force. */
function atSize(it: Interpreter, base: number, values: ListMeasures): ListMeasures {
  const size = it.font.size / PT;
  const smaller = SMALLER[base]?.find(([at]) => Math.abs(at - size) < 0.1);
  if (!smaller) return values;
  const [, topSep, sep] = smaller;
  return { ...values, topSep, parSep: sep, itemSep: sep };
}

/** Lists have the space between paragraphs between their items, and no other (package parskip). */
export const EVEN_LISTS = cell<boolean>('evenlists', false);
const EVEN = { topSep: NO_GLUE, itemSep: NO_GLUE, partopSep: NO_GLUE };

/** The measures of the list level that would be opened now; of the open one, where none is opened. */
export function measures(
  it: Interpreter,
  trivial: boolean,
): { level: number; values: ListMeasures } {
  const depth = it.read(CELLS.listDepth);
  const level = trivial ? Math.max(1, depth) : depth + 1;
  const base = it.read(CELLS.baseSize);
  const table = MEASURES[base] ?? MEASURES[10];
  const values = (table as (typeof MEASURES)[number])[Math.min(level, 3) - 1] as ListMeasures;
  const partopSep = it.skip('partopsep');
  // `\\@trivlist` takes the registers as they stand; only `\\list` runs `\\@listi` to `\\@listvi`.
  if (trivial) return { level, values: { ...values, topSep: it.skip('topsep'), partopSep } };
  const own = ownMeasures(it, level);
  if (own) return { level, values: own };
  if (it.read(EVEN_LISTS)) return { level, values: { ...EVEN, parSep: it.skip('parskip') } };
  const sized = level === 1 ? atSize(it, base, values) : values;
  return { level, values: level < 3 ? { ...sized, partopSep } : sized };
}

/** The measures that the document's own `\\@listi` to `\\@listvi` sets, or null. */
function ownMeasures(it: Interpreter, level: number): ListMeasures | null {
  const name = it.p.command(`@list${ROMAN[Math.min(level, 6) - 1]}`);
  if (it.state.meaning(it.state.cell(name.text))?.kind !== 'macro') return null;
  setDimen(it.state, 'leftmargin', it.dimen(`leftmargin${ROMAN[Math.min(level, 6) - 1]}`));
  it.execute([name]);
  return {
    topSep: it.skip('topsep'),
    partopSep: it.skip('partopsep'),
    parSep: it.skip('parsep'),
    itemSep: it.skip('itemsep'),
    margin: it.dimen('leftmargin'),
  };
}
