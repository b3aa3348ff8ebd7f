<script lang="ts">
  import type { EditorView } from '@codemirror/view';

  let { view, kinds }: { view: EditorView; kinds: readonly string[] } = $props();

  interface Tool {
    readonly title: string;
    readonly before: string;
    readonly behind: string;
    /** Stands on lines of its own. */
    readonly own?: boolean;
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
    ...kinds.map((name) => ({
      title: `${name.charAt(0).toUpperCase()}${name.slice(1)}`,
      before: `\\begin{${name}}\n`,
      behind: `\n\\end{${name}}`,
      own: true,
    })),
  ]);

  function put({ before, behind, own }: Tool) {
    const { state } = view;
    const { from, to } = state.selection.main;
    const inner = state.sliceDoc(from, to);
    const start = own && from > state.doc.lineAt(from).from ? '\n' : '';
    const end = own && to < state.doc.lineAt(to).to ? '\n' : '';
    view.dispatch({
      changes: { from, to, insert: start + before + inner + behind + end },
      selection: {
        anchor: from + start.length + before.length,
        head: from + start.length + before.length + inner.length,
      },
      userEvent: 'input.bench',
      scrollIntoView: true,
    });
    view.focus();
  }
</script>

<div class="flex flex-wrap gap-1.5" role="group" aria-label="Structure and emphasis">
  {#each tools as tool (tool.title)}
    <button class="btn btn-sm" onclick={() => put(tool)}>{tool.title}</button>
  {/each}
</div>
