import { callsOf, openAt, partnerOf, shapeOf } from '../source/shape';
import type { Fix } from './entry';

/**
 * A note in a float or a table, of which others lose the text: its mark stays, its text is said
 * behind the environment. Only for the one note of its environment, whose number is then the last.
 *
 * @param from where the note's command begins.
 * @param kind the environment that keeps it in.
 */
export function noteBehind(text: string, from: number, kind: string): Fix | null {
  const shape = shapeOf(text);
  const open = openAt(shape, from).find(({ name }) => name.replace('*', '') === kind);
  const end = open && partnerOf(shape, open);
  if (!end) return null;
  const notes = callsOf(shape, ['footnote'], 'om').filter(
    (call) => call.from > open.from && call.from < end.from,
  );
  const [note] = notes;
  const [number, body] = note?.args ?? [];
  if (notes.length !== 1 || note?.from !== from || number || !body) return null;
  return {
    title: 'Say its text behind it',
    edits: [
      { from: note.from, to: note.to, text: '\\footnotemark{}' },
      { from: end.to, to: end.to, text: `\\footnotetext{${body.text}}` },
    ],
  };
}
