import { expect, it } from 'vitest';
import { sideText } from './sideText';

it.each([
  ['$2^{10} = 4$', 1, 6, '2^{10}'],
  ['$x = 4$', 1, 2, 'x'],
  ['$\\abs{x-3} = 4$', 1, 5, '\\abs{x-3}'],
  ['$\\frac{a}{b{c}} = 4$', 1, 6, '\\frac{a}{b{c}}'],
  ['$\\abs{x', 1, 5, '\\abs'],
  ['$\\{a\\} = 4$', 1, 5, '\\{a\\'],
  ['$a{b} = 1$', 1, 2, 'a'],
])('%s from %i to %i is %s', (text, from, to, wanted) => {
  expect(sideText(text, { from, to })).toBe(wanted);
});
