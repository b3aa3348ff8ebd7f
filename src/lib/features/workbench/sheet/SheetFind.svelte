<script lang="ts">
  import type { FoundPlace } from '@odd-compass/engine/worker';
  import { onMount } from 'svelte';

  interface Props {
    find: (text: string) => Promise<readonly FoundPlace[]>;
    /** Changes when the pages do. */
    revision: number;
    ongo: (place: FoundPlace | null) => void;
    onclose: () => void;
  }
  let { find, revision, ongo, onclose }: Props = $props();

  let text = $state('');
  let places = $state.raw<readonly FoundPlace[]>([]);
  let at = $state(0);
  let field: HTMLInputElement;

  onMount(() => field.focus());

  $effect(() => {
    void revision;
    const sought = text;
    let live = true;
    void find(sought).then((found) => {
      if (!live) return;
      places = found;
      at = Math.min(at, Math.max(0, found.length - 1));
      ongo(found[at] ?? null);
    });
    return () => (live = false);
  });

  function step(by: 1 | -1) {
    if (places.length === 0) return;
    at = (at + by + places.length) % places.length;
    ongo(places[at] ?? null);
  }
  function close() {
    ongo(null);
    onclose();
  }
  function keys(event: KeyboardEvent) {
    if (event.key === 'Enter') step(event.shiftKey ? -1 : 1);
    else if (event.key === 'Escape') close();
    else return;
    event.preventDefault();
  }
</script>

<div
  class="flex items-center gap-2 border-b border-base-300 bg-base-200 px-3 py-1"
  role="search"
  aria-label="On the sheet"
>
  <label class="flex flex-1 items-center gap-2">
    <span>Find on the sheet</span>
    <input
      bind:this={field}
      bind:value={text}
      class="input input-sm flex-1"
      onkeydown={keys}
      oninput={() => (at = 0)}
    />
  </label>
  <span role="status">
    {text.trim() === '' ? '' : places.length === 0 ? 'not there' : `${at + 1} of ${places.length}`}
  </span>
  <button class="btn btn-sm" onclick={() => step(-1)}>Before</button>
  <button class="btn btn-sm" onclick={() => step(1)}>Next</button>
  <button class="btn btn-sm" onclick={close}>Close</button>
</div>
