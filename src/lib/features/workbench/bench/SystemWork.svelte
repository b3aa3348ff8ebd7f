<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import type { SystemAnswer } from '@odd-compass/checks';
  import type { Glimpse } from '@odd-compass/engine/worker';
  import type { ChecksClient } from '../checks/checksClient.svelte';
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

  const SCALE = 1.3;
  let worked = $state.raw<{ answer: SystemAnswer; doc: EditorState['doc'] } | null>(null);
  const current = $derived(worked?.doc === source.doc ? worked.answer : null);
  const picture = $derived(
    current && 'matrix' in current
      ? glimpse(
          `$\\displaystyle ${current.matrix},\\quad ${current.solutions}$`,
          '\\usepackage{amsmath}',
        )
      : null,
  );

  async function solve() {
    const { doc } = view.state;
    worked = { answer: await checks.system(place.from, place.to), doc };
  }
  /** Below the lines, as a display of its own. */
  function write(formula: string) {
    change(view, { from: place.to, to: place.to, insert: `\n\\[ ${formula} \\]` });
    worked = null;
    view.focus();
  }
</script>

<div class="mt-1.5 flex flex-wrap items-center gap-2" data-testid="system">
  <button class="btn btn-xs" onclick={() => void solve()}>Solve as a system</button>
  {#if current && 'refused' in current}
    <span role="status">{current.refused}</span>
  {:else if current}
    {#await picture then shown}
      {#if shown}
        <img
          class="max-w-full rounded-(--radius-field) bg-(--paper) px-2 py-1"
          src={pictureUrl(shown)}
          alt="{current.matrix}, {current.solutions}"
          width={shown.width * SCALE}
          height={shown.height * SCALE}
        />
      {/if}
    {/await}
    <button class="btn btn-xs" onclick={() => write(current.solutions)}>Write the solution</button>
    <button class="btn btn-xs" onclick={() => write(current.matrix)}>Write the matrix</button>
    {#if current.assumed.length > 0}
      <span
        >where {current.assumed.join(', ')}
        {current.assumed.length === 1 ? 'is' : 'are'} not 0</span
      >
    {/if}
  {/if}
</div>
