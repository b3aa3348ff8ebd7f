import type { LineLetters } from '../output/display/text';

/** A stretch of a line: its index on the page, and from where to where, in big points. */
export interface FoundSpan {
  readonly line: number;
  readonly left: number;
  readonly right: number;
}

/** A place on the pages where a text stands: the page from 0, and the stretches of lines that show it. */
export interface FoundPlace {
  readonly page: number;
  readonly spans: readonly FoundSpan[];
}

/** Letters as they are looked for: small, and those of mathematics as plain ones. */
const plain = (letters: string): string => letters.normalize('NFKC').toLocaleLowerCase('en');

/** A letter of a page as it is looked for: the line it is on, and which of its letters it is. */
interface Place {
  readonly line: number;
  readonly letter: number;
}

/**
 * Where a text stands, in order. A text may go on over the end of a line, also where a
 * word is hyphenated there; capitals, and the letters of formulas, count as plain ones.
 *
 * @param pages the words of each line of each page.
 */
export function findText(pages: readonly (readonly LineLetters[])[], sought: string): FoundPlace[] {
  const wanted = plain(sought).replace(/\s+/g, ' ').trim();
  if (wanted === '') return [];
  return pages.flatMap((lines, page) => findOnPage(lines, wanted, page));
}

function findOnPage(lines: readonly LineLetters[], wanted: string, page: number): FoundPlace[] {
  const { text, places } = plainPage(lines);
  const out: FoundPlace[] = [];
  for (let at = text.indexOf(wanted); at >= 0; at = text.indexOf(wanted, at + wanted.length))
    out.push({ page, spans: spansOf(lines, places.slice(at, at + wanted.length)) });
  return out;
}

/** All letters of a page as they are looked for, blanks once, and where each one stands. */
function plainPage(lines: readonly LineLetters[]): { text: string; places: readonly Place[] } {
  let text = '';
  const places: Place[] = [];
  const add = (letters: string, place: Place): void => {
    text += letters;
    for (let i = 0; i < letters.length; i++) places.push(place);
  };
  lines.forEach((line, index) => {
    let letter = 0;
    for (const shown of line.text) {
      const place = { line: index, letter };
      letter += shown.length;
      if (/\s/.test(shown)) {
        if (!/\s$/.test(text)) add(' ', place);
      } else add(plain(shown), place);
    }
    if (/\p{L}-$/u.test(text)) {
      text = text.slice(0, -1);
      places.pop();
    } else if (!/\s$/.test(text)) add(' ', { line: index, letter: Math.max(0, letter - 1) });
  });
  return { text, places };
}

/** The stretch of each line that holds some of the places. */
function spansOf(lines: readonly LineLetters[], places: readonly Place[]): FoundSpan[] {
  const spans = new Map<number, FoundSpan>();
  for (const { line, letter } of places) {
    const [left, right] = [lines[line]?.left[letter], lines[line]?.right[letter]];
    if (left === undefined || right === undefined) continue;
    const known = spans.get(line);
    spans.set(line, {
      line,
      left: Math.min(left, known?.left ?? Infinity),
      right: Math.max(right, known?.right ?? -Infinity),
    });
  }
  return [...spans.values()];
}
