import type { Span } from '../base/spans';
import {
  withWays,
  type FindingCode,
  type RawFinding,
  type Report,
  type ReportRest,
} from '../findings/finding';
import { Cat, standardCategories, type CatTable } from '../tokens/categories';
import type { OpenCondition } from './conditionals';
import { Reader } from '../tokens/reader';
import { bindArguments } from './bindArguments';
import { cell } from './cells';
import { isExpandable, type Macro, type Meaning, type Token } from './meaning';
import type { Cell, State } from './state';

/** Bounds on work, in the measure of an expansion, so that a runaway macro is stopped and named. */
export interface Budget {
  /** What any block may do besides what its length allows. */
  readonly free: number;
  /** What a block that needs more may do at most. */
  readonly block: number;
  /** How much of that there is for the whole document: a block gets a third of what is left. */
  readonly document: number;
}
export const STANDARD_BUDGET: Budget = { free: 5000, block: 200_000, document: 600_000 };
const SHARE = 1 / 3;

/** How much the blocks so far took of what the document has. Read by those alone that need more than is free. */
export const TAKEN = cell<number>('workTaken', 0);

/** The categories of characters in force (`\catcode`). */
const CATEGORIES = cell<CatTable>('catcodes', standardCategories());

interface TokenFrame {
  readonly tokens: readonly Token[];
  at: number;
}

/** A file being read in the middle of another one (`\input`). */
interface SourceFrame {
  readonly name: string;
  readonly source: Reader<Cell>;
  /** Where the last token read from it started. */
  from: number;
}
type Frame = TokenFrame | SourceFrame;

/** A place in the document; `inFile` when it stands in a file that is read in. */
export interface PlacedSpan extends Span {
  readonly inFile?: { readonly name: string; readonly from: number; readonly to: number };
}

/** How deep files may read one another, and what each character read in adds to the budget. */
const DEEPEST_FILE = 20;
const PER_CHARACTER = 60;
/** What each character of the source adds to it: what is written out never meets the bound, however long. */
const PER_WRITTEN = 10;
/** What a token costs that waits to be read: copied, read, copied again. */
const PER_PUSHED = 1 / 8;
/** How many lists of tokens may wait for one another. */
const MOST_FRAMES = 20_000;
/** How many files one block may read. */
const MOST_FILES = 500;
/** Chunks of files that are read in; below every other chunk number. */
const FIRST_FILE_CHUNK = -10;

/** How deep expansions may wait for one another (`\number\number…`): each one waits on the machine's own stack. */
const DEEPEST = 300;

/**
 * Tokens in, expanded tokens out (TeX's "gullet", The TeXbook chapters 20 and
 * 24). Tokens are pulled: `next` gives the next raw one, `nextExpanded` the next
 * one that is not expandable. Both give null at the end, and when the budget is spent.
 */
export class Processor {
  readonly conditions: OpenCondition[] = [];
  private frames: Frame[] = [];
  private sources = 0;
  private opened = 0;
  private extra = 0;
  /** Expansions, and other work in their measure, since the block began. */
  private work = 0;
  private start = 0;
  /** What the block has of the document's work; it asks for it once, when it needs it. */
  private granted = 0;
  private asked = false;
  /** What was expanded last. */
  private called = '';
  private depth = 0;
  /** The macro at work when the budget ran out, or null. */
  exhausted: string | null = null;
  /** Was it nesting, not repetition, that used it up? */
  tooDeep = false;
  /** How often the block went on after that. */
  recoveries = 0;
  /** The furthest offset looked at, for proving what a block depended on. */
  reach = 0;
  /** The source of what is being expanded: the outermost call in the document. */
  place: Span = { from: 0, to: 0 };
  /** Binds a name that nothing is bound to, where what it should be follows from the name; false when it does not. */
  bindName: (name: string) => boolean = () => false;
  /** What a name means that nothing is bound to: the two halves of an environment are commands too. */
  impliedBy: (name: string) => Meaning | undefined = () => undefined;
  /** A document's own definition takes a name: an environment of that name is no longer what it was. */
  redefined: (name: string) => void = () => undefined;
  /** What is being gathered, as those who carry out say (`\ifvmode` and its kin, `\ifinner`). */
  mode: () => 'vertical' | 'horizontal' | 'math' = () => 'vertical';
  isInner: () => boolean = () => false;

  constructor(
    readonly state: State,
    public reader: Reader<Cell>,
    private readonly reportTo: Report,
    private readonly budget: Budget = STANDARD_BUDGET,
  ) {}

  /** What a name means, bound or implied. */
  meaning(cell: Cell): Meaning | undefined {
    return this.state.meaning(cell) ?? this.impliedBy(cell.name);
  }

  get categories(): CatTable {
    return this.state.read(CATEGORIES);
  }

  setCategories(table: CatTable, global = false): void {
    this.state.write(CATEGORIES, table, global);
  }

  /** Is nothing waiting but the file itself? */
  get atFile(): boolean {
    this.dropSpent();
    return this.frames.length === 0;
  }

  /** Starts anew with the next block: what the end of the document cut off waits no more. */
  startBlock(): void {
    this.drop();
    this.exhausted = null;
    this.tooDeep = false;
    this.recoveries = 0;
    this.work = 0;
    this.called = '';
    this.granted = 0;
    this.asked = false;
    this.start = this.reader.pos;
    this.extra = 0;
    this.opened = 0;
    this.depth = 0;
    this.reach = this.reader.pos;
    // A block knows no place of another: what it reads must not depend on where it was.
    this.place = { from: 0, to: 0 };
  }

  /** Ends a block: what it took of the document's work is written down. */
  endBlock(): void {
    if (!this.asked) return;
    const taken = Math.max(0, this.work - this.allowed());
    this.state.write(TAKEN, this.state.read(TAKEN) + Math.min(taken, this.granted), true);
  }

  /** Throws away all that waits: reading goes on with the file. */
  drop(): void {
    this.frames = [];
    this.sources = 0;
    this.conditions.length = 0;
  }

  /**
   * Goes on with the file after the budget was spent. Each time leaves half of the time before:
   * a block that runs away again and again ends too.
   */
  recover(): void {
    this.drop();
    this.exhausted = null;
    this.tooDeep = false;
    this.recoveries++;
    const left = (this.budget.free + this.granted) / 2 ** this.recoveries;
    this.work = Math.max(this.work, this.allowed() + this.granted - left);
  }

  /** The next token as it stands. */
  next(): Token | null {
    if (this.exhausted !== null) return null;
    for (let depth = this.frames.length - 1; depth >= 0; depth--) {
      const frame = this.frames[depth] as Frame;
      if ('tokens' in frame) {
        if (frame.at < frame.tokens.length) return frame.tokens[frame.at++] as Token;
        this.frames.pop();
        continue;
      }
      const token = frame.source.next(this.categories);
      if (token !== null) {
        frame.from = token.from;
        return token;
      }
      this.closeSource();
    }
    const token = this.reader.next(this.categories);
    if (this.reader.pos > this.reach) this.reach = this.reader.pos;
    return token;
  }

  /** Gives a token back. */
  unread(token: Token): void {
    this.push([token]);
  }

  /** Puts tokens before what is to be read. */
  push(tokens: readonly Token[]): void {
    if (tokens.length === 0) return;
    this.dropSpent();
    this.frames.push({ tokens, at: 0 });
    this.work += tokens.length * PER_PUSHED;
    if (this.frames.length > MOST_FRAMES || !this.within()) this.exhaust(this.called);
  }

  /** The next token that expansion does not replace. */
  nextExpanded(keepProtected = false): Token | null {
    for (;;) {
      const token = this.next();
      if (token === null || token.cell === null) return token;
      const meaning = this.state.meaning(token.cell);
      if (!isExpandable(meaning)) {
        if (meaning === undefined && this.bindName(token.text)) {
          this.unread(token);
          continue;
        }
        return token;
      }
      if (keepProtected && meaning.protect) return token;
      if (meaning.kind === 'expandable' && meaning.name === 'noexpand') return this.next();
      if (meaning.kind === 'expandable' && meaning.name === 'protect') {
        if (keepProtected) return this.next();
        continue;
      }
      this.expand(token, meaning);
    }
  }

  /** Replaces one expandable token by its expansion. */
  expand(token: Token, meaning: Macro | Extract<Meaning, { kind: 'expandable' }>): void {
    if (!this.spend(1, token.text)) return;
    this.called = token.text;
    const own = token.chunk === this.reader.chunk;
    if (own) this.place = { from: token.from, to: token.to };
    if (meaning.kind === 'expandable') {
      this.nested(token.text, () => meaning.expand(this, token));
      return;
    }
    const body = bindArguments(this, token, meaning);
    if (own && this.atFile) this.place = { from: token.from, to: this.here() };
    if (body) this.push(body);
  }

  /**
   * Counts work, as much as that many expansions. False when there has been more of it than the
   * block may take, which is more the longer its source is: nothing further is given then.
   */
  spend(work: number, name: string): boolean {
    this.work += work;
    if (this.within()) return true;
    this.exhaust(name);
    return false;
  }

  /** Is the work within its bounds? Asks for what the document has when it needs more than is free. */
  private within(): boolean {
    if (this.work <= this.allowed() + this.granted) return true;
    if (this.asked) return false;
    this.asked = true;
    const { block, document } = this.budget;
    const left = Math.max(0, document - this.state.read(TAKEN));
    this.granted = Math.min(block, Math.floor(left * SHARE));
    return this.work <= this.allowed() + this.granted;
  }

  /** How much the block may do as far as it has been read. */
  private allowed(): number {
    const written = PER_WRITTEN * (this.reader.pos - this.start);
    return this.budget.free + this.extra + written;
  }

  /** What something gives that may have to wait for another of its kind; null when they are too deep in one another. */
  nested<T>(name: string, act: () => T): T | null {
    if (this.depth >= DEEPEST) {
      this.tooDeep = true;
      this.exhaust(name);
      return null;
    }
    this.depth++;
    const result = act();
    this.depth--;
    return result;
  }

  /** The offset of the reader in the current chunk. */
  here(): number {
    return this.reader.pos - this.reader.base;
  }

  /** Where a token stands in the document: itself, or the call that brought it here. */
  spanOf(token: Token): PlacedSpan {
    if (token.chunk === this.reader.chunk) return token;
    if (token.chunk > FIRST_FILE_CHUNK) return this.place;
    const frame = this.innermostFile();
    if (frame?.source.chunk !== token.chunk) return this.place;
    return { ...this.place, inFile: { name: frame.name, from: token.from, to: token.to } };
  }

  report<Code extends FindingCode>(
    code: Code,
    at: PlacedSpan,
    ...[args, ways = []]: ReportRest<Code>
  ): void {
    // The compiler has seen code and arguments fit; it cannot see the same of their union.
    const base = { code, from: at.from, to: at.to, args: args ?? {} } as RawFinding;
    const frame = this.innermostFile();
    const inFile =
      at.inFile ??
      (frame ? { name: frame.name, from: frame.from, to: frame.source.pos } : undefined);
    if (inFile) this.reportTo({ ...base, inFile });
    else this.reportTo(withWays(base, [ways].flat()));
  }

  private innermostFile(): SourceFrame | null {
    if (this.sources === 0) return null;
    return this.frames.findLast((frame) => 'source' in frame) ?? null;
  }

  /** What comes next is read from the text of another file, up to its end. False when files read one another in a circle. */
  openSource(name: string, text: string): boolean {
    this.dropSpent();
    // A file whose last words read it again never gets deeper, so openings are counted too.
    if (this.sources >= DEEPEST_FILE || ++this.opened > MOST_FILES) return false;
    const chunk = FIRST_FILE_CHUNK - this.sources;
    const source = new Reader<Cell>(text, this.state.cell, 0, chunk);
    this.frames.push({ name, source, from: 0 });
    this.sources++;
    this.allow(text.length);
    return true;
  }

  /** Characters of a file that is read otherwise give room for work too. */
  allow(characters: number): void {
    this.extra += PER_CHARACTER * characters;
  }

  private closeSource(): void {
    this.frames.pop();
    this.sources--;
  }

  /** `\endinput`: the file that is being read in ends here. */
  endSource(): void {
    const at = this.frames.findLastIndex((frame) => 'source' in frame);
    const frame = this.frames[at];
    if (frame && 'source' in frame) frame.source.jump(frame.source.text.length);
  }

  /** What a chunk is read from, while that is open; null for what was made elsewhere. */
  sourceOf(chunk: number): Reader<Cell> | null {
    const readers = this.frames.flatMap((frame) => ('source' in frame ? [frame.source] : []));
    return [this.reader, ...readers].findLast((reader) => reader.chunk === chunk) ?? null;
  }

  /** The file whose text comes next, or null while tokens wait. */
  get nextSource(): Reader<Cell> | null {
    this.dropSpent();
    const top = this.frames.at(-1);
    if (!top) return this.reader;
    return 'source' in top ? top.source : null;
  }

  /** The next expanded token that is no blank. */
  nextNonBlank(): Token | null {
    for (;;) {
      const token = this.nextExpanded();
      if (token === null || token.cat !== Cat.Space) return token;
    }
  }

  /** Reads past blanks, without expanding. */
  skipSpaces(): void {
    for (;;) {
      const token = this.next();
      if (token === null) return;
      if (token.cat !== Cat.Space) return this.unread(token);
    }
  }

  /** Takes the next token, blanks aside, if it is the character. */
  takeChar(char: string): boolean {
    this.skipSpaces();
    return this.takeCharHere(char);
  }

  /** Takes the very next token if it is the character. */
  takeCharHere(char: string): boolean {
    const token = this.next();
    if (token === null) return false;
    if (token.cell === null && token.text === char && token.cat === Cat.Other) return true;
    this.unread(token);
    return false;
  }

  /** A token made here, not found in the source. */
  make(cat: number, text: string): Token {
    return {
      cat,
      text,
      cell: cat === Cat.Command ? this.state.cell(text) : null,
      from: this.place.from,
      to: this.place.to,
      chunk: -1,
    };
  }

  command(name: string): Token {
    return this.make(Cat.Command, name);
  }

  /** Characters as category 12, blanks as 10: what `\string` and `\the` give (The TeXbook, chapter 20). */
  chars(text: string): Token[] {
    return [...text].map((char) => this.make(char === ' ' ? Cat.Space : Cat.Other, char));
  }

  private exhaust(macro: string): void {
    if (this.exhausted === null) this.exhausted = macro === '' ? this.called : macro;
  }

  private dropSpent(): void {
    while (this.frames.length > 0) {
      const frame = this.frames[this.frames.length - 1] as Frame;
      if ('source' in frame) {
        if (!frame.source.atEnd) return;
        this.closeSource();
      } else {
        if (frame.at < frame.tokens.length) return;
        this.frames.pop();
      }
    }
  }
}
