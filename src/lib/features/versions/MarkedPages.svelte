<script lang="ts">
  import type { ComparedPage } from './Versions.svelte';

  interface Props {
    pages: readonly ComparedPage[];
    /** Numbers of the lines that the other side does not have, counted through all pages. */
    changed: ReadonlySet<number>;
    /** What the marks mean. */
    says: string;
  }
  let { pages, changed, says }: Props = $props();
  const starts = $derived(
    pages.map((_, i) => pages.slice(0, i).reduce((sum, { lines }) => sum + lines.length, 0)),
  );
</script>

<div class="flex flex-col gap-4">
  {#each pages as { svg, width, height, lines }, p (p)}
    <div class="relative bg-(--paper) shadow">
      <img
        src="data:image/svg+xml;utf8,{encodeURIComponent(svg)}"
        alt="Page {p + 1}: {lines.map(({ text }) => text).join(' ')}"
        class="block w-full"
      />
      {#each lines as line, i (i)}
        {#if changed.has((starts[p] ?? 0) + i) && line.text.trim() !== ''}
          <div
            class="absolute border-l-3 border-primary bg-primary/15"
            style="left:{(100 * (line.x - 6)) / width}%;width:{(100 * (line.width + 8)) /
              width}%;top:{(100 * line.y) / height}%;height:{(100 * line.height) / height}%"
            title={says}
          ></div>
        {/if}
      {/each}
    </div>
  {/each}
</div>
