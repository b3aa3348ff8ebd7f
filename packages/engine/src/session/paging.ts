import type { PageGeometry } from '../document/page';
import { buildPage, type PageStart } from '../pages/build';
import type { FlowBlock, Page } from '../pages/page';
import type { SessionBlock } from './block';

/** A page that was built, and the blocks it was built from. */
export interface PageRecord {
  readonly page: Page;
  readonly startBlock: SessionBlock | null;
  readonly startItem: number;
  readonly style: string;
  /** The furthest block that was looked at; null when the list ended. */
  readonly reachBlock: SessionBlock | null;
}

/** How the pages stand: those built, old ones that may serve again, and where to go on. */
export interface Paging {
  readonly records: PageRecord[];
  /** Old pages by where they start; only those behind every change. */
  readonly reusable: Map<string, number>;
  readonly old: readonly PageRecord[];
  next: PageStart | null;
}

const FIRST: PageStart = { at: { block: 0, item: 0 }, number: 1, style: 'plain' };

const keyOf = (block: number, item: number): string => `${block} ${item}`;

/**
 * Keeps the pages that lie before every change, and prepares the rest.
 *
 * @param changedFrom index of the first block whose items changed, in the new list.
 * @param changedTo index behind the last one.
 * @param alive tells blocks that are still in the list.
 */
export function startPaging(
  old: readonly PageRecord[],
  blocks: readonly SessionBlock[],
  changedFrom: number,
  changedTo: number,
): Paging {
  const alive = (block: SessionBlock): boolean => blocks[block.index] === block;
  const records: PageRecord[] = [];
  for (const record of old) {
    const { reachBlock, startBlock } = record;
    if (!startBlock || !alive(startBlock) || !reachBlock || !alive(reachBlock)) break;
    if (reachBlock.index >= changedFrom) break;
    records.push(record);
  }
  const reusable = new Map<string, number>();
  old.forEach((record, i) => {
    const { startBlock, startItem } = record;
    if (i >= records.length && startBlock && alive(startBlock) && startBlock.index >= changedTo) {
      reusable.set(keyOf(startBlock.index, startItem), i);
    }
  });
  const resumed = old[records.length];
  let next: PageStart = FIRST;
  if (records.length > 0) {
    const start = resumed?.startBlock;
    if (resumed && start && alive(start)) {
      next = {
        at: { block: start.index, item: resumed.startItem },
        number: resumed.page.number,
        style: resumed.style,
      };
    } else {
      // Where the kept pages end is not known any more: the last one is built again.
      const last = records.pop() as PageRecord;
      const at = { block: (last.startBlock as SessionBlock).index, item: last.startItem };
      next = { at, number: last.page.number, style: last.style };
    }
  }
  return { records, reusable, old, next };
}

/**
 * Builds the next page, or takes over all old ones when the list goes on as it did.
 * False when nothing is left.
 */
export function nextPage(
  paging: Paging,
  blocks: readonly SessionBlock[],
  flow: readonly FlowBlock[],
  geometry: PageGeometry,
): boolean {
  const start = paging.next;
  if (!start) return false;
  const same = paging.reusable.get(keyOf(start.at.block, start.at.item));
  if (same !== undefined && paging.old[same]?.style === start.style) {
    takeOver(paging, same, start.number);
    return false;
  }
  const built = buildPage(flow, start, geometry);
  if (!built) {
    paging.next = null;
    return false;
  }
  paging.records.push({
    page: built.page,
    startBlock: blocks[start.at.block] ?? null,
    startItem: start.at.item,
    style: start.style,
    reachBlock: built.next
      ? (blocks[Math.min(built.reach.block, blocks.length - 1)] ?? null)
      : null,
  });
  paging.next = built.next;
  return built.next !== null;
}

/** The old pages from `from` on, renumbered if need be. */
function takeOver(paging: Paging, from: number, number: number): void {
  for (let i = from; i < paging.old.length; i++) {
    const record = paging.old[i] as PageRecord;
    const shifted = number + i - from;
    paging.records.push(
      shifted === record.page.number
        ? record
        : { ...record, page: renumbered(record.page, shifted) },
    );
  }
  paging.next = null;
}

const renumbered = (page: Page, number: number): Page => ({
  ...page,
  number,
  folio: page.folio === null ? null : String(number),
});

/** The page of each label. */
export function collectPages(records: readonly PageRecord[]): Map<string, number> {
  const pages = new Map<string, number>();
  for (const { page } of records) {
    for (const label of page.labels) if (!pages.has(label)) pages.set(label, page.number);
  }
  return pages;
}
