<script lang="ts">
  import type { PageDescription } from '@odd-compass/engine';
  import { HELD } from '@odd-compass/engine/colours';
  import type { BlockPlace, FoundSpan } from '@odd-compass/engine/worker';
  import {
    blockExtent,
    boxesInColour,
    caretPlace,
    foundBoxes,
    pictureBoxes,
    type PictureBox,
  } from './hit';

  interface Props {
    page: PageDescription;
    blocks: ReadonlyMap<number, BlockPlace>;
    /** CSS pixels per big point. */
    scale: number;
    caret: number;
    litBlock: number | null;
    /** Where something sought stands. */
    found: readonly FoundSpan[];
    onlink: (target: string) => void;
    /** A picture was drawn to another width, big points. */
    onresize: (picture: PictureBox, width: number) => void;
  }
  let { page, blocks, scale, caret, litBlock, found, onlink, onresize }: Props = $props();

  const LEAST = 18;
  const lit = $derived(litBlock === null ? null : blockExtent(page, litBlock));
  const bar = $derived(lit ? caretPlace(page, blocks, caret) : null);
  const held = $derived(boxesInColour(page, HELD));
  const pictures = $derived(pictureBoxes(page).filter(({ block }) => block === litBlock));
  /** The picture being drawn to another size, and its width now. */
  let drawn = $state.raw<{ picture: PictureBox; width: number } | null>(null);

  const links = $derived(
    page.linkTarget.map((target, i) => {
      const [left = 0, top = 0, width = 0, height = 0] = page.links.subarray(4 * i, 4 * i + 4);
      return { target, left, top, width, height };
    }),
  );
  const at = (box: { left: number; top: number; width: number; height: number }): string =>
    `left:${box.left * scale}px;top:${box.top * scale}px;width:${box.width * scale}px;height:${box.height * scale}px`;

  function draw(event: PointerEvent, picture: PictureBox) {
    event.preventDefault();
    const handle = event.currentTarget as HTMLElement;
    handle.setPointerCapture(event.pointerId);
    const start = event.clientX;
    const move = (e: PointerEvent) => {
      drawn = { picture, width: Math.max(LEAST, picture.width + (e.clientX - start) / scale) };
    };
    const stop = () => {
      handle.removeEventListener('pointermove', move);
      handle.removeEventListener('pointerup', stop);
      if (drawn) onresize(picture, drawn.width);
      drawn = null;
    };
    handle.addEventListener('pointermove', move);
    handle.addEventListener('pointerup', stop);
  }
  function keys(event: KeyboardEvent, picture: PictureBox) {
    const by = event.key === 'ArrowLeft' ? 0.95 : event.key === 'ArrowRight' ? 1.05 : null;
    if (by === null) return;
    event.preventDefault();
    onresize(picture, Math.max(LEAST, picture.width * by));
  }
</script>

{#if lit}
  <div
    class="pointer-events-none absolute left-0 w-1 bg-primary"
    data-testid="lit-block"
    style="top:{lit.top * scale}px;height:{(lit.bottom - lit.top) * scale}px"
  ></div>
{/if}
{#if bar}
  <div
    class="pointer-events-none absolute w-0.5 bg-primary"
    data-testid="page-caret"
    style="left:{bar.left * scale - 1}px;top:{bar.top * scale}px;height:{bar.height * scale}px"
  ></div>
{/if}
{#each held as box, i (i)}
  <div
    class="pointer-events-none absolute border border-dashed border-error"
    data-testid="held"
    title="Broken now; this is how it was"
    style={at(box)}
  ></div>
{/each}
{#each foundBoxes(found) as box, i (i)}
  <div
    class="pointer-events-none absolute bg-primary/25 outline outline-primary"
    data-testid="found"
    style={at(box)}
  ></div>
{/each}
{#each links as link, i (i)}
  {#if link.target.startsWith('#')}
    <button
      class="absolute cursor-pointer"
      style={at(link)}
      aria-label="Go to what is referred to"
      onclick={(event) => {
        event.stopPropagation();
        onlink(link.target.slice(1));
      }}
    ></button>
  {:else if /^(https?:|mailto:)/.test(link.target)}
    <a
      class="absolute"
      style={at(link)}
      href={link.target}
      target="_blank"
      rel="noopener noreferrer"
      aria-label={link.target}
      onclick={(event) => event.stopPropagation()}
    ></a>
  {/if}
{/each}
{#each pictures as picture, i (i)}
  {@const width = drawn?.picture === picture ? drawn.width : picture.width}
  <div
    class="pointer-events-none absolute border border-primary"
    style={at({ ...picture, width, height: (picture.height * width) / picture.width })}
  ></div>
  <button
    class="absolute h-4 w-4 -translate-1/2 cursor-nwse-resize rounded-full border-2 border-primary bg-base-100"
    style="left:{(picture.left + width) * scale}px;top:{(picture.top +
      (picture.height * width) / picture.width) *
      scale}px"
    aria-label="Width of {picture.file}: drag, or use the arrow keys"
    onpointerdown={(event) => draw(event, picture)}
    onkeydown={(event) => keys(event, picture)}
    onclick={(event) => event.stopPropagation()}
  ></button>
{/each}
