<script lang="ts">
  import type { EngineClient } from '../engine/engineClient.svelte';
  import PaintedPage from './PaintedPage.svelte';

  interface Props {
    engine: EngineClient;
    /** Index of the page. */
    page: number;
    /** CSS pixels. */
    width: number;
  }
  let { engine, page, width }: Props = $props();
  const info = $derived(engine.pages[page]);
</script>

{#if info}
  <PaintedPage
    {engine}
    {page}
    scale={width / info.width}
    pauses
    class="bg-(--paper) shadow"
    style="width:{width}px;height:{(width * info.height) / info.width}px"
  />
{/if}
