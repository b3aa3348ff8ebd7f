<script lang="ts">
  import type { AssignmentCard, DeskCourse } from '$lib/domain/assignment';
  import AssignmentSheet from './AssignmentSheet.svelte';
  import { nearest } from './nearest';

  interface Props {
    sheets: readonly { readonly card: AssignmentCard; readonly course: DeskCourse }[];
    /** Are the courses told? */
    named?: boolean;
    /** How many are shown at first: those that are due about now. */
    most: number;
    now: Date;
    onabout: (assignment: AssignmentCard) => void;
  }
  let { sheets, named = false, most, now, onabout }: Props = $props();
  let all = $state(false);
  const shown = $derived(all ? sheets : nearest(sheets, ({ card }) => card, most, now));
</script>

<ul class="grid grid-cols-[repeat(auto-fill,minmax(15rem,1fr))] gap-6">
  {#each shown as { card, course } (card.id)}
    <li>
      <AssignmentSheet
        assignment={card}
        ink={course.colour}
        course={named ? course.title : undefined}
        {now}
        {onabout}
      />
    </li>
  {/each}
</ul>
{#if shown.length < sheets.length}
  <button class="btn btn-ghost btn-sm mt-3" onclick={() => (all = true)}
    >Show all {sheets.length}</button
  >
{/if}
