<script lang="ts">
  import type { EngineClient } from '../engine/engineClient.svelte';

  interface Props {
    engine: EngineClient;
    /** Index of the page. */
    page: number;
    /** CSS pixels per big point. */
    scale: number;
    /** Is it painted anew only when the typing pauses? */
    pauses?: boolean;
    class?: string;
    style?: string;
  }
  let { engine, page, scale, pauses = false, class: name, style }: Props = $props();

  let id = $state(0);
  /** Can the canvas be handed to the painter's thread? Browsers have long been able to. */
  let able = $state(true);

  /** Hands the canvas to the painter; a canvas can be handed over only once. */
  function handOver(canvas: HTMLCanvasElement) {
    able = 'transferControlToOffscreen' in canvas;
    if (!able) return;
    const surface = engine.paintOn(canvas, pauses);
    id = surface;
    return () => engine.paintNoMore(surface);
  }
  $effect(() => {
    if (id > 0) engine.paintPage(id, page, scale * devicePixelRatio);
  });
</script>

{#key engine.generation}
  <canvas {@attach handOver} class={name} {style} aria-hidden="true"></canvas>
{/key}
{#if !able && !pauses}
  <p class="absolute inset-x-0 top-0 bg-base-200 p-3">
    This browser is too old to draw the page. The PDF can still be made, with all that is written.
  </p>
{/if}
