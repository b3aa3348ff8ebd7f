import { EditorView, ViewPlugin, type PluginValue } from '@codemirror/view';

/** A line of the source and the part of it that is shown, all in px from the top of the document. */
export interface Shown {
  readonly top: number;
  readonly height: number;
}

/**
 * Whether a line that was in view falls out of it when the view gets lower.
 *
 * @param from the top of what is shown; the view grows and shrinks at its bottom.
 */
export function fallsOut(line: Shown, from: number, before: number, now: number): boolean {
  const bottom = line.top + line.height;
  const wasIn = line.top >= from && bottom <= from + before;
  return now < before && wasIn && bottom > from + now;
}

class Keeper implements PluginValue {
  private height = 0;
  private readonly observer: ResizeObserver;
  constructor(view: EditorView) {
    this.height = view.scrollDOM.clientHeight;
    this.observer = new ResizeObserver(() => this.resized(view));
    this.observer.observe(view.scrollDOM);
  }
  private resized(view: EditorView): void {
    const before = this.height;
    this.height = view.scrollDOM.clientHeight;
    const { head } = view.state.selection.main;
    const line = view.lineBlockAt(head);
    if (fallsOut(line, view.scrollDOM.scrollTop, before, this.height))
      view.dispatch({ effects: EditorView.scrollIntoView(head, { y: 'nearest', yMargin: 40 }) });
  }
  destroy(): void {
    this.observer.disconnect();
  }
}

/** The line of the caret stays in view when the bench opens below the source. */
export const caretInView = ViewPlugin.fromClass(Keeper);
