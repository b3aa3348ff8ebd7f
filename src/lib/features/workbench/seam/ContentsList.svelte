<script lang="ts">
  import Panel from '$lib/ui/Panel.svelte';
  import type { PlacedEntry } from '../engine/partWindow';
  import { contentsLines, lineHere, type ContentsSort } from './contents';

  interface Props {
    entries: readonly PlacedEntry[];
    /** The file that is written in, and the caret in it. */
    file: string;
    caret: number;
    ongo: (entry: PlacedEntry) => void;
  }
  let { entries, file, caret, ongo }: Props = $props();

  const SORTS: readonly (readonly [ContentsSort, string])[] = [
    ['all', 'All'],
    ['headings', 'Headings'],
    ['statements', 'Statements'],
    ['figures', 'Figures'],
    ['equations', 'Equations'],
  ];
  let panel = $state<ReturnType<typeof Panel>>();
  let sort = $state<ContentsSort>('all');
  const lines = $derived(contentsLines(entries, sort));
  const here = $derived(lineHere(lines, file, caret));

  export const open = (): void => panel?.open();

  function go(entry: PlacedEntry) {
    panel?.close();
    ongo(entry);
  }
  function keys(event: KeyboardEvent) {
    if (event.key !== 'F4') return;
    event.preventDefault();
    open();
  }
</script>

<svelte:window onkeydown={keys} />
<Panel bind:this={panel} title="On this sheet">
  <div class="mb-2 flex flex-wrap gap-1" role="group" aria-label="What is listed">
    {#each SORTS as [one, words] (one)}
      <button
        class="btn btn-xs {sort === one ? 'btn-primary' : ''}"
        aria-pressed={sort === one}
        onclick={() => (sort = one)}>{words}</button
      >
    {/each}
  </div>
  {#if lines.length === 0}
    <p class="py-3">Nothing on this sheet has a heading or a number yet.</p>
  {:else}
    <ol>
      {#each lines as { entry, words, depth }, i (i)}
        <li>
          <button
            class="flex w-full cursor-pointer items-baseline gap-3 rounded-sm px-2 py-1 text-left hover:bg-base-200 {i ===
            here
              ? 'bg-base-200'
              : ''} {entry.kind === 'heading' ? 'font-bold' : ''}"
            style="padding-left:{0.5 + depth}rem"
            aria-current={i === here ? 'location' : undefined}
            onclick={() => go(entry)}
          >
            <span class="min-w-0 flex-1 truncate">{words}</span>
            <span class="text-sm font-normal text-secondary">page {entry.page + 1}</span>
          </button>
        </li>
      {/each}
    </ol>
  {/if}
</Panel>
