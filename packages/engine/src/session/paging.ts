import type { CONTENTS } from '../language/constructs/contents';
import type { PAGES } from '../language/constructs/knownPages';
import type { PageGeometry } from '../document/page';
import { UNNAMED_PLACE } from '../document/inlines';
import { countAfter, countedLines, type LineCount, NO_LINES } from '../pages/lineNumbers';
import { buildPage, FIRST_PAGE, type PageStart } from '../pages/build';
import { numberText } from '../pages/numbers';
import type { FlowBlock, Page } from '../pages/page';
import type { SessionBlock } from './block';

/** A page that was built, and the blocks it was built from. */
export interface PageRecord {
  readonly page: Page;
  readonly startBlock: SessionBlock | null;
  readonly startItem: number;
  readonly start: PageStart;
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

const keyOf = (block: number, item: number, inner = 0): string => `${block} ${item} ${inner}`;

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
      reusable.set(keyOf(startBlock.index, startItem, record.start.at.inner), i);
    }
  });
  const resumed = old[records.length];
  let next: PageStart = FIRST_PAGE;
  if (records.length > 0) {
    const start = resumed?.startBlock;
    if (resumed && start && alive(start)) {
      next = startOf(resumed, start);
    } else {
      // Where the kept pages end is not known any more: the last one is built again.
      const last = records.pop() as PageRecord;
      next = startOf(last, last.startBlock as SessionBlock);
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
  const same = paging.reusable.get(keyOf(start.at.block, start.at.item, start.at.inner));
  const old = same === undefined ? undefined : paging.old[same];
  if (same !== undefined && old && sameStart(old.start, start, geometry)) {
    takeOver(paging, same, start);
    return false;
  }
  const built = buildPage(flow, start, geometry);
  if (!built) {
    paging.next = null;
    return false;
  }
  if (built.page)
    paging.records.push({
      page: built.page,
      startBlock: blocks[start.at.block] ?? null,
      startItem: start.at.item,
      start,
      reachBlock: built.next
        ? (blocks[Math.min(built.reach.block, blocks.length - 1)] ?? null)
        : null,
    });
  paging.next = built.next;
  return built.next !== null;
}

/** The start of an old page, in the new list. */
const startOf = (record: PageRecord, block: SessionBlock): PageStart => ({
  ...record.start,
  at: { ...record.start.at, block: block.index, item: record.startItem },
});

const sameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((item, i) => item === b[i]);

/** Do the pages behind the two starts look alike, but for a number counted on? */
function sameStart(a: PageStart, b: PageStart, { twoSided }: PageGeometry): boolean {
  return (
    a.style === b.style &&
    a.backdrop === b.backdrop &&
    a.numbering === b.numbering &&
    (a.number === b.number || !twoSided) &&
    a.columns === b.columns &&
    a.flush === b.flush &&
    a.blank === b.blank &&
    a.running.left === b.running.left &&
    a.running.right === b.running.right &&
    sameList(a.waiting, b.waiting) &&
    sameList(a.repeat, b.repeat) &&
    sameList(a.foot, b.foot) &&
    sameList(a.done, b.done) &&
    a.notes.length + b.notes.length + a.marks.length + b.marks.length === 0 &&
    a.wide.length + b.wide.length === 0
  );
}

/** The old pages from `from` on; numbers and places are shifted up to where the document counts anew. */
function takeOver(paging: Paging, from: number, start: PageStart): void {
  const first = (paging.old[from] as PageRecord).page;
  let shift = start.number - first.number;
  const moved = start.index - first.index;
  for (let i = from; i < paging.old.length; i++) {
    const record = paging.old[i] as PageRecord;
    const { page } = record;
    if (page.marks.some(({ mark }) => mark.kind === 'pagenumber' && mark.value !== null)) shift = 0;
    const number = page.number + shift;
    const index = page.index + moved;
    if (shift === 0 && moved === 0) paging.records.push(record);
    else {
      const folio = numberText(number, numberingOf(record));
      const renewed = { ...record.start, number: record.start.number + shift, index };
      paging.records.push({ ...record, start: renewed, page: { ...page, number, index, folio } });
    }
  }
  paging.next = null;
}

function numberingOf({ page, start }: PageRecord): PageStart['numbering'] {
  let { numbering } = start;
  for (const { mark } of page.marks)
    if (mark.kind === 'pagenumber') numbering = mark.style ?? numbering;
  return numbering;
}

/** The page of each label, as it is written. */
export function collectPages(records: readonly PageRecord[]): Map<string, string> {
  const pages = new Map<string, string>();
  for (const { page } of records) {
    for (const { name } of page.labels) if (!pages.has(name)) pages.set(name, page.folio);
  }
  const last = records.at(-1);
  if (last) pages.set(LAST_PAGE, last.page.folio);
  countLines(records, pages);
  return pages;
}

/** Where it stands how many lines the pages before one have; where the number of a line with a label stands. */
export const linesBefore = (index: number): string => `${UNNAMED_PLACE}lines before ${index}`;
export const lineOf = (label: string): string => `${UNNAMED_PLACE}line of ${label}`;
/** A count of lines as it is written there, and read again. */
const writtenCount = ({ count, time }: LineCount): string => `${count} ${time}`;
export function countIn(text: string): LineCount {
  const [, count, time] = /^(\d+) (\d+)$/.exec(text) ?? [];
  return count === undefined ? NO_LINES : { count: Number(count), time: Number(time) };
}

/** Numbers of lines go on from page to page. */
function countLines(records: readonly PageRecord[], pages: Map<string, string>): void {
  let before = NO_LINES;
  for (const { page } of records) {
    if (!page.hasLineNumbers) continue;
    if (before !== NO_LINES) pages.set(linesBefore(page.index), writtenCount(before));
    const lines = countedLines(page, before);
    for (const { placed, number } of lines)
      for (const { name, y } of page.labels)
        if (y === placed.y - placed.box.height) pages.set(lineOf(name), String(number));
    before = countAfter(lines, before);
  }
}

/** The entries of all lists of contents, with the pages they fell on. */
export const collectContents = (records: readonly PageRecord[]): typeof CONTENTS.start =>
  records.flatMap(({ page }) =>
    page.marks.flatMap(({ mark }) =>
      mark.kind === 'contents' ? [{ list: mark.list, entry: mark.entry, page: page.folio }] : [],
    ),
  );

/** The pages as they are numbered. */
export const collectNumbers = (records: readonly PageRecord[]): typeof PAGES.start =>
  records.map(({ page: { number, folio } }) => ({ number, folio }));

/** The label that the last page bears (package lastpage). */
export const LAST_PAGE = 'LastPage';
