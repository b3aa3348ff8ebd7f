import {
  Facet,
  StateEffect,
  StateField,
  type ChangeSet,
  type EditorState,
} from '@codemirror/state';
import { withinMarks } from './structure';
import type { Glimpse, LabelFact, Word } from '@odd-compass/engine/worker';

/** What the source needs from the engine: its vocabulary, pictures, and what it read in the text. */
export interface EngineKnowledge {
  readonly words: () => readonly Word[];
  readonly labels: () => readonly LabelFact[];
  /** Names of the assignment's other files. */
  readonly files: () => readonly string[];
  readonly glimpse: (source: string, preamble: string) => Promise<Glimpse | null>;
}

export const knowledge = Facet.define<EngineKnowledge, EngineKnowledge>({
  combine: (given) =>
    given[0] ?? {
      words: () => [],
      labels: () => [],
      files: () => [],
      glimpse: () => Promise.resolve(null),
    },
});

/** Starts and ends of the formulas, as the engine read them. */
export const setFormulas = StateEffect.define<Int32Array>();

/** The formulas in the text as it stands: those the engine read, moved along with what is typed. */
export const formulas = StateField.define<Int32Array>({
  create: () => new Int32Array(),
  update(spans, transaction) {
    let next = spans;
    if (transaction.docChanged) next = moved(spans, transaction.changes);
    for (const effect of transaction.effects) {
      if (effect.is(setFormulas)) next = effect.value;
    }
    return next;
  },
});

/**
 * Places after a change: most lie before or behind all of it, and only those within are looked
 * at closely. An end that was deleted with what is around it draws in: a formula that is
 * gone has no extent, however long the text in its place.
 */
function moved(spans: Int32Array, changes: ChangeSet): Int32Array {
  const ranges: (readonly [number, number])[] = [];
  changes.iterChangedRanges((from, to) => void ranges.push([from, to]));
  const first = ranges[0]?.[0] ?? Infinity;
  const last = ranges.at(-1)?.[1] ?? 0;
  const by = changes.newLength - changes.length;
  const out = spans.slice();
  for (let i = 0; i < out.length; i++) {
    const at = out[i] as number;
    if (at > last) out[i] = at + by;
    else if (at >= first) {
      const isDeleted = ranges.some(([from, to]) => from < at && at < to);
      out[i] = changes.mapPos(at, (i % 2 === 0) === isDeleted ? 1 : -1);
    }
    if (i % 2 === 1) out[i] = Math.max(out[i] as number, out[i - 1] as number);
  }
  return out;
}

/** The formula a place stands in, its marks included; null in text. */
export function formulaAt(state: EditorState, at: number): { from: number; to: number } | null {
  const spans = state.field(formulas, false) ?? new Int32Array();
  for (let i = 0; i + 1 < spans.length; i += 2) {
    const from = spans[i] as number;
    const to = spans[i + 1] as number;
    if (at > from && at < to) return { from, to };
    if (from > at) break;
  }
  return null;
}

/** How far back the marks of a formula are looked for. */
const NEAR = 20_000;

function markedBefore(state: EditorState, at: number): boolean {
  const text = state.sliceDoc(Math.max(0, at - NEAR), at);
  return withinMarks(text, text.length);
}

/** Is a place in a formula, by what the engine read, or by the marks that were typed since? */
export const inFormula = (state: EditorState, at: number): boolean =>
  formulaAt(state, at) !== null || markedBefore(state, at);
