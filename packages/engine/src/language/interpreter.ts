import type { Glue, Sp } from '../base/lengths';
import { fontUnits } from '../expansion/scan';
import type { Span } from '../base/spans';
import type { BlockNode } from '../document/blocks';
import { MARKED, type FontSpec } from '../document/font';
import type { Inline } from '../document/inlines';
import { readArgument, readOptional } from '../expansion/arguments';
import { assignRegister } from '../expansion/definitions';
import type { Meaning, Token } from '../expansion/meaning';
import { STOP, type Processor } from '../expansion/processor';
import { getDimen, getSkip } from '../expansion/registers';
import type { Cell, State } from '../expansion/state';
import type { RawFinding } from '../findings/finding';
import { Cat } from '../tokens/categories';
import type { Args, CommandEntry, EnvironmentEntry } from './entries';
import { defineMacro, tokenize } from './define';
import { closeOpenGroups, environmentByName, type OpenEnvironment } from './environments';
import { InlineList } from './inlineList';
import { readDollarFormula, readStrayMath } from './formulas';
import { CELLS, fontInterner, NORMAL_FONT, paragraphShape } from './parameters';
import type { TableState } from './constructs/tables';
import type { CellFrame } from './tableCell';
import type {
  BlockReading,
  LabelDefinition,
  LanguageCommand,
  LanguageHost,
  OpenGroup,
} from './reading';
import { reportUnknownCommand } from './unknown';

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
  vlist: BlockNode[] = [];
  /** The paragraph or box being gathered; null between paragraphs. */
  hlist: InlineList | null = null;
  /** In a box on one line, where paragraphs and displays cannot be. */
  restricted = false;
  /** Set before the next paragraph's first word: an item's label. */
  pendingLabel: readonly Inline[] | null = null;
  /** The next paragraph's own indent, overriding `\parindent`. */
  nextIndent: Sp | null = null;
  clubPenalty: number | null = null;
  /** What `\vspace` and `\pagebreak` inside a paragraph leave for its end. */
  spaceAfterParagraph: BlockNode[] = [];
  /** The table being read, and the frame of its cell; null outside tables. */
  table: TableState | null = null;
  cell: CellFrame | null = null;
  /** What an environment's end leaves to be done once its group is closed. */
  afterEnvironment: ((it: Interpreter) => void) | null = null;
  groups: OpenGroup[] = [];
  environments: OpenEnvironment[] = [];
  labels: LabelDefinition[] = [];
  citations: string[] = [];
  strangers: { name: string; from: number; to: number }[] = [];
  findings: RawFinding[] = [];
  private depth = 0;
  readonly intern = fontInterner();
  private readonly cells: Readonly<Record<keyof typeof CELLS, Cell>>;

  constructor(
    readonly state: State,
    public p: Processor,
    readonly host: LanguageHost,
  ) {
    this.cells = Object.fromEntries(
      Object.entries(CELLS).map(([key, name]) => [key, state.cell(name)]),
    ) as Record<keyof typeof CELLS, Cell>;
  }

  readonly report = (finding: RawFinding): void => {
    this.findings.push(finding);
  };

  // ---- facts kept in cells

  fact<T>(name: keyof typeof CELLS): T | undefined {
    return this.state.get(this.cells[name]) as T | undefined;
  }

  setFact(name: keyof typeof CELLS, value: unknown, global = false): void {
    this.state.set(this.cells[name], value, global);
  }

  get font(): FontSpec {
    return (this.state.get(this.cells.font) as FontSpec | undefined) ?? NORMAL_FONT;
  }

  /** One em of the font in force, which is not always its size. */
  get em(): Sp {
    return fontUnits(this.p).em;
  }

  /** The family that the document's text is set in. */
  get textFamily(): FontSpec['family'] {
    return this.fact<FontSpec['family']>('textFamily') ?? 'roman';
  }

  changeFont(change: Partial<FontSpec>): void {
    this.setFact('font', this.intern({ ...this.font, ...change }));
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
    this.vlist = [];
    this.hlist = null;
    this.restricted = false;
    this.pendingLabel = null;
    this.nextIndent = null;
    this.clubPenalty = null;
    this.spaceAfterParagraph = [];
    this.afterEnvironment = null;
    this.table = null;
    this.cell = null;
    this.depth = 0;
    this.labels = [];
    this.citations = [];
    this.strangers = [];
    this.findings = [];
    this.groups = [];
    this.environments = [];
    this.cells.mode.value = 'vertical';
    this.p.startBlock();
    const start = this.p.reader.pos;
    this.loop(null, start);
    if (this.p.reader.atEnd && this.p.atFile) this.endOfFile();
    return {
      nodes: this.vlist,
      findings: this.findings,
      labels: this.labels,
      citations: this.citations,
      strangers: this.strangers,
    };
  }

  private atSafePoint(start: number): boolean {
    const { p } = this;
    return (
      this.hlist === null &&
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
    for (;;) {
      if (stop === null && this.atSafePoint(start)) {
        this.p.reach = Math.max(this.p.reach, this.p.reader.skipBlankLines());
        return;
      }
      if (this.hlist !== null && this.p.atFile && this.plainWord()) continue;
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

  private stopRunaway(): void {
    const code = this.p.tooDeep ? 'nesting-too-deep' : 'macro-runaway';
    this.p.report(code, this.p.place, { name: this.p.exhausted ?? '' });
    this.p.recover();
  }

  /** A short way for words that stand in the file as they are. */
  private plainWord(): boolean {
    const { reader } = this.p;
    const from = reader.pos - reader.base;
    const text = reader.plainRun(this.p.categories);
    if (text === '') return false;
    this.hlist?.text(text, this.font, from, from + text.length);
    return true;
  }

  carryOut(token: Token): void {
    switch (token.cat) {
      case Cat.Letter:
      case Cat.Other:
        return this.character(token.text, this.p.spanOf(token));
      case Cat.Space:
        return this.space(this.p.spanOf(token));
      case Cat.Begin:
        return this.openGroup({ kind: 'brace', span: this.p.spanOf(token) });
      case Cat.Active:
        return this.command(token);
      case Cat.End:
        return this.closeBrace(token);
      case Cat.Math:
        return readDollarFormula(this, token);
      case Cat.Super:
      case Cat.Sub:
        return readStrayMath(this, token);
      case Cat.Tab:
        return this.p.report('alignment-outside', this.p.spanOf(token));
      case Cat.Parameter:
      case Cat.Argument:
        return this.p.report('parameter-character', this.p.spanOf(token));
      default:
        return this.command(token);
    }
  }

  private command(token: Token): void {
    const meaning: Meaning | undefined = token.cell ? this.state.meaning(token.cell) : undefined;
    switch (meaning?.kind) {
      case 'primitive':
        return meaning.run(this.p, token);
      case 'register':
        return assignRegister(this.p, meaning);
      case 'chardef':
        return this.character(String.fromCodePoint(meaning.code), this.p.spanOf(token));
      case 'char':
        return this.carryOut({ ...token, cat: meaning.cat, text: meaning.text, cell: null });
      case 'command':
        return this.runEntry((meaning as LanguageCommand).entry, token);
      case undefined:
        return environmentByName(this, token) ? undefined : reportUnknownCommand(this, token);
      default:
        return; // an expandable one that `\noexpand` held back: nothing happens
    }
  }

  private runEntry(entry: CommandEntry, token: Token): void {
    if (!entry.run) return readStrayMath(this, token);
    if (token.chunk === this.p.reader.chunk) this.p.place = pick(token);
    const args = this.readArguments(entry.signature, token);
    if (args) entry.run(this, args, token);
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
    group.then?.();
  }

  private closeBrace(token: Token): void {
    if (this.groups.at(-1)?.kind === 'brace') return this.closeGroup();
    const span = this.p.spanOf(token);
    const own = token.chunk === this.p.reader.chunk;
    this.p.report(
      'brace-extra',
      span,
      {},
      own ? { title: 'Take it out', edits: [{ ...pick(span), text: '' }] } : undefined,
    );
  }

  // ---- horizontal material

  character(text: string, at: Span): void {
    this.startParagraph();
    this.hlist?.text(text, this.font, at.from, at.to);
  }

  private space(at: Span): void {
    if (this.hlist === null) return;
    this.hlist.space(this.font, at.from, at.to, this.fact<boolean>('french') === true);
  }

  add(inline: Inline): void {
    this.startParagraph();
    this.hlist?.add(inline);
  }

  /** Text that stands for something unreadable, marked. */
  addMarked(text: string, at: Span): void {
    const font = this.intern({
      ...this.font,
      family: 'mono',
      series: 'medium',
      shape: 'upright',
      color: MARKED,
    });
    this.startParagraph();
    this.hlist?.text(text, font, at.from, at.to);
  }

  /** In vertical mode, starts a paragraph: `\parskip` above, then the indent or a waiting label. */
  startParagraph(indented = true): void {
    if (this.hlist !== null) return;
    if (this.fact<boolean>('inDocument') !== true) this.startMissingDocument();
    this.hlist = new InlineList(this.fact('divisions'));
    this.cells.mode.value = 'horizontal';
    this.vlist.push({ kind: 'vspace', glue: this.skip('parskip'), behaviour: 'plain' });
    const suppressed = this.takeIndentSuppression();
    if (this.pendingLabel) {
      for (const inline of this.pendingLabel) this.hlist.add(inline);
      this.pendingLabel = null;
      this.nextIndent = 0;
    } else if (!indented || suppressed) this.nextIndent = 0;
  }

  private takeIndentSuppression(): boolean {
    let suppressed = false;
    if (this.fact<boolean>('afterHeading') === true) {
      this.setFact('afterHeading', false, true);
      this.clubPenalty = 10000;
      suppressed = true;
    }
    if (this.fact<boolean>('noIndentNext') === true) {
      this.setFact('noIndentNext', false, true);
      suppressed = true;
    }
    return suppressed;
  }

  /** A display belongs to the paragraph before it; without one it starts an empty paragraph. */
  startParagraphForDisplay(): void {
    if (this.hlist === null) this.startParagraph(false);
  }

  /** Binds a macro without arguments to a body in the language itself. */
  define(name: string, body: string, params = 0): void {
    defineMacro(this, name, body, params);
  }

  /** Set by the document construct: what to do when text comes before `\begin{document}`. */
  startMissingDocument: () => void = () => undefined;

  /** Ends the paragraph that is open, if any; `beforeDisplay` when a displayed formula follows. */
  endParagraph(beforeDisplay = false): void {
    if (this.hlist === null || this.restricted) return;
    const inlines = this.hlist.finish();
    this.hlist = null;
    this.cells.mode.value = 'vertical';
    const indent = this.nextIndent ?? this.paragraphIndent();
    this.nextIndent = null;
    const shape = paragraphShape(this.state, indent, this.clubPenalty, beforeDisplay);
    this.clubPenalty = null;
    if (inlines.length > 0) this.vlist.push({ kind: 'paragraph', inlines, shape });
    this.vlist.push(...this.spaceAfterParagraph.splice(0));
  }

  /** Starts a paragraph with the usual indent, whatever came before. */
  startIndented(): void {
    if (this.hlist === null) this.startParagraph();
    else this.add({ kind: 'kern', width: this.dimen('parindent'), ...this.p.place });
    this.nextIndent = null;
  }

  emptyBox(): Inline {
    return {
      kind: 'box',
      inlines: [],
      width: null,
      align: 'left',
      raise: 0,
      hidden: false,
      frame: null,
      grow: false,
      ...this.p.place,
    };
  }

  /** Do lines reach from margin to margin? */
  get justified(): boolean {
    return (this.fact<string>('alignment') ?? 'justified') === 'justified';
  }

  private paragraphIndent(): Sp {
    return this.justified ? this.dimen('parindent') : 0;
  }

  /** Ends a paragraph if one is open and adds to the vertical list. */
  addBlock(...nodes: BlockNode[]): void {
    this.endParagraph();
    this.vlist.push(...nodes);
  }

  // ---- inner runs

  /** What tokens give in a box on one line. */
  inlinesOf(tokens: readonly Token[]): readonly Inline[] {
    return this.inlinesBy(() => this.runInner(tokens));
  }

  /** What an action gives in a box on one line. */
  inlinesBy(action: () => void): readonly Inline[] {
    const outer = { hlist: this.hlist, restricted: this.restricted, label: this.pendingLabel };
    const list = new InlineList(this.fact('divisions'));
    this.hlist = list;
    this.restricted = true;
    this.pendingLabel = null;
    const mode = this.cells.mode.value;
    this.cells.mode.value = 'horizontal';
    action();
    this.hlist = outer.hlist;
    this.restricted = outer.restricted;
    this.pendingLabel = outer.label;
    this.cells.mode.value = mode;
    return list.finish();
  }

  /** What tokens give as a column of their own. */
  blocksOf(tokens: readonly Token[]): readonly BlockNode[] {
    const outer = {
      hlist: this.hlist,
      restricted: this.restricted,
      vlist: this.vlist,
      label: this.pendingLabel,
      nextIndent: this.nextIndent,
      clubPenalty: this.clubPenalty,
      spaceAfterParagraph: this.spaceAfterParagraph,
    };
    const mode = this.cells.mode.value;
    this.vlist = [];
    this.hlist = null;
    this.restricted = false;
    this.pendingLabel = null;
    this.nextIndent = null;
    this.clubPenalty = null;
    this.spaceAfterParagraph = [];
    this.cells.mode.value = 'vertical';
    this.runInner(tokens, () => this.endParagraph());
    const nodes = this.vlist;
    Object.assign(this, {
      hlist: outer.hlist,
      restricted: outer.restricted,
      vlist: outer.vlist,
      pendingLabel: outer.label,
      nextIndent: outer.nextIndent,
      clubPenalty: outer.clubPenalty,
      spaceAfterParagraph: outer.spaceAfterParagraph,
    });
    this.cells.mode.value = mode;
    return nodes;
  }

  /** Carries out tokens now, in the mode and group there is. */
  execute(tokens: readonly Token[]): void {
    if (tokens.length === 0) return;
    if (++this.depth > DEEPEST) {
      this.p.report('nesting-too-deep', this.p.place);
      this.depth--;
      return;
    }
    const stop: Token = { cat: STOP, text: '', cell: null, from: 0, to: 0, chunk: -1 };
    this.p.push([...tokens, stop]);
    this.loop(stop, 0);
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
    if (++this.depth > DEEPEST) {
      this.p.report('nesting-too-deep', this.p.place);
      this.depth--;
      return;
    }
    const stop: Token = { cat: STOP, text: '', cell: null, from: 0, to: 0, chunk: -1 };
    const groups = this.groups.length;
    this.openGroup({ kind: 'semisimple', span: this.p.place });
    this.p.push([...tokens, stop]);
    this.loop(stop, 0);
    closeOpenGroups(this, groups + 1);
    before();
    this.closeGroup();
    this.depth--;
  }

  // ---- places

  spanOf(token: Token): Span {
    return pick(this.p.spanOf(token));
  }

  /** Is the package loaded? */
  hasPackage(name: string): boolean {
    return (this.fact<readonly string[]>('packages') ?? []).includes(name);
  }

  environment(name: string): EnvironmentEntry | undefined {
    const cell = this.state.cell(`\u0002${name}`);
    return this.state.get(cell) as EnvironmentEntry | undefined;
  }
}

/** Only the two offsets of something that has a place. */
export const pick = ({ from, to }: Span): Span => ({ from, to });
