<script lang="ts">
  import type { EditorState } from '@codemirror/state';
  import type { EditorView } from '@codemirror/view';
  import { loading } from '../source/loading';
  import { environmentEnd, openEnvironments } from '../source/structure';
  import { change } from './change';

  interface Props {
    view: EditorView;
    state: EditorState;
    /** Kinds of theorems that the document declares. */
    kinds: readonly string[];
    onpictures: (files: readonly File[], at: number) => void;
  }
  let { view, state: now, kinds, onpictures }: Props = $props();

  /** How far around the caret a list is looked for. */
  const NEAR = 10_000;
  const LISTS = [
    ['itemize', 'Points'],
    ['enumerate', 'Numbered'],
    ['description', 'Named'],
  ] as const;
  /** The list around the caret, with both its ends. */
  const list = $derived.by(() => {
    const at = now.selection.main.head;
    const base = Math.max(0, at - NEAR);
    const text = now.sliceDoc(base, at + NEAR);
    const open = openEnvironments(text, at - base).findLast(({ name }) =>
      LISTS.some(([kind]) => kind === name),
    );
    const end = open && environmentEnd(text, open);
    return open && end ? { name: open.name, from: base + open.from, to: base + end.to } : null;
  });

  /** The same items as a list of another kind. */
  function setList(kind: string) {
    if (!list) return;
    const { from, to, name } = list;
    change(view, [
      { from: from + 7, to: from + 7 + name.length, insert: kind },
      { from: to - 1 - name.length, to: to - 1, insert: kind },
    ]);
    view.focus();
  }
  function choosePicture(event: Event) {
    const { files } = event.currentTarget as HTMLInputElement;
    onpictures([...(files ?? [])], view.state.selection.main.head);
  }

  interface Tool {
    readonly title: string;
    readonly before: string;
    readonly behind: string;
    /** Stands on lines of its own. */
    readonly own?: boolean;
    readonly package?: string;
  }
  const tools = $derived<readonly Tool[]>([
    { title: 'Section', before: '\\section{', behind: '}', own: true },
    { title: 'Subsection', before: '\\subsection{', behind: '}', own: true },
    { title: 'Emphasis', before: '\\emph{', behind: '}' },
    { title: 'Bold', before: '\\textbf{', behind: '}' },
    { title: 'Formula', before: '$', behind: '$' },
    { title: 'Displayed formula', before: '\\[\n  ', behind: '\n\\]', own: true },
    {
      title: 'Points',
      before: '\\begin{itemize}\n  \\item ',
      behind: '\n\\end{itemize}',
      own: true,
    },
    {
      title: 'Numbered points',
      before: '\\begin{enumerate}\n  \\item ',
      behind: '\n\\end{enumerate}',
      own: true,
    },
    {
      title: 'Quotation',
      before: '\\begin{quote}\n',
      behind: '\n\\end{quote}',
      own: true,
    },
    {
      title: 'Table',
      before: '\\begin{tabular}{lcc}\n  ',
      behind: ' &  &  \\\\\n   &  & \n\\end{tabular}',
      own: true,
    },
    {
      title: 'Matrix',
      before: '\\[\n  \\begin{pmatrix}\n    ',
      behind: ' &  \\\\\n     & \n  \\end{pmatrix}\n\\]',
      own: true,
      package: 'amsmath',
    },
    {
      title: 'Aligned lines',
      before: '\\begin{align*}\n  ',
      behind: ' &= \\\\\n  &= \n\\end{align*}',
      own: true,
      package: 'amsmath',
    },
    { title: 'Footnote', before: '\\footnote{', behind: '}' },
    ...kinds.map((name) => ({
      title: `${name.charAt(0).toUpperCase()}${name.slice(1)}`,
      before: `\\begin{${name}}\n`,
      behind: `\n\\end{${name}}`,
      own: true,
    })),
  ]);

  function put({ before, behind, own, package: pkg = '' }: Tool) {
    const { state } = view;
    const { from, to } = state.selection.main;
    const inner = state.sliceDoc(from, to);
    const start = own && from > state.doc.lineAt(from).from ? '\n' : '';
    const end = own && to < state.doc.lineAt(to).to ? '\n' : '';
    view.dispatch(
      state.update(
        {
          changes: { from, to, insert: start + before + inner + behind + end },
          selection: {
            anchor: from + start.length + before.length,
            head: from + start.length + before.length + inner.length,
          },
          userEvent: 'input.bench',
          scrollIntoView: true,
        },
        { changes: loading(state, pkg) },
      ),
    );
    view.focus();
  }
</script>

{#if list}
  <div class="mb-2 flex flex-wrap items-center gap-1.5" role="group" aria-label="Kind of list">
    <span>This list:</span>
    {#each LISTS as [kind, words] (kind)}
      <button
        class="btn btn-sm {list.name === kind ? 'btn-primary' : ''}"
        aria-pressed={list.name === kind}
        onclick={() => setList(kind)}>{words}</button
      >
    {/each}
  </div>
{/if}
<div class="flex flex-wrap gap-1.5" role="group" aria-label="Structure and emphasis">
  {#each tools as tool (tool.title)}
    <button class="btn btn-sm" onclick={() => put(tool)}>{tool.title}</button>
  {/each}
  <label class="btn btn-sm">
    Picture
    <input
      type="file"
      class="sr-only"
      accept="image/png,image/jpeg,image/svg+xml,application/pdf"
      onchange={choosePicture}
    />
  </label>
</div>
