import type { Sp } from '../../base/lengths';

/** Wishes for one direction: the whole, the text alone, the sides; what is left out follows the rules below. */
export interface Span1 {
  readonly size?: Sp;
  readonly text?: Sp;
  readonly before?: Sp;
  readonly after?: Sp;
  /** The whole as a share of the paper. */
  readonly scale?: number;
  /** What is left is shared between the sides like this. */
  readonly ratio?: readonly [number, number];
}

/** What keys of geometry ask for, and the measures they start from. All in sp. */
export interface Wishes {
  readonly paperWidth: Sp;
  readonly paperHeight: Sp;
  readonly across: Span1;
  readonly down: Span1;
  readonly binding: Sp;
  readonly twoSided: boolean;
  readonly asymmetric: boolean;
  readonly headHeight: Sp;
  readonly headSep: Sp;
  readonly footSkip: Sp;
  readonly marginWidth: Sp;
  readonly marginSep: Sp;
  readonly withHead: boolean;
  readonly withFoot: boolean;
  readonly withMargin: boolean;
  /** So many lines of text on a page. */
  readonly lines: number | null;
  /** The height is a whole number of lines. */
  readonly rounded: boolean;
  readonly baselineSkip: Sp;
  readonly topSkip: Sp;
}

/** Text and margins from the edges of the paper, in sp. `top` is the top of the text. */
export interface Layout {
  readonly textWidth: Sp;
  readonly textHeight: Sp;
  readonly left: Sp;
  readonly evenLeft: Sp;
  readonly top: Sp;
}

/** geometry manual, section 4.2: where nothing is said, the text has 0.7 of the paper. */
const SCALE = 0.7;

/** The whole and the side before it, from what is wished (geometry manual, section 4.2, "completion"). */
function complete(room: Sp, wished: Span1, extra: Sp, ratio: readonly [number, number]) {
  const { before, after, text, scale } = wished;
  const [first, second] = wished.ratio ?? ratio;
  let size = text !== undefined ? text + extra : wished.size;
  if (size === undefined && scale !== undefined) size = scale * room;
  if (
    before !== undefined &&
    after !== undefined &&
    text === undefined &&
    wished.size === undefined
  )
    return { size: room - before - after, before, after };
  if (size === undefined && before !== undefined)
    return {
      size: room - before - (before * second) / first,
      before,
      after: (before * second) / first,
    };
  if (size === undefined && after !== undefined)
    return {
      size: room - after - (after * first) / second,
      before: (after * first) / second,
      after,
    };
  const whole = size ?? SCALE * room;
  if (before !== undefined) return { size: whole, before, after: room - whole - before };
  if (after !== undefined) return { size: whole, before: room - whole - after, after };
  const start = ((room - whole) * first) / (first + second);
  return { size: whole, before: start, after: room - whole - start };
}

/** Text and margins from wishes (geometry manual, sections 4 and 5). */
export function layoutOf(wishes: Wishes): Layout {
  const { baselineSkip, topSkip } = wishes;
  const beside = wishes.withMargin ? wishes.marginWidth + wishes.marginSep : 0;
  const above = wishes.headHeight + wishes.headSep;
  const head = wishes.withHead ? above : 0;
  const foot = wishes.withFoot ? wishes.footSkip : 0;
  const ratio = wishes.twoSided && !wishes.asymmetric ? ([2, 3] as const) : ([1, 1] as const);
  const across = complete(wishes.paperWidth - wishes.binding, wishes.across, beside, ratio);
  const lines = wishes.lines;
  const asked =
    lines === null ? wishes.down : { ...wishes.down, text: (lines - 1) * baselineSkip + topSkip };
  let down = complete(wishes.paperHeight, asked, head + foot, [2, 3]);
  let textHeight = down.size - head - foot;
  if (wishes.rounded) {
    textHeight = Math.round((textHeight - topSkip) / baselineSkip) * baselineSkip + topSkip;
    const { before, after } = wishes.down;
    const both = before !== undefined && after !== undefined;
    // With both sides said the lower one gives way.
    const kept = both ? { before } : wishes.down;
    down = complete(wishes.paperHeight, { ...kept, text: textHeight }, head + foot, [2, 3]);
  }
  return {
    textWidth: Math.round(across.size - beside),
    textHeight: Math.round(textHeight),
    left: Math.round(across.before + wishes.binding),
    evenLeft: Math.round(
      wishes.twoSided && !wishes.asymmetric ? across.after : across.before + wishes.binding,
    ),
    top: Math.round(down.before + head),
  };
}
