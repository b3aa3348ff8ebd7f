<script lang="ts">
  import { runsOfLine } from '@odd-compass/engine/page';
  import type { Snippet } from 'svelte';
  import type { EngineClient, SightedPage } from '../engine/engineClient.svelte';
  import PaintedPage from './PaintedPage.svelte';
  import { textWidth } from './textWidth';

  interface Props {
    engine: EngineClient;
    page: SightedPage;
    /** Its index. */
    index: number;
    /** CSS pixels per big point. */
    scale: number;
    children?: Snippet;
    onpick: (x: number, y: number) => void;
  }
  let { engine, page, index, scale, children, onpick }: Props = $props();

  /** The words of a line laid over their picture, as wide as it; a pixel here is a big point. */
  function overlay(line: number, text: string): string {
    const [x = 0, y = 0, , height = 0, depth = 0] = page.description.lines.subarray(
      5 * line,
      5 * line + 5,
    );
    const runs = runsOfLine(page.description, line);
    const [first, last] = [runs[0], runs.at(-1)];
    if (!first || !last) return 'display:none';
    const left = first.x;
    const right = last.x + (last.along.at(-1) ?? 0) + last.size / 2;
    const fontSize = Math.max(4, Math.min(height + depth, 14));
    const natural = textWidth(text) * fontSize;
    // Spread letter by letter: a transform for each line would cost every frame of the window.
    const spread = (right - left - natural) / Math.max(1, text.length);
    return `margin:${y - height}px 0 0 ${Math.max(x, left)}px;font-size:${fontSize}px;line-height:${height + depth}px;letter-spacing:${spread}px`;
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
  aria-label="Page {index + 1}"
  onclick={pick}
>
  <PaintedPage {engine} page={index} {scale} class="block h-full w-full" />
  <!-- All lines in one cell: placed one by one, each would be a layer, and cost every frame.
       Scaled as a whole: at another size nothing in it is laid out again. -->
  <div
    class="words absolute top-0 left-0 grid origin-top-left grid-cols-1 grid-rows-1 overflow-hidden text-transparent"
    style="width:{page.description.width}px;height:{page.description
      .height}px;transform:scale({scale})"
  >
    {#each page.text as line, i (i)}
      <p
        class="col-start-1 row-start-1 self-start justify-self-start whitespace-pre"
        style={overlay(i, line)}
      >
        {line}
      </p>
    {/each}
  </div>
  {@render children?.()}
</article>
