<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import type { Finding } from '@odd-compass/engine';
  import { onMount } from 'svelte';
  import { openEditor, type EditorEvents } from './editor';
  import { setFindings } from './findingNotes';

  interface Props extends EditorEvents {
    text: string;
    findings: readonly Finding[];
    /** Are the findings about the text as it stands? */
    upToDate: boolean;
    onready: (view: EditorView) => void;
  }
  let { text, findings, upToDate, onedit, oncaret, onmove, onready }: Props = $props();

  /** Notes move lines, so they wait until the typing pauses. */
  const PAUSE = 500;
  let host: HTMLElement;
  let view: EditorView | null = null;

  onMount(() => {
    const opened = openEditor(host, text, { onedit, oncaret, onmove });
    view = opened;
    opened.scrollDOM.addEventListener('scroll', onmove, { passive: true });
    onready(opened);
    return () => opened.destroy();
  });

  $effect(() => {
    const shown = findings;
    if (!upToDate) return;
    const timer = setTimeout(() => view?.dispatch({ effects: setFindings.of(shown) }), PAUSE);
    return () => clearTimeout(timer);
  });
</script>

<div bind:this={host} class="source min-h-0 flex-1 overflow-hidden"></div>

<style>
  .source :global(.src-command) {
    color: var(--color-info);
  }
  .source :global(.src-environment) {
    color: var(--color-info);
    font-weight: 600;
  }
  .source :global(.src-math),
  .source :global(.src-math-command),
  .source :global(.src-mark) {
    background: color-mix(in srgb, var(--color-primary) 11%, transparent);
  }
  .source :global(.src-math-command) {
    color: var(--color-primary);
  }
  .source :global(.src-mark) {
    color: var(--color-primary);
    font-weight: 600;
  }
  .source :global(.src-comment) {
    color: color-mix(in srgb, var(--color-base-content) 68%, var(--color-base-100));
    font-style: italic;
  }
  .source :global(.src-brace) {
    color: var(--color-secondary);
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
    align-items: center;
    justify-content: space-between;
    gap: 1rem;
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
  .source :global(.finding-note .btn) {
    flex: none;
  }
</style>
