import { Transaction } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';

/** The picture that the caret is in, whose points can be moved on the sheet. */
export interface HeldPicture {
  readonly from: number;
  readonly to: number;
  /** Where the caret is: of points that lie on one another the one nearest to it is taken. */
  readonly caret: number;
  /** The source between two places. */
  readonly read: (from: number, to: number) => string;
  /** Puts other words in place of those that stand there, while a hand moves: no step of undo. */
  readonly write: (from: number, now: string, text: string) => void;
  /** The same as one step of undo. */
  readonly settle: (from: number, now: string, text: string) => void;
}

/** The picture between two places of an editor. */
export function heldPicture(view: EditorView, from: number, to: number): HeldPicture {
  const length = (): number => view.state.doc.length;
  const read = (a: number, b: number): string =>
    view.state.sliceDoc(Math.min(a, length()), Math.min(b, length()));
  /** Only where what is replaced still stands: the source may have changed under the hand. */
  const replace = (at: number, now: string, text: string, spec: object): boolean => {
    if (read(at, at + now.length) !== now) return false;
    view.dispatch({ changes: { from: at, to: at + now.length, insert: text }, ...spec });
    return true;
  };
  const unremembered = { annotations: Transaction.addToHistory.of(false) };
  return {
    from,
    to,
    caret: view.state.selection.main.head,
    read,
    write: (at, now, text) => void replace(at, now, text, unremembered),
    settle: (at, now, text) => void replace(at, now, text, { userEvent: 'input.bench' }),
  };
}
