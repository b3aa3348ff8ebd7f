import { PT, type Sp } from '../../../base/lengths';
import type { Point } from '../../../base/maps';
import type { Paint } from '../../../base/paint';
import { polyline } from '../../../base/paths';
import { plus } from '../../../drawing/vectors';
import type { Token } from '../../../expansion/meaning';
import type { Graphics } from '../graphics';
import { withKeys } from '../keys';
import { line, pen, words, type Painter } from './frame';
import { dateLabel } from './dates';
import { formatFrom, numberText } from './numberFormat';
import { betweenPowers, commonPower, onAxis, placesFor, ticksOf, tickText } from './scale';

const GRAY = 0x808080;

/** The places of the ticks along an axis, in its own numbers. */
export function ticksAlong({ axis, frame }: Painter, which: 0 | 1): readonly number[] {
  const { settings } = axis;
  const [range, length] = which === 0 ? [frame.x, frame.width] : [frame.y, frame.height];
  const listed = settings.ticks[which];
  if (listed)
    return listed
      .map((tick) => onAxis(frame.mode[which], tick))
      .filter((tick) => tick >= range.min - 1e-9 && tick <= range.max + 1e-9);
  const symbols = settings.symbols[which];
  if (symbols) return symbols.map((_, i) => i).filter((i) => i >= range.min && i <= range.max);
  const basis = settings.logBasis[which] ?? 10;
  if (frame.mode[which] === 'log' && basis !== 10) {
    const unit = Math.log10(basis);
    const within = { min: range.min / unit, max: range.max / unit };
    return ticksOf('log', within, length / PT, null).map((tick) => tick * unit);
  }
  return ticksOf(frame.mode[which], range, length / PT, settings.tickDistance[which] ?? null);
}

/** A place along an axis, from its lower left corner, sp. */
const along = ({ frame }: Painter, which: 0 | 1, value: number): number => {
  const range = which === 0 ? frame.x : frame.y;
  const length = which === 0 ? frame.width : frame.height;
  const share = (value - range.min) / (range.max - range.min);
  return (frame.reverse[which] ? 1 - share : share) * length;
};

/** Lines of the grid behind the plots. */
export function drawGrid(painter: Painter): void {
  const { axis, frame } = painter;
  const { outer, settings } = axis;
  const { corner, width, height } = frame;
  const look = (colour: Paint, lineWidth: Sp, own: readonly Token[]): Graphics => {
    const plain = pen(outer, { colour, lineWidth });
    return withKeys(painter.reading, withKeys(painter.reading, plain, settings.gridStyle), own);
  };
  const main = look(0xbfbfbf, 0.2 * PT, settings.majorGridStyle);
  const between = look(0xd9d9d9, 0.1 * PT, settings.minorGridStyle);
  for (const which of [0, 1] as const) {
    const kind = settings.grid[which] ?? 'none';
    const extraStyle = (settings.extraStyle[which] ?? []).map(({ text }) => text).join('');
    const draw = (value: number, thin: boolean): void => {
      const at = along(painter, which, value);
      const from =
        which === 0 ? { x: corner.x + at, y: corner.y } : { x: corner.x, y: corner.y + at };
      const to =
        which === 0 ? { x: from.x, y: corner.y + height } : { x: corner.x + width, y: from.y };
      line(painter, thin ? between : main, polyline([from, to]));
    };
    const ticks = ticksAlong(painter, which);
    if (/grid(?:=(?:major|both))?(?:,|$)/.test(extraStyle.replace(/\s/g, '')))
      for (const tick of settings.extraTicks[which] ?? []) draw(tick, false);
    if (kind === 'none') continue;
    if (kind === 'both')
      for (const tick of minorTicks(painter, which, Math.max(1, settings.minorTicks[which] ?? 1)))
        draw(tick, true);
    for (const tick of ticks) draw(tick, false);
  }
}

function minorTicks(painter: Painter, which: 0 | 1, count: number): number[] {
  const ticks = ticksAlong(painter, which);
  const range = which === 0 ? painter.frame.x : painter.frame.y;
  if (painter.frame.mode[which] === 'log') return betweenPowers(ticks, range);
  const step = (ticks[1] ?? 0) - (ticks[0] ?? 0);
  if (ticks.length < 2 || count === 0) return [];
  const all = [(ticks[0] ?? 0) - step, ...ticks];
  return all
    .flatMap((tick) =>
      Array.from({ length: count }, (_, i) => tick + (step * (i + 1)) / (count + 1)),
    )
    .filter((at) => at >= range.min && at <= range.max);
}

/** Ticks and their labels along an axis. */
export function drawTicks(painter: Painter, which: 0 | 1): void {
  const { axis, frame, reading } = painter;
  const { settings, outer } = axis;
  const { corner } = frame;
  const kind = settings.lines[which];
  if (kind === 'none') return;
  const base = lineAt(painter, which);
  const ticks = ticksAlong(painter, which);
  const marks = (values: readonly number[], size: number): void => {
    for (const value of values) {
      const at = along(painter, which, value);
      const foot =
        which === 0 ? plus(corner, { x: at, y: base }) : plus(corner, { x: base, y: at });
      const side = kind === 'right' ? -1 : 1;
      const inward = (by: number): Point =>
        which === 0 ? { x: 0, y: side * by } : { x: side * by, y: 0 };
      const style = withKeys(
        reading,
        pen(outer, { colour: GRAY, lineWidth: 0.2 * PT }),
        settings.tickStyle,
      );
      const [inside, outside] =
        kind === 'middle' || settings.tickAlign === 'center'
          ? [size / 2, size / 2]
          : settings.tickAlign === 'outside'
            ? [0, size]
            : [size, 0];
      const sides = settings.tickSides[which] ?? 'both';
      if (kind !== 'box' || sides !== 'second')
        line(painter, style, polyline([plus(foot, inward(-outside)), plus(foot, inward(inside))]));
      if (kind !== 'box' || sides === 'first') continue;
      const far = which === 0 ? { x: 0, y: frame.height } : { x: frame.width, y: 0 };
      const head = plus(foot, far);
      line(painter, style, polyline([plus(head, inward(outside)), plus(head, inward(-inside))]));
    }
  };
  const [main, minor] = settings.tickLength;
  marks(ticks, main);
  marks(minorTicks(painter, which, settings.minorTicks[which] ?? 0), minor);
  const extra = settings.extraTicks[which] ?? [];
  marks(extra, main);
  const own = labelsOf(painter, which, ticks);
  const besides = settings.extraLabels[which] ?? labelsOf(painter, which, extra).texts;
  const labels = {
    power: own.power,
    texts: [...ticks.map((_, i) => own.texts[i] ?? []), ...besides],
  };
  const values = [...ticks, ...extra];
  const style = formatOf(painter, which).rest;
  const anchor =
    which === 0 ? (kind === 'right' ? 'south' : 'north') : kind === 'right' ? 'west' : 'east';
  labels.texts.forEach((tokens, i) => {
    const value = values[i];
    if (value === undefined || tokens.length === 0) return;
    // Where both lines cross, zero would stand on one of them.
    if (
      i < ticks.length &&
      kind === 'middle' &&
      settings.tickLabels[which] === null &&
      Math.abs(value) < 1e-9 &&
      settings.ticks[which] === null
    )
      return;
    const at = along(painter, which, value);
    const foot = which === 0 ? plus(corner, { x: at, y: base }) : plus(corner, { x: base, y: at });
    words(painter, { ...outer, colour: 0 }, tokens, foot, anchor, style);
  });
  if (labels.power !== 0) {
    const at =
      which === 0
        ? plus(corner, { x: frame.width, y: base - 14 * PT })
        : plus(corner, { x: base, y: frame.height });
    words(
      painter,
      { ...outer, colour: 0 },
      reading.it.source(`$\\cdot10^{${labels.power}}$`),
      at,
      which === 0 ? 'north east' : 'south west',
    );
  }
}

/** The labels of ticks: those that are listed, names, powers of ten, or numbers. */
export function labelsOf(painter: Painter, which: 0 | 1, ticks: readonly number[]) {
  const { axis, frame, reading } = painter;
  const { settings } = axis;
  const { it } = reading;
  const listed = settings.tickLabels[which];
  if (listed) return { texts: listed, power: 0 };
  const symbols = settings.symbols[which];
  if (symbols)
    return { texts: ticks.map((tick) => it.p.chars(symbols[Math.round(tick)] ?? '')), power: 0 };
  if (frame.mode[which] === 'log' && settings.fixedPoint)
    return {
      texts: ticks.map((tick) => it.source(`$${tickText(10 ** tick, 6)}$`)),
      power: 0,
    };
  const basis = settings.logBasis[which] ?? 10;
  if (frame.mode[which] === 'log') {
    const exponent = (tick: number): number => Number((tick / Math.log10(basis)).toFixed(2));
    return { texts: ticks.map((tick) => it.source(`$${basis}^{${exponent(tick)}}$`)), power: 0 };
  }
  const code = settings.tickCode[which];
  if (settings.dates[which])
    return { texts: ticks.map((tick) => dateLabel(it, tick, code ?? null)), power: 0 };
  if (code) return { texts: ticks.map((tick, i) => coded(painter, code, tick, i)), power: 0 };
  const { format } = formatOf(painter, which);
  const plain = format.form === 'plain';
  const power = settings.scaledTicks[which] === false || !plain ? 0 : commonPower(ticks);
  const shown = ticks.map((tick) => tick / Math.pow(10, power));
  const places = placesFor(shown);
  return {
    texts: shown.map((tick) => it.source(`$${numberText(tick, places, format)}$`)),
    power,
  };
}

/** How the numbers at an axis are written, and the style of its labels besides. */
const formatOf = ({ axis: { settings }, reading }: Painter, which: 0 | 1) =>
  formatFrom(reading.it, settings.numberFormat, settings.tickLabelStyle[which] ?? []);

/** What a document writes at each tick, in terms of `\\tick`. */
const coded = (
  { reading: { it } }: Painter,
  code: readonly Token[],
  tick: number,
  i: number,
): readonly Token[] => [
  ...it.source(`\\def\\tick{${Number(tick.toPrecision(10))}}\\def\\ticknum{${i}}`),
  ...code,
];

/** Where an axis line runs, from the lower left corner: along the data's zero when it stands in the middle. */
export function lineAt(painter: Painter, which: 0 | 1): number {
  const { settings } = painter.axis;
  const [across, length] =
    which === 0 ? ([1, painter.frame.height] as const) : ([0, painter.frame.width] as const);
  const kind = settings.lines[which];
  if (kind === 'middle') {
    const range = across === 0 ? painter.frame.x : painter.frame.y;
    return Math.min(
      length,
      Math.max(0, along(painter, across, Math.min(range.max, Math.max(range.min, 0)))),
    );
  }
  return kind === 'right' ? length : 0;
}
