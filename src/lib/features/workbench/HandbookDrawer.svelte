<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import Panel from '$lib/ui/Panel.svelte';
  import type { Word } from '@odd-compass/engine/worker';
  import { Handbook } from '../handbook';
  import type { EngineClient } from './engine/engineClient.svelte';
  import { insertion } from './fragments/fragmentEdits';
  import { inFormula } from './source/sourceFacts';

  let { view, engine }: { view: EditorView | null; engine: EngineClient | null } = $props();
  let drawer = $state<ReturnType<typeof Panel>>();

  export const open = (): void => drawer?.open();

  /** Puts an example where the caret is; in a formula without its dollars. A package's or class's line is loaded. */
  function insert(word: Word) {
    if (!view) return;
    const { from, to } = view.state.selection.main;
    const text = view.state.doc.toString();
    const isPackage = word.kind === 'package';
    const bare = /^\$([^$]*)\$$/.exec(word.example)?.[1];
    const source = isPackage
      ? ''
      : bare !== undefined && inFormula(view.state, from)
        ? bare
        : word.example;
    const needed = isPackage ? [word.name] : word.package === '' ? [] : [word.package];
    const at = { from, to: isPackage ? from : to };
    const changes = insertion(text, at, source, needed, engine?.words ?? []);
    view.dispatch({ changes, userEvent: 'input.handbook', scrollIntoView: true });
    drawer?.close();
    view.focus();
  }

  function keys(event: KeyboardEvent) {
    if (event.key !== 'F1') return;
    event.preventDefault();
    open();
  }
</script>

<svelte:window onkeydown={keys} />
<Panel place="side" bind:this={drawer} title="Handbook" onclose={() => view?.focus()}>
  {#if engine}
    <Handbook
      words={engine.words}
      glimpse={(source, preamble) => engine.glimpse(source, preamble)}
      oninsert={insert}
    />
  {/if}
</Panel>
