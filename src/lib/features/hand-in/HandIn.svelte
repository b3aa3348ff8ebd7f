<script lang="ts">
  import type { AssignmentState, Course, Posting } from '$lib/domain/assignment';
  import type { HandIn, LastLook, LookedText, LookLine, SitePosting } from '$lib/domain/courseSite';
  import type { Profile } from '$lib/domain/schemas';
  import { ask, tell } from '$lib/ui/ask';
  import Problem from '$lib/ui/Problem.svelte';
  import SheetPlace from '$lib/ui/SheetPlace.svelte';
  import { sizeWords } from '$lib/ui/sizeWords';
  import { onMount, untrack } from 'svelte';
  import LookLines from './LookLines.svelte';
  import PdfPages from './PdfPages.svelte';
  import ReceiptCard from './ReceiptCard.svelte';
  import { lookUpSpelling } from './spellingLine';

  type Look = LastLook & { readonly texts: readonly LookedText[] };
  interface Props {
    id: string;
    title: string;
    course: Course;
    state: AssignmentState;
    posting: Posting | null;
    siteName: string;
    profile: Profile;
    receipts: readonly HandIn[];
  }
  let {
    id,
    title,
    course,
    state: stands,
    posting,
    siteName,
    profile,
    receipts: given,
  }: Props = $props();

  let look = $state.raw<Look | null>(null);
  let spelling = $state.raw<LookLine | null>(null);
  let problem = $state<string | null>(null);
  let receipts = $state.raw(untrack(() => given));
  let slots = $state.raw<readonly SitePosting[]>([]);
  let slot = $state(untrack(() => posting?.id ?? ''));
  let pdf = $state(true);
  let source = $state(untrack(() => posting?.rules.kinds.some((kind) => kind !== 'pdf') ?? false));
  let name = $state(untrack(() => profile.name));
  let sending = $state(false);

  onMount(() => {
    let stop = (): void => undefined;
    void ask<Look>(`/a/${id}/hand-in/look`).then((said) => {
      if (!said.ok) return void (problem = said.problem);
      look = said.value;
      stop = lookUpSpelling(look.texts, (line) => (spelling = line));
    });
    if (!posting)
      void ask<SitePosting[]>('/api/postings').then((said) => {
        if (said.ok) slots = said.value;
      });
    return () => stop();
  });

  const lines = $derived(look ? [...look.lines, ...(spelling ? [spelling] : [])] : []);
  const wrong = $derived(lines.filter(({ well }) => well === false).length);

  async function handIn() {
    sending = true;
    problem = null;
    if (name.trim() !== profile.name)
      await tell('PUT', '/api/profile', { ...profile, name: name.trim() });
    const said = await tell<HandIn>('POST', `/a/${id}/hand-in`, { posting: slot, pdf, source });
    sending = false;
    if (said.ok) receipts = [said.value, ...receipts];
    else problem = said.problem;
  }
</script>

<div class="flex h-dvh min-w-[960px] flex-col">
  <SheetPlace {id} {title} course={course.title} here="Hand in" />
  <main class="flex min-h-0 flex-1">
    <div class="w-[30rem] flex-none overflow-auto border-r border-base-300 px-5 py-4">
      {#each receipts as one (one.id)}<ReceiptCard {id} handIn={one} />{/each}
      {#if receipts.length > 0 && stands !== 'handed-in' && receipts === given}
        <p class="mb-3">You have written on since: what is here now is not what was handed in.</p>
      {/if}
      <h2 class="mb-1 text-lg font-bold">The last look</h2>
      <p class="mb-2" role="status">
        {!look
          ? problem
            ? ''
            : 'Looking at every page…'
          : wrong === 0
            ? 'Nothing stands in the way.'
            : wrong === 1
              ? 'One thing to look at.'
              : `${wrong} things to look at.`}
      </p>
      <LookLines {id} {lines} />
      <section class="mt-5 border-t border-base-300 pt-4" aria-labelledby="goes-title">
        <h2 id="goes-title" class="mb-2 text-lg font-bold">What goes</h2>
        {#if look}
          <label class="flex items-center gap-2">
            <input type="checkbox" class="checkbox checkbox-sm" bind:checked={pdf} />
            <span
              >{look.files[0]?.name}, {sizeWords(look.files[0]?.size ?? 0)}, {look.pages === 1
                ? '1 page'
                : `${look.pages} pages`}</span
            >
          </label>
          <label class="flex items-center gap-2">
            <input type="checkbox" class="checkbox checkbox-sm" bind:checked={source} />
            <span
              >{look.files[1]?.name}, {sizeWords(look.files[1]?.size ?? 0)}, the source{look.files[1]?.name.endsWith(
                '.zip',
              )
                ? ' with its files'
                : ''}</span
            >
          </label>
          <p class="mt-2 text-sm">
            To keep:
            <a class="link" href="/a/{id}/pdf" download>PDF</a>,
            <a class="link" href="/a/{id}/source-files" download>source</a>,
            <a class="link" href="/a/{id}/everything" download>both in one zip</a>
          </p>
        {/if}
      </section>
      <section class="mt-5 border-t border-base-300 pt-4" aria-labelledby="where-title">
        <h2 id="where-title" class="mb-2 text-lg font-bold">Where it goes</h2>
        {#if posting}
          <p>{posting.site}: {posting.title}.</p>
          <p class="text-sm text-secondary">
            It takes {posting.rules.kinds.join(', ')} until {new Date(
              posting.rules.deadline,
            ).toLocaleString('en-GB', { dateStyle: 'long', timeStyle: 'short' })}. {posting.rules
              .latePolicy}
          </p>
        {:else}
          <label>
            Which assignment of {siteName.toLowerCase()}
            <select class="select mt-1 w-full" bind:value={slot}>
              <option value="" disabled
                >{slots.length === 0 ? 'it does not answer just now' : 'choose one'}</option
              >
              {#each slots as one (one.id)}<option value={one.id}>{one.course}: {one.title}</option
                >{/each}
            </select>
          </label>
        {/if}
        <label class="mt-3 block">
          Your name
          <input class="input mt-1 w-full" bind:value={name} maxlength="120" autocomplete="name" />
        </label>
        <Problem says={problem} />
        <button
          class="btn btn-primary mt-3 w-full"
          disabled={sending || !look || slot === '' || !(pdf || source) || name.trim() === ''}
          onclick={handIn}
          >{sending ? 'Handing it in…' : wrong > 0 ? 'Hand it in as it is' : 'Hand it in'}</button
        >
      </section>
    </div>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div
      class="min-w-0 flex-1 overflow-auto bg-base-200 p-5"
      tabindex="0"
      role="region"
      aria-label="The pages that go"
    >
      <div class="mx-auto max-w-[44rem]">
        {#if look}<PdfPages address="/a/{id}/pdf?edition={look.edition}" />{/if}
      </div>
    </div>
  </main>
</div>
