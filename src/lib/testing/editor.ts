import type { EditorView } from '@codemirror/view';
import { openEditor } from '../features/workbench/source/editor';
import { STANDARD_TASTE } from '../features/workbench/source/taste';

const nothing = (): void => undefined;

/** An editor in the document, with nobody who listens and an engine that knows nothing. */
export const editorOf = (text: string): EditorView =>
  openEditor(
    document.body,
    text,
    { onedit: nothing, oncaret: nothing, onmove: nothing, onread: nothing, onpictures: nothing },
    { words: () => [], labels: () => [], files: () => [], glimpse: () => Promise.resolve(null) },
    STANDARD_TASTE,
  );
