import { applyEdit, type TextEdit } from '../source/edits';
import { shapeOf, type Part } from '../source/shape';
import { typeset } from './document';
import { corpus, corpusFiles } from './corpus';
import { pressed } from './press';
import type { Finding } from '../findings/finding';
import type { Fix } from '../findings/entry';

/** Slips put into documents by machine: what is struck out, doubled or exchanged, one at a time. */
export const SLIPS = ['brace', 'dollar', 'letter', 'name', 'end', 'column', 'row'] as const;
export type SlipKind = (typeof SLIPS)[number];

const FITS: Readonly<Record<SlipKind, (part: Part) => boolean>> = {
  brace: ({ kind }) => kind === 'open' || kind === 'close',
  dollar: ({ kind, name }) => kind === 'mark' && name === '$',
  letter: ({ kind, name }) => kind === 'command' && /^[a-z]{4,}$/.test(name),
  name: ({ kind, name }) => (kind === 'begin' || kind === 'end') && /^[a-z]{4,}\*?$/.test(name),
  end: ({ kind }) => kind === 'end',
  column: ({ kind }) => kind === 'tab',
  row: ({ kind }) => kind === 'row',
};

/** The edit that makes a slip of a part: struck out, doubled, or two of its letters exchanged. */
function slipOf(kind: SlipKind, part: Part, text: string, random: () => number): TextEdit {
  const { from, to } = part;
  if (kind === 'letter' || kind === 'name') {
    const start = text.indexOf(part.name, from);
    const at = start + 1 + Math.floor(random() * (part.name.length - 2));
    const letters = text.slice(at, at + 2);
    return random() < 0.5
      ? { from: at, to: at + 1, text: '' }
      : { from: at, to: at + 2, text: [...letters].reverse().join('') };
  }
  if (kind === 'end' || random() < 0.6) return { from, to, text: '' };
  return { from: to, to, text: text.slice(from, to) };
}

/** A random slip of a kind in a text; null when it has nothing of the kind. */
export function randomSlip(text: string, kind: SlipKind, random: () => number): TextEdit | null {
  const parts = shapeOf(text).parts.filter(FITS[kind]);
  const part = parts[Math.floor(random() * parts.length)];
  return part ? slipOf(kind, part, text, random) : null;
}

/** The documents of the corpus in which nothing is wrong. */
export const soundDocuments = (): readonly string[] =>
  corpus.map(({ text }) => text).filter((text) => wrongIn(text).length === 0);

const wrongIn = (text: string): readonly Finding[] =>
  typeset(text, corpusFiles)
    .findings()
    .filter(({ severity }) => severity !== 'advice');

const brokenIn = (findings: readonly Finding[]): number =>
  findings.filter(({ severity }) => severity === 'broken').length;

/** What came of a slip. */
export interface Outcome {
  /** How many notes of what is wrong it had. */
  readonly notes: number;
  /** Pressing the first buttons in turn left nothing broken. */
  readonly isMended: boolean;
  /** A button that left more broken notes than there were, by its title. */
  readonly worse: string | null;
  /** Does the mended text differ from the sound one in other lines than the slip's own? */
  readonly strays: boolean;
}

/** As many buttons are pressed in turn as a patient person would. */
const MOST_PRESSED = 6;

/** Makes a slip in a sound text and presses the buttons that are offered. */
export function outcomeOf(sound: string, slip: TextEdit): Outcome {
  const text = applyEdit(sound, slip);
  const found = wrongIn(text);
  const broken = brokenIn(found);
  const fixesOf = ({ fix, others = [] }: Finding): readonly Fix[] => (fix ? [fix, ...others] : []);
  const worse = found
    .flatMap(fixesOf)
    .slice(0, 8)
    .find((fix) => brokenIn(wrongIn(pressed(text, fix))) > broken);
  let now = text;
  let left = found;
  for (let i = 0; i < MOST_PRESSED && brokenIn(left) > 0; i++) {
    const first = left.find(({ severity, fix }) => severity === 'broken' && fix);
    if (!first?.fix) break;
    now = pressed(now, first.fix);
    left = wrongIn(now);
  }
  const own = sound.slice(0, slip.from).split('\n').length;
  return {
    notes: found.length,
    isMended: brokenIn(left) === 0,
    worse: worse?.title ?? null,
    strays: strayLines(sound, now, own),
  };
}

/** Do the texts differ in lines but the one with this number? */
function strayLines(sound: string, now: string, own: number): boolean {
  const [a, b] = [sound.split('\n'), now.split('\n')];
  return a.length !== b.length || a.some((line, i) => i !== own - 1 && line !== b[i]);
}
