import type { Point } from '../../base/maps';
import type { Bounds } from '../../base/paths';
import { pageGeometry } from '../machine/parameters';
import type { Drawing } from './openPicture';

/** The page, or its text (package tikzpagenodes), from the lower left corner of the paper. */
export function paperBox({ it, picture }: Drawing, name: string): Bounds {
  picture.onPaper = true;
  const [width, height] = [it.dimen('paperwidth'), it.dimen('paperheight')];
  if (!/text|footer|header/.test(name)) return { left: 0, right: width, low: 0, high: height };
  const { left, top, textWidth, textHeight } = pageGeometry(it.state);
  const high = height - top;
  return { left, right: left + textWidth, low: high - textHeight, high };
}

/** Where an anchor of a box lies; the origin for a box of nothing. */
export function boxAnchor(box: Bounds, anchor: string): Point {
  if (box.left > box.right) return { x: 0, y: 0 };
  const x = /east/.test(anchor)
    ? box.right
    : /west/.test(anchor)
      ? box.left
      : (box.left + box.right) / 2;
  const y = /north/.test(anchor)
    ? box.high
    : /south/.test(anchor)
      ? box.low
      : (box.low + box.high) / 2;
  return { x, y };
}
