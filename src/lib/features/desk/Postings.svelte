<script lang="ts">
  import { goto } from '$app/navigation';
  import type { SitePosting } from '$lib/domain/courseSite';
  import { ask, tell } from '$lib/ui/ask';
  import Panel from '$lib/ui/Panel.svelte';
  import Problem from '$lib/ui/Problem.svelte';
  import { dueWords } from './dueWords';

  let drawer = $state<ReturnType<typeof Panel>>();
  let postings = $state.raw<readonly SitePosting[] | null>(null);
  let problem = $state<string | null>(null);
  let taking = $state<string | null>(null);

  export function open() {
    drawer?.open();
    void look();
  }
  async function look() {
    problem = postings = null;
    const said = await ask<SitePosting[]>('/api/postings');
    if (said.ok) postings = said.value;
    else problem = said.problem;
  }
  async function take(id: string) {
    taking = id;
    problem = null;
    const said = await tell<{ id: string }>('POST', `/api/postings/${id}`);
    taking = null;
    if (said.ok) await goto(`/a/${said.value.id}`);
    else problem = said.problem;
  }
</script>

<Panel place="side" bind:this={drawer} title="Posted by the courses">
  <Problem says={problem} />
  {#if problem}
    <button class="btn btn-sm" onclick={look}>Ask again</button>
  {:else if !postings}
    <p aria-busy="true">Asking the course site…</p>
  {:else}
    <ul class="divide-y divide-base-300">
      {#each postings as posting (posting.id)}
        <li class="py-3">
          <p class="text-sm text-secondary">{posting.course} · {posting.courseTitle}</p>
          <h3 class="text-lg font-bold">{posting.title}</h3>
          <p>
            due {dueWords(posting.rules.deadline, new Date())} · {posting.problems.length === 1
              ? '1 problem'
              : `${posting.problems.length} problems`}{posting.rules.mostPages === null
              ? ''
              : ` · up to ${posting.rules.mostPages} pages`}
          </p>
          <p class="mb-2 text-sm text-secondary">
            {posting.files.join(', ')}. {posting.rules.latePolicy}
          </p>
          <button
            class="btn btn-primary btn-sm"
            disabled={taking !== null}
            onclick={() => take(posting.id)}
            >{taking === posting.id ? 'Taking' : 'Start'}
            <span class="sr-only">{posting.title}</span></button
          >
        </li>
      {:else}
        <li class="py-3">Nothing is posted just now.</li>
      {/each}
    </ul>
  {/if}
</Panel>
