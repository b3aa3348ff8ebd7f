import type { BlockNode, Migrant } from '../../document/blocks';
import type { Interpreter } from './interpreter';

/**
 * Does what leaves no trace in a line (`\@bsphack` and `\@esphack` of the LaTeX kernel): where a
 * blank stands before it, those behind it are dropped.
 */
export function aside(it: Interpreter, act: () => void): void {
  const last = it.mode.hlist?.last();
  const behindBlank =
    last?.kind === 'space' || (last?.kind === 'glue' && last.glue.width > 0 && !last.leader);
  act();
  if (behindBlank) it.skipBlanks();
}

/** Material for the vertical list: at once between paragraphs, below its line within one (`\vadjust`). */
export function adjust(it: Interpreter, node: Extract<BlockNode, Migrant>): void {
  if (it.mode.hlist === null) it.mode.vlist.push(node);
  else aside(it, () => it.mode.hlist?.add({ kind: 'migrant', node, ...it.p.place }));
}
