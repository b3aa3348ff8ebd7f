import { describe, expect, it } from 'vitest';
import { stateWords } from './assignment';
import { engineName, fileNameOf, pictureFileName } from './fileName';
import { fileReferences, refersTo, withFileRenamed, partsOf } from './fileReferences';
import {
  assignmentChange,
  courseRequest,
  filePath,
  isPlainPath,
  problem,
  saveRequest,
  startRequest,
} from './schemas';
import { countWords } from './version';

describe('what comes from outside', () => {
  it('passes a schema', () => {
    const good = { path: 'sheet.tex', revision: 1, content: '' };
    expect(saveRequest.validate(good).error).toBeUndefined();
    for (const bad of [
      null,
      {},
      { ...good, revision: 0 },
      { ...good, revision: 1.5 },
      { ...good, content: 3 },
      { ...good, path: '../sheet.tex' },
      { ...good, more: 1 },
    ])
      expect(saveRequest.validate(bad).error, JSON.stringify(bad)).toBeDefined();
  });
  it('is refused in words', () => {
    const said = (schema: { validate: (given: unknown) => { error?: unknown } }, given: unknown) =>
      problem(schema.validate(given).error as never);
    const long = { path: 'a.tex', revision: 1, content: 'x'.repeat(4_000_001) };
    expect(said(saveRequest, long)).toContain('too long');
    expect(said(courseRequest, { code: '', title: 'x', term: '', colour: 'sea' })).toBe(
      'Fill in the code: it is empty.',
    );
    expect(said(assignmentChange, { title: 'x'.repeat(161) })).toBe(
      'Make the title shorter: it is too long.',
    );
    expect(said(filePath, 'a/../b.tex')).toContain('file name');
    expect(said(startRequest, {})).toContain('could not be understood');
  });
  it('has paths that stay within the assignment', () => {
    for (const good of ['a.tex', 'parts/Één deel.tex', 'a-b_c.1.png', 'a/b/c.bib'])
      expect(isPlainPath(good), good).toBe(true);
    for (const bad of [
      '../x.png',
      '/etc/passwd',
      'a//b.tex',
      'a/.hidden',
      '.png',
      'a\\b.tex',
      'c:x.tex',
      'a\u0000b',
      'a/',
      '',
      'x'.repeat(121),
      'a/b/c/d/e/f/g/h/i.tex',
    ])
      expect(isPlainPath(bad), bad).toBe(false);
  });
});

describe('file names', () => {
  it('are made from titles and from the names pictures come with', () => {
    expect(fileNameOf('Ebb & flood: sheet 3')).toBe('Ebb-flood-sheet-3');
    expect(fileNameOf('潮')).toBe('assignment');
    expect(pictureFileName('..\\..\\Tide Gauge.png')).toBe('tide-gauge');
    expect(pictureFileName('潮.png')).toBe('picture');
  });
  it('count from the folder of the sheet for the engine', () => {
    expect(engineName('week/main.tex', 'week/parts/a.tex')).toBe('parts/a.tex');
    expect(engineName('week/main.tex', 'shared.sty')).toBe('shared.sty');
    expect(engineName('main.tex', 'week/a.tex')).toBe('week/a.tex');
  });
  it('are found in a source, with or without their endings, and renamed there', () => {
    const text =
      '\\usepackage{amsmath, own}\\bibliography{a,refs}\\includegraphics [width=1cm]{tide} % \\input{no}';
    const names = fileReferences(text).map(({ name }) => name);
    expect(names).toEqual(['amsmath', 'own', 'a', 'refs', 'tide']);
    const [, own] = fileReferences(text);
    expect(own && refersTo(own, 'own.sty')).toBe(true);
    expect(own && refersTo(own, 'own.tex')).toBe(false);
    expect(withFileRenamed(text, 'refs.bib', 'all.bib')).toContain('\\bibliography{a,all}');
  });
});

it('states become words, words are counted without commands and comments', () => {
  expect(stateWords({ state: 'draft', toFix: 2 })).toBe('2 to fix');
  expect(stateWords({ state: 'ready', toFix: 0 })).toBe('ready');
  expect(stateWords({ state: 'handed-in', toFix: 3 })).toBe('handed in');
  expect(countWords('\\section{The tide} comes 5\\% in % not these\nsoon')).toBe(5);
});

describe('the texts of a sheet', () => {
  const texts = {
    'main.tex': '\\input{parts/one} % \\input{parts/left}\n\\bibliography{works}',
    'parts/one.tex': '\\include{parts/two}',
    'parts/two.tex': '\\input{parts/one.tex}',
    'parts/left.tex': 'Not read.',
    'works.bib': '@book{a}',
  };
  it('are those that its main file reads in, each once', () => {
    expect(partsOf('main.tex', texts)).toEqual(['main.tex', 'parts/one.tex', 'parts/two.tex']);
    expect(partsOf('parts/left.tex', texts)).toEqual(['parts/left.tex']);
    expect(partsOf('gone.tex', texts)).toEqual(['gone.tex']);
  });
});
