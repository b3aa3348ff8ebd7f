<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import type { Finding } from '@odd-compass/engine';
  import { onMount } from 'svelte';
  import { countsOf } from './counts';
  import { openEditor, setSpeller, setTaste, type EditorEvents } from './editor';
  import { openSpeller, type Speller } from './speller';
  import { lookAgain } from './spelling';
  import { keptTaste, type Taste } from './taste';
  import TasteDialog from './TasteDialog.svelte';
  import { setFindings } from './findingNotes';
  import { setFormulas, type EngineKnowledge } from './sourceFacts';

  interface Props extends EditorEvents {
    text: string;
    findings: readonly Finding[];
    /** Are the findings about the text as it stands? */
    upToDate: boolean;
    onready: (view: EditorView) => void;
    /** Starts and ends of the formulas, as the engine read them. */
    formulas: Int32Array;
    engine: EngineKnowledge;
    /** The source was scrolled so far, CSS pixels. */
    onscroll: (top: number) => void;
  }
  let {
    text,
    findings,
    upToDate,
    formulas,
    engine,
    onedit,
    oncaret,
    onmove,
    onread,
    onscroll,
    onpictures,
    onready,
  }: Props = $props();

  /** Notes move lines, so they wait until the typing pauses. */
  const PAUSE = 500;
  let taste = $state.raw<Taste>(keptTaste());
  let dialog = $state<ReturnType<typeof TasteDialog>>();
  let counts = $state({ words: 0, formulas: 0 });
  let host: HTMLElement;
  let view: EditorView | null = null;

  onMount(() => {
    const opened = openEditor(
      host,
      text,
      { onedit, oncaret, onmove, onread, onpictures },
      engine,
      taste,
    );
    view = opened;
    const scroller = opened.scrollDOM;
    scroller.addEventListener('scroll', () => onscroll(scroller.scrollTop), { passive: true });
    onready(opened);
    spell();
    return () => {
      opened.destroy();
      speller?.close();
    };
  });

  $effect(() => {
    const shown = findings;
    if (!upToDate) return;
    const timer = setTimeout(() => view?.dispatch({ effects: setFindings.of(shown) }), PAUSE);
    return () => clearTimeout(timer);
  });

  $effect(() => {
    const spans = formulas;
    if (!upToDate) return;
    view?.dispatch({ effects: setFormulas.of(spans) });
    // Counting takes a moment in a long text, so it waits until the typing pauses.
    const timer = setTimeout(() => {
      if (view) counts = countsOf(view.state.doc.toString(), spans);
    }, PAUSE);
    return () => clearTimeout(timer);
  });

  let speller: Speller | null = null;
  /** Opens the dictionary of the language to taste. */
  function spell() {
    speller?.close();
    const { spelling } = taste;
    speller =
      spelling === 'none' ? null : openSpeller(spelling, () => void (view && lookAgain(view)));
    if (view) setSpeller(view, speller);
  }

  function change(to: Taste) {
    const other = to.spelling !== taste.spelling;
    taste = to;
    if (view) setTaste(view, to);
    if (other) spell();
    else speller?.reread();
  }
</script>

<div bind:this={host} class="source min-h-0 flex-1 overflow-hidden"></div>
<div class="flex items-center gap-4 border-t border-base-300 px-3 py-0.5 text-sm">
  <p data-testid="counts">
    {counts.words === 1 ? '1 word' : `${counts.words} words`} · {counts.formulas === 1
      ? '1 formula'
      : `${counts.formulas} formulas`}
  </p>
  <button class="btn btn-ghost btn-xs ml-auto" onclick={() => dialog?.open()}>How you write</button>
</div>
<TasteDialog bind:this={dialog} {taste} onchange={change} />

<style>
  .source :global(.src-command) {
    color: var(--color-info);
  }
  .source :global(.src-argument) {
    color: var(--color-secondary);
  }
  .source :global(.src-environment) {
    color: var(--color-info);
    font-weight: 600;
  }
  .source :global(.src-formula) {
    background: color-mix(in srgb, var(--color-primary) 11%, transparent);
  }
  /* Darker than elsewhere: they stand on the tint of a formula, and on that of the line too. */
  .source :global(.src-math-command) {
    color: color-mix(in srgb, var(--color-primary) 82%, var(--color-base-content));
  }
  .source :global(.src-mark) {
    color: color-mix(in srgb, var(--color-primary) 82%, var(--color-base-content));
    font-weight: 600;
  }
  .source :global(.src-pair) {
    outline: 1px solid var(--color-primary);
    border-radius: 2px;
  }
  .source :global(.src-lonely) {
    outline: 1px dashed var(--color-error);
    border-radius: 2px;
  }
  .source :global(.src-misspelt) {
    text-decoration: underline dotted var(--color-secondary) 2px;
    text-underline-offset: 3px;
  }
  .source :global(.spelling-card) {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
    max-width: 24em;
    padding: 6px 8px;
    font-family: var(--font-ui);
  }
  .source :global(.src-comment) {
    color: color-mix(in srgb, var(--color-base-content) 68%, var(--color-base-100));
    font-style: italic;
  }
  .source :global(.src-brace) {
    color: var(--color-secondary);
  }
  .source :global(.cm-foldGutter span) {
    color: var(--color-secondary);
    cursor: pointer;
  }
  .source :global(.cm-tooltip) {
    border: 1px solid var(--color-base-300);
    border-radius: var(--radius-box);
    background: var(--color-base-100);
    color: var(--color-base-content);
    box-shadow: 0 4px 14px color-mix(in srgb, var(--color-base-content) 18%, transparent);
  }
  .source :global(.cm-tooltip-autocomplete > ul) {
    max-height: 15em;
    font-family: var(--font-source);
    font-size: 13px;
  }
  .source :global(.cm-tooltip-autocomplete > ul > li) {
    padding: 2px 10px;
    line-height: 1.5;
  }
  .source :global(.cm-tooltip-autocomplete > ul > li[aria-selected]) {
    background: var(--color-primary);
    color: var(--color-primary-content);
  }
  .source :global(.completion-sign) {
    display: inline-block;
    width: 1.8em;
    font-family: 'Sheet Mathematics', serif;
    font-size: 16px;
    line-height: 1;
  }
  .source :global(.cm-completionMatchedText) {
    text-decoration: none;
    font-weight: 700;
  }
  .source :global(.cm-completionDetail) {
    margin-left: 1em;
    font-family: var(--font-ui);
    font-size: 14px;
    font-style: normal;
    opacity: 0.85;
  }
  .source :global(.cm-completionInfo) {
    max-width: 18em;
    padding: 6px 10px;
    font-family: var(--font-ui);
    font-size: 15px;
  }
  .source :global(.word-card) {
    max-width: 26em;
    padding: 8px 12px;
    font-family: var(--font-ui);
    font-size: 15px;
    line-height: 1.35;
  }
  .source :global(.word-card strong),
  .source :global(.word-card code) {
    font-family: var(--font-source);
    font-size: 13px;
  }
  .source :global(.word-card code) {
    display: block;
    margin-top: 4px;
    white-space: pre-wrap;
    color: var(--color-secondary);
  }
  .source :global(.word-from) {
    color: var(--color-secondary);
  }
  .source :global(.word-glimpse) {
    margin-top: 6px;
    padding: 6px;
    border-radius: var(--radius-field);
    background: var(--paper);
    overflow: hidden;
  }
  .source :global(.finding-broken) {
    text-decoration: underline wavy var(--color-error) 1.5px;
    text-underline-offset: 3px;
  }
  .source :global(.finding-off) {
    text-decoration: underline dashed var(--color-error) 1.5px;
    text-underline-offset: 3px;
  }
  .source :global(.finding-advice) {
    text-decoration: underline dotted var(--color-info) 1.5px;
    text-underline-offset: 3px;
  }
  .source :global(.finding-frame) {
    padding: 2px 1rem 6px 1.5rem;
  }
  .source :global(.finding-note) {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem;
    padding: 6px 12px;
    border-left: 3px solid var(--color-error);
    background: var(--color-base-200);
    font-family: var(--font-ui);
    font-size: 15px;
    line-height: 1.35;
  }
  .source :global(.finding-note-advice) {
    border-left-color: var(--color-info);
  }
  .source :global(.finding-note p) {
    flex: 1 1 14rem;
    margin-right: 0.5rem;
  }
  .source :global(.finding-note .btn) {
    flex: none;
  }
  .source :global(.finding-note .btn:not(.btn-primary)) {
    background: var(--color-base-100);
  }
</style>
