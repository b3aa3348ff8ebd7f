import type { EditorView } from '@codemirror/view';
import { loading } from '../source/loading';

/** Something that is put into text, or around what of it is selected. */
export interface TextTool {
  readonly title: string;
  readonly before: string;
  readonly behind: string;
  /** Stands on lines of its own. */
  readonly own?: boolean;
  readonly package?: string;
}

/** The tools of text; `kinds` are the kinds of theorems that the document declares. */
export const textTools = (kinds: readonly string[]): readonly TextTool[] => [
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
];

/** Puts a tool's marks around what is selected, as one step of undo. */
export function putTool(
  view: EditorView,
  { before, behind, own, package: pkg = '' }: TextTool,
): void {
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
