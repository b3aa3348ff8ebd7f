<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import { flushSync } from 'svelte';
  import { pastedCells, readRows, writeRows } from './alignment';
  import type { BenchContext } from './context';

  type Place = Extract<BenchContext, { kind: 'matrix' | 'lines' }>;
  let {
    view,
    place,
    state: source,
  }: { view: EditorView; place: Place; state: EditorState } = $props();

  const KINDS: readonly (readonly [string, string])[] = [
    ['matrix', 'no brackets'],
    ['pmatrix', '( )'],
    ['bmatrix', '[ ]'],
    ['Bmatrix', '{ }'],
    ['vmatrix', '| |'],
    ['Vmatrix', '‖ ‖'],
  ];

  const rows = $derived(readRows(source.sliceDoc(place.bodyFrom, place.bodyTo), place.bodyFrom));
  const width = $derived(Math.max(1, ...rows.map(({ cells }) => cells.length)));
  const texts = $derived(
    rows.map(({ cells }) => Array.from({ length: width }, (_, c) => cells[c]?.text ?? '')),
  );
  let grid = $state<HTMLElement>();
  let at = $state<[number, number]>([0, 0]);

  const size = $derived(`${texts.length} rows, ${width} columns`);

  function change(from: number, to: number, insert: string) {
    view.dispatch({ changes: { from, to, insert }, userEvent: 'input.bench' });
  }

  /** The whole body written anew, as one step of undo. */
  function rewrite(next: readonly (readonly string[])[]) {
    const kept = next.length === 0 ? [['']] : next;
    const body = writeRows(kept.map((cells, r) => ({ cells, skip: rows[r]?.skip ?? '' })));
    change(place.bodyFrom, place.bodyTo, `\n${body}\n`);
  }

  function setCell(r: number, c: number, text: string) {
    const cell = rows[r]?.cells[c];
    if (cell) change(cell.from, cell.to, cell.text === '' ? ` ${text} ` : text);
    else rewrite(texts.map((row, i) => (i === r ? row.map((t, k) => (k === c ? text : t)) : row)));
  }

  /** At once, so that the next key goes to the cell. */
  function go(r: number, c: number) {
    flushSync();
    grid?.querySelector<HTMLInputElement>(`[data-cell="${r}-${c}"]`)?.focus();
  }

  const blank = () => Array.from({ length: width }, () => '');
  function addRow(after: number) {
    rewrite([...texts.slice(0, after + 1), blank(), ...texts.slice(after + 1)]);
    go(after + 1, 0);
  }
  function addColumn(after: number) {
    rewrite(texts.map((row) => [...row.slice(0, after + 1), '', ...row.slice(after + 1)]));
    go(at[0], after + 1);
  }
  function moveRow(by: number) {
    const [r] = at;
    const to = r + by;
    if (to < 0 || to >= texts.length) return;
    const next = [...texts];
    [next[r], next[to]] = [next[to] as string[], next[r] as string[]];
    rewrite(next);
    go(to, at[1]);
  }

  function keys(event: KeyboardEvent, r: number, c: number) {
    const last = r + 1 === texts.length && c + 1 === width;
    if (event.key === 'Enter') {
      event.preventDefault();
      if (r + 1 < texts.length) go(r + 1, c);
      else addRow(r);
    } else if (event.key === 'Tab' && !event.shiftKey && last) {
      event.preventDefault();
      if (texts.length === 1) addColumn(c);
      else addRow(r);
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      go(r + (event.key === 'ArrowDown' ? 1 : -1), c);
    } else if (event.key === 'Escape') view.focus();
  }

  /** Cells from a spreadsheet fill the grid from the one they are pasted into. */
  function paste(event: ClipboardEvent, r: number, c: number) {
    const cells = pastedCells(event.clipboardData?.getData('text/plain') ?? '');
    if (!cells) return;
    event.preventDefault();
    const height = Math.max(texts.length, r + cells.length);
    const across = Math.max(width, ...cells.map((row) => c + row.length));
    rewrite(
      Array.from({ length: height }, (_, i) =>
        Array.from({ length: across }, (__, k) => cells[i - r]?.[k - c] ?? texts[i]?.[k] ?? ''),
      ),
    );
  }

  function setKind(name: string) {
    const { from, to, name: old } = place;
    view.dispatch({
      changes: [
        { from: from + 7, to: from + 7 + old.length, insert: name },
        { from: to - 1 - old.length, to: to - 1, insert: name },
      ],
      userEvent: 'input.bench',
    });
  }

  function dots() {
    setCell(
      at[0],
      at[1],
      at[0] === at[1] ? '\\ddots' : at[0] + 1 === texts.length ? '\\vdots' : '\\cdots',
    );
  }
</script>

<div class="flex flex-wrap items-start gap-4">
  <div
    bind:this={grid}
    class="max-w-full overflow-auto"
    role="grid"
    aria-label="The matrix, {size}"
  >
    {#each texts as row, r (r)}
      <div class="flex" role="row">
        {#each row as cell, c (c)}
          <div role="gridcell">
            <input
              class="input input-sm m-0.5 w-20 text-center font-(family-name:--font-source)"
              aria-label="Row {r + 1}, column {c + 1}"
              data-cell="{r}-{c}"
              value={cell}
              onfocus={() => (at = [r, c])}
              oninput={(event) => setCell(r, c, event.currentTarget.value)}
              onkeydown={(event) => keys(event, r, c)}
              onpaste={(event) => paste(event, r, c)}
            />
          </div>
        {/each}
      </div>
    {/each}
  </div>
  <div class="flex flex-wrap gap-1.5">
    {#if KINDS.some(([name]) => name === place.name)}
      <label class="flex items-center gap-1.5">
        <span>Brackets</span>
        <select
          class="select select-sm w-32"
          value={place.name}
          onchange={(event) => setKind(event.currentTarget.value)}
        >
          {#each KINDS as [name, shown] (name)}<option value={name}>{shown}</option>{/each}
        </select>
      </label>
    {/if}
    <button class="btn btn-sm" onclick={() => addRow(at[0])}>Row below</button>
    <button class="btn btn-sm" onclick={() => addColumn(at[1])}>Column after</button>
    <button class="btn btn-sm" onclick={() => moveRow(-1)}>Row up</button>
    <button class="btn btn-sm" onclick={() => moveRow(1)}>Row down</button>
    <button class="btn btn-sm" onclick={dots}>Dots here</button>
    <button
      class="btn btn-sm"
      disabled={texts.length < 2}
      onclick={() => rewrite(texts.filter((_, r) => r !== at[0]))}>Take row out</button
    >
    <button
      class="btn btn-sm"
      disabled={width < 2}
      onclick={() => rewrite(texts.map((row) => row.filter((_, c) => c !== at[1])))}
      >Take column out</button
    >
  </div>
</div>
