import { PT, type Sp } from '../../base/lengths';
import type { BlockNode } from '../../document/blocks';
import type { Inline } from '../../document/inlines';
import { box } from './boxes';
import { setLines } from './verbatim';
import type { Interpreter } from '../machine/interpreter';

/** How a listing looks. */
export interface Look {
  readonly numbers: 'left' | 'right' | 'none';
  readonly firstNumber: number;
  readonly step: number;
  /** A frame around it, lines above and below, or nothing. */
  readonly frame: 'box' | 'lines' | 'none';
  readonly background: number | null;
  readonly style: string;
  readonly numberStyle: string;
}

export const PLAIN_LOOK: Look = {
  numbers: 'none',
  firstNumber: 1,
  step: 1,
  frame: 'none',
  background: null,
  style: '',
  numberStyle: '\\scriptsize',
};

/** A line's number, hung out to the left of the text. */
function lineNumber(it: Interpreter, n: number, look: Look): Inline {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.execute(it.source(`\\normalfont${look.numberStyle}`));
  const inlines = it.inlinesOf(it.p.chars(String(n)));
  it.closeGroup();
  const gap: Sp = 10 * PT;
  const at = it.p.place;
  const kern: Inline = { kind: 'kern', width: gap, ...at };
  return box(
    it,
    [
      {
        kind: 'glue',
        glue: { width: 0, stretch: PT, stretchOrder: 1, shrink: PT, shrinkOrder: 1 },
        ...at,
      },
      ...inlines,
      kern,
    ],
    { width: 0, align: 'fill' },
  );
}

/** Lines of code one under another, numbered and framed as the look says. */
export function setListing(
  it: Interpreter,
  lines: readonly string[],
  look: Look,
  lineOf: (it: Interpreter, line: string) => readonly Inline[],
): void {
  it.execute(it.source(look.style));
  const set = lines.map((line, i) => {
    const n = look.firstNumber + i;
    const numbered = look.numbers !== 'none' && (n - 1) % look.step === 0;
    const inlines = lineOf(it, line);
    return numbered ? [lineNumber(it, n, look), ...inlines] : inlines;
  });
  if (look.frame === 'none' && look.background === null) {
    setLines(it, set);
    return;
  }
  it.endParagraph();
  const inner = it.gather(() => setLines(it, set));
  it.mode.vlist.push(...framedLines(it, inner, look));
}

/** The lines without the space of their list above and below. */
function bare(blocks: readonly BlockNode[]): readonly BlockNode[] {
  const first = blocks.findIndex(({ kind }) => kind === 'paragraph');
  const last = blocks.findLastIndex(({ kind }) => kind === 'paragraph');
  return first < 0 ? [] : blocks.slice(first, last + 1);
}

/** The lines in one box with its frame, or between two rules. */
function framedLines(it: Interpreter, blocks: readonly BlockNode[], look: Look): BlockNode[] {
  const width = it.dimen('linewidth');
  const left = it.dimen('totalleftmargin');
  const gap: BlockNode = { kind: 'vspace', glue: it.skip('medskipamount'), behaviour: 'merge' };
  const lines = bare(blocks);
  if (look.frame === 'lines' && look.background === null) {
    const line: BlockNode = { kind: 'rule', width, height: 0.4 * PT, left, color: 0 };
    const space: BlockNode = {
      kind: 'vspace',
      glue: { width: 3 * PT, stretch: 0, stretchOrder: 0, shrink: 0, shrinkOrder: 0 },
      behaviour: 'plain',
    };
    return [gap, line, space, ...lines, space, line];
  }
  const padding = 3 * PT;
  const rule = look.frame === 'none' ? 0 : 0.4 * PT;
  const at = it.p.place;
  const edge = padding + rule;
  const shifted = lines
    .filter((b) => b.kind !== 'penalty')
    .map((b) =>
      b.kind === 'paragraph'
        ? { ...b, shape: { ...b.shape, left: 0, right: 0, width: width - 2 * edge } }
        : b,
    );
  const inner: Inline = {
    kind: 'parbox',
    blocks: shifted,
    width: width - 2 * edge,
    valign: 'top',
    ...at,
  };
  const ground = look.background === null ? {} : { background: look.background };
  const inline = box(it, [inner], { frame: { rule, padding, ...ground } });
  const spacing = {
    baselineSkip: it.skip('baselineskip'),
    lineSkip: it.skip('lineskip'),
    lineSkipLimit: 0,
  };
  return [gap, { kind: 'loosebox', inline, left, spacing }];
}
