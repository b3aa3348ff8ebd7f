import type { Extension } from '@codemirror/state';
import { EditorView } from '@codemirror/view';

/** Pictures, and texts that belong to a sheet: parts, bibliographies, styles. */
const TAKEN = /\.(png|jpe?g|svg|pdf|eps|tex|bib|sty|cls)$/i;

const filesIn = (data: DataTransfer | null): File[] =>
  [...(data?.files ?? [])].filter(
    ({ type, name }) => type.startsWith('image/') || TAKEN.test(name),
  );

/** Files that are dropped on the source, or pasted into it, are handed on with their place. */
export const droppedFiles = (ontake: (files: readonly File[], at: number) => void): Extension =>
  EditorView.domEventHandlers({
    drop(event, view) {
      const files = filesIn(event.dataTransfer);
      if (files.length === 0) return false;
      event.preventDefault();
      const at = view.posAtCoords({ x: event.clientX, y: event.clientY });
      ontake(files, at ?? view.state.selection.main.head);
      return true;
    },
    paste(event, view) {
      const files = filesIn(event.clipboardData);
      if (files.length === 0) return false;
      event.preventDefault();
      ontake(files, view.state.selection.main.head);
      return true;
    },
  });
