<script lang="ts">
  import type { LabelFact } from '@odd-compass/engine/worker';

  interface Props {
    label: string;
    labels: readonly LabelFact[];
    doc: string;
    ongo: (offset: number) => void;
  }
  let { label, labels, doc, ongo }: Props = $props();

  const names = $derived(
    label
      .split(',')
      .map((name) => name.trim())
      .filter((name) => name !== ''),
  );
  const escaped = (name: string): string => name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  const placeOf = (name: string): number => doc.indexOf(`\\label{${name}}`);
  /** Where the label is referred to. */
  const usesOf = (name: string): number[] =>
    [...doc.matchAll(new RegExp(`ref\\*?\\{(?:[^{}]*,\\s*)?${escaped(name)}\\s*[,}]`, 'g'))].map(
      ({ index }) => index,
    );
  const lineOf = (at: number): number => doc.slice(0, at).split('\n').length;
</script>

{#each names as name (name)}
  {@const fact = labels.find((l) => l.name === name)}
  {@const uses = usesOf(name)}
  <div class="flex flex-wrap items-center gap-3">
    {#if fact}
      <p>
        <code>{name}</code> is {fact.kind === '' ? 'number' : fact.kind}
        <strong>{fact.value}</strong>, referred to
        {uses.length === 1 ? 'once' : `${uses.length} times`}:
      </p>
      <div class="flex flex-wrap gap-1" role="group" aria-label="Who refers to {name}">
        {#each uses as at (at)}
          <button class="btn btn-xs" onclick={() => ongo(at)}>line {lineOf(at)}</button>
        {/each}
      </div>
      {#if placeOf(name) >= 0}
        <button class="btn btn-sm" onclick={() => ongo(placeOf(name))}>Go to it</button>
      {/if}
    {:else}
      <p>Nothing here has the label <code>{name}</code>.</p>
    {/if}
  </div>
{:else}
  <p>Type the label of what is referred to.</p>
{/each}
