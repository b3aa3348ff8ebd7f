<script lang="ts">
  import type { Snippet } from 'svelte';

  let { title, children, onclose }: { title: string; children: Snippet; onclose?: () => void } =
    $props();
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

<dialog
  bind:this={dialog}
  class="m-auto max-h-[88dvh] w-[min(34rem,92vw)] overflow-auto rounded-(--radius-box) border border-base-300 bg-base-100 p-5 text-base-content"
  aria-labelledby="{id}-title"
  onclose={() => {
    shown = false;
    onclose?.();
  }}
>
  <div class="mb-4 flex items-center gap-3">
    <h2 id="{id}-title" class="text-lg font-bold">{title}</h2>
    <button class="btn btn-sm ml-auto" onclick={close}>Close</button>
  </div>
  {#if shown}{@render children()}{/if}
</dialog>
