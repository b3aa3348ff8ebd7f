import { glue } from '../base/lengths';
import { boxOf, type Box } from '../boxes/box';
import type { LineVItem, VItem } from '../boxes/vertical';
import type { LongTable, TableStretch } from '../document/blocks';
import type { LayoutEnv } from '../paragraphs/env';
import { setTable } from '../paragraphs/table';
import { anchorsOf } from './inside';

const TIGHT = { baselineSkip: glue(0), lineSkip: glue(0), lineSkipLimit: 0x3fffffff };

const asLine = (box: Box, x: number): LineVItem => ({
  kind: 'line',
  box,
  x,
  spacing: TIGHT,
  labels: anchorsOf(box),
});

const TOGETHER: VItem = { kind: 'penalty', penalty: 10000 };

/** A table whose rows are lines of the column, with heads and feet for its pages (package longtable). */
export function layoutLongTable(out: VItem[], node: LongTable, env: LayoutEnv): void {
  const set = setTable(node.table, env);
  const x = node.left + Math.max(0, (node.width - set.width) / 2);
  const rowItems = (i: number): VItem[] => {
    const row = set.rows[i];
    if (!row) return [];
    const box = boxOf(set.width, row.box.height, row.box.depth + row.skip, row.box.children);
    const line = asLine(box, x);
    return row.rules ? [asLine(row.rules, x), TOGETHER, line] : [line];
  };
  const stretchItems = ({ from, to, below }: TableStretch): VItem[] => {
    const items: VItem[] = [];
    for (let i = from; i < to; i++) items.push(...rowItems(i), TOGETHER);
    const rules = set.ruled(below);
    return rules ? [...items, asLine(rules, x), TOGETHER] : items;
  };
  const [head, foot] = [stretchItems(node.head), stretchItems(node.foot)];
  out.push(...stretchItems(node.firstHead), { kind: 'repeat', items: head, foot });
  for (let i = node.body; i < set.rows.length; i++) {
    if (i > node.body) out.push({ kind: 'penalty', penalty: 0 });
    out.push(...rowItems(i));
  }
  const last = [...(set.below ? [asLine(set.below, x)] : []), ...stretchItems(node.lastFoot)];
  if (last.length > 0) out.push(TOGETHER, ...last);
  out.push({ kind: 'repeat', items: [], foot: [] });
}
