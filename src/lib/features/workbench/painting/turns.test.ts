import { expect, it } from 'vitest';
import { turns } from './turns';

it('gives each who asks a turn, in the order of asking', async () => {
  const turn = turns();
  const done: number[] = [];
  await Promise.all([0, 1, 2].map((n) => turn().then(() => done.push(n))));
  expect(done).toEqual([0, 1, 2]);
  await turn();
});
