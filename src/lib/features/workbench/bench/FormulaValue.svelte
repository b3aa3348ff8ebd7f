<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import type { ValueAnswer } from '@odd-compass/checks';
  import type { ChecksClient } from '../checks/checksClient.svelte';
  import { change } from './change';
  import type { Span } from './figure';

  interface Props {
    view: EditorView;
    state: EditorState;
    checks: ChecksClient;
    marked: Span;
    /** What the formula holds; taken where nothing is marked. */
    whole: Span;
    /** Where the formula ends, for a table below its paragraph. */
    to: number;
  }
  let { view, state: source, checks, marked, whole, to }: Props = $props();

  let worked = $state.raw<{ answer: ValueAnswer; place: Span; doc: EditorState['doc'] } | null>(
    null,
  );
  let refused = $state('');
  let first = $state(0);
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
  }
  function insert() {
    if (!current) return;
    change(view, { from: current.place.to, to: current.place.to, insert: ` ${written}` });
    view.focus();
  }
  async function table() {
    if (!current) return;
    const { place } = current;
    const answer = await checks.table(place.from, place.to, { first, last, step });
    if (answer.kind === 'refused') {
      refused = answer.why;
      return;
    }
    const { doc } = view.state;
    const line = doc.lineAt(Math.min(to, doc.length));
    change(view, {
      from: line.to,
      to: line.to,
      insert: `\n\\begin{center}\n${answer.source}\n\\end{center}`,
    });
  }
</script>

<div class="flex flex-wrap items-center gap-2" data-testid="formula-value">
  <button class="btn btn-xs" onclick={() => void ask()}
    >{marked.to > marked.from ? 'Value of what is marked' : 'Value of the formula'}</button
  >
  {#if current?.answer.kind === 'value'}
    <code role="status">{written}</code>
    <button class="btn btn-xs" onclick={insert}>Write it behind</button>
  {:else if current?.answer.kind === 'open'}
    <span role="status">It depends on {current.answer.name}.</span>
    {#each [['from', 'first'], ['to', 'last'], ['by', 'step']] as const as [word, which] (which)}
      <label class="flex items-center gap-1">
        <span>{word}</span>
        {#if which === 'first'}
          <input type="number" step="any" class="input input-xs w-16" bind:value={first} />
        {:else if which === 'last'}
          <input type="number" step="any" class="input input-xs w-16" bind:value={last} />
        {:else}
          <input type="number" step="any" class="input input-xs w-16" bind:value={step} />
        {/if}
      </label>
    {/each}
    <button class="btn btn-xs" onclick={() => void table()}>Table of its values</button>
    {#if refused}<span role="status">{refused}</span>{/if}
  {:else if current?.answer.kind === 'refused'}
    <span role="status">{current.answer.why}</span>
  {/if}
</div>
