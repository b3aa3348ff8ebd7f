import type { EditorView } from '@codemirror/view';
import { loading } from '../source/loading';
import type { LineEdit } from './classLine';

/** Carries edits out as one step of undo, with the line of a package they need. */
export function change(view: EditorView, edits: LineEdit | readonly LineEdit[], pkg = ''): void {
  const { state } = view;
  const edited = { changes: edits as LineEdit | LineEdit[], userEvent: 'input.bench' };
  view.dispatch(pkg === '' ? edited : state.update(edited, { changes: loading(state, pkg) }));
}
