<script lang="ts">
  import type { ComparedPage } from './Versions.svelte';

  interface Props {
    pages: readonly ComparedPage[];
    /** Numbers of the lines that the other side does not have, counted through all pages. */
    changed: ReadonlySet<number>;
    /** Lines that only stand elsewhere. */
    moved: ReadonlySet<number>;
    /** What the marks mean. */
    says: string;
  }
  let { pages, changed, moved, says }: Props = $props();
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
        {@const at = (starts[p] ?? 0) + i}
        {#if (changed.has(at) || moved.has(at)) && line.text.trim() !== ''}
          <div
            class="absolute border-l-3 border-primary {changed.has(at)
              ? 'bg-primary/15'
              : 'border-dotted'}"
            style="left:{(100 * (line.x - 6)) / width}%;width:{(100 * (line.width + 8)) /
              width}%;top:{(100 * line.y) / height}%;height:{(100 * line.height) / height}%"
            title={changed.has(at) ? says : 'stands elsewhere'}
          ></div>
        {/if}
      {/each}
    </div>
  {/each}
</div>
