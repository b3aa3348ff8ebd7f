import type { Finding, OutlineEntry, PageDescription, TextEdit } from '@odd-compass/engine';
import { applyEdit } from '@odd-compass/engine/edits';
import { lookingLines } from '../source/preamble';
import { setAsideFinding } from '@odd-compass/engine/setAside';
import type {
  BlockPlace,
  FileAddress,
  FoundPlace,
  Glimpse,
  LabelFact,
  PageInfo,
  PageRange,
  Request,
  Response,
  Word,
} from '@odd-compass/engine/worker';
import { afterPaint } from '../afterPaint';
import { paragraphAround, toldWithAsides, withoutAsides, type Aside } from './asides';
import { Attention } from './attention';
import type { PaintRequest } from '../painting/painter';
import { Pictures } from '../sheet/pictures';
import {
  accountElsewhere,
  accountWithin,
  blockWithin,
  partWindow,
  type NamedText,
  type PartWindow,
  type PlacedEntry,
} from './partWindow';
import type { EngineKnowledge } from '../source/sourceFacts';
import EngineWorker from '../painting/engine.worker?worker';

/** A page in sight. */
export interface SightedPage {
  readonly key: number;
  readonly description: PageDescription;
  readonly text: readonly string[];
}

const MOST_GLIMPSES = 200;

/** After so many workers that were lost one after another, no other is begun. */
const MOST_LOST = 6;

/** What answers a question by its number. */
type Answer = Extract<Response, { readonly id: number }>;

/** What is opened: the text that is typeset, and the part of it that is written in, if it is not the whole. */
export interface OpenedText extends NamedText {
  readonly part: NamedText | null;
  /** The parts that lie between: each reads in the next, the last one the part that is written in. */
  readonly between?: readonly NamedText[];
}

/** What the sheet can be asked, kept up to date by the worker, which paints it too. */
export class EngineClient {
  pages = $state.raw<readonly PageInfo[]>([]);
  sighted = $state.raw<ReadonlyMap<number, SightedPage>>(new Map());
  blocks = $state.raw<ReadonlyMap<number, BlockPlace>>(new Map());
  /** Of the file that is written in, and of the others. */
  findings = $state.raw<readonly Finding[]>([]);
  findingsElsewhere = $state.raw<readonly Finding[]>([]);
  /** Of the file that is written in. */
  outline = $state.raw<readonly OutlineEntry[]>([]);
  /** The outline of all files. */
  contents = $state.raw<readonly PlacedEntry[]>([]);
  blockStarts = $state.raw<readonly number[]>([]);
  blockPages = $state.raw<readonly number[]>([]);
  labels = $state.raw<readonly LabelFact[]>([]);
  /** Starts and ends of all formulas, by turns. */
  formulas = $state.raw<Int32Array>(new Int32Array());
  /** Every name of the language. */
  words = $state.raw<readonly Word[]>([]);
  /** The revision of the text that the pages, and the findings, are of. */
  pagesRevision = $state(0);
  accountRevision = $state(0);
  /** Of the text, counted here with each edit. */
  revision = $state(0);
  /** The worker could not go on. */
  failed = $state(false);
  /** The page takes longer than one notices. */
  busy = $state(false);
  /** Counts the workers there were: what one painted on is of no use to the next. */
  generation = $state(0);

  private readonly kept = new Map<number, SightedPage>();
  private worker: Worker;
  private files: readonly FileAddress[] = [];
  /** All of the text that is typeset, and what of it the worker is not given. */
  private text: string;
  private asides: readonly Aside[] = [];
  /** Where the last edit was, and the block that a watched worker is at; null when that is not known. */
  private lastEdit: number | null = null;
  private at: number | null = null;
  /** Workers lost since one has answered. */
  private lost = 0;
  private viewed: readonly PageRange[] = [];
  /** Where the file that is written in begins in the engine's text, and its length; null when the engine does not have it there. */
  private base: number | null = 0;
  private length: number;
  /** How the engine's text was put together, when it is not one file. */
  private readonly window: PartWindow | null;
  private readonly lengthThen: number;
  /** A file that is none of the engine's text, as it stands. */
  private written: string | null = null;
  /** The engine's name for the file that is written in. */
  readonly path: string;
  private readonly mainPath: string;
  /** Edits so far; `revision` follows when the last one is on the screen. */
  private edited = 1;
  /** Answers that came while the echo of a key was on its way. */
  private readonly heard: Response[] = [];
  private asked = 0;
  private readonly glimpses = new Map<string, Promise<Glimpse | null>>();
  /** Who waits for the answer to what was asked, by its number. */
  private readonly waiting = new Map<
    number,
    { readonly question: Request; readonly answer: (answer: Answer) => void }
  >();
  private readonly pictures = new Pictures((name, picture) =>
    this.say({ kind: 'picture', name, picture }, [picture]),
  );

  private readonly attention = new Attention({
    ping: () => this.say({ kind: 'ping' }),
    busy: (is) => (this.busy = is),
    lost: () => this.startAnew(),
  });

  /** @param start begins a worker; tests hand in ones of their own. */
  constructor(
    opened: OpenedText,
    files: readonly FileAddress[],
    private readonly start: () => Worker = () => new EngineWorker(),
  ) {
    const { path, part } = opened;
    const window = part && partWindow([opened, ...(opened.between ?? []), part]);
    const text = window?.text ?? opened.text;
    this.window = window;
    this.base = part ? (window?.base ?? null) : 0;
    this.length = this.lengthThen = (part ?? opened).text.length;
    this.path = part?.path ?? path;
    this.mainPath = path;
    this.text = text;
    this.files = files;
    this.revision = 1;
    this.worker = this.begin(false);
    this.say({ kind: 'vocabulary' });
  }

  /** A worker that has the text opened. */
  private begin(watched: boolean): Worker {
    const worker = this.start();
    worker.onmessage = (event: MessageEvent<Response>) => this.hear(event.data);
    this.worker = worker;
    const now = new Date();
    this.say({
      kind: 'open',
      text: withoutAsides(this.text, this.asides),
      revision: this.edited,
      today: { year: now.getFullYear(), month: now.getMonth() + 1, day: now.getDate() },
      fontBase: `${location.origin}/fonts/`,
      file: this.mainPath,
      files: this.files,
      ...(watched ? { watched } : {}),
    });
    if (this.written !== null) this.sayWritten(this.written);
    this.attention.asked();
    this.pictures.load(this.files);
    return worker;
  }

  /**
   * The worker hangs: another is begun, without the paragraph at fault. That is where the last
   * edit was; when it was not, the new worker, which tells each block before its work, shows it.
   */
  private startAnew(): void {
    this.worker.terminate();
    if (++this.lost > MOST_LOST) {
      this.failed = true;
      return;
    }
    const fault = this.at ?? this.lastEdit;
    if (fault !== null) this.asides = [...this.asides, paragraphAround(this.text, fault)];
    [this.at, this.lastEdit] = [null, null];
    this.kept.clear();
    this.pictures.forget();
    this.begin(true);
    if (this.viewed.length > 0) this.say({ kind: 'view', ranges: this.viewed });
    for (const { question } of this.waiting.values()) this.say(question);
    this.generation++;
  }

  /**
   * Edits, each one's offsets counted after those before it, and the text behind them. What
   * follows from them here waits for the echo of the key.
   */
  edit(edits: readonly TextEdit[], whole: () => string): void {
    const { base } = this;
    this.edited++;
    if (base === null) {
      // What is no part of the engine's text is read with it as a whole.
      this.sayWritten((this.written = whole()));
      this.attention.asked();
      return this.echo.ask();
    }
    for (const { from, to, text } of edits) this.length += text.length - (to - from);
    const told = edits.flatMap(({ from, to, text }) =>
      this.told({ from: from + base, to: to + base, text }),
    );
    this.say({ kind: 'edit', edits: told, revision: this.edited });
    this.attention.asked();
    this.echo.ask();
  }

  private sayWritten(text: string): void {
    this.say({ kind: 'written', name: this.path, text, revision: this.edited });
  }

  /** An edit of the text as the worker is told of it. */
  private told(edit: TextEdit): readonly TextEdit[] {
    this.lastEdit = edit.from;
    const { edits, asides } = toldWithAsides(this.text, this.asides, edit);
    this.text = applyEdit(this.text, edit);
    this.asides = asides;
    return edits;
  }

  /** What was typed stands on the screen: the page may follow. */
  private readonly echo = afterPaint(() => {
    this.revision = this.edited;
    const heard = this.heard.splice(0);
    for (const response of heard) this.take(response);
  });

  /** The other files of the assignment from now on. */
  setFiles(files: readonly FileAddress[]): void {
    this.files = files;
    this.say({ kind: 'files', files });
    this.pictures.load(files);
  }

  /** Has pages painted on a canvas, which is the painter's from then on; answers with its number. */
  paintOn(canvas: HTMLCanvasElement, pauses: boolean): number {
    const id = ++this.asked;
    const offscreen = canvas.transferControlToOffscreen();
    this.say({ kind: 'canvas', id, canvas: offscreen, pauses }, [offscreen]);
    return id;
  }

  /** The page that a canvas shows from now on, at so many device pixels per big point. */
  paintPage(id: number, page: number, scale: number): void {
    this.say({ kind: 'canvas-page', id, page, scale });
  }

  paintNoMore(id: number): void {
    this.say({ kind: 'canvas-gone', id });
  }

  /** The pages in sight; said again only when they are others. */
  view(ranges: readonly PageRange[]): void {
    if (JSON.stringify(ranges) === JSON.stringify(this.viewed)) return;
    this.viewed = ranges;
    this.say({ kind: 'view', ranges });
  }

  /** Where a text stands on the pages. */
  find(text: string): Promise<readonly FoundPlace[]> {
    return this.ask<'found'>((id) => ({ kind: 'find', id, text })).then(({ places }) => places);
  }

  /** The page on which something stands that links lead to, from 0; -1 when it is on none. */
  pageOf(label: string): Promise<number> {
    return this.ask<'place'>((id) => ({ kind: 'place', id, label })).then(({ page }) => page);
  }

  /** Has what was read sent through a port, past this thread, and with it a formula that does not stand in the text. */
  sendReading(port: MessagePort, formula = ''): void {
    const beside = { formula, preamble: lookingLines(this.text) };
    this.say({ kind: 'reading', port, ...(formula === '' ? {} : { beside }) }, [port]);
  }

  /** Where a place of the engine's text stands in the file that is written in; null when it stands in another. */
  ownPlace(at: number): number | null {
    const { base, length } = this;
    if (base === null || at < base || at > base + length) return null;
    return at - base;
  }

  /** The place in the engine's text. */
  readonly enginePlace = (at: number): number => at + (this.base ?? 0);

  /** What the source asks of the engine. */
  readonly knowledge: EngineKnowledge = {
    words: () => this.words,
    labels: () => this.labels,
    files: () => this.files.map(({ name }) => name),
    glimpse: (source, preamble) => this.glimpse(source, preamble),
  };

  /** A piece of source typeset by itself; asked for again, the same picture. */
  glimpse(source: string, preamble: string): Promise<Glimpse | null> {
    const key = `${preamble}\n${source}`;
    let asked = this.glimpses.get(key);
    if (!asked) {
      asked = this.ask<'glimpse'>((id) => ({ kind: 'glimpse', id, source, preamble })).then(
        (answer) => answer.glimpse,
      );
      // Every state of a formula while it is typed has a picture: those of long ago are let go.
      if (this.glimpses.size > MOST_GLIMPSES) this.glimpses.clear();
      this.glimpses.set(key, asked);
    }
    return asked;
  }

  close(): void {
    this.attention.stop();
    this.worker.terminate();
  }

  /** Asks the worker; its answer bears the number of the question. */
  private ask<Kind extends Answer['kind']>(
    question: (id: number) => Request,
  ): Promise<Extract<Answer, { kind: Kind }>> {
    const id = ++this.asked;
    const asked = question(id);
    const answer = new Promise<Answer>((resolve) =>
      this.waiting.set(id, { question: asked, answer: resolve }),
    );
    this.say(asked);
    return answer as Promise<Extract<Answer, { kind: Kind }>>;
  }

  private say(request: Request | PaintRequest, transfer: Transferable[] = []): void {
    this.worker.postMessage(request, transfer);
  }

  private hear(response: Response): void {
    this.attention.heard();
    if (this.echo.asked()) this.heard.push(response);
    else this.take(response);
  }

  private take(response: Response): void {
    if (response.kind === 'pong') return;
    if (response.kind === 'at') {
      this.at = response.start;
      return;
    }
    this.failed = response.kind === 'failed';
    if (response.kind === 'failed') return this.attention.answered();
    if (response.kind === 'vocabulary') {
      this.words = response.words;
      return;
    }
    if ('id' in response) {
      this.waiting.get(response.id)?.answer(response);
      this.waiting.delete(response.id);
      return;
    }
    if (response.kind === 'account') return this.takeAccount(response);
    const sighted = new Map<number, SightedPage>();
    const blocks = new Map<number, BlockPlace>();
    for (const { index, key, description, text, blocks: places } of response.views) {
      if (description && text) {
        this.kept.set(key, { key, description, text });
        this.pictures.show(description.imageFile);
      }
      const page = this.kept.get(key);
      if (page) sighted.set(index, page);
      for (const place of places) {
        const mine = this.base === 0 ? place : this.within(place);
        if (mine) blocks.set(place.id, mine);
      }
    }
    this.forget(response.pages);
    this.pages = response.pages;
    this.sighted = sighted;
    this.blocks = blocks;
    this.pagesRevision = response.revision;
    this.attention.progressed();
  }

  private within(place: BlockPlace): BlockPlace | null {
    return this.base === null ? null : blockWithin(place, this.base, this.length);
  }

  private takeAccount(told: Extract<Response, { kind: 'account' }>): void {
    const { base, path, length, lengthThen, mainPath, window } = this;
    if (told.revision === this.edited) {
      this.lost = 0;
      [this.at, this.lastEdit] = [null, null];
      this.attention.answered();
    }
    const aside = this.asides.map(({ from, to }) => setAsideFinding(mainPath, from, to));
    const all = { ...told, findings: [...told.findings, ...aside] };
    const stretches = window?.stretches ?? [];
    const account =
      base === null
        ? accountElsewhere(all, mainPath)
        : accountWithin(all, { base, length, lengthThen, stretches, path, mainPath });
    this.findings = account.findings.filter(({ file }) => file === path);
    this.findingsElsewhere = account.findings.filter(({ file }) => file !== path);
    this.outline = account.outline;
    this.contents = account.contents;
    this.blockStarts = account.blockStarts;
    this.blockPages = account.blockPages;
    this.labels = account.labels;
    this.formulas = account.formulas;
    this.accountRevision = account.revision;
  }

  /** Pages that are no longer in the document, once many have gathered. The worker never sends a page twice, so those in it stay. */
  private forget(pages: readonly PageInfo[]): void {
    if (this.kept.size < 2 * pages.length + 50) return;
    const alive = new Set(pages.map(({ key }) => key));
    for (const key of this.kept.keys()) if (!alive.has(key)) this.kept.delete(key);
  }
}
