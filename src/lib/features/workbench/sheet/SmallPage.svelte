<script lang="ts">
  import type { PageDescription } from '@odd-compass/engine';
  import { paintPage } from './paint';
  import type { Drawable } from './pictures.svelte';

  interface Props {
    page: PageDescription | null;
    /** CSS pixels. */
    width: number;
    height: number;
    outlines: ReadonlyMap<number, Path2D>;
    pictures: ReadonlyMap<string, Drawable>;
  }
  let { page, width, height, outlines, pictures }: Props = $props();

  const UNITS_PER_EM = 1000;
  /** What changes on the page is drawn small when the typing pauses. */
  const PAUSE = 400;
  let canvas: HTMLCanvasElement;
  let drawn = false;

  $effect(() => {
    const shown = page;
    const known = pictures;
    if (!shown) return;
    const draw = () => {
      const context = canvas.getContext('2d', { alpha: false });
      if (!context) return;
      canvas.width = Math.round(width * devicePixelRatio);
      canvas.height = Math.round(height * devicePixelRatio);
      const scale = canvas.width / shown.width;
      paintPage(context, shown, { scale, outlines, unitsPerEm: UNITS_PER_EM, pictures: known });
      drawn = true;
    };
    const timer = setTimeout(draw, drawn ? PAUSE : 0);
    return () => clearTimeout(timer);
  });
</script>

<canvas
  bind:this={canvas}
  class="bg-(--paper) shadow"
  style="width:{width}px;height:{height}px"
  aria-hidden="true"
></canvas>
