<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import type { FileAddress } from '@odd-compass/engine/worker';
  import { keep, kept } from '$lib/ui/kept';
  import { flushSync } from 'svelte';
  import type { ChecksClient } from '../checks/checksClient.svelte';
  import type { ToldStep } from '@odd-compass/checks';
  import type { EngineClient } from '../engine/engineClient.svelte';
  import { ownNames } from '../source/structure';
  import { benchContext, type BenchContext } from './context';
  import ClassBench from './ClassBench.svelte';
  import FigureBench from './FigureBench.svelte';
  import FormulaBench from './FormulaBench.svelte';
  import { likelyActions, OPENED_FOR } from './likely';
  import LinesBench from './LinesBench.svelte';
  import MatrixWork from './MatrixWork.svelte';
  import MatrixBench from './MatrixBench.svelte';
  import PackageBench from './PackageBench.svelte';
  import { lookingLines } from '../source/preamble';
  import AxisBench from './pictures/AxisBench.svelte';
  import DiagramBench from './pictures/DiagramBench.svelte';
  import PictureBench from './pictures/PictureBench.svelte';
  import ReferenceBench from './ReferenceBench.svelte';
  import SystemWork from './SystemWork.svelte';
  import SymbolsBench from './SymbolsBench.svelte';
  import TableBench from './TableBench.svelte';
  import TextBench from './TextBench.svelte';

  interface Props {
    view: EditorView;
    engine: EngineClient;
    checks: ChecksClient;
    /** Changes with the caret and with the text. */
    moved: number;
    /** Names and addresses of the assignment's pictures. */
    pictures: readonly FileAddress[];
    onpictures: (files: readonly File[], at: number) => void;
    ongo: (offset: number) => void;
  }
  let { view, engine, checks, moved, pictures, onpictures, ongo }: Props = $props();

  const TITLES: Readonly<Record<BenchContext['kind'], string>> = {
    matrix: 'Matrix',
    lines: 'Aligned lines',
    formula: 'Formula',
    reference: 'Reference',
    table: 'Table',
    figure: 'Figure',
    picture: 'Picture',
    axis: 'Axes',
    diagram: 'Diagram',
    class: 'Kind of document',
    package: 'Packages',
    text: 'Text',
  };
  const OPENING = 30_000;
  const openingOf = (start: string): string =>
    start.slice(0, Math.max(0, start.indexOf('\\begin{document}')));

  const OPEN = 'odd-compass-bench-open';
  /** One line, until it is asked for, or when it was closed last time. */
  let folded = $state(kept(OPEN) !== true);
  let symbols = $state(false);

  const now = $derived.by(() => {
    void moved;
    return { state: view.state, context: benchContext(view.state) };
  });
  /** All before the document begins; it seldom changes, and what follows from it is kept. */
  const opening = $derived(openingOf(now.state.sliceDoc(0, OPENING)));
  const preamble = $derived(lookingLines(`${opening}\\begin{document}`));
  const kinds = $derived(
    ownNames(opening)
      .filter(({ theorem }) => theorem)
      .map(({ name }) => name),
  );

  function fold(to: boolean) {
    folded = to;
    keep(OPEN, !to);
  }
  const likely = $derived(
    folded ? likelyActions(now.context, now.state.doc.toString(), kinds) : [],
  );

  /** Steps are tested when the typing pauses, in ms. */
  const PAUSE = 400;
  let steps = $state.raw<readonly ToldStep[]>([]);
  const tested = $derived(
    !folded && (now.context.kind === 'lines' || now.context.kind === 'formula')
      ? `${now.context.from} ${now.context.to}`
      : '',
  );
  $effect(() => {
    void [engine.accountRevision, checks.supposed];
    const [from, to] = tested.split(' ').map(Number);
    if (from === undefined || to === undefined) {
      steps = [];
      return;
    }
    let live = true;
    const timer = setTimeout(() => {
      if (engine.accountRevision !== engine.revision) return;
      void checks.testStretch(from, to).then((found) => {
        if (live) steps = found;
      });
    }, PAUSE);
    return () => {
      live = false;
      clearTimeout(timer);
    };
  });

  /** At once, so that the next key goes there; what was folded is unfolded first. */
  function focusOn(selector: string) {
    flushSync();
    document.querySelector<HTMLElement>(selector)?.focus();
  }

  /** From the source to the bench and back, without the mouse. */
  function keys(event: KeyboardEvent) {
    if (event.key === 'F6' && !event.shiftKey) {
      event.preventDefault();
      fold(false);
      focusOn('#bench-tools :is(input, button, select)');
    }
    if (event.key === 'F7') {
      event.preventDefault();
      fold(false);
      symbols = true;
      focusOn('#bench-symbols input');
    }
  }
</script>

<svelte:window onkeydown={keys} />

<section class="border-t border-base-300 bg-base-100" aria-label="The bench">
  <header class="flex items-center gap-3 px-3 py-1">
    <h2 class="text-base font-bold">{TITLES[now.context.kind]}</h2>
    {#if 'name' in now.context}
      <code>{now.context.name}</code>
    {/if}
    {#if folded}
      <div
        class="flex min-w-0 flex-1 flex-wrap items-center gap-1 overflow-hidden max-h-7"
        role="group"
        aria-label="Likely here"
      >
        <button class="btn btn-xs" onclick={() => fold(false)}
          >{OPENED_FOR[now.context.kind]}</button
        >
        {#each likely as { title, run } (title)}
          <button class="btn btn-ghost btn-xs" onclick={() => run(view)}>{title}</button>
        {/each}
      </div>
    {/if}
    <button
      class="btn btn-xs ml-auto {symbols ? 'btn-primary' : ''}"
      aria-pressed={symbols}
      title="Find a symbol (F7)"
      onclick={() => {
        symbols = folded || !symbols;
        if (symbols) fold(false);
      }}>Symbols</button
    >
    <button
      class="btn btn-xs"
      aria-expanded={!folded}
      title="The bench (F6 goes into it)"
      onclick={() => fold(!folded)}>{folded ? 'Unfold' : 'Fold'}</button
    >
  </header>
  {#if !folded}
    <div class="max-h-64 overflow-auto px-3 pb-2">
      {#if symbols}
        <div id="bench-symbols" class="mb-2 border-b border-base-300 pb-2">
          <SymbolsBench {view} words={engine.words} />
        </div>
      {/if}
      <div id="bench-tools">
        {#if now.context.kind === 'matrix'}
          <MatrixBench {view} place={now.context} state={now.state} />
          <MatrixWork
            {view}
            place={now.context}
            state={now.state}
            {checks}
            glimpse={(source, lines) => engine.glimpse(source, lines)}
          />
        {:else if now.context.kind === 'lines'}
          <LinesBench
            {view}
            place={now.context}
            state={now.state}
            {steps}
            supposed={checks.supposed}
            glimpse={(source, lines) => engine.glimpse(source, lines)}
          />
          <SystemWork
            {view}
            place={now.context}
            state={now.state}
            {checks}
            glimpse={(source, lines) => engine.glimpse(source, lines)}
          />
        {:else if now.context.kind === 'formula'}
          <FormulaBench
            {view}
            from={now.context.from}
            to={now.context.to}
            state={now.state}
            {preamble}
            {steps}
            {checks}
            glimpse={(source, lines) => engine.glimpse(source, lines)}
          />
        {:else if now.context.kind === 'table'}
          <TableBench {view} place={now.context} state={now.state} />
        {:else if now.context.kind === 'figure'}
          <FigureBench
            {view}
            state={now.state}
            from={now.context.from}
            to={now.context.to}
            {pictures}
            {onpictures}
          />
        {:else if now.context.kind === 'picture'}
          <PictureBench {view} place={now.context} state={now.state} />
        {:else if now.context.kind === 'axis'}
          <AxisBench {view} place={now.context} state={now.state} />
        {:else if now.context.kind === 'diagram'}
          <DiagramBench {view} place={now.context} state={now.state} />
        {:else if now.context.kind === 'class'}
          <ClassBench {view} state={now.state} />
        {:else if now.context.kind === 'package'}
          <PackageBench
            {view}
            state={now.state}
            from={now.context.from}
            to={now.context.to}
            words={engine.words}
            findings={engine.findings}
          />
        {:else if now.context.kind === 'reference'}
          <ReferenceBench
            label={now.context.label}
            labels={engine.labels}
            doc={now.state.doc.toString()}
            {ongo}
          />
        {:else if now.context.kind === 'text'}
          <TextBench {view} state={now.state} {kinds} {onpictures} />
        {:else}
          {now.context satisfies never}
        {/if}
      </div>
    </div>
  {/if}
</section>
