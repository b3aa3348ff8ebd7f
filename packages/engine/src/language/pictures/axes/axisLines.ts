import { PT } from '../../../base/lengths';
import { polyline, rectangle } from '../../../base/paths';
import { plus } from '../../../drawing/vectors';
import { STANDARD_TIP, type Graphics } from '../graphics';
import { withKeys } from '../keys';
import { freshNode, setText } from '../nodes';
import { line, pen, words, type Painter } from './frame';
import { drawTicks, labelsOf, lineAt, ticksAlong } from './ticks';

/** The state of the lines of the axes, with what is said of them. */
const linePen = (
  { reading, axis }: Painter,
  which: 0 | 1,
  change: Partial<Graphics> = {},
): Graphics => withKeys(reading, pen(axis.outer, change), axis.settings.lineStyle[which] ?? []);

/** Box or lines with ticks and their labels, names of the axes and the title. */
export function drawAxes(painter: Painter): void {
  const { axis, frame } = painter;
  const { settings } = axis;
  const { corner, width, height } = frame;
  if (!settings.hidden) {
    const [lineX, lineY] = settings.lines;
    if (lineX === 'box' && lineY === 'box')
      line(painter, linePen(painter, 0), rectangle(corner.x, corner.y, width, height));
    else {
      drawLine(painter, 0);
      drawLine(painter, 1);
    }
    drawTicks(painter, 0);
    drawTicks(painter, 1);
  }
  drawNames(painter);
}

function drawLine(painter: Painter, which: 0 | 1): void {
  const { axis, frame } = painter;
  const { corner, width, height } = frame;
  const kind = axis.settings.lines[which];
  if (kind === 'none') return;
  const at = lineAt(painter, which);
  const start = which === 0 ? plus(corner, { x: 0, y: at }) : plus(corner, { x: at, y: 0 });
  const end = which === 0 ? plus(start, { x: width, y: 0 }) : plus(start, { x: 0, y: height });
  line(
    painter,
    linePen(painter, which, {
      endTips: kind === 'box' || axis.settings.bare[which] ? [] : [STANDARD_TIP],
    }),
    polyline([start, end]),
  );
  if (kind === 'box')
    line(
      painter,
      linePen(painter, which),
      polyline([
        plus(start, which === 0 ? { x: 0, y: height } : { x: width, y: 0 }),
        plus(end, which === 0 ? { x: 0, y: height } : { x: width, y: 0 }),
      ]),
    );
}

/** Names of the axes and the title. */
function drawNames(painter: Painter): void {
  const { axis, frame } = painter;
  const { settings, outer } = axis;
  const { corner, width, height } = frame;
  const g = { ...outer, colour: 0 };
  const [nameX, nameY] = settings.labels;
  const [styleX = [], styleY = []] = settings.labelStyle;
  const middle = settings.lines.map((kind) => kind === 'middle');
  const below = settings.nearLabels ? roomOfTicks(painter, 0) : 15 * PT;
  if (nameX)
    if (middle[0])
      words(
        painter,
        g,
        nameX,
        plus(corner, { x: width, y: lineAt(painter, 0) }),
        'south east',
        styleX,
      );
    else
      words(
        painter,
        g,
        nameX,
        plus(corner, { x: width / 2, y: lineAt(painter, 0) - below }),
        'north',
        styleX,
      );
  if (nameY)
    if (middle[1])
      words(
        painter,
        g,
        nameY,
        plus(corner, { x: lineAt(painter, 1), y: height }),
        'north west',
        styleY,
      );
    else {
      const turned = [...painter.reading.it.source('rotate=90,'), ...styleY];
      const far = settings.nearLabels ? roomOfTicks(painter, 1) : 35 * PT;
      const isRight = settings.lines[1] === 'right';
      const anchor = settings.nearLabels ? (isRight ? 'north' : 'south') : 'center';
      words(
        painter,
        g,
        nameY,
        plus(corner, { x: isRight ? width + far : -far, y: height / 2 }),
        anchor,
        turned,
      );
    }
  if (settings.title)
    words(
      painter,
      g,
      settings.title,
      plus(corner, { x: width / 2, y: height + 6 * PT }),
      'south',
      settings.titleStyle,
    );
}

/** How far the labels of an axis reach from it, the room around them counted. */
function roomOfTicks(painter: Painter, which: 0 | 1): number {
  const { texts } = labelsOf(painter, which, ticksAlong(painter, which));
  const { reading, axis } = painter;
  const g = freshNode(axis.outer);
  const sizes = texts.map((tokens) => {
    const { width, height, depth } = setText(reading, g, tokens);
    return which === 0 ? height + depth : width;
  });
  return Math.max(0, ...sizes) + 2 * (which === 0 ? g.node.innerY : g.node.innerX);
}
