<script lang="ts">
  import type { LookLine } from '$lib/domain/courseSite';

  let { id, lines }: { id: string; lines: readonly LookLine[] } = $props();
  const SIGNS = {
    well: ['✓', 'well', 'text-success'],
    wrong: ['!', 'look here', 'text-error'],
    fact: ['·', 'to know', 'text-secondary'],
  } as const;
  const sign = ({ well }: LookLine) => SIGNS[well === null ? 'fact' : well ? 'well' : 'wrong'];
</script>

<ul class="divide-y divide-base-300">
  {#each lines as line (line.topic)}
    {@const [mark, word, tone] = sign(line)}
    <li class="flex gap-3 py-2" data-topic={line.topic} data-well={line.well}>
      <span
        class="mt-0.5 grid h-6 w-6 flex-none place-items-center rounded-full border border-current font-bold {tone}"
        aria-hidden="true">{mark}</span
      >
      <div class="min-w-0">
        <p>
          <span class="sr-only">{word}: </span><strong>{line.topic}.</strong>
          {line.says}
        </p>
        {#if line.places.length > 0}
          <ul class="flex flex-wrap gap-x-3">
            {#each line.places as { says, path, from }, i (i)}
              <li>
                <a class="link text-sm" href="/a/{id}?file={encodeURIComponent(path)}&at={from}"
                  >{says}</a
                >
              </li>
            {/each}
          </ul>
        {/if}
      </div>
    </li>
  {/each}
</ul>
