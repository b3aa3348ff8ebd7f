<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import type { DeskCourse } from '$lib/domain/assignment';
  import type { Profile } from '$lib/domain/schemas';
  import { keep, kept } from '$lib/ui/kept';
  import LampButton from '$lib/ui/LampButton.svelte';
  import Undo from '$lib/ui/Undo.svelte';
  import { onMount } from 'svelte';
  import AboutCourse from './AboutCourse.svelte';
  import AboutSheet from './AboutSheet.svelte';

  import BringIn from './BringIn.svelte';
  import DueChart from './DueChart.svelte';
  import { lastWrittenFirst } from './lastWritten';
  import Postings from './Postings.svelte';
  import PutAway from './PutAway.svelte';
  import SheetGrid from './SheetGrid.svelte';
  import SearchResults from './SearchResults.svelte';
  import WhoYouAre from './WhoYouAre.svelte';

  interface Props {
    courses: readonly DeskCourse[];
    deleted: readonly { readonly id: string; readonly title: string; readonly deletedAt: string }[];
    profile: Profile;
  }
  let { courses, deleted, profile }: Props = $props();

  const ORDER = 'odd-compass-desk-order';
  const now = new Date();
  let query = $state('');
  let byDate = $state(false);
  let dropping = $state(false);
  let aboutSheet = $state<ReturnType<typeof AboutSheet>>();
  let aboutCourse = $state<ReturnType<typeof AboutCourse>>();
  let bringIn = $state<ReturnType<typeof BringIn>>();
  let postings = $state<ReturnType<typeof Postings>>();
  let who = $state<ReturnType<typeof WhoYouAre>>();
  let undo = $state<ReturnType<typeof Undo>>();
  onMount(() => {
    byDate = kept(ORDER) === true;
  });

  const shown = $derived(
    lastWrittenFirst(
      courses
        .filter((course) => !course.archived)
        .map((course) => ({
          ...course,
          assignments: course.assignments.filter((card) => !card.archived),
        })),
    ),
  );
  const archived = $derived(
    courses
      .filter((course) => !course.archived)
      .flatMap((course) => course.assignments.filter((card) => card.archived)),
  );
  const ordered = $derived(
    shown
      .flatMap((course) => course.assignments.map((card) => ({ card, course })))
      .sort((a, b) => rank(a.card).localeCompare(rank(b.card))),
  );
  const open = $derived(
    ordered.filter(({ card }) => card.state !== 'handed-in' && card.dueAt !== null).length,
  );

  /** What is due first stands first; what is handed in, and what has no date, stands last. */
  const rank = ({ state, dueAt }: DeskCourse['assignments'][number]): string =>
    `${state === 'handed-in' ? 2 : dueAt === null ? 1 : 0}${dueAt ?? ''}`;

  function changed(says: string, back: (() => Promise<unknown>) | null) {
    undo?.show(says, back);
    void invalidateAll();
  }
  function drop(event: DragEvent) {
    dropping = false;
    const files = [...(event.dataTransfer?.files ?? [])];
    if (files.length === 0) return;
    event.preventDefault();
    bringIn?.open(files);
  }
  function drag(event: DragEvent) {
    if (!event.dataTransfer?.types.includes('Files')) return;
    event.preventDefault();
    dropping = true;
  }
</script>

<svelte:window
  ondrop={drop}
  ondragover={drag}
  ondragleave={(event) => event.relatedTarget === null && (dropping = false)}
/>

<div class="mx-auto max-w-6xl px-8 py-5">
  <header class="mb-6 flex items-center gap-3 border-b border-base-300 pb-4">
    <img src="/needle.svg" alt="" class="h-9 w-9" />
    <h1 class="mr-2 text-2xl font-bold whitespace-nowrap">Odd Compass</h1>
    <input
      class="input input-sm w-56"
      type="search"
      placeholder="Find in all your work"
      aria-label="Find in all your work"
      bind:value={query}
    />
    <nav aria-label="Desk" class="ml-auto flex items-center gap-2">
      <a class="btn btn-primary btn-sm" href="/start">New sheet</a>
      <button class="btn btn-sm" onclick={() => bringIn?.open()}>Bring in</button>
      <button class="btn btn-sm" onclick={() => postings?.open()}>Posted</button>
      <a class="btn btn-ghost btn-sm" href="/handbook">Handbook</a>
      <button class="btn btn-ghost btn-sm" onclick={() => who?.open()}
        >{profile.name === '' ? 'Who you are' : profile.name}</button
      >
      <LampButton />
    </nav>
  </header>
  <main>
    {#if query.trim() !== ''}
      <SearchResults {query} />
    {:else}
      <DueChart courses={shown} {now} />
      <div class="mb-5 flex items-center gap-4">
        <p>
          {open === 0
            ? 'Nothing is due.'
            : open === 1
              ? 'One sheet is due.'
              : `${open} sheets are due.`}
        </p>
        <button
          class="btn btn-ghost btn-sm"
          onclick={() => {
            byDate = !byDate;
            keep(ORDER, byDate);
          }}>{byDate ? 'By course' : 'By due date'}</button
        >
        <button class="btn btn-ghost btn-sm ml-auto" onclick={() => aboutCourse?.open(null)}
          >New course</button
        >
      </div>
      {#if byDate}
        <h2 class="sr-only">By due date</h2>
        <div class="mb-10">
          <SheetGrid
            sheets={ordered}
            named
            most={12}
            {now}
            onabout={(about) => aboutSheet?.open(about)}
          />
        </div>
      {:else}
        {#each shown as course (course.id)}
          <section class="mb-10" aria-labelledby="course-{course.id}">
            <div class="mb-4 flex items-baseline gap-3">
              <h2 id="course-{course.id}" class="text-xl font-bold">{course.title}</h2>
              <span>{course.code}{course.term === '' ? '' : ` · ${course.term}`}</span>
              <button
                class="btn btn-ghost btn-xs font-normal"
                aria-label="About the course {course.title}"
                onclick={() => aboutCourse?.open(course)}>About</button
              >
            </div>
            {#if course.assignments.length === 0}
              <a class="link" href="/start?course={course.id}">Start its first sheet</a>
            {:else}
              <SheetGrid
                sheets={course.assignments.map((card) => ({ card, course }))}
                most={4}
                {now}
                onabout={(about) => aboutSheet?.open(about)}
              />
            {/if}
          </section>
        {:else}
          <p class="mb-6">
            The desk is empty. Make a course with “New course”, or take what yours have posted.
          </p>
        {/each}
      {/if}
      <PutAway {courses} {archived} {deleted} onchanged={() => void invalidateAll()} />
    {/if}
  </main>
</div>
{#if dropping}
  <div
    class="pointer-events-none fixed inset-4 z-10 grid place-items-center border-2 border-dashed border-primary bg-base-100/80"
  >
    <p class="text-2xl font-bold">Let go to bring it in</p>
  </div>
{/if}
<AboutSheet bind:this={aboutSheet} {courses} onchanged={changed} />
<AboutCourse bind:this={aboutCourse} onchanged={changed} />
<BringIn bind:this={bringIn} {courses} />
<Postings bind:this={postings} />
<WhoYouAre bind:this={who} {profile} onchanged={() => invalidateAll()} />
<Undo bind:this={undo} onundone={() => void invalidateAll()} />
