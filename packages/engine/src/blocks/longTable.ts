import { glue } from '../base/lengths';
import { boxOf, type Box } from '../boxes/box';
import type { LineVItem, VItem } from '../boxes/vertical';
import type { LongTable } from '../document/blocks';
import type { LayoutEnv } from '../paragraphs/env';
import { setTable } from '../paragraphs/table';

const TIGHT = { baselineSkip: glue(0), lineSkip: glue(0), lineSkipLimit: 0x3fffffff };

const asLine = (box: Box, x: number): LineVItem => ({
  kind: 'line',
  box,
  x,
  spacing: TIGHT,
  labels: [],
});

/** A table whose rows are lines of the column, with its head repeated on every page (package longtable). */
export function layoutLongTable(out: VItem[], node: LongTable, env: LayoutEnv): void {
  const set = setTable(node.table, env);
  const x = node.left + Math.max(0, (node.width - set.width) / 2);
  const head: VItem[] = [];
  const rowItems = (i: number): VItem[] => {
    const row = set.rows[i];
    if (!row) return [];
    const items: VItem[] = [];
    if (row.rules) items.push(asLine(row.rules, x), { kind: 'penalty', penalty: 10000 });
    const box = boxOf(set.width, row.box.height, row.box.depth + row.skip, row.box.children);
    items.push(asLine(box, x));
    return items;
  };
  for (let i = 0; i < node.head; i++)
    head.push(...rowItems(i), { kind: 'penalty', penalty: 10000 });
  out.push(...head);
  if (head.length > 0) out.push({ kind: 'repeat', items: head });
  for (let i = node.head; i < set.rows.length; i++) {
    if (i > node.head) out.push({ kind: 'penalty', penalty: 0 });
    out.push(...rowItems(i));
  }
  if (set.below) out.push({ kind: 'penalty', penalty: 10000 }, asLine(set.below, x));
  if (head.length > 0) out.push({ kind: 'repeat', items: [] });
}
