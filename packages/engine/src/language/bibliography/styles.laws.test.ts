import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BibEntry } from './entries';
import type { StandardLook } from './standardEntries';
import { formatBibliography, STYLES, type BibStyle } from './styles';

/** What holds for an entry of any kind, with any fields, in any style. */

const KINDS = [
  'article', 'book', 'inbook', 'incollection', 'inproceedings', 'conference', 'proceedings',
  'collection', 'phdthesis', 'mastersthesis', 'techreport', 'report', 'manual', 'booklet', 'misc',
  'online', 'unpublished', 'thesis',
]; // prettier-ignore

/** Fields, each with a word that nothing else has. */
const FIELDS: Readonly<Record<string, string>> = {
  author: 'Ada Wickett and Bo Quillon',
  editor: 'Cara Dunemoor and Dee Elmfield',
  title: 'Titlewood',
  booktitle: 'Bookwood',
  journal: 'Journalwood',
  publisher: 'Publisherwood',
  school: 'Schoolwood',
  institution: 'Institutewood',
  organization: 'Organwood',
  howpublished: 'Howwood',
  address: 'Addresswood',
  series: 'Serieswood',
  edition: 'Second',
  volume: '71',
  number: '83',
  pages: '501--509',
  chapter: '37',
  month: 'May',
  year: '1999',
  note: 'Notewood',
  doi: '10.1/doiwood',
  url: 'urlwood',
  isbn: '978wood',
};

const subset = fc
  .subarray(Object.keys(FIELDS))
  .map((names) => Object.fromEntries(names.map((name) => [name, FIELDS[name] as string])));
const anyEntry = fc.record({ type: fc.constantFrom(...KINDS), fields: subset });
/** Which style of package biblatex is meant is an option of it. */
const kindOf = (style: string): Partial<StandardLook> => {
  const kind = /^biblatex-(apa|ieee|authortitle)/.exec(style)?.[1] as StandardLook['kind'];
  return kind ? { kind } : {};
};
const written = (style: string, e: Omit<BibEntry, 'key'>): string =>
  formatBibliography([{ ...e, key: 'k' }], STYLES[style] as BibStyle, kindOf(style))[0]?.body ?? '';
/** As it is read: without commands, ties and breaks between its parts. */
const plain = (body: string): string =>
  body
    .replace(/\\newblock\b/g, ' ')
    .replace(/\\(?:emph|textbf|textsc|url|texttt)\{/g, '{')
    .replace(/[{}]/g, '')
    .replace(/~/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** Signs that nobody writes one behind the other, and words with nothing behind them. */
const ODD = [/undefined|null|NaN/, /,\s*[,.:;)]/, /\(\s*\)/, /\(\s*,/, /\.\s*\.(?!\.)/, /^\s*[,.:;]/, /\s[,;:)]/, /\b(?:in|of|and):?\s*(?:[.,]|$)/i, /\b(?:vol|no|pp?|ch)\.\s*[,.)]/]; // prettier-ignore

const RUNS = Number(process.env.LAW_RUNS ?? 60);

describe.each(Object.keys(STYLES))('%s', (style) => {
  it('writes no sign twice, and nothing that is not there', () => {
    fc.assert(
      fc.property(anyEntry, (e) => {
        const text = plain(written(style, e));
        for (const odd of ODD) expect(text).not.toMatch(odd);
      }),
      { numRuns: RUNS },
    );
  });
  it('says each of its fields at most once, and title, names and year always', () => {
    fc.assert(
      fc.property(anyEntry, (e) => {
        const text = plain(written(style, e)).toLowerCase();
        for (const [field, value] of Object.entries(e.fields)) {
          const word = (value.split(' ')[1] ?? value).toLowerCase().replace('--', '');
          expect([field, text.split(word).length - 1 <= 1]).toEqual([field, true]);
        }
        for (const field of ['title', 'author', 'year']) {
          const value = e.fields[field];
          const word = value?.split(' ')[1] ?? value ?? '';
          expect([field, text.includes(word.toLowerCase())]).toEqual([field, true]);
        }
      }),
      { numRuns: RUNS },
    );
  });
  it('ends with a full stop or an address, and closes what it opens', () => {
    fc.assert(
      fc.property(anyEntry, (e) => {
        const body = written(style, e);
        expect(body).toMatch(/^$|[.?!]\}*$|\\url\{[^}]*\}$/);
        expect(body.split('{').length).toBe(body.split('}').length);
      }),
      { numRuns: RUNS },
    );
  });
});
