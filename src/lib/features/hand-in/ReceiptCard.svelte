<script lang="ts">
  import type { HandIn } from '$lib/domain/courseSite';
  import { sizeWords } from '$lib/ui/sizeWords';

  let { id, handIn }: { id: string; handIn: HandIn } = $props();
  const { receipt } = $derived(handIn);
  const when = $derived(
    new Date(receipt.receivedAt).toLocaleString('en-GB', { dateStyle: 'long', timeStyle: 'short' }),
  );
</script>

<article
  class="mb-4 border border-success bg-base-100 px-4 py-3"
  aria-label="Receipt {receipt.number}"
>
  <p class="text-lg font-bold">Receipt {receipt.number}</p>
  <p>{receipt.site} received this on {when}{receipt.late ? ', late' : ''}.</p>
  <ul class="my-1">
    {#each receipt.files as { name, size, sha256 } (name)}
      <li>
        {name}, {sizeWords(size)}
        <span class="block font-[family-name:var(--font-source)] text-xs break-all text-secondary"
          >SHA-256 {sha256}</span
        >
      </li>
    {/each}
  </ul>
  <a class="link text-sm" href="/a/{id}/hand-in/{handIn.id}" target="_blank" rel="noopener"
    >The PDF that went</a
  >
  · <a class="link text-sm" href="/a/{id}/versions">The version that went</a>
</article>
