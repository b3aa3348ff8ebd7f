import { blended, type Paint } from '../../base/paint';
import type { Inline } from '../../document/inlines';
import { cell } from '../../expansion/cells';
import { CELLS } from './cells';
import type { Interpreter } from './interpreter';
import { emptyBox } from './paragraphMode';

/** The colour of what is not shown yet. */
export const INVISIBLE = -1;

/** A colour of which only a share is seen. */
export const covered = (color: number, share: number): number =>
  share === 0 || color === INVISIBLE ? INVISIBLE : blended(color, 0xffffff, share);

/** A colour as it is seen here: less of it where it is covered. */
export function veiled(it: Interpreter, color: number): number {
  const veil = it.read(CELLS.veil);
  return veil === null || color === it.font.color ? color : covered(color, veil);
}

/** How much is seen of what is covered (`\setbeamercovered`). */
const COVERED = cell('covered', 0);
/** The colour before the veil. */
const BARE = cell('barecolour', 0);

/** How much was seen where the environment begins that is open, though a pause may come within it. */
const VEIL_OUTSIDE = cell<number | null>('veiloutside', null);

/** At the begin of an environment. */
export function noteVeil(it: Interpreter): void {
  if (it.read(CELLS.overlay) !== null) it.write(VEIL_OUTSIDE, it.read(CELLS.veil));
}

/** A colour of what an environment draws around its contents. */
export function veiledAround<P extends Paint | null>(it: Interpreter, paint: P): P | Paint {
  const veil = it.read(VEIL_OUTSIDE);
  return paint === null || veil === null ? paint : covered(paint, veil);
}

/** What is drawn, and no text, which says by its colour whether it is seen. */
const DRAWN: ReadonlySet<Inline['kind']> = new Set(['image', 'drawing', 'box', 'decorated']);

/** What is added to a line, covered as far as all is here. */
export function seenHere(it: Interpreter, inline: Inline): Inline {
  const veil = DRAWN.has(inline.kind) ? it.read(CELLS.veil) : null;
  return veil === null ? inline : underVeil(it, inline, veil);
}

/** What an environment leaves, a table or a box, is covered if it is where it begins. */
export function seenAround(it: Interpreter, inline: Inline): Inline {
  const veil = it.read(VEIL_OUTSIDE);
  return veil === null ? inline : underVeil(it, inline, veil);
}

const underVeil = (it: Interpreter, inline: Inline, veil: number): Inline => ({
  ...emptyBox(it),
  inlines: [inline],
  veil,
  from: inline.from,
  to: inline.to,
});

/** What follows in the group is covered; or it is not to be seen at all. */
export function cover(it: Interpreter, share = it.read(COVERED)): void {
  if (it.read(CELLS.veil) !== null) return;
  const { color } = it.font;
  it.write(BARE, color);
  it.changeFont({ color: covered(color, share) });
  it.write(CELLS.veil, share);
}

/** What follows is seen again. */
export function uncover(it: Interpreter): void {
  if (it.read(CELLS.veil) === null) return;
  it.write(CELLS.veil, null);
  it.changeFont({ color: it.read(BARE) });
}

/** What follows is covered wherever groups end, until something else is said (beamer user guide, section 9.4). */
const FLOW = cell('coveredflow', false);
/** Is it covered here because of that? */
const BY_FLOW = cell('coveredbyflow', false);

/** What follows is covered, or seen again, beyond the end of the group too; on the next step all is seen. */
export function coverFrom(it: Interpreter, isCovered: boolean): void {
  it.write(FLOW, isCovered, true);
  keepCovered(it);
}

/** At the end of a group: what began within it goes on. */
export function keepCovered(it: Interpreter): void {
  const [flow, byFlow] = [it.read(FLOW), it.read(BY_FLOW)];
  if (flow && it.read(CELLS.veil) === null) {
    cover(it);
    it.write(BY_FLOW, true);
  }
  if (!flow && byFlow) {
    uncover(it);
    it.write(BY_FLOW, false);
  }
}

/** `\setbeamercovered{transparent=20}`: what is covered shows through, or does not. */
export function setCovered(it: Interpreter, said: string): void {
  const transparent = /transparent(?:\s*=\s*([\d.]+))?/.exec(said);
  const share = parseFloat(transparent?.[1] ?? '15') / 100;
  it.write(COVERED, transparent ? share : /dynamic/.test(said) ? 0.15 : 0);
}

/** How alerts are coloured. */
export const ALERT_COLOUR = cell('alertcolour', 0xa3262a);

/** One part of a specification: what is done, and on which steps. */
interface SpecPart {
  readonly action: string;
  readonly steps: string;
}

/** Kinds of output that are meant, without a word and with which. */
const MINE = {
  slides: /^(?:|all|beamer|presentation)$/,
  handout: /^(?:all|handout|presentation)$/,
};

/** `article` alone: it is for another kind of output. */
const isForOthers = (it: Interpreter, spec: string): boolean =>
  /^\s*[a-z]+\s*(?:\|\s*[a-z]+\s*)*$/.test(spec) && partsOf(it, spec).length === 0;

/** `2-|alert@3|handout:0`: the parts that hold for this kind of output (beamer user guide, section 9.6). */
function partsOf(it: Interpreter, spec: string): SpecPart[] {
  const mine = it.read(CELLS.handout) ? MINE.handout : MINE.slides;
  return spec.split('|').flatMap((written) => {
    const [, mode = '', rest = ''] = /^(?:\s*([a-z]+)\s*(?::|$))?(.*)$/s.exec(written) ?? [];
    if (!mine.test(mode)) return [];
    const [action, steps] = rest.includes('@') ? rest.split('@') : ['', rest];
    return [{ action: (action ?? '').trim(), steps: steps ?? '' }];
  });
}

/** Is this step one of `2-`, `1,3` or `-4`? Also raises how many steps the frame has. */
function holds(it: Interpreter, steps: string): boolean {
  if (/^\s*\*?\s*$/.test(steps)) return true;
  if (it.read(CELLS.handout)) return steps.trim() !== '0';
  const step = it.read(CELLS.overlay) ?? 1;
  let found = false;
  for (const part of steps.split(',')) {
    const [from, to] = part.includes('-') ? part.split('-') : [part, part];
    const first = parseInt(from ?? '', 10) || 1;
    const last = to === '' ? Infinity : parseInt(to ?? '', 10) || first;
    needs(it, Number.isFinite(last) ? last : first);
    if (part.trim() !== '0' && step >= first && step <= last) found = true;
  }
  return found;
}

/** Does a specification show its text on this step? One that says something else alone does. */
export function showsOn(it: Interpreter, spec: string): boolean {
  const parts = partsOf(it, spec);
  const own = parts.filter(({ action }) => /^(?:|uncover|visible|only)$/.test(action));
  for (const { action, steps } of parts) if (action === 'alert') holds(it, steps);
  if (isForOthers(it, spec)) return false;
  return own.length === 0 || own.map(({ steps }) => holds(it, steps)).includes(true);
}

/** Is there a step on which it shows anything at all? `<0>` and what is for other kinds of output have none. */
export function showsEver(it: Interpreter, spec: string): boolean {
  const parts = partsOf(it, spec);
  return parts.length === 0
    ? !isForOthers(it, spec)
    : parts.some(({ steps }) => steps.trim() !== '0');
}

/** Does it make an alert of it on this step (`alert@2`)? */
export const alertsOn = (it: Interpreter, spec: string): boolean =>
  partsOf(it, spec).some(({ action, steps }) => action === 'alert' && holds(it, steps));

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

/** `+` in a specification is the step after the last one that was counted, `.` that one; `+(1)` is one later. */
export function nextStep(it: Interpreter, spec: string): string {
  if (!/[+.]/.test(spec)) return spec;
  const counter = it.read(CELLS.pauses);
  if (spec.includes('+')) it.write(CELLS.pauses, counter + 1, true);
  return spec.replace(/([+.])(?:\((-?\d+)\))?/g, (_, sign: string, more: string | undefined) =>
    String(Math.max(1, counter - (sign === '.' ? 1 : 0) + parseInt(more ?? '0', 10))),
  );
}
