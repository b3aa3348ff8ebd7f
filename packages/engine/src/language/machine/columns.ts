import { setSloppy } from './lineSpacing';
import { glue, type Sp } from '../../base/lengths';
import type { BlockNode } from '../../document/blocks';
import { cell } from '../../expansion/cells';
import { setDimen, setSkip } from '../../expansion/registers';
import { CELLS } from './cells';
import type { Interpreter } from './interpreter';
import type { Mode } from './modes';
import { resetParagraph } from './parameters';

/** Paragraphs as they are at the beginning of a box, in the size that is in force (LaTeX's `\\@parboxrestore`). */
export function restoreParagraphs(it: Interpreter): void {
  setDimen(it.state, 'totalleftmargin', 0);
  setSloppy(it, true);
  setDimen(it.state, 'parindent', 0);
  setSkip(it.state, 'parskip', glue(0));
  setSkip(it.state, 'leftskip', glue(0));
  setSkip(it.state, 'rightskip', glue(0));
  it.write(CELLS.alignment, 'justified');
  // A box starts with no hanging lines (TeX: The Program, §§1070 and 1083).
  resetParagraph(it.state);
}

/** Measures inside a box of paragraphs of a width. */
export function narrow(it: Interpreter, width: Sp): void {
  for (const name of ['hsize', 'linewidth', 'columnwidth']) setDimen(it.state, name, width);
  if (!it.read(CELLS.keepTextWidth)) setDimen(it.state, 'textwidth', width);
  restoreParagraphs(it);
  it.write(CELLS.noIndentNext, false, true);
  it.write(CELLS.inMinipage, true);
}

/** Starts gathering a column apart; `leaveColumn` gives it. */
export function enterColumn(it: Interpreter, width: Sp | null): Mode {
  const outer = it.pushMode();
  if (width !== null) narrow(it, width);
  return outer;
}

export function leaveColumn(it: Interpreter, outer: Mode): BlockNode[] {
  it.endParagraph();
  return it.popMode(outer).vlist;
}

/** What an environment whose contents are a column keeps for its end. */
const COLUMN = cell<{ readonly outer: Mode; readonly width: Sp } | null>('column', null);

/** The contents of the innermost environment are a column of that width from here on. */
export function beginColumn(it: Interpreter, width: Sp): void {
  const { data } = it.innermost;
  data.set(COLUMN, { outer: enterColumn(it, width), width });
  it.mode.atTop = true;
}

/** What stood in the innermost environment since `beginColumn`, and its width. */
export function endColumn(it: Interpreter): { readonly blocks: BlockNode[]; readonly width: Sp } {
  const column = it.innermost.data.get(COLUMN);
  if (!column) return { blocks: [], width: 0 };
  return { blocks: leaveColumn(it, column.outer), width: column.width };
}
