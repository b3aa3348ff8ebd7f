<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import type { Finding, Fix } from '@odd-compass/engine';
  import { waysOf } from '@odd-compass/engine/finding';
  import { applyFix } from './source/findingNotes';

  interface Props {
    findings: readonly Finding[];
    /** Are they about the text as it stands? */
    settled: boolean;
    view: EditorView | null;
    ongo: (offset: number) => void;
    /** Of the other files of the assignment. */
    elsewhere: readonly Finding[];
    onelsewhere: (finding: Finding) => void;
  }
  let { findings, elsewhere, settled, view, ongo, onelsewhere }: Props = $props();

  const GRADES: Readonly<Record<Finding['severity'], string>> = {
    broken: 'missing from the page',
    off: 'looks wrong',
    advice: 'worth knowing',
  };
  let dialog = $state<HTMLDialogElement>();
  let technical = $state(false);

  const lineOf = (at: number): number =>
    view ? view.state.doc.lineAt(Math.min(at, view.state.doc.length)).number : 1;

  /** F8 opens the list and closes it. */
  function keys(event: KeyboardEvent) {
    if (event.key !== 'F8') return;
    event.preventDefault();
    toggle();
  }
  export function toggle() {
    if (dialog?.open) dialog.close();
    else dialog?.showModal();
  }
  function go(at: number) {
    dialog?.close();
    ongo(at);
  }
  function mend(way: Fix) {
    if (view) applyFix(view, way);
    dialog?.close();
  }
</script>

<svelte:window onkeydown={keys} />

<dialog
  bind:this={dialog}
  class="m-auto max-h-[80dvh] w-[min(44rem,92vw)] rounded-(--radius-box) border border-base-300 bg-base-100 p-0 text-base-content"
  aria-labelledby="findings-title"
>
  <div class="flex items-center gap-3 border-b border-base-300 px-4 py-2">
    <h2 id="findings-title" class="text-lg font-bold">What was found</h2>
    <label class="ml-auto flex items-center gap-2">
      <input type="checkbox" class="checkbox checkbox-sm" bind:checked={technical} />
      <span>The full record</span>
    </label>
    <button class="btn btn-sm" onclick={() => dialog?.close()}>Close</button>
  </div>
  {#if findings.length === 0 && elsewhere.length === 0}
    <p class="px-4 py-6">
      {settled
        ? 'Nothing to fix, and nothing to know. All well.'
        : 'The sheet is still being read.'}
    </p>
  {:else}
    <ol class="max-h-[65dvh] overflow-auto">
      {#each findings as finding, i (i)}
        <li class="flex flex-wrap items-start gap-3 border-b border-base-300 px-4 py-2">
          <button class="btn btn-sm w-24 font-normal" onclick={() => go(finding.from)}
            >line {lineOf(finding.from)}</button
          >
          <div class="min-w-0 flex-1">
            <p><strong>{finding.message}</strong> {finding.cause}</p>
            <p class="text-secondary">{GRADES[finding.severity]}</p>
            {#if technical}
              <pre class="overflow-auto text-xs">{JSON.stringify(finding, null, 1)}</pre>
            {/if}
          </div>
          <div class="flex flex-col items-stretch gap-1">
            {#each waysOf(finding) as way, w (w)}
              <button class="btn btn-sm {w === 0 ? 'btn-primary' : ''}" onclick={() => mend(way)}
                >{way.title}</button
              >
            {/each}
          </div>
        </li>
      {/each}
      {#each elsewhere as finding, i (i)}
        <li class="flex flex-wrap items-start gap-3 border-b border-base-300 px-4 py-2">
          <button
            class="btn btn-sm font-normal"
            onclick={() => {
              dialog?.close();
              onelsewhere(finding);
            }}>in {finding.file}</button
          >
          <div class="min-w-0 flex-1">
            <p><strong>{finding.message}</strong> {finding.cause}</p>
            <p class="text-secondary">{GRADES[finding.severity]}</p>
          </div>
        </li>
      {/each}
    </ol>
  {/if}
</dialog>
