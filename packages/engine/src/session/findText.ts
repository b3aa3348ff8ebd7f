/** A place on the pages where a text stands: the page from 0, and the line on it. */
export interface FoundPlace {
  readonly page: number;
  readonly line: number;
}

/** Letters as they are looked for: small, and those of mathematics as plain ones. */
export const plainLetters = (text: string): string =>
  text.normalize('NFKC').toLocaleLowerCase('en').replace(/\s+/g, ' ').trim();

/**
 * The lines on which a text stands, in order. A text may go on over the end of a line,
 * also where a word is hyphenated there.
 *
 * @param pages the words of each line of each page.
 */
export function findText(pages: readonly (readonly string[])[], sought: string): FoundPlace[] {
  const wanted = plainLetters(sought);
  if (wanted === '') return [];
  return pages.flatMap((lines, page) => findOnPage(lines, wanted, page));
}

function findOnPage(lines: readonly string[], wanted: string, page: number): FoundPlace[] {
  let text = '';
  const starts = lines.map((line) => {
    const start = text.length;
    const plain = plainLetters(line);
    text += plain.endsWith('-') ? plain.slice(0, -1) : `${plain} `;
    return start;
  });
  const out: FoundPlace[] = [];
  for (let at = text.indexOf(wanted); at >= 0; at = text.indexOf(wanted, at + 1)) {
    const line = starts.findLastIndex((start) => start <= at);
    if (out.at(-1)?.line !== line) out.push({ page, line });
  }
  return out;
}
