<script lang="ts">
  import { goto } from '$app/navigation';
  import type { FileInfo, OpenAssignment } from '$lib/domain/assignment';
  import LampButton from '$lib/ui/LampButton.svelte';
  import type { EditorView } from '@codemirror/view';
  import type { Finding } from '@odd-compass/engine';
  import type { ChecksClient } from './checks/checksClient.svelte';
  import StepsDrawer from './checks/StepsDrawer.svelte';
  import type { EngineClient } from './engine/engineClient.svelte';
  import FilesDrawer from './files/FilesDrawer.svelte';
  import FindingsList from './FindingsList.svelte';
  import FragmentsDrawer from './fragments/FragmentsDrawer.svelte';
  import HandbookDrawer from './HandbookDrawer.svelte';
  import Needle from './Needle.svelte';
  import type { Saver, SaveStatus } from './saving/saver.svelte';
  import TakeMenu from './TakeMenu.svelte';

  interface Props {
    assignment: OpenAssignment;
    engine: EngineClient | null;
    checks: ChecksClient | null;
    saver: Saver | null;
    view: EditorView | null;
    caret: number;
    findings: readonly Finding[];
    /** Do page and source agree? */
    settled: boolean;
    ongo: (offset: number) => void;
    onelsewhere: (place: { readonly file: string; readonly from: number }) => void;
    onfiles: (files: readonly FileInfo[]) => void;
  }
  let {
    assignment,
    engine,
    checks,
    saver,
    view,
    caret,
    findings,
    settled,
    ongo,
    onelsewhere,
    onfiles,
  }: Props = $props();

  const STATUS: Readonly<Record<SaveStatus, string>> = {
    saved: 'saved',
    saving: 'saving',
    waiting: 'not saved yet, kept in this browser',
    refused: 'not taken by the server, kept in this browser',
    conflict: 'changed in another window',
  };
  let findingsList = $state<ReturnType<typeof FindingsList>>();
  let filesDrawer = $state<ReturnType<typeof FilesDrawer>>();
  let fragments = $state<ReturnType<typeof FragmentsDrawer>>();
  let stepsDrawer = $state<ReturnType<typeof StepsDrawer>>();
  let handbook = $state<ReturnType<typeof HandbookDrawer>>();
  const pageCount = $derived(engine?.pages.length ?? 0);
  const isSheet = $derived(assignment.file.path === assignment.sheet);

  /** Goes on when all is saved: PDF and other places look at what the server has. */
  async function whenSaved(event: MouseEvent, go: (address: string) => unknown) {
    if (!saver || saver.status === 'saved') return;
    event.preventDefault();
    const { href } = event.currentTarget as HTMLAnchorElement;
    if (await saver.flush()) go(href);
  }
  const leave = (event: MouseEvent) => whenSaved(event, goto);
</script>

<header class="flex items-center gap-1.5 border-b border-base-300 bg-base-100 px-4 py-1.5">
  <nav aria-label="Where you are" class="flex min-w-0 items-baseline gap-2">
    <a href="/" class="link-hover link">Desk</a>
    <span aria-hidden="true">/</span>
    <span class="truncate max-[1200px]:hidden">{assignment.course.title}</span>
    <span aria-hidden="true" class="max-[1200px]:hidden">/</span>
    <h1 class="truncate text-lg font-bold">{assignment.title}</h1>
    {#if !isSheet}
      <span aria-hidden="true">/</span>
      <span class="truncate">{assignment.file.path}</span>
    {/if}
  </nav>
  <p class="ml-auto whitespace-nowrap" role="status" data-testid="status">
    {saver ? STATUS[saver.status] : 'opening'} · {pageCount === 1
      ? '1 page'
      : `${pageCount} pages`}{engine?.busy ? ', still being set' : ''}
  </p>
  {#if engine}
    <Needle {findings} {caret} {settled} {ongo} />
    <button
      class="btn btn-ghost btn-sm px-2"
      title="All that was found (F8)"
      onclick={() => findingsList?.toggle()}>List</button
    >
    <FindingsList
      bind:this={findingsList}
      {findings}
      elsewhere={engine.findingsElsewhere}
      {settled}
      {view}
      {ongo}
      {onelsewhere}
    />
  {/if}
  <button class="btn btn-ghost btn-sm px-2" onclick={() => filesDrawer?.open()}>Files</button>
  <button class="btn btn-ghost btn-sm px-2" onclick={() => fragments?.open()}>Fragments</button>
  <button
    class="btn btn-ghost btn-sm px-2"
    title="Test the steps of derivations"
    onclick={() => stepsDrawer?.open()}>Steps</button
  >
  <button class="btn btn-ghost btn-sm px-2" title="F1" onclick={() => handbook?.open()}
    >Handbook</button
  >
  <a class="btn btn-ghost btn-sm px-2" href="/a/{assignment.id}/versions" onclick={leave}>Earlier</a
  >
  <a class="btn btn-ghost btn-sm px-2" href="/a/{assignment.id}/argument" onclick={leave}
    >Argument</a
  >
  <LampButton />
  <a class="btn btn-sm" href="/a/{assignment.id}/hand-in" onclick={leave}>Hand in</a>
  <TakeMenu {assignment} {whenSaved} flush={() => saver?.flush() ?? Promise.resolve(true)} />
</header>
<FilesDrawer
  bind:this={filesDrawer}
  id={assignment.id}
  main={assignment.sheet}
  open={assignment.file.path}
  {onfiles}
  flush={() => saver?.flush() ?? Promise.resolve(true)}
/>
{#if engine && checks}
  <StepsDrawer bind:this={stepsDrawer} {checks} {engine} {view} {ongo} />
{/if}
<HandbookDrawer bind:this={handbook} {view} {engine} />
<FragmentsDrawer
  bind:this={fragments}
  {view}
  title={assignment.title}
  words={engine?.words ?? []}
/>
