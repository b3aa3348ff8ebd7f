<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import type { Snippet } from 'svelte';
  import { change } from './change';
  import type { FloatParts } from './figure';

  interface Props {
    view: EditorView;
    parts: FloatParts;
    /** Behind the `\end` of the float. */
    to: number;
    children?: Snippet;
  }
  let { view, parts, to, children }: Props = $props();

  const PLACES: readonly (readonly [value: string, words: string])[] = [
    ['', 'as the kind has it'],
    ['htbp', 'near, where it fits'],
    ['t', 'at the top of a page'],
    ['b', 'at the bottom of a page'],
    ['p', 'on a page of its own'],
    ['H', 'exactly here'],
  ];
  const END = $derived(`\\end{${parts.name}}`);

  /** A new line above the end of the float, or behind its caption when that is given. */
  function addLine(line: string, behind?: number) {
    const at = behind ?? to - END.length;
    const insert = behind === undefined ? `  ${line}\n` : `\n  ${line}`;
    change(view, { from: at, to: at, insert });
  }
  function setCaption(text: string) {
    const { caption } = parts;
    if (caption) change(view, { from: caption.from, to: caption.to, insert: text });
    else if (text !== '') addLine(`\\caption{${text}}`);
  }
  function setLabel(text: string) {
    const { label, caption } = parts;
    if (label) change(view, { from: label.from, to: label.to, insert: text });
    else if (text !== '') addLine(`\\label{${text}}`, caption ? caption.to + 1 : undefined);
  }
  function setPlacement(value: string) {
    const { placement, placementAt } = parts;
    const bracketed = value === '' ? '' : `[${value}]`;
    const span = placement
      ? { from: placement.from - 1, to: placement.to + 1 }
      : { from: placementAt, to: placementAt };
    change(view, { ...span, insert: bracketed }, value === 'H' ? 'float' : '');
  }
  function toggleCentred() {
    const { centred, placement, placementAt } = parts;
    if (centred) return change(view, { ...centred, insert: '' });
    const at = placement ? placement.to + 1 : placementAt;
    change(view, { from: at, to: at, insert: '\n  \\centering' });
  }
</script>

<div class="flex flex-wrap items-end gap-3">
  <label class="flex min-w-56 flex-1 flex-col">
    <span>Caption</span>
    <input
      class="input input-sm w-full"
      value={parts.caption?.text ?? ''}
      onchange={(event) => setCaption(event.currentTarget.value)}
    />
  </label>
  <label class="flex w-40 flex-col">
    <span>Label</span>
    <input
      class="input input-sm w-full font-(family-name:--font-source)"
      value={parts.label?.text ?? ''}
      onchange={(event) => setLabel(event.currentTarget.value)}
    />
  </label>
  <label class="flex flex-col">
    <span>Where it stands</span>
    <select
      class="select select-sm w-48"
      value={parts.placement?.text ?? ''}
      onchange={(event) => setPlacement(event.currentTarget.value)}
    >
      {#if parts.placement && !PLACES.some(([value]) => value === parts.placement?.text)}
        <option value={parts.placement.text}>{parts.placement.text}</option>
      {/if}
      {#each PLACES as [value, words] (value)}<option {value}>{words}</option>{/each}
    </select>
  </label>
  <button
    class="btn btn-sm {parts.centred ? 'btn-primary' : ''}"
    aria-pressed={parts.centred !== null}
    onclick={toggleCentred}>Centred</button
  >
  {@render children?.()}
</div>
