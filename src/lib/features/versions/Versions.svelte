<script module lang="ts">
  /** A page as the server pictures it. */
  export interface ComparedPage {
    readonly svg: string;
    readonly width: number;
    readonly height: number;
    readonly lines: readonly {
      readonly text: string;
      readonly look: string;
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
    }[];
  }
  interface Pictured {
    readonly text: string;
    readonly pages: readonly ComparedPage[];
  }
</script>

<script lang="ts">
  import { goto } from '$app/navigation';
  import type { Course } from '$lib/domain/assignment';
  import { versionWords, type VersionCard } from '$lib/domain/version';
  import { ask, tell } from '$lib/ui/ask';
  import Problem from '$lib/ui/Problem.svelte';
  import SheetPlace from '$lib/ui/SheetPlace.svelte';
  import { untrack } from 'svelte';
  import { comparedPages, compareLines, layoutWords, type PlacedLine } from './compare';
  import MarkedPages from './MarkedPages.svelte';
  import { momentWords } from './strip';
  import TimeStrip from './TimeStrip.svelte';

  interface Props {
    id: string;
    title: string;
    course: Course;
    versions: readonly VersionCard[];
  }
  let { id, title, course, versions: given }: Props = $props();

  let versions = $state.raw(untrack(() => given));
  let chosen = $state<number | null>(untrack(() => given.at(-1)?.id ?? null));
  let shows = $state<'pages' | 'source'>('pages');
  let name = $state('');
  let problem = $state<string | null>(null);
  let old = $state.raw<Pictured | null>(null);
  let now = $state.raw<Pictured | null>(null);
  let moment = $state(new Date());

  const version = $derived(versions.find((one) => one.id === chosen) ?? null);

  $effect(() => {
    void ask<Pictured>(`/a/${id}/versions/now`).then((said) => {
      if (said.ok) now = said.value;
      else problem = said.problem;
    });
  });
  $effect(() => {
    const asked = chosen;
    old = null;
    if (asked === null) return;
    void ask<Pictured>(`/a/${id}/versions/${asked}`).then((said) => {
      if (asked !== chosen) return;
      if (said.ok) old = said.value;
      else problem = said.problem;
    });
  });

  const linesOf = ({ pages }: Pictured): PlacedLine[] =>
    pages.flatMap(({ lines }, page) =>
      lines.map(({ text, look, x, y }) => ({ text, look, page, x, y })),
    );
  const marks = $derived(old && now ? comparedPages(linesOf(old), linesOf(now)) : null);
  const layout = $derived(marks ? layoutWords(marks) : '');
  const source = $derived(
    old && now ? compareLines(old.text.split('\n'), now.text.split('\n')) : [],
  );
  const differs = $derived(source.filter(({ kind }) => kind !== 'same').length);

  async function keep(event: SubmitEvent) {
    event.preventDefault();
    const said = await tell<{ id: number; versions: VersionCard[] }>('POST', `/a/${id}/versions`, {
      name,
    });
    if (!said.ok) return void (problem = said.problem);
    ({ versions } = said.value);
    moment = new Date();
    chosen = said.value.id;
    name = '';
  }
  async function restore() {
    const said = await tell('POST', `/a/${id}/versions/${chosen}`);
    if (said.ok) await goto(`/a/${id}`, { invalidateAll: true });
    else problem = said.problem;
  }
</script>

<div class="flex h-dvh min-w-[960px] flex-col">
  <SheetPlace {id} {title} course={course.title} here="Earlier versions">
    <form class="flex gap-2" onsubmit={keep}>
      <input
        class="input input-sm w-52"
        placeholder="before the last problem"
        aria-label="A name for the sheet as it is now"
        bind:value={name}
      />
      <button class="btn btn-sm" disabled={name.trim() === ''}>Keep it as this</button>
    </form>
  </SheetPlace>
  <main class="flex min-h-0 flex-1 flex-col">
    <Problem says={problem} />
    {#if versions.length === 0}
      <p class="p-8">
        There is no earlier version yet. One is kept while you write, every few minutes, and
        whenever you give it a name.
      </p>
    {:else}
      <div class="border-b border-base-300 px-5 pt-3">
        <TimeStrip {versions} now={moment} {chosen} onchoose={(to) => (chosen = to)} />
      </div>
      <div class="flex items-center gap-4 border-b border-base-300 px-5 py-2">
        <p>
          {#if version}
            <strong>{versionWords(version)}</strong>, {momentWords(version.at)} · {version.words} words
          {/if}
        </p>
        <p class="text-secondary" role="status">
          {!old || !now
            ? 'typesetting both'
            : differs === 0
              ? 'the same as now'
              : differs === 1
                ? '1 line of the source differs'
                : `${differs} lines of the source differ`}{layout === '' ? '' : `: ${layout}`}
        </p>
        <div class="ml-auto flex gap-2" role="group" aria-label="What is compared">
          <button
            class="btn btn-sm {shows === 'pages' ? 'border-primary text-primary' : ''}"
            aria-pressed={shows === 'pages'}
            onclick={() => (shows = 'pages')}>Pages</button
          >
          <button
            class="btn btn-sm {shows === 'source' ? 'border-primary text-primary' : ''}"
            aria-pressed={shows === 'source'}
            onclick={() => (shows = 'source')}>Source</button
          >
        </div>
        <button
          class="btn btn-primary btn-sm"
          disabled={!version || differs === 0}
          onclick={restore}>Go back to this</button
        >
      </div>
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <div
        class="min-h-0 flex-1 overflow-auto bg-base-200 p-5"
        tabindex="0"
        role="region"
        aria-label="Then and now"
      >
        <div class="mx-auto grid max-w-6xl grid-cols-2 gap-6">
          <h2 class="font-bold">Then</h2>
          <h2 class="font-bold">Now</h2>
          {#if shows === 'pages'}
            <MarkedPages
              pages={old?.pages ?? []}
              changed={marks?.gone ?? new Set()}
              moved={marks?.movedFrom ?? new Set()}
              says="not so now"
            />
            <MarkedPages
              pages={now?.pages ?? []}
              changed={marks?.fresh ?? new Set()}
              moved={marks?.movedTo ?? new Set()}
              says="not so then"
            />
          {/if}
        </div>
        {#if shows === 'source'}
          <table
            class="mx-auto w-full max-w-6xl table-fixed font-[family-name:var(--font-source)] text-[13px]"
          >
            <tbody>
              {#each source as { kind, before, after }, i (i)}
                <tr>
                  <td
                    class="w-1/2 px-2 align-top break-words whitespace-pre-wrap {kind !== 'same' &&
                    before !== null
                      ? 'border-l-3 border-error bg-error/10'
                      : ''}">{before ?? ''}</td
                  >
                  <td
                    class="w-1/2 px-2 align-top break-words whitespace-pre-wrap {kind !== 'same' &&
                    after !== null
                      ? 'border-l-3 border-success bg-success/10'
                      : ''}">{after ?? ''}</td
                  >
                </tr>
              {/each}
            </tbody>
          </table>
        {/if}
      </div>
    {/if}
  </main>
</div>
