import type { Box, Item } from '../boxes/box';
import type { Migrant } from '../document/blocks';

/** Visits an item and all that is inside it, in reading order. */
function eachInside(item: Item, visit: (item: Item) => void): void {
  visit(item);
  if (item.kind !== 'box') return;
  for (const child of item.children) eachInside(child.item, visit);
}

/** The labels that stand in a box. */
export function anchorsOf(box: Box): string[] {
  const found: string[] = [];
  eachInside(box, (item) => {
    if (item.kind === 'anchor') found.push(item.label);
  });
  return found;
}

/** What stands in a box and goes to the column it is in. */
export function migrantsOf(item: Item): Migrant[] {
  const found: Migrant[] = [];
  eachInside(item, (inner) => {
    if (inner.kind === 'migrant') found.push(inner.node);
  });
  return found;
}
