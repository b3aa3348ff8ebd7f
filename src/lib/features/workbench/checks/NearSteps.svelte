<script lang="ts">
  import type { ToldStep } from '@odd-compass/checks';
  import type { Glimpse } from '@odd-compass/engine/worker';
  import StepDetails from './StepDetails.svelte';
  import StepMark from './StepMark.svelte';

  interface Props {
    /** The steps of one line. */
    steps: readonly ToldStep[];
    text: string;
    /** What the writer supposes besides. */
    supposed: string;
    glimpse: (source: string, preamble: string) => Promise<Glimpse | null>;
  }
  let { steps, text, supposed, glimpse }: Props = $props();

  let opened = $state<number | null>(null);
  const open = $derived(steps.find(({ from }) => from === opened) ?? null);
</script>

{#each steps as step (step.from)}
  <button
    class="cursor-pointer"
    aria-expanded={opened === step.from}
    title={step.why}
    onclick={() => (opened = opened === step.from ? null : step.from)}
  >
    <StepMark result={step.result} />
  </button>
{/each}
{#if open}
  <div class="basis-full pl-8">
    <StepDetails step={open} {text} {glimpse} />
    {#if supposed !== ''}<p class="pl-4 text-sm">Supposed besides: <code>{supposed}</code></p>{/if}
  </div>
{/if}
