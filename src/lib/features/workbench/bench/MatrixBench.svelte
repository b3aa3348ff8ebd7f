<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import { readRows, writeRows } from './alignment';
  import CellGrid from './CellGrid.svelte';
  import { change } from './change';
  import type { LineEdit } from './classLine';
  import type { BodyPlace } from './context';
  import {
    squared,
    swappedColumns,
    swappedRows,
    withColumnOf,
    withoutColumnOf,
    withoutRow,
    withRow,
    type Cells,
  } from './grid';
  import { asArray, BRACKETS, bracketsOf, setBrackets } from './matrixKinds';
  import {
    readColumns,
    swapped,
    withBar,
    withColumn,
    withKind,
    withoutColumn,
    writeColumns,
    type ColumnSpec,
  } from './tableColumns';

  let {
    view,
    place,
    state: source,
  }: { view: EditorView; place: BodyPlace; state: EditorState } = $props();

  const SIDES = [
    ['l', 'left'],
    ['c', 'centred'],
    ['r', 'right'],
  ] as const;

  const rows = $derived(readRows(source.sliceDoc(place.bodyFrom, place.bodyTo), place.bodyFrom));
  const texts = $derived(squared(rows.map(({ cells }) => cells.map(({ text }) => text))));
  const width = $derived(texts[0]?.length ?? 1);
  const columns = $derived(
    place.columns ? readColumns(source.sliceDoc(place.columns.from, place.columns.to)) : null,
  );
  const brackets = $derived(bracketsOf(source.doc.toString(), place));
  let grid = $state<ReturnType<typeof CellGrid>>();
  let at = $state<readonly [number, number]>([0, 0]);

  /** The edit of the body, and of the columns when the matrix lists them. */
  function edits(next: Cells, spec: ColumnSpec | null): LineEdit[] {
    const kept = next.length === 0 ? [['']] : next;
    const body = writeRows(kept.map((cells, r) => ({ cells, skip: rows[r]?.skip ?? '' })));
    const listed = place.columns && spec ? [{ ...place.columns, insert: writeColumns(spec) }] : [];
    return [...listed, { from: place.bodyFrom, to: place.bodyTo, insert: `\n${body}\n` }];
  }
  /** The whole body written anew, as one step of undo. */
  const rewrite = (next: Cells, spec = columns) => change(view, edits(next, spec));

  function setCell(r: number, c: number, text: string) {
    const cell = rows[r]?.cells[c];
    if (cell)
      change(view, { from: cell.from, to: cell.to, insert: cell.text === '' ? ` ${text} ` : text });
    else rewrite(texts.map((row, i) => (i === r ? row.map((t, k) => (k === c ? text : t)) : row)));
  }
  function addRow(after: number) {
    rewrite(withRow(texts, after));
    grid?.go(after + 1, 0);
  }
  function addColumn(after: number) {
    rewrite(withColumnOf(texts, after), columns && withColumn(columns, after));
    grid?.go(at[0], after + 1);
  }
  function moveRow(by: number) {
    const [r, c] = at;
    const next = swappedRows(texts, r, r + by);
    if (!next) return;
    rewrite(next);
    grid?.go(r + by, c);
  }
  function moveColumn(by: number) {
    const [r, c] = at;
    const next = swappedColumns(texts, c, c + by);
    if (!next) return;
    rewrite(next, columns && swapped(columns, c, c + by));
    grid?.go(r, c + by);
  }
  /** Changes what the columns say; a matrix whose columns say nothing becomes an array first. */
  function setColumns(by: (spec: ColumnSpec) => ColumnSpec) {
    const spec = by(columns ?? readColumns('c'.repeat(width)));
    if (place.columns) change(view, { ...place.columns, insert: writeColumns(spec) });
    else change(view, asArray(place, writeColumns(spec)));
  }
  function dots() {
    const [r, c] = at;
    const kind = r === c ? '\\ddots' : r + 1 === texts.length ? '\\vdots' : '\\cdots';
    setCell(r, c, kind);
  }
</script>

<div class="flex flex-wrap items-start gap-4">
  <CellGrid
    bind:this={grid}
    bind:at
    {texts}
    label="The matrix, {texts.length} rows, {width} columns"
    onset={setCell}
    onaddrow={addRow}
    onaddcolumn={addColumn}
    onrewrite={(next) =>
      rewrite(
        next,
        columns &&
          readColumns(
            writeColumns(columns) + 'c'.repeat(Math.max(0, (next[0]?.length ?? 0) - width)),
          ),
      )}
    onleave={() => view.focus()}
  />
  <div class="flex min-w-72 flex-1 flex-wrap gap-1.5">
    {#if BRACKETS.some(({ name }) => name === brackets)}
      <label class="flex items-center gap-1.5">
        <span>Brackets</span>
        <select
          class="select select-sm w-32"
          value={brackets}
          onchange={(event) =>
            change(view, setBrackets(source.doc.toString(), place, event.currentTarget.value))}
        >
          {#each BRACKETS as { name, shown } (name)}<option value={name}>{shown}</option>{/each}
        </select>
      </label>
    {/if}
    <label class="flex items-center gap-1.5">
      <span>This column</span>
      <select
        class="select select-sm w-28"
        value={columns?.columns[at[1]]?.kind ?? 'c'}
        onchange={(event) => {
          const side = event.currentTarget.value;
          setColumns((spec) => withKind(spec, at[1], side));
        }}
      >
        {#each SIDES as [side, words] (side)}<option value={side}>{words}</option>{/each}
      </select>
    </label>
    <button class="btn btn-sm" onclick={() => setColumns((spec) => withBar(spec, at[1]))}
      >Bar before column</button
    >
    <button class="btn btn-sm" onclick={dots}>Dots here</button>
    <button class="btn btn-sm" onclick={() => addRow(at[0])}>Row below</button>
    <button class="btn btn-sm" onclick={() => addColumn(at[1])}>Column after</button>
    <button class="btn btn-sm" onclick={() => moveRow(-1)}>Row up</button>
    <button class="btn btn-sm" onclick={() => moveRow(1)}>Row down</button>
    <button class="btn btn-sm" onclick={() => moveColumn(-1)}>Column left</button>
    <button class="btn btn-sm" onclick={() => moveColumn(1)}>Column right</button>
    <button
      class="btn btn-sm"
      disabled={texts.length < 2}
      onclick={() => rewrite(withoutRow(texts, at[0]))}>Take row out</button
    >
    <button
      class="btn btn-sm"
      disabled={width < 2}
      onclick={() =>
        rewrite(withoutColumnOf(texts, at[1]), columns && withoutColumn(columns, at[1]))}
      >Take column out</button
    >
  </div>
</div>
