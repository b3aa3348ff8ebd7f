import { CELLS } from './cells';
import { glue, type Sp } from '../../base/lengths';
import { textOf } from '../../expansion/tokenText';
import { setCount, setDimen, setSkip } from '../../expansion/registers';
import type { Interpreter } from './interpreter';

/** Sets the distance of baselines from here to the end of the group. */
export function setLineDistance(it: Interpreter, distance: Sp): void {
  setSkip(it.state, 'baselineskip', glue(distance));
}

/** `\linespread`: scales the line distance, now and at every change of size. */
export function setLineSpread(it: Interpreter, factor: number): void {
  if (!(factor > 0)) return;
  const before = it.read(CELLS.lineSpread);
  const distance = it.skip('baselineskip').width / before;
  it.write(CELLS.lineSpread, factor);
  it.execute(it.source(`\\def\\baselinestretch{${factor}}`));
  setLineDistance(it, Math.round(distance * factor));
}

/** In notes and floats package setspace leaves lines as close as the class has them. */
export function singleSpaced(it: Interpreter): void {
  if (it.hasPackage('setspace')) setLineSpread(it, 1);
}

/** Where a font is chosen, `\baselinestretch` comes into force as it then is (the kernel's `\selectfont`). */
export function heedBaselineStretch(it: Interpreter): void {
  const factor = parseFloat(textOf(it.p, [it.p.command('baselinestretch')]));
  if (factor !== it.read(CELLS.lineSpread)) setLineSpread(it, factor);
}

/** `\sloppy` and `\fussy` (LaTeX kernel). */
export function setSloppy(it: Interpreter, on: boolean): void {
  setCount(it.state, 'tolerance', on ? 9999 : 200);
  setDimen(it.state, 'emergencystretch', on ? 3 * it.em : 0);
}
