import { join } from 'node:path';
import { expect, it } from 'vitest';
import { SHEET } from '../testing';
import type { TypesetJob } from './job';
import { oncePerKey } from '../once';
import { threadTypesetter, TypesetBusy, TypesetTooMuch } from './typesetter';

const fonts = 'static/fonts';
const thread = join(process.cwd(), 'build-tools/typeset-thread.mjs');
const job = (text: string): TypesetJob => ({
  text,
  path: 'sheet.tex',
  title: 'x',
  today: { year: 2026, month: 3, day: 1 },
  files: [],
});

it('stops a document that takes too long, and goes on serving', async () => {
  const hasty = threadTypesetter(thread, fonts, { time: 1, memory: 512, atOnce: 1, waiting: 9 });
  await expect(hasty.typeset(job(SHEET))).rejects.toBeInstanceOf(TypesetTooMuch);
  expect((await threadTypesetter(thread, fonts).typeset(job(SHEET))).pages).toBe(1);
});

it('stops a document that takes too much memory', async () => {
  const small = threadTypesetter(thread, fonts, {
    time: 60_000,
    memory: 24,
    atOnce: 1,
    waiting: 9,
  });
  const text = SHEET.replace('Tides.', 'The tide and $x^2$ rise. '.repeat(60_000));
  await expect(small.typeset(job(text))).rejects.toBeInstanceOf(TypesetTooMuch);
});

it('typesets several at once, the others in their turn', async () => {
  const two = threadTypesetter(thread, fonts, { time: 60_000, memory: 512, atOnce: 2, waiting: 9 });
  const made = await Promise.all([1, 2, 3, 4, 5].map(() => two.typeset(job(SHEET))));
  expect(made.map(({ pages }) => pages)).toEqual([1, 1, 1, 1, 1]);
});

it('tells what the pages say and where, when it is asked to', async () => {
  const typesetter = threadTypesetter(thread, fonts);
  const made = await typesetter.typeset({ ...job(SHEET), pictures: true });
  const [page] = made.pictures;
  expect(page?.svg).toContain('<svg');
  const line = page?.lines.find(({ text }) => text === 'Tides.');
  expect(line?.y).toBeGreaterThan(60);
  expect(line?.height).toBeGreaterThan(5);
});

it('answers fifty asked for at once, or tells them to wait; then it goes on', async () => {
  const limits = { time: 60_000, memory: 512, atOnce: 2, waiting: 6 };
  const typesetter = threadTypesetter(thread, fonts, limits);
  const asked = await Promise.allSettled(
    Array.from({ length: 50 }, () => typesetter.typeset(job(SHEET))),
  );
  const made = asked.filter(({ status }) => status === 'fulfilled');
  expect(made).toHaveLength(limits.atOnce + limits.waiting);
  for (const one of asked)
    if (one.status === 'rejected') {
      expect(one.reason).toBeInstanceOf(TypesetBusy);
      expect(String(one.reason)).toMatch(/Ask for this one again/);
    }
  expect((await typesetter.typeset(job(SHEET))).pages).toBe(1);
});

it('work that is asked for by several at a time is done once, and anew afterwards', async () => {
  const once = oncePerKey();
  let done = 0;
  const work = async (): Promise<number> => {
    await new Promise((resolve) => setTimeout(resolve, 5));
    return ++done;
  };
  const both = Promise.all([once('a', work), once('a', work), once('b', work)]);
  expect(await both).toEqual([1, 1, 2]);
  expect(await once('a', work)).toBe(3);
  await expect(once('c', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
  expect(await once('c', work)).toBe(4);
});
