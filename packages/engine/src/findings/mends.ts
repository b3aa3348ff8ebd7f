import { wholeLineEnd } from '../base/lines';
import { nearestNames } from '../base/nearest';
import { packageLine } from '../source/packageLine';
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

/** `newton` for `eq:newton`: the label that is the same but for what stands before its colon. */
export function sameEnding({
  text,
  from,
  to,
  args: { name },
  labels,
}: MendContext<'name'>): Fix | null {
  const ending = name.slice(name.lastIndexOf(':') + 1);
  const same = labels.filter((label) => label.slice(label.lastIndexOf(':') + 1) === ending);
  const at = text.slice(from, to + 1).indexOf(name);
  const [label] = same;
  if (same.length !== 1 || !label || at < 0 || ending === '') return null;
  return one(`Write ${label}`, from + at, from + at + name.length, label);
}

/** The line that loads a package. */
export const loads = ({ text, args }: MendContext<'package'>): Fix | null => {
  const line = packageLine(text, args.package);
  return line && one(`Load ${args.package}`, line.from, line.from, line.insert);
};

/** A sign of the language that was meant to be printed. */
export const literal =
  (char: string) =>
  ({ text, from, to }: Pick<MendContext, 'text' | 'from' | 'to'>): Fix | null =>
    text.slice(from, to) === char ? one(`Print the ${char} itself`, from, to, `\\${char}`) : null;

/** How far to both sides of a place its line is looked at for a comment: some lines are whole books. */
const NEAR = 2000;

/** The end of the line that a place stands on, comments left out. */
export function lineEnd(text: string, at: number): number {
  const whole = wholeLineEnd(text, at);
  const start = Math.max(text.lastIndexOf('\n', at - 1) + 1, at - NEAR);
  const end = Math.min(whole, at + NEAR);
  const found = start + lineEndAt(shapeOf(text.slice(start, end)), at - start);
  return found === end ? whole : found;
}
