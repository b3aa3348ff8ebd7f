import { PT, type Sp } from '../../base/lengths';
import { blended, type Paint } from '../../base/paint';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { framedBlocks, type FrameTitle } from '../constructs/framedBlocks';
import { beginColumn, endColumn } from '../machine/columns';
import type { Interpreter } from '../machine/interpreter';
import { INVISIBLE } from '../machine/overlays';
import { LOOK } from './beamerThemes';

/** A block with a ground, from its begin to its end. */
interface OpenBlock {
  readonly title: FrameTitle | null;
  readonly colour: number;
  readonly width: Sp;
  readonly left: Sp;
  readonly hidden: boolean;
}
const OPEN = cell<OpenBlock | null>('slideblock', null);

const ROOM = 4 * PT;
const ROUND = 3 * PT;

/** The colour so light that words are read on it. */
const paled = (colour: Paint): Paint => blended(colour, 0xffffff, 0.1);

/** Begins a block with a ground behind its title and its text. */
export function beginFilled(it: Interpreter, title: readonly Token[], colour: number): void {
  const width = it.dimen('linewidth');
  const hidden = it.font.color === INVISIBLE;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  const inlines = it.inlinesBy(() => {
    it.changeFont({ color: hidden ? INVISIBLE : 0xffffff });
    it.execute([...it.source('\\large\\strut '), ...title]);
  });
  it.closeGroup();
  const { height, depth } = it.host.measure(inlines);
  const head =
    title.length === 0 ? null : { inlines, size: height + depth + PT, base: depth + PT / 2 };
  const left = it.dimen('totalleftmargin');
  it.innermost.data.set(OPEN, { title: head, colour, width, left, hidden });
  beginColumn(it, Math.max(PT, width - 2 * ROOM));
}

export function endFilled(it: Interpreter): void {
  it.endParagraph();
  const { blocks } = endColumn(it);
  const open = it.innermost.data.get(OPEN);
  if (!open) return;
  const { title, colour, width, left, hidden } = open;
  const shape = {
    rules: [0, 0, 0, 0] as const,
    room: [ROOM, ROOM, 2 * PT, 3 * PT] as const,
    arc: hidden || !it.read(LOOK).round ? 0 : ROUND,
    frame: colour,
    ground: hidden ? null : paled(colour),
    titleGround: hidden ? null : colour,
  };
  it.mode.vlist.push(framedBlocks(it, shape, { blocks, left, width, title }));
}
