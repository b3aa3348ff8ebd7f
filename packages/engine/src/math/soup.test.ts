import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Box } from '../boxes/box';
import { kernel } from '../language/kernel/kernel';
import { PACKAGES } from '../language/packages';
import { findingsIn, inArticle, typeset } from '../testing/document';

const LOADED = ['amsmath', 'amssymb', 'mathtools', 'bm', 'mathrsfs', 'cancel', 'amscd', 'tikz-cd'];
const PREAMBLE = `\\usepackage{${LOADED.join(',')}}`;

const modules = [kernel, ...LOADED.map((name) => PACKAGES[name])];
/** Every command and environment that acts in formulas. */
const COMMANDS = modules
  .flatMap((m) => m?.commands ?? [])
  .filter((c) => (c.math || c.macro) && !/[\u0000-\u001f]/.test(c.name))
  .map(({ name }) => `\\${name}${/^[A-Za-z]+$/.test(name) ? ' ' : ''}`);
const ENVIRONMENTS = modules
  .flatMap((m) => m?.environments ?? [])
  .filter((e) => e.math)
  .flatMap(({ name }) => [`\\begin{${name}}`, `\\end{${name}}`]);
const MARKS = [
  ...'x2+=()[]|^_{}&\',.;:<>!/@"~#',
  '\\\\',
  '\\left(',
  '\\right)',
  '{cc}',
  '{a}',
  '[b]',
];
const TYPED = [...'≤∈ℝ∑α²√½ₙ′″→∞∫⟨ 字'];

const token = fc.oneof(
  { weight: 4, arbitrary: fc.constantFrom(...MARKS) },
  { weight: 3, arbitrary: fc.constantFrom(...COMMANDS) },
  { weight: 1, arbitrary: fc.constantFrom(...ENVIRONMENTS) },
  { weight: 1, arbitrary: fc.constantFrom(...TYPED) },
);

function expectFinite(box: Box): void {
  for (const value of [box.width, box.height, box.depth]) expect(Number.isFinite(value)).toBe(true);
  for (const { x, y, item } of box.children) {
    expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true);
    if (item.kind === 'box') expectFinite(item);
    if (item.kind === 'rule') expect(item.height + item.depth).toBeGreaterThanOrEqual(0);
  }
}

describe('any soup of tokens', () => {
  it('has many kinds of tokens', () => expect(COMMANDS.length).toBeGreaterThan(700));
  it('gives boxes of finite size in bounded time', () => {
    fc.assert(
      fc.property(fc.array(token, { maxLength: 40 }), fc.boolean(), (pieces, display) => {
        const source = pieces.join('');
        const body = display ? `A \\[${source}\\] b.` : `A $${source}$ b.`;
        const session = typeset(inArticle(`${body}\n\nThe end.`, PREAMBLE));
        expect(session.pages.length).toBeGreaterThan(0);
        for (const page of session.pages) {
          for (const { box, x, y } of page.placed) {
            expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true);
            expect(box.width).toBeGreaterThanOrEqual(0);
            expectFinite(box);
          }
        }
      }),
      { numRuns: 300 },
    );
  }, 300_000);
});

/** What may be put around a formula again and again. */
const WRAPPED: readonly (readonly [string, string])[] = [
  ['\\sqrt{', '}'],
  ['\\frac{', '}{2}'],
  ['{', '}'],
  ['\\left(', '\\right)'],
  ['x^{', '}'],
  ['\\overline{', '}'],
  ['\\begin{pmatrix}', '\\end{pmatrix}'],
  ['\\text{$', '$}'],
  ['\\boldsymbol{', '}'],
  ['\\mathchoice{a}{', '}{b}{c}'],
  ['\\underbrace{', '}'],
  ['\\boxed{', '}'],
];

describe('nesting two hundred deep', () => {
  it.each(WRAPPED)('of %s…%s is safe', (open, close) => {
    const deep = `${open.repeat(200)}x${close.repeat(200)}`;
    const body = `$${deep}$\n\nThe ferry sails.`;
    const kinds = findingsIn(inArticle(body, PREAMBLE)).map(({ kind }) => kind);
    const mild = ['line-too-wide', 'nesting-too-deep', 'formula-too-wide'];
    expect(kinds.filter((kind) => !mild.includes(kind))).toEqual([]);
  });
});
