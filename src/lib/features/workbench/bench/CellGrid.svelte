<script lang="ts">
  import { flushSync } from 'svelte';
  import { pastedCells } from './alignment';

  interface Props {
    texts: readonly (readonly string[])[];
    label: string;
    /** Row and column of the cell that has the keys. */
    at: readonly [number, number];
    onset: (r: number, c: number, text: string) => void;
    onaddrow: (after: number) => void;
    onaddcolumn: (after: number) => void;
    /** All cells anew, after cells were pasted. */
    onrewrite: (next: string[][]) => void;
    onleave: () => void;
  }
  let {
    texts,
    label,
    at = $bindable(),
    onset,
    onaddrow,
    onaddcolumn,
    onrewrite,
    onleave,
  }: Props = $props();

  const width = $derived(texts[0]?.length ?? 1);
  /** As wide as the longest of its cells, within reason. */
  const widths = $derived(
    Array.from({ length: width }, (_, c) =>
      Math.min(24, Math.max(8, ...texts.map((row) => (row[c] ?? '').length + 4))),
    ),
  );
  let grid = $state<HTMLElement>();

  /** At once, so that the next key goes to the cell. */
  export function go(r: number, c: number) {
    flushSync();
    grid?.querySelector<HTMLInputElement>(`[data-cell="${r}-${c}"]`)?.focus();
  }

  function keys(event: KeyboardEvent, r: number, c: number) {
    const last = r + 1 === texts.length && c + 1 === width;
    if (event.key === 'Enter') {
      event.preventDefault();
      if (r + 1 < texts.length) go(r + 1, c);
      else onaddrow(r);
    } else if (event.key === 'Tab' && !event.shiftKey && last) {
      event.preventDefault();
      if (texts.length === 1) onaddcolumn(c);
      else onaddrow(r);
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      go(r + (event.key === 'ArrowDown' ? 1 : -1), c);
    } else if (event.key === 'Escape') onleave();
  }

  /** Cells from a spreadsheet fill the grid from the one they are pasted into. */
  function paste(event: ClipboardEvent, r: number, c: number) {
    const cells = pastedCells(event.clipboardData?.getData('text/plain') ?? '');
    if (!cells) return;
    event.preventDefault();
    const height = Math.max(texts.length, r + cells.length);
    const across = Math.max(width, ...cells.map((row) => c + row.length));
    onrewrite(
      Array.from({ length: height }, (_, i) =>
        Array.from({ length: across }, (__, k) => cells[i - r]?.[k - c] ?? texts[i]?.[k] ?? ''),
      ),
    );
  }
</script>

<div bind:this={grid} class="max-w-full overflow-auto" role="grid" aria-label={label}>
  {#each texts as row, r (r)}
    <div class="flex" role="row">
      {#each row as cell, c (c)}
        <div role="gridcell">
          <input
            class="input input-sm m-0.5 text-center font-(family-name:--font-source)"
            style="width:{widths[c]}ch"
            aria-label="Row {r + 1}, column {c + 1}"
            data-cell="{r}-{c}"
            value={cell}
            onfocus={() => (at = [r, c])}
            oninput={(event) => onset(r, c, event.currentTarget.value)}
            onkeydown={(event) => keys(event, r, c)}
            onpaste={(event) => paste(event, r, c)}
          />
        </div>
      {/each}
    </div>
  {/each}
</div>
