import type { Finding } from './finding';

/** What is told of arithmetic whose sides, of numbers alone, do not agree. */
export const ARITHMETIC = {
  severity: 'advice',
  message: 'The left side is <left>, the right side <right>.',
  cause: 'Only numbers stand here, so both sides were worked out.',
} as const;

/** The finding on such a step, with places in its file. */
export const arithmeticFinding = (
  file: string,
  from: number,
  to: number,
  [left, right]: readonly [string, string],
): Finding => ({
  kind: 'arithmetic-differs',
  file,
  from,
  to,
  ...ARITHMETIC,
  message: ARITHMETIC.message.replace('<left>', left).replace('<right>', right),
});
