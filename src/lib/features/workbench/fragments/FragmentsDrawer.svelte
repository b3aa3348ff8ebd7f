<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import type { SearchHit } from '$lib/domain/assignment';
  import type { Fragment } from '$lib/domain/fragment';
  import { ask, tell } from '$lib/ui/ask';
  import Panel from '$lib/ui/Panel.svelte';
  import Excerpt from '$lib/ui/Excerpt.svelte';
  import type { Word } from '@odd-compass/engine/worker';
  import { insertion, packagesNeeded, pieceAround } from './fragmentEdits';

  interface Props {
    view: EditorView | null;
    /** The assignment's, remembered with what is kept. */
    title: string;
    words: readonly Word[];
  }
  let { view, title, words }: Props = $props();

  let drawer = $state<ReturnType<typeof Panel>>();
  let fragments = $state.raw<readonly Fragment[]>([]);
  let hits = $state.raw<readonly SearchHit[]>([]);
  let asked = $state('');
  let selected = $state('');
  let name = $state('');
  let problem = $state<string | null>(null);

  const found = $derived.by(() => {
    const sought = asked.trim().toLowerCase().split(/\s+/);
    return fragments.filter((fragment) => {
      const all = `${fragment.name} ${fragment.origin} ${fragment.source}`.toLowerCase();
      return sought.every((word) => all.includes(word));
    });
  });

  export function open() {
    const range = view?.state.selection.main;
    selected = view && range ? view.state.sliceDoc(range.from, range.to) : '';
    name = '';
    problem = null;
    drawer?.open();
    void look();
  }

  async function look() {
    const said = await ask<Fragment[]>('/api/fragments');
    if (said.ok) fragments = said.value;
    else problem = said.problem;
  }

  async function keep(event: SubmitEvent) {
    event.preventDefault();
    const packages = packagesNeeded(selected, words);
    const body = { name, source: selected, packages, origin: title };
    const said = await tell('POST', '/api/fragments', body);
    problem = said.ok ? null : said.problem;
    if (said.ok) selected = '';
    await look();
  }

  async function remove(id: number) {
    const said = await tell('DELETE', `/api/fragments/${id}`);
    problem = said.ok ? null : said.problem;
    await look();
  }

  function insert(source: string, packages: readonly string[]) {
    if (!view) return;
    const { from, to } = view.state.selection.main;
    const changes = insertion(view.state.doc.toString(), { from, to }, source, packages, words);
    view.dispatch({ changes, userEvent: 'input.fragment', scrollIntoView: true });
    drawer?.close();
    view.focus();
  }

  let latest = 0;
  /** Looks in earlier sheets too, as it is typed. */
  async function search() {
    const turn = ++latest;
    const said = await ask<SearchHit[]>(`/api/search?q=${encodeURIComponent(asked)}`);
    if (said.ok && turn === latest) hits = said.value.filter(({ excerpt }) => excerpt !== '');
  }

  /** The piece of the earlier sheet around what was found. */
  async function borrow({ assignmentId, path, excerpt }: SearchHit) {
    const place = path.split('/').map(encodeURIComponent).join('/');
    try {
      const text = await (await fetch(`/a/${assignmentId}/files/${place}`)).text();
      const plain = excerpt.replace(/[\u0001\u0002…]/g, '').trim();
      const at = Math.max(0, text.indexOf(plain));
      const mark = at + Math.max(0, excerpt.replaceAll('…', '').indexOf('\u0001'));
      const piece = pieceAround(text, mark);
      insert(piece, packagesNeeded(piece, words));
    } catch {
      problem = 'The server does not answer. Try again in a moment.';
    }
  }
</script>

<Panel place="side" bind:this={drawer} title="Fragments" onclose={() => view?.focus()}>
  {#if problem}
    <p role="alert" class="mb-3 border-l-3 border-error bg-base-200 px-3 py-2">{problem}</p>
  {/if}
  {#if selected !== ''}
    <form class="mb-4 border-b border-base-300 pb-4" onsubmit={keep}>
      <p class="mb-1 font-bold">Keep what is selected</p>
      <pre
        class="mb-2 max-h-28 overflow-auto bg-base-200 p-2 text-xs whitespace-pre-wrap">{selected}</pre>
      <div class="flex gap-2">
        <input
          class="input input-sm flex-1"
          placeholder="a name to find it by"
          aria-label="Name of the fragment"
          bind:value={name}
        />
        <button class="btn btn-primary btn-sm" disabled={name.trim() === ''}>Keep</button>
      </div>
    </form>
  {:else}
    <p class="mb-3 text-secondary">
      Select a piece of the source and open this again to keep it under a name.
    </p>
  {/if}
  <label class="block">
    Find a fragment, or a piece of an earlier sheet
    <input class="input input-sm mt-1 w-full" type="search" bind:value={asked} oninput={search} />
  </label>
  <ul class="mt-3 divide-y divide-base-300">
    {#each found as fragment (fragment.id)}
      <li class="py-2">
        <div class="flex items-baseline gap-2">
          <span class="font-bold">{fragment.name}</span>
          <span class="text-sm text-secondary">from {fragment.origin}</span>
        </div>
        <pre
          class="my-1 max-h-24 overflow-auto bg-base-200 p-2 text-xs whitespace-pre-wrap">{fragment.source}</pre>
        <button
          class="btn btn-sm"
          aria-label="Insert {fragment.name}"
          onclick={() => insert(fragment.source, fragment.packages)}>Insert</button
        >
        <button
          class="btn btn-ghost btn-sm"
          aria-label="Forget {fragment.name}"
          onclick={() => remove(fragment.id)}>Forget</button
        >
        {#if fragment.packages.length > 0}
          <span class="text-sm text-secondary">needs {fragment.packages.join(', ')}</span>
        {/if}
      </li>
    {:else}
      <li class="py-2 text-secondary">
        {fragments.length === 0 ? 'Nothing is kept yet.' : 'No fragment has these words.'}
      </li>
    {/each}
  </ul>
  {#if asked.trim() !== '' && hits.length > 0}
    <h3 class="mt-4 mb-1 font-bold">In earlier sheets</h3>
    <ul class="divide-y divide-base-300">
      {#each hits as hit, i (i)}
        <li class="py-2">
          <p class="text-sm"><strong>{hit.title}</strong> · {hit.path}</p>
          <p class="text-sm"><Excerpt text={hit.excerpt} /></p>
          <button class="btn btn-sm mt-1" onclick={() => borrow(hit)}>Insert this piece</button>
        </li>
      {/each}
    </ul>
  {/if}
</Panel>
