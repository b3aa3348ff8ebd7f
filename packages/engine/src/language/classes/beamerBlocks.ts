import { PT, type Sp } from '../../base/lengths';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { framedBlocks, type FrameTitle } from '../constructs/framedBlocks';
import { beginColumn, endColumn } from '../machine/columns';
import type { Interpreter } from '../machine/interpreter';
import { space } from '../constructs/title';
import { blockColours } from './beamerColours';
import { partFont } from './beamerTemplates';
import { LOOK } from './beamerThemes';

export type BlockKind = '' | ' alerted' | ' example';

/** A block with a ground, from its begin to its end. */
interface OpenBlock {
  readonly title: FrameTitle | null;
  readonly ground: number | null;
  readonly body: number | null;
  readonly width: Sp;
  readonly left: Sp;
}
const OPEN = cell<OpenBlock | null>('slideblock', null);

const ROOM = 4 * PT;
const ROUND = 3 * PT;

/** Begins a block: with grounds behind its title and its text, or its title alone in its colour. */
export function beginBlock(it: Interpreter, title: readonly Token[], kind: BlockKind): void {
  const { ground, words, body, text } = blockColours(it, kind, it.read(LOOK).filled);
  const left = it.dimen('totalleftmargin');
  if (ground === null && body === null) {
    it.innermost.data.set(OPEN, null);
    plainTitle(it, title, words, kind);
  } else {
    const width = it.dimen('linewidth');
    const head = titleBox(it, title, words, kind);
    it.innermost.data.set(OPEN, { title: head, ground, body, width, left });
    beginColumn(it, Math.max(PT, width - 2 * ROOM));
    // The first line stands where any does, however low its letters are.
    it.execute(it.source('\\hbox{}\\vskip-.3\\baselineskip\\relax '));
  }
  if (text !== null) it.changeFont({ color: text });
  it.execute(it.read(partFont(`block body${kind}`)));
}

function plainTitle(
  it: Interpreter,
  title: readonly Token[],
  words: number,
  kind: BlockKind,
): void {
  if (title.length === 0) return;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.changeFont({ series: 'bold', color: words });
  it.execute(it.read(partFont(`block title${kind}`)));
  it.startParagraph(false);
  it.execute(title);
  it.endParagraph();
  it.closeGroup();
  it.mode.vlist.push(space(1.5));
}

function titleBox(
  it: Interpreter,
  title: readonly Token[],
  words: number,
  kind: BlockKind,
): FrameTitle | null {
  if (title.length === 0) return null;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  const inlines = it.inlinesBy(() => {
    it.changeFont({ color: words });
    it.execute([
      ...it.source('\\large\\strut '),
      ...it.read(partFont(`block title${kind}`)),
      ...title,
    ]);
  });
  it.closeGroup();
  const { height, depth } = it.host.measure(inlines);
  return { inlines, size: height + depth + PT, base: depth + PT / 2 };
}

export function endBlock(it: Interpreter): void {
  it.endParagraph();
  const open = it.innermost.data.get(OPEN);
  if (!open) return;
  const { blocks } = endColumn(it);
  const { title, ground, body, width, left } = open;
  const shape = {
    rules: [0, 0, 0, 0] as const,
    room: [ROOM, ROOM, 2 * PT, 4 * PT] as const,
    arc: it.read(LOOK).round ? ROUND : 0,
    frame: ground ?? body ?? 0xffffff,
    ground: body,
    titleGround: ground,
  };
  it.mode.vlist.push(framedBlocks(it, shape, { blocks, left, width, title }));
}
