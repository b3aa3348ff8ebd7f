import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { VersionCard } from '$lib/domain/version';
import { changedLines, comparedPages, compareLines, layoutWords, type PlacedLine } from './compare';
import { strip } from './strip';

describe('comparing', () => {
  const lines = fc.array(fc.constantFrom('ebb', 'flood', 'slack', ''), { maxLength: 10 });
  it('shows every line of both, in order, and marks those that are not in both', () => {
    fc.assert(
      fc.property(lines, lines, (before, after) => {
        const compared = compareLines(before, after);
        const side = (which: 'before' | 'after') =>
          compared.map((line) => line[which]).filter((line) => line !== null);
        expect(side('before')).toEqual(before);
        expect(side('after')).toEqual(after);
        for (const { kind, before: b, after: a } of compared)
          if (kind === 'same') expect(a).toBe(b);
        const { gone, fresh } = changedLines(before, after);
        expect(before.filter((_, i) => !gone.has(i))).toEqual(
          after.filter((_, i) => !fresh.has(i)),
        );
      }),
    );
  });
  it('puts a changed line beside what it was', () => {
    expect(compareLines(['a', 'old', 'c'], ['a', 'new', 'c'])[1]).toEqual({
      kind: 'new',
      before: 'old',
      after: 'new',
    });
  });
});

describe('the strip of time', () => {
  const version = (id: number, minutes: number, words: number): VersionCard => ({
    id,
    at: new Date(Date.UTC(2026, 2, 1, 9, minutes)).toISOString(),
    kind: 'as-written',
    name: null,
    words,
    pages: 1,
  });
  const now = new Date(Date.UTC(2026, 2, 3));
  it('runs from the first version to now, higher where more was written', () => {
    const { marks, growth } = strip([version(1, 0, 10), version(2, 1440, 100)], now, 1000);
    const [first, second] = marks;
    expect(first?.x).toBe(16);
    expect(second?.x).toBeGreaterThan(400);
    expect(second?.y).toBeLessThan(first?.y ?? 0);
    expect(growth).toMatch(/^M/);
    expect(first?.says).toMatch(/^as it was then, 1 March, .*, 10 words, 1 page$/);
  });
  it('keeps marks apart, in order and on the strip', () => {
    const many = Array.from({ length: 40 }, (_, i) => version(i + 1, i, i));
    const xs = strip(many, now, 1000).marks.map(({ x }) => x);
    for (let i = 1; i < xs.length; i++)
      expect((xs[i] as number) - (xs[i - 1] as number)).toBeGreaterThanOrEqual(15.99);
    expect(xs.at(-1)).toBeLessThanOrEqual(984);
  });
});

describe('pages', () => {
  const line = (text: string, more: Partial<PlacedLine> = {}): PlacedLine => ({
    text,
    look: 'a',
    page: 0,
    x: 10,
    y: 20,
    ...more,
  });
  it.each([
    ['the same', [line('ebb')], [line('ebb')], ''],
    [
      'bold',
      [line('ebb')],
      [line('ebb', { look: 'b' })],
      'the words are the same, 1 line looks otherwise',
    ],
    [
      'lower',
      [line('ebb')],
      [line('ebb', { y: 40 })],
      'the words are the same, 1 line stands elsewhere',
    ],
    ['hardly lower', [line('ebb')], [line('ebb', { y: 20.2 })], ''],
    [
      'on the next page',
      [line('ebb'), line('low')],
      [line('ebb'), line('low', { page: 1 })],
      'the words are the same, 1 line stands elsewhere',
    ],
    [
      'broken otherwise',
      [line('ebb and'), line('flood')],
      [line('ebb'), line('and flood')],
      'the words are the same, 2 lines look otherwise',
    ],
    ['other words', [line('ebb')], [line('flood', { y: 40 })], ''],
  ] as const)('%s', (_what, before, after, wanted) => {
    expect(layoutWords(comparedPages(before, after))).toBe(wanted);
  });
  it('lines behind one that came are paired with themselves', () => {
    const { fresh, movedFrom, movedTo } = comparedPages(
      [line('ebb'), line('flood', { y: 40 })],
      [line('ebb'), line('new', { y: 40 }), line('flood', { y: 60 })],
    );
    expect([[...fresh], [...movedFrom], [...movedTo]]).toEqual([[1], [1], [2]]);
  });
});
