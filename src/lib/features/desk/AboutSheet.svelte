<script lang="ts">
  import type { AssignmentCard, DeskCourse, Kind } from '$lib/domain/assignment';
  import { KINDS } from '$lib/domain/choices';
  import { tell } from '$lib/ui/ask';
  import Panel from '$lib/ui/Panel.svelte';
  import Problem from '$lib/ui/Problem.svelte';
  import { dateAndTime, momentOf } from '$lib/ui/dateTime';

  interface Props {
    courses: readonly DeskCourse[];
    /** Something was changed; `undo` takes it back. */
    onchanged: (says: string, undo: () => Promise<unknown>) => void;
  }
  let { courses, onchanged }: Props = $props();

  let dialog = $state<ReturnType<typeof Panel>>();
  let card = $state.raw<AssignmentCard | null>(null);
  let title = $state('');
  let date = $state('');
  let time = $state('');
  let kind = $state<Kind>('problem set');
  let courseId = $state('');
  let ready = $state(false);
  let problem = $state<string | null>(null);

  export function open(about: AssignmentCard) {
    card = about;
    ({ title, kind, courseId } = about);
    ({ date, time } = dateAndTime(about.dueAt));
    ready = about.state === 'ready';
    problem = null;
    dialog?.open();
  }

  const address = $derived(`/api/assignments/${card?.id}`);

  /** Changes the sheet and says so, with the way back. */
  async function change(to: object, back: object, says: string) {
    const place = address;
    const said = await tell('PATCH', place, to);
    if (!said.ok) return void (problem = said.problem);
    dialog?.close();
    onchanged(says, () => tell('PATCH', place, back));
  }

  function keep(event: SubmitEvent) {
    event.preventDefault();
    if (!card) return;
    const before = card;
    // What was handed in stays so until one writes on.
    const state = (is: boolean): object =>
      before.state === 'handed-in' ? {} : { state: is ? 'ready' : 'draft' };
    void change(
      { title, kind, courseId, dueAt: momentOf(date, time), ...state(ready) },
      {
        title: before.title,
        kind: before.kind,
        courseId: before.courseId,
        dueAt: before.dueAt,
        ...state(before.state === 'ready'),
      },
      `“${title}” was changed.`,
    );
  }
  async function duplicate() {
    const said = await tell<{ id: string }>('POST', `${address}/duplicate`);
    if (!said.ok) return void (problem = said.problem);
    const { id } = said.value;
    dialog?.close();
    onchanged(`“${card?.title}” was copied.`, () =>
      tell('PATCH', `/api/assignments/${id}`, { deleted: true }),
    );
  }
</script>

<Panel bind:this={dialog} title="About this sheet">
  <Problem says={problem} />
  <form class="grid grid-cols-2 gap-4" onsubmit={keep}>
    <label class="col-span-2">
      Title
      <input class="input mt-1 w-full" bind:value={title} required maxlength="160" />
    </label>
    <label>
      Due on
      <input class="input mt-1 w-full" type="date" bind:value={date} />
    </label>
    <label>
      at
      <input class="input mt-1 w-full" type="time" bind:value={time} />
    </label>
    <label>
      It is
      <select class="select mt-1 w-full" bind:value={kind}>
        {#each KINDS as one (one)}<option value={one}>{one}</option>{/each}
      </select>
    </label>
    <label>
      Course
      <select class="select mt-1 w-full" bind:value={courseId}>
        {#each courses as course (course.id)}
          <option value={course.id}>{course.title}</option>
        {/each}
      </select>
    </label>
    {#if card?.state !== 'handed-in'}
      <label class="col-span-2 flex items-center gap-2">
        <input type="checkbox" class="checkbox checkbox-sm" bind:checked={ready} />
        <span>It is ready to be handed in</span>
      </label>
    {/if}
    <div class="col-span-2 flex flex-wrap gap-2 border-t border-base-300 pt-4">
      <button class="btn btn-primary btn-sm">Keep these</button>
      <button type="button" class="btn btn-sm ml-auto" onclick={duplicate}>Duplicate</button>
      {#if card?.archived}
        <button
          type="button"
          class="btn btn-sm"
          onclick={() =>
            change(
              { archived: false },
              { archived: true },
              `“${card?.title}” is back on the desk.`,
            )}>Back to the desk</button
        >
      {:else}
        <button
          type="button"
          class="btn btn-sm"
          onclick={() =>
            change({ archived: true }, { archived: false }, `“${card?.title}” was archived.`)}
          >Archive</button
        >
      {/if}
      <button
        type="button"
        class="btn btn-sm text-error"
        onclick={() =>
          change({ deleted: true }, { deleted: false }, `“${card?.title}” was deleted.`)}
        >Delete</button
      >
    </div>
  </form>
</Panel>
