<script lang="ts">
  /** What was found stands between \u0001 and \u0002. */
  let { text }: { text: string } = $props();
  const parts = $derived(text.split(/[\u0001\u0002]/));
</script>

{#each parts as part, i (i)}{#if i % 2 === 1}<mark class="bg-primary/25 text-base-content"
      >{part}</mark
    >{:else}{part}{/if}{/each}
