import {
  acceptCompletion,
  closeCompletion,
  completionStatus,
  currentCompletions,
} from '@codemirror/autocomplete';
import { Prec, StateEffect, StateField, type EditorState, type Extension } from '@codemirror/state';
import { keymap, type Command } from '@codemirror/view';

/** The word before the caret: a command with its backslash, or letters. */
const WORD = /\\?[A-Za-z*]*$/;

const wordBefore = (state: EditorState): { text: string; from: number } => {
  const { head } = state.selection.main;
  const line = state.doc.lineAt(head);
  const text = WORD.exec(line.text.slice(0, head - line.from))?.[0] ?? '';
  return { text, from: head - text.length };
};

const dismiss = StateEffect.define<number>();

/** Where the word begins for which no list is wanted. */
const dismissed = StateField.define<number | null>({
  create: () => null,
  update(value, { state, changes, effects }) {
    for (const effect of effects) if (effect.is(dismiss)) return effect.value;
    if (value === null) return null;
    const place = changes.mapPos(value, -1);
    return wordBefore(state).from === place ? place : null;
  },
});

/** Has the list been sent away for the word at the caret? */
export const isDismissed = (state: EditorState): boolean =>
  (state.field(dismissed, false) ?? null) === wordBefore(state).from;

/** Escape sends the list away until the next word. */
const sendAway: Command = (view) => {
  if (completionStatus(view.state) === null) return false;
  view.dispatch({ effects: dismiss.of(wordBefore(view.state).from) });
  return closeCompletion(view);
};

/** Enter takes what is offered for a word that is not complete; a complete one it leaves, and is a new line. */
const enter: Command = (view) => {
  const { state } = view;
  if (completionStatus(state) !== 'active') return false;
  const { text } = wordBefore(state);
  const isComplete = currentCompletions(state).some(({ label }) => label === text);
  if (!isComplete && /[A-Za-z]$/.test(text)) return acceptCompletion(view);
  closeCompletion(view);
  return false;
};

/** Tab takes what is offered. */
const tab: Command = (view) =>
  completionStatus(view.state) === 'active' ? acceptCompletion(view) : false;

/** Keys while a list of completions is open. */
export const completionKeys: Extension = [
  dismissed,
  Prec.highest(
    keymap.of([
      { key: 'Escape', run: sendAway },
      { key: 'Enter', run: enter },
      { key: 'Tab', run: tab },
    ]),
  ),
];
