<script lang="ts">
  /** What went wrong, in a sentence; nothing when all is well. */
  let { says }: { says: string | null } = $props();
</script>

{#if says}
  <p role="alert" class="my-3 border-l-3 border-error bg-base-200 px-3 py-2">{says}</p>
{/if}
