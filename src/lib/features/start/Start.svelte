<script lang="ts">
  import { goto } from '$app/navigation';
  import type { Course, Kind } from '$lib/domain/assignment';
  import { KINDS } from '$lib/domain/choices';
  import type { SitePosting } from '$lib/domain/courseSite';
  import type { Profile } from '$lib/domain/schemas';
  import { tell } from '$lib/ui/ask';
  import { dateAndTime, momentOf } from '$lib/ui/dateTime';
  import LampButton from '$lib/ui/LampButton.svelte';
  import Problem from '$lib/ui/Problem.svelte';
  import { untrack } from 'svelte';
  import { readPart } from '../workbench/text';
  import { NOTHING } from './catalog';
  import { dateOf, preambleOf, withDate, withPart, type DateChoice } from './choices';
  import FirstPage from './FirstPage.svelte';
  import FromWhat, { type Begun } from './FromWhat.svelte';
  import HowItIsSet from './HowItIsSet.svelte';

  interface Props {
    courses: readonly Course[];
    earlier: readonly { readonly id: string; readonly title: string; readonly course: string }[];
    profile: Profile;
    /** The course it is to be under. */
    course: string | null;
  }
  let { courses, earlier, profile, course }: Props = $props();

  const signed = (begun: string): string =>
    readPart(begun, 'author') && profile.name !== ''
      ? withPart(begun, 'author', profile.name)
      : begun;
  let title = $state('');
  let text = $state(untrack(() => signed(NOTHING)));
  let kind = $state<Kind>('problem set');
  let filesFrom = $state<string | null>(null);
  let posting = $state.raw<SitePosting | null>(null);
  let courseId = $state(untrack(() => course ?? courses[0]?.id ?? ''));
  let day = $state('');
  let time = $state('');
  let problem = $state<string | null>(null);

  const author = $derived(readPart(text, 'author')?.text ?? '');
  const date = $derived(dateOf(text));
  const DATES: readonly (readonly [DateChoice, string])[] = [
    ['today', 'the day it is typeset'],
    ['none', 'none'],
    ['fixed', 'this one'],
  ];

  function begin(begun: Begun) {
    text = signed(begun.text);
    ({ kind, filesFrom, posting } = begun);
    problem = null;
    if (posting) {
      ({ title } = posting);
      const { course: code } = posting;
      courseId = courses.find((one) => one.code === code)?.id ?? courseId;
      ({ date: day, time } = dateAndTime(posting.rules.deadline));
    } else if (title !== '' && readPart(text, 'title')) text = withPart(text, 'title', title);
  }
  /** The posting becomes a sheet with all its files; then it says what was chosen here. */
  async function answer({ id: posted }: SitePosting) {
    const taken = await tell<{ id: string; path: string }>('POST', `/api/postings/${posted}`);
    if (!taken.ok) return void (problem = taken.problem);
    const { id, path } = taken.value;
    await tell('PUT', `/a/${id}/source`, { path, revision: 1, content: text });
    await tell('PATCH', `/api/assignments/${id}`, { title, kind, courseId });
    await goto(`/a/${id}`);
  }
  function setTitle(to: string) {
    title = to;
    text = withPart(text, 'title', to);
  }
  async function make(event: SubmitEvent) {
    event.preventDefault();
    if (posting) return answer(posting);
    const dueAt = momentOf(day, time);
    const body = { courseId, title, kind, dueAt, content: text, filesFrom };
    const said = await tell<{ id: string }>('POST', '/api/assignments', body);
    if (said.ok) await goto(`/a/${said.value.id}`);
    else problem = said.problem;
  }
</script>

<div class="flex h-dvh min-w-[960px] flex-col">
  <header class="flex items-center gap-3 border-b border-base-300 px-5 py-2">
    <a href="/" class="link-hover link">Desk</a>
    <span aria-hidden="true">/</span>
    <h1 class="text-lg font-bold">A new sheet</h1>
    <div class="ml-auto"><LampButton /></div>
  </header>
  <main class="flex min-h-0 flex-1">
    <form class="flex w-[25rem] flex-none flex-col border-r border-base-300" onsubmit={make}>
      <div class="flex min-h-0 flex-1 flex-col gap-4 overflow-auto px-5 py-4">
        <div class="grid grid-cols-2 gap-x-3 gap-y-2">
          <label class="col-span-2">
            Title
            <input
              class="input input-sm mt-0.5 w-full"
              required
              maxlength="160"
              value={title}
              oninput={(event) => setTitle(event.currentTarget.value)}
            />
          </label>
          <label>
            Course
            <select class="select select-sm mt-0.5 w-full" bind:value={courseId} required>
              {#each courses as one (one.id)}<option value={one.id}>{one.title}</option>{/each}
            </select>
          </label>
          <label>
            It is
            <select class="select select-sm mt-0.5 w-full" bind:value={kind}>
              {#each KINDS as one (one)}<option value={one}>{one}</option>{/each}
            </select>
          </label>
          <label>
            Due on
            <input class="input input-sm mt-0.5 w-full" type="date" bind:value={day} />
          </label>
          <label>
            at
            <input class="input input-sm mt-0.5 w-full" type="time" bind:value={time} />
          </label>
        </div>
        <FromWhat {earlier} onbegin={begin} onproblem={(says) => (problem = says)} />
        <div class="grid grid-cols-2 gap-x-3 gap-y-2">
          <label class="col-span-2">
            Author
            <input
              class="input input-sm mt-0.5 w-full"
              value={author}
              oninput={(event) => (text = withPart(text, 'author', event.currentTarget.value))}
            />
          </label>
          <label class={date.choice === 'fixed' ? '' : 'col-span-2'}>
            Date
            <select
              class="select select-sm mt-0.5 w-full"
              value={date.choice}
              onchange={(event) => {
                const choice = event.currentTarget.value as DateChoice;
                text = withDate(
                  text,
                  choice,
                  new Date().toLocaleDateString('en-GB', { dateStyle: 'long' }),
                );
              }}
            >
              {#each DATES as [value, words] (value)}<option {value}>{words}</option>{/each}
            </select>
          </label>
          {#if date.choice === 'fixed'}
            <label>
              The date
              <input
                class="input input-sm mt-0.5 w-full"
                value={date.fixed}
                onchange={(event) => (text = withDate(text, 'fixed', event.currentTarget.value))}
              />
            </label>
          {/if}
        </div>
        <HowItIsSet {text} onchange={(to) => (text = to)} />
        <Problem says={problem} />
        {#if courses.length === 0}
          <p>
            Make a course on the <a class="link" href="/">desk</a> first: sheets stand under courses.
          </p>
        {/if}
      </div>
      <div class="border-t border-base-300 px-5 py-3">
        <button class="btn btn-primary w-full" disabled={title.trim() === '' || courseId === ''}
          >Start writing</button
        >
      </div>
    </form>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <section
      class="min-w-0 flex-1 overflow-auto bg-base-200 p-5"
      aria-label="The first page"
      tabindex="0"
    >
      <div class="mx-auto max-w-[34rem]"><FirstPage {text} /></div>
    </section>
    <section
      class="w-[20rem] flex-none overflow-auto border-l max-[1200px]:w-60 border-base-300 p-4"
      aria-labelledby="preamble-title"
    >
      <h2 id="preamble-title" class="mb-2 font-bold">What this writes for you</h2>
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <pre
        class="font-[family-name:var(--font-source)] text-[13px] leading-relaxed whitespace-pre-wrap"
        tabindex="0"
        data-testid="preamble">{preambleOf(text)}</pre>
    </section>
  </main>
</div>
