<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import type { Word } from '@odd-compass/engine/worker';
  import { keep, kept } from '$lib/ui/kept';
  import { inFormula } from '../source/sourceFacts';
  import { loading } from '../source/loading';
  import DrawSign from './DrawSign.svelte';
  import { findSigns, GROUPS, signsOf, writtenSign, type Sign } from './symbols';

  let { view, words }: { view: EditorView; words: readonly Word[] } = $props();

  const RECENT = 'odd-compass:recent-signs';
  const FAVOURITES = 'odd-compass:favourite-signs';
  const MOST = 48;
  const signs = $derived(signsOf(words));
  const byName = $derived(new Map(signs.map((sign) => [sign.name, sign])));
  let sought = $state('');
  let group = $state('Greek');
  let recent = $state<string[]>(keptNames(RECENT));
  let favourites = $state<string[]>(keptNames(FAVOURITES));
  /** A click makes a sign a favourite, or no longer one, instead of writing it. */
  let choosing = $state(false);
  let drawing = $state(false);
  let like = $state.raw<readonly Sign[] | null>(null);

  function keptNames(key: string): string[] {
    const found = kept(key);
    return Array.isArray(found) ? found.filter((n): n is string => typeof n === 'string') : [];
  }
  const LISTS = $derived<Readonly<Record<string, readonly string[]>>>({
    ...GROUPS,
    Recent: recent,
    Favourites: favourites,
  });
  const named = (names: readonly string[]): Sign[] =>
    names.flatMap((name) => byName.get(name) ?? []);
  const shown = $derived(
    drawing && like
      ? like
      : sought.trim() === ''
        ? named(LISTS[group] ?? [])
        : findSigns(signs, sought).slice(0, MOST),
  );

  function take(sign: Sign) {
    if (!choosing) return insert(sign);
    favourites = favourites.includes(sign.name)
      ? favourites.filter((name) => name !== sign.name)
      : [...favourites, sign.name];
    keep(FAVOURITES, favourites);
  }

  /** Written where the caret is; in text between marks of its own, with its package's line when that is missing. */
  function insert(sign: Sign) {
    const { state } = view;
    const { from, to } = state.selection.main;
    const letterBehind = /[A-Za-z]/.test(state.sliceDoc(to, to + 1));
    const whole = writtenSign(sign);
    const command = `${whole}${letterBehind && /[A-Za-z]$/.test(whole) ? ' ' : ''}`;
    const written = inFormula(state, from) ? command : `$${whole}$`;
    view.dispatch(
      state.update(
        {
          changes: { from, to, insert: written },
          selection: { anchor: from + written.length },
          userEvent: 'input.bench',
        },
        { changes: loading(state, sign.package) },
      ),
    );
    recent = [sign.name, ...recent.filter((name) => name !== sign.name)].slice(0, 24);
    keep(RECENT, recent);
    view.focus();
  }
</script>

<div class="flex flex-wrap items-center gap-1.5">
  <label class="flex items-center gap-2">
    <span>Find a symbol</span>
    <input
      class="input input-sm w-64"
      placeholder="what it means, its name, or the sign"
      bind:value={sought}
      onkeydown={(event) => {
        const [first] = shown;
        if (event.key === 'Enter' && first) insert(first);
        if (event.key === 'Escape') view.focus();
      }}
    />
  </label>
  {#each Object.keys(LISTS) as name (name)}
    <button
      class="btn btn-xs {group === name && sought === '' ? 'btn-primary' : ''}"
      aria-pressed={group === name && sought === ''}
      onclick={() => {
        group = name;
        sought = '';
        drawing = false;
      }}>{name}</button
    >
  {/each}
  <button
    class="btn btn-xs {drawing ? 'btn-primary' : ''}"
    aria-pressed={drawing}
    onclick={() => (drawing = !drawing)}>Draw it</button
  >
  <label class="flex items-center gap-1.5">
    <input type="checkbox" class="checkbox checkbox-xs" bind:checked={choosing} />
    <span>choose favourites</span>
  </label>
</div>
<div class="mt-2 flex items-start gap-3">
  {#if drawing}
    <DrawSign {signs} onlike={(found) => (like = found)} />
  {/if}
  <div class="flex flex-wrap gap-1" role="group" aria-label="Symbols found">
    {#each shown as sign (sign.name)}
      <button
        class="btn btn-sm sign px-2 {favourites.includes(sign.name) ? 'border-primary' : ''}"
        aria-pressed={choosing ? favourites.includes(sign.name) : undefined}
        title="{sign.meaning === '' ? '' : `${sign.meaning} · `}{writtenSign(sign)}"
        aria-label={sign.meaning === '' ? sign.name : `${sign.name}: ${sign.meaning}`}
        onclick={() => take(sign)}>{sign.sign}</button
      >
    {:else}
      <p>
        {sought === ''
          ? group === 'Favourites'
            ? 'None chosen yet: tick “choose favourites”, then click the symbols of a group.'
            : 'None used yet.'
          : 'No symbol of that meaning or name. Try another word for it.'}
      </p>
    {/each}
  </div>
</div>

<style>
  .sign {
    min-width: 2.2rem;
    font-family: 'Sheet Mathematics', serif;
    font-size: 18px;
    font-weight: 400;
  }
</style>
