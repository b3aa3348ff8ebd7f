<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import type { Word } from '@odd-compass/engine/worker';
  import type { Finding } from '@odd-compass/engine';
  import { loading } from '../source/loading';
  import { hasPackage } from '../source/structure';
  import { change } from './change';
  import { namesUsed, NEEDS, packagesIn, useOf, withoutPackage } from './packageLines';

  interface Props {
    view: EditorView;
    state: EditorState;
    from: number;
    to: number;
    words: readonly Word[];
    findings: readonly Finding[];
  }
  let { view, state: now, from, to, words, findings }: Props = $props();

  const MOST_NAMES = 6;
  const text = $derived(now.doc.toString());
  const loaded = $derived(new Set(packagesIn(text).map(({ name }) => name)));
  const used = $derived(namesUsed(text));
  const here = $derived(packagesIn(now.sliceDoc(from, to), from));
  const needed = $derived(findings.filter(({ kind }) => kind === 'package-needed'));
  const wanted = $derived(NEEDS.filter(([, name]) => !hasPackage(loaded, name, words)));
  const load = (name: string) =>
    view.dispatch({ changes: loading(view.state, name), userEvent: 'input.bench' });
  const describedAs = (name: string): string =>
    words.find((word) => word.kind === 'package' && word.name === name)?.description ??
    'This package is not known here.';
</script>

<ul class="flex flex-col gap-1.5">
  {#each here as one (one.from)}
    {@const use = useOf(one.name, used, words, loaded)}
    <li class="flex flex-wrap items-baseline gap-x-3">
      <code>{one.name}</code>
      <span>{describedAs(one.name)}</span>
      <span class="text-secondary">
        {#if use.kind === 'used'}
          The sheet uses {use.names.slice(0, MOST_NAMES).join(', ')}{use.names.length > MOST_NAMES
            ? ` and ${use.names.length - MOST_NAMES} more`
            : ''}.
        {:else if use.kind === 'by-itself'}
          It does its work by itself.
        {:else}
          Nothing of it is used.
        {/if}
      </span>
      <button
        class="btn btn-xs {use.kind === 'unused' ? 'btn-primary' : ''}"
        onclick={() => change(view, withoutPackage(text, one))}>Take {one.name} out</button
      >
    </li>
  {/each}
</ul>
{#if needed.length > 0}
  <div class="mt-2 flex flex-wrap items-center gap-1.5" role="group" aria-label="Needed">
    <span>The sheet needs:</span>
    {#each needed as finding (finding.from)}
      {@const name = /\{([^}]*)\}/.exec(finding.fix?.edits[0]?.text ?? '')?.[1]}
      {#if name}
        <button class="btn btn-primary btn-sm" onclick={() => load(name)}
          >{finding.fix?.title}</button
        >
      {/if}
    {/each}
  </div>
{/if}
{#if wanted.length > 0}
  <div class="mt-2 flex flex-wrap items-center gap-1.5" role="group" aria-label="To add">
    <span>Add what gives:</span>
    {#each wanted as [what, name] (name)}
      <button class="btn btn-sm" title={name} onclick={() => load(name)}>{what}</button>
    {/each}
  </div>
{/if}
