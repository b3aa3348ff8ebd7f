<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import { change } from '../change';
  import type { BodyPlace } from '../context';
  import { nodeNames } from '../../source/pictureNames';
  import {
    addition,
    ADDITIONS,
    choicesFor,
    choose,
    chosenOf,
    newEdge,
    newVertex,
    statementAt,
    statementsOf,
    type Choice,
  } from './statements';

  let {
    view,
    place,
    state: source,
  }: { view: EditorView; place: BodyPlace; state: EditorState } = $props();

  const body = $derived(source.sliceDoc(place.bodyFrom, place.bodyTo));
  const statements = $derived(statementsOf(body, place.bodyFrom));
  const held = $derived(statementAt(statements, source.selection.main.head));
  const names = $derived(nodeNames(body));
  let from = $state('');
  let to = $state('');
  let weight = $state('');
  let directed = $state(false);
  const start = $derived(names.includes(from) ? from : (names[0] ?? ''));
  const end = $derived(names.includes(to) ? to : (names[1] ?? names[0] ?? ''));

  /** Puts lines behind what is held, or at the end of the picture. */
  function put(lines: string, behind = held) {
    const { caret, ...edit } = addition(body, place.bodyFrom, behind, lines);
    view.dispatch({
      changes: edit,
      selection: { anchor: caret },
      userEvent: 'input.bench',
      scrollIntoView: true,
    });
  }
  function set(choice: Choice, value: string) {
    const edit = held && choose(held, choice, value);
    if (edit) change(view, edit);
  }
</script>

{#snippet choices()}
  {#each held ? choicesFor(held.command) : [] as choice (choice.title)}
    {@const now = held ? chosenOf(held, choice) : ''}
    <label class="flex items-center gap-1.5">
      <span>{choice.title}</span>
      <select
        class="select select-sm w-32"
        value={now}
        onchange={(event) => set(choice, event.currentTarget.value)}
      >
        {#if !choice.values.some(([value]) => value === now)}
          <option value={now}>{now}</option>
        {/if}
        {#each choice.values as [value, words] (value)}<option {value}>{words}</option>{/each}
      </select>
    </label>
  {/each}
{/snippet}

<div class="flex flex-col gap-2">
  <div class="flex flex-wrap items-center gap-x-4 gap-y-1.5" role="group" aria-label="What is held">
    {#if held}
      <code class="max-w-72 truncate">{source.sliceDoc(held.from, held.to)}</code>
      {@render choices()}
    {:else}
      <p class="text-secondary">
        Put the caret into a line of the picture, or click what is drawn, to choose its colour and
        line. The circles on the sheet can be dragged.
      </p>
    {/if}
  </div>
  <div class="flex flex-wrap items-center gap-1.5" role="group" aria-label="Put in">
    <span class="mr-1">Put in</span>
    {#each ADDITIONS as { title, source: lines } (title)}
      <button class="btn btn-sm" onclick={() => put(lines)}>{title}</button>
    {/each}
    <button class="btn btn-sm" onclick={() => put(newVertex(body))}>Vertex</button>
  </div>
  {#if names.length > 0}
    <form
      class="flex flex-wrap items-center gap-2"
      aria-label="An edge"
      onsubmit={(event) => {
        event.preventDefault();
        // At the end both vertices are there.
        put(newEdge(start, end, weight, directed), null);
        weight = '';
      }}
    >
      <label class="flex items-center gap-1.5">
        <span>Edge from</span>
        <select
          class="select select-sm w-20"
          value={start}
          onchange={(event) => (from = event.currentTarget.value)}
        >
          {#each names as name (name)}<option value={name}>{name}</option>{/each}
        </select>
      </label>
      <label class="flex items-center gap-1.5">
        <span>to</span>
        <select
          class="select select-sm w-20"
          value={end}
          onchange={(event) => (to = event.currentTarget.value)}
        >
          {#each names as name (name)}<option value={name}>{name}</option>{/each}
        </select>
      </label>
      <label class="flex items-center gap-1.5">
        <span>Weight</span>
        <input class="input input-sm w-20" bind:value={weight} />
      </label>
      <label class="flex items-center gap-1.5">
        <input type="checkbox" class="checkbox checkbox-sm" bind:checked={directed} />
        <span>with a tip</span>
      </label>
      <button class="btn btn-sm">Join</button>
    </form>
  {/if}
</div>
