import type { ChecksClient } from '$lib/features/workbench/checks/checksClient.svelte';
import { undo } from '@codemirror/commands';
import type { EditorView } from '@codemirror/view';
import { vocabulary } from '@odd-compass/engine';
import type { FileAddress } from '@odd-compass/engine/worker';
import { render } from '@testing-library/svelte';
import { typeset } from '../../../packages/engine/src/testing/document';
import Bench from '../features/workbench/bench/Bench.svelte';
import type { EngineClient } from '../features/workbench/engine/engineClient.svelte';
import { openEditor } from '../features/workbench/source/editor';
import { setFormulas } from '../features/workbench/source/sourceFacts';
import { fill, press, settle, shown } from './hands';
import { STANDARD_TASTE } from '../features/workbench/source/taste';

/** A bench under a text, as the workbench mounts it. */
export interface StandingBench {
  readonly view: EditorView;
  readonly text: () => string;
  /** The text with a bar where the caret stands, or two around what is marked. */
  readonly marked: () => string;
  readonly undo: () => void;
  readonly wentTo: number[];
  readonly brought: { readonly names: readonly string[]; readonly at: number }[];
  /** Clicks the button of a title. */
  readonly press: (title: string | RegExp, nth?: number) => Promise<void>;
  /** Puts a value into the field of a label, as one would who then leaves it. */
  readonly fill: (
    label: string | RegExp,
    value: string,
    event?: 'input' | 'change',
  ) => Promise<void>;
  /** What the fields and signs of the bench say. */
  readonly shows: () => string;
  readonly heading: () => string;
}

/** Where the bars of a marked text stand, and the text without them. */
function unmarked(marked: string): { text: string; from: number; to: number } {
  const [before = '', ...rest] = marked.split('|');
  const inside = rest.length > 1 ? (rest[0] as string) : '';
  const from = before.length;
  return { text: before + rest.join(''), from, to: from + inside.length };
}

/**
 * Mounts the bench under an editor that knows the formulas, labels and findings of a text.
 *
 * @param marked a text with a bar where the caret stands, or two around what is marked.
 * @param open is it found open, or as one line?
 */
export async function standingBench(
  marked: string,
  pictures: readonly FileAddress[] = [],
  open = true,
): Promise<StandingBench> {
  const { text, from, to } = unmarked(marked);
  localStorage.setItem('odd-compass-bench-open', String(open));
  const session = typeset(text);
  let moved = 0;
  let follow = (): void => undefined;
  const wentTo: number[] = [];
  const brought: { names: string[]; at: number }[] = [];
  const bring = (files: readonly File[], at: number): void =>
    void brought.push({ names: files.map(({ name }) => name), at });
  const knowledge = {
    words: () => vocabulary(),
    labels: () => session.labels(),
    files: () => [],
    glimpse: () => Promise.resolve(null),
  };
  const view = openEditor(
    document.body,
    text,
    {
      onedit: () => follow(),
      oncaret: () => follow(),
      onmove: () => undefined,
      onread: () => undefined,
      onpictures: bring,
    },
    knowledge,
    STANDARD_TASTE,
  );
  view.dispatch({
    selection: { anchor: from, head: to },
    effects: setFormulas.of(session.formulaSpans()),
  });
  const engine = {
    words: vocabulary(),
    labels: session.labels(),
    findings: session.findings(),
    glimpse: knowledge.glimpse,
  } as unknown as EngineClient;
  // Nothing is tested here.
  const checks = { testStretch: () => Promise.resolve([]) } as unknown as ChecksClient;
  const props = { view, engine, checks, moved, pictures, onpictures: bring };
  const bench = render(Bench, { ...props, ongo: (offset: number) => wentTo.push(offset) });
  follow = () => void Promise.resolve().then(() => bench.rerender({ moved: ++moved }));
  await settle();
  return {
    view,
    text: () => view.state.doc.toString(),
    marked: () => {
      const { from: start, to: end } = view.state.selection.main;
      const bars = start === end ? '|' : `|${view.state.sliceDoc(start, end)}|`;
      return `${view.state.sliceDoc(0, start)}${bars}${view.state.sliceDoc(end)}`;
    },
    undo: () => void undo(view),
    wentTo,
    brought,
    press,
    fill,
    shows: () => shown(bench.container),
    heading: () => bench.container.querySelector('h2')?.textContent ?? '',
  };
}
