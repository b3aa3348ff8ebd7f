/** The finding nearest to the caret, the one behind it when two are equally near; null when there is none. */
export function nearestFinding<F extends { readonly from: number }>(
  findings: readonly F[],
  caret: number,
): F | null {
  let best: F | null = null;
  for (const finding of findings) {
    if (best === null || Math.abs(finding.from - caret) <= Math.abs(best.from - caret))
      best = finding;
  }
  return best;
}
