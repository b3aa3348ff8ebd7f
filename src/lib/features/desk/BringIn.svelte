<script lang="ts">
  import { goto } from '$app/navigation';
  import type { DeskCourse } from '$lib/domain/assignment';
  import { ask } from '$lib/ui/ask';
  import Panel from '$lib/ui/Panel.svelte';
  import Problem from '$lib/ui/Problem.svelte';
  import { sizeWords } from '$lib/ui/sizeWords';

  let { courses }: { courses: readonly DeskCourse[] } = $props();

  let dialog = $state<ReturnType<typeof Panel>>();
  let files = $state.raw<readonly File[]>([]);
  let courseId = $state('');
  let problem = $state<string | null>(null);
  let leftOut = $state.raw<readonly string[]>([]);
  let made = $state<string | null>(null);
  let busy = $state(false);

  export function open(given: readonly File[] = []) {
    files = given;
    courseId = courses.find(({ archived }) => !archived)?.id ?? '';
    problem = made = null;
    leftOut = [];
    dialog?.open();
  }

  async function bring() {
    busy = true;
    problem = null;
    const form = new FormData();
    for (const file of files) form.append('file', file);
    const said = await ask<{ id: string; leftOut: string[] }>(
      `/api/bring-in?course=${encodeURIComponent(courseId)}`,
      { method: 'POST', body: form },
    );
    busy = false;
    if (!said.ok) return void (problem = said.problem);
    const { id } = said.value;
    if (said.value.leftOut.length === 0) return void goto(`/a/${id}`);
    leftOut = said.value.leftOut;
    made = id;
  }
</script>

<Panel bind:this={dialog} title="Bring a sheet in">
  <Problem says={problem} />
  {#if made}
    <p class="mb-2">It is here. These files are of no use to it and were left out:</p>
    <ul class="mb-4 list-disc pl-6">
      {#each leftOut as file (file)}<li>{file}</li>{/each}
    </ul>
    <a class="btn btn-primary btn-sm" href="/a/{made}">Open it</a>
  {:else}
    <p class="mb-3">
      A <code>.tex</code> with its pictures and <code>.bib</code>, or a <code>.zip</code> of all of them,
      as the course posted it.
    </p>
    <label class="btn btn-sm mb-3">
      Choose files
      <input
        type="file"
        class="sr-only"
        multiple
        accept=".tex,.zip,.bib,.sty,.cls,.png,.jpg,.jpeg,.svg,.pdf,.eps"
        onchange={(event) => (files = [...(event.currentTarget.files ?? [])])}
      />
    </label>
    {#if files.length > 0}
      <ul class="mb-3 list-disc pl-6" aria-label="Files to bring in">
        {#each files as file (file.name)}<li>{file.name}, {sizeWords(file.size)}</li>{/each}
      </ul>
    {/if}
    <label class="mb-4 block">
      Course
      <select class="select mt-1 w-full" bind:value={courseId}>
        {#each courses as course (course.id)}
          <option value={course.id}>{course.title}</option>
        {/each}
      </select>
    </label>
    <button
      class="btn btn-primary btn-sm"
      disabled={files.length === 0 || courseId === '' || busy}
      onclick={bring}>{busy ? 'Bringing it in' : 'Bring it in'}</button
    >
  {/if}
</Panel>
