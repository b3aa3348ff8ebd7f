<script lang="ts">
  import type { AssignmentCard, DeskCourse } from '$lib/domain/assignment';
  import { tell } from '$lib/ui/ask';

  interface Props {
    courses: readonly DeskCourse[];
    archived: readonly AssignmentCard[];
    deleted: readonly { readonly id: string; readonly title: string; readonly deletedAt: string }[];
    onchanged: () => void;
  }
  let { courses, archived, deleted, onchanged }: Props = $props();
  const put = $derived(courses.filter((course) => course.archived));
  const count = $derived(put.length + archived.length + deleted.length);

  const back = async (address: string, change: object) => {
    await tell('PATCH', address, change);
    onchanged();
  };
</script>

{#if count > 0}
  <details class="mb-8 border-t border-base-300 pt-3">
    <summary class="cursor-pointer">Put away: {count}</summary>
    <ul class="mt-2">
      {#each put as course (course.id)}
        <li class="flex items-center gap-3 py-1">
          <span>{course.title}, a course with {course.assignments.length} sheets, archived</span>
          <button
            class="btn btn-xs"
            onclick={() => back(`/api/courses/${course.id}`, { archived: false })}
            >Back to the desk</button
          >
        </li>
      {/each}
      {#each archived as card (card.id)}
        <li class="flex items-center gap-3 py-1">
          <a class="link" href="/a/{card.id}">{card.title}</a><span>archived</span>
          <button
            class="btn btn-xs"
            aria-label="{card.title} back to the desk"
            onclick={() => back(`/api/assignments/${card.id}`, { archived: false })}
            >Back to the desk</button
          >
        </li>
      {/each}
      {#each deleted as { id, title, deletedAt } (id)}
        <li class="flex items-center gap-3 py-1">
          <span>{title}, deleted {new Date(deletedAt).toLocaleDateString('en-GB')}</span>
          <button
            class="btn btn-xs"
            aria-label="{title} back to the desk"
            onclick={() => back(`/api/assignments/${id}`, { deleted: false })}
            >Back to the desk</button
          >
        </li>
      {/each}
    </ul>
  </details>
{/if}
