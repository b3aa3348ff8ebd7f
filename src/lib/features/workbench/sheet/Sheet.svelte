<script lang="ts">
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import StretchHorizontal from '@lucide/svelte/icons/stretch-horizontal';
  import type { EngineClient } from '../engine/engineClient.svelte';
  import { blockExtent, sourceAt } from './hit';
  import { pageTops, type SheetGeometry } from './geometry';
  import type { Pictures } from './pictures.svelte';
  import SheetPage from './SheetPage.svelte';

  interface Props {
    engine: EngineClient;
    pictures: Pictures;
    /** The block the caret is in. */
    litBlock: number | null;
    onpick: (offset: number) => void;
    ongeometry: (geometry: SheetGeometry) => void;
  }
  let { engine, pictures, litBlock, onpick, ongeometry }: Props = $props();

  const STEPS = [0.5, 0.67, 0.8, 1, 1.25, 1.5, 2, 3];
  /** CSS pixels per big point at 100 %. */
  const NATURAL = 96 / 72;
  let scroller: HTMLElement;
  let width = $state(0);
  let height = $state(0);
  let scrollTop = $state(0);
  /** null fits the width. */
  let zoom = $state<number | null>(null);

  const widest = $derived(Math.max(1, ...engine.pages.map((page) => page.width)));
  const scale = $derived(zoom === null ? Math.max(0.3, (width - 40) / widest) : zoom * NATURAL);
  const tops = $derived(pageTops(engine.pages, scale));
  const total = $derived(tops.at(-1) ?? 0);
  const visible = $derived.by(() => {
    const first = Math.max(
      0,
      tops.findIndex((top, i) => (tops[i + 1] ?? top) > scrollTop),
    );
    let last = first;
    while (last + 1 < engine.pages.length && (tops[last + 1] as number) < scrollTop + height)
      last++;
    return { first, last };
  });

  $effect(() => {
    engine.view(Math.max(0, visible.first - 1), visible.last + 1);
  });
  $effect(() => {
    ongeometry({ tops, scale, scrollTop, height });
  });

  /** Brings a place of the sheet into sight, if it is not. */
  export function reveal(page: number, top: number, bottom: number) {
    const from = (tops[page] ?? 0) + top * scale;
    const to = (tops[page] ?? 0) + bottom * scale;
    if (from >= scroller.scrollTop + 8 && to <= scroller.scrollTop + height - 8) return;
    scroller.scrollTop = Math.max(0, from - height / 3);
  }

  function step(by: 1 | -1) {
    const now = scale / NATURAL;
    const next = by > 0 ? STEPS.find((s) => s > now + 0.02) : STEPS.findLast((s) => s < now - 0.02);
    zoom = next ?? zoom ?? now;
  }

  function pick(index: number, x: number, y: number) {
    const page = engine.sighted.get(index);
    const offset = page ? sourceAt(page.description, engine.blocks, x, y) : null;
    if (offset !== null) onpick(offset);
  }
</script>

<div class="relative flex min-h-0 flex-1 flex-col bg-base-300">
  <!-- Scrolled from the keyboard, so it can be focused. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div
    bind:this={scroller}
    bind:clientWidth={width}
    bind:clientHeight={height}
    onscroll={() => (scrollTop = scroller.scrollTop)}
    class="min-h-0 flex-1 overflow-auto"
    role="region"
    aria-label="The sheet"
    tabindex="0"
  >
    <div class="relative mx-auto" style="height:{total}px;width:{widest * scale}px">
      {#each engine.pages as info, i (i)}
        {@const page = engine.sighted.get(i)}
        <div
          class="absolute left-0"
          style="top:{tops[i]}px;width:{info.width * scale}px;height:{info.height * scale}px"
        >
          {#if page}
            <SheetPage
              {page}
              number={i + 1}
              {scale}
              outlines={engine.outlines}
              pictures={pictures.ready}
              lit={litBlock === null ? null : blockExtent(page.description, litBlock)}
              onpick={(x, y) => pick(i, x, y)}
            />
          {:else}
            <div class="h-full w-full bg-(--paper)"></div>
          {/if}
        </div>
      {/each}
    </div>
  </div>
  <div
    class="absolute right-5 bottom-4 flex items-center gap-1 rounded-box border border-base-300 bg-base-100 px-1 shadow"
  >
    <button class="btn btn-ghost btn-xs btn-square" onclick={() => step(-1)} aria-label="Smaller"
      ><Minus size={14} /></button
    >
    <span class="w-11 text-center text-sm"
      >{engine.pages.length === 0 ? '' : `${Math.round((scale / NATURAL) * 100)} %`}</span
    >
    <button class="btn btn-ghost btn-xs btn-square" onclick={() => step(1)} aria-label="Larger"
      ><Plus size={14} /></button
    >
    <button
      class="btn btn-ghost btn-xs btn-square"
      onclick={() => (zoom = null)}
      aria-label="As wide as there is room"><StretchHorizontal size={14} /></button
    >
  </div>
</div>
