import { glue, type Sp } from '../../base/lengths';
import type { BlockNode } from '../../document/blocks';
import type { ColumnLayout, PageArea, Turn } from '../../document/page';
import { flag } from '../../expansion/cells';
import { setDimen } from '../../expansion/registers';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { CELLS } from '../machine/cells';
import { pageGeometry } from '../machine/parameters';
import { clearPage } from './chapters';

/** The margins were changed within the document: pages say where their text stands. */
const OTHER_AREA = flag('otherarea');

function areaOf(it: Interpreter): { area?: PageArea } {
  if (!it.read(OTHER_AREA)) return {};
  const { left, evenLeft, top, textWidth, textHeight, headSep, footSkip } = pageGeometry(it.state);
  return { area: { left, evenLeft, top, textWidth, textHeight, headSep, footSkip } };
}

/** From a new page on, the margins are what the registers say now. */
export function changeArea(it: Interpreter): void {
  if (!it.read(CELLS.inDocument)) return;
  it.write(OTHER_AREA, true, true);
  setWidths(it, it.dimen('textwidth'));
  it.mode.vlist.push({ kind: 'columnchange', layout: oneColumn(it), wide: [] });
}

/** Two columns in the width of the text. */
export function twoColumns(it: Interpreter): ColumnLayout {
  const gap = it.dimen('columnsep');
  return {
    count: 2,
    width: (it.dimen('textwidth') - gap) / 2,
    gap,
    rule: it.dimen('columnseprule'),
    ...areaOf(it),
  };
}

const oneColumn = (it: Interpreter): ColumnLayout => ({
  count: 1,
  width: it.dimen('textwidth'),
  gap: 0,
  rule: 0,
  ...areaOf(it),
});

function setWidths(it: Interpreter, width: Sp): void {
  for (const name of ['hsize', 'linewidth', 'columnwidth']) setDimen(it.state, name, width, true);
}

/** Changes the columns from a new page on; `fill` makes what stands above them. */
export function changeColumns(
  it: Interpreter,
  two: boolean,
  fill: (() => readonly BlockNode[]) | null,
): void {
  clearPage(it, false);
  it.execute(it.source(two ? '\\global\\@twocolumntrue' : '\\global\\@twocolumnfalse'));
  setWidths(it, it.dimen('textwidth'));
  const wide = fill ? fill() : [];
  const layout = two ? twoColumns(it) : oneColumn(it);
  setWidths(it, layout.width);
  it.mode.vlist.push({ kind: 'columnchange', layout, wide });
}

/** Pages lie on their side from a new one on, or stand upright again. */
export function turnPages(it: Interpreter, turned: Turn | null): void {
  clearPage(it, false);
  const [width, height] = [it.dimen('textwidth'), it.dimen('textheight')];
  const across = turned ? height : width;
  const area = areaOf(it);
  setWidths(it, across);
  if (turned) {
    setDimen(it.state, 'textwidth', height);
    setDimen(it.state, 'textheight', width);
  }
  const layout = {
    count: 1,
    width: across,
    gap: 0,
    rule: 0,
    ...area,
    ...(turned ? { turned } : {}),
  };
  it.mode.vlist.push({ kind: 'columnchange', layout, wide: [] });
}

export const columnCommands: readonly CommandEntry[] = [
  {
    name: 'twocolumn',
    signature: 'o',
    description: 'Two columns from a new page on; what is in brackets stands above them.',
    example: '\\twocolumn',
    run: (it, args) => {
      const tokens = tokensOf(args, 0);
      const space: BlockNode = { kind: 'vspace', glue: glue(0), behaviour: 'plain' };
      changeColumns(it, true, args[0] ? () => [...it.blocksOf(tokens), space] : null);
    },
  },
  {
    name: 'onecolumn',
    signature: '',
    description: 'One column from a new page on.',
    example: '\\onecolumn',
    run: (it) => changeColumns(it, false, null),
  },
];
