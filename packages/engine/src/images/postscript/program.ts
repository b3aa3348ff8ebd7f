/**
 * The program within an encapsulated file: some stand behind a head of thirty bytes that tells where
 * they begin, with a preview behind them (EPSF specification, section 5.2).
 */
export function programOf(text: string): string {
  if (!text.startsWith('\xc5\xd0\xd3\xc6')) return text;
  const number = (at: number): number =>
    [3, 2, 1, 0].reduce((sum, i) => sum * 256 + text.charCodeAt(at + i), 0);
  return text.slice(number(4), number(4) + number(8));
}

/** Lower left and upper right corner of what is drawn, in big points, as the head or the end of the file says. */
export function boundingBox(program: string): readonly [number, number, number, number] | null {
  const hits = [
    ...program.matchAll(/^%%BoundingBox:\s*(-?[\d.]+)\s+(-?[\d.]+)\s+(-?[\d.]+)\s+(-?[\d.]+)/gm),
  ];
  const [, x0, y0, x1, y1] = (hits[0] ?? []).map(Number);
  if (x0 === undefined || y0 === undefined || x1 === undefined || y1 === undefined) return null;
  return x1 > x0 && y1 > y0 ? [x0, y0, x1, y1] : null;
}
