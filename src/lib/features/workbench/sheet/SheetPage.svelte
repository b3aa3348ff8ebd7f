<script lang="ts">
  import type { PageDescription } from '@odd-compass/engine';
  import type { Snippet } from 'svelte';
  import type { SightedPage } from '../engine/engineClient.svelte';
  import { changedBand } from './changedBand';
  import { paintPage } from './paint';
  import type { Drawable } from './pictures.svelte';
  import { textWidth } from './textWidth';

  interface Props {
    page: SightedPage;
    number: number;
    /** CSS pixels per big point. */
    scale: number;
    outlines: ReadonlyMap<number, Path2D>;
    pictures: ReadonlyMap<string, Drawable>;
    children?: Snippet;
    onpick: (x: number, y: number) => void;
  }
  let { page, number, scale, outlines, pictures, children, onpick }: Props = $props();

  const UNITS_PER_EM = 1000;
  let canvas: HTMLCanvasElement;
  let painted: {
    description: PageDescription;
    scale: number;
    pictures: ReadonlyMap<string, Drawable>;
  } | null = null;
  $effect(() => {
    const { description } = page;
    const device = scale * devicePixelRatio;
    const context = canvas.getContext('2d', { alpha: false });
    if (!context) return;
    const options = { scale: device, outlines, unitsPerEm: UNITS_PER_EM, pictures };
    const before = painted;
    painted = { description, scale: device, pictures };
    if (before?.scale === device && before.pictures === pictures) {
      const band = changedBand(before.description, description);
      if (band !== 'all') {
        if (band) paintPage(context, description, options, band);
        return;
      }
    }
    canvas.width = Math.round(description.width * device);
    canvas.height = Math.round(description.height * device);
    paintPage(context, description, options);
  });

  /** The words of a line laid over their picture, as wide as it. */
  function overlay(line: number, text: string): string {
    const [x = 0, y = 0, , height = 0, depth = 0] = page.description.lines.subarray(
      5 * line,
      5 * line + 5,
    );
    const first = page.description.lineRun[line] as number;
    const end = page.description.lineRun[line + 1] as number;
    if (end <= first) return 'display:none';
    const left = page.description.runX[first] as number;
    const lastRun = end - 1;
    const lastGlyph = (page.description.runStart[end] as number) - 1;
    const size = page.description.runSize[lastRun] as number;
    const right =
      (page.description.runX[lastRun] as number) +
      (page.description.glyphX[lastGlyph] ?? 0) +
      size / 2;
    const fontSize = Math.max(4, Math.min(height + depth, 14)) * scale;
    const natural = textWidth(text) * fontSize;
    // Spread letter by letter: a transform for each line would cost every frame of the window.
    const spread = ((right - left) * scale - natural) / Math.max(1, text.length);
    return `left:${Math.max(x, left) * scale}px;top:${(y - height) * scale}px;font-size:${fontSize}px;line-height:${(height + depth) * scale}px;letter-spacing:${spread}px`;
  }

  function pick(event: MouseEvent) {
    if (!getSelection()?.isCollapsed) return;
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    onpick((event.clientX - box.left) / scale, (event.clientY - box.top) / scale);
  }
</script>

<!-- The caret goes where the page is clicked; from the keyboard it is moved in the source itself. -->
<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
<article
  class="relative cursor-text bg-(--paper) shadow-md"
  style="width:{page.description.width * scale}px;height:{page.description.height * scale}px"
  aria-label="Page {number}"
  onclick={pick}
>
  <canvas bind:this={canvas} class="block h-full w-full" aria-hidden="true"></canvas>
  <div class="words absolute inset-0 overflow-hidden text-transparent">
    {#each page.text as line, i (i)}
      <p class="absolute whitespace-pre" style={overlay(i, line)}>{line}</p>
    {/each}
  </div>
  {@render children?.()}
</article>
