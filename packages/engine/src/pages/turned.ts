import type { Sp } from '../base/lengths';
import type { AffineMap } from '../base/maps';
import { boxOf, type Box } from '../boxes/box';
import type { PageGeometry, Turn } from '../document/page';
import type { Page, PlacedBox } from './page';

/** Places count y upwards: a quarter turn to the left, and one to the right. */
const LEFTWARDS: AffineMap = { a: 0, b: 1, c: -1, d: 0, e: 0, f: 0 };
const RIGHTWARDS: AffineMap = { a: 0, b: -1, c: 1, d: 0, e: 0, f: 0 };

const rotated = (box: Box, map: AffineMap): Box => ({
  ...boxOf(box.height + box.depth, box.width, 0, [{ x: 0, y: 0, item: box }]),
  map,
});

/** The paper on its side, turned to the right: what is its top lies at the right. */
export function turnedGeometry(paper: PageGeometry): PageGeometry {
  const left = paper.paperHeight - paper.top - paper.textHeight;
  return {
    ...paper,
    paperWidth: paper.paperHeight,
    paperHeight: paper.paperWidth,
    left,
    evenLeft: left,
    top: paper.left,
    textWidth: paper.textHeight,
    textHeight: paper.textWidth,
  };
}

/** A box of the upright page where the page is turned to the right. */
export const onTurnedPaper = ({ x, y, box, block }: PlacedBox, paperHeight: Sp): PlacedBox => ({
  x: paperHeight - y,
  y: x,
  box: rotated(box, RIGHTWARDS),
  block,
});

/**
 * A page built on paper that lies on its side, as it is handed out: with the paper so (package
 * pdflscape), or upright with what is written on it turned to the left (package lscape).
 */
export function asTurned(page: Page, paper: PageGeometry, turned: Turn): Page {
  if (turned === 'page') return { ...page, turned, geometry: paper };
  const size = { width: paper.paperWidth, height: paper.paperHeight };
  const up = (x: Sp, y: Sp): { x: Sp; y: Sp } => ({ x: y, y: paper.paperHeight - x });
  return {
    ...page,
    turned,
    geometry: paper,
    size,
    placed: page.placed.map((placed) => ({
      ...placed,
      ...up(placed.x, placed.y),
      box: rotated(placed.box, LEFTWARDS),
    })),
    labels: page.labels.map((label) => ({ ...label, ...up(label.x, label.y) })),
  };
}
