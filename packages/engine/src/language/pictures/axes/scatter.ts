import { blended } from '../../../base/paint';
import type { Token } from '../../../expansion/meaning';
import { tokensText } from '../../../expansion/tokenText';
import type { Interpreter } from '../../machine/interpreter';
import { withKeys } from '../keys';
import { plotMarks } from '../plots';
import { bare, wordsOf } from '../words';
import type { Reading } from '../coordinates';
import type { DataPoint, LegendImage, Plot } from './axis';
import { mappedColour } from './colourMaps';
import { placed, type Painter } from './frame';
import { optionsIn } from './optionPaths';

/** What the colours of the marks of a plot go by (pgfplots manual, section 4.5.11: `scatter`). */
export interface Scatter {
  readonly source: 'x' | 'y' | 'z' | 'explicit';
  /** Looks by what is said of a point behind its coordinates; empty where its number has a colour. */
  readonly classes: ReadonlyMap<string, readonly Token[]>;
}

/** What options ask for; null where they ask for nothing. */
export function scatterIn(it: Interpreter, options: readonly Token[]): Scatter | null {
  let source: Scatter['source'] = 'y';
  let isAsked = false;
  let classes: Scatter['classes'] = new Map();
  for (const [name, value] of optionsIn(it, options)) {
    const said = bare(wordsOf(it, value)).trim();
    if (name === 'scatter') isAsked = said !== 'false';
    else if (name === 'scatter src' || name === 'point meta')
      source = /^explicit/.test(said) ? 'explicit' : said === 'x' || said === 'z' ? said : 'y';
    else if (name === 'scatter/classes') classes = new Map(optionsIn(it, value));
  }
  return isAsked ? { source, classes } : null;
}

export const numberOf = ({ source }: Scatter, point: DataPoint): number =>
  source === 'explicit' ? Number(tokensText(point.meta ?? [])) : point[source];

/** Draws the marks of a plot one by one: each as its class says, or in the colour of its number. */
export function drawScatter(painter: Painter, plot: Plot, points: readonly DataPoint[]): void {
  const { scatter } = plot;
  if (!scatter) return;
  const { reading, frame, axis, span } = painter;
  const numbers = plot.points.map((point) => numberOf(scatter, point)).filter(Number.isFinite);
  const [least, most] = [Math.min(...numbers), Math.max(...numbers)];
  for (const point of points) {
    const at = [placed(frame, point)];
    const style = scatter.classes.get(tokensText(point.meta ?? []).trim());
    if (scatter.classes.size > 0) {
      plotMarks(reading, style ? withKeys(reading, plot.g, style) : plot.g, at, span);
      continue;
    }
    const share = most > least ? (numberOf(scatter, point) - least) / (most - least) : 0.5;
    const colour = mappedColour(axis.settings.colours, Number.isFinite(share) ? share : 0);
    // `draw=mapped color!80!black, fill=mapped color`
    const markLook = [...plot.g.plot.markLook, ...reading.it.p.chars(',solid')];
    const look = { drawColour: blended(colour, 0, 0.8), fillColour: colour };
    plotMarks(reading, { ...plot.g, ...look, plot: { ...plot.g.plot, markLook } }, at, span);
  }
}

/** The pictures of a plot in the legend: one, or one for each class of its marks. */
export function legendImages(reading: Reading, plot: Plot): LegendImage[] {
  const classes = [...(plot.scatter?.classes.values() ?? [])];
  return classes.length === 0
    ? [plot]
    : classes.map((style) => ({ g: withKeys(reading, plot.g, style), form: plot.form }));
}
