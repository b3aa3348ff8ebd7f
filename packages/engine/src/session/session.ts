import type { BlockNode } from '../document/blocks';
import type { Box } from '../boxes/box';
import { layoutBlocks, setParbox } from '../blocks/layout';
import type { PageGeometry } from '../document/page';
import type { ParboxInline } from '../document/inlines';
import type { Finding, RawFinding } from '../findings/finding';
import { FontStore } from '../fonts/store';
import { CELLS } from '../language/machine/cells';
import { MOST_FINDINGS } from '../language/machine/reading';
import { pageGeometry } from '../language/machine/parameters';
import { describePage } from '../output/display/describe';
import { newLists } from '../output/display/lists';
import type { PageDescription } from '../output/display/description';
import { writePdf } from '../output/pdf/write';
import { withLastGood } from './lastGood';
import { formulaSpans } from './formulaSpans';
import { fontUnitsOf } from './fontUnits';
import type { FlowBlock, Page } from '../pages/page';
import { setText } from '../paragraphs/boxes';
import type { LayoutEnv } from '../paragraphs/env';
import { lineItems } from '../paragraphs/items';
import { divisions } from '../paragraphs/patterns';
import { writtenOf, type SessionBlock, type WrittenBlock } from './block';
import { MOST_PAGES, MOST_ROUNDS, MOST_TAKEN } from './bounds';
import {
  knownLabels,
  answer,
  citedKeys,
  collectLabels,
  type Answer,
  NO_FACTS,
  referredLabels,
  resolver,
  sameFacts,
  type Facts,
  type LabelFinding,
} from './facts';
import { gatherFindings } from './gatherFindings';
import { sayOtherwise, writeOtherwise } from './contentsSaid';
import { NONE_CHANGED, withBlock, withReading } from './changedBlocks';
import {
  collectContents,
  collectNumbers,
  collectPages,
  LAST_PAGE,
  nextPage,
  startPaging,
  type PageRecord,
  type Paging,
} from './paging';
import type { SessionHost, WorkDone } from './host';
import { imageMeasure, NO_FILES, type AssignmentFiles } from './files';
import { fieldsInText, fieldsOf, furniture } from './furniture';
import { finished, SourceReading, type CalendarDate, type ReadChange } from './reading';
import type { CellOf } from '../expansion/cells';
import {
  blockPlacesOf,
  bookmarksOf,
  labelsOf,
  outlineOf,
  type LabelEntry,
  type OutlineEntry,
} from './account';
import { CONTENTS } from '../language/constructs/contents';
import { LABELS, PAGES } from '../language/constructs/knownPages';
import { collectPlaces, PLACES } from './picturePlaces';
import { TAKEN } from '../expansion/processor';

export type { CalendarDate } from './reading';
export type { OutlineEntry } from './account';
export type { SessionHost, WorkDone } from './host';

const NO_FIELDS: LayoutEnv['field'] = () => [];
type Described = { readonly description: PageDescription; readonly reads: Map<string, Answer> };

/**
 * A document that is open: text in, pages out, and after each edit only what it
 * changed is done again. Reading happens at once in `edit`; layout and pages are
 * made by `settle`, a step at a time, so that a newer edit can overtake.
 */
export class Session {
  readonly fonts: FontStore;
  readonly work: WorkDone = { blocksRead: 0, blocksLaid: 0, pagesBuilt: 0 };
  private reading: SourceReading;
  private files: AssignmentFiles;
  private readonly today: CalendarDate;
  private readonly divisions = divisions();
  private facts: Facts = NO_FACTS;
  /** Blocks that were laid out from facts. */
  private readonly asking = new Set<SessionBlock>();
  private repeated: readonly LabelFinding[] = [];
  private records: readonly PageRecord[] = [];
  private paging: Paging | null = null;
  /** The blocks whose pages are to be made anew. */
  private changed = NONE_CHANGED;
  /** The block that the last page which is made does not reach, when there are too many. */
  private cutBefore: SessionBlock | null = null;
  private geometry: PageGeometry | null = null;
  private unsettled = false;
  /** What stands in lists of contents was seen to go by what stood in them. */
  private feedsItself = false;
  /** Nothing of an earlier text was known when this one was read. */
  private fromCold = true;
  /** Reading measured with a font that stood in for one that is missing. */
  private guessed = false;
  private readonly descriptions = new WeakMap<Page, Described>();
  private readonly lists = newLists();
  private readonly file: string;
  private readonly keepLastGood: boolean;
  private readonly watch: SessionHost['watch'];

  constructor(host: SessionHost) {
    this.fonts = host.fonts instanceof FontStore ? host.fonts : new FontStore(host.fonts);
    this.file = host.file ?? 'sheet.tex';
    this.files = host.files ?? NO_FILES;
    this.today = host.today;
    this.keepLastGood = host.keepLastGood ?? false;
    this.watch = host.watch;
    this.reading = this.newReading();
  }

  get text(): string {
    return this.reading.wanted;
  }
  private newReading(): SourceReading {
    return new SourceReading(this.today, (it) => this.measured(fontUnitsOf(this.fonts, it.font)), {
      readFile: (name) => this.files.text(name),
      files: () => this.files.names(),
      imageSize: imageMeasure(this.files),
      measure: (inlines) => this.measured(setText(inlines, this.measuring())),
      watch: this.watch,
    });
  }

  /** Reading goes by no label's text: it would be read otherwise at another time. */
  private measuring = (): LayoutEnv => this.layoutEnv([], new Map(), NO_FIELDS, NO_FACTS);

  private measured<T>(measure: T): T {
    this.guessed ||= this.fonts.missing.size > 0;
    return measure;
  }

  /** Other files than before: everything is read again, by `read` or `settle`. */
  setFiles(files: AssignmentFiles): void {
    this.files = files;
    this.forgetAll();
  }

  /** Forgets all that was made of the text, which is read as if it had just been opened. */
  private forgetAll(): void {
    const { text } = this;
    this.reading = this.newReading();
    this.records = [];
    this.asking.clear();
    this.geometry = null;
    this.facts = NO_FACTS;
    this.feedsItself = false;
    this.change(0, 0, text);
  }

  /** Replaces all of the text. */
  readonly setText = (text: string): void => this.edit(0, this.reading.wantedLength, text);

  /** Replaces part of the text and reads what changed. Pages are made by `settle`. */
  edit(from: number, to: number, text: string): void {
    this.change(from, to, text);
    finished(this.read());
  }

  /** Replaces part of the text, which is read by `read` or `settle`. */
  change(from: number, to: number, text: string): void {
    this.fromCold = this.facts === NO_FACTS && this.reading.length === 0;
    this.reading.change(from, to, text);
    this.paging = null;
  }

  /** Reads what was changed, a step at a time, so that a newer change can overtake. */
  *read(): Generator<void, void, void> {
    const before = this.reading.blocks.length;
    const change = yield* this.reading.read();
    if (!change) return;
    this.takeChange(change, before);
    this.giveCitations();
  }

  private takeChange(change: ReadChange, before: number): void {
    const { changed, gone, first, reusedFrom, labels } = change;
    this.work.blocksRead += changed.length;
    if (this.keepLastGood && gone.length > 0) {
      const shown = withLastGood(changed, gone);
      changed.forEach((block, i) => (block.shown = shown[i] ?? block.shown));
    }
    const { length } = this.reading.blocks;
    this.changed = withReading(this.changed, first, reusedFrom, before, length);
    if (labels) this.takeFacts({ ...this.facts, labels: this.readLabels() });
    this.takeGeometry();
  }

  private readLabels(): Facts['labels'] {
    const { labels, repeated } = collectLabels(this.reading.blocks);
    this.repeated = repeated;
    return labels;
  }

  /** Hands what the whole document settles back to the blocks that read it, if any do; gives what was read anew. */
  private refresh<T>(cell: CellOf<T>, value: () => T): ReadChange | null {
    if (!this.reading.isRead(cell)) return null;
    const before = this.reading.blocks.length;
    const change = this.reading.refresh(cell, value());
    if (change) this.takeChange(change, before);
    return change;
  }

  private giveCitations(): void {
    this.refresh(CELLS.bibStyleOfAll, () => this.reading.finalValue(CELLS.bibStyle));
    this.refresh(CELLS.referred, () => referredLabels(this.reading.blocks));
    this.refresh(CELLS.cited, () => citedKeys(this.reading.blocks));
  }

  /** Gives back the entries of all lists of contents, the numbers of pages, and of labels for who reckons with them. */
  private giveContents(): void {
    const contents = this.refresh(CONTENTS, () => collectContents(this.records));
    this.refresh(PAGES, () => collectNumbers(this.records));
    this.refresh(PLACES, () => collectPlaces(this.records));
    const labels = this.refresh(LABELS, () => knownLabels(this.facts));
    this.feedsItself ||= contents !== null && sayOtherwise(contents);
    this.feedsItself ||= labels !== null && writeOtherwise(labels);
  }

  /** Takes new facts; blocks that were laid out from other answers are laid out again. */
  private takeFacts(facts: Facts): void {
    this.facts = facts;
    const { blocks } = this.reading;
    for (const block of this.asking) {
      if (blocks[block.index] !== block) this.asking.delete(block);
      else if (!sameFacts(block, facts)) this.forget(block);
    }
  }

  private forget(block: SessionBlock): void {
    block.laid = null;
    this.asking.delete(block);
    this.changed = withBlock(this.changed, block.index);
  }

  private takeGeometry(): void {
    const found = this.reading.finalValue(CELLS.geometry) ?? pageGeometry(this.reading.state);
    if (JSON.stringify(found) === JSON.stringify(this.geometry)) return;
    this.geometry = found;
    this.changeAll();
  }

  private changeAll(): void {
    this.changed = { from: 0, to: this.reading.blocks.length };
  }

  /** Lays everything out again, and reads it when it was measured: fonts that were missing are here now. */
  fontsArrived(): void {
    this.fonts.retry();
    if (this.guessed) {
      this.guessed = false;
      this.change(0, this.reading.wantedLength, this.text);
    }
    this.layOutAnew();
  }

  /** Fetches the patterns of languages that were asked for; true when there is something to settle anew. */
  loadPatterns = (): Promise<boolean> => this.divisions.load(() => this.layOutAnew());

  private layOutAnew(): void {
    for (const block of this.reading.blocks) block.laid = null;
    this.changeAll();
    this.paging = null;
  }

  /**
   * Makes the pages, a step at a time; each step yields how many are ready. Pages and what is
   * said of them may never come to rest (a heading that stands in its own contents), or in more
   * ways than one: where they stop then would depend on where they started, so they are made from cold.
   */
  *settle(): Generator<number, void, void> {
    const reading = this.read();
    while (!reading.next().done) yield 0;
    if (this.fromCold || !this.feedsItself) yield* this.rounds();
    if (this.fromCold || !(this.unsettled || this.feedsItself)) return;
    this.forgetAll();
    finished(this.read());
    yield* this.rounds();
  }

  private *rounds(): Generator<number, void, void> {
    let taken = 0;
    for (let round = 0; round < MOST_ROUNDS && taken < MOST_TAKEN; round++) {
      yield* this.buildPages();
      this.takeFacts({ ...this.facts, pages: collectPages(this.records) });
      this.giveContents();
      this.giveCitations();
      this.unsettled = this.changed.to > this.changed.from;
      if (!this.unsettled) return;
      taken += this.reading.finalValue(TAKEN);
    }
    // The pages are at least of what was read last.
    yield* this.buildPages();
  }

  /** Makes the pages in one go. */
  readonly settleAll = (): void => finished(this.settle());

  private *buildPages(): Generator<number, void, void> {
    const { blocks } = this.reading;
    const flow = blocks.map((block): FlowBlock => (block.flow ??= this.flowBlock(block)));
    // Pages that were cut off lead to nothing known: those behind a change cannot serve again.
    const last = this.cutBefore ? blocks.length : this.changed.to;
    const paging = startPaging(this.records, blocks, this.changed.from, last);
    this.paging = paging;
    let more = true;
    while (more && paging.records.length < MOST_PAGES) {
      more = nextPage(paging, blocks, flow, this.geometry as PageGeometry);
      this.work.pagesBuilt++;
      if (more) yield paging.records.length;
    }
    const behind = paging.records[MOST_PAGES]?.startBlock ?? blocks[paging.next?.at.block ?? -1];
    this.cutBefore = behind ?? null;
    this.records = paging.records.slice(0, MOST_PAGES);
    this.paging = null;
    this.changed = NONE_CHANGED;
  }

  /** A block for the pages, laid out when its items are first asked for. */
  private flowBlock(block: SessionBlock): FlowBlock {
    const layOut = (): void => this.layOut(block);
    return {
      id: block.id,
      get items() {
        if (!block.laid) layOut();
        return block.laid?.items ?? [];
      },
    };
  }

  private layoutEnv(
    findings: RawFinding[],
    reads: Map<string, Answer>,
    field: LayoutEnv['field'],
    facts: Facts = this.facts,
  ): LayoutEnv {
    const env: LayoutEnv = {
      fonts: this.fonts,
      divide: this.divisions.divide,
      resolve: resolver(facts, reads),
      referring: new Set(),
      field,
      report: (finding) => void (findings.length < MOST_FINDINGS && findings.push(finding)),
      lineItems: (inlines) => lineItems(inlines, env),
      setParbox: (box: ParboxInline): Box => setParbox(box, env),
    };
    return env;
  }

  private layOut(block: SessionBlock): void {
    this.watch?.(block.start);
    const findings: RawFinding[] = [];
    const reads = new Map<string, Answer>();
    const env = this.layoutEnv(findings, reads, fieldsInText(block.id));
    const items = layoutBlocks(block.shown, env).map((item) =>
      item.kind === 'float' ? { ...item, block: block.id } : item,
    );
    block.laid = { items, findings, facts: reads };
    if (reads.size > 0) this.asking.add(block);
    this.work.blocksLaid++;
  }

  // ---- results

  /** The pages that are ready, the finished ones of a run under way included. */
  get pages(): readonly Page[] {
    return (this.paging?.records ?? this.records).map(({ page }) => page);
  }

  /** A page as flat arrays; the same page gives the same object. */
  describe(page: Page): PageDescription {
    const known = this.descriptions.get(page);
    const last = this.facts.pages.get(LAST_PAGE) ?? '';
    if (known && this.stillTrue(known.reads)) return known.description;
    const reads = new Map<string, Answer>();
    const fields = fieldsOf(page, last);
    const env = this.layoutEnv([], reads, fields);
    const description = describePage(page, furniture(page, env), this.lists);
    this.descriptions.set(page, { description, reads });
    return description;
  }

  private readonly stillTrue = (reads: ReadonlyMap<string, Answer>): boolean =>
    [...reads].every(([factKey, value]) => answer(this.facts, factKey) === value);

  /** Where the blocks of a page stand in the text now: id, start and length of each. */
  blocksOf(description: PageDescription): { id: number; start: number; length: number }[] {
    const wanted = new Set(description.lineBlock);
    return this.reading.blocks
      .filter(({ id }) => wanted.has(id))
      .map(({ id, start, length }) => ({ id, start, length }));
  }

  /** Labels with what they name, and where. */
  labels(): LabelEntry[] {
    return labelsOf(this.pages, this.facts);
  }

  /** The page that a label, or another place of links, stands on, from 0; -1 when it is on none. */
  pageOf(label: string): number {
    return this.pages.findIndex(({ labels }) => labels.some(({ name }) => name === label));
  }

  /** The extents of all formulas in the text, start and end by turns. */
  readonly formulaSpans = (): Int32Array => formulaSpans(this.reading.blocks);

  /** What reading made of the text, block by block. */
  readonly nodes = (): BlockNode[] => this.reading.blocks.flatMap(({ reading }) => reading.nodes);

  /** What reading made of each block, and where it starts in the text. */
  readonly written = (): WrittenBlock[] => writtenOf(this.reading.blocks);

  /** Where every block starts in the text, and the page it begins on (from 0). */
  blockPlaces(): { starts: number[]; pages: number[] } {
    return blockPlacesOf(this.pages, this.reading.blocks);
  }

  /** All findings in the order of the text, in words. */
  findings(): Finding[] {
    const { facts, repeated, unsettled, file, cutBefore } = this;
    const files = this.files.names();
    return gatherFindings(this.reading, { facts, repeated, unsettled, cutBefore, files, file });
  }

  /** Headings, and the numbers given out, in order. */
  readonly outline = (): OutlineEntry[] => outlineOf(this.pages, this.reading.blocks);

  /** The PDF of the pages as they stand; what the document says of itself goes before the metadata given. */
  async pdf(metadata: { readonly title: string; readonly author: string }): Promise<Uint8Array> {
    const pages = this.pages.map((page) => this.describe(page));
    const bookmarks = bookmarksOf(this.outline());
    const info = { ...metadata, ...this.reading.finalValue(CELLS.pdfInfo) };
    return writePdf(pages, this.fonts, info, bookmarks, (name) => this.files.bytes(name));
  }
}
