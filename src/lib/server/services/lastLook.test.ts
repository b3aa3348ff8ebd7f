import { expect, it } from 'vitest';
import type { PagePicture } from '../typeset/job';
import { lastLook, problemParts, type Looked } from './lastLook';

const page = (...texts: string[]): PagePicture => ({
  svg: '',
  width: 600,
  height: 800,
  lines: texts.map((text, i) => ({ text, look: '', x: 0, y: 20 * i, width: 400, height: 12 })),
});
const HANDOUT = [
  page('Walks', 'Write your name here', 'Problem 1. Find P.', 'Problem 2. Show it.'),
];
const RULES = {
  kinds: ['pdf'],
  largest: 1000,
  mostPages: 1,
  deadline: '2026-03-02T12:00:00.000Z',
  latePolicy: 'Nothing is taken late.',
  lateMinutes: 0,
};
const DONE: Looked = {
  findings: [],
  pages: [
    page(
      'Walks',
      'Maren Quill',
      '1 March 2026',
      'Problem 1. Find P.',
      'Solution. It is the identity.',
      'Problem 2. Show it.',
      'x = y and so on it goes',
    ),
  ],
  steps: [],
  handout: HANDOUT,
  texts: {
    'sheet.tex':
      '\\author{Maren Quill}\n\\begin{problem}a\\end{problem}\n\\begin{problem}b\\end{problem}',
  },
  mainPath: 'sheet.tex',
  author: 'Maren Quill',
  problems: ['1', '2'],
  rules: RULES,
  files: [{ name: 'x.pdf', size: 900 }],
  now: new Date('2026-03-01T12:00:00.000Z'),
};
const line = (topic: string, changed: Partial<Looked> = {}) =>
  lastLook({ ...DONE, ...changed }).find((one) => one.topic === topic);

it('finds nothing in the way of a sheet that is done', () => {
  expect(lastLook(DONE).map(({ topic, well }) => [topic, well])).toEqual([
    ['Problems', true],
    ['Your name', true],
    ['Date', true],
    ['Mistakes', true],
    ['References', true],
    ['Margins', true],
    ['Notes to yourself', true],
    ['Length', true],
    ['Size', true],
    ['Deadline', true],
  ]);
});

it('tells which problems of the handout are not answered, with a way to them', () => {
  expect(line('Problems', { pages: HANDOUT })).toMatchObject({
    well: false,
    says: 'Problems 1 and 2 are not answered.',
    places: [
      { says: 'Problem 1', path: 'sheet.tex', from: 21 },
      { says: 'Problem 2', from: 51 },
    ],
  });
  const missing = [page('Problem 1. Find P. It is the identity matrix.')];
  expect(line('Problems', { pages: missing })?.says).toBe('Problem 2 is not answered.');
  expect(line('Problems', { problems: [] })).toBeUndefined();
  expect([...problemParts(DONE.pages).keys()]).toEqual(['1', '2']);
});

it('looks for name and date on page 1', () => {
  expect(line('Your name', { pages: HANDOUT })).toMatchObject({ well: false });
  expect(line('Your name', { author: '' })).toMatchObject({ well: null });
  expect(line('Date', { pages: HANDOUT })).toMatchObject({ well: null });
});

it('sorts what the engine found by what it means', () => {
  const finding = (kind: string, severity = 'broken') =>
    ({ kind, severity, file: 'sheet.tex', from: 3, to: 4, message: kind, cause: '' }) as never;
  const findings = [
    finding('reference-unknown', 'off'),
    finding('line-too-wide', 'off'),
    finding('command-unknown'),
    finding('dots-typed', 'advice'),
  ];
  expect(line('References', { findings })).toMatchObject({ well: false, places: [{ from: 3 }] });
  expect(line('Margins', { findings })?.says).toBe('One place stands outside the margins.');
  expect(line('Mistakes', { findings })?.says).toBe('One mistake is left.');
});

it('finds notes to oneself and dummy text, in comments and parts too', () => {
  const texts = {
    'sheet.tex': '% TODO prove this\n\\lipsum[1]\nWhat is??? here',
    'part.tex': 'FIXME',
    'refs.bib': 'TODO',
  };
  const found = line('Notes to yourself', { texts });
  expect(found?.places.map(({ path, says }) => [path, says])).toEqual([
    ['sheet.tex', '% TODO prove this'],
    ['sheet.tex', '\\lipsum[1]'],
    ['sheet.tex', 'What is??? here'],
    ['part.tex', 'FIXME'],
  ]);
});

it('holds pages, sizes and the clock against the rules of the course', () => {
  const files = [{ name: 'x.pdf', size: 1_200_000 }];
  expect(line('Size', { files })).toMatchObject({
    well: false,
    says: '1.2 MB in all; the course takes up to 1 kB.',
  });
  expect(line('Length', { pages: [...DONE.pages, page()] })).toMatchObject({ well: false });
  const now = new Date('2026-03-03T12:00:00.000Z');
  expect(line('Deadline', { now })?.says).toBe('The deadline has passed. Nothing is taken late.');
  expect(line('Deadline', { rules: null })).toBeUndefined();
});
