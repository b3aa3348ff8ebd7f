import { PT } from '../../../base/lengths';
import type { Point } from '../../../base/maps';
import { ellipse, polyline } from '../../../base/paths';

import type { Graphics } from '../graphics';
import { paintPath } from '../painting';
import { pen, placed, words, type Painter } from './frame';
import { placesFor, tickText, ticksOf } from './scale';

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
      pen(axis.outer, GRID),
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
    if (radius > 0 && radius < width / 2) circle(radius, pen(axis.outer, GRID));
    const label = settings.tickLabels[1]?.[distances.indexOf(distance)];
    const said = label ?? reading.it.source(`$${tickText(distance, placesFor(distances))}$`);
    if (distance < y.max) words(painter, g, said, at, 'north', settings.tickLabelStyle[1] ?? []);
  }
  if (!settings.hidden) circle(width / 2, pen(axis.outer));
  const [, nameY] = settings.labels;
  if (settings.title)
    words(painter, g, settings.title, { x: middle.x, y: corner.y + width + 16 * PT }, 'south');
  if (nameY) words(painter, g, nameY, { x: middle.x, y: corner.y - 16 * PT }, 'north');
}
