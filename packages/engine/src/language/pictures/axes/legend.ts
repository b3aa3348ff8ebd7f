import { PT } from '../../../base/lengths';
import { IDENTITY, type Point } from '../../../base/maps';
import { polyline, rectangle } from '../../../base/paths';
import { plus } from '../../../drawing/vectors';
import { freshPath, type Graphics } from '../graphics';
import { withKeys } from '../keys';
import { freshNode, newSaying, setNode, setText } from '../nodes';
import { paintPath } from '../painting';
import { plotMarks } from '../plots';
import type { Painter } from './frame';

/** A line of a plot in the legend is so long, and stands so far from its words and from the edge, pt. */
const SAMPLE = 0.6 * 28.45276;
const PAD = 3;

/** Words less wide than the others stand at this share of what is spare. */
const ALIGNED = { left: 0, center: 0.5, right: 1 } as const;

/** Where a legend stands: an anchor of its own, at shares of the axis. */
const PLACES: Readonly<Record<string, readonly [x: number, y: number, anchor: string]>> = {
  'north east': [0.98, 0.98, 'north east'],
  'north west': [0.02, 0.98, 'north west'],
  'south east': [0.98, 0.02, 'south east'],
  'south west': [0.02, 0.02, 'south west'],
  'outer north east': [1.03, 1, 'north west'],
};

/** Draws the legend: for each plot that has words its line, and the words. */
export function drawLegend(painter: Painter): void {
  const { axis, reading, span } = painter;
  const { settings, outer } = axis;
  const said = axis.legend.length > 0 ? axis.legend : settings.entries;
  const entries = settings.legendReversed ? [...said].reverse() : said;
  const shown = axis.images.slice(0, entries.length);
  const images = settings.legendReversed ? shown.reverse() : shown;
  if (entries.length === 0) return;
  const look = withKeys(
    reading,
    { ...freshNode({ ...outer, colour: 0 }), map: IDENTITY },
    settings.legendStyle,
    newSaying(),
  );
  const texts = entries.map((tokens) => setText(reading, look, tokens));
  const columns =
    settings.legendColumns < 1
      ? entries.length
      : Math.min(entries.length, Math.max(1, settings.legendColumns));
  const rows = Math.ceil(entries.length / columns);
  const rowHeight = Math.max(...texts.map(({ height, depth }) => height + depth), 8 * PT) + 3 * PT;
  const widest = Math.max(...texts.map(({ width }) => width));
  const column = widest + (SAMPLE + 4 * PAD) * PT;
  const [width, height] = [columns * column, rows * rowHeight + 2 * PT];
  const corner = legendCorner(painter, width, height);
  const box = freshPath({ ...outer, map: IDENTITY, colour: 0 });
  const drawn = !/draw\s*=\s*none/.test(settings.legendStyle.map((t) => t.text).join(''));
  paintPath(
    reading,
    { ...box, fillColour: 0xffffff, mode: { ...box.mode, draw: drawn, fill: true } },
    rectangle(corner.x, corner.y, width, height),
    span,
  );
  texts.forEach((text, i) => {
    const [c, r] = [i % columns, Math.floor(i / columns)];
    const middle = {
      x: corner.x + c * column + PAD * PT,
      y: corner.y + height - PT - (r + 0.5) * rowHeight,
    };
    const image = images[i];
    if (image) drawSample(painter, image.g, image.form, middle);
    const spare = (widest - text.width) * ALIGNED[settings.legendAlign];
    const at = plus(middle, { x: (SAMPLE + PAD) * PT + spare, y: 0 });
    const words: Graphics = {
      ...look,
      mode: { ...look.mode, draw: false, fill: false },
      node: { ...look.node, anchor: 'mid west', innerX: 0, innerY: 0 },
    };
    setNode(reading, words, newSaying(), text, at, null, span);
  });
}

function legendCorner({ axis, frame }: Painter, width: number, height: number): Point {
  const { settings } = axis;
  const style = settings.legendStyle.map((t) => t.text).join('');
  const asked = /at=\{?\(([-\d.]+),([-\d.]+)\)/.exec(style);
  const named = /anchor=([a-z ]+)/.exec(style)?.[1]?.trim();
  const [x, y, anchor] = PLACES[settings.legendPlace] ?? PLACES['north east'] ?? [0, 0, ''];
  const at = asked ? { x: Number(asked[1]), y: Number(asked[2]) } : { x, y };
  const from = named ?? (asked ? 'center' : anchor);
  const left = /west/.test(from) ? 0 : /east/.test(from) ? width : width / 2;
  const low = /south/.test(from) ? 0 : /north/.test(from) ? height : height / 2;
  return {
    x: frame.corner.x + at.x * frame.width - left,
    y: frame.corner.y + at.y * frame.height - low,
  };
}

function drawSample({ reading, span }: Painter, g: Graphics, form: string, middle: Point): void {
  const state = {
    ...g,
    map: IDENTITY,
    startTips: [],
    endTips: [],
    mode: { ...g.mode, named: null },
  };
  const end = plus(middle, { x: SAMPLE * PT, y: 0 });
  if (form === 'ybar' || form === 'xbar' || form === 'fill') {
    const fill = {
      ...state,
      mode: { ...state.mode, fill: state.mode.fill || state.fillColour !== null },
    };
    return paintPath(
      reading,
      fill,
      rectangle(middle.x + 4 * PT, middle.y - 3 * PT, 8 * PT, 6 * PT),
      span,
    );
  }
  if (!g.plot.onlyMarks)
    paintPath(
      reading,
      { ...state, mode: { ...state.mode, fill: false } },
      polyline([middle, end]),
      span,
    );
  plotMarks(reading, state, [{ x: (middle.x + end.x) / 2, y: middle.y }], span);
}
