import { applyEdit, type TextEdit } from '../source/edits';
import { filesOf, type AssignmentFiles } from '../session/files';
import type { Session } from '../session/session';
import { accountOf, newSession, typeset } from './document';
import { SCRAPS } from './edits';

/** A document to be edited at random, with the files beside it. */
export interface Subject {
  readonly name: string;
  readonly text: string;
  readonly files: AssignmentFiles;
}

/** One change: of the text, or of a file beside it (gone when `bytes` is null). */
export type Step =
  | { readonly kind: 'edit'; readonly edit: TextEdit }
  | { readonly kind: 'file'; readonly name: string; readonly bytes: Uint8Array | null };

const decoder = new TextDecoder('utf-8');

/** The files of a subject in memory, so that they can be changed. */
const held = ({ files }: Subject): Map<string, Uint8Array> =>
  new Map(
    files.names().flatMap((name) => {
      const bytes = files.bytes(name);
      return bytes ? [[name, bytes] as const] : [];
    }),
  );

/** A scrap of the language, of the text itself or of another document. */
function scrapOf(random: () => number, text: string, others: readonly Subject[]): string {
  const share = random();
  if (share < 0.6) return SCRAPS[Math.floor(random() * SCRAPS.length)] as string;
  const from = share < 0.8 ? text : (others[Math.floor(random() * others.length)] as Subject).text;
  const at = Math.floor(random() * from.length);
  return from.slice(at, at + Math.floor(random() ** 2 * 400));
}

/** A random edit of a text: something put in, taken out, turned round, doubled or moved. */
function randomEdit(random: () => number, text: string, others: readonly Subject[]): TextEdit {
  const from = Math.floor(random() * (text.length + 1));
  const to = Math.min(text.length, from + Math.floor(random() ** 2 * 200));
  const piece = text.slice(from, to);
  const share = random();
  if (share < 0.45) return { from, to: from, text: scrapOf(random, text, others) };
  if (share < 0.65) return { from, to, text: '' };
  if (share < 0.75) return { from, to, text: [...piece].reverse().join('') };
  if (share < 0.85) return { from: to, to, text: piece };
  // Moved: what stands between it and its new place comes before it.
  const end = Math.min(text.length, to + Math.floor(random() * 300));
  return { from, to: end, text: text.slice(to, end) + piece };
}

/** A random change of a file: edited as text, cut short, or gone. */
function randomFile(
  random: () => number,
  files: ReadonlyMap<string, Uint8Array>,
  others: readonly Subject[],
): Step | null {
  const names = [...files.keys()];
  const name = names[Math.floor(random() * names.length)];
  const bytes = name === undefined ? undefined : files.get(name);
  if (name === undefined || !bytes) return null;
  const share = random();
  if (share < 0.1) return { kind: 'file', name, bytes: null };
  if (!/\.(tex|sty|cls|bib|csv|txt)$/.test(name))
    return { kind: 'file', name, bytes: bytes.slice(0, Math.floor(random() * bytes.length)) };
  const text = decoder.decode(bytes);
  const edited = applyEdit(text, randomEdit(random, text, others));
  return { kind: 'file', name, bytes: new TextEncoder().encode(edited) };
}

/** The state of a run: the text and the files as its steps left them. */
export interface Standing {
  text: string;
  readonly files: Map<string, Uint8Array>;
}

export const standingOf = (subject: Subject): Standing => ({
  text: subject.text,
  files: held(subject),
});

/** How often a step changes a file and not the text. */
const FILE_SHARE = 0.06;

export function randomStep(
  random: () => number,
  { text, files }: Standing,
  others: readonly Subject[],
): Step {
  const changed = random() < FILE_SHARE ? randomFile(random, files, others) : null;
  return changed ?? { kind: 'edit', edit: randomEdit(random, text, others) };
}

const assigned = (files: ReadonlyMap<string, Uint8Array>): AssignmentFiles =>
  filesOf(new Map(files), (bytes) => decoder.decode(bytes));

/** A session that was told all of a standing, its pages made. */
export function sessionOf({ text, files }: Standing, keep?: Session): Session {
  const session = keep ?? newSession(assigned(files));
  session.setText(text);
  session.settleAll();
  return session;
}

/** Carries a step out, in the standing and in the session. */
export function take(step: Step, standing: Standing, session: Session): void {
  if (step.kind === 'edit') {
    const { from, to, text } = step.edit;
    standing.text = applyEdit(standing.text, step.edit);
    session.edit(from, to, text);
  } else {
    if (step.bytes) standing.files.set(step.name, step.bytes);
    else standing.files.delete(step.name);
    session.setFiles(assigned(standing.files));
  }
  session.settleAll();
}

/** What of a session's account is not as it is from cold: nothing when all is equal. */
export function differencesFromCold(session: Session, { text, files }: Standing): string[] {
  const here = accountOf(session);
  const there = accountOf(typeset(text, assigned(files)));
  return (Object.keys(here) as (keyof typeof here)[]).filter((part) => here[part] !== there[part]);
}

/** A way to a difference: where it starts, and the steps from there. */
export interface Failure {
  readonly text: string;
  readonly files: ReadonlyMap<string, Uint8Array>;
  readonly steps: readonly Step[];
}

/** Does it still fail? Exceptions are failures too. */
export function fails({ text, files, steps }: Failure): boolean {
  const standing: Standing = { text, files: new Map(files) };
  const session = sessionOf(standing);
  for (const step of steps) take(step, standing, session);
  return differencesFromCold(session, standing).length > 0;
}

/** The failure that starts from cold as late as it still fails. */
function started(failure: Failure, check: (failure: Failure) => boolean): Failure {
  const { steps } = failure;
  for (let kept = 1; kept < steps.length; kept++) {
    const standing: Standing = { text: failure.text, files: new Map(failure.files) };
    for (const step of steps.slice(0, -kept)) {
      if (step.kind === 'edit') standing.text = applyEdit(standing.text, step.edit);
      else if (step.bytes) standing.files.set(step.name, step.bytes);
      else standing.files.delete(step.name);
    }
    const late = { ...standing, steps: steps.slice(-kept) };
    if (check(late)) return late;
  }
  return failure;
}

/** Takes out of the text what stands clear of all steps, from `from` to `to`; null when they touch it. */
function without(failure: Failure, from: number, to: number): Failure | null {
  const gone = to - from;
  // Places of a step are places in the text as the steps before it left it.
  let [start, end] = [from, to];
  const steps: Step[] = [];
  for (const step of failure.steps) {
    if (step.kind === 'file') {
      steps.push(step);
      continue;
    }
    const { edit } = step;
    if (edit.to <= start) {
      const shift = edit.text.length - (edit.to - edit.from);
      start += shift;
      end += shift;
      steps.push(step);
    } else if (edit.from >= end) {
      steps.push({ kind: 'edit', edit: { ...edit, from: edit.from - gone, to: edit.to - gone } });
    } else return null;
  }
  return { ...failure, text: failure.text.slice(0, from) + failure.text.slice(to), steps };
}

/** The failure without lines, then words, that it does not need. */
function shortened(failure: Failure, check: (failure: Failure) => boolean): Failure {
  let best = failure;
  for (let size = best.text.length >> 1; size >= 1; size = size >> 1) {
    for (let at = best.text.length - size; at >= 0; at -= size) {
      const tried = without(best, at, Math.min(best.text.length, at + size));
      if (tried && check(tried)) best = tried;
    }
  }
  return best;
}

/** The same failure, smaller: fewer steps from a shorter text. `check` is told to be quick. */
export function shrunk(failure: Failure, check: (failure: Failure) => boolean = fails): Failure {
  let best = started(failure, check);
  const needless = best.steps.findIndex((_, i) => {
    const step = best.steps[i];
    return step?.kind === 'file' && check({ ...best, steps: best.steps.filter((s) => s !== step) });
  });
  if (needless >= 0) best = { ...best, steps: best.steps.filter((_, i) => i !== needless) };
  if (check({ ...best, files: new Map() })) best = { ...best, files: new Map() };
  return shortened(shortened(best, check), check);
}
