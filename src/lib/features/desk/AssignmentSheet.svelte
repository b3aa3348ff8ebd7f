<script lang="ts">
  import { stateWords, type AssignmentCard } from '$lib/domain/assignment';
  import { dueWords } from './dueWords';

  let { assignment, now }: { assignment: AssignmentCard; now: Date } = $props();
  const words = $derived(stateWords(assignment));
  const tone = $derived(
    words.endsWith('to fix') ? 'text-error' : words === 'draft' ? '' : 'text-success',
  );
</script>

<a
  href="/a/{assignment.id}"
  class="group block rounded-box border border-base-300 bg-base-200 p-3 transition-shadow hover:shadow-lg"
>
  <div class="mb-3 aspect-[8.5/7] overflow-hidden border border-base-300 bg-(--paper)">
    <img
      src="/a/{assignment.id}/first-page?r={assignment.revision}"
      alt="First page of {assignment.title}"
      class="w-full"
      loading="lazy"
    />
  </div>
  <h3 class="text-lg leading-tight font-bold group-hover:underline">{assignment.title}</h3>
  <p class="mt-1 flex justify-between text-[15px]">
    <span
      >{assignment.state === 'handed-in' ? 'was due' : 'due'}
      {dueWords(assignment.dueAt, now)}</span
    >
    <span class="font-bold {tone}">{words}</span>
  </p>
</a>
