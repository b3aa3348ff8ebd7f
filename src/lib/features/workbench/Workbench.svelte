<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import type { FileInfo, OpenAssignment } from '$lib/domain/assignment';
  import { editBetween } from '@odd-compass/engine/edits';
  import type { TextEdit } from '@odd-compass/engine';
  import { engineName } from '$lib/domain/fileName';
  import { goto } from '$app/navigation';
  import { folderOf } from '$lib/domain/fileName';
  import { onMount } from 'svelte';
  import Bench from './bench/Bench.svelte';
  import { afterPaint } from './afterPaint';
  import { pictureAt } from './bench/context';
  import { drawnWidthChange, insertFigure } from './bench/figure';
  import { blockAt } from './blockAt';
  import { withArithmetic } from './checks/arithmetic';
  import { ChecksClient } from './checks/checksClient.svelte';
  import { EngineClient } from './engine/engineClient.svelte';
  import Seam from './seam/Seam.svelte';
  import { browserDrafts, isWindowOpen, windowName } from './saving/drafts';
  import { fileKey, Saver } from './saving/saver.svelte';
  import type { SheetGeometry } from './sheet/geometry';
  import { addFile, engineFiles } from './assignmentFiles';
  import { blockExtent, type PictureBox } from './sheet/hit';
  import { heldPicture } from './sheet/heldPicture';
  import Sheet from './sheet/Sheet.svelte';
  import Notices from './Notices.svelte';
  import { gatherEarlyKeys, takeEarlyKeys } from './source/earlyKeys';
  import { startOfText } from './source/preamble';
  import SourcePane from './source/SourcePane.svelte';
  import WorkbenchHeader from './WorkbenchHeader.svelte';

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
  let checks = $state<ChecksClient | null>(null);
  let saver = $state<Saver | null>(null);
  let view = $state.raw<EditorView | null>(null);
  let sheet = $state<ReturnType<typeof Sheet>>();
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
  /** Why a file was not taken. */
  let refused = $state<string | null>(null);
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
      checks?.close();
      gatherEarlyKeys();
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
    const between = assignment.between.map(({ path, content }) => ({
      path: engineName(main.path, path),
      text: content,
    }));
    const opened = { path: engineName(main.path, main.path), text: whole, part, between };
    engine = new EngineClient(opened, addresses);
    checks = new ChecksClient(engine);
    saver = new Saver(id, file, {
      drafts,
      window: name,
      onmerge: takeMerged,
      onsaved: tellVersion,
    });
    if (unsent) saver.resume(draft);
    // What was saved, though nobody heard of it, is kept no longer.
    else if (draft) void drafts.forget(draft.file, draft.window).catch(() => undefined);
  }

  /** What is asked for by its address from now on is what was saved. */
  function tellVersion(version: number) {
    const { path } = assignment.file;
    files = files.map((file) => (file.path === path ? { ...file, version } : file));
  }

  /** Goes to a place of another file, as the engine names it. */
  function goElsewhere({ file, from }: { readonly file: string; readonly from: number }) {
    const path = folderOf(assignment.main.path) + file;
    void goto(`/a/${assignment.id}?file=${encodeURIComponent(path)}&at=${from}`);
  }

  /** Other files than before: the engine and the sheet look at them again. */
  function takeFiles(now: readonly FileInfo[]) {
    files = now;
    engine?.setFiles(addresses);
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
  const settled = $derived(!!engine && engine.accountRevision === engine.revision);
  function edited(edits: readonly TextEdit[], whole: () => string) {
    engine?.edit(edits, whole);
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

  /** Arithmetic is looked through when nothing is typed for a while, in ms. */
  const QUIET = 1500;
  $effect(() => {
    if (!settled || !engine || !checks) return;
    void engine.revision;
    const looked = checks;
    const timer = setTimeout(() => void looked.testNumbers(), QUIET);
    return () => clearTimeout(timer);
  });
  /** What the engine found, and what the numbers tell. */
  const findings = $derived(
    engine && checks
      ? withArithmetic(engine.findings, checks.wrongNumbers, engine.path)
      : (engine?.findings ?? []),
  );

  $effect(() => {
    void engine?.sighted;
    void sheetGeometry;
    move();
  });

  /** Keeps files that were dropped or pasted; a picture is written as a figure where it fell. */
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

  /** A picture was drawn to another width on the page: its command says so. */
  function resizePicture(picture: PictureBox, width: number) {
    const place = engine?.blocks.get(picture.block);
    if (!view || !place) return;
    const source = view.state.sliceDoc(place.start, place.start + place.length);
    const change = drawnWidthChange(source, place.start, picture.file, picture.width, width);
    if (change) view.dispatch({ changes: change, userEvent: 'input.bench' });
  }

  /** The picture described in text that the caret is in: its points can be taken on the sheet. */
  const held = $derived.by(() => {
    void moved;
    const place = view ? pictureAt(view.state) : null;
    return view && place && heldPicture(view, place.from, place.to);
  });

  function resize(x: number) {
    folded = false;
    sheetWidth = Math.max(LEAST, Math.min(innerWidth - LEAST - 72, x - 36));
  }
</script>

<svelte:window
  onbeforeunload={() => {
    void saver?.keep();
    void saver?.flush();
  }}
  onresize={move}
/>

<div class="flex h-dvh min-w-[960px] flex-col">
  <WorkbenchHeader
    {assignment}
    {engine}
    {checks}
    {saver}
    {view}
    {caret}
    {findings}
    {settled}
    ongo={go}
    onelsewhere={goElsewhere}
    onfiles={takeFiles}
  />
  <Notices {engine} {saver} bind:refused ontheirs={takeMerged} />
  <main class="flex min-h-0 flex-1">
    {#if engine && saver && checks}
      <div
        class="flex min-h-0 min-w-0 {folded ? 'hidden' : ''}"
        style={sheetWidth === null ? 'flex: 1 1 0' : `flex: 0 0 ${sheetWidth}px`}
      >
        <Sheet
          bind:this={sheet}
          id="{assignment.id} {assignment.main.path}"
          {engine}
          {caret}
          {litBlock}
          {held}
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
        {caret}
        ongo={go}
        onelsewhere={goElsewhere}
        onresize={resize}
        share={folded ? 0 : Math.round(sheetWidth === null ? 47 : (100 * sheetWidth) / innerWidth)}
        onfold={() => (folded = !folded)}
      />
      <div class="flex min-h-0 min-w-0 flex-[1_1_0] flex-col">
        <SourcePane
          {text}
          {findings}
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
            go(place >= 0 ? place : startOfText(text));
            const typed = takeEarlyKeys();
            if (typed !== '')
              opened.dispatch(opened.state.replaceSelection(typed), { userEvent: 'input.type' });
          }}
        />
        {#if view}
          <Bench
            {view}
            {engine}
            {checks}
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
