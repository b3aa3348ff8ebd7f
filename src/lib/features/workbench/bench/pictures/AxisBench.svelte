<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import { change } from '../change';
  import type { LineEdit } from '../classLine';
  import type { BodyPlace } from '../context';
  import { domainOf, newPlot, readAxis, withLegend, withoutPlot, type Plot } from './axes';
  import { valueOf, withKey } from './optionText';
  import { choose, chosenOf, COLOUR, DASHES, WIDTH, type Choice } from './statements';

  let {
    view,
    place,
    state: source,
  }: { view: EditorView; place: BodyPlace; state: EditorState } = $props();

  const FIELDS = [
    ['xlabel', 'Below'],
    ['ylabel', 'Beside'],
    ['xmin', 'x from'],
    ['xmax', 'to'],
    ['ymin', 'y from'],
    ['ymax', 'to'],
    ['title', 'Above'],
  ] as const;
  const LINES = [
    ['', 'a box'],
    ['middle', 'through the origin'],
    ['left', 'left and below'],
    ['none', 'none'],
  ] as const;
  const GRIDS = [
    ['', 'none'],
    ['major', 'at the numbers'],
    ['both', 'finer'],
  ] as const;

  const body = $derived(source.sliceDoc(place.bodyFrom, place.bodyTo));
  const axis = $derived(readAxis(body, place.bodyFrom));
  const set = (edit: LineEdit | null) => edit && change(view, edit);
  const setDomain = (plot: Plot, from: string, to: string) =>
    set(withKey(plot.options, 'domain', `${from}:${to}`));

  function add() {
    const edit = { from: axis.end, to: axis.end, insert: `\n    ${newPlot()}` };
    change(view, edit);
  }
</script>

{#snippet choice(plot: Plot, one: Choice)}
  {@const now = chosenOf({ ...plot, command: 'addplot' }, one)}
  <label class="flex items-center gap-1.5">
    <span>{one.title}</span>
    <select
      class="select select-sm w-28"
      value={now}
      onchange={(event) =>
        set(choose({ ...plot, command: 'addplot' }, one, event.currentTarget.value))}
    >
      {#if !one.values.some(([value]) => value === now)}<option value={now}>{now}</option>{/if}
      {#each one.values as [value, words] (value)}<option {value}>{words}</option>{/each}
    </select>
  </label>
{/snippet}

{#snippet list(key: string, title: string, values: readonly (readonly [string, string])[])}
  {@const now = valueOf(axis.options, key) ?? ''}
  <label class="flex items-center gap-1.5">
    <span>{title}</span>
    <select
      class="select select-sm w-36"
      value={now}
      onchange={(event) => set(withKey(axis.options, key, event.currentTarget.value))}
    >
      {#if !values.some(([value]) => value === now)}<option value={now}>{now}</option>{/if}
      {#each values as [value, words] (value)}<option {value}>{words}</option>{/each}
    </select>
  </label>
{/snippet}

<ol class="flex flex-col gap-1.5" aria-label="What is drawn in the axes">
  {#each axis.plots as plot, i (i)}
    {@const [from, to] = domainOf(plot, axis)}
    <li class="flex flex-wrap items-center gap-x-3 gap-y-1">
      <label class="flex items-center gap-1.5">
        <span>{plot.kind === 'function' ? 'Function' : 'Points'} {i + 1}</span>
        <input
          class="input input-sm w-52 font-mono"
          value={plot.drawn.text}
          spellcheck="false"
          onchange={(event) => set({ ...plot.drawn, insert: event.currentTarget.value })}
        />
      </label>
      {#if plot.kind === 'function'}
        <label class="flex items-center gap-1.5">
          <span>from</span>
          <input
            class="input input-sm w-16"
            value={from}
            onchange={(event) => setDomain(plot, event.currentTarget.value, to)}
          />
        </label>
        <label class="flex items-center gap-1.5">
          <span>to</span>
          <input
            class="input input-sm w-16"
            value={to}
            onchange={(event) => setDomain(plot, from, event.currentTarget.value)}
          />
        </label>
      {/if}
      {@render choice(plot, COLOUR)}
      {@render choice(plot, WIDTH)}
      {@render choice(plot, DASHES)}
      <label class="flex items-center gap-1.5">
        <span>Legend</span>
        <input
          class="input input-sm w-28"
          value={plot.legend?.text ?? ''}
          onchange={(event) => set(withLegend(plot, event.currentTarget.value))}
        />
      </label>
      <button
        class="btn btn-sm"
        aria-label="Take out {plot.kind === 'function' ? 'function' : 'points'} {i + 1}"
        onclick={() => change(view, withoutPlot(body, place.bodyFrom, plot))}>Take out</button
      >
    </li>
  {/each}
</ol>
<div class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1.5" role="group" aria-label="The axes">
  <button class="btn btn-sm" onclick={add}>Add a function</button>
  {@render list('axis lines', 'Lines', LINES)}
  {@render list('grid', 'Grid', GRIDS)}
  {#each FIELDS as [key, title] (key)}
    <label class="flex items-center gap-1.5">
      <span>{title}</span>
      <input
        class="input input-sm {/label|title/.test(key) ? 'w-28' : 'w-16'}"
        aria-label={key}
        value={valueOf(axis.options, key) ?? ''}
        onchange={(event) => set(withKey(axis.options, key, event.currentTarget.value.trim()))}
      />
    </label>
  {/each}
</div>
