import type { OpenAxis, Plot } from './axis';

/** The plots of an axis, each on top of those before it where it stacks them. */
export const asStacked = ({ plots, settings }: OpenAxis): readonly Plot[] =>
  settings.stacked ? stacked(plots, settings.bars === 'xbar') : plots;

/** Each plot on top of those before it. */
function stacked(plots: readonly Plot[], across: boolean): readonly Plot[] {
  const sums = new Map<number, number>();
  return plots.map((plot) => ({
    ...plot,
    points: plot.points.map((point) => {
      const [place, size] = across ? [point.y, point.x] : [point.x, point.y];
      const below = sums.get(place) ?? 0;
      sums.set(place, below + size);
      return { ...point, [across ? 'x' : 'y']: below + size, z: below };
    }),
  }));
}
