<script lang="ts">
  /** How long it can be taken back from here, ms. */
  const STAYS = 12_000;
  let done = $state.raw<{ says: string; undo: (() => Promise<unknown>) | null } | null>(null);
  let timer: ReturnType<typeof setTimeout> | undefined;
  let { onundone }: { onundone: () => void } = $props();

  export function show(says: string, undo: (() => Promise<unknown>) | null) {
    clearTimeout(timer);
    done = { says, undo };
    timer = setTimeout(() => (done = null), STAYS);
  }
  async function takeBack() {
    await done?.undo?.();
    done = null;
    onundone();
  }
</script>

<div class="fixed bottom-5 left-1/2 z-20 -translate-x-1/2" role="status">
  {#if done}
    <div
      class="flex items-center gap-4 rounded-(--radius-box) border border-base-300 bg-base-200 px-4 py-2 shadow-lg"
    >
      <span>{done.says}</span>
      {#if done.undo}<button class="btn btn-sm" onclick={takeBack}>Undo</button>{/if}
    </div>
  {/if}
</div>
