<script lang="ts">
  import { stateWords, type AssignmentCard, type Ink } from '$lib/domain/assignment';
  import { dueWords } from './dueWords';

  interface Props {
    assignment: AssignmentCard;
    ink: Ink;
    /** The course, where sheets of several stand together. */
    course?: string;
    now: Date;
    onabout: (assignment: AssignmentCard) => void;
  }
  let { assignment, ink, course, now, onabout }: Props = $props();
  const words = $derived(stateWords(assignment));
  const tone = $derived(
    words.endsWith('to fix') ? 'text-error' : words === 'draft' ? '' : 'text-success',
  );
</script>

<div
  class="group relative rounded-box border border-base-300 bg-base-200 p-3 transition-shadow [contain-intrinsic-size:auto_21rem] [content-visibility:auto] hover:shadow-lg"
  style="border-top:3px solid var(--ink-{ink})"
>
  <a href="/a/{assignment.id}" class="block after:absolute after:inset-0">
    <span class="mb-3 block aspect-[8.5/7] overflow-hidden border border-base-300 bg-(--paper)">
      <img
        src="/a/{assignment.id}/first-page?r={assignment.edition}"
        alt="First page of {assignment.title}"
        class="w-full"
        loading="lazy"
      />
    </span>
    <h3 class="text-lg leading-tight font-bold group-hover:underline">{assignment.title}</h3>
  </a>
  {#if course}<p class="text-sm text-secondary">{course}</p>{/if}
  <p class="mt-1 flex justify-between text-[15px]">
    <span
      >{assignment.dueAt === null
        ? assignment.kind
        : `${assignment.state === 'handed-in' ? 'was due' : 'due'} ${dueWords(assignment.dueAt, now)}`}</span
    >
    <span class="font-bold {tone}">{words}</span>
  </p>
  <p class="flex items-center justify-between text-sm text-secondary">
    <span
      >{assignment.pages === null
        ? ''
        : assignment.pages === 1
          ? '1 page'
          : `${assignment.pages} pages`}</span
    >
    <button
      class="btn btn-ghost btn-xs relative z-1 font-normal"
      aria-label="About {assignment.title}"
      onclick={() => onabout(assignment)}>About</button
    >
  </p>
</div>
