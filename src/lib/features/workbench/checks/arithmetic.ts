import type { ToldStep } from '@odd-compass/checks';
import type { Finding } from '@odd-compass/engine';
import { arithmeticFinding } from '@odd-compass/engine/arithmetic';

/** Findings with what arithmetic got wrong among them, in the order of the text. */
export function withArithmetic(
  findings: readonly Finding[],
  wrong: readonly ToldStep[],
  path: string,
): readonly Finding[] {
  if (wrong.length === 0) return findings;
  const told = wrong.map(({ left, right, sides }) =>
    arithmeticFinding(path, left.from, right.to, sides ?? ['', '']),
  );
  return [...findings, ...told].sort((a, b) => a.from - b.from);
}
