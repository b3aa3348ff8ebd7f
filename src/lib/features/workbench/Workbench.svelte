<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import type { FileInfo, OpenAssignment } from '$lib/domain/assignment';
  import { editBetween } from '@odd-compass/engine/edits';
  import type { TextEdit } from '@odd-compass/engine';
  import { goto } from '$app/navigation';
  import { engineName, folderOf } from '$lib/domain/fileName';
  import { onMount } from 'svelte';
  import LampButton from '$lib/ui/LampButton.svelte';
  import Bench from './bench/Bench.svelte';
  import { afterPaint } from './afterPaint';
  import { drawnWidthChange, insertFigure } from './bench/figure';
  import { blockAt } from './blockAt';
  import { EngineClient } from './engine/engineClient.svelte';
  import FindingsList from './FindingsList.svelte';
  import Needle from './Needle.svelte';
  import Seam from './seam/Seam.svelte';
  import FilesDrawer from './files/FilesDrawer.svelte';
  import FragmentsDrawer from './fragments/FragmentsDrawer.svelte';
  import { browserDrafts, isWindowOpen, windowName } from './saving/drafts';
  import HandbookDrawer from './HandbookDrawer.svelte';
  import { fileKey, Saver } from './saving/saver.svelte';
  import type { SheetGeometry } from './sheet/geometry';
  import { addFile, engineFiles } from './assignmentFiles';
  import { blockExtent, type PictureBox } from './sheet/hit';
  import { Pictures } from './sheet/pictures.svelte';
  import Sheet from './sheet/Sheet.svelte';
  import SourcePane from './source/SourcePane.svelte';

  interface Props {
    assignment: OpenAssignment;
    /** A place in the source to go to at once, or words that stand there. */
    at?: number | null;
    find?: string | null;
  }
  let { assignment, at = null, find = null }: Props = $props();

  /** Least width of either side, CSS pixels. */
  const LEAST = 320;
  let engine = $state<EngineClient | null>(null);
  let saver = $state<Saver | null>(null);
  let view = $state.raw<EditorView | null>(null);
  let sheet = $state<ReturnType<typeof Sheet>>();
  let findingsList = $state<ReturnType<typeof FindingsList>>();
  let sheetGeometry = $state.raw<SheetGeometry | null>(null);
  let text = $state('');
  let caret = $state(0);
  let tick = $state(0);
  let scrolled = $state(0);
  /** Counts the moves of the caret and the edits, for the bench. */
  let moved = $state(0);
  let sheetWidth = $state<number | null>(null);
  let folded = $state(false);
  let follow = $state(false);
  let files = $state.raw<readonly FileInfo[]>([]);
  let filesDrawer = $state<ReturnType<typeof FilesDrawer>>();
  let handbook = $state<ReturnType<typeof HandbookDrawer>>();
  let fragments = $state<ReturnType<typeof FragmentsDrawer>>();
  /** Why a file was not taken. */
  let refused = $state<string | null>(null);
  const drawn = new Pictures();
  const isPicture = (name: string): boolean => /\.(png|jpe?g|svg|pdf)$/i.test(name);
  let frame = 0;

  const isPart = $derived(assignment.file.path !== assignment.main.path);
  const addresses = $derived(engineFiles(assignment, files));

  onMount(() => {
    files = assignment.files;
    let left = false;
    void openText(() => left);
    return () => {
      left = true;
      void saver?.flush().then(() => saver?.close());
      engine?.close();
    };
  });

  /** Opens the text: as the server has it, or as an earlier visit left it that could not send it. */
  async function openText(isLeft: () => boolean) {
    const { id, file, main } = assignment;
    const name = await windowName();
    const drafts = browserDrafts(isWindowOpen);
    const draft = await drafts.left(fileKey(id, file.path), name).catch(() => null);
    if (isLeft()) return;
    const unsent = draft !== null && draft.content !== file.content;
    text = unsent ? draft.content : file.content;
    const part = isPart ? { path: engineName(main.path, file.path), text } : null;
    const whole = isPart ? main.content : text;
    const opened = { path: engineName(main.path, main.path), text: whole, part };
    engine = new EngineClient(opened, addresses);
    drawn.load(addresses);
    saver = new Saver(id, file, {
      drafts,
      window: name,
      onmerge: takeMerged,
      onsaved: (version) => isPart && tellVersion(version),
    });
    if (unsent) saver.resume(draft);
  }

  /** The engine reads a part that it has by its address only, when it is saved. */
  function tellVersion(version: number) {
    const { path } = assignment.file;
    files = files.map((file) => (file.path === path ? { ...file, version } : file));
    if (engine?.readsBySaving) engine.setFiles(addresses);
  }

  /** Other files than before: the engine and the sheet look at them again. */
  function takeFiles(now: readonly FileInfo[]) {
    files = now;
    engine?.setFiles(addresses);
    drawn.load(addresses);
  }

  /** What another window wrote comes in where it differs, so that the caret stays. */
  function takeMerged(both: string) {
    if (!view) return;
    const edit = editBetween(view.state.doc.toString(), both);
    if (edit) view.dispatch({ changes: { from: edit.from, to: edit.to, insert: edit.text } });
  }

  const litBlock = $derived.by(() => {
    if (!engine) return null;
    for (const { id, start, length } of engine.blocks.values()) {
      if (caret >= start && caret < start + length) return id;
    }
    return null;
  });
  const settled = $derived(!!engine && engine.factsRevision === engine.revision);
  const statusWords = $derived(
    saver?.status === 'saved'
      ? 'saved'
      : saver?.status === 'waiting'
        ? 'not saved yet, kept in this browser'
        : saver?.status === 'conflict'
          ? 'changed in another window'
          : 'saving',
  );
  const pageCount = $derived(engine?.pages.length ?? 0);

  function edited(edits: readonly TextEdit[], whole: () => string) {
    engine?.edit(edits);
    saver?.change(whole);
  }

  let caretNow = 0;
  /** All that follows the caret waits until the key that moved it is on the screen. */
  const followCaret = afterPaint(() => {
    caret = caretNow;
    follow = true;
    moved++;
    tick++;
  });

  function move() {
    cancelAnimationFrame(frame);
    frame = requestAnimationFrame(() => tick++);
  }

  /** The bench looks again at what the caret is in, when the engine has read the text. */
  const followReading = afterPaint(() => moved++);

  /** What stands beside the text is laid out anew when its change is on the screen. */
  const followText = afterPaint(() => tick++);

  function go(offset: number) {
    if (!view) return;
    const at = Math.min(offset, view.state.doc.length);
    view.dispatch({ selection: { anchor: at }, scrollIntoView: true });
    view.focus();
  }

  /** The caret moved or text changed: its place is brought into sight once, then the reader may scroll away. */
  $effect(() => {
    if (!follow || !engine || !sheet || engine.pagesRevision !== engine.revision) return;
    for (const [index, { description }] of engine.sighted) {
      const extent = litBlock === null ? null : blockExtent(description, litBlock);
      if (!extent) continue;
      follow = false;
      return sheet.reveal(index, extent.top, Math.min(extent.bottom, extent.top + 200));
    }
    if (!settled) return;
    const page = engine.blockPages[blockAt(engine.blockStarts, caret)] ?? -1;
    if (page >= 0 && !engine.sighted.has(page)) sheet.reveal(page, 0, 1);
    else follow = false;
  });

  $effect(() => {
    void engine?.sighted;
    void sheetGeometry;
    move();
  });

  async function takeTheirs() {
    const theirs = await saver?.takeTheirs();
    if (theirs) takeMerged(theirs);
  }

  /** Other places look at what is saved, so what was just typed is saved before one goes there. */
  async function saveAndGo(event: MouseEvent) {
    if (!saver || saver.status === 'saved') return;
    event.preventDefault();
    const { href } = event.currentTarget as HTMLAnchorElement;
    if (await saver.flush()) await goto(href);
  }

  /** The PDF is made from what is saved, so what was just typed is saved first. */
  async function takePdf(event: MouseEvent) {
    if (!saver || saver.status === 'saved') return;
    event.preventDefault();
    const { href } = event.currentTarget as HTMLAnchorElement;
    if (await saver.flush()) open(href, '_blank', 'noopener');
  }

  /** Keeps pictures that were dropped or pasted, and writes each as a figure where it fell. */
  async function takePictures(given: readonly File[], at: number) {
    if (!view) return;
    refused = null;
    for (const file of given) {
      const outcome = await addFile(assignment.id, file);
      if (typeof outcome === 'string') {
        refused = `${file.name}: ${outcome}`;
        continue;
      }
      takeFiles([...files.filter(({ path }) => path !== outcome.path), outcome]);
      if (outcome.kind === 'picture') insertFigure(view, outcome.path, at);
    }
  }

  /** Goes to a place of another file. */
  function goElsewhere({ file, from }: { readonly file: string; readonly from: number }) {
    const path = folderOf(assignment.main.path) + file;
    void goto(`/a/${assignment.id}?file=${encodeURIComponent(path)}&at=${from}`);
  }

  /** A picture was drawn to another width on the page: its command says so. */
  function resizePicture(picture: PictureBox, width: number) {
    const place = engine?.blocks.get(picture.block);
    if (!view || !place) return;
    const source = view.state.sliceDoc(place.start, place.start + place.length);
    const change = drawnWidthChange(source, place.start, picture.file, picture.width, width);
    if (change) view.dispatch({ changes: change, userEvent: 'input.bench' });
  }

  function resize(x: number) {
    folded = false;
    sheetWidth = Math.max(LEAST, Math.min(innerWidth - LEAST - 72, x - 36));
  }
</script>

<svelte:window
  onbeforeunload={() => {
    saver?.keep();
    void saver?.flush();
  }}
  onresize={move}
/>

<div class="flex h-dvh min-w-[960px] flex-col">
  <header class="flex items-center gap-1.5 border-b border-base-300 bg-base-100 px-4 py-1.5">
    <nav aria-label="Where you are" class="flex min-w-0 items-baseline gap-2">
      <a href="/" class="link-hover link">Desk</a>
      <span aria-hidden="true">/</span>
      <span class="truncate max-[1200px]:hidden">{assignment.course.title}</span>
      <span aria-hidden="true" class="max-[1200px]:hidden">/</span>
      <h1 class="truncate text-lg font-bold">{assignment.title}</h1>
      {#if isPart}
        <span aria-hidden="true">/</span>
        <span class="truncate">{assignment.file.path}</span>
      {/if}
    </nav>
    <p class="ml-auto whitespace-nowrap" role="status" data-testid="status">
      {statusWords} · {pageCount === 1 ? '1 page' : `${pageCount} pages`}
    </p>
    {#if engine}
      <Needle findings={engine.findings} {caret} {settled} ongo={go} />
      <button
        class="btn btn-ghost btn-sm px-2"
        title="All that was found (F8)"
        onclick={() => findingsList?.toggle()}>List</button
      >
      <FindingsList
        bind:this={findingsList}
        findings={engine.findings}
        elsewhere={engine.findingsElsewhere}
        {settled}
        {view}
        ongo={go}
        onelsewhere={goElsewhere}
      />
    {/if}
    <button class="btn btn-ghost btn-sm px-2" onclick={() => filesDrawer?.open()}>Files</button>
    <button class="btn btn-ghost btn-sm px-2" onclick={() => fragments?.open()}>Fragments</button>
    <button class="btn btn-ghost btn-sm px-2" title="F1" onclick={() => handbook?.open()}
      >Handbook</button
    >
    <a class="btn btn-ghost btn-sm px-2" href="/a/{assignment.id}/versions" onclick={saveAndGo}
      >Earlier</a
    >
    <LampButton />
    <a class="btn btn-sm" href="/a/{assignment.id}/hand-in" onclick={saveAndGo}>Hand in</a>
    <a
      class="btn btn-primary btn-sm"
      href="/a/{assignment.id}/pdf"
      target="_blank"
      rel="noopener"
      onclick={takePdf}>PDF</a
    >
  </header>
  {#if saver?.status === 'conflict'}
    <div class="flex items-center gap-4 border-b border-error bg-base-200 px-4 py-2" role="alert">
      <p class="flex-1">
        The same lines were changed in another window while you wrote here. Nothing is lost: choose
        which one goes on; the other stays among the earlier versions.
      </p>
      <button class="btn btn-sm" onclick={takeTheirs}>Take the other one</button>
      <button class="btn btn-primary btn-sm" onclick={() => saver?.keepMine()}>Keep this one</button
      >
    </div>
  {/if}
  {#if refused}
    <div class="flex items-center gap-4 border-b border-error bg-base-200 px-4 py-2" role="alert">
      <p class="flex-1">{refused}</p>
      <button class="btn btn-sm" onclick={() => (refused = null)}>Close</button>
    </div>
  {/if}
  {#if engine?.failed}
    <div class="flex items-center gap-4 border-b border-error bg-base-200 px-4 py-2" role="alert">
      <p class="flex-1">
        The page cannot be drawn: what it needs did not come from the server. What you type is kept.
      </p>
      <button class="btn btn-sm" onclick={() => location.reload()}>Try again</button>
    </div>
  {/if}
  <FilesDrawer
    bind:this={filesDrawer}
    id={assignment.id}
    main={assignment.main.path}
    open={assignment.file.path}
    onfiles={takeFiles}
    flush={() => saver?.flush() ?? Promise.resolve(true)}
  />
  <HandbookDrawer bind:this={handbook} {view} {engine} />
  <FragmentsDrawer
    bind:this={fragments}
    {view}
    title={assignment.title}
    words={engine?.words ?? []}
  />
  <main class="flex min-h-0 flex-1">
    {#if engine && saver}
      <div
        class="flex min-h-0 min-w-0 {folded ? 'hidden' : ''}"
        style={sheetWidth === null ? 'flex: 1 1 0' : `flex: 0 0 ${sheetWidth}px`}
      >
        <Sheet
          bind:this={sheet}
          {engine}
          pictures={drawn}
          {caret}
          {litBlock}
          onpick={go}
          onresize={resizePicture}
          ongeometry={(geometry) => (sheetGeometry = geometry)}
        />
      </div>
      <Seam
        {engine}
        {view}
        sheet={sheetGeometry}
        {litBlock}
        {tick}
        {scrolled}
        ongo={go}
        onresize={resize}
        share={folded ? 0 : Math.round(sheetWidth === null ? 47 : (100 * sheetWidth) / innerWidth)}
        onfold={() => (folded = !folded)}
      />
      <div class="flex min-h-0 min-w-0 flex-[1_1_0] flex-col">
        <SourcePane
          {text}
          findings={engine.findings}
          upToDate={settled}
          formulas={engine.formulas}
          engine={engine.knowledge}
          onedit={edited}
          oncaret={(offset) => {
            caretNow = offset;
            // What is changed from the bench is there at once: its next key counts on it.
            if (view?.hasFocus) followCaret.ask();
            else followCaret.now();
          }}
          onmove={followText.ask}
          onread={followReading.ask}
          onscroll={(top) => {
            scrolled = top;
            move();
          }}
          onpictures={takePictures}
          onready={(opened) => {
            view = opened;
            const place = at ?? (find === null ? -1 : text.indexOf(find));
            if (place >= 0) go(place);
          }}
        />
        {#if view}
          <Bench
            {view}
            {engine}
            {moved}
            pictures={addresses.filter(({ name }) => isPicture(name))}
            onpictures={takePictures}
            ongo={go}
          />
        {/if}
      </div>
    {/if}
  </main>
</div>
