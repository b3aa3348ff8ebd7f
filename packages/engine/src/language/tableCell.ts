import type { Inline } from '../document/inlines';
import type { Token } from '../expansion/meaning';
import { STOP } from '../expansion/processor';
import { Cat } from '../tokens/categories';
import { closeOpenGroups } from './environments';
import { InlineList } from './inlineList';
import type { Interpreter } from './interpreter';

type CellEnd = 'tab' | 'row' | 'end';

/**
 * One cell of a table: everything to the next `&`, `\\` or `\end` at its own level.
 * The `\end` is left unread.
 */
export function readCell(it: Interpreter): { inlines: readonly Inline[]; ended: CellEnd } {
  const outer = { hlist: it.hlist, restricted: it.restricted };
  const list = new InlineList();
  it.hlist = list;
  it.restricted = true;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  const groups = it.groups.length;
  it.skipBlanks();
  const ended = fillCell(it, groups);
  list.unskip();
  closeOpenGroups(it, groups);
  it.closeGroup();
  it.hlist = outer.hlist;
  it.restricted = outer.restricted;
  return { inlines: list.finish(), ended };
}

function fillCell(it: Interpreter, groups: number): CellEnd {
  for (;;) {
    const token = it.p.nextExpanded();
    if (token === null) return 'end';
    const ended = token.cat === STOP ? 'end' : it.groups.length === groups ? endOf(token) : null;
    if (ended === 'end') it.p.unread(token);
    if (ended) return ended;
    it.carryOut(token);
  }
}

/** How a token of the cell's own level ends it, or null. */
function endOf(token: Token): CellEnd | null {
  if (token.cat === Cat.Tab) return 'tab';
  if (token.cat !== Cat.Command) return null;
  if (token.text === '\\' || token.text === 'tabularnewline') return 'row';
  return token.text === 'end' ? 'end' : null;
}
