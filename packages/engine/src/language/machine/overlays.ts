import { CELLS } from './cells';
import type { Interpreter } from './interpreter';

/** The colour of what is not shown yet. */
export const INVISIBLE = -1;

/** Does an overlay specification such as `2-`, `1,3` or `-4` hold on this step? Also raises how many steps the frame has. */
export function showsOn(it: Interpreter, spec: string): boolean {
  if (it.read(CELLS.handout)) return true;
  const step = it.read(CELLS.overlay) ?? 1;
  let holds = false;
  for (const part of spec.split('|')[0]?.replace(/^.*:/, '').replace('+', '1').split(',') ?? []) {
    const [from, to] = part.includes('-') ? part.split('-') : [part, part];
    const first = parseInt(from ?? '', 10) || 1;
    const last = to === '' ? Infinity : parseInt(to ?? '', 10) || first;
    needs(it, Number.isFinite(last) ? last : first);
    if (step >= first && step <= last) holds = true;
  }
  return holds;
}

export function needs(it: Interpreter, steps: number): void {
  if (it.read(CELLS.handout)) return;
  const most = it.read(CELLS.overlays);
  if (steps > most) it.write(CELLS.overlays, Math.min(steps, 60), true);
}

/** `<…>` behind a command, or null. */
export function overlaySpec(it: Interpreter): string | null {
  const text = overlayText(it);
  return text === null ? null : nextStep(it, text);
}

/** The same as it is written. */
export function overlayText(it: Interpreter): string | null {
  const token = it.p.next();
  if (!token) return null;
  if (token.text !== '<' || token.cell !== null) {
    it.p.unread(token);
    return null;
  }
  let text = '';
  for (let t = it.p.next(); t !== null && t.text !== '>'; t = it.p.next()) text += t.text;
  return text;
}

/** `+` in a specification is the step after the last one that was counted. */
export function nextStep(it: Interpreter, spec: string): string {
  if (!spec.includes('+')) return spec;
  const counter = it.read(CELLS.pauses);
  it.write(CELLS.pauses, counter + 1, true);
  return spec.replaceAll('+', String(counter));
}
