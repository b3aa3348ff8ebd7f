import type { Glue, Sp } from '../../base/lengths';
import { fontUnits } from '../../expansion/scan';
import { pick, type Span } from '../../base/spans';
import type { BlockNode } from '../../document/blocks';
import { type FontSpec, MARKED_LOOK } from '../../document/font';
import type { Inline } from '../../document/inlines';
import { readArgument, readOptional } from '../../expansion/arguments';
import { STOP, type Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { getDimen, getSkip } from '../../expansion/registers';
import type { State } from '../../expansion/state';
import type { RawFinding } from '../../findings/finding';
import type { Args, EnvironmentEntry } from './entries';
import { defineMacro, tokenize } from './define';
import { closeOpenGroups, type OpenEnvironment } from './environments';
import { InlineList } from './inlineList';
import { carryOut } from './dispatch';
import { freshMode, type Mode, modeName } from './modes';
import { plainRun } from './encoding';
import { changedFont } from './sizes';
import { CELLS, environmentCell } from './cells';
import { keepCovered, seenHere, veiled } from './overlays';
import { noEnvironment } from './environmentData';
import type { CellOf } from '../../expansion/cells';
import { beginForDisplay, beginParagraph, finishParagraph, forgetList } from './paragraphMode';
import { fontInterner } from './parameters';
import {
  note,
  type BlockReading,
  type LabelDefinition,
  type LanguageHost,
  type OpenGroup,
} from './reading';

export type {
  BlockReading,
  ImageSize,
  LabelDefinition,
  LanguageCommand,
  LanguageHost,
  OpenGroup,
  Size,
} from './reading';

/** How deep boxes and arguments may be nested before reading gives up on the inner ones. */
const DEEPEST = 250;

/**
 * Carries out what expansion leaves (TeX's "stomach"): characters become
 * paragraphs, commands act through their entries. Between blocks it remembers
 * nothing; all that lasts is in the state's cells.
 */
export class Interpreter {
  /** What is being gathered now. */
  mode: Mode = freshMode(null);
  /** What an environment's end leaves to be done once its group is closed. */
  afterEnvironment: ((it: Interpreter) => void) | null = null;
  groups: OpenGroup[] = [];
  environments: OpenEnvironment[] = [];
  /** How many of them were open where what is being set in a box of its own begins: it ends none of these. */
  openOutside = 0;
  labels: LabelDefinition[] = [];
  citations: string[] = [];
  strangers: { name: string; from: number; to: number }[] = [];
  findings: RawFinding[] = [];
  /** Names near to those that nobody defined, as far as they were looked for in this block. */
  readonly nearest = new Map<string, readonly string[]>();
  private depth = 0;
  readonly intern = fontInterner();
  constructor(
    readonly state: State,
    public p: Processor,
    readonly host: LanguageHost,
  ) {
    p.mode = () => modeName(this.mode);
    p.isInner = () => this.mode.restricted || this.mode.outer !== null;
  }

  readonly report = (finding: RawFinding): void => note(this.findings, finding);

  // ---- what is remembered in cells

  read<T>(cell: CellOf<T>): T {
    return this.state.read(cell);
  }

  /** Sets a cell, in the current group or globally. */
  write<T>(cell: CellOf<T>, value: T, global = false): void {
    this.state.write(cell, value, global);
  }

  get font(): FontSpec {
    return this.state.read(CELLS.font);
  }

  /** One em of the font in force, which is not always its size. */
  get em(): Sp {
    return fontUnits(this.p).em;
  }

  /** The family that the document's text is set in. */
  get textFamily(): FontSpec['family'] {
    return this.read(CELLS.textFamily);
  }

  /** A colour is seen as far as what is covered shows through. */
  changeFont(change: Partial<FontSpec>): void {
    const color = veiled(this, change.color ?? this.font.color);
    this.write(CELLS.font, this.intern(changedFont(this.font, { ...change, color })));
  }

  dimen(name: string): Sp {
    return getDimen(this.state, name);
  }

  skip(name: string): Glue {
    return getSkip(this.state, name);
  }

  // ---- blocks

  /**
   * Reads on to the next safe point: between paragraphs, nothing open, only the
   * file waiting, at the start of a line; or to the end of the file.
   */
  readBlock(): BlockReading {
    this.mode = freshMode(null);
    this.afterEnvironment = null;
    this.depth = 0;
    this.openOutside = 0;
    this.nearest.clear();
    this.labels = [];
    this.citations = [];
    this.strangers = [];
    this.findings = [];
    this.groups = [];
    this.environments = [];
    this.p.startBlock();
    const start = this.p.reader.pos;
    this.loop(null, start);
    if (this.p.reader.atEnd && this.p.atFile) this.endOfFile();
    this.p.endBlock();
    return {
      nodes: this.mode.vlist,
      findings: this.findings,
      labels: this.labels,
      citations: this.citations,
      strangers: this.strangers,
    };
  }

  private atSafePoint(start: number): boolean {
    const { p } = this;
    return (
      this.mode.hlist === null &&
      this.state.level === 0 &&
      this.environments.length === 0 &&
      p.conditions.length === 0 &&
      p.reader.pos > start &&
      p.reader.atLineStart &&
      p.atFile
    );
  }

  private endOfFile(): void {
    this.endParagraph();
    closeOpenGroups(this, 0);
    for (const open of this.p.conditions.splice(0)) {
      this.p.report('conditional-unclosed', open.span, { name: open.token.text });
    }
    this.endParagraph();
  }

  /** Carries out tokens until the stop mark; without one, until a safe point or the end. */
  private loop(stop: Token | null, start: number): void {
    const { recoveries } = this.p;
    for (;;) {
      // The stop mark went with all else that waited.
      if (stop !== null && this.p.recoveries > recoveries) return;
      if (stop === null && this.atSafePoint(start)) return this.passBlankLines();
      if (this.mode.hlist !== null && this.p.atFile && this.plainWord()) continue;
      const token = this.p.nextExpanded();
      if (token === null) {
        if (this.p.exhausted === null) return;
        this.stopRunaway();
        if (stop !== null) return;
        continue;
      }
      if (token === stop) return;
      if (token.cat === STOP) {
        this.p.unread(token);
        return;
      }
      this.carryOut(token);
    }
  }

  private passBlankLines(): void {
    const { reader } = this.p;
    const { pos } = reader;
    this.p.reach = Math.max(this.p.reach, reader.skipBlankLines());
    if (reader.pos > pos) forgetList(this);
  }

  private stopRunaway(): void {
    const code = this.p.tooDeep ? 'nesting-too-deep' : 'macro-runaway';
    this.p.report(code, this.p.place, { name: this.p.exhausted ?? '' });
    this.p.recover();
  }

  /** A short way for words that stand in the file as they are. */
  private plainWord(): boolean {
    const { reader } = this.p;
    const from = reader.pos - reader.base;
    const text = plainRun(this);
    if (text === '') return false;
    this.mode.hlist?.text(text, this.font, from, from + text.length);
    return true;
  }

  carryOut(token: Token): void {
    carryOut(this, token);
  }

  /** Reads arguments by a signature; null when a mandatory one is missing. */
  readArguments(signature: string, token: Token): Args | null {
    const args: (readonly Token[] | null | boolean)[] = [];
    for (const kind of signature) {
      if (kind === ' ') continue;
      if (kind === 's') args.push(this.p.takeChar('*'));
      else if (kind === 'o') args.push(readOptional(this.p));
      else {
        const arg = readArgument(this.p, token, kind === 'M');
        if (arg === null) return null;
        args.push(arg);
      }
    }
    return args;
  }

  // ---- groups

  openGroup(group: OpenGroup): void {
    this.groups.push(group);
    this.state.openGroup();
  }

  closeGroup(): void {
    const group = this.groups.pop();
    if (!group) return;
    this.state.closeGroup();
    if (this.read(CELLS.overlay) !== null) keepCovered(this);
    group.then?.();
  }

  // ---- horizontal material

  character(text: string, at: Span): void {
    this.startParagraph();
    this.mode.hlist?.text(text, this.font, at.from, at.to);
  }

  /** A blank: in a paragraph, a space between words; a steady one does not widen behind a sentence. */
  space(at: Span, steady: boolean = this.read(CELLS.french)): void {
    if (this.mode.hlist === null) return;
    this.mode.hlist.space(this.font, at, steady, this.skip('spaceskip'));
  }

  add(inline: Inline): void {
    this.startParagraph();
    this.mode.hlist?.add(seenHere(this, inline));
  }

  /** Text that stands for something unreadable, marked. */
  addMarked(text: string, at: Span): void {
    const font = this.intern({ ...this.font, ...MARKED_LOOK });
    this.startParagraph();
    this.mode.hlist?.text(text, font, at.from, at.to);
  }

  /** In vertical mode, starts a paragraph. */
  startParagraph(indented = true): void {
    if (this.mode.hlist !== null) return;
    if (!this.read(CELLS.inDocument)) this.startMissingDocument();
    beginParagraph(this, indented);
  }

  /** A display belongs to the paragraph before it, or to one begun for it; was no line before it? */
  startParagraphForDisplay = (byKernel = false): boolean => beginForDisplay(this, byKernel);

  /** Binds a macro without arguments to a body in the language itself. */
  define(name: string, body: string, params = 0): void {
    defineMacro(this, name, body, params);
  }

  /** Set by the document construct: what to do when text comes before `\begin{document}`. */
  startMissingDocument: () => void = () => undefined;

  /** Ends the paragraph that is open, if any; `beforeDisplay` when a displayed formula follows. */
  endParagraph(beforeDisplay = false): void {
    finishParagraph(this, beforeDisplay);
  }

  /** Starts a paragraph with the usual indent, whatever came before. */
  startIndented(): void {
    if (this.mode.hlist === null) this.startParagraph();
    else this.add({ kind: 'kern', width: this.dimen('parindent'), ...this.p.place });
    this.mode.nextIndent = null;
  }

  /** Do lines reach from margin to margin? */
  get justified(): boolean {
    return this.read(CELLS.alignment) === 'justified';
  }

  /** Ends a paragraph if one is open and adds to the vertical list. */
  addBlock(...nodes: BlockNode[]): void {
    this.endParagraph();
    this.mode.vlist.push(...nodes);
  }

  // ---- inner runs
  /** What tokens give in a box on one line. */
  inlinesOf(tokens: readonly Token[]): readonly Inline[] {
    return this.inlinesBy(() => this.runInner(tokens));
  }

  /** What an action gives in a box on one line. */
  inlinesBy(action: () => void): readonly Inline[] {
    const hlist = new InlineList(this.read(CELLS.divisions));
    this.within({ hlist, restricted: true }, action);
    return hlist.finish();
  }

  /** What tokens give as a column of their own. */
  blocksOf(tokens: readonly Token[]): readonly BlockNode[] {
    return this.gather(() => this.runInner(tokens, () => this.endParagraph()));
  }

  /** What an action gives as a column of its own. */
  gather(action: () => void): BlockNode[] {
    return this.within({}, () => {
      action();
      this.endParagraph();
    }).vlist;
  }

  /** Carries out an action in a mode of its own, fresh but for the change; the mode as the action left it. */
  within(change: Partial<Mode>, action: () => void): Mode {
    const outer = this.pushMode(change);
    action();
    return this.popMode(outer);
  }

  /** Carries out an action as part of a formula. */
  inMath<T>(action: () => T): T {
    const { mode } = this;
    const outer = mode.inMath;
    mode.inMath = true;
    const result = action();
    mode.inMath = outer;
    return result;
  }

  /** Starts a mode within the one there is, which is to be given back to `popMode`. */
  pushMode(change: Partial<Mode> = {}): Mode {
    const outer = this.mode;
    this.mode = freshMode(outer, { ...change, unindentedOutside: this.read(CELLS.noIndentNext) });
    return outer;
  }

  /** Goes back to a mode; the one that was in force. */
  popMode(outer: Mode): Mode {
    const inner = this.mode;
    this.mode = outer;
    if (this.read(CELLS.noIndentNext) !== inner.unindentedOutside)
      this.write(CELLS.noIndentNext, inner.unindentedOutside, true);
    return inner;
  }

  /** Carries out tokens now, in the mode and group there is. */
  execute(tokens: readonly Token[]): void {
    if (tokens.length > 0) this.nested(tokens, (run) => run());
  }

  /** Carries out tokens, and nothing that stands behind them, unless it is all too deep. */
  private nested(tokens: readonly Token[], act: (run: () => void) => void): void {
    if (this.depth >= DEEPEST) return this.p.report('nesting-too-deep', this.p.place);
    this.depth++;
    act(() => {
      const stop: Token = { cat: STOP, text: '', cell: null, from: 0, to: 0, chunk: -1 };
      this.p.push([...tokens, stop]);
      this.loop(stop, 0);
    });
    this.depth--;
  }

  /** Carries out a command by its name, with arguments, if it is defined. */
  call(name: string, ...args: readonly (readonly Token[])[]): void {
    if (this.state.get(this.state.cell(name)) === undefined) return;
    const braced = args.flatMap((arg) => [this.p.make(1, '{'), ...arg, this.p.make(2, '}')]);
    this.execute([this.p.command(name), ...braced]);
  }

  /** Source of our own as tokens placed where we are. */
  source(text: string): Token[] {
    return tokenize(this.state, text).map((t) => ({ ...t, ...pick(this.p.place) }));
  }

  /** Passes over blanks, expanding on the way (`\ignorespaces`). */
  skipBlanks(): void {
    const token = this.p.nextNonBlank();
    if (token) this.p.unread(token);
  }

  /** Carries out tokens in a group of their own and leaves what is behind them unread. */
  private runInner(tokens: readonly Token[], before: () => void = () => undefined): void {
    this.nested(tokens, (run) => {
      const { openOutside } = this;
      const groups = this.groups.length;
      this.openGroup({ kind: 'semisimple', span: this.p.place });
      this.openOutside = this.environments.length;
      run();
      closeOpenGroups(this, groups + 1);
      this.openOutside = openOutside;
      before();
      this.closeGroup();
    });
  }

  // ---- places
  /** The environment that was begun last and is open; one of no name where none is. */
  get innermost(): OpenEnvironment {
    return this.environments.at(-1) ?? noEnvironment(this.p.place, this.groups.length);
  }

  spanOf(token: Token): Span {
    return pick(this.p.spanOf(token));
  }

  /** Is the package loaded? */
  hasPackage(name: string): boolean {
    return this.read(CELLS.packages).includes(name);
  }

  environment(name: string): EnvironmentEntry | undefined {
    return this.read(environmentCell(name));
  }
}
