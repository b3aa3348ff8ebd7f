import { inArticle, typeset } from '@odd-compass/engine/testing';
import { describe, expect, it } from 'vitest';
import type { LineEdit } from '../classLine';
import { headingsOf } from './headings';
import { kindChange } from './kindChange';

/** A text after edits, the last first so that places hold. */
const after = (text: string, edits: readonly LineEdit[]): string =>
  [...edits]
    .sort((a, b) => b.from - a.from)
    .reduce((now, { from, to, insert }) => now.slice(0, from) + insert + now.slice(to), text);
const changed = (text: string, kind: string): string => after(text, kindChange(text, kind).edits);
const document = (kind: string, body: string, preamble = '', options = ''): string =>
  `\\documentclass${options}{${kind}}\n${preamble}\n\\begin{document}\n${body}\n\\end{document}\n`;
const levels = (text: string): string[] =>
  headingsOf(text).map(({ level, title }) => `${level} ${title}`);

const SECTIONS =
  '\\section{Ebb}\\label{e}\nLow.\n\\subsection*{At night}\nDark.\n\\section{Flood}\nHigh.';

describe('another kind', () => {
  it.each([
    ['article', 'amsart'],
    ['report', 'book'],
    ['article', 'nobody-knows'],
  ])('from %s to %s is another name and no more', (from, to) => {
    const text = document(from, SECTIONS, '', '[12pt]');
    expect(kindChange(text, to).notes).toEqual([]);
    expect(changed(text, to)).toBe(text.replace(`{${from}}`, `{${to}}`));
  });

  it('sections become chapters, and sections again', () => {
    const text = document('article', SECTIONS);
    const book = changed(text, 'report');
    expect(levels(book)).toEqual(['chapter Ebb', 'section At night', 'chapter Flood']);
    expect(book).toContain('\\chapter{Ebb}\\label{e}');
    expect(book).toContain('\\section*{At night}');
    expect(kindChange(text, 'report').notes[0]).toContain('3 headings one step higher');
    expect(changed(book, 'article')).toBe(text);
  });

  it('chapters that are there already stay', () => {
    const text = document('article', `\\chapter{Sea}\n${SECTIONS}`);
    expect(levels(changed(text, 'book'))).toEqual(levels(text));
  });

  it('what divides a book, and an abstract, are told of', () => {
    const book = document('book', '\\frontmatter\n\\chapter{Ebb}\n\\mainmatter\nLow.');
    expect(changed(book, 'article')).not.toContain('matter');
    expect(kindChange(book, 'article').notes.join(' ')).toContain('\\frontmatter, \\mainmatter');
    const paper = document('article', '\\begin{abstract}So it is.\\end{abstract}');
    expect(changed(paper, 'book')).toContain('\\chapter*{Abstract}So it is.');
  });

  it('options that it does not take go', () => {
    const text = document('article', SECTIONS, '', '[a4paper,12pt]');
    expect(changed(text, 'beamer')).toContain('\\documentclass[12pt]{beamer}');
    expect(kindChange(text, 'beamer').notes.join(' ')).toContain('a4paper');
    const slides = document('beamer', '\\begin{frame}x\\end{frame}', '', '[aspectratio=169]');
    expect(changed(slides, 'article')).toContain('\\documentclass{article}');
  });
});

describe('slides', () => {
  const PAPER = document(
    'article',
    `\\maketitle\n${SECTIONS}`,
    '\\usepackage{amsthm}\n\\usepackage[margin=2cm]{geometry}\n\\newtheorem{theorem}{Theorem}\n\\newtheorem{claim}{Claim}\n\\title{Tides}',
  );
  const slides = changed(PAPER, 'beamer');

  it('are made of sections, a frame for each heading', () => {
    expect(slides.replace(/\s+/g, ' ')).toContain(
      '\\begin{document} \\begin{frame} \\titlepage \\end{frame} \\section{Ebb}\\label{e} \\begin{frame}{Ebb} Low. \\end{frame} \\begin{frame}{At night} Dark. \\end{frame} \\section{Flood} \\begin{frame}{Flood} High. \\end{frame}',
    );
  });
  it('lose what they bring themselves', () => {
    expect(slides).not.toMatch(/geometry|newtheorem\{theorem\}/);
    expect(slides).toContain('\\newtheorem{claim}{Claim}');
    expect(kindChange(PAPER, 'beamer').notes.join(' ')).toContain(
      '\\newtheorem{theorem}, geometry',
    );
  });
  it('are set without a finding', () => {
    expect(
      typeset(slides)
        .findings()
        .map(({ kind }) => kind),
    ).toEqual([]);
  });
  it('text before the first heading has a frame', () => {
    const text = document('article', 'First of all.\n\\section{Ebb}\nLow.');
    expect(changed(text, 'beamer')).toContain('\\begin{frame}\nFirst of all.\n\\end{frame}');
  });
  it('become sections again', () => {
    const back = changed(slides, 'article');
    expect(levels(back)).toEqual(['section Ebb', 'subsection At night', 'section Flood']);
    expect(back).not.toMatch(/frame/);
    expect(back).toContain('\\maketitle');
    expect(
      typeset(back)
        .findings()
        .map(({ kind }) => kind),
    ).toEqual([]);
  });

  it.each([
    ['\\item<2-> ebb', '\\item ebb'],
    ['\\only<1>{ebb} \\uncover<2->{flood}', 'ebb flood'],
    ['ebb\n\\pause\nflood', 'ebb\nflood'],
    ['\\begin{block}{Low}water\\end{block}', '\\paragraph{Low}water'],
    ['\\begin{columns}[t]\\begin{column}{.5\\textwidth}ebb\\end{column}\\end{columns}', 'ebb'],
    ['\\frametitle{Ebb}low', 'low'],
  ])('%s becomes %s', (body, wanted) => {
    const text = document(
      'beamer',
      `\\section{Ebb}\\begin{frame}${body}\\end{frame}`,
      '\\usetheme{Berlin}',
    );
    const back = changed(text, 'article');
    expect(back).toContain(wanted);
    expect(back).not.toMatch(/usetheme|pause|<\d/);
  });
});

describe('a letter', () => {
  it('holds all of it, with headings as bold words', () => {
    const text = changed(document('article', `\\maketitle\n${SECTIONS}`), 'letter');
    expect(text).toMatch(/\\begin\{letter\}\{\}\s*\\opening\{Dear \}/);
    expect(text).toContain('\\textbf{Ebb}');
    expect(text).not.toContain('\\maketitle');
    expect(
      typeset(text)
        .findings()
        .filter(({ severity }) => severity === 'broken'),
    ).toEqual([]);
  });
  it('becomes plain text again', () => {
    const text = document(
      'letter',
      '\\begin{letter}{To you}\\opening{Dear Wren,}So.\\closing{Yours,}\\end{letter}',
    );
    expect(changed(text, 'article')).toContain('Dear Wren,So.Yours,');
  });
});

it('an article of every kind that is offered has its words still', () => {
  const text = inArticle(SECTIONS, '');
  for (const kind of ['report', 'book', 'letter', 'beamer', 'amsart', 'proc'])
    for (const word of ['Ebb', 'Low', 'At night', 'Dark', 'Flood', 'High'])
      expect(changed(text, kind), kind).toContain(word);
});
