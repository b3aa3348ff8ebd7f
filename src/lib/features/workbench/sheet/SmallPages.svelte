<script lang="ts">
  import type { PageRange } from '@odd-compass/engine/worker';
  import type { EngineClient } from '../engine/engineClient.svelte';
  import SmallPage from './SmallPage.svelte';

  interface Props {
    engine: EngineClient;
    /** The page in sight on the sheet, from 0. */
    current: number;
    onpick: (page: number) => void;
    onrange: (range: PageRange) => void;
  }
  let { engine, current, onpick, onrange }: Props = $props();

  const WIDTH = 96;
  const GAP = 34;
  let scroller: HTMLElement;
  let scrollTop = $state(0);
  let height = $state(0);

  const first = $derived(engine.pages[0]);
  const pageHeight = $derived(first ? (WIDTH * first.height) / first.width : WIDTH * 1.4);
  const range = $derived<PageRange>({
    first: Math.max(0, Math.floor(scrollTop / (pageHeight + GAP)) - 1),
    last: Math.ceil((scrollTop + height) / (pageHeight + GAP)),
  });

  $effect(() => onrange(range));

  /** The page in sight stays in sight here too. */
  $effect(() => {
    const top = current * (pageHeight + GAP);
    if (top < scroller.scrollTop || top + pageHeight > scroller.scrollTop + scroller.clientHeight)
      scroller.scrollTop = Math.max(0, top - scroller.clientHeight / 3);
  });
</script>

<div
  bind:this={scroller}
  bind:clientHeight={height}
  onscroll={() => (scrollTop = scroller.scrollTop)}
  class="w-32 shrink-0 overflow-y-auto border-r border-base-300 bg-base-200"
  role="group"
  aria-label="All pages, small"
>
  <div class="relative" style="height:{engine.pages.length * (pageHeight + GAP)}px">
    {#each engine.pages.keys() as i (i)}
      {#if i >= range.first && i <= range.last}
        <button
          class="absolute left-2 flex w-28 cursor-pointer flex-col items-center rounded-(--radius-field) p-1 hover:bg-base-300 {i ===
          current
            ? 'bg-base-300 font-bold'
            : ''}"
          style="top:{i * (pageHeight + GAP)}px"
          aria-current={i === current ? 'page' : undefined}
          onclick={() => onpick(i)}
        >
          <SmallPage {engine} page={i} width={WIDTH} />
          <span class="text-sm">page {i + 1}</span>
        </button>
      {/if}
    {/each}
  </div>
</div>
