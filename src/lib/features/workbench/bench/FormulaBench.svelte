<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import type { Glimpse } from '@odd-compass/engine/worker';
  import { pictureUrl } from '../engine/pictureUrl';
  import { formOf, rewritten, WRAPS, type Form, type Wrap } from './rewrite';

  interface Props {
    view: EditorView;
    from: number;
    to: number;
    state: EditorState;
    preamble: string;
    glimpse: (source: string, preamble: string) => Promise<Glimpse | null>;
  }
  let { view, from, to, state: now, preamble, glimpse }: Props = $props();

  const FORMS: readonly (readonly [Form, string])[] = [
    ['inline', 'In the line'],
    ['displayed', 'Displayed'],
    ['numbered', 'Numbered'],
    ['aligned', 'Aligned at relations'],
  ];
  /** The page comes first: the picture is asked for when the typing pauses. */
  const PAUSE = 150;
  /** How much larger than on the page. */
  const SCALE = 2.2;

  const source = $derived(now.sliceDoc(from, to));
  const found = $derived(formOf(source));
  let picture = $state.raw<Glimpse | null>(null);

  $effect(() => {
    const body = found?.body ?? '';
    const shown = found?.form === 'aligned' ? source : `$\\displaystyle ${body}$`;
    let live = true;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const draw = () =>
      void glimpse(shown, preamble).then((made) => live && made && (picture = made));
    if (body === '') picture = null;
    // While it cannot be read the last good form stays.
    else timer = setTimeout(draw, PAUSE);
    return () => {
      live = false;
      clearTimeout(timer);
    };
  });

  function toForm(form: Form) {
    if (!found || form === found.form) return;
    const insert = rewritten(found.body, found.form, form);
    // A display stands on lines of its own.
    const own = form !== 'inline';
    const line = now.doc.lineAt(from);
    const last = now.doc.lineAt(to);
    const before = own && now.sliceDoc(line.from, from).trim() !== '' ? '\n' : '';
    const behind = own && now.sliceDoc(to, last.to).trim() !== '' ? '\n' : '';
    view.dispatch({
      changes: { from, to, insert: `${before}${insert}${behind}` },
      selection: { anchor: from + before.length + bodyAt(insert) },
      userEvent: 'input.bench',
      scrollIntoView: true,
    });
    view.focus();
  }
  /** Where what the marks hold begins. */
  const bodyAt = (written: string): number =>
    written.includes('\n') ? written.indexOf('\n') + 3 : 1;

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
</script>

<div class="flex flex-wrap gap-x-6 gap-y-2">
  <div class="glimpse max-w-full overflow-auto" data-testid="formula-large">
    {#if picture}
      <img
        src={pictureUrl(picture)}
        alt="The formula, large"
        width={picture.width * SCALE}
        height={picture.height * SCALE}
      />
    {:else}
      <p class="px-2">The formula is empty.</p>
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
  </div>
</div>

<style>
  .glimpse {
    padding: 6px 10px;
    border-radius: var(--radius-field);
    background: var(--paper);
  }
</style>
