import { join } from 'node:path';
import { expect, it } from 'vitest';
import { SHEET } from '../testing';
import type { TypesetJob } from './job';
import { threadTypesetter, TypesetTooMuch } from './typesetter';

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
  const hasty = threadTypesetter(thread, fonts, { time: 1, memory: 512, atOnce: 1 });
  await expect(hasty.typeset(job(SHEET))).rejects.toBeInstanceOf(TypesetTooMuch);
  expect((await threadTypesetter(thread, fonts).typeset(job(SHEET))).pages).toBe(1);
});

it('stops a document that takes too much memory', async () => {
  const small = threadTypesetter(thread, fonts, { time: 60_000, memory: 24, atOnce: 1 });
  const text = SHEET.replace('Tides.', 'The tide and $x^2$ rise. '.repeat(60_000));
  await expect(small.typeset(job(text))).rejects.toBeInstanceOf(TypesetTooMuch);
});

it('typesets several at once, the others in their turn', async () => {
  const two = threadTypesetter(thread, fonts, { time: 60_000, memory: 512, atOnce: 2 });
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
