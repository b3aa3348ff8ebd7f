<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import type { MatrixAnswer, MatrixTask } from '@odd-compass/checks';
  import type { Glimpse } from '@odd-compass/engine/worker';
  import type { ChecksClient } from '../checks/checksClient.svelte';
  import { tick } from 'svelte';
  import { pictureUrl } from '../engine/pictureUrl';
  import { change } from './change';
  import type { BodyPlace } from './context';

  interface Props {
    view: EditorView;
    place: BodyPlace;
    state: EditorState;
    checks: ChecksClient;
    glimpse: (source: string, preamble: string) => Promise<Glimpse | null>;
  }
  let { view, place, state: source, checks, glimpse }: Props = $props();

  const TASKS: readonly (readonly [MatrixTask, string])[] = [
    ['determinant', 'Determinant'],
    ['inverse', 'Inverse'],
    ['transpose', 'Transpose'],
    ['rank', 'Rank'],
    ['reduce', 'Row reduction'],
    ['solve', 'Solutions'],
    ['characteristic', 'Characteristic polynomial'],
    ['product', 'Times the next'],
    ['sum', 'Plus the next'],
    ['power', 'Power'],
  ];
  const SCALE = 1.4;
  const PREAMBLE = '\\usepackage{amsmath,amssymb}';

  let result = $state<HTMLElement>();
  let exponent = $state(2);
  /** What came of the last question, and the text it was asked of. */
  let worked = $state.raw<{ answer: MatrixAnswer; doc: EditorState['doc'] } | null>(null);
  const current = $derived(worked?.doc === source.doc ? worked.answer : null);
  const picture = $derived(
    current && 'shown' in current
      ? glimpse(`$\\displaystyle ${current.shown.replace(/^\^\{[^}]*\} = /, '')}$`, PREAMBLE)
      : null,
  );

  async function ask(task: MatrixTask) {
    const { doc } = view.state;
    const columns = place.columns
      ? `{${source.sliceDoc(place.columns.from, place.columns.to)}}`
      : '';
    const { from, name: environment } = place;
    const answer = await checks.matrix({ task, from, environment, columns, exponent });
    worked = { answer, doc };
    await tick();
    result?.scrollIntoView({ block: 'nearest' });
  }
  function write() {
    if (!current || !('edits' in current)) return;
    change(view, current.edits);
    worked = null;
    view.focus();
  }
</script>

<div class="mt-2 border-t border-base-300 pt-2">
  <div class="flex flex-wrap items-center gap-1" role="group" aria-label="Work out">
    <span class="mr-1">Work out:</span>
    {#each TASKS as [task, title] (task)}
      <button class="btn btn-xs" onclick={() => void ask(task)}>{title}</button>
    {/each}
    <label class="flex items-center gap-1">
      <span class="sr-only">Exponent</span>
      <input
        type="number"
        class="input input-xs w-14"
        min="-9"
        max="30"
        title="The exponent of the power"
        bind:value={exponent}
      />
    </label>
  </div>
  {#if current}
    <div
      bind:this={result}
      class="mt-1.5 flex flex-wrap items-center gap-2"
      data-testid="matrix-result"
    >
      {#if 'refused' in current}
        <p role="status">{current.refused}</p>
      {:else}
        {#await picture then shown}
          {#if shown}
            <div class="max-w-full overflow-auto rounded-(--radius-field) bg-(--paper) px-2 py-1">
              <img
                class="max-w-none"
                src={pictureUrl(shown)}
                alt={current.shown}
                width={shown.width * SCALE}
                height={shown.height * SCALE}
              />
            </div>
          {/if}
        {/await}
        <button class="btn btn-sm btn-primary" onclick={write}>Write it in</button>
        {#if current.assumed.length > 0}
          <p>
            This takes it that
            {#each current.assumed as factor, i (i)}{i > 0 ? ', ' : ''}<code>{factor}</code>{/each}
            {current.assumed.length === 1 ? 'is' : 'are'} not 0.
          </p>
        {/if}
      {/if}
    </div>
  {/if}
</div>
