import { FALLBACK_FONT, MATH_FONTS, type FontFile } from '../fonts/catalog';
import { toBp } from '../base/lengths';
import { copyToHandOver, type PageDescription } from '../output/display/description';
import { pageLetters, pageText } from '../output/display/text';
import { NO_PORT, walkPage } from '../output/display/walk';
import type { BlockNode } from '../document/blocks';
import type { PageGeometry } from '../document/page';
import type { Page } from '../pages/page';
import { filesOf, type AssignmentFiles } from '../session/files';
import { findText } from '../session/findText';
import { glimpse } from '../session/glimpse';
import { readBeside } from '../session/readBeside';
import { Session, type CalendarDate } from '../session/session';
import { vocabulary } from '../session/vocabulary';
import { sendable } from '../session/writtenData';
import type {
  FileAddress,
  GlyphOutline,
  PageInfo,
  PageRange,
  PageView,
  Request,
  Response,
} from './messages';

/** What a worker's surroundings give: fonts from afar, a way to paint and to answer, a turn of the event loop. */
export interface WorkerSurroundings {
  readonly fetchFont: (file: FontFile) => Promise<Uint8Array>;
  /** A file of the assignment, or null when it is not to be had. */
  readonly fetchFile: (address: string) => Promise<Uint8Array | null>;
  readonly decode: (bytes: Uint8Array) => string;
  readonly post: (response: Response, transfer: ArrayBuffer[]) => void;
  /** The pages in sight, by their index, with the outlines that were not given before: to be painted before anything is told of them. */
  readonly paint: (
    pages: ReadonlyMap<number, PageDescription>,
    outlines: readonly GlyphOutline[],
  ) => void;
  /** Resolves when what was painted is on the screen. */
  readonly painted: () => Promise<void>;
  /** Resolves after messages that wait have been taken. */
  readonly turn: () => Promise<void>;
  readonly now: () => number;
}

/** Work goes on for this long before messages are looked at, in ms. */
const SLICE = 12;

/** Size of the paper, and where the text of odd and even pages lies on it. */
function extentOf({ paperWidth, paperHeight, left, evenLeft, textWidth, twoSided }: PageGeometry) {
  const [first, last] = twoSided
    ? [Math.min(left, evenLeft), Math.max(left, evenLeft)]
    : [left, left];
  return {
    width: toBp(paperWidth),
    height: toBp(paperHeight),
    textLeft: toBp(Math.max(0, first)),
    textRight: toBp(Math.min(paperWidth, last + textWidth)),
  };
}

/** Keeps one document open for a page, and answers with what changed. Newer edits overtake work under way. */
export class WorkerHost {
  private session: Session | null = null;
  private opened: Promise<void> = Promise.resolve();
  private readonly fonts = new Map<FontFile, Uint8Array>();
  private readonly fetched = new Map<string, Uint8Array>();
  /** The files as they are kept, and as they stand while one writes in them. */
  private kept: ReadonlyMap<string, Uint8Array> = new Map();
  private readonly written = new Map<string, string>();
  private writing = 0;
  /** The revision of the text that was read, and the newest there is. */
  private revision = 0;
  private wanted = 0;
  private run = 0;
  private today: CalendarDate = { year: 2000, month: 1, day: 1 };
  private view: readonly PageRange[] = [{ first: 0, last: 1 }];
  private readonly keys = new WeakMap<Page, number>();
  private nextKey = 1;
  private readonly sentNodes = new WeakMap<readonly BlockNode[], number>();
  private lastSent = 0;
  private sending: Promise<void> = Promise.resolve();
  private readonly sentPages = new Set<number>();
  private readonly sentGlyphs = new Set<number>();

  constructor(private readonly around: WorkerSurroundings) {}

  /** Takes a request; answers come through `post`, a failure too. */
  async take(request: Request): Promise<void> {
    try {
      await this.carryOut(request);
    } catch (error) {
      this.around.post({ kind: 'failed', reason: String(error) }, []);
    }
  }

  private async carryOut(request: Request): Promise<void> {
    switch (request.kind) {
      case 'open':
        this.opened = this.open(request);
        await this.opened;
        return this.settle();
      case 'edit':
        // What is typed while the first fonts are on their way waits for the document.
        await this.opened;
        for (const { from, to, text } of request.edits) this.session?.change(from, to, text);
        this.wanted = request.revision;
        return this.settle();
      case 'files':
        // Edits behind it wait, so that no picture is missing for a moment.
        this.opened = this.opened.then(async () =>
          this.session?.setFiles(await this.filesAt(request.files)),
        );
        await this.opened;
        return this.settle();
      case 'written':
        return this.takeWritten(request);
      case 'ping':
        return this.around.post({ kind: 'pong' }, []);
      case 'vocabulary':
        return this.around.post({ kind: 'vocabulary', words: vocabulary() }, []);
      case 'glimpse':
        await this.opened;
        return this.sendGlimpse(request);
      case 'view':
        this.view = request.ranges;
        if (this.session) this.sendPages();
        return;
      case 'find':
        return this.sendFound(request);
      case 'reading':
        await this.opened;
        // One after another: what one has sent, the next counts on.
        this.sending = this.sending.then(() => this.sendReading(request));
        return this.sending;
      case 'place': {
        const { id, label } = request;
        const page = this.session?.pageOf(label) ?? -1;
        return this.around.post({ kind: 'place', id, page }, []);
      }
    }
  }

  private async open(request: Extract<Request, { kind: 'open' }>): Promise<void> {
    const [files] = await Promise.all([
      this.filesAt(request.files),
      this.loadFonts([FALLBACK_FONT, MATH_FONTS.modern]),
    ]);
    const fonts = (file: FontFile): Uint8Array | null => this.fonts.get(file) ?? null;
    this.today = request.today;
    const { today, file = 'sheet.tex' } = request;
    const watch = (start: number): void => this.around.post({ kind: 'at', start }, []);
    const watched = request.watched ? { watch } : {};
    this.session = new Session({ fonts, today, file, files, keepLastGood: true, ...watched });
    this.session.change(0, 0, request.text);
    this.wanted = request.revision;
  }

  private async loadFonts(files: readonly FontFile[]): Promise<void> {
    await Promise.all(
      files.map(async (file) => {
        if (!this.fonts.has(file)) this.fonts.set(file, await this.around.fetchFont(file));
      }),
    );
  }

  /** The files of the assignment; those that were fetched before are at hand. */
  private async filesAt(wanted: readonly FileAddress[]): Promise<AssignmentFiles> {
    const found = new Map<string, Uint8Array>();
    await Promise.all(
      wanted.map(async ({ name, address }) => {
        const bytes = this.fetched.get(address) ?? (await this.around.fetchFile(address));
        if (!bytes) return;
        this.fetched.set(address, bytes);
        found.set(name, bytes);
      }),
    );
    this.kept = found;
    return this.filesNow();
  }

  private filesNow(): AssignmentFiles {
    const { kept, written } = this;
    const files = filesOf(kept, this.around.decode);
    return {
      ...files,
      names: () => [...new Set([...kept.keys(), ...written.keys()])],
      text: (name) => written.get(name) ?? files.text(name),
    };
  }

  /** What is typed into another file is read with the document; keys that came meanwhile are read at once. */
  private async takeWritten({ name, text, revision }: Extract<Request, { kind: 'written' }>) {
    this.written.set(name, text);
    this.wanted = revision;
    const mine = ++this.writing;
    await this.opened;
    await this.around.turn();
    if (mine !== this.writing) return;
    this.session?.setFiles(this.filesNow());
    return this.settle();
  }

  /** Makes pages in slices; what is in sight is sent as soon as it stands. */
  private async settle(): Promise<void> {
    const run = ++this.run;
    const { session } = this;
    if (!session) return;
    await this.inSlices(run, session.read(), () => undefined);
    // Another may have come between the end of the work and this line.
    if (run !== this.run) return;
    this.revision = this.wanted;
    for (;;) {
      let shown = false;
      await this.inSlices(run, session.settle(), (ready) => {
        if (shown || ready <= (this.view[0]?.last ?? 0) || session.fonts.missing.size > 0) return;
        shown = true;
        this.sendPages();
      });
      if (run !== this.run) return;
      const missing = [...session.fonts.missing];
      const divided = await session.loadPatterns();
      if (run !== this.run) return;
      if (missing.length === 0 && !divided) break;
      await this.loadFonts(missing);
      if (run !== this.run) return;
      if (missing.length > 0) session.fontsArrived();
    }
    this.sendPages();
    await this.around.painted();
    if (run === this.run) this.sendAccount();
  }

  /** Does work for a while, then looks at messages; left when a newer run has overtaken it. */
  private async inSlices<T>(
    run: number,
    work: Generator<T, void, void>,
    step: (done: T) => void,
  ): Promise<void> {
    let end = this.around.now() + SLICE;
    for (const done of work) {
      step(done);
      if (this.around.now() < end) continue;
      await this.around.turn();
      if (run !== this.run) return;
      end = this.around.now() + SLICE;
    }
  }

  /** Typesets a piece by itself; fonts it lacks are fetched and it is tried again. */
  private async sendGlimpse({ id, source, preamble }: Extract<Request, { kind: 'glimpse' }>) {
    const lacking = new Set<FontFile>();
    const fonts = (file: FontFile): Uint8Array | null => {
      const bytes = this.fonts.get(file) ?? null;
      if (!bytes) lacking.add(file);
      return bytes;
    };
    let made = glimpse(source, preamble, fonts, this.today);
    for (let round = 0; lacking.size > 0 && round < 3; round++) {
      await this.loadFonts([...lacking]);
      lacking.clear();
      made = glimpse(source, preamble, fonts, this.today);
    }
    this.around.post({ kind: 'glimpse', id, glimpse: made }, []);
  }

  /** Sends what was read in slices, so that a key that comes meanwhile is heard; only what is new is sent. */
  private async sendReading({
    port,
    beside: asked,
  }: Extract<Request, { kind: 'reading' }>): Promise<void> {
    const written = this.session?.written() ?? [];
    const { revision, around } = this;
    let afresh = this.lastSent === 0;
    let nodes: { id: number; nodes: readonly BlockNode[] }[] = [];
    const blocks: [number, number][] = [];
    let end = around.now() + SLICE;
    for (const block of written) {
      let id = this.sentNodes.get(block.nodes);
      if (id === undefined) {
        id = ++this.lastSent;
        this.sentNodes.set(block.nodes, id);
        nodes.push({ id, nodes: sendable(block.nodes) });
      }
      blocks.push([block.start, id]);
      if (around.now() < end) continue;
      port.postMessage({ afresh, nodes, whole: null });
      [afresh, nodes] = [false, []];
      await around.turn();
      end = around.now() + SLICE;
    }
    const beside = asked
      ? sendable(readBeside(asked, (file) => this.fonts.get(file) ?? null, this.today))
      : [];
    port.postMessage({ afresh, nodes, whole: { blocks, revision, beside } });
  }

  private sendFound({ id, text }: Extract<Request, { kind: 'find' }>): void {
    const { session } = this;
    const words = (session?.pages ?? []).map((page) =>
      pageLetters((session as Session).describe(page), (session as Session).fonts),
    );
    this.around.post({ kind: 'found', id, places: findText(words, text) }, []);
  }

  /** The pages in sight, each once. */
  private inSight(count: number): Set<number> {
    const out = new Set<number>();
    for (const { first, last } of this.view)
      for (let index = Math.max(0, first); index <= Math.min(last, count - 1); index++)
        out.add(index);
    return out;
  }

  private keyOf(page: Page): number {
    let key = this.keys.get(page);
    if (key === undefined) {
      key = this.nextKey++;
      this.keys.set(page, key);
    }
    return key;
  }

  private sendPages(): void {
    const session = this.session as Session;
    const pages = session.pages;
    const inSight = new Map<number, PageDescription>();
    const outlines: GlyphOutline[] = [];
    for (const index of this.inSight(pages.length)) {
      const page = pages[index] as Page;
      const description = session.describe(page);
      inSight.set(index, description);
      if (!this.sentPages.has(this.keyOf(page))) this.addOutlines(description, outlines);
    }
    this.around.paint(inSight, outlines);
    const transfer: ArrayBuffer[] = [];
    const views = [...inSight].map(([index, description]): PageView => {
      const key = this.keyOf(pages[index] as Page);
      const blocks = session.blocksOf(description);
      if (this.sentPages.has(key)) return { index, key, description: null, text: null, blocks };
      this.sentPages.add(key);
      const { copy, buffers } = copyToHandOver(description);
      transfer.push(...buffers);
      const text = pageText(description, session.fonts);
      return { index, key, description: copy, text, blocks };
    });
    const infos = pages.map((page): PageInfo => ({
      key: this.keyOf(page),
      ...extentOf(page.geometry),
    }));
    this.around.post({ kind: 'pages', revision: this.revision, pages: infos, views }, transfer);
  }

  private addOutlines(page: PageDescription, out: GlyphOutline[]): void {
    const { fonts } = this.session as Session;
    walkPage(page, {
      ...NO_PORT,
      glyphs: ({ font, glyphs }) => {
        for (const glyph of glyphs) {
          const key = font * 65536 + glyph;
          if (this.sentGlyphs.has(key)) continue;
          this.sentGlyphs.add(key);
          out.push({ font, glyph, path: fonts.byId(font).file.getGlyph(glyph).path.toSVG() });
        }
      },
    });
  }

  private sendAccount(): void {
    const session = this.session as Session;
    const { starts, pages } = session.blockPlaces();
    const formulas = session.formulaSpans();
    this.around.post(
      {
        kind: 'account',
        revision: this.revision,
        findings: session.findings(),
        outline: session.outline(),
        blockStarts: starts,
        blockPages: pages,
        labels: session.labels(),
        formulas,
      },
      [formulas.buffer as ArrayBuffer],
    );
  }
}
