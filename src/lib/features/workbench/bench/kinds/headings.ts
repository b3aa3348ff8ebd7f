import { callsOf, shapeOf } from '@odd-compass/engine/shape';
import type { LineEdit } from '../classLine';

/** Headings from the highest; what stands behind the lowest stays. */
const LEVELS = ['chapter', 'section', 'subsection', 'subsubsection', 'paragraph'] as const;

/** A heading of the source: its command, its title, where its line starts and where it ends with its label. */
export interface Heading {
  readonly level: string;
  readonly starred: boolean;
  readonly title: string;
  readonly from: number;
  readonly to: number;
}

/** The headings of a text, in order. */
export function headingsOf(text: string): Heading[] {
  const calls = callsOf(shapeOf(text), [...LEVELS, ...LEVELS.map((one) => `${one}*`)], 'som');
  return calls
    .flatMap(({ name, from, to, args: [, , title] }): Heading[] =>
      title
        ? [
            {
              level: name.replace('*', ''),
              starred: name.endsWith('*') || text[from + 1 + name.length] === '*',
              title: title.text,
              from,
              to,
            },
          ]
        : [],
    )
    .sort((a, b) => a.from - b.from);
}

/** All headings one level up (-1) or down (1); those that have nowhere to go stay. */
export function shifted(text: string, by: 1 | -1): { edits: LineEdit[]; count: number } {
  const edits = headingsOf(text).flatMap(({ level, from }): LineEdit[] => {
    const at = LEVELS.indexOf(level as (typeof LEVELS)[number]);
    const to = LEVELS[at + by];
    return to && level !== 'paragraph'
      ? [{ from: from + 1, to: from + 1 + level.length, insert: to }]
      : [];
  });
  return { edits, count: edits.length };
}
