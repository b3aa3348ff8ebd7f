<script lang="ts">
  import type { Glimpse, Word } from '@odd-compass/engine/worker';
  import { CHAPTERS, findEntries, type Chapter } from './entries';
  import HandbookEntry from './HandbookEntry.svelte';

  interface Props {
    words: readonly Word[];
    glimpse: (source: string, preamble: string) => Promise<Glimpse | null>;
    /** Puts an example into the sheet; without one, examples are copied. */
    oninsert?: (word: Word) => void;
  }
  let { words, glimpse, oninsert }: Props = $props();

  const AT_ONCE = 40;
  let question = $state('');
  let chapter = $state<Chapter | null>(null);
  let shown = $state(AT_ONCE);
  const found = $derived(findEntries(words, question, chapter));
</script>

<div class="mb-3 flex flex-wrap items-end gap-x-4 gap-y-2">
  <label class="min-w-64 flex-1">
    What do you want to write?
    <input
      class="input input-sm mt-1 w-full"
      type="search"
      placeholder="subset or equal, table rules, \frac"
      bind:value={question}
      oninput={() => (shown = AT_ONCE)}
    />
  </label>
  <label>
    Where
    <select class="select select-sm mt-1 block w-44" bind:value={chapter}>
      <option value={null}>anywhere</option>
      {#each CHAPTERS as one (one)}<option value={one}>{one}</option>{/each}
    </select>
  </label>
</div>
<p class="mb-2 text-sm text-secondary" role="status">
  {words.length === 0
    ? 'Opening the handbook…'
    : found.length === 0
      ? 'No entry has these words. Try others for the same thing.'
      : found.length === 1
        ? '1 entry'
        : `${found.length} entries`}
</p>
<details class="mb-2">
  <summary class="cursor-pointer">What is tested of the mathematics, and what is not</summary>
  <div class="flex flex-col gap-1.5 py-1.5">
    <p>
      Under “Steps”, and on the bench beside a derivation, every equals sign, inequality, congruence
      and “divides” is tried: both sides are worked out for a dozen sets of values that keep to what
      the sheet says of its letters (“for $n \ge 3$”, “let $x = 2y$”, “$p$ is prime”, “$a_0 = 1$ and
      $a_&#123;n+1&#125; = 2a_n + 1$”) and to what you suppose besides.
    </p>
    <p>
      <strong>Holds</strong> means that both sides agreed each time; it is no proof.
      <strong>Differs</strong> shows values for which they do not.
      <strong>Only sometimes</strong> shows one of each. <strong>Cannot tell</strong> says why: a sign
      that is not read, a condition, a definition, an equation to be solved, something put in that the
      sheet does not say.
    </p>
    <p>
      Read are sums, products, powers, roots, fractions, functions, sums and products over an index,
      integrals, derivatives, limits, dots between terms, binomials, remainders, matrices, vectors
      and distinctions of cases. Sets, logic, words within a formula, orders of growth and units are
      not.
    </p>
    <p>By itself only arithmetic with numbers alone is told, as advice.</p>
  </div>
</details>
<h2 class="sr-only">Entries</h2>
<ul class="divide-y divide-base-300">
  {#each found.slice(0, shown) as word (`${word.kind} ${word.name} ${word.package}`)}
    <li><HandbookEntry {word} {glimpse} {oninsert} /></li>
  {/each}
</ul>
{#if found.length > shown}
  <button class="btn btn-sm mt-3" onclick={() => (shown += 4 * AT_ONCE)}>Show more</button>
{/if}
