import nspell from 'nspell';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { proseOf, wordsIn, wordsOfDocument } from './prose';

const words = (text: string, spans: readonly number[] = []): string[] =>
  wordsIn(proseOf(text, 0, spans), 0).map(({ word }) => word);

describe('the words of the text', () => {
  it('are not those of commands, labels, comments, code and formulas', () => {
    const text =
      'The \\emph{tide} rises \\label{eq:tyde} % comentt\n\\begin{itemize}\\item it’s $teh$ \\verb|cdoe| \\cite{qill} \\textcolor{red}{slowly}\\begin{tabular}{@{}lcr}\\end{tabular}\n\\begin{verbatim}\nxyzzy\n\\end{verbatim} on';
    const from = text.indexOf('$');
    expect(words(text, [from, from + 5])).toEqual(['The', 'tide', 'rises', 'it’s', 'slowly', 'on']);
  });
  it('stand where they stood', () => {
    const text = 'An \\textbf{ebb} tide';
    for (const { word, from, to } of wordsIn(proseOf(text, 0, []), 0))
      expect(text.slice(from, to)).toBe(word);
    expect(wordsIn(proseOf(text, 10, []), 10)[0]?.from).toBe(10);
  });
  it('are no abbreviations, single letters, or words with digits', () => {
    expect(words('A PDF of x2 in NOAA code a tide')).toEqual(['of', 'in', 'code', 'tide']);
  });
  it('that the document brings itself are right', () => {
    const brought = wordsOfDocument(
      '\\author{Maren Quill}\\newtheorem{lem}{Lemma}\\newcommand{\\club}{Brannock club} Skerry Skerry Skerry once Mistaek',
    );
    for (const word of ['Maren', 'Quill', 'Brannock', 'Skerry']) expect(brought).toContain(word);
    expect(brought).not.toContain('Mistaek');
  });
});

describe('the dictionaries that ship', () => {
  const speller = (folder: string) =>
    nspell(
      readFileSync(`node_modules/${folder}/index.aff`, 'utf8'),
      readFileSync(`node_modules/${folder}/index.dic`, 'utf8'),
    );
  it('know British and American spelling apart, and suggest', () => {
    const british = speller('dictionary-en-gb');
    const american = speller('dictionary-en');
    expect([british.correct('harbour'), american.correct('harbour')]).toEqual([true, false]);
    expect([british.correct("it's"), american.correct('harbor')]).toEqual([true, true]);
    expect(american.suggest('lihgt')).toContain('light');
  });
});
