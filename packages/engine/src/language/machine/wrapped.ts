import type { Sp } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import { setCount, setDimen } from '../../expansion/registers';
import { cell } from '../../expansion/cells';
import type { Interpreter } from './interpreter';

/** Text flows around something: so many lines more are shorter by `hang` (at the right where it is negative). */
export interface Wrapped {
  readonly lines: number;
  readonly hang: Sp;
  /** How wide lines are where it stands: in boxes within they are not made shorter. */
  readonly width: Sp;
}

export const WRAPPED = cell<Wrapped | null>('wrapped', null);

/** Lines that a display takes, about. */
const DISPLAY_LINES = 3;

/**
 * Makes the lines of a paragraph that ends now shorter, as far as they stand beside what text flows around; the
 * paragraphs behind it get what is left. How many lines a paragraph makes is told by its natural width.
 */
export function wrapParagraph(
  it: Interpreter,
  inlines: readonly Inline[],
  indent: Sp,
  beforeDisplay: boolean,
): void {
  const wrapped = it.read(WRAPPED);
  if (!wrapped || it.mode.restricted || inlines.length === 0) return;
  const { lines, hang, width: outer } = wrapped;
  if (it.dimen('linewidth') !== outer) return;
  setDimen(it.state, 'hangindent', hang);
  setCount(it.state, 'hangafter', -lines);
  const width = Math.max(1, it.dimen('linewidth') - Math.abs(hang));
  const made = Math.max(1, Math.ceil((it.host.measure(inlines).width + indent) / width - 0.03));
  const left = lines - made - (beforeDisplay ? DISPLAY_LINES : 0);
  it.write(WRAPPED, left > 0 ? { ...wrapped, lines: left } : null, true);
}

/** A heading or a list does not flow around anything: it stands below. */
export function passWrapped(it: Interpreter): void {
  const wrapped = it.read(WRAPPED);
  if (!wrapped || it.mode.restricted) return;
  it.endParagraph();
  const rest = it.read(WRAPPED);
  it.write(WRAPPED, null, true);
  if (!rest) return;
  const { width } = it.skip('baselineskip');
  const glue = { ...it.skip('baselineskip'), width: rest.lines * width };
  it.mode.vlist.push({ kind: 'vspace', glue, behaviour: 'plain' });
}
