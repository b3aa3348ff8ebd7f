<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import { environmentEnd, openEnvironments } from '../source/structure';
  import { change } from './change';
  import { putTool, textTools } from './textTools';

  interface Props {
    view: EditorView;
    state: EditorState;
    /** Kinds of theorems that the document declares. */
    kinds: readonly string[];
    onpictures: (files: readonly File[], at: number) => void;
  }
  let { view, state: now, kinds, onpictures }: Props = $props();

  /** How far around the caret a list is looked for. */
  const NEAR = 10_000;
  const LISTS = [
    ['itemize', 'Points'],
    ['enumerate', 'Numbered'],
    ['description', 'Named'],
  ] as const;
  /** The list around the caret, with both its ends. */
  const list = $derived.by(() => {
    const at = now.selection.main.head;
    const base = Math.max(0, at - NEAR);
    const text = now.sliceDoc(base, at + NEAR);
    const open = openEnvironments(text, at - base).findLast(({ name }) =>
      LISTS.some(([kind]) => kind === name),
    );
    const end = open && environmentEnd(text, open);
    return open && end ? { name: open.name, from: base + open.from, to: base + end.to } : null;
  });

  /** The same items as a list of another kind. */
  function setList(kind: string) {
    if (!list) return;
    const { from, to, name } = list;
    change(view, [
      { from: from + 7, to: from + 7 + name.length, insert: kind },
      { from: to - 1 - name.length, to: to - 1, insert: kind },
    ]);
    view.focus();
  }
  function choosePicture(event: Event) {
    const { files } = event.currentTarget as HTMLInputElement;
    onpictures([...(files ?? [])], view.state.selection.main.head);
  }

  const tools = $derived(textTools(kinds));
</script>

{#if list}
  <div class="mb-2 flex flex-wrap items-center gap-1.5" role="group" aria-label="Kind of list">
    <span>This list:</span>
    {#each LISTS as [kind, words] (kind)}
      <button
        class="btn btn-sm {list.name === kind ? 'btn-primary' : ''}"
        aria-pressed={list.name === kind}
        onclick={() => setList(kind)}>{words}</button
      >
    {/each}
  </div>
{/if}
<div class="flex flex-wrap gap-1.5" role="group" aria-label="Structure and emphasis">
  {#each tools as tool (tool.title)}
    <button class="btn btn-sm" onclick={() => putTool(view, tool)}>{tool.title}</button>
  {/each}
  <label class="btn btn-sm">
    Picture
    <input
      type="file"
      class="sr-only"
      accept="image/png,image/jpeg,image/svg+xml,application/pdf,.eps"
      onchange={choosePicture}
    />
  </label>
</div>
