<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import type { ToldStep } from '@odd-compass/checks';
  import type { Glimpse } from '@odd-compass/engine/worker';
  import type { ChecksClient } from '../checks/checksClient.svelte';
  import StepList from '../checks/StepList.svelte';
  import { change } from './change';
  import { beside, chainAt, expressionsOf, larger, smaller } from './expressions';
  import type { Span } from './figure';
  import FormulaValue from './FormulaValue.svelte';
  import FormulaPicture from './FormulaPicture.svelte';
  import { nextForm } from './letterForms';
  import { changeForm, FORMS } from './formulaForms';
  import { formOf, WRAPS, type Form, type Wrap } from './rewrite';

  interface Props {
    view: EditorView;
    from: number;
    to: number;
    state: EditorState;
    preamble: string;
    glimpse: (source: string, preamble: string) => Promise<Glimpse | null>;
    /** The steps that stand in the formula, as they were tested. */
    steps: readonly ToldStep[];
    checks: ChecksClient;
  }
  let { view, from, to, state: now, preamble, glimpse, steps, checks }: Props = $props();

  /** The page comes first: the picture is asked for when the typing pauses. */
  const PAUSE = 150;
  const DISPLAY = '$\\displaystyle ';

  const source = $derived(now.sliceDoc(from, to));
  const found = $derived(formOf(source));
  /** What the marks hold, as a stretch of the text. */
  const whole = $derived<Span>(
    found
      ? { from: from + found.bodyAt, to: from + found.bodyAt + found.body.length }
      : { from, to },
  );
  const parts = $derived(expressionsOf(now.doc.toString(), whole.from, whole.to));
  const marked = $derived<Span>({
    from: now.selection.main.from,
    to: now.selection.main.to,
  });
  let picture = $state.raw<Glimpse | null>(null);
  /** From places of the picture's source to places of the text. */
  let shift = $state(0);
  /** The formula cannot be read now: the picture is of its last good form. */
  let stale = $state(false);
  let drawn: { doc: EditorState['doc']; from: number } | null = null;

  $effect(() => {
    const body = found?.body ?? '';
    const own = found?.form === 'aligned' || !found;
    const shown = own ? source : `${DISPLAY}${body}$`;
    const start = own ? from : whole.from - DISPLAY.length;
    // Another formula: its picture is not that of the one before.
    if (drawn && drawn.doc === now.doc && drawn.from !== from) picture = null;
    drawn = { doc: now.doc, from };
    let live = true;
    const draw = async () => {
      const made = await glimpse(shown, preamble);
      if (!live) return;
      stale = !made;
      if (!made) return;
      picture = made;
      shift = start;
    };
    const timer = setTimeout(() => void draw(), PAUSE);
    if (found && body === '') picture = null;
    return () => {
      live = false;
      clearTimeout(timer);
    };
  });

  const toForm = (form: Form): void => changeForm(view, { from, to }, form);

  /** Marks a part of the formula in the source. */
  function mark(span: Span) {
    view.dispatch({ selection: { anchor: span.from, head: span.to }, scrollIntoView: true });
  }
  /** What was clicked; clicked again, the part around it. */
  function pick(span: Span) {
    const same = span.from === marked.from && span.to === marked.to;
    mark(same ? larger(parts, span, whole) : (chainAt(parts, span).at(-1) ?? span));
  }
  function step(by: 1 | -1) {
    mark(
      marked.from === marked.to
        ? (chainAt(parts, marked).at(-1) ?? parts[0] ?? whole)
        : beside(parts, marked, by),
    );
  }

  /** Around the selection, or an empty one at the caret; the caret goes to the first empty field. */
  function wrap({ before, behind }: Wrap) {
    const { main } = view.state.selection;
    const inner = view.state.sliceDoc(main.from, main.to);
    const insert = before + inner + behind;
    const hole = inner === '' ? before.length : insert.indexOf('{}') + 1 || insert.length;
    view.dispatch({
      changes: { from: main.from, to: main.to, insert },
      selection: { anchor: main.from + hole },
      userEvent: 'input.bench',
    });
    view.focus();
  }

  function cycleLetter() {
    const next = nextForm(now.doc.toString(), marked.from);
    if (!next || next.from < from || next.to > to) return;
    change(view, { from: next.from, to: next.to, insert: next.insert }, next.package);
  }
</script>

<div class="flex flex-wrap gap-x-6 gap-y-2">
  <div class="glimpse max-w-full self-start overflow-auto" data-testid="formula-large">
    {#if picture}
      <FormulaPicture {picture} {shift} {marked} onpick={pick} />
      {#if stale}
        <p class="broken" role="status">Broken now; this is how it was.</p>
      {/if}
    {:else}
      <p class="px-2">{stale ? 'The formula cannot be read yet.' : 'The formula is empty.'}</p>
    {/if}
  </div>
  <div class="flex min-w-72 flex-1 flex-col gap-2">
    {#if found}
      <div class="flex flex-wrap items-center gap-1.5" role="group" aria-label="Form">
        {#each FORMS as [form, title] (form)}
          <button
            class="btn btn-sm {found.form === form ? 'btn-primary' : ''}"
            aria-pressed={found.form === form}
            onclick={() => toForm(form)}>{title}</button
          >
        {/each}
      </div>
    {/if}
    <div class="flex flex-wrap items-center gap-1" role="group" aria-label="Mark a part">
      <span class="mr-1">Mark:</span>
      <button class="btn btn-xs" onclick={() => step(-1)}>the part before</button>
      <button class="btn btn-xs" onclick={() => step(1)}>the next part</button>
      <button class="btn btn-xs" onclick={() => mark(larger(parts, marked, whole))}
        >more around it</button
      >
      <button class="btn btn-xs" onclick={() => mark(smaller(parts, marked))}>less of it</button>
      <button class="btn btn-xs ml-3" onclick={cycleLetter}>Other form of the letter</button>
    </div>
    <div
      class="flex flex-wrap items-center gap-1"
      role="group"
      aria-label="Put around the selection"
    >
      <span class="mr-1">Put around:</span>
      {#each WRAPS as one (one.title)}
        <button class="btn btn-xs" onclick={() => wrap(one)}>{one.title}</button>
      {/each}
    </div>
    <FormulaValue {view} state={now} {checks} {marked} {whole} {to} />
  </div>
</div>
{#if steps.length > 0}
  <section class="mt-2" aria-label="The steps of the formula">
    <StepList
      {steps}
      text={now.doc.toString()}
      lineOf={(at) => now.doc.lineAt(Math.min(at, now.doc.length)).number}
      {glimpse}
      ongo={(at) => mark({ from: at, to: at + 1 })}
    />
  </section>
{/if}

<style>
  .glimpse {
    padding: 6px 10px;
    border-radius: var(--radius-field);
    background: var(--paper);
    color: var(--ink, #2b2620);
  }
  .broken {
    border-top: 1px dashed var(--color-error);
    font-size: 14px;
  }
</style>
