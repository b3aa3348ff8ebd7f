<script lang="ts">
  import type { SignNote, Signs } from '@odd-compass/checks';

  interface Props {
    signs: Signs;
    lineOf: (at: number) => number;
    ongo: (at: number) => void;
  }
  let { signs, lineOf, ongo }: Props = $props();

  function noteWords(note: SignNote): string {
    switch (note.kind) {
      case 'early':
        return `${note.name} stands in a formula before line ${lineOf(note.introduced)}, where it is said what it is.`;
      case 'forms':
        return `Two forms of one letter: ${note.names.join(' and ')}. ${note.rarer} is the rarer one.`;
      case 'lone':
        return `${note.name} stands here only; the rest of the chain has ${note.usual}.`;
      case 'bound':
        return `${note.name} is what a sum or integral runs over, and something else beside it.`;
      case 'twice':
        return `${note.name} is said to be two things: “${note.meanings.join('” and “')}”.`;
    }
  }
  const placeOf = (note: SignNote): number => (note.kind === 'early' ? note.first : note.at);
</script>

{#each signs.notes as note, i (i)}
  <p class="mb-1 flex items-baseline gap-2">
    <button class="btn btn-xs font-normal whitespace-nowrap" onclick={() => ongo(placeOf(note))}
      >line {lineOf(placeOf(note))}</button
    >
    <span>{noteWords(note)}</span>
  </p>
{/each}
{#if signs.signs.length === 0}
  <p>No letters stand in formulas yet.</p>
{:else}
  <table class="table table-sm text-base">
    <thead>
      <tr><th>Sign</th><th>Times</th><th>First in</th><th>What the sheet says it is</th></tr>
    </thead>
    <tbody>
      {#each signs.signs as { name, count, first, meaning } (name)}
        <tr>
          <td class="text-lg">{name}</td>
          <td>{count}</td>
          <td>
            {#if first >= 0}
              <button class="btn btn-xs font-normal whitespace-nowrap" onclick={() => ongo(first)}
                >line {lineOf(first)}</button
              >
            {:else}another file{/if}
          </td>
          <td>{meaning?.words ?? ''}</td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
