import type { AssignmentFiles, Session } from '../index';
import { PT, toBp } from '../base/lengths';
import { pageLetters } from '../output/display/text';
import { NO_PORT, walkPage } from '../output/display/walk';
import { inArticle, typeset } from './document';

/** TeX points in a big point. */
const PT_PER_BP = 1 / toBp(PT);

/** A word on a page. Lengths in TeX points, from the upper left corner of the paper; y is its baseline. */
export interface PlacedWord {
  readonly page: number;
  readonly x: number;
  readonly right: number;
  readonly y: number;
  /** Of the type it is set in. */
  readonly size: number;
  readonly font: string;
  readonly color: number;
}

/** A rule on a page, in TeX points; y is its upper edge. */
export interface PlacedRule {
  readonly page: number;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly paint: number;
}

/** What a test asks of typeset pages. */
export interface Laid {
  readonly session: Session;
  /** The words of each line, and where it starts; rows of tables count as lines. */
  readonly lines: readonly (PlacedWord & { readonly text: string })[];
  readonly rules: readonly PlacedRule[];
  /** Where a text stands for the first time, or for the nth (from 1); throws when it does not. */
  readonly word: (text: string, nth?: number) => PlacedWord;
  /** All lines as one text, a bar between them. */
  readonly text: string;
}

/** A document typeset, to be asked where things stand. */
export function laid(source: string, files?: AssignmentFiles): Laid {
  const session = typeset(source, files);
  const lines: (PlacedWord & { text: string })[] = [];
  const rules: PlacedRule[] = [];
  const found: { text: string; at: (letter: number, end: number) => PlacedWord }[] = [];
  session.pages.forEach((one, page) => {
    const description = session.describe(one);
    const letters = pageLetters(description, session.fonts);
    for (const { text, run: runs, left, right } of letters) {
      const at = (letter: number, last: number): PlacedWord => {
        const run = runs[letter] ?? { y: 0, size: 0, font: 0, paint: 0 };
        return {
          page,
          x: (left[letter] ?? 0) * PT_PER_BP,
          right: (right[last - 1] ?? 0) * PT_PER_BP,
          y: run.y * PT_PER_BP,
          size: run.size * PT_PER_BP,
          font: session.fonts.byId(run.font).name,
          color: run.paint,
        };
      };
      found.push({ text, at });
      let start = 0;
      for (let i = 1; i <= text.length; i++) {
        // The blank between two rows is counted with the second.
        const before = runs[i - 2]?.y ?? 0;
        const { y, size } = runs[i] ?? { y: 0, size: 0 };
        if (i < text.length && (text[i - 1] !== ' ' || Math.abs(y - before) < size)) continue;
        const row = text.slice(start, i).trim();
        if (row !== '') lines.push({ text: row, ...at(start, start + row.length) });
        start = i;
      }
    }
    walkPage(description, {
      ...NO_PORT,
      rule: ({ x, y, width, height, paint }) => {
        const points = [x, y, width, height].map((length) => length * PT_PER_BP);
        const [left = 0, top = 0, across = 0, high = 0] = points;
        rules.push({ page, x: left, y: top, width: across, height: high, paint });
      },
    });
  });
  const word = (text: string, nth = 1): PlacedWord => {
    let seen = 0;
    for (const line of found) {
      for (let at = line.text.indexOf(text); at >= 0; at = line.text.indexOf(text, at + 1)) {
        if (++seen === nth) return line.at(at, at + text.length);
      }
    }
    throw new Error(`“${text}” is not there ${nth} times: ${lines.map((l) => l.text).join(' | ')}`);
  };
  return { session, lines, rules, word, text: lines.map((line) => line.text).join(' | ') };
}

/** A body in a small document, typeset. */
export const laidBody = (body: string, preamble?: string): Laid => laid(inArticle(body, preamble));
