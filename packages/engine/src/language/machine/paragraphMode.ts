import type { Token } from '../../expansion/meaning';
import type { BoxInline } from '../../document/inlines';
import type { CellOf } from '../../expansion/cells';
import { CELLS } from './cells';
import { InlineList } from './inlineList';
import type { Interpreter } from './interpreter';
import { wrapParagraph } from './wrapped';
import { hyphenationOf, paragraphShape, resetParagraph } from './parameters';

/** Was something said for what comes next? It is said once. */
export function takeFlag(it: Interpreter, flag: CellOf<boolean>): boolean {
  const isSaid = it.read(flag);
  if (isSaid) it.write(flag, false, true);
  return isSaid;
}

/** In vertical mode, starts a paragraph: `\parskip` above, then the indent or a waiting label. */
export function beginParagraph(it: Interpreter, indented: boolean): void {
  const { mode } = it;
  if (mode.hlist !== null) return;
  mode.hlist = new InlineList(it.read(CELLS.divisions));
  mode.hyphenation ??= hyphenationOf(it.state);
  const isNew = !takeFlag(it, CELLS.afterDisplay) || mode.pendingLabel !== null;
  if (isNew) mode.vlist.push({ kind: 'vspace', glue: it.skip('parskip'), behaviour: 'plain' });
  mode.atTop = false;
  const suppressed = takeIndentSuppression(it);
  if (mode.pendingLabel) {
    for (const inline of mode.pendingLabel) mode.hlist.add(inline);
    mode.pendingLabel = null;
    mode.nextIndent = 0;
  } else if (!indented || suppressed) mode.nextIndent = 0;
  const every = everyParagraph(it);
  if (every.length > 0) it.execute(every);
}

/** `\everypar`: what is inserted at the beginning of each paragraph. */
function everyParagraph({ state }: Interpreter): readonly Token[] {
  const meaning = state.meaning(state.cell('everypar'));
  if (meaning?.kind !== 'register' || meaning.type !== 'toks') return [];
  return (state.get(meaning.storage) as readonly Token[] | undefined) ?? [];
}

/**
 * Begins the paragraph that a display in vertical mode interrupts (TeX: The Program, §1138,
 * §1145): with an empty line, but behind a display or a heading; the kernel's `\\[` puts a box of
 * .6`\\linewidth` there. True when no line stands before the display.
 */
export function beginForDisplay(it: Interpreter, byKernel: boolean): boolean {
  const { mode } = it;
  if (mode.hlist !== null) return false;
  const behindDisplay = it.read(CELLS.afterDisplay);
  if (behindDisplay || mode.pendingLabel || mode.restricted) {
    it.startParagraph(false);
    return behindDisplay && mode.pendingLabel === null;
  }
  if (byKernel) {
    it.startParagraph(false);
    mode.vlist.push({ kind: 'nointerline' });
    it.add({ ...emptyBox(it), width: Math.round(0.6 * it.dimen('linewidth')) });
    return false;
  }
  const isBare = it.read(CELLS.afterHeading) || it.read(CELLS.noIndentNext);
  it.startParagraph(true);
  if (isBare) return true;
  it.add(emptyBox(it));
  return false;
}

/** Did something before say that the next paragraph has no indent? It is said once. */
function takeIndentSuppression(it: Interpreter): boolean {
  takeFlag(it, CELLS.listEnded);
  if (takeFlag(it, CELLS.afterHeading)) it.mode.clubPenalty = 10000;
  return takeFlag(it, CELLS.noIndentNext);
}

/** `\par`, as a blank line says it. */
export function parCommand(it: Interpreter): void {
  if (it.mode.hlist === null) forgetList(it);
  it.endParagraph();
}

/** Behind a list or display that has ended, what comes next is a paragraph of its own. */
export function forgetList(it: Interpreter): void {
  if (!takeFlag(it, CELLS.listEnded)) return;
  it.write(CELLS.noIndentNext, false, true);
  it.write(CELLS.afterDisplay, false, true);
}

/** Ends the paragraph that is open, if any, with the shape that holds now. */
export function finishParagraph(it: Interpreter, beforeDisplay: boolean): void {
  const { mode } = it;
  if (mode.hlist === null || mode.restricted) return;
  const inlines = mode.hlist.finish();
  mode.hlist = null;
  const indent = mode.nextIndent ?? (it.justified ? it.dimen('parindent') : 0);
  mode.nextIndent = null;
  wrapParagraph(it, inlines, indent, beforeDisplay);
  const shape = paragraphShape(it.state, indent, mode, beforeDisplay);
  mode.clubPenalty = null;
  if (!beforeDisplay) mode.hyphenation = null;
  if (!beforeDisplay) resetParagraph(it.state);
  if (inlines.length > 0) mode.vlist.push({ kind: 'paragraph', inlines, shape });
}

/** A box with nothing in it, which holds a line open. */
export const emptyBox = (it: Interpreter): BoxInline => ({
  kind: 'box',
  inlines: [],
  width: null,
  align: 'left',
  raise: 0,
  hidden: false,
  frame: null,
  grow: false,
  ...it.p.place,
});
