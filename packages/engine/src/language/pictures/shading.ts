import { IDENTITY } from '../../base/maps';
import { blended, rgbOf, withOpacity, type Paint } from '../../base/paint';
import { boundsOf, type Path } from '../../base/paths';
import type { Span } from '../../base/spans';
import { filled, type Mark } from '../../document/drawing';
import { shadingBands, type Band } from '../../drawing/shadings';
import type { Graphics, Shading } from './graphics';

/** A colour at an opacity. */
export const faded = (paint: Paint, opacity: number): Paint =>
  opacity >= 1 ? paint : withOpacity(paint, opacity);

/** Between two colours, by the share of the second. */
export const mixed = (a: Paint, b: Paint, share: number): Paint =>
  blended(rgbOf(b), rgbOf(a), share);

const WHITE = 0xffffff;
const BLACK = 0x000000;

type Stop = readonly [at: number, colour: Paint];

/** The colours of a shading and where they stand from 0 to 1 (the manual of the pictures, “Shadings”). */
function stopsOf({ kind, top, middle, bottom, inner, outer, ball }: Shading): readonly Stop[] {
  if (kind === 'axis')
    return [
      [0, top],
      [0.5, middle ?? mixed(top, bottom, 0.5)],
      [1, bottom],
    ];
  if (kind === 'radial')
    return [
      [0, inner],
      [0.5, outer],
      [1, outer],
    ];
  return [
    [0, mixed(WHITE, ball, 0.15)],
    [0.18, mixed(WHITE, ball, 0.75)],
    [0.36, mixed(BLACK, ball, 0.7)],
    [0.5, mixed(BLACK, ball, 0.5)],
    [1, BLACK],
  ];
}

/** The colour at a place of a shading. */
export function shadeAt(shading: Shading, share: number): Paint {
  const stops = stopsOf(shading);
  const after = Math.max(
    1,
    stops.findIndex(([at]) => at >= share),
  );
  const [from, first] = stops[after - 1] as Stop;
  const [to, last] = stops[after] as Stop;
  return mixed(first, last, Math.min(1, Math.max(0, (share - from) / (to - from))));
}

/** Bands cut off by a path, each in the colour of its place. */
function inBands(
  bands: readonly Band[],
  path: Path,
  span: Span,
  paintAt: (share: number) => Paint,
): Mark[] {
  const marks = bands.map((band): Mark => ({
    kind: 'path',
    path: band.path,
    style: { ...filled(paintAt(band.share)), evenOdd: true },
    from: span.from,
    to: span.to,
  }));
  return [{ kind: 'group', marks, map: IDENTITY, clip: path }];
}

/** A fill whose colour runs, in bands cut off by the path. */
export function shading(g: Graphics, path: Path, span: Span): Mark[] {
  const { kind, angle } = g.shading;
  const bands = shadingBands(kind, boundsOf(path), angle, g.fillOpacity >= 1);
  return inBands(bands, path, span, (share) => faded(shadeAt(g.shading, share), g.fillOpacity));
}

/** How a fill fades: towards a side, or towards the border of a circle, from one share of it on. */
export interface Fading {
  readonly kind: 'axis' | 'circle';
  /** The side towards which it fades, in degrees. */
  readonly angle: number;
  /** From where on it fades, as a share of the way. */
  readonly from: number;
}

/** A fill that fades (the library of fadings), in bands. */
export function fadingFill(
  g: Graphics,
  { kind, angle, from }: Fading,
  paint: Paint,
  path: Path,
  span: Span,
): Mark[] {
  const bands =
    kind === 'circle'
      ? shadingBands('radial', boundsOf(path), 0, false)
      : shadingBands('axis', boundsOf(path), angle - 270, false);
  return inBands(bands, path, span, (along) => {
    // Of circles the border lies half way out.
    const out = kind === 'circle' ? 2 * along : along;
    const share = Math.min(1, Math.max(0, (out - from) / Math.max(1e-6, 1 - from)));
    return faded(paint, g.fillOpacity * (1 - share));
  });
}
