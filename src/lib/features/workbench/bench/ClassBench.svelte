<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import { change } from './change';
  import {
    CHOICES,
    choose,
    chosen,
    KINDS,
    MARGINS,
    marginsOf,
    printTitle,
    readClassLine,
    readPart,
    setMargins,
    setPart,
    setSpacing,
    SPACINGS,
    spacingOf,
    type LineEdit,
  } from './classLine';
  import { kindChange } from './kinds/kindChange';

  let { view, state: now }: { view: EditorView; state: EditorState } = $props();

  const PARTS = [
    ['title', 'Title'],
    ['author', 'Author'],
    ['date', 'Date'],
  ] as const;

  const text = $derived(now.doc.toString());
  const line = $derived(readClassLine(text));
  const margins = $derived(marginsOf(text));
  const unprinted = $derived(readPart(text, 'title') !== null && printTitle(text).length > 0);

  /** Another kind that was chosen, while one is told what has to be written otherwise. */
  let wanted = $state<string | null>(null);
  const told = $derived(wanted === null ? null : kindChange(text, wanted));
  const wordsOf = (kind: string): string =>
    (KINDS.find(([name]) => name === kind)?.[1] ?? kind).split(':')[0] ?? kind;

  function setKind(name: string) {
    const made = kindChange(text, name);
    if (made.notes.length > 0) wanted = name;
    else write(made.edits);
  }
  function write(edits: readonly LineEdit[]) {
    wanted = null;
    change(view, edits);
  }
</script>

{#if line}
  {#if wanted !== null && told}
    <div
      class="mb-2 border-l-3 border-primary bg-base-200 px-3 py-2"
      role="group"
      aria-label="Another kind"
    >
      <p class="font-bold">As {wordsOf(wanted)}:</p>
      <ul class="list-disc pl-5">
        {#each told.notes as note (note)}<li>{note}</li>{/each}
      </ul>
      <div class="mt-1.5 flex gap-2">
        <button class="btn btn-primary btn-sm" onclick={() => write(told.edits)}>Write it so</button
        >
        <button class="btn btn-sm" onclick={() => (wanted = null)}>Leave it</button>
      </div>
    </div>
  {/if}
  <div class="grid grid-cols-[repeat(auto-fill,minmax(8.5rem,1fr))] gap-x-4 gap-y-1.5">
    <label class="flex flex-col">
      <span>Kind</span>
      <select
        class="select select-sm w-full truncate"
        value={wanted ?? line.name.text}
        onchange={(event) => setKind(event.currentTarget.value)}
      >
        {#if !KINDS.some(([name]) => name === line.name.text)}
          <option value={line.name.text}>{line.name.text}</option>
        {/if}
        {#each KINDS as [name, words] (name)}<option value={name}>{words}</option>{/each}
      </select>
    </label>
    {#each CHOICES as choice (choice.title)}
      <label class="flex flex-col">
        <span>{choice.title}</span>
        <select
          class="select select-sm w-full truncate"
          value={chosen(line, choice)}
          onchange={(event) => change(view, choose(line, choice, event.currentTarget.value))}
        >
          {#each choice.answers as [option, words] (option)}<option value={option}>{words}</option
            >{/each}
        </select>
      </label>
    {/each}
    <label class="flex flex-col">
      <span>Margins</span>
      <select
        class="select select-sm w-full truncate"
        value={margins ?? 'others'}
        onchange={(event) => change(view, setMargins(text, event.currentTarget.value))}
      >
        {#if margins === null}<option value="others">as the text sets them</option>{/if}
        {#if margins !== null && !MARGINS.some(([value]) => value === margins)}
          <option value={margins}>{margins}</option>
        {/if}
        {#each MARGINS as [value, words] (value)}<option {value}>{words}</option>{/each}
      </select>
    </label>
    <label class="flex flex-col">
      <span>Lines apart</span>
      <select
        class="select select-sm w-full truncate"
        value={spacingOf(text)}
        onchange={(event) => change(view, setSpacing(text, event.currentTarget.value))}
      >
        {#each SPACINGS as [value, words] (value)}<option {value}>{words}</option>{/each}
      </select>
    </label>
    {#each PARTS as [command, words] (command)}
      <label class="flex flex-col">
        <span>{words}</span>
        <input
          class="input input-sm w-full"
          value={readPart(text, command)?.text ?? ''}
          onchange={(event) => change(view, setPart(text, command, event.currentTarget.value))}
        />
      </label>
    {/each}
    {#if unprinted}
      <button class="btn btn-sm self-end" onclick={() => change(view, printTitle(text))}
        >Print the title</button
      >
    {/if}
  </div>
{:else}
  <p>The kind of document stands between the braces of \documentclass.</p>
{/if}
