import type { Inline } from '../../document/inlines';
import { cell } from '../../expansion/cells';
import type { Interpreter } from './interpreter';

/** Where drawings go that count from the corner of the paper, while head, foot or backdrop are set. */
const GATHERED = cell<Inline[] | null>('paperdrawings', null);

/** Sets what is of the page, and what it draws from the lower left corner of the paper beside it. */
export function withPaper(
  it: Interpreter,
  set: () => readonly Inline[],
): readonly [readonly Inline[], readonly Inline[]] {
  const onPaper: Inline[] = [];
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.write(GATHERED, onPaper);
  const inlines = set();
  it.closeGroup();
  return [inlines, onPaper];
}

/** Something drawn from the lower left corner of the paper on which it is met: behind the text there, or over it. */
export function drawOnPaper(it: Interpreter, inline: Inline, over = false): void {
  const gathered = it.read(GATHERED);
  if (gathered) {
    gathered.push(inline);
    return;
  }
  const node = {
    kind: 'backdrop' as const,
    backdrop: over ? { under: [], over: [inline] } : { under: [inline], over: [] },
    thisPageOnly: true,
  };
  if (it.mode.hlist === null) it.mode.vlist.push(node);
  else it.mode.hlist.add({ kind: 'migrant', node, ...it.p.place });
}
