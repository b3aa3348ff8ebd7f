<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import CellGrid from '../CellGrid.svelte';
  import { change } from '../change';
  import type { LineEdit } from '../classLine';
  import type { BodyPlace } from '../context';
  import { squared } from '../grid';
  import {
    BENDS,
    KINDS,
    PLAIN,
    readDiagram,
    withArrow,
    withLook,
    withMore,
    withObject,
    withoutArrow,
    type Arrow,
    type ArrowLook,
  } from './diagrams';

  let {
    view,
    place,
    state: source,
  }: { view: EditorView; place: BodyPlace; state: EditorState } = $props();

  const body = $derived(source.sliceDoc(place.bodyFrom, place.bodyTo));
  const diagram = $derived(readDiagram(body, place.bodyFrom));
  const texts = $derived(squared(diagram.cells.map((row) => row.map(({ object }) => object))));
  let at = $state<readonly [number, number]>([0, 0]);
  let target = $state('');
  let label = $state('');
  let kind = $state('');

  /** Every other object, by the place of its cell. */
  const targets = $derived(
    texts.flatMap((row, r) =>
      row.flatMap((object, c) =>
        r === at[0] && c === at[1] ? [] : [{ value: `${r} ${c}`, words: nameOf(object, r, c) }],
      ),
    ),
  );
  const chosen = $derived(
    targets.some(({ value }) => value === target) ? target : (nearest() ?? ''),
  );
  /** The object behind the one at hand, or below it. */
  function nearest(): string | undefined {
    const beside = [`${at[0]} ${at[1] + 1}`, `${at[0] + 1} ${at[1]}`];
    return beside.find((one) => targets.some(({ value }) => value === one)) ?? targets[0]?.value;
  }
  function nameOf(object: string, r: number, c: number): string {
    return object === '' ? `row ${r + 1}, column ${c + 1}` : object;
  }
  const named = ([r, c]: readonly [number, number]): string => nameOf(texts[r]?.[c] ?? '', r, c);

  const set = (edit: LineEdit | readonly LineEdit[] | null) => edit && change(view, edit);
  const look = (arrow: Arrow, next: Partial<ArrowLook>) =>
    set(withLook(arrow, { ...arrow.look, ...next }));
  function draw(event: SubmitEvent) {
    event.preventDefault();
    const [r = 0, c = 0] = chosen.split(' ').map(Number);
    set(withArrow(diagram, at, [r, c], { ...PLAIN, label: label.trim(), kind }));
    label = '';
  }
</script>

{#snippet choice(
  title: string,
  values: readonly (readonly [string, string])[],
  now: string,
  onset: (value: string) => void,
)}
  <select
    class="select select-sm w-32"
    aria-label={title}
    value={now}
    onchange={(event) => onset(event.currentTarget.value)}
  >
    {#each values as [value, words] (value)}<option {value}>{words}</option>{/each}
  </select>
{/snippet}

<div class="flex flex-wrap items-start gap-4">
  <div class="flex flex-col gap-1.5">
    <CellGrid
      bind:at
      {texts}
      label="The objects, {texts.length} rows, {texts[0]?.length ?? 1} columns"
      onset={(r, c, text) => set(withObject(diagram, [r, c], text))}
      onaddrow={() => set(withMore(body, place.bodyFrom, diagram, 'row'))}
      onaddcolumn={() => set(withMore(body, place.bodyFrom, diagram, 'column'))}
      onrewrite={() => undefined}
      onleave={() => view.focus()}
    />
    <div class="flex gap-1.5">
      <button class="btn btn-sm" onclick={() => set(withMore(body, place.bodyFrom, diagram, 'row'))}
        >Row below</button
      >
      <button
        class="btn btn-sm"
        onclick={() => set(withMore(body, place.bodyFrom, diagram, 'column'))}>Column after</button
      >
    </div>
  </div>
  <div class="flex min-w-72 flex-1 flex-col gap-1.5">
    <form class="flex flex-wrap items-center gap-2" aria-label="A new arrow" onsubmit={draw}>
      <span>Arrow from <b>{named(at)}</b></span>
      <label class="flex items-center gap-1.5">
        <span>to</span>
        <select
          class="select select-sm w-32"
          value={chosen}
          onchange={(event) => (target = event.currentTarget.value)}
        >
          {#each targets as { value, words } (value)}<option {value}>{words}</option>{/each}
        </select>
      </label>
      <label class="flex items-center gap-1.5">
        <span>Label</span>
        <input class="input input-sm w-20" bind:value={label} />
      </label>
      {@render choice('Kind of arrow', KINDS, kind, (value) => (kind = value))}
      <button class="btn btn-sm" disabled={chosen === ''}>Draw</button>
    </form>
    <ul class="flex flex-col gap-1" aria-label="Arrows">
      {#each diagram.arrows as arrow, i (i)}
        <li class="flex flex-wrap items-center gap-2">
          <span class="w-28 truncate">{named(arrow.start)} to {named(arrow.end)}</span>
          <input
            class="input input-sm w-20"
            aria-label="Label of the arrow from {named(arrow.start)} to {named(arrow.end)}"
            value={arrow.look.label}
            onchange={(event) => look(arrow, { label: event.currentTarget.value })}
          />
          {@render choice('Kind', KINDS, arrow.look.kind, (value) => look(arrow, { kind: value }))}
          {@render choice('Course', BENDS, arrow.look.bend, (value) =>
            look(arrow, { bend: value }),
          )}
          <button
            class="btn btn-sm"
            aria-pressed={arrow.look.swapped}
            disabled={arrow.look.label === ''}
            onclick={() => look(arrow, { swapped: !arrow.look.swapped })}>Other side</button
          >
          <button
            class="btn btn-sm"
            aria-label="Take out the arrow from {named(arrow.start)} to {named(arrow.end)}"
            onclick={() => set(withoutArrow(body, place.bodyFrom, arrow))}>Take out</button
          >
        </li>
      {/each}
    </ul>
  </div>
</div>
