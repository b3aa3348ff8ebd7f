import { expect, it } from 'vitest';
import { wholeLineEnd } from './lines';

it.each<readonly [string, number, number]>([
  ['ebb', 0, 3],
  ['ebb\nflood', 1, 3],
  ['ebb\nflood', 3, 3],
  ['ebb\nflood', 4, 9],
  ['ebb % low\n', 0, 9],
  ['', 0, 0],
])('the line of %j ends, from %i on, at %i', (text, at, end) => {
  expect(wholeLineEnd(text, at)).toBe(end);
});
