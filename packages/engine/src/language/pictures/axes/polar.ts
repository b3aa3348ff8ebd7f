import { PT } from '../../../base/lengths';
import { IDENTITY, type Point } from '../../../base/maps';
import { ellipse, polyline, rectangle } from '../../../base/paths';

import { freshPath, type Graphics } from '../graphics';
import { paintPath } from '../painting';
import { placed, words, type Painter } from './frame';
import { placesFor, tickText, ticksOf } from './scale';
import { mappedColour } from './surfaces';

const pen = (painter: Painter, change: Partial<Graphics> = {}): Graphics => {
  const fresh = freshPath({ ...painter.axis.outer, map: IDENTITY, colour: 0, lineWidth: 0.4 * PT });
  return { ...fresh, ...change, mode: { ...fresh.mode, draw: true } };
};

const GRID = { colour: 0xbfbfbf, lineWidth: 0.2 * PT };
/** Rays stand so far apart, degrees. */
const RAYS = 30;

/** Circles and rays, the angles around them, the distances along the level ray. */
export function drawPolarAxes(painter: Painter): void {
  const { axis, frame, reading, span } = painter;
  const { settings, outer } = axis;
  const { corner, width, y } = frame;
  const middle = { x: corner.x + width / 2, y: corner.y + width / 2 };
  const circle = (radius: number, g: Graphics): void =>
    paintPath(reading, g, ellipse(middle, radius, radius), span);
  const listed = settings.ticks[0];
  const angles = listed ?? Array.from({ length: 360 / RAYS }, (_, i) => i * RAYS);
  const distances = settings.ticks[1] ?? ticksOf('linear', y, width / 2 / PT, null);
  const outside = (angle: number, by: number): Point => {
    const edge = placed(frame, { x: angle, y: y.max });
    const far = 1 + by / (width / 2);
    return { x: middle.x + (edge.x - middle.x) * far, y: middle.y + (edge.y - middle.y) * far };
  };
  const g = { ...outer, colour: 0 };
  for (const angle of angles) {
    paintPath(
      reading,
      pen(painter, GRID),
      polyline([middle, placed(frame, { x: angle, y: y.max })]),
      span,
    );
    const label = settings.tickLabels[0]?.[angles.indexOf(angle)];
    const said = label ?? reading.it.source(`$${tickText(angle, 2)}$`);
    words(painter, g, said, outside(angle, 9 * PT), 'center', settings.tickLabelStyle[0] ?? []);
  }
  for (const distance of distances) {
    const at = placed(frame, { x: 0, y: distance });
    const radius = at.x - middle.x;
    if (radius > 0 && radius < width / 2) circle(radius, pen(painter, GRID));
    const label = settings.tickLabels[1]?.[distances.indexOf(distance)];
    const said = label ?? reading.it.source(`$${tickText(distance, placesFor(distances))}$`);
    if (distance < y.max) words(painter, g, said, at, 'north', settings.tickLabelStyle[1] ?? []);
  }
  if (!settings.hidden) circle(width / 2, pen(painter));
  const [, nameY] = settings.labels;
  if (settings.title)
    words(painter, g, settings.title, { x: middle.x, y: corner.y + width + 16 * PT }, 'south');
  if (nameY) words(painter, g, nameY, { x: middle.x, y: corner.y - 16 * PT }, 'north');
}

/** Width of a colour bar and its distance from the axis, pt (manual, section 4.10). */
const BAR = { width: 14.2, gap: 8.5 };
const STRIPES = 60;

/** The colours of the values, beside the axis. */
export function drawColourBar(painter: Painter): void {
  const { axis, frame, reading, span } = painter;
  const values = axis.plots
    .filter(({ three }) => three)
    .flatMap(({ points }) => points.map(({ z }) => z))
    .filter((z) => Number.isFinite(z));
  if (values.length === 0) return;
  const range = { min: Math.min(...values), max: Math.max(...values) };
  if (range.max <= range.min) return;
  const x = frame.corner.x + frame.width + BAR.gap * PT;
  const step = frame.height / STRIPES;
  for (let i = 0; i < STRIPES; i++) {
    const fresh = pen(painter);
    paintPath(
      reading,
      {
        ...fresh,
        fillColour: mappedColour((i + 0.5) / STRIPES),
        mode: { ...fresh.mode, draw: false, fill: true },
      },
      rectangle(x, frame.corner.y + i * step, BAR.width * PT, step),
      span,
    );
  }
  paintPath(
    reading,
    pen(painter),
    rectangle(x, frame.corner.y, BAR.width * PT, frame.height),
    span,
  );
  const ticks = ticksOf('linear', range, frame.height / PT, null);
  for (const tick of ticks) {
    const y = frame.corner.y + ((tick - range.min) / (range.max - range.min)) * frame.height;
    const at = { x: x + BAR.width * PT, y };
    words(
      painter,
      { ...axis.outer, colour: 0 },
      reading.it.source(`$${tickText(tick, placesFor(ticks))}$`),
      at,
      'west',
    );
  }
}
