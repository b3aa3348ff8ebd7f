<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    title: string;
    /** Stands beside the title. */
    aside?: Snippet;
    children: Snippet;
    onclose?: () => void;
  }
  let { title, aside, children, onclose }: Props = $props();
  let dialog = $state<HTMLDialogElement>();
  let shown = $state(false);
  const id = $props.id();

  export function open() {
    shown = true;
    dialog?.showModal();
  }
  export function close() {
    dialog?.close();
  }
</script>

<!-- A panel over the right side: there when it is asked for, gone with Escape. -->
<dialog
  bind:this={dialog}
  class="m-0 ml-auto h-dvh max-h-none w-[min(30rem,94vw)] border-l border-base-300 bg-base-100 p-0 text-base-content"
  aria-labelledby="{id}-title"
  onclose={() => {
    shown = false;
    onclose?.();
  }}
>
  <div class="flex h-full flex-col">
    <div class="flex items-center gap-3 border-b border-base-300 px-4 py-2">
      <h2 id="{id}-title" class="text-lg font-bold">{title}</h2>
      {@render aside?.()}
      <button class="btn btn-sm ml-auto" onclick={close}>Close</button>
    </div>
    <div class="min-h-0 flex-1 overflow-auto px-4 py-3">
      {#if shown}{@render children()}{/if}
    </div>
  </div>
</dialog>
