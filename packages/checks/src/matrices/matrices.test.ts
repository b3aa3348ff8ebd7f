import fc from 'fast-check';
import { det, inv, matrix, multiply, type Matrix } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '@odd-compass/engine/testing';
import { toNumber } from '../numbers/value';
import {
  characteristic,
  determinantOf,
  inverted,
  matrixPower,
  product,
  rowReduced,
  solutionsOf,
  withStep,
  type Entries,
} from './operations';
import { exactOf, isNothing, quotientTex, whole } from './quotients';
import { answerMatrix, type MatrixQuestion } from './task';
import { stepTex } from './writing';

const numbers = (entries: Entries): number[][] =>
  entries.map((row) => row.map((entry) => toNumber(exactOf(entry) ?? NaN)));
const grid = (rows: number, columns: number) =>
  fc
    .array(fc.array(fc.integer({ min: -6, max: 6 }), { minLength: columns, maxLength: columns }), {
      minLength: rows,
      maxLength: rows,
    })
    .map((values): Entries => values.map((row) => row.map((value) => whole(BigInt(value)))));
const squares = fc.integer({ min: 1, max: 4 }).chain((side) => grid(side, side));
const near = (a: number[][], b: number[][]): void =>
  a.forEach((row, i) => row.forEach((value, j) => expect(value).toBeCloseTo(b[i]?.[j] ?? NaN, 6)));

describe('matrices of numbers, against another library', () => {
  it('determinants', () => {
    fc.assert(
      fc.property(squares, (a) => {
        expect(toNumber(exactOf(determinantOf(a)) ?? NaN)).toBeCloseTo(det(numbers(a)), 6);
      }),
    );
  });
  it('inverses', () => {
    fc.assert(
      fc.property(squares, (a) => {
        fc.pre(!isNothing(determinantOf(a)));
        near(numbers(inverted(a)), (inv(matrix(numbers(a))) as Matrix).toArray() as number[][]);
      }),
    );
  });
  it('products and powers', () => {
    fc.assert(
      fc.property(grid(2, 3), grid(3, 4), squares, (a, b, c) => {
        near(numbers(product(a, b)), multiply(numbers(a), numbers(b)) as number[][]);
        const twice = multiply(numbers(c), numbers(c)) as number[][];
        near(numbers(matrixPower(c, 2)), twice);
      }),
    );
  });
});

it('row reductions lead step by step to the reduced echelon form', () => {
  fc.assert(
    fc.property(grid(3, 4), (a) => {
      const { stages, entries, pivots } = rowReduced(a);
      let now = a;
      for (const stage of stages) {
        now = stage.steps.reduce(withStep, now);
        expect(numbers(now)).toEqual(numbers(stage.entries));
      }
      expect(numbers(now)).toEqual(numbers(entries));
      entries.forEach((row, i) => {
        const lead = row.findIndex((entry) => !isNothing(entry));
        expect(lead).toBe(pivots[i] ?? -1);
        if (lead < 0) return;
        expect(entries.map((other) => toNumber(exactOf(other[lead] ?? whole(0n)) ?? NaN))).toEqual(
          entries.map((_, r) => (r === i ? 1 : 0)),
        );
      });
    }),
  );
});

it('solutions solve their system, and directions its homogeneous one', () => {
  fc.assert(
    fc.property(grid(3, 4), (augmented) => {
      const solutions = solutionsOf(augmented);
      if (solutions.kind === 'none') return;
      const [a, b] = [
        augmented.map((row) => row.slice(0, 3)),
        augmented.map((row) => row.slice(3)),
      ];
      const column = (entries: readonly (typeof solutions.particular)[number][]): Entries =>
        entries.map((entry) => [entry]);
      expect(numbers(product(a, column(solutions.particular)))).toEqual(numbers(b));
      for (const { vector } of solutions.directions) {
        expect(
          numbers(product(a, column(vector)))
            .flat()
            .every((value) => value === 0),
        ).toBe(true);
      }
    }),
  );
});

/** What an operation writes behind or around the first matrix of a formula. */
function written(formula: string, question: Partial<MatrixQuestion>): string {
  const text = inArticle(`\\[ ${formula} \\]`);
  const from = text.indexOf('\\begin{', text.indexOf('\\['));
  const environment = /\\begin\{(\w+)\}/.exec(text.slice(from))?.[1] ?? '';
  const columns =
    environment === 'array' ? (/\\begin\{array\}(\{[^}]*\})/.exec(text)?.[1] ?? '') : '';
  const whole = { task: 'reduce', from, environment, columns, exponent: 2, ...question } as const;
  const answer = answerMatrix(typeset(text).written(), whole);
  if ('refused' in answer) return answer.refused;
  let result = text;
  for (const edit of [...answer.edits].reverse()) {
    result = result.slice(0, edit.from) + edit.insert + result.slice(edit.to);
  }
  const note = answer.assumed.length ? ` % ${answer.assumed.join(', ')}` : '';
  return result.slice(result.indexOf('\\[') + 3, result.indexOf(' \\]')) + note;
}

describe('results are written in the writer’s own way', () => {
  const A = '\\begin{pmatrix} 1 & 2 \\\\ 3 & 4 \\end{pmatrix}';
  it.each([
    [A, { task: 'transpose' }, `${A}^{T} = \\begin{pmatrix} 1 & 3 \\\\ 2 & 4 \\end{pmatrix}`],
    [A, { task: 'determinant' }, `\\det ${A} = -2`],
    [A, { task: 'rank' }, `\\operatorname{rank} ${A} = 2`],
    [
      A,
      { task: 'inverse' },
      `${A}^{-1} = \\begin{pmatrix} -2 & 1 \\\\ \\frac{3}{2} & -\\frac{1}{2} \\end{pmatrix}`,
    ],
    [
      A,
      { task: 'power', exponent: 2 },
      `${A}^{2} = \\begin{pmatrix} 7 & 10 \\\\ 15 & 22 \\end{pmatrix}`,
    ],
    [
      A,
      { task: 'characteristic' },
      `${A},\\quad \\det(A - \\lambda I) = \\lambda^{2} - 5\\lambda - 2`,
    ],
    [
      A,
      { task: 'reduce' },
      `${A} \\xrightarrow{R_2 - 3R_1} \\begin{pmatrix} 1 & 2 \\\\ 0 & -2 \\end{pmatrix} \\xrightarrow{-\\frac{1}{2}R_2} \\begin{pmatrix} 1 & 2 \\\\ 0 & 1 \\end{pmatrix} \\xrightarrow{R_1 - 2R_2} \\begin{pmatrix} 1 & 0 \\\\ 0 & 1 \\end{pmatrix}`,
    ],
    [
      `${A} ${A}`,
      { task: 'product' },
      `${A} ${A} = \\begin{pmatrix} 7 & 10 \\\\ 15 & 22 \\end{pmatrix}`,
    ],
    [
      `${A} + ${A}`,
      { task: 'sum' },
      `${A} + ${A} = \\begin{pmatrix} 2 & 4 \\\\ 6 & 8 \\end{pmatrix}`,
    ],
    [
      '\\begin{vmatrix} a & b \\\\ c & d \\end{vmatrix}',
      { task: 'determinant' },
      '\\begin{vmatrix} a & b \\\\ c & d \\end{vmatrix} = ad - bc',
    ],
    [
      '\\begin{bmatrix} a & 1 \\\\ 0 & a \\end{bmatrix}',
      { task: 'inverse' },
      '\\begin{bmatrix} a & 1 \\\\ 0 & a \\end{bmatrix}^{-1} = \\begin{bmatrix} \\frac{1}{a} & -\\frac{1}{a^{2}} \\\\ 0 & \\frac{1}{a} \\end{bmatrix}',
    ],
    [
      '\\begin{pmatrix} a & 1 \\\\ 1 & 1 \\end{pmatrix}',
      { task: 'reduce' },
      '\\begin{pmatrix} a & 1 \\\\ 1 & 1 \\end{pmatrix} \\xrightarrow{R_1 \\leftrightarrow R_2} \\begin{pmatrix} 1 & 1 \\\\ a & 1 \\end{pmatrix} \\xrightarrow{R_2 - aR_1} \\begin{pmatrix} 1 & 1 \\\\ 0 & -a + 1 \\end{pmatrix} \\xrightarrow{-\\frac{1}{a - 1}R_2} \\begin{pmatrix} 1 & 1 \\\\ 0 & 1 \\end{pmatrix} \\xrightarrow{R_1 - R_2} \\begin{pmatrix} 1 & 0 \\\\ 0 & 1 \\end{pmatrix} % -a + 1',
    ],
    [
      '\\left(\\begin{array}{cc|c} 1 & 1 & 2 \\\\ 1 & 1 & 2 \\end{array}\\right)',
      { task: 'solve' },
      '\\left(\\begin{array}{cc|c} 1 & 1 & 2 \\\\ 1 & 1 & 2 \\end{array}\\right),\\quad \\begin{pmatrix} x \\\\ y \\end{pmatrix} = \\begin{pmatrix} 2 \\\\ 0 \\end{pmatrix} + t \\begin{pmatrix} -1 \\\\ 1 \\end{pmatrix}',
    ],
    [
      '\\left(\\begin{array}{cc|c} 1 & 1 & 2 \\\\ 1 & 2 & 3 \\end{array}\\right)',
      { task: 'reduce' },
      '\\left(\\begin{array}{cc|c} 1 & 1 & 2 \\\\ 1 & 2 & 3 \\end{array}\\right) \\xrightarrow{R_2 - R_1} \\left(\\begin{array}{cc|c} 1 & 1 & 2 \\\\ 0 & 1 & 1 \\end{array}\\right) \\xrightarrow{R_1 - R_2} \\left(\\begin{array}{cc|c} 1 & 0 & 1 \\\\ 0 & 1 & 1 \\end{array}\\right)',
    ],
    [
      '\\begin{pmatrix} 1 & 2 & 3 \\end{pmatrix}',
      { task: 'determinant' },
      'A 1 × 3 matrix is not square.',
    ],
    [
      '\\begin{pmatrix} 1 & 1 \\\\ 1 & 1 \\end{pmatrix}',
      { task: 'inverse' },
      'The determinant is 0: there is no inverse.',
    ],
    [A, { task: 'product' }, 'No other matrix follows this one in the formula.'],
    [
      '\\begin{pmatrix} 1 & \\\\ 1 & 1 \\end{pmatrix}',
      { task: 'rank' },
      'An entry is not read: nothing stands here.',
    ],
  ] as const)('%s: %j', (formula, question, wanted) => {
    expect(written(formula, question)).toBe(wanted);
  });
});

it('the characteristic polynomial vanishes at a triangle’s diagonal', () => {
  const a: Entries = [
    [whole(2n), whole(5n)],
    [whole(0n), whole(3n)],
  ];
  expect(quotientTex(characteristic(a))).toBe('\\lambda^{2} - 5\\lambda + 6');
  expect(stepTex({ kind: 'swap', row: 0, with: 2 })).toBe('R_1 \\leftrightarrow R_3');
});
