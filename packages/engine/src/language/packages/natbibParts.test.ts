import { describe, expect, it } from 'vitest';
import { textFiles, typeset } from '../../testing/document';
import { laid } from '../../testing/layout';

const files = textFiles({
  'tides.bib':
    '@book{quill, author={Quill, Mara}, title={Tides}, year={2021}, publisher={Harbour Press}}',
});
const source = (style: string, body: string, natbib = '\\usepackage[numbers]{natbib}'): string =>
  `\\documentclass{article}${natbib}\\begin{document}${body}\\bibliographystyle{${style}}\\bibliography{tides}\\end{document}`;
const told = (text: string): string[] =>
  typeset(text, files)
    .findings()
    .filter(({ severity }) => severity !== 'advice')
    .map(({ message }) => message);

describe('parts of entries that natbib cites', () => {
  it.each([
    ['plainnat', 'Quill'],
    ['abbrvnat', 'Quill'],
    // A style of a journal that is not here: one that tells authors stands in.
    ['harbourjournal', 'Quill'],
  ])('with %s the author is %s', (style, author) => {
    expect(laid(source(style, '\\citeauthor{quill} \\cite{quill}'), files).text).toContain(
      `${author} [1]`,
    );
  });
  it('without natbib a style that is not here is plain', () => {
    expect(told(source('harbourjournal', '\\cite{quill}', ''))).toEqual([
      expect.stringContaining('plain is used'),
    ]);
    expect(told(source('harbourjournal', '\\cite{quill}'))).toEqual([
      expect.stringContaining('plainnat is used'),
    ]);
  });
  it('a list without authors is told in words, under the name the writer knows', () => {
    const messages = told(source('plain', '\\citeauthor{quill}'));
    expect(messages).toEqual([expect.stringMatching(/says no author of .quill./)]);
  });
  it.each(['\\citeauthor{nobody}', '\\citeyear{nobody}', '\\citet{nobody}'])(
    'no inner name is told for %s',
    (body) => {
      for (const message of told(source('plainnat', body)))
        expect(message).not.toContain(':author');
    },
  );
});
