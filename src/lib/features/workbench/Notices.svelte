<script lang="ts">
  import type { EngineClient } from './engine/engineClient.svelte';
  import type { Saver } from './saving/saver.svelte';

  interface Props {
    engine: EngineClient | null;
    saver: Saver | null;
    /** Why a file was not taken. */
    refused: string | null;
    /** What another window wrote is to go on. */
    ontheirs: (text: string) => void;
  }
  let { engine, saver, refused = $bindable(), ontheirs }: Props = $props();

  async function takeTheirs() {
    const theirs = await saver?.takeTheirs();
    if (theirs) ontheirs(theirs);
  }
</script>

{#snippet notice(says: string, answers: readonly (readonly [string, () => void])[])}
  <div class="flex items-center gap-4 border-b border-error bg-base-200 px-4 py-2" role="alert">
    <p class="flex-1">{says}</p>
    {#each answers as [words, answer] (words)}
      <button class="btn btn-sm" onclick={answer}>{words}</button>
    {/each}
  </div>
{/snippet}

{#if saver?.status === 'conflict'}
  {@render notice(
    'The same lines were changed in another window while you wrote here. Nothing is lost: choose which one goes on; the other stays among the earlier versions.',
    [
      ['Take the other one', () => void takeTheirs()],
      ['Keep this one', () => void saver?.keepMine()],
    ],
  )}
{/if}
{#if saver?.reason && saver.status === 'refused'}
  {@render notice(
    `This text is not saved: ${saver.reason} It is kept in this browser; change it, and it is sent again.`,
    [],
  )}
{:else if saver?.reason && saver.status === 'waiting'}
  {@render notice(
    `This text is not saved yet: ${saver.reason} It is kept in this browser, and sent again until it is taken.`,
    [],
  )}
{/if}
{#if refused}
  {@render notice(refused, [['Close', () => (refused = null)]])}
{/if}
{#if engine?.failed}
  {@render notice(
    'The page cannot be drawn: what it needs did not come from the server, or it never came to an end. What you type is kept.',
    [['Try again', () => location.reload()]],
  )}
{/if}
