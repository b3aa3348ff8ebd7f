<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import { environmentEnd, openEnvironments } from '../source/structure';
  import CellGrid from './CellGrid.svelte';
  import { change } from './change';
  import type { BodyPlace } from './context';
  import { readFloat } from './figure';
  import FloatFields from './FloatFields.svelte';
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
  import { readTable, ruled, rulingOf, writeTable, type Ruling } from './tableRows';

  let {
    view,
    place,
    state: source,
  }: { view: EditorView; place: BodyPlace; state: EditorState } = $props();

  const SIDES = [
    ['l', 'left'],
    ['c', 'centred'],
    ['r', 'right'],
    ['p{4cm}', 'paragraphs'],
  ] as const;
  const RULINGS: readonly (readonly [Ruling, string])[] = [
    ['none', 'none'],
    ['book', 'above, below, under the head'],
    ['all', 'between all rows'],
  ];

  const text = $derived(source.doc.toString());
  const body = $derived(readTable(text.slice(place.bodyFrom, place.bodyTo), place.bodyFrom));
  const texts = $derived(squared(body.rows.map(({ cells }) => cells.map((cell) => cell.text))));
  const width = $derived(texts[0]?.length ?? 1);
  const columns = $derived(
    readColumns(place.columns ? text.slice(place.columns.from, place.columns.to) : ''),
  );
  const float = $derived.by(() => {
    const around = openEnvironments(text, place.from).findLast(({ name }) =>
      /^table\*?$/.test(name),
    );
    const end = around && environmentEnd(text, around);
    return around && end
      ? { to: end.to, parts: readFloat(text.slice(around.from, end.to), around.from) }
      : null;
  });
  let grid = $state<ReturnType<typeof CellGrid>>();
  let at = $state<readonly [number, number]>([0, 0]);

  const written = (next: Cells) =>
    next.map((cells, r) => ({
      cells,
      rules: body.rows[r]?.rules ?? '',
      skip: body.rows[r]?.skip ?? '',
    }));

  /** Body and columns written anew, as one step of undo. */
  function rewrite(
    next: Cells,
    spec: ColumnSpec = columns,
    tail = body.tail,
    rows = written(next),
  ) {
    change(view, [
      ...(place.columns ? [{ ...place.columns, insert: writeColumns(spec) }] : []),
      { from: place.bodyFrom, to: place.bodyTo, insert: `\n${writeTable(rows, tail)}\n` },
    ]);
  }
  function setCell(r: number, c: number, value: string) {
    const cell = body.rows[r]?.cells[c];
    if (cell)
      change(view, {
        from: cell.from,
        to: cell.to,
        insert: cell.text === '' ? ` ${value} ` : value,
      });
    else rewrite(texts.map((row, i) => (i === r ? row.map((t, k) => (k === c ? value : t)) : row)));
  }
  function addRow(after: number) {
    const next = withRow(texts, after);
    const rows = written(texts);
    rows.splice(after + 1, 0, {
      cells: next[after + 1] ?? [],
      rules: rulingOf(body) === 'all' ? '\\hline' : '',
      skip: '',
    });
    rewrite(next, columns, body.tail, rows);
    grid?.go(after + 1, 0);
  }
  function addColumn(after: number) {
    rewrite(withColumnOf(texts, after), withColumn(columns, after));
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
    rewrite(next, swapped(columns, c, c + by));
    grid?.go(r, c + by);
  }
  function takeRowOut() {
    const rows = written(texts).filter((_, r) => r !== at[0]);
    rewrite(withoutRow(texts, at[0]), columns, body.tail, rows);
  }
  function setColumns(spec: ColumnSpec) {
    if (place.columns) change(view, { ...place.columns, insert: writeColumns(spec) });
  }
  function setRuling(ruling: Ruling) {
    const { rows, tail } = ruled(written(texts), ruling);
    const edit = {
      from: place.bodyFrom,
      to: place.bodyTo,
      insert: `\n${writeTable(rows, tail)}\n`,
    };
    change(view, edit, ruling === 'book' ? 'booktabs' : '');
  }
  /** The table put into one that has a number and a caption. */
  function makeFloat() {
    change(view, [
      {
        from: place.from,
        to: place.from,
        insert: '\\begin{table}[htbp]\n  \\centering\n  \\caption{}\n  \\label{tab:}\n',
      },
      { from: place.to, to: place.to, insert: '\n\\end{table}' },
    ]);
  }
</script>

<div class="flex flex-wrap items-start gap-4">
  <CellGrid
    bind:this={grid}
    bind:at
    {texts}
    label="The table, {texts.length} rows, {width} columns"
    onset={setCell}
    onaddrow={addRow}
    onaddcolumn={addColumn}
    onrewrite={(next) =>
      rewrite(
        next,
        readColumns(
          writeColumns(columns) +
            'c'.repeat(Math.max(0, (next[0]?.length ?? 0) - columns.columns.length)),
        ),
      )}
    onleave={() => view.focus()}
  />
  <div class="flex min-w-72 flex-1 flex-wrap gap-1.5">
    <label class="flex items-center gap-1.5">
      <span>This column</span>
      <select
        class="select select-sm w-32"
        value={columns.columns[at[1]]?.kind ?? 'c'}
        onchange={(event) => setColumns(withKind(columns, at[1], event.currentTarget.value))}
      >
        {#if !SIDES.some(([side]) => side === (columns.columns[at[1]]?.kind ?? 'c'))}
          <option value={columns.columns[at[1]]?.kind}>{columns.columns[at[1]]?.kind}</option>
        {/if}
        {#each SIDES as [side, words] (side)}<option value={side}>{words}</option>{/each}
      </select>
    </label>
    <label class="flex items-center gap-1.5">
      <span>Rules</span>
      <select
        class="select select-sm w-44"
        value={rulingOf(body)}
        onchange={(event) => setRuling(event.currentTarget.value as Ruling)}
      >
        {#each RULINGS as [ruling, words] (ruling)}<option value={ruling}>{words}</option>{/each}
      </select>
    </label>
    <button class="btn btn-sm" onclick={() => setColumns(withBar(columns, at[1]))}
      >Bar before column</button
    >
    <button class="btn btn-sm" onclick={() => addRow(at[0])}>Row below</button>
    <button class="btn btn-sm" onclick={() => addColumn(at[1])}>Column after</button>
    <button class="btn btn-sm" onclick={() => moveRow(-1)}>Row up</button>
    <button class="btn btn-sm" onclick={() => moveRow(1)}>Row down</button>
    <button class="btn btn-sm" onclick={() => moveColumn(-1)}>Column left</button>
    <button class="btn btn-sm" onclick={() => moveColumn(1)}>Column right</button>
    <button class="btn btn-sm" disabled={texts.length < 2} onclick={takeRowOut}>Take row out</button
    >
    <button
      class="btn btn-sm"
      disabled={width < 2}
      onclick={() => rewrite(withoutColumnOf(texts, at[1]), withoutColumn(columns, at[1]))}
      >Take column out</button
    >
    {#if !float}
      <button class="btn btn-sm" onclick={makeFloat}>With number and caption</button>
    {/if}
  </div>
</div>
{#if float}
  <div class="mt-2">
    <FloatFields {view} parts={float.parts} to={float.to} />
  </div>
{/if}
