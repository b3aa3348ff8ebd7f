import { laid } from './layout';

/** The words of each slide of a talk, what is covered and its number left out. */
export function slideWords(source: string): string[] {
  const page = laid(source);
  return page.session.pages.map((_, n) =>
    page.lines
      .filter((line) => line.page === n && !/^\d+$/.test(line.text))
      .map(({ text }) => text)
      .join(' ')
      .replace(/\s+/g, ' '),
  );
}
