<script lang="ts">
  import Panel from '$lib/ui/Panel.svelte';
  import type { Signs } from '@odd-compass/checks';
  import type { EditorView } from '@codemirror/view';
  import type { EngineClient } from '../engine/engineClient.svelte';
  import type { ChecksClient } from './checksClient.svelte';
  import { RESULT_WORDS, tally, type Result } from './outcomes';
  import SignList from './SignList.svelte';
  import StepList from './StepList.svelte';

  interface Props {
    checks: ChecksClient;
    engine: EngineClient;
    view: EditorView | null;
    ongo: (at: number) => void;
  }
  let { checks, engine, view, ongo }: Props = $props();

  const ORDER: readonly Result[] = ['differs', 'sometimes', 'holds', 'unknown'];
  let drawer = $state<ReturnType<typeof Panel>>();
  let only = $state<Result | null>(null);
  let shows = $state<'steps' | 'signs'>('steps');
  let signs = $state.raw<Signs | null>(null);

  const steps = $derived(checks.steps ?? []);
  const shown = $derived(only === null ? steps : steps.filter(({ result }) => result === only));
  const present = $derived(ORDER.filter((result) => steps.some((step) => step.result === result)));
  const old = $derived(checks.steps !== null && checks.revision !== engine.revision);

  function go(at: number) {
    drawer?.close();
    ongo(at);
  }
  async function showSigns() {
    shows = 'signs';
    signs = await checks.signs();
  }
  export function open() {
    shows = 'steps';
    drawer?.open();
    if (checks.steps === null || old) test();
  }
  function test() {
    only = null;
    checks.testAll();
  }
  /** Tests again with what is supposed. */
  function suppose(formula: string) {
    checks.supposed = formula;
    test();
  }
  const unread = $derived(
    checks.supposed.trim() !== '' && checks.progress === null && checks.supposedRead === 0,
  );
  const lineOf = (at: number): number =>
    view ? view.state.doc.lineAt(Math.min(at, view.state.doc.length)).number : 1;
</script>

<Panel place="side" bind:this={drawer} title="Steps and signs" onclose={() => checks.stop()}>
  <div class="mb-3 flex gap-1" role="group" aria-label="What is shown">
    <button
      class="btn btn-sm {shows === 'steps' ? 'btn-primary' : ''}"
      aria-pressed={shows === 'steps'}
      onclick={() => (shows = 'steps')}>Steps</button
    >
    <button
      class="btn btn-sm {shows === 'signs' ? 'btn-primary' : ''}"
      aria-pressed={shows === 'signs'}
      onclick={() => void showSigns()}>Signs</button
    >
  </div>
  {#if shows === 'signs'}
    {#if signs}<SignList {signs} {lineOf} ongo={go} />{/if}
  {:else}
    {@render tested()}
  {/if}
</Panel>

{#snippet tested()}
  {@const progress = checks.progress}
  <p class="mb-2">
    Each equals sign and inequality of a derivation is tried with values for its letters. That finds
    slips; it proves nothing.
  </p>
  <label class="mb-2 flex flex-wrap items-center gap-2">
    <span>Suppose besides, where it is needed:</span>
    <input
      class="input input-sm w-56 font-(family-name:--font-source)"
      placeholder="x^2 = 2"
      spellcheck="false"
      value={checks.supposed}
      onchange={(event) => suppose(event.currentTarget.value)}
    />
    {#if unread}
      <span role="status">That is not read as an equation or inequality.</span>
    {/if}
  </label>
  <div class="mb-2 flex flex-wrap items-center gap-2">
    {#if progress}
      <progress
        class="progress progress-primary w-40"
        max={Math.max(1, progress.total)}
        value={progress.done}
        aria-label="Steps tested"
      ></progress>
      <span role="status">{progress.done} of {progress.total}</span>
      <button class="btn btn-sm" onclick={() => checks.stop()}>Stop</button>
    {:else}
      <button class="btn btn-sm" onclick={test}>Test all steps</button>
      <span role="status">
        {steps.length === 0 ? 'The sheet has no steps to test.' : `${tally(steps)}.`}
        {old ? 'The text has changed since.' : ''}
      </span>
    {/if}
  </div>
  {#if present.length > 1}
    <div class="mb-2 flex flex-wrap gap-1" role="group" aria-label="Which are listed">
      <button
        class="btn btn-xs {only === null ? 'btn-primary' : ''}"
        aria-pressed={only === null}
        onclick={() => (only = null)}>all</button
      >
      {#each present as result (result)}
        <button
          class="btn btn-xs {only === result ? 'btn-primary' : ''}"
          aria-pressed={only === result}
          onclick={() => (only = result)}>{RESULT_WORDS[result]}</button
        >
      {/each}
    </div>
  {/if}
  <StepList
    steps={shown}
    text={view?.state.doc.toString() ?? ''}
    {lineOf}
    glimpse={(source, preamble) => engine.glimpse(source, preamble)}
    ongo={go}
  />
{/snippet}
