<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import type { ValueAnswer } from '@odd-compass/checks';
  import { tick } from 'svelte';
  import type { ChecksClient } from '../checks/checksClient.svelte';
  import { change } from './change';
  import type { Span } from './figure';
  import { belowLine, writtenBehind } from './values';

  interface Props {
    view: EditorView;
    state: EditorState;
    checks: ChecksClient;
    marked: Span;
    /** What the formula holds; taken where nothing is marked. */
    whole: Span;
    /** Where the formula ends, for what goes below its paragraph. */
    to: number;
  }
  let { view, state: source, checks, marked, whole, to }: Props = $props();

  let worked = $state.raw<{ answer: ValueAnswer; place: Span; doc: EditorState['doc'] } | null>(
    null,
  );
  let row = $state<HTMLElement>();
  let refused = $state('');
  let first = $state(-5);
  let last = $state(5);
  let step = $state(1);
  const current = $derived(worked?.doc === source.doc ? worked : null);
  const written = $derived(
    current?.answer.kind === 'value'
      ? `${current.answer.exact ? '=' : '\\approx'} ${current.answer.tex}`
      : '',
  );

  async function ask() {
    const { doc } = view.state;
    const place = marked.to > marked.from ? marked : whole;
    refused = '';
    worked = { answer: await checks.value(place.from, place.to), place, doc };
    await tick();
    row?.scrollIntoView({ block: 'nearest' });
  }
  function insert() {
    if (current?.answer.kind !== 'value') return;
    change(view, writtenBehind(view.state.doc, current.place, current.answer));
    view.focus();
  }
  type Made =
    | { readonly kind: 'refused'; readonly why: string }
    | { readonly kind: string; readonly source: string };
  /** Writes what was made below the paragraph, with the package it needs. */
  function write(made: Made, pkg: string) {
    if (!('source' in made)) {
      refused = made.why;
      return;
    }
    change(view, belowLine(view.state.doc, to, made.source), pkg);
    view.focus();
  }
  async function table() {
    if (!current) return;
    const { from, to: end } = current.place;
    write(await checks.table(from, end, { first, last, step }), '');
  }
  async function graph() {
    if (!current) return;
    const { from, to: end } = current.place;
    write(await checks.graph(from, end, { first, last }), 'pgfplots');
  }
</script>

<div class="flex flex-wrap items-center gap-2" bind:this={row} data-testid="formula-value">
  <button class="btn btn-xs" onclick={() => void ask()}
    >{marked.to > marked.from ? 'Value of what is marked' : 'Value of the formula'}</button
  >
  {#if current?.answer.kind === 'value'}
    <code role="status">{written}</code>
    <button class="btn btn-xs" onclick={insert}>Write it behind</button>
  {:else if current?.answer.kind === 'open'}
    <span role="status">It depends on {current.answer.name}.</span>
    <label class="flex items-center gap-1">
      <span>from</span>
      <input type="number" step="any" class="input input-xs w-16" bind:value={first} />
    </label>
    <label class="flex items-center gap-1">
      <span>to</span>
      <input type="number" step="any" class="input input-xs w-16" bind:value={last} />
    </label>
    <button class="btn btn-xs" onclick={() => void graph()}>Draw its graph</button>
    <label class="flex items-center gap-1">
      <span>by</span>
      <input type="number" step="any" class="input input-xs w-16" bind:value={step} />
    </label>
    <button class="btn btn-xs" onclick={() => void table()}>Table of its values</button>
    {#if refused}<span role="status">{refused}</span>{/if}
  {:else if current?.answer.kind === 'refused'}
    <span role="status">{current.answer.why}</span>
  {/if}
</div>
