import { versionWords, type VersionCard } from '$lib/domain/version';
import { scaleLinear, scaleTime } from 'd3-scale';
import { area, curveStepAfter } from 'd3-shape';

/** A version on the strip of time. */
export interface StripMark {
  readonly version: VersionCard;
  readonly x: number;
  readonly y: number;
  readonly says: string;
}

export interface Strip {
  readonly marks: readonly StripMark[];
  /** The shape of how much was written, as SVG path data. */
  readonly growth: string;
  readonly ticks: readonly { readonly x: number; readonly words: string }[];
}

/** Marks stand at least so far apart, CSS pixels, so that each can be hit. */
const APART = 16;
const HEIGHT = 64;

/** Lays versions out on a strip so wide: time along it, words written upwards. */
export function strip(versions: readonly VersionCard[], now: Date, width: number): Strip {
  const first = versions[0] ? new Date(versions[0].at) : now;
  const time = scaleTime([first, now], [APART, width - APART]);
  const most = Math.max(1, ...versions.map(({ words }) => words));
  const up = scaleLinear([0, most], [HEIGHT, 8]);
  const xs = spread(
    versions.map(({ at }) => time(new Date(at))),
    width - APART,
  );
  const marks = versions.map((version, i): StripMark => ({
    version,
    x: xs[i] as number,
    y: up(version.words),
    says: `${versionWords(version)}, ${momentWords(version.at)}, ${version.words} words${version.pages === null ? '' : version.pages === 1 ? ', 1 page' : `, ${version.pages} pages`}`,
  }));
  const shape = area<{ readonly x: number; readonly y: number }>()
    .x(({ x }) => x)
    .y0(HEIGHT)
    .y1(({ y }) => y)
    .curve(curveStepAfter);
  const last = marks.at(-1);
  const growth = shape([...marks, ...(last ? [{ x: width, y: last.y }] : [])]) ?? '';
  const format = time.tickFormat();
  const ticks = time.ticks(6).map((at) => ({ x: time(at), words: format(at) }));
  return { marks, growth, ticks };
}

/** The places, in order, moved so that none stands closer than allowed to the one before; all within the width. */
function spread(places: readonly number[], right: number): number[] {
  const out: number[] = [];
  for (const place of places) out.push(Math.max(place, (out.at(-1) ?? -Infinity) + APART));
  let limit = right;
  for (let i = out.length - 1; i >= 0; i--) {
    out[i] = Math.min(out[i] as number, limit);
    limit = (out[i] as number) - APART;
  }
  return out;
}

/** A moment in words: “12 March, 18:04”. */
export const momentWords = (iso: string): string => {
  const at = new Date(iso);
  const day = at.toLocaleDateString('en-GB', { day: 'numeric', month: 'long' });
  return `${day}, ${at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`;
};
