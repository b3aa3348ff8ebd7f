<script lang="ts">
  import type { ToldStep } from '@odd-compass/checks';
  import type { Glimpse } from '@odd-compass/engine/worker';
  import { partOf, shownSource } from './outcomes';
  import StepDetails from './StepDetails.svelte';
  import StepMark from './StepMark.svelte';

  interface Props {
    steps: readonly ToldStep[];
    text: string;
    lineOf: (at: number) => number;
    glimpse: (source: string, preamble: string) => Promise<Glimpse | null>;
    ongo: (at: number) => void;
  }
  let { steps, text, lineOf, glimpse, ongo }: Props = $props();

  let opened = $state<number | null>(null);
  function sourceOf(step: ToldStep): string {
    const part = partOf(text, step);
    if (part !== null) return `in ${part}: ${step.reading ?? step.relation}`;
    const pieces = shownSource(text, step).map((piece) => piece.text);
    return pieces.join('').replace(/\s+/g, ' ');
  }
</script>

<ol class="flex flex-col">
  {#each steps as step, i (i)}
    <li class="border-b border-base-300 py-1">
      <div class="flex items-center gap-2">
        <button class="btn btn-xs w-16 shrink-0 font-normal" onclick={() => ongo(step.from)}
          >line {lineOf(step.from)}</button
        >
        <button
          class="flex min-w-0 flex-1 cursor-pointer items-center gap-2 text-left"
          aria-expanded={opened === i}
          onclick={() => (opened = opened === i ? null : i)}
        >
          <code class="min-w-0 flex-1 truncate text-sm">{sourceOf(step)}</code>
          <StepMark result={step.result} />
        </button>
      </div>
      {#if opened === i}
        <StepDetails {step} {text} {glimpse} />
      {/if}
    </li>
  {/each}
</ol>
