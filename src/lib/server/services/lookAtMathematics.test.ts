import { describe, expect, it } from 'vitest';
import type { StepFact } from '../typeset/job';
import { endsWell, lookAtMathematics } from './lookAtMathematics';

const step = (result: StepFact['result'], from = 0): StepFact => ({
  from,
  result,
  why: 'so it is',
});
const lines = (text: string, steps: readonly StepFact[] = []) =>
  lookAtMathematics({ 'sheet.tex': text }, 'sheet.tex', steps).map(({ topic, well, says }) => [
    topic,
    well,
    says,
  ]);

describe('the last look at the mathematics', () => {
  it.each([
    [[], []],
    [[step('holds')], [['Steps', true, '1 step was tested: 1 holds.']]],
    [[step('unknown')], [['Steps', null, '1 step was tested: 1 cannot be told.']]],
    [
      [step('holds'), step('differs'), step('sometimes'), step('unknown')],
      [
        [
          'Steps',
          null,
          '4 steps were tested: 1 holds, 1 differs, 1 holds only sometimes, 1 cannot be told.',
        ],
      ],
    ],
  ])('counts the steps: %j', (steps, wanted) => {
    expect(lines('No claims.', steps)).toEqual(wanted);
  });
  it('looks into the parts, and leads to the place in them', () => {
    const texts = {
      'sheet.tex': 'First.\n\\input{answers/one}\nLast, by \\ref{a}.',
      'answers/one.tex': 'So\n\\begin{lemma}\\label{a} A.\\end{lemma}',
    };
    const [line] = lookAtMathematics(texts, 'sheet.tex', []);
    expect(line?.places).toEqual([
      { says: 'Lemma “a” has no proof', path: 'answers/one.tex', from: 3 },
    ]);
  });
  it('leads to the steps that differ', () => {
    const [line] = lookAtMathematics({ 'sheet.tex': 'one\ntwo' }, 'sheet.tex', [
      step('differs', 5),
    ]);
    expect(line?.places).toEqual([{ says: 'Line 2: so it is', path: 'sheet.tex', from: 5 }]);
  });
  it.each([
    [
      '\\begin{lemma} A.\\end{lemma}\\begin{proof} B.\\end{proof}',
      'Every claim has a proof and is used.',
    ],
    ['\\begin{lemma} A.\\end{lemma}', 'There is 1 claim without a proof.'],
    [
      '\\begin{lemma} A.\\end{lemma}\\begin{lemma} B.\\end{lemma}\\begin{lemma} C.\\end{lemma}',
      'There are 3 claims without a proof, 2 results never used.',
    ],
  ])('tells of proofs: %s', (text, says) => {
    expect(lines(text)).toEqual([['Argument', says.startsWith('Every') ? true : null, says]]);
  });
  it.each([
    ['The end.', 'Every answer ends with a sentence or a mark.'],
    ['The end', '1 answer does not end with a sentence or a mark.'],
  ])('tells of answers that break off: %s', (answer, says) => {
    const text = `\\begin{problem} P.\\end{problem}\\begin{solution}${answer}\\end{solution}`;
    expect(lines(text)).toEqual([['Answers', says.startsWith('Every') ? true : null, says]]);
  });
});

it.each([
  ['It follows.', true],
  ['It follows that', false],
  ['so $x = 2$', false],
  ['so $x = 2$.', true],
  ['\\[ x = 2. \\]', true],
  ['\\[ x = 2 \\]', false],
  ['\\begin{align*} a &= b. \\end{align*}', true],
  ['done \\qed', true],
  ['\\[ x = 1 \\qedhere \\]', true],
  ['\\begin{proof} A \\end{proof}', true],
  ['Is it so?', true],
  ['It holds. % or does it', true],
  ['', false],
])('an answer that ends in %j ends well: %s', (source, well) => {
  expect(endsWell(source)).toBe(well);
});
