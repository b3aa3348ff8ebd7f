import {
  glue,
  type Glue,
  type GlueOrder,
  MAX_DIMEN,
  NO_GLUE,
  PT,
  type Sp,
  unitLength,
  UNITS,
} from '../base/lengths';
import { Cat } from '../tokens/categories';
import { cell } from './cells';
import { type Quantity, type RegisterMeaning, STOP, type Token } from './meaning';
import type { Processor } from './processor';

/** Sizes that depend on the current font, asked for in mid-expansion. */
export interface FontUnits {
  readonly em: Sp;
  readonly ex: Sp;
  /** The blank between words (`\fontdimen2` to `4`), and what a sentence's end adds to it (`7`). */
  readonly blank: Glue;
  readonly extra: Sp;
}
export type FontUnitsSource = () => FontUnits;
export const FONT_UNITS = cell<FontUnitsSource | null>('fontunits', null);

/** Optional signs; true for an odd number of minuses. */
function scanSign(p: Processor): boolean {
  let negative = false;
  for (;;) {
    const token = p.nextNonBlank();
    if (token === null) return negative;
    if (token.cat === Cat.Other && token.text === '-') negative = !negative;
    else if (!(token.cat === Cat.Other && token.text === '+')) {
      p.unread(token);
      return negative;
    }
  }
}

/** The register a token names, or null. */
export function registerOf(p: Processor, token: Token): RegisterMeaning | null {
  if (token.cell === null) return null;
  const meaning = p.state.meaning(token.cell);
  if (meaning?.kind === 'register') return meaning;
  if (meaning?.kind === 'primitive' && NUMBERED[meaning.name]) {
    const type = NUMBERED[meaning.name] as RegisterMeaning['type'];
    const number = scanInt(p);
    return { kind: 'register', type, storage: p.state.register(type, number) };
  }
  return null;
}

/** What a token stands for where a number or length is wanted, or null. */
export function quantityOf(p: Processor, token: Token): Quantity | null {
  if (token.cell === null) return null;
  const meaning = p.state.meaning(token.cell);
  if (meaning?.kind === 'chardef') return { type: 'count', value: meaning.code };
  if ((meaning?.kind === 'primitive' || meaning?.kind === 'command') && meaning.read)
    return meaning.read(p, token);
  const register = registerOf(p, token);
  return register && { type: register.type, value: p.state.get(register.storage) };
}

/** `\count12` and its like. */
const NUMBERED: Readonly<Record<string, RegisterMeaning['type'] | undefined>> = {
  count: 'count',
  dimen: 'dimen',
  skip: 'skip',
  muskip: 'muskip',
  toks: 'toks',
};

function digits(p: Processor, base: number): { text: string; any: boolean } {
  let text = '';
  for (;;) {
    const token = p.nextExpanded();
    if (token === null) break;
    const plain = token.cat === Cat.Other || (base === 16 && token.cat === Cat.Letter);
    if (plain && /^[0-9A-F]$/.test(token.text) && parseInt(token.text, 16) < base) {
      text += token.text;
      continue;
    }
    if (token.cat !== Cat.Space) p.unread(token);
    break;
  }
  return { text, any: text !== '' };
}

/** An integer (The TeXbook, chapter 24, ⟨number⟩). Reports a missing one and gives 0. */
export function scanInt(p: Processor): number {
  const negative = scanSign(p);
  const value = scanUnsigned(p);
  return negative ? -value : value;
}

function scanUnsigned(p: Processor): number {
  const token = p.nextNonBlank();
  if (token === null) return missingNumber(p, null);
  if (token.cat === Cat.Other && token.text === '`') {
    const char = p.next();
    if (char === null || char.cat === STOP) return missingNumber(p, char);
    const after = p.nextExpanded();
    if (after !== null && after.cat !== Cat.Space) p.unread(after);
    return char.text.codePointAt(0) ?? 0;
  }
  if (token.cat === Cat.Other && (token.text === "'" || token.text === '"')) {
    const base = token.text === "'" ? 8 : 16;
    const { text, any } = digits(p, base);
    return any ? clampInt(parseInt(text, base)) : missingNumber(p, token);
  }
  if (token.cell !== null) {
    const quantity = quantityOf(p, token);
    return quantity ? asInt(quantity.value) : missingNumber(p, token);
  }
  p.unread(token);
  const { text, any } = digits(p, 10);
  return any ? clampInt(parseInt(text, 10)) : missingNumber(p, null);
}

function asInt(value: unknown): number {
  if (typeof value === 'number') return Math.round(value);
  return value && typeof value === 'object' && 'width' in value ? (value as Glue).width : 0;
}

const clampInt = (n: number): number => Math.min(n, 2147483647);

function missingNumber(p: Processor, back: Token | null): number {
  if (back) p.unread(back);
  const at = back ? p.spanOf(back) : { from: Math.max(0, p.here() - 1), to: p.here() };
  if (p.exhausted === null) p.report('number-missing', at);
  return 0;
}

/** The letters of a keyword, in either case, if they come next (The TeXbook, chapter 24). */
export function takeKeyword(p: Processor, word: string): boolean {
  const taken: Token[] = [];
  for (let i = 0; i < word.length; i++) {
    const token = i === 0 ? p.nextNonBlank() : p.nextExpanded();
    if (token === null || token.cell !== null || token.text.toLowerCase() !== word[i]) {
      p.push(token === null ? taken : [...taken, token]);
      return false;
    }
    taken.push(token);
  }
  return true;
}

interface Scanned {
  readonly length: number;
  readonly order: GlueOrder;
}

/** A dimension in sp (The TeXbook, chapter 24, ⟨dimen⟩). */
export function scanDimen(p: Processor): Sp {
  return scanLength(p, false, false).length;
}

function scanLength(p: Processor, infinite: boolean, mu: boolean): Scanned {
  const negative = scanSign(p);
  const { length, order } = scanUnsignedLength(p, infinite, mu);
  const bounded = Math.max(-MAX_DIMEN, Math.min(MAX_DIMEN, Math.round(length)));
  return { length: negative ? -bounded : bounded, order };
}

function scanUnsignedLength(p: Processor, infinite: boolean, mu: boolean): Scanned {
  const token = p.nextNonBlank();
  if (token === null) return { length: missingNumber(p, null), order: 0 };
  if (token.cell !== null) {
    const quantity = quantityOf(p, token);
    if (quantity?.type === 'count') return scanUnit(p, Number(quantity.value ?? 0), infinite, mu);
    if (quantity) return { length: lengthOf(quantity.value), order: 0 };
    return { length: missingNumber(p, token), order: 0 };
  }
  const factor = scanDecimal(p, token);
  if (factor === null) return { length: missingNumber(p, token), order: 0 };
  return scanUnit(p, factor, infinite, mu);
}

const lengthOf = (value: unknown): Sp =>
  typeof value === 'number' ? value : ((value as Glue | undefined)?.width ?? 0);

function scanDecimal(p: Processor, first: Token): number | null {
  let text = '';
  let token: Token | null = first;
  while (token !== null && token.cat === Cat.Other && /^[0-9.,]$/.test(token.text)) {
    text += token.text === ',' ? '.' : token.text;
    token = p.nextExpanded();
  }
  if (text === '') return null;
  if (token !== null) p.unread(token);
  const value = parseFloat(text);
  return Number.isNaN(value) ? 0 : value;
}

function scanUnit(p: Processor, factor: number, infinite: boolean, mu: boolean): Scanned {
  if (infinite && takeKeyword(p, 'fil')) {
    let order = 1;
    while (order < 3 && takeKeyword(p, 'l')) order++;
    return { length: factor * PT, order: order as GlueOrder };
  }
  if (mu && takeKeyword(p, 'mu')) return eaten(p, factor * PT);
  takeKeyword(p, 'true');
  for (const unit of Object.keys(UNITS)) {
    if (takeKeyword(p, unit)) return eaten(p, unitLength(factor, unit));
  }
  if (takeKeyword(p, 'em')) return eaten(p, factor * fontUnits(p).em);
  if (takeKeyword(p, 'ex')) return eaten(p, factor * fontUnits(p).ex);
  const token = p.nextNonBlank();
  if (token !== null && token.cell !== null) {
    const quantity = quantityOf(p, token);
    if (quantity) return { length: factor * lengthOf(quantity.value), order: 0 };
  }
  if (token) p.unread(token);
  if (p.exhausted === null && factor !== 0) {
    const end = p.here();
    p.report('unit-missing', { from: Math.max(0, end - 1), to: end }, { number: String(factor) });
  }
  return { length: factor * PT, order: 0 };
}

function eaten(p: Processor, length: number): Scanned {
  const token = p.nextExpanded();
  if (token !== null && token.cat !== Cat.Space) p.unread(token);
  return { length, order: 0 };
}

/** em and ex of the font in force. */
export function fontUnits(p: Processor): FontUnits {
  const source = p.state.peekAt(FONT_UNITS);
  return source ? source() : { em: 10 * PT, ex: 4.3 * PT, blank: glue((10 * PT) / 3), extra: 0 };
}

/** Glue: a length, `plus` and `minus` parts (The TeXbook, chapter 24, ⟨glue⟩). */
export function scanGlue(p: Processor, mu = false): Glue {
  const negative = scanSign(p);
  const token = p.nextNonBlank();
  let base: Sp | null = null;
  if (token !== null) {
    const quantity = quantityOf(p, token);
    if (quantity && (quantity.type === 'skip' || quantity.type === 'muskip')) {
      const value = (quantity.value as Glue | undefined) ?? NO_GLUE;
      return negative ? negate(value) : value;
    }
    if (quantity?.type === 'count')
      base = scanUnit(p, Number(quantity.value ?? 0), false, mu).length;
    else if (quantity) base = lengthOf(quantity.value);
    else p.unread(token);
  }
  base ??= scanUnsignedLength(p, false, mu).length;
  const width = Math.round(negative ? -base : base);
  const plus = takeKeyword(p, 'plus')
    ? scanLength(p, true, mu)
    : { length: 0, order: 0 as GlueOrder };
  const minus = takeKeyword(p, 'minus')
    ? scanLength(p, true, mu)
    : { length: 0, order: 0 as GlueOrder };
  return {
    width,
    stretch: plus.length,
    stretchOrder: plus.order,
    shrink: minus.length,
    shrinkOrder: minus.order,
  };
}

const negate = (g: Glue): Glue => ({
  ...g,
  width: -g.width,
  stretch: -g.stretch,
  shrink: -g.shrink,
});
