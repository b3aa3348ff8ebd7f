import { PT } from '../../base/lengths';
import { IDENTITY } from '../../base/maps';
import { boundsOf, pointOn, stretchesOf, type Path } from '../../base/paths';
import { filled, stroked, type Mark, type Stroke } from '../../document/drawing';
import { directionOn, lengthOn, parameterAt, shortened } from '../../drawing/curves';
import { decorated, isDecoration } from '../../drawing/decorations';
import { patternOver, PATTERN_LINE } from '../../drawing/patterns';
import { drawnTip, placedTip, type DrawnTip, type Tip } from '../../drawing/tips';
import { minus, plus, times } from '../../drawing/vectors';
import { faded, shading } from './shading';
import { TEXT_ALONG, textAlong } from './textAlong';
import type { Graphics, PathMark } from './graphics';
import type { Paint } from '../../base/paint';
import { addMarks, paintOf, TARGET, widenByPath, type Drawing } from './openPicture';

type Span = { readonly from: number; readonly to: number };

/** Paints a path as its state says: fills it, draws it with its tips, cuts off by it. */
export function paintPath(drawing: Drawing, g: Graphics, whole: Path, span: Span): void {
  const { mode } = g;
  const { picture } = drawing;
  if (whole.length === 0) return;
  const path = decoratedPath(g, whole);
  picture.lastPath = path;
  if (mode.named !== null) picture.paths.set(mode.named, path);
  const edge = mode.draw ? g.lineWidth / 2 : 0;
  widenByPath(drawing, path, edge, mode.overlay);
  if (mode.asBounds) {
    picture.bounds = boundsOf(path);
    picture.boundsAreSet = true;
  }
  const marks: Mark[] = [];
  if (mode.decorate?.name === TEXT_ALONG) {
    addMarks(drawing, textAlong(drawing, g, path, mode.decorate), mode.behind);
    return;
  }
  if (mode.shade) marks.push(...shading(g, path, span));
  // What is shaded is not filled besides.
  if (mode.fill && !mode.shade)
    marks.push(
      mark(
        path,
        { ...filled(faded(paintOf(g.fillColour, g), g.fillOpacity)), evenOdd: g.evenOdd },
        span,
      ),
    );
  if (mode.pattern !== null) marks.push(patterned(g, mode.pattern, path, span));
  if (mode.draw) marks.push(...drawnLine(g, path, span));
  for (const one of mode.marks) marks.push(...markOnPath(g, path, one, span));
  addMarks(drawing, marks, mode.behind);
  if (mode.clip) cutOff(drawing, path);
}

const mark = (
  path: Path,
  style: Extract<Mark, { kind: 'path' }>['style'],
  { from, to }: Span,
): Mark => ({
  kind: 'path',
  path,
  style,
  from,
  to,
});
function decoratedPath({ mode }: Graphics, path: Path): Path {
  const { decorate } = mode;
  return decorate && isDecoration(decorate.name) ? decorated(path, decorate.name, decorate) : path;
}

/** What is drawn from here to the end of the group lies within the path. */
function cutOff(drawing: Drawing, path: Path): void {
  const marks: Mark[] = [];
  addMarks(drawing, [{ kind: 'group', marks, map: IDENTITY, clip: path }], false);
  drawing.it.write(TARGET, marks);
}

function strokeOf(g: Graphics, width: number, paint: Paint): Stroke {
  const { cap, join, miterLimit, dash, dashPhase } = g;
  return { paint: faded(paint, g.drawOpacity), width, cap, join, miterLimit, dash, dashPhase };
}

/** The line, its tips at the ends of its first and last piece, drawn twice when it is double. */
function drawnLine(g: Graphics, path: Path, span: Span): Mark[] {
  const paint = paintOf(g.drawColour, g);
  const open = path.at(-1)?.kind !== 'close';
  const start = open ? tipsFor(g, g.startTips) : [];
  const end = open ? tipsFor(g, g.endTips) : [];
  const line = open
    ? shortened(path, backOf(start) + g.shortenStart, backOf(end) + g.shortenEnd)
    : path;
  const width = g.double === null ? g.lineWidth : 2 * g.lineWidth + g.double;
  const strokes = [mark(line, stroked(strokeOf(g, width, paint)), span)];
  if (g.double !== null)
    strokes.push(mark(line, stroked(strokeOf(g, g.double, g.doubleColour)), span));
  const tipMarks = [
    ...placedTips(g, path, start, g.shortenStart, true, span),
    ...placedTips(g, path, end, g.shortenEnd, false, span),
  ];
  return [...strokes, ...tipMarks];
}

/** The tips as they are, `>` being what it stands for now. */
function tipsFor(g: Graphics, tips: readonly Tip[]): DrawnTip[] {
  return tips.map((tip) =>
    drawnTip(
      tip.standard ? { ...g.tip, reversed: g.tip.reversed !== tip.reversed } : tip,
      g.lineWidth,
    ),
  );
}
/** How far before its end a line with these tips ends. */
const backOf = (tips: readonly DrawnTip[]): number =>
  tips.reduce((sum, tip, i) => sum + (i === tips.length - 1 ? tip.back : tip.length), 0);

function placedTips(
  g: Graphics,
  path: Path,
  tips: readonly DrawnTip[],
  shorten: number,
  atStart: boolean,
  span: Span,
): Mark[] {
  const stretches = stretchesOf(path);
  const stretch = atStart ? stretches[0] : stretches.at(-1);
  if (!stretch || tips.length === 0) return [];
  const length = lengthOn(stretch);
  const paint = faded(paintOf(g.drawColour, g), g.drawOpacity);
  let before = shorten;
  return tips.flatMap((tip) => {
    const end = parameterAt(stretch, atStart ? before : length - before);
    const foot = parameterAt(stretch, atStart ? before + tip.back : length - before - tip.back);
    const at = pointOn(stretch, end);
    const chord = minus(at, pointOn(stretch, foot));
    const tangent = times(directionOn(stretch, atStart ? 0 : 1), atStart ? -1 : 1);
    // On a curve a tip looks from where the line ends to its own point.
    const direction = Math.hypot(chord.x, chord.y) > 1 && tip.back > 0 ? chord : tangent;
    before += tip.length;
    const placed = placedTip(tip.path, at, direction);
    const style = {
      fill: tip.fills ? paint : null,
      stroke:
        tip.stroke > 0
          ? {
              ...strokeOf(g, tip.stroke, paintOf(g.drawColour, g)),
              dash: [],
              cap: tip.cap,
              join: 'round' as const,
            }
          : null,
      evenOdd: false,
    };
    return [mark(placed, style, span)];
  });
}

/** Tips somewhere on a path (the decoration “markings”). */
function markOnPath(g: Graphics, path: Path, { position, tips }: PathMark, span: Span): Mark[] {
  if (!tips) return [];
  const stretches = stretchesOf(path);
  const lengths = stretches.map(lengthOn);
  const total = lengths.reduce((sum, length) => sum + length, 0);
  let left = position < 0 ? total + position : position * total;
  const i = lengths.findIndex((length, at) =>
    left <= length || at === lengths.length - 1 ? true : ((left -= length), false),
  );
  const stretch = stretches[i];
  if (!stretch) return [];
  const t = parameterAt(stretch, left);
  const direction = directionOn(stretch, t);
  return tipsFor(g, tips).map((tip) => {
    const at = plus(pointOn(stretch, t), times(direction, tip.length / 2));
    const paint = faded(paintOf(g.drawColour, g), g.drawOpacity);
    const stroke =
      tip.stroke > 0 ? { ...strokeOf(g, tip.stroke, paint), cap: tip.cap, dash: [] } : null;
    return mark(
      placedTip(tip.path, at, direction),
      { fill: tip.fills ? paint : null, stroke, evenOdd: false },
      span,
    );
  });
}

function patterned(g: Graphics, name: string, path: Path, span: Span): Mark {
  const { path: lines, fills } = patternOver(name, boundsOf(path), PT);
  const paint = faded(g.patternColour, g.fillOpacity);
  const style = fills
    ? filled(paint)
    : stroked({ ...strokeOf(g, PATTERN_LINE * PT, paint), dash: [] });
  return { kind: 'group', marks: [mark(lines, style, span)], map: IDENTITY, clip: path };
}
