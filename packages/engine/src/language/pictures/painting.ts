import { PT } from '../../base/lengths';
import { IDENTITY, scaledTurned, type Point } from '../../base/maps';
import { boundsOf, pointOn, stretchesOf, type Path } from '../../base/paths';
import { filled, stroked, type Mark, type Stroke } from '../../document/drawing';
import { directionOn, lengthOn, parameterAt, shortened } from '../../drawing/curves';
import { decorated, isDecoration } from '../../drawing/decorations';
import { patternOver, PATTERN_LINE } from '../../drawing/patterns';
import { drawnTip, placedTip, type DrawnTip, type Tip } from '../../drawing/tips';
import { angleOf, minus, plus, times } from '../../drawing/vectors';
import type { Token } from '../../expansion/meaning';
import type { Reading } from './coordinates';
import { withKeys } from './keys';
import { faded, fadingFill, shading } from './shading';
import { TEXT_ALONG, textAlong } from './textAlong';
import { freshPath, GRAPHICS, type Along, type Graphics, type PathMark } from './graphics';
import type { Paint } from '../../base/paint';
import { addMarks, paintOf, TARGET, widenByPath, type Drawing } from './openPicture';

type Span = { readonly from: number; readonly to: number };

/** Paints a path as its state says: fills it, draws it with its tips, cuts off by it. */
export function paintPath(reading: Reading, g: Graphics, whole: Path, span: Span): void {
  if (whole.length === 0) return;
  for (const keys of g.mode.before) paintOnce(reading, besides(reading, g, keys), whole, span);
  paintOnce(reading, g, whole, span);
  for (const keys of g.mode.after) paintOnce(reading, besides(reading, g, keys), whole, span);
}

/** The state in which a path is painted besides: nothing is done with it but what the options say. */
const besides = (reading: Reading, g: Graphics, keys: readonly Token[]): Graphics =>
  withKeys(reading, { ...freshPath(g), startTips: [], endTips: [] }, keys);

function paintOnce(drawing: Reading, g: Graphics, whole: Path, span: Span): void {
  const { mode, decoration } = g;
  const { picture } = drawing;
  if (mode.decorate && decoration.name === MARKINGS) return markPath(drawing, g, whole, span);
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
  if (mode.decorate && decoration.name === TEXT_ALONG) {
    addMarks(drawing, textAlong(drawing, g, path, decoration), mode.behind);
    return;
  }
  if (mode.shade) marks.push(...shading(g, path, span));
  // What is shaded is not filled besides.
  if (mode.fill && !mode.shade) marks.push(...filledMarks(g, path, span));
  if (mode.pattern !== null) marks.push(patterned(g, mode.pattern, path, span));
  if (mode.draw) marks.push(...drawnLine(g, path, span));
  addMarks(drawing, marks, mode.behind);
  if (mode.clip) cutOff(drawing, path);
}

function filledMarks(g: Graphics, path: Path, span: Span): Mark[] {
  const paint = paintOf(g.fillColour, g);
  if (g.fading) return fadingFill(g, g.fading, paint, path, span);
  return [mark(path, { ...filled(faded(paint, g.fillOpacity)), evenOdd: g.evenOdd }, span)];
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
const decoratedPath = ({ mode, decoration }: Graphics, path: Path): Path =>
  mode.decorate && isDecoration(decoration.name)
    ? decorated(path, decoration.name, decoration)
    : path;

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
  const usual = paintOf(g.drawColour, g);
  let before = shorten;
  return tips.flatMap((tip) => {
    const pen = tip.colour ?? usual;
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
      fill: tip.fills ? faded(tip.ground ?? pen, g.drawOpacity) : null,
      stroke:
        tip.stroke > 0
          ? {
              ...strokeOf(g, tip.stroke, pen),
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

/** The decoration that puts tips and other things on a path, which itself is not painted by it. */
const MARKINGS = 'markings';
/** A path has no more marks than so many of one kind. */
const MOST_MARKS = 1000;

function markPath(reading: Reading, g: Graphics, path: Path, span: Span): void {
  const stretches = stretchesOf(path);
  const lengths = stretches.map(lengthOn);
  const total = lengths.reduce((sum, length) => sum + length, 0);
  for (const one of g.decoration.marks)
    for (const place of lengthsTo(one, total)) {
      let left = place;
      const i = lengths.findIndex((length, at) =>
        left <= length || at === lengths.length - 1 ? true : ((left -= length), false),
      );
      const stretch = stretches[i];
      if (!stretch) continue;
      const t = parameterAt(stretch, left);
      const [at, direction] = [pointOn(stretch, t), directionOn(stretch, t)];
      if (one.tips) addMarks(reading, tipsAt(g, one.tips, at, direction, span), g.mode.behind);
      else drawAt(reading, g, one.body, at, direction);
    }
}

/** How far along a path of a length the places of a mark lie, sp. */
function lengthsTo({ from, to, step }: PathMark, total: number): number[] {
  const far = ({ value, isLength }: Along): number => {
    const length = isLength ? value : value * total;
    return length < 0 ? total + length : length;
  };
  const start = far(from);
  if (!to || !step) return [start];
  const by = step.isLength ? step.value : step.value * total;
  if (!(by > 0)) return [start];
  const count = Math.min(MOST_MARKS, Math.floor((far(to) - start) / by + 1e-6) + 1);
  return Array.from({ length: Math.max(0, count) }, (_, i) => start + i * by);
}

/** Carries out the language of pictures at a place of a path, its first axis along it. */
function drawAt(
  { it }: Reading,
  g: Graphics,
  body: readonly Token[],
  at: Point,
  direction: Point,
): void {
  const turned = scaledTurned(1, 1, angleOf(direction));
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.write(GRAPHICS, {
    ...freshPath(g),
    startTips: [],
    endTips: [],
    map: { ...turned, e: at.x, f: at.y },
  });
  it.execute(body);
  it.closeGroup();
}

function tipsAt(
  g: Graphics,
  tips: readonly Tip[],
  place: Point,
  direction: Point,
  span: Span,
): Mark[] {
  return tipsFor(g, tips).map((tip) => {
    const at = plus(place, times(direction, tip.length / 2));
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
