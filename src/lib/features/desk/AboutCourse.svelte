<script lang="ts">
  import type { DeskCourse, Ink } from '$lib/domain/assignment';
  import { INKS } from '$lib/domain/choices';
  import { tell } from '$lib/ui/ask';
  import Panel from '$lib/ui/Panel.svelte';
  import Problem from '$lib/ui/Problem.svelte';

  interface Props {
    onchanged: (says: string, undo: (() => Promise<unknown>) | null) => void;
  }
  let { onchanged }: Props = $props();

  let dialog = $state<ReturnType<typeof Panel>>();
  let course = $state.raw<DeskCourse | null>(null);
  let code = $state('');
  let title = $state('');
  let term = $state('');
  let colour = $state<Ink>('brass');
  let problem = $state<string | null>(null);

  /** A course that is there, or a new one. */
  export function open(about: DeskCourse | null) {
    course = about;
    code = about?.code ?? '';
    title = about?.title ?? '';
    term = about?.term ?? '';
    colour = about?.colour ?? 'brass';
    problem = null;
    dialog?.open();
  }

  async function keep(event: SubmitEvent) {
    event.preventDefault();
    const fields = { code, title, term, colour };
    const before = course;
    const said = before
      ? await tell('PATCH', `/api/courses/${before.id}`, fields)
      : await tell('POST', '/api/courses', fields);
    if (!said.ok) return void (problem = said.problem);
    dialog?.close();
    const back = before && {
      code: before.code,
      title: before.title,
      term: before.term,
      colour: before.colour,
    };
    onchanged(
      before ? `“${title}” was changed.` : `“${title}” is a course now.`,
      before && (() => tell('PATCH', `/api/courses/${before.id}`, back)),
    );
  }
  async function archive(archived: boolean) {
    const { id, title: name } = course as DeskCourse;
    const said = await tell('PATCH', `/api/courses/${id}`, { archived });
    if (!said.ok) return void (problem = said.problem);
    dialog?.close();
    onchanged(archived ? `“${name}” was archived.` : `“${name}” is back.`, () =>
      tell('PATCH', `/api/courses/${id}`, { archived: !archived }),
    );
  }
  async function remove() {
    const said = await tell('DELETE', `/api/courses/${course?.id}`);
    if (!said.ok) return void (problem = said.problem);
    dialog?.close();
    onchanged(`“${course?.title}” was deleted.`, null);
  }
</script>

<Panel bind:this={dialog} title={course ? 'About this course' : 'A new course'}>
  <Problem says={problem} />
  <form class="grid grid-cols-2 gap-4" onsubmit={keep}>
    <label class="col-span-2">
      Title
      <input class="input mt-1 w-full" bind:value={title} required maxlength="120" />
    </label>
    <label>
      Code
      <input class="input mt-1 w-full" bind:value={code} required maxlength="40" />
    </label>
    <label>
      Term
      <input class="input mt-1 w-full" bind:value={term} maxlength="60" />
    </label>
    <fieldset class="col-span-2">
      <legend class="mb-1">Ink</legend>
      <div class="flex flex-wrap gap-3">
        {#each INKS as ink (ink)}
          <label class="flex items-center gap-1.5">
            <input type="radio" class="radio radio-sm" value={ink} bind:group={colour} />
            <span class="h-4 w-4 rounded-xs" style="background:var(--ink-{ink})"></span>
            {ink}
          </label>
        {/each}
      </div>
    </fieldset>
    <div class="col-span-2 flex gap-2 border-t border-base-300 pt-4">
      <button class="btn btn-primary btn-sm">{course ? 'Keep these' : 'Make the course'}</button>
      {#if course}
        <button
          type="button"
          class="btn btn-sm ml-auto"
          onclick={() => archive(!(course as DeskCourse).archived)}
          >{course.archived ? 'Back to the desk' : 'Archive'}</button
        >
        <button type="button" class="btn btn-sm text-error" onclick={remove}>Delete</button>
      {/if}
    </div>
  </form>
</Panel>
