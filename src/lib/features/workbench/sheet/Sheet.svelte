<script lang="ts">
  import type { FoundPlace, PageInfo, PageRange } from '@odd-compass/engine/worker';
  import type { EngineClient } from '../engine/engineClient.svelte';
  import { keep, kept } from '$lib/ui/kept';
  import { tick, untrack } from 'svelte';
  import { sourceAt, type PictureBox } from './hit';
  import {
    extentOfPages,
    GAP,
    heightOf,
    NATURAL,
    pageTops,
    placeAt,
    scaleFor,
    type SheetGeometry,
    type Zoom,
  } from './geometry';
  import type { HeldPicture } from './heldPicture';
  import PageMarks from './PageMarks.svelte';
  import PictureHandles from './PictureHandles.svelte';
  import SheetFind from './SheetFind.svelte';
  import SheetPage from './SheetPage.svelte';
  import SheetTools from './SheetTools.svelte';
  import SmallPages from './SmallPages.svelte';

  interface Props {
    /** What the sheet goes by where one remembers how it is seen. */
    id: string;
    engine: EngineClient;
    /** Offset of the caret, and the block it is in. */
    caret: number;
    litBlock: number | null;
    /** The picture described in text that the caret is in. */
    held: HeldPicture | null;
    onpick: (offset: number) => void;
    ongeometry: (geometry: SheetGeometry) => void;
    onresize: (picture: PictureBox, width: number) => void;
  }
  let { id, engine, caret, litBlock, held, onpick, ongeometry, onresize }: Props = $props();

  const STEPS = [0.5, 0.67, 0.8, 1, 1.25, 1.5, 2, 3];
  const BARE = 3;
  const FITS: readonly unknown[] = ['text', 'width', 'page'];
  let scroller: HTMLElement;
  let width = $state(0);
  let height = $state(0);
  let scrollTop = $state(0);
  // Another sheet is another component.
  // svelte-ignore state_referenced_locally
  const zoomKey = `odd-compass-zoom ${id}`;
  let zoom = $state<Zoom>(zoomOf(kept(zoomKey)));
  let small = $state(false);
  let finding = $state(false);
  let found = $state.raw<FoundPlace | null>(null);
  let smallRange = $state.raw<PageRange | null>(null);
  /** A label whose place is scrolled to when its page has come. */
  let sought = $state<string | null>(null);

  const extent = $derived(extentOfPages(engine.pages));
  /** Where the middle of the text lies, big points from the left edge of the paper. */
  const middle = $derived((extent.textLeft + extent.textRight) / 2);
  const scale = $derived(scaleFor(zoom, extent, width, height));
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
  /** The page that fills most of the window, from 0. */
  const current = $derived.by(() => {
    const middle = scrollTop + height / 2;
    const at = tops.findLastIndex((top) => top <= middle);
    return Math.max(0, Math.min(at, engine.pages.length - 1));
  });
  /** Pages that are painted: those in sight and their neighbours. */
  const ready = $derived({ first: Math.max(0, visible.first - 1), last: visible.last + 1 });
  /** Around them lies bare paper, for those who scroll fast. */
  const near = $derived.by(() => {
    const first = Math.max(0, ready.first - BARE);
    const last = Math.min(engine.pages.length - 1, ready.last + BARE);
    return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => first + i);
  });
  const ranges = $derived([ready, ...(small && smallRange ? [smallRange] : [])]);

  $effect(() => engine.view(ranges));
  $effect(() => {
    ongeometry({ tops, scale, scrollTop, height });
  });
  $effect(() => {
    if (sought === null) return;
    for (const [index, { description }] of engine.sighted) {
      const at = description.anchorName.indexOf(sought);
      if (at < 0) continue;
      sought = null;
      const y = description.anchors[2 * at + 1] ?? 0;
      return reveal(index, Math.max(0, y - 20), y + 20);
    }
  });

  /** Brings a place of the sheet into sight, if it is not. */
  export function reveal(page: number, top: number, bottom: number) {
    const from = (tops[page] ?? 0) + top * scale;
    const to = (tops[page] ?? 0) + bottom * scale;
    // How far it is scrolled is known: to ask the scroller would lay the page out on every key.
    if (from >= scrollTop + 8 && to <= scrollTop + height - 8) return;
    scroller.scrollTop = Math.max(0, from - height / 3);
  }

  const goTo = (page: number) => (scroller.scrollTop = Math.max(0, (tops[page] ?? 0) - GAP / 2));

  /** What was kept, if it can be a zoom: as wide as its text, when nothing was. */
  function zoomOf(kept: unknown): Zoom {
    const isFactor = typeof kept === 'number' && kept >= 0.3 && kept <= 4;
    return isFactor || FITS.includes(kept) ? (kept as Zoom) : 'text';
  }

  /** Larger or smaller, with a point of the window staying over the same place of the sheet. */
  async function zoomTo(next: Zoom, x = width / 2, y = height / 2) {
    const { pages } = engine;
    const place = placeAt(pages, scale, scroller.scrollTop + y);
    const left = Math.max(0, (width - extent.width * scale) / 2);
    const across = (scroller.scrollLeft + x - left) / scale;
    zoom = next;
    keep(zoomKey, next);
    await tick();
    scroller.scrollTop = heightOf(pages, scale, place) - y;
    if (typeof next === 'number') scroller.scrollLeft = across * scale - x;
  }

  function step(by: 1 | -1) {
    const now = scale / NATURAL;
    const next = by > 0 ? STEPS.find((s) => s > now + 0.02) : STEPS.findLast((s) => s < now - 0.02);
    void zoomTo(next ?? now);
  }

  /** Two fingers, or the wheel with Ctrl: larger and smaller around the pointer. */
  function pinch(event: WheelEvent) {
    if (!event.ctrlKey) return;
    event.preventDefault();
    const box = scroller.getBoundingClientRect();
    const now = scale / NATURAL;
    const next = Math.min(4, Math.max(0.3, now * Math.exp(-event.deltaY / 300)));
    void zoomTo(next, event.clientX - box.left, event.clientY - box.top);
  }

  /** Paper wider than its window shows the text, until one scrolls it elsewhere. */
  $effect(() => {
    const drawn = typeof zoom === 'string' ? scale : untrack(() => scale);
    scroller.scrollLeft = Math.max(0, middle * drawn - width / 2);
  });

  function pick(index: number, x: number, y: number) {
    const page = engine.sighted.get(index);
    const offset = page ? sourceAt(page.description, engine.blocks, x, y) : null;
    if (offset !== null) onpick(offset);
  }

  async function follow(label: string) {
    const page = await engine.pageOf(label);
    if (page < 0) return;
    sought = label;
    if (!engine.sighted.has(page)) goTo(page);
  }

  function showFound(place: FoundPlace | null) {
    found = place;
    if (!place) return;
    const y = place.spans[0]?.y ?? 0;
    reveal(place.page, Math.max(0, y - 20), y + 10);
  }
  /** A page that came only now: the line sought is brought into sight. */
  $effect(() => {
    if (found && engine.sighted.has(found.page)) showFound(found);
  });

  function keys(event: KeyboardEvent) {
    if (!(event.ctrlKey || event.metaKey)) return;
    if (event.key === 'f') finding = true;
    else if (event.key === '+' || event.key === '=') step(1);
    else if (event.key === '-') step(-1);
    else if (event.key === '0') void zoomTo('text');
    else return;
    event.preventDefault();
  }
</script>

<div class="relative flex min-h-0 min-w-0 flex-1 bg-base-300">
  {#if small}
    <SmallPages {engine} {current} onpick={goTo} onrange={(range) => (smallRange = range)} />
  {/if}
  <div class="flex min-h-0 min-w-0 flex-1 flex-col">
    {#if finding}
      <SheetFind
        find={(text) => engine.find(text)}
        revision={engine.pagesRevision}
        ongo={showFound}
        onclose={() => {
          finding = false;
          scroller.focus();
        }}
      />
    {/if}
    <!-- Scrolled from the keyboard, so it can be focused. -->
    <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
    <div
      bind:this={scroller}
      bind:clientWidth={width}
      bind:clientHeight={height}
      onscroll={() => (scrollTop = scroller.scrollTop)}
      onwheel={pinch}
      onkeydown={keys}
      class="min-h-0 flex-1 overflow-auto"
      role="region"
      aria-label="The sheet"
      tabindex="0"
    >
      <div class="relative mx-auto" style="height:{total}px;width:{extent.width * scale}px">
        {#each near as i (i)}
          {@const info = engine.pages[i] as PageInfo}
          {@const page = engine.sighted.get(i)}
          <div
            class="absolute left-0"
            style="top:{tops[i]}px;width:{info.width * scale}px;height:{info.height * scale}px"
          >
            {#if page && i >= ready.first && i <= ready.last}
              <SheetPage {engine} {page} index={i} {scale} onpick={(x, y) => pick(i, x, y)}>
                <PageMarks
                  page={page.description}
                  blocks={engine.blocks}
                  {scale}
                  {caret}
                  {litBlock}
                  found={found?.page === i ? found.spans : []}
                  onlink={follow}
                  {onresize}
                />
                {#if held}
                  <PictureHandles page={page.description} blocks={engine.blocks} {scale} {held} />
                {/if}
              </SheetPage>
            {:else}
              <div class="h-full w-full bg-(--paper)"></div>
            {/if}
          </div>
        {/each}
      </div>
    </div>
  </div>
  <SheetTools
    page={current + 1}
    pages={engine.pages.length}
    percent={Math.round((scale / NATURAL) * 100)}
    {small}
    ongo={(page) => goTo(page - 1)}
    onstep={step}
    onfit={zoomTo}
    onsmall={() => (small = !small)}
    onfind={() => (finding = !finding)}
  />
</div>
