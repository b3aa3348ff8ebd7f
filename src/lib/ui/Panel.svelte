<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    title: string;
    /** In the middle, or over the right side. */
    place?: 'middle' | 'side';
    children: Snippet;
    onclose?: () => void;
  }
  let { title, place = 'middle', children, onclose }: Props = $props();
  let dialog = $state<HTMLDialogElement>();
  let shown = $state(false);
  const id = $props.id();
  const SHAPES = {
    middle:
      'm-auto max-h-[88dvh] w-[min(34rem,92vw)] overflow-auto rounded-(--radius-box) border p-5',
    side: 'm-0 ml-auto h-dvh max-h-none w-[min(30rem,94vw)] overflow-auto border-l px-4 pb-3',
  } as const;

  export function open() {
    shown = true;
    dialog?.showModal();
  }
  export function close() {
    dialog?.close();
  }
</script>

<!-- There when it is asked for, gone with Escape: in a field to search in too, which the browser would only empty. -->
<dialog
  bind:this={dialog}
  class="border-base-300 bg-base-100 text-base-content {SHAPES[place]}"
  aria-labelledby="{id}-title"
  onkeydown={(event) => {
    if (event.key !== 'Escape' || event.defaultPrevented) return;
    event.preventDefault();
    close();
  }}
  onclose={() => {
    shown = false;
    onclose?.();
  }}
>
  <div
    class="mb-3 flex items-center gap-3 {place === 'side'
      ? 'sticky top-0 z-1 -mx-4 border-b border-base-300 bg-base-100 px-4 py-2'
      : ''}"
  >
    <h2 id="{id}-title" class="text-lg font-bold">{title}</h2>
    <button class="btn btn-sm ml-auto" onclick={close}>Close</button>
  </div>
  {#if shown}{@render children()}{/if}
</dialog>
