<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import type { Word } from '@odd-compass/engine/worker';
  import { keep, kept } from '$lib/ui/kept';
  import { inFormula } from '../source/sourceFacts';
  import { loading } from '../source/loading';
  import { findSigns, GROUPS, signsOf, type Sign } from './symbols';

  let { view, words }: { view: EditorView; words: readonly Word[] } = $props();

  const KEY = 'odd-compass:recent-signs';
  const MOST = 48;
  const signs = $derived(signsOf(words));
  const byName = $derived(new Map(signs.map((sign) => [sign.name, sign])));
  let sought = $state('');
  let group = $state('Greek');
  let recent = $state<string[]>(readRecent());

  function readRecent(): string[] {
    const found = kept(KEY);
    return Array.isArray(found) ? found.filter((n): n is string => typeof n === 'string') : [];
  }
  const named = (names: readonly string[]): Sign[] =>
    names.flatMap((name) => byName.get(name) ?? []);
  const shown = $derived(
    sought.trim() === ''
      ? named(group === 'Recent' ? recent : (GROUPS[group] ?? []))
      : findSigns(signs, sought).slice(0, MOST),
  );

  /** Written where the caret is; in text between marks of its own, with its package's line when that is missing. */
  function insert(sign: Sign) {
    const { state } = view;
    const { from, to } = state.selection.main;
    const letterBehind = /[A-Za-z]/.test(state.sliceDoc(to, to + 1));
    const command = `\\${sign.name}${letterBehind ? ' ' : ''}`;
    const written = inFormula(state, from) ? command : `$\\${sign.name}$`;
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
    keep(KEY, recent);
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
  {#each [...Object.keys(GROUPS), 'Recent'] as name (name)}
    <button
      class="btn btn-xs {group === name && sought === '' ? 'btn-primary' : ''}"
      aria-pressed={group === name && sought === ''}
      onclick={() => {
        group = name;
        sought = '';
      }}>{name}</button
    >
  {/each}
</div>
<div class="mt-2 flex flex-wrap gap-1" role="group" aria-label="Symbols found">
  {#each shown as sign (sign.name)}
    <button
      class="btn btn-sm sign px-2"
      title="{sign.meaning === '' ? '' : `${sign.meaning} · `}\{sign.name}"
      aria-label={sign.meaning === '' ? sign.name : `${sign.name}: ${sign.meaning}`}
      onclick={() => insert(sign)}>{sign.sign}</button
    >
  {:else}
    <p>
      {sought === ''
        ? 'None used yet.'
        : 'No symbol of that meaning or name. Try another word for it.'}
    </p>
  {/each}
</div>

<style>
  .sign {
    min-width: 2.2rem;
    font-family: 'Sheet Mathematics', serif;
    font-size: 18px;
    font-weight: 400;
  }
</style>
