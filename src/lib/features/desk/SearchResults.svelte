<script lang="ts">
  import type { SearchHit } from '$lib/domain/assignment';
  import { ask } from '$lib/ui/ask';
  import Excerpt from '$lib/ui/Excerpt.svelte';
  import Problem from '$lib/ui/Problem.svelte';

  /** The words found and what follows them, as they stand in the text. */
  const found = ({ excerpt }: SearchHit): string =>
    excerpt
      .slice(excerpt.indexOf('\u0001'))
      .replace(/[\u0001\u0002]/g, '')
      .split('…')[0] ?? '';
  const address = (hit: SearchHit): string => {
    const place = hit.excerpt === '' ? '' : `&find=${encodeURIComponent(found(hit))}`;
    return `/a/${hit.assignmentId}?file=${encodeURIComponent(hit.path)}${place}`;
  };

  let { query }: { query: string } = $props();
  let hits = $state.raw<readonly SearchHit[] | null>(null);
  let problem = $state<string | null>(null);
  let latest = 0;

  $effect(() => {
    const turn = ++latest;
    void ask<SearchHit[]>(`/api/search?q=${encodeURIComponent(query)}`).then((said) => {
      if (turn !== latest) return;
      hits = said.ok ? said.value : [];
      problem = said.ok ? null : said.problem;
    });
  });
</script>

<section aria-label="What was found" class="mb-10">
  <Problem says={problem} />
  <ul class="divide-y divide-base-300">
    {#each hits ?? [] as hit, i (i)}
      <li>
        <a class="block px-2 py-2 hover:bg-base-200" href={address(hit)}>
          <span class="font-bold">{hit.title}</span>
          <span class="text-sm text-secondary">{hit.course} · {hit.path}</span>
          {#if hit.excerpt !== ''}
            <span class="block font-[family-name:var(--font-source)] text-sm"
              ><Excerpt text={hit.excerpt} /></span
            >
          {/if}
        </a>
      </li>
    {:else}
      {#if hits && !problem}<li class="py-2">Nothing here has these words.</li>{/if}
    {/each}
  </ul>
</section>
