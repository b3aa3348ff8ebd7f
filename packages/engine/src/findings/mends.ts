import { nearestNames } from '../base/nearest';
import { lineEndAt, shapeOf } from '../source/shape';
import type { Fix, Mend, MendContext } from './entry';

/** As many ways are offered at most: more were a list to read. */
const MOST_WAYS = 3;

/** A way to mend that replaces one stretch. */
export const one = (title: string, from: number, to: number, text: string): Fix => ({
  title,
  edits: [{ from, to, text }],
});

export const takeOut = ({ from, to }: Pick<MendContext, 'from' | 'to'>): Fix =>
  one('Take it out', from, to, '');

/** The name within the finding's place, replaced by one of the nearest of those there are. */
export const renamed =
  (
    names: (context: Pick<MendContext, 'labels' | 'keys' | 'files'>) => readonly string[],
  ): Mend<'name'> =>
  (context) => {
    const { text, from, to, args } = context;
    const { name } = args;
    const at = text.slice(from, to + 1).indexOf(name);
    if (at < 0 || name === '') return null;
    const start = from + at;
    return nearestNames(name, names(context), MOST_WAYS).map((near) =>
      one(`Write ${near}`, start, start + name.length, near),
    );
  };

/** A sign of the language that was meant to be printed. */
export const literal =
  (char: string) =>
  ({ text, from, to }: Pick<MendContext, 'text' | 'from' | 'to'>): Fix | null =>
    text.slice(from, to) === char ? one(`Print the ${char} itself`, from, to, `\\${char}`) : null;

/** The end of the line that a place stands on, comments left out. */
export function lineEnd(text: string, at: number): number {
  const start = text.lastIndexOf('\n', at - 1) + 1;
  const end = text.indexOf('\n', at);
  const line = text.slice(start, end < 0 ? text.length : end);
  return start + lineEndAt(shapeOf(line), at - start);
}
