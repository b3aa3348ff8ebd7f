<script lang="ts">
  import type { DeskCourse } from '$lib/domain/assignment';
  import LampButton from '$lib/ui/LampButton.svelte';
  import AssignmentSheet from './AssignmentSheet.svelte';

  let { courses }: { courses: readonly DeskCourse[] } = $props();
  const now = new Date();
  const open = $derived(
    courses
      .flatMap((course) => course.assignments)
      .filter(({ state, dueAt }) => state !== 'handed-in' && dueAt !== null).length,
  );
</script>

<div class="mx-auto max-w-6xl px-8 py-6">
  <header class="mb-8 flex items-end justify-between border-b border-base-300 pb-4">
    <div class="flex items-center gap-3">
      <img src="/needle.svg" alt="" class="h-9 w-9" />
      <h1 class="text-2xl font-bold">Odd Compass</h1>
    </div>
    <div class="flex items-center gap-4">
      <p>{open === 1 ? 'One sheet is due.' : `${open} sheets are due.`}</p>
      <LampButton />
    </div>
  </header>
  <main>
    {#each courses as course (course.id)}
      <section class="mb-10" aria-labelledby="course-{course.id}">
        <h2 id="course-{course.id}" class="mb-4 flex items-baseline gap-3 text-xl font-bold">
          {course.title}
          <span class="font-[family-name:var(--font-ui)] text-base font-normal"
            >{course.code} · {course.term}</span
          >
        </h2>
        <ul class="grid grid-cols-[repeat(auto-fill,minmax(15rem,1fr))] gap-6">
          {#each course.assignments as assignment (assignment.id)}
            <li><AssignmentSheet {assignment} {now} /></li>
          {/each}
        </ul>
      </section>
    {:else}
      <p>The desk is empty.</p>
    {/each}
  </main>
</div>
