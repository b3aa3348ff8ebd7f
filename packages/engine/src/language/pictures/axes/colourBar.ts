import { PT } from '../../../base/lengths';
import { rectangle } from '../../../base/paths';
import { paintPath } from '../painting';
import { pen, words, type Painter } from './frame';
import { placesFor, tickText, ticksOf } from './scale';
import { mappedColour } from './colourMaps';
import { numberOf } from './scatter';

/** Width of a colour bar and its distance from the axis, pt (manual, section 4.10). */
const BAR = { width: 14.2, gap: 8.5 };
const STRIPES = 60;

/** The colours of the values, beside the axis. */
export function drawColourBar(painter: Painter): void {
  const { axis, frame, reading, span } = painter;
  const values = axis.plots
    .flatMap(({ scatter, three, points }) =>
      points.map((point) => (scatter ? numberOf(scatter, point) : three ? point.z : NaN)),
    )
    .filter((z) => Number.isFinite(z));
  if (values.length === 0) return;
  const range = { min: Math.min(...values), max: Math.max(...values) };
  if (range.max <= range.min) return;
  const x = frame.corner.x + frame.width + BAR.gap * PT;
  const step = frame.height / STRIPES;
  for (let i = 0; i < STRIPES; i++) {
    const fresh = pen(axis.outer);
    paintPath(
      reading,
      {
        ...fresh,
        fillColour: mappedColour(axis.settings.colours, (i + 0.5) / STRIPES),
        mode: { ...fresh.mode, draw: false, fill: true },
      },
      rectangle(x, frame.corner.y + i * step, BAR.width * PT, step),
      span,
    );
  }
  paintPath(
    reading,
    pen(axis.outer),
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
