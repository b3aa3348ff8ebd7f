import type { Extension } from '@codemirror/state';
import { EditorView } from '@codemirror/view';

const PICTURE = /\.(png|jpe?g|svg|pdf|eps)$/i;

const picturesIn = (data: DataTransfer | null): File[] =>
  [...(data?.files ?? [])].filter(
    ({ type, name }) => type.startsWith('image/') || PICTURE.test(name),
  );

/** Pictures that are dropped on the source, or pasted into it, are handed on with their place. */
export const droppedPictures = (ontake: (files: readonly File[], at: number) => void): Extension =>
  EditorView.domEventHandlers({
    drop(event, view) {
      const files = picturesIn(event.dataTransfer);
      if (files.length === 0) return false;
      event.preventDefault();
      const at = view.posAtCoords({ x: event.clientX, y: event.clientY });
      ontake(files, at ?? view.state.selection.main.head);
      return true;
    },
    paste(event, view) {
      const files = picturesIn(event.clipboardData);
      if (files.length === 0) return false;
      event.preventDefault();
      ontake(files, view.state.selection.main.head);
      return true;
    },
  });
