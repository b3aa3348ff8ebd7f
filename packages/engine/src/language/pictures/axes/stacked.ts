import type { OpenAxis, Plot } from './axis';

/** The plots of an axis, each on top of those before it where it stacks them. */
export const asStacked = ({ plots, settings }: OpenAxis): readonly Plot[] =>
  settings.stacked ? stacked(plots) : plots;

/** Each plot on top of those before it. */
function stacked(plots: readonly Plot[]): readonly Plot[] {
  const sums = new Map<number, number>();
  return plots.map((plot) => ({
    ...plot,
    points: plot.points.map((point) => {
      const below = sums.get(point.x) ?? 0;
      sums.set(point.x, below + point.y);
      return { ...point, y: below + point.y, z: below };
    }),
  }));
}
