import type { Sp } from '../../base/lengths';
import type { BlockNode } from '../../document/blocks';
import type { Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';
import { templateOf } from './beamerTemplates';

/** What is not seen at the edge of a slide. */
const isSpace = ({ kind }: BlockNode): boolean =>
  kind === 'vspace' || kind === 'penalty' || kind === 'nointerline';

/** `\\framebreak`, `\\newpage`. */
const isBreak = (block: BlockNode): boolean =>
  block.kind === 'clear' || (block.kind === 'penalty' && block.penalty <= -10000);

/** How high blocks are, one below the other. */
export function heightOf(it: Interpreter, blocks: readonly BlockNode[]): Sp {
  const box = {
    kind: 'parbox' as const,
    blocks,
    width: it.dimen('textwidth'),
    valign: 'top' as const,
  };
  const { height, depth } = it.host.measure([{ ...box, ...it.p.place }]);
  return height + depth;
}

/** How many of the blocks have room: at least one. */
function fitting(it: Interpreter, blocks: readonly BlockNode[], room: Sp): number {
  if (heightOf(it, blocks) <= room) return blocks.length;
  let [low, high] = [1, blocks.length];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (heightOf(it, blocks.slice(0, middle)) <= room) low = middle;
    else high = middle;
  }
  return low;
}

/** Parts of a frame that are slides of their own: up to each break that is asked for, or as far as there is room. */
export function brokenFrame(
  it: Interpreter,
  blocks: readonly BlockNode[],
  room: Sp,
): readonly (readonly BlockNode[])[] {
  const pages: (readonly BlockNode[])[] = [];
  let rest = [...blocks];
  while (rest.length > 0) {
    while (rest[0] && pages.length > 0 && isSpace(rest[0])) rest = rest.slice(1);
    const asked = rest.findIndex(isBreak);
    const part = asked < 0 ? rest : rest.slice(0, asked);
    const count = part.length > 0 ? fitting(it, part, room) : 0;
    if (count > 0) pages.push(rest.slice(0, count));
    rest = rest.slice(count === part.length && asked >= 0 ? asked + 1 : count);
  }
  return pages.length > 0 ? pages : [blocks];
}

const ROMAN = 'I II III IV V VI VII VIII IX X XI XII XIII XIV XV XVI XVII XVIII XIX XX'.split(' ');

/** What stands behind the title of one of the slides of a broken frame (beamer user guide, section 8.2.1). */
export function continuation(it: Interpreter, index: number): readonly Token[] {
  const own = templateOf(it, 'frametitle continuation');
  const roman = ROMAN[index] ?? String(index + 1);
  it.execute(
    it.source(
      `\\gdef\\insertcontinuationcount{${index + 1}}\\gdef\\insertcontinuationcountroman{${roman}}\\gdef\\insertcontinuationtext{(cont.)}`,
    ),
  );
  return [...it.source('\\ '), ...(own ?? it.source(roman))];
}
