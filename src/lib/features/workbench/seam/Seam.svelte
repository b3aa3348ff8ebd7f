<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import type { OutlineEntry } from '@odd-compass/engine';
  import type { EngineClient } from '../engine/engineClient.svelte';
  import type { SheetGeometry } from '../sheet/geometry';
  import List from '@lucide/svelte/icons/list';
  import ContentsList from './ContentsList.svelte';
  import { ribbonPath, ribbons, sourceExtent, sourceOffset } from './ribbons';

  interface Props {
    engine: EngineClient;
    view: EditorView | null;
    sheet: SheetGeometry | null;
    litBlock: number | null;
    /** Changes whenever the source moved. */
    tick: number;
    /** How far the source is scrolled, CSS pixels. */
    scrolled: number;
    /** Where the caret is. */
    caret: number;
    ongo: (offset: number) => void;
    /** Goes to a place of another file. */
    onelsewhere: (place: { readonly file: string; readonly from: number }) => void;
    onresize: (x: number) => void;
    /** Share of the width that the sheet has, in per cent. */
    share: number;
    onfold: () => void;
  }
  let {
    engine,
    view,
    sheet,
    litBlock,
    tick,
    scrolled,
    caret,
    ongo,
    onelsewhere,
    onresize,
    share,
    onfold,
  }: Props = $props();
  let contents = $state<ReturnType<typeof ContentsList>>();

  const WIDTH = 72;
  /** Height of a number's label, CSS pixels. */
  const LABEL = 17;
  /** Above it stands the button of the list. */
  const TOP = 36;
  const bands = $derived.by(() => {
    void tick;
    return view && sheet ? ribbons(view, engine.sighted, engine.blocks, sheet, scrolled) : [];
  });
  const marks = $derived.by(() => {
    void tick;
    if (!view || !sheet) return [];
    const current = view;
    const { height } = sheet;
    if (engine.findings.length === 0) return [];
    const offset = sourceOffset(current, scrolled);
    return engine.findings
      .map((finding) => ({
        finding,
        y: sourceExtent(current, finding.from, finding.from, offset).top + 11,
      }))
      .filter(({ y }) => y > -8 && y < height + 8);
  });
  const numbers = $derived.by(() => {
    if (!sheet) return [];
    const { tops, scale, scrollTop, height } = sheet;
    return engine.outline
      .filter(({ number }) => number !== '')
      .map((entry) => ({
        entry,
        y: (tops[entry.page] ?? 0) + entry.y * scale - scrollTop + 14,
      }))
      .filter(({ y }) => y > TOP && y < height)
      .sort((a, b) => a.y - b.y)
      .reduce<{ entry: OutlineEntry; y: number }[]>((shown, { entry, y }) => {
        // One below another: a little lower when it must be, left out when that were far off.
        const free = (shown.at(-1)?.y ?? -Infinity) + LABEL;
        return y < free - LABEL ? shown : [...shown, { entry, y: Math.max(y, free) }];
      }, []);
  });

  /** What is counted, as it is shortened in writing. */
  const SHORT: Readonly<Record<string, string>> = {
    Figure: 'Fig',
    Table: 'Tab',
    Theorem: 'Thm',
    Definition: 'Def',
    Proposition: 'Prop',
    Corollary: 'Cor',
    Remark: 'Rem',
    Example: 'Ex',
    Exercise: 'Ex',
    Lemma: 'Lem',
    Problem: 'Prob',
    Solution: 'Sol',
  };

  function label(entry: (typeof engine.outline)[number]): string {
    if (entry.kind === 'heading') return `§ ${entry.number}`;
    if (entry.title === 'equation') return `(${entry.number})`;
    const { title } = entry;
    const name = SHORT[title] ?? (title.length > 5 ? `${title.slice(0, 4)}.` : title);
    return `${name} ${entry.number}`;
  }

  const SEVERITY = { broken: 'Broken', off: 'Looks wrong', advice: 'Worth knowing' } as const;
  const SHAPES = {
    broken: 'M0 -6 6 0 0 6 -6 0Z',
    off: 'M0 -5.5 6 5 -6 5Z',
    advice: 'M-4 -4H4V4H-4Z',
  } as const;

  function drag(event: PointerEvent) {
    if ((event.target as Element).closest('button')) return;
    const strip = event.currentTarget as HTMLElement;
    strip.setPointerCapture(event.pointerId);
    const move = (e: PointerEvent) => onresize(e.clientX);
    const stop = () => {
      strip.removeEventListener('pointermove', move);
      strip.removeEventListener('pointerup', stop);
    };
    strip.addEventListener('pointermove', move);
    strip.addEventListener('pointerup', stop);
  }

  function key(event: KeyboardEvent) {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    const by = event.key === 'ArrowLeft' ? -24 : event.key === 'ArrowRight' ? 24 : 0;
    if (by !== 0) onresize(box.left + box.width / 2 + by);
    else if (event.key === 'Enter') onfold();
  }
</script>

<div
  class="relative shrink-0 overflow-hidden border-x border-base-300 bg-base-200"
  style="width:{WIDTH}px"
>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
  <div
    class="absolute inset-0 cursor-col-resize"
    role="separator"
    aria-orientation="vertical"
    aria-valuemin="0"
    aria-valuemax="100"
    aria-valuenow={share}
    aria-label="The seam: drag, or use the arrow keys, to give a side more room; Enter folds the sheet away"
    tabindex="0"
    onpointerdown={drag}
    ondblclick={onfold}
    onkeydown={key}
  >
    <svg class="h-full w-full" aria-hidden="true">
      {#each bands as band (band.block)}
        <path
          d={ribbonPath(band, WIDTH)}
          class={band.block === litBlock ? 'fill-primary/45' : 'fill-primary/12'}
          data-lit={band.block === litBlock}
        />
      {/each}
    </svg>
  </div>
  <button
    class="btn absolute top-1 left-1/2 z-1 btn-square -translate-x-1/2 btn-xs"
    aria-label="What stands on this sheet"
    title="What stands on this sheet (F4)"
    onclick={() => contents?.open()}><List size={14} /></button
  >
  {#each numbers as { entry, y } (`${entry.kind} ${entry.from} ${entry.number}`)}
    <button
      class="absolute left-1 max-w-full -translate-y-1/2 cursor-pointer truncate rounded-sm bg-base-100 px-1 text-[13px] leading-tight hover:underline"
      style="top:{y}px"
      title={entry.kind === 'heading'
        ? `${entry.number} ${entry.title}`
        : `${entry.title} ${entry.number}`}
      onclick={() => ongo(entry.from)}
    >
      {label(entry)}
    </button>
  {/each}
  {#each marks as { finding, y }, i (i)}
    <button
      class="absolute right-1 h-6 w-6 -translate-y-1/2 cursor-pointer {finding.severity === 'advice'
        ? 'text-info'
        : 'text-error'}"
      style="top:{y}px"
      aria-label="{SEVERITY[finding.severity]}: {finding.message}"
      title={finding.message}
      onclick={() => ongo(finding.from)}
    >
      <svg viewBox="-8 -8 16 16" class="h-full w-full"
        ><path d={SHAPES[finding.severity]} fill="currentColor" /></svg
      >
    </button>
  {/each}
</div>
<ContentsList
  bind:this={contents}
  entries={engine.contents}
  file={engine.path}
  {caret}
  ongo={({ file, from }) => (file === engine.path ? ongo(from) : onelsewhere({ file, from }))}
/>
