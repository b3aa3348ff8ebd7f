<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import type { ToldStep } from '@odd-compass/checks';
  import type { Glimpse } from '@odd-compass/engine/worker';
  import NearSteps from '../checks/NearSteps.svelte';
  import { cellsOf, readRows, writeRows } from './alignment';
  import type { BodyPlace } from './context';
  import { alignedAtRelation, nameIn, QUIET, splitNear, withName } from './lineEdits';
  import { alignedChain } from './rewrite';

  interface Props {
    view: EditorView;
    place: BodyPlace;
    state: EditorState;
    /** The steps that stand in the lines, as they were tested. */
    steps: readonly ToldStep[];
    /** What the writer supposes besides. */
    supposed: string;
    glimpse: (source: string, preamble: string) => Promise<Glimpse | null>;
  }
  let { view, place, state: source, steps, supposed, glimpse }: Props = $props();

  const numbered = $derived(/^(align|alignat|gather|flalign|multline)$/.test(place.name));
  const rows = $derived(readRows(source.sliceDoc(place.bodyFrom, place.bodyTo), place.bodyFrom));
  const lines = $derived(rows.map(({ cells }) => cells.map(({ text }) => text)));
  let current = $state(0);
  /** Where the caret stands in the line's field. */
  let inLine = $state(0);
  const aligning = $derived(/^(align|alignat|flalign|split|aligned)/.test(place.name));

  /** The steps whose relation stands in a line. */
  function stepsOf(r: number): readonly ToldStep[] {
    const cells = rows[r]?.cells ?? [];
    const [from, to] = [cells[0]?.from ?? 0, cells.at(-1)?.to ?? 0];
    return steps.filter((step) => step.from >= from && step.from < to);
  }
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
  /** In two, at the relation or operator nearest to the caret. */
  function splitHere(r: number) {
    const two = splitNear((lines[r] ?? []).join(' & '), inLine);
    if (!two) return;
    rewrite(replaced(r, ...two.map(cellsOf)));
    current = r + 1;
  }
  const alignAll = () =>
    rewrite(lines.map((cells) => cellsOf(alignedAtRelation(cells.join(' & ')))));
  function setName(r: number, command: 'tag' | 'label', name: string) {
    const cells = [...(lines[r] ?? [])];
    const last = cells.length - 1;
    cells[last] = withName(cells[last] ?? '', command, name);
    rewrite(replaced(r, cells));
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

{#if aligning}
  <button class="btn btn-xs mb-1.5" onclick={alignAll}>Align all at their first relation</button>
{/if}
<ol class="flex flex-col gap-1" aria-label="The lines">
  {#each lines as cells, r (r)}
    <li
      class="flex flex-wrap items-center gap-1.5 rounded-(--radius-field) {current === r
        ? 'bg-base-200 py-1'
        : ''}"
    >
      <span class="w-6 text-right">{r + 1}</span>
      <input
        class="input input-sm min-w-0 flex-[1_1_60%] font-(family-name:--font-source)"
        aria-label="Line {r + 1}"
        value={shown(cells)}
        onfocus={() => (current = r)}
        onselect={(event) => (inLine = event.currentTarget.selectionStart ?? 0)}
        onkeyup={(event) => (inLine = event.currentTarget.selectionStart ?? 0)}
        onclick={(event) => (inLine = event.currentTarget.selectionStart ?? 0)}
        oninput={(event) => set(r, event.currentTarget.value)}
        onkeydown={(event) => event.key === 'Escape' && view.focus()}
      />
      <NearSteps steps={stepsOf(r)} text={source.doc.toString()} {supposed} {glimpse} />
      {#if current === r}
        <span class="w-6"></span>
        <button class="btn btn-xs" disabled={r === 0} onclick={() => move(r, -1)}>Up</button>
        <button class="btn btn-xs" disabled={r + 1 === lines.length} onclick={() => move(r, 1)}
          >Down</button
        >
        <button class="btn btn-xs" onclick={() => splitHere(r)}>Split here</button>
        <button class="btn btn-xs" onclick={() => split(r)}>Split at all relations</button>
        <button class="btn btn-xs" disabled={r + 1 === lines.length} onclick={() => join(r)}
          >Join with next</button
        >
        {#if numbered}
          <button class="btn btn-xs" onclick={() => toggleNumber(r)}
            >{isQuiet(cells) ? 'Number it' : 'No number'}</button
          >
        {/if}
        <button class="btn btn-xs" disabled={r === 0} onclick={() => note(r)}>Note before</button>
        {#if numbered}
          <span class="w-6"></span>
          {#each ['label', 'tag'] as const as command (command)}
            <label class="flex items-center gap-1">
              <span>{command === 'label' ? 'Label' : 'Tag'}</span>
              <input
                class="input input-xs w-24 font-(family-name:--font-source)"
                value={nameIn(cells.join(' '), command)}
                onchange={(event) => setName(r, command, event.currentTarget.value.trim())}
              />
            </label>
          {/each}
        {/if}
      {/if}
    </li>
  {/each}
</ol>
