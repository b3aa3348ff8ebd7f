import type { LineLetters } from '../output/display/text';

/** A stretch of a run of glyphs: its baseline, its size, and from where to where, in big points. */
export interface FoundSpan {
  readonly y: number;
  readonly size: number;
  readonly left: number;
  readonly right: number;
}

/** A place on the pages where a text stands: the page from 0, and the stretches of runs that show it. */
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

/** The stretch of each run that shows some of the places; blanks at its ends are left out. */
function spansOf(lines: readonly LineLetters[], places: readonly Place[]): FoundSpan[] {
  const spans = new Map<number, FoundSpan>();
  for (const { line, letter } of places) {
    const { text, run, left, right } = lines[line] as LineLetters;
    const [of, from, to] = [run[letter], left[letter], right[letter]];
    if (of === undefined || from === undefined || to === undefined) continue;
    if (text[letter] === ' ') continue;
    const known = spans.get(of.index);
    spans.set(of.index, {
      y: of.y,
      size: of.size,
      left: Math.min(from, known?.left ?? Infinity),
      right: Math.max(to, known?.right ?? -Infinity),
    });
  }
  return [...spans.values()];
}
