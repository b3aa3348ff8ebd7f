import { comma } from './comma';
import { meantWays } from './meantNames';
import { innerDollars, extraBrace, missingBrace } from './formulaSlips';
import {
  closedOtherwise,
  dollarCloses,
  markWithin,
  ownMarkAhead,
  passBlankLine,
  rowCutsBraces,
} from './formulaEnds';
import { endTooLong, MOST_SIGNS, spendSign } from './longFormula';
import { pick, type Span } from '../../base/spans';
import { CELLS } from './cells';
import type { ArrayPatch, ArraySpan, MathAlphabet } from '../../document/math';
import type { MathClass, MathNode, SymbolNode } from '../../document/math';
import { isPar, readArgument, readBalanced } from '../../expansion/arguments';
import { assignRegister } from '../../expansion/definitions';
import { type Meaning, STOP, type Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { Cat } from '../../tokens/categories';
import type { Interpreter, LanguageCommand } from './interpreter';
import { emboldened, letterIn } from '../symbols/alphabets';
import { CHARACTER_CLASSES, CHARACTERS, OPERATOR_CHARACTERS } from '../symbols/symbols';
import { inGroups } from './mathGroups';
import { readPrimes, readScript } from './mathScripts';
import { noBorders, type RowBorders, type RowMarks } from './rowMarks';
import { EMPTY, textInFormula } from './textInFormula';
import { shorthandIn } from './shorthands';
import { tellTyped } from './typedSigns';
import { unicodeNodes } from './unicodeMath';
import { beginInFormula, endInFormula, type OpenInFormula } from './mathEnvironments';
import { unknownCommand } from './unknown';
import { OWN } from './ownNames';

/** What a list of a formula reads up to. */
export type Until =
  'dollar' | 'brace' | 'paren' | 'bracket' | 'right' | 'cell' | 'environment' | 'optional';

/** How a list ended: as it should, at a `&`, at a `\\`, or too early. */
export type Ended = 'closed' | 'tab' | 'row' | 'early';

/** What ends a cell of a table of text. */
const ROW_ENDS: ReadonlySet<string> = new Set(['\\', 'tabularnewline', 'cr', 'crcr']);
const TABLE_ENDS: ReadonlySet<string> = new Set([...ROW_ENDS, 'end']);

/** What is nested deeper than this is passed over. */
const DEEPEST = 240;

/** An infix fraction met in a list: `\over`, `\choose` and their kin. */
export interface Infix {
  readonly bar: number | null;
  readonly left: string | null;
  readonly right: string | null;
  readonly span: Span;
  /** What stood before it. */
  readonly numerator: readonly MathNode[];
}

/** Reads formulas: expanded tokens in, math nodes out. One for each formula. */
export class MathReader {
  readonly p: Processor;
  alphabet: MathAlphabet = 'normal';
  /** `\boldsymbol` is in force. */
  bold = false;
  color: number;
  /** The environment whose `\end` ends the list, innermost last. */
  readonly environments: OpenInFormula[] = [];
  /** Set by `\tag`, `\notag`, `\label` while a row of a display is read. */
  rowMarks: RowMarks | null = null;
  infix: Infix | null = null;
  /** Rules met since the last row ended. */
  borders: RowBorders = noBorders();
  /** Grounds and frames that the cells of an array ask for. */
  patches: ArrayPatch[] = [];
  /** Set by a cell over several columns while it is read. */
  cellSpan: ArraySpan | null = null;
  private depth = 0;
  /** What the lists that are open are read up to, the innermost last. */
  private readonly lists: Until[] = [];
  private signs = 0;
  /** The mark that closed the formula, when it is one in a line. */
  closing: Token | null = null;
  /** What the whole formula reads up to. */
  outermost: Until | null = null;
  /** The mark that opened the formula, as typed; null for an environment. */
  opening: string | null = null;
  /** Where a mark or bracket stands that was told of with its partner. */
  partnerMark: number | null = null;

  constructor(readonly it: Interpreter) {
    this.p = it.p;
    this.color = it.font.color;
  }

  /** Reads nodes until the end asked for; an early end is left unread. */
  list(until: Until): { nodes: MathNode[]; ended: Ended } {
    if (this.depth >= DEEPEST) return this.tooDeep(until);
    this.outermost ??= until;
    const nodes: MathNode[] = [];
    const outerInfix = this.infix;
    this.infix = null;
    this.depth++;
    this.lists.push(until);
    const ended = inGroups(this.it, () => this.fill(nodes, until));
    this.lists.pop();
    this.depth--;
    const whole = this.infix ? [this.infixFraction(nodes)] : nodes;
    this.infix = outerInfix;
    return { nodes: whole, ended };
  }

  /** Passes over what is nested too deeply, without going deeper. */
  private tooDeep(until: Until): { nodes: MathNode[]; ended: Ended } {
    this.reportDeep();
    if (until === 'brace') readBalanced(this.p, false);
    return { nodes: [], ended: until === 'brace' ? 'closed' : 'early' };
  }

  private reportDeep(): void {
    if (!this.deepReported) this.p.report('nesting-too-deep', this.p.place);
    this.deepReported = true;
  }
  private deepReported = false;

  /** Called by an infix command: what was read so far becomes the numerator. */
  splitAt(infix: Omit<Infix, 'numerator'>, nodes: MathNode[]): void {
    if (this.infix) {
      this.p.report('fraction-ambiguous', infix.span);
      nodes.push(this.infixFraction(nodes.splice(0)));
    }
    this.infix = { ...infix, numerator: nodes.splice(0) };
  }

  private infixFraction(den: MathNode[]): MathNode {
    const { bar, left, right, span, numerator } = this.infix as Infix;
    return { kind: 'fraction', num: numerator, den, bar, left, right, style: null, ...span };
  }

  private fill(nodes: MathNode[], until: Until): Ended {
    for (;;) {
      const token = this.p.nextExpanded();
      if (token === null) return 'early';
      if (++this.signs > MOST_SIGNS) endTooLong(this.it, token);
      if (token.cat === STOP) return this.giveBack(token);
      if (isPar(token)) {
        if (!passBlankLine(this, token, until)) return this.giveBack(token);
        continue;
      }
      const ended = this.takeToken(token, nodes, until);
      if (ended) return ended;
    }
  }

  /** One token and what it needs, as part of no list: for mathematics met in text. */
  takeOne(token: Token, nodes: MathNode[]): void {
    if (token.cat === STOP || isPar(token) || token.cat === Cat.End) this.p.unread(token);
    else this.takeToken(token, nodes, 'dollar');
  }

  private giveBack(token: Token): 'early' {
    this.p.unread(token);
    return 'early';
  }

  /** One token as part of a list that its caller ends; false when it ends the formula. */
  takePart(token: Token, nodes: MathNode[]): boolean {
    if (token.cat !== STOP && !isPar(token) && this.takeToken(token, nodes, 'brace') === null)
      return true;
    this.p.unread(token);
    return false;
  }

  /** Takes one token into the list; says how the list ended, or null when it goes on. */
  private takeToken(token: Token, nodes: MathNode[], until: Until): Ended | null {
    switch (token.cat) {
      case Cat.Space:
        return null;
      case Cat.Letter:
      case Cat.Other:
        if (until === 'optional' && token.text === ']') return 'closed';
        this.character(token, nodes);
        return null;
      case Cat.Begin: {
        nodes.push(this.group(token));
        return null;
      }
      case Cat.End:
        if (until === 'brace') return 'closed';
        if (this.it.groups.some((g) => g.kind === 'brace')) return this.giveBack(token);
        this.p.report('brace-extra', this.it.spanOf(token), {}, extraBrace(this.it, token));
        return null;
      case Cat.Math:
        return this.dollar(token, until);
      case Cat.Super:
      case Cat.Sub:
        readScript(this, token, nodes);
        return null;
      case Cat.Tab:
        if (until === 'cell') return 'tab';
        if (this.isOpenInCell(token)) return this.giveBack(token);
        if (this.endsTableCell(token)) return null;
        this.p.report('alignment-outside', this.it.spanOf(token), {}, this.removal(token));
        return null;
      case Cat.Parameter:
      case Cat.Argument:
        this.p.report('parameter-character', this.it.spanOf(token));
        return null;
      default:
        return this.command(token, nodes, until);
    }
  }

  /** A formula that its table's column opened and will close (`>{$}c<{$}`): what closes the cell comes first. */
  private endsTableCell(token: Token): boolean {
    const frame = this.it.mode.cell;
    if (!frame || this.environments.length > 0) return false;
    if (!frame.after.some((t) => t.cat === Cat.Math || t.text === ')')) return false;
    this.p.push([...frame.after, this.p.command(OWN.cellEnd), token]);
    frame.after = [];
    return true;
  }

  private removal(token: Token) {
    const span = this.it.spanOf(token);
    return { title: 'Take it out', edits: [{ ...span, text: '' }] };
  }

  private dollar(token: Token, until: Until): Ended | null {
    if (until === 'dollar') {
      this.closing = token;
      return 'closed';
    }
    // It ends the formula it began; what is open in it is told of there.
    const within = this.environments.length > 0 || ownMarkAhead(this);
    if (!within && until === this.outermost && dollarCloses(this)) {
      closedOtherwise(this, token);
      return 'closed';
    }
    if (!within || this.outermost === 'dollar') return this.giveBack(token);
    if (token.from === this.partnerMark) return null;
    const { fix, partner } = innerDollars(this, token);
    this.partnerMark = partner;
    this.p.report('dollar-in-formula', this.it.spanOf(token), {}, fix);
    return null;
  }

  /** Is a `\left` open that the end of its cell cuts off (TeX: The Program, §1192), or a brace that is never closed? */
  private isOpenInCell(token: Token): boolean {
    const cell = this.lists.lastIndexOf('cell');
    const inner = this.lists.slice(cell + 1);
    if (cell < 0 || inner.length === 0) return false;
    if (!inner.every((until) => until === 'right' || until === 'brace')) return false;
    const braces = inner.filter((until) => until === 'brace').length;
    return braces === 0 || rowCutsBraces(this, token, braces);
  }

  private command(token: Token, nodes: MathNode[], until: Until): Ended | null {
    if (token.text === 'right' && until === 'right') {
      this.closing = token;
      return 'closed';
    }
    if (token.text === ')' && until === 'paren') {
      this.closing = token;
      return 'closed';
    }
    if (token.text === ']' && until === 'bracket') return 'closed';
    if (ROW_ENDS.has(token.text) && (until === 'cell' || this.isOpenInCell(token)))
      return until === 'cell' ? 'row' : this.giveBack(token);
    if (until !== 'cell' && TABLE_ENDS.has(token.text) && this.endsTableCell(token)) return null;
    const mark = markWithin(this, token, until);
    if (mark !== undefined) return mark;
    if (token.text === 'begin')
      return beginInFormula(this, token, nodes) ? null : this.giveBack(token);
    if (token.text === 'end') return endInFormula(this, token, until);
    const meaning: Meaning | undefined = token.cell ? this.p.meaning(token.cell) : undefined;
    switch (meaning?.kind) {
      case 'primitive':
        meaning.run(this.p, token);
        return null;
      case 'register':
        assignRegister(this.p, meaning);
        return null;
      case 'char':
        return this.takeToken(
          { ...token, cat: meaning.cat, text: meaning.text, cell: null },
          nodes,
          until,
        );
      case 'chardef':
        this.character({ ...token, text: String.fromCodePoint(meaning.code) }, nodes);
        return null;
      case 'command':
        return this.entry(meaning as LanguageCommand, token, nodes);
      case undefined: {
        if (shorthandIn(this, token)) return null;
        unknownCommand(this.it, token);
        nodes.push({ kind: 'unknown', text: `\\${token.text}`, ...this.it.spanOf(token) });
        return null;
      }
      default:
        return null;
    }
  }

  private entry({ entry }: LanguageCommand, token: Token, nodes: MathNode[]): Ended | null {
    if (entry.math) {
      if (token.chunk === this.p.reader.chunk) this.p.place = pick(token);
      this.current = nodes;
      const made = entry.math(this, token);
      if (Array.isArray(made)) nodes.push(...(made as MathNode[]));
      else if (made) nodes.push(made as MathNode);
      return null;
    }
    const text = textInFormula(this, entry, token);
    if (text) {
      if (text !== EMPTY) nodes.push(text);
      return null;
    }
    // A heading, a list or a paragraph of text: the formula before it was not closed.
    if (ENDS_FORMULA.test(entry.name)) return this.giveBack(token);
    const ways = meantWays(this.it, token);
    this.p.report('text-only-in-math', this.it.spanOf(token), { name: entry.name }, ways);
    return null;
  }

  /** The list being filled when an entry is carried out. */
  current: MathNode[] = [];

  symbol(char: string, cls: MathClass, at: Span): MathNode {
    spendSign(this.it.p);
    if (!this.bold) return this.plainSymbol(char, cls, at);
    const bold = emboldened(char);
    if (bold !== null) return this.plainSymbol(bold, cls, at);
    return { kind: 'bold', body: this.plainSymbol(char, cls, at), from: at.from, to: at.to };
  }

  private plainSymbol(char: string, cls: MathClass, at: Span): SymbolNode {
    return { kind: 'symbol', char, cls, color: this.color, from: at.from, to: at.to };
  }

  private character(token: Token, nodes: MathNode[]): void {
    const span = this.it.spanOf(token);
    if (token.text > '\u00ff') tellTyped(this, token);
    if (token.text === "'" || token.text === '′' || token.text === '’')
      return readPrimes(this, span, nodes);
    if (token.text > '\u007f' && unicodeNodes(this, token, nodes)) return;
    nodes.push(token.text === ',' ? comma(this, span) : this.characterNode(token.text, span));
  }

  /** A character that stands for itself, in the alphabet in force. */
  characterNode(text: string, span: Span): MathNode {
    const meant = this.it.read(CELLS.mathCodes)[text];
    if (meant) return this.symbol(letterIn(meant.char, this.alphabet), meant.cls, span);
    const plain = CHARACTERS[text];
    if (plain) return this.symbol(plain[0], plain[1], span);
    if (OPERATOR_CHARACTERS.has(text))
      return { kind: 'operator', char: text, name: null, limits: null, color: this.color, ...span };
    const cls = CHARACTER_CLASSES.get(text) ?? 'ord';
    return this.symbol(cls === 'ord' ? letterIn(text, this.alphabet) : text, cls, span);
  }

  /** A group in braces as one node; a single character stays one. */
  group(open: Token): MathNode {
    const span = this.it.spanOf(open);
    const body = this.braced(open);
    const [only] = body.length === 1 ? body : [];
    if (only?.kind === 'symbol' && only.cls === 'ord') return only;
    return {
      kind: 'group',
      cls: 'ord',
      body,
      limits: false,
      from: span.from,
      to: Math.max(span.to, this.endOf(span)),
    };
  }

  /** The contents of a group whose `{` was just read. */
  braced(open: Token): MathNode[] {
    this.it.openGroup({ kind: 'math', span: this.it.spanOf(open) });
    const outer = { alphabet: this.alphabet, bold: this.bold, color: this.color };
    const { nodes, ended } = this.list('brace');
    if (ended !== 'closed' && this.p.exhausted === null) {
      this.p.report('brace-unclosed', this.it.spanOf(open), {}, missingBrace(this, open));
    }
    Object.assign(this, outer);
    this.it.closeGroup();
    return nodes;
  }

  /** Where the reader is, if that is behind the span in the same place. */
  private endOf(span: Span): number {
    return this.p.atFile ? this.p.here() : span.to;
  }

  /** One argument of a math command: a group, or the next atom. Reports a missing one and gives nothing. */
  field(caller: Token): MathNode[] {
    for (;;) {
      const token = this.p.nextExpanded();
      if (token === null) return [];
      if (token.cat === Cat.Space) continue;
      if (token.cat === Cat.Begin) return this.braced(token);
      const ends =
        token.cat === STOP ||
        token.cat === Cat.End ||
        token.cat === Cat.Math ||
        token.cat === Cat.Tab ||
        isPar(token) ||
        (token.cat === Cat.Command && ENDS_FIELD.has(token.text));
      if (ends) {
        this.p.unread(token);
        const code = caller.cat === Cat.Command ? 'argument-missing' : 'script-missing';
        this.p.report(code, this.it.spanOf(caller), { name: caller.text });
        return [];
      }
      const nodes: MathNode[] = [];
      if (this.depth >= DEEPEST) this.reportDeep();
      else {
        this.depth++;
        this.takeToken(token, nodes, 'brace');
        this.depth--;
      }
      return nodes;
    }
  }

  /** One argument as tokens, for commands whose argument is no formula. */
  argument(caller: Token): readonly Token[] {
    return readArgument(this.p, caller) ?? [];
  }

  /** The span from a command to where the reader is now. */
  span(token: Token): Span {
    const from = this.it.spanOf(token);
    return token.chunk === this.p.reader.chunk
      ? { from: from.from, to: Math.max(from.to, this.endOf(from)) }
      : from;
  }
}

const ENDS_FIELD: ReadonlySet<string> = new Set(['right', 'end', '\\', ')', ']', 'cr', 'crcr']);
const ENDS_FORMULA =
  /^(sub)*(section|paragraph)$|^@startsection$|^(chapter|item|begin|end|maketitle|newpage|clearpage)$/;
