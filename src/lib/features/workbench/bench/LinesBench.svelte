<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import { readRows, writeRows } from './alignment';
  import type { BenchContext } from './context';
  import { alignedChain } from './rewrite';

  type Place = Extract<BenchContext, { kind: 'matrix' | 'lines' }>;
  let {
    view,
    place,
    state: source,
  }: { view: EditorView; place: Place; state: EditorState } = $props();

  const QUIET = /\s*\\(?:nonumber|notag)\b\s*/;
  const numbered = $derived(/^(align|alignat|gather|flalign|multline)$/.test(place.name));
  const rows = $derived(readRows(source.sliceDoc(place.bodyFrom, place.bodyTo), place.bodyFrom));
  const lines = $derived(rows.map(({ cells }) => cells.map(({ text }) => text)));
  let current = $state(0);

  const shown = (cells: readonly string[]): string => cells.join(' & ').replace(QUIET, ' ').trim();
  const isQuiet = (cells: readonly string[]): boolean => QUIET.test(cells.join(' '));

  function rewrite(next: readonly (readonly string[])[]) {
    const body = writeRows(next.map((cells, r) => ({ cells, skip: rows[r]?.skip ?? '' })));
    view.dispatch({
      changes: { from: place.bodyFrom, to: place.bodyTo, insert: `\n${body}\n` },
      userEvent: 'input.bench',
    });
  }
  const replaced = (r: number, ...by: readonly (readonly string[])[]) => [
    ...lines.slice(0, r),
    ...by,
    ...lines.slice(r + 1),
  ];

  function set(r: number, text: string) {
    const row = rows[r];
    const first = row?.cells[0];
    const last = row?.cells.at(-1);
    if (!first || !last) return;
    const quiet = isQuiet(lines[r] ?? []) ? ' \\notag' : '';
    view.dispatch({
      changes: { from: first.from, to: last.to, insert: text + quiet },
      userEvent: 'input.bench',
    });
  }
  function move(r: number, by: number) {
    const to = r + by;
    if (to < 0 || to >= lines.length) return;
    const next = [...lines];
    [next[r], next[to]] = [next[to] as string[], next[r] as string[]];
    rewrite(next);
    current = to;
  }
  /** A line with several relations becomes as many lines. */
  function split(r: number) {
    const chain = alignedChain((lines[r] ?? []).join(' '));
    rewrite(replaced(r, ...readRows(chain).map(({ cells }) => cells.map(({ text }) => text))));
  }
  function join(r: number) {
    const both = [...(lines[r] ?? []), ...(lines[r + 1] ?? [])].filter((t) => t !== '');
    const [left = '', ...rest] = both;
    const next = lines.filter((_, i) => i !== r + 1);
    next[r] = rest.length === 0 ? [left] : [left, rest.join(' ').replace(QUIET, ' ')];
    rewrite(next);
  }
  function toggleNumber(r: number) {
    const cells = [...(lines[r] ?? [])];
    const last = cells.length - 1;
    if (isQuiet(cells))
      rewrite(
        replaced(
          r,
          cells.map((t) => t.replace(QUIET, ' ').trim()),
        ),
      );
    else {
      cells[last] = `${cells[last] ?? ''} \\notag`.trim();
      rewrite(replaced(r, cells));
    }
  }
  function note(r: number) {
    const cells = [...(lines[r] ?? [])];
    cells[0] = `\\intertext{and}\n  ${cells[0] ?? ''}`;
    rewrite(replaced(r, cells));
  }
</script>

<ol class="flex flex-col gap-1" aria-label="The lines">
  {#each lines as cells, r (r)}
    <li
      class="flex flex-wrap items-center gap-1.5 rounded-(--radius-field) {current === r
        ? 'bg-base-200 py-1'
        : ''}"
    >
      <span class="w-6 text-right">{r + 1}</span>
      <input
        class="input input-sm flex-[1_1_calc(100%-3rem)] font-(family-name:--font-source)"
        aria-label="Line {r + 1}"
        value={shown(cells)}
        onfocus={() => (current = r)}
        oninput={(event) => set(r, event.currentTarget.value)}
        onkeydown={(event) => event.key === 'Escape' && view.focus()}
      />
      {#if current === r}
        <span class="w-6"></span>
        <button class="btn btn-xs" disabled={r === 0} onclick={() => move(r, -1)}>Up</button>
        <button class="btn btn-xs" disabled={r + 1 === lines.length} onclick={() => move(r, 1)}
          >Down</button
        >
        <button class="btn btn-xs" onclick={() => split(r)}>Split at relations</button>
        <button class="btn btn-xs" disabled={r + 1 === lines.length} onclick={() => join(r)}
          >Join with next</button
        >
        {#if numbered}
          <button class="btn btn-xs" onclick={() => toggleNumber(r)}
            >{isQuiet(cells) ? 'Number it' : 'No number'}</button
          >
        {/if}
        <button class="btn btn-xs" disabled={r === 0} onclick={() => note(r)}>Note before</button>
      {/if}
    </li>
  {/each}
</ol>
