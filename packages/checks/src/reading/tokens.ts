import type { MathList, MathNode, ArrayNode, FractionNode } from '@odd-compass/engine/written';
import Fraction from 'fraction.js';
import { lowest, type Exact } from '../numbers/value';
import { letterOf } from './letters';

/** A sign of a formula, with what stands above and below it; `from` and `to` are places in the text. */
export type Token = TokenKind & Scripted & { readonly from: number; readonly to: number };

export interface Scripted {
  readonly sup: MathList | null;
  readonly sub: MathList | null;
}

export type TokenKind =
  | {
      readonly t: 'number';
      readonly value: Exact;
      readonly doubt?: boolean;
      /** Decimal places it is written to. */
      readonly places?: number;
    }
  | { readonly t: 'letter'; readonly name: string; readonly upright: boolean }
  /** Upright letters in a row, or a named function. */
  | { readonly t: 'word'; readonly name: string }
  /** A large operator: sum, product, integral. */
  | { readonly t: 'big'; readonly char: string }
  /** Between or before terms: `+`, `⋅`, `/`, `mod`, `!` … */
  | { readonly t: 'sign'; readonly char: string }
  | { readonly t: 'relation'; readonly char: string }
  | {
      readonly t: 'bracket';
      readonly open: string | null;
      readonly close: string | null;
      readonly inner: readonly Token[];
    }
  | { readonly t: 'bar'; readonly char: '|' | '‖'; readonly side: 'open' | 'close' | null }
  | { readonly t: 'comma'; readonly char: string }
  | { readonly t: 'dots' }
  | { readonly t: 'gap' }
  | { readonly t: 'text'; readonly words: string }
  | { readonly t: 'fraction'; readonly node: FractionNode }
  | { readonly t: 'root'; readonly body: MathList; readonly degree: MathList | null }
  | { readonly t: 'array'; readonly node: ArrayNode }
  | { readonly t: 'accent'; readonly accent: string; readonly base: MathList }
  /** An opening or closing bracket that has no partner. */
  | { readonly t: 'loose'; readonly char: string }
  | { readonly t: 'unread'; readonly what: string };

const PLAIN: Scripted = { sup: null, sub: null };

/** A formula's math list as tokens; `offset` is where its block starts in the text. */
export function tokensOf(list: MathList, offset: number): readonly Token[] {
  const flat: Token[] = [];
  for (const node of list) flat.push(...nodeTokens(node, offset));
  return bracketed(joined(flat));
}

/** A gap this wide parts statements (`\quad`), in mu. */
const WIDE = 17;

function nodeTokens(node: MathNode, offset: number): readonly Token[] {
  const place = { from: node.from + offset, to: node.to + offset };
  const one = (kind: TokenKind): readonly Token[] => [{ ...kind, ...PLAIN, ...place }];
  const inside = (list: MathList): readonly Token[] =>
    list.flatMap((part) => nodeTokens(part, offset));
  switch (node.kind) {
    case 'symbol':
      return one(symbolToken(node.char, node.cls));
    case 'operator':
      return one(
        node.name !== null
          ? { t: 'word', name: node.name.replace(/\s/g, '') }
          : { t: 'big', char: node.char ?? '' },
      );
    case 'big':
      return one(bracketToken(node.char ?? '', node.cls));
    case 'scripts':
      return scripted(node.base ? nodeTokens(node.base, offset) : [], node.sup, node.sub, place);
    case 'group':
      return groupTokens(node.body, node.cls, inside, one);
    case 'fraction':
      return one({ t: 'fraction', node });
    case 'radical':
      return one({ t: 'root', body: node.body, degree: node.degree });
    case 'delimited': {
      const inner = tokensOf(node.body, offset);
      const [open, close] = [bracketSign(node.left), bracketSign(node.right)];
      return one({ t: 'bracket', open, close, inner });
    }
    case 'array':
      return one({ t: 'array', node });
    case 'accent':
      return one({ t: 'accent', accent: node.char, base: node.base });
    case 'line':
      return node.below ? inside(node.base) : one({ t: 'accent', accent: '¯', base: node.base });
    case 'stretch':
      // An arrow or hat is part of the name; a brace only tells something about what it holds.
      return node.limits
        ? inside(node.base)
        : one({ t: 'accent', accent: node.char, base: node.base });
    case 'stack':
      return stacked(node, inside, one);
    case 'not':
      return negated(inside([node.body]), one);
    case 'text':
      return one(textToken(wordsOf(node.inlines)));
    case 'space':
      return node.mu >= WIDE || node.width > 9 * 65536 ? one({ t: 'gap' }) : [];
    case 'choice':
      return inside(node.lists.display);
    case 'cancel':
      return inside(node.base);
    case 'lap':
    case 'centred':
      return inside(node.body);
    case 'bold':
      return inside([node.body]);
    case 'phantom':
      return node.shown ? inside(node.body) : [];
    case 'longArrow':
      return one({ t: 'relation', char: '→' });
    case 'style':
    case 'colour':
    case 'penalty':
    case 'size':
      return [];
    case 'enclosure':
    case 'middle':
    case 'sideset':
    case 'diagram':
      return one({ t: 'unread', what: 'a sign of this kind' });
    case 'unknown':
      return one({ t: 'unread', what: node.text });
  }
}

/** A single letter set as text is a letter (`\text{d}x`). */
const textToken = (words: string): TokenKind =>
  /^[A-Za-z]$/.test(words) && words !== 'a'
    ? { t: 'letter', name: words, upright: true }
    : { t: 'text', words };

/** Words and formulas of a text within a formula, formulas as blanks. */
function wordsOf(inlines: readonly { readonly kind: string }[]): string {
  return inlines
    .map((inline) => {
      if ('text' in inline && typeof inline.text === 'string') return inline.text;
      return inline.kind === 'math' ? '$' : ' ';
    })
    .join('')
    .trim();
}

type Inside = (list: MathList) => readonly Token[];
type One = (kind: TokenKind) => readonly Token[];

function groupTokens(body: MathList, cls: string, inside: Inside, one: One): readonly Token[] {
  const inner = inside(body);
  const [only] = inner;
  if (cls === 'bin' && only?.t === 'word' && only.name === 'mod')
    return one({ t: 'sign', char: 'mod' });
  const isDot = (node: MathNode): boolean => node.kind === 'symbol' && /^[.⋅·]$/.test(node.char);
  if (body.length > 1 && body.every(isDot)) return one({ t: 'dots' });
  // `{,}` writes a decimal comma.
  if (cls === 'ord' && inner.length === 1 && only?.t === 'comma')
    return one({ t: 'comma', char: '{,}' });
  if (cls === 'op' && inner.every(({ t }) => t === 'letter')) {
    return one({
      t: 'word',
      name: inner.map((token) => ('name' in token ? token.name : '')).join(''),
    });
  }
  if (cls === 'rel' && inner.length > 1 && inner.some(({ t }) => t === 'relation')) {
    const chars = inner.map((token) => ('char' in token ? token.char : '')).join('');
    return one({ t: 'relation', char: DEFINES.has(chars) ? '≔' : chars });
  }
  return inner;
}

const DEFINES: ReadonlySet<string> = new Set([':=', '=:', '::=', '≔', '≕', '≜', '≝', '∶=']);

interface Stack {
  readonly base: MathList;
  readonly over: MathList | null;
  readonly under: MathList | null;
}

function stacked({ base, over, under }: Stack, inside: Inside, one: One): readonly Token[] {
  const inner = inside(base);
  const [only] = inner;
  if (only?.t === 'relation' && over) {
    const said = inside(over)
      .map((token) => ('words' in token ? token.words : 'name' in token ? token.name : ''))
      .join('');
    return /^(def|Def|!|\?)/.test(said) ? one({ t: 'relation', char: '≔' }) : inner;
  }
  if (inner.length === 1 && only?.t === 'word' && under) return [{ ...only, sub: under }];
  if (only?.t === 'relation') return inner;
  return one({ t: 'unread', what: 'signs one over another' });
}

const NEGATIONS: Readonly<Record<string, string>> = {
  '=': '≠',
  '≡': '≢',
  '∣': '∤',
  '|': '∤',
  '<': '≥',
  '>': '≤',
  '≤': '>',
  '≥': '<',
  '∈': '∉',
};

function negated(inner: readonly Token[], one: One): readonly Token[] {
  const [only] = inner;
  const char = only && 'char' in only ? only.char : '';
  return one({ t: 'relation', char: NEGATIONS[char] ?? `not ${char}` });
}

function scripted(
  base: readonly Token[],
  sup: MathList | null,
  sub: MathList | null,
  place: { readonly from: number; readonly to: number },
): readonly Token[] {
  const last = base.at(-1);
  if (!last) return [{ t: 'unread', what: 'a raised sign without a base', ...PLAIN, ...place }];
  // A brace under several terms carries words, not an index of the last of them.
  if (base.length > 1) return sup && !sub ? [...base.slice(0, -1), { ...last, sup }] : base;
  return [{ ...last, sup: sup ?? last.sup, sub: sub ?? last.sub, to: place.to }];
}

const SIGNS: Readonly<Record<string, string>> = {
  '−': '-',
  '-': '-',
  '∗': '*',
  '*': '*',
  '·': '⋅',
  '⋅': '⋅',
  '∙': '⋅',
  '•': '⋅',
  '∕': '/',
};
const RELATIONS: Readonly<Record<string, string>> = {
  '⩽': '≤',
  '≦': '≤',
  '⩾': '≥',
  '≧': '≥',
  '≲': '≈',
  '≃': '≈',
  '⇒': '⟹',
  '⇔': '⟺',
  '⟶': '→',
  '∶': ':',
  '≜': '≔',
  '≝': '≔',
};
const DOTS = /^[…⋯⋰⋱⋮]$/;
const LETTER = /^\p{L}[︀︁]?$/u;

function symbolToken(char: string, cls: string): TokenKind {
  if (/^\d$/.test(char)) return { t: 'number', value: BigInt(char) };
  if (DOTS.test(char)) return { t: 'dots' };
  if (char === '|' || char === '‖' || char === '∥') return bracketToken(char, cls);
  const letter = letterOf(char);
  if (letter) return { t: 'letter', ...letter };
  if (cls === 'open' || (cls === 'close' && char !== '!')) return bracketToken(char, cls);
  if (cls === 'rel') return { t: 'relation', char: RELATIONS[char] ?? char };
  if (cls === 'punct' || char === '.' || char === ',' || char === ':') return { t: 'comma', char };
  if (LETTER.test(char)) return { t: 'letter', name: char, upright: true };
  return { t: 'sign', char: SIGNS[char] ?? char };
}

const bracketSign = (char: string | null): string | null => {
  if (char === '∣') return '|';
  return char === '∥' ? '‖' : char === '⟨' ? '〈' : char === '⟩' ? '〉' : char;
};

function bracketToken(char: string, cls: string): TokenKind {
  const sign = bracketSign(char) ?? '';
  if (sign === '|' || sign === '‖') {
    return { t: 'bar', char: sign, side: cls === 'open' || cls === 'close' ? cls : null };
  }
  if (cls === 'open' || cls === 'close') return { t: 'loose', char: sign };
  if (sign === '/') return { t: 'sign', char: '/' };
  return '([{⌊⌈〈'.includes(sign) || ')]}⌋⌉〉'.includes(sign)
    ? { t: 'loose', char: sign }
    : { t: 'sign', char: sign };
}

/** Digits become numbers, upright letters words; `:` and `=` together define. */
function joined(flat: readonly Token[]): Token[] {
  const out: Token[] = [];
  for (let i = 0; i < flat.length;) {
    const token = flat[i] as Token;
    if (
      token.t === 'number' ||
      (token.t === 'comma' && token.char === '.' && isDigit(flat[i + 1]))
    ) {
      i = readNumber(flat, i, out);
      continue;
    }
    if (token.t === 'letter' && token.upright && /^[A-Za-z]$/.test(token.name)) {
      i = readWord(flat, i, out);
      continue;
    }
    const next = flat[i + 1];
    if (token.t === 'comma' && token.char === ':' && next?.t === 'relation' && next.char === '=') {
      out.push({ ...next, char: '≔', from: token.from });
      i += 2;
      continue;
    }
    if (
      token.t === 'relation' &&
      token.char === ':' &&
      next?.t === 'relation' &&
      next.char === '='
    ) {
      out.push({ ...next, char: '≔', from: token.from });
      i += 2;
      continue;
    }
    out.push(token);
    i++;
  }
  return out;
}

const isDigit = (token: Token | undefined): boolean => token?.t === 'number';
const isPlain = (token: Token | undefined): boolean => !token?.sup && !token?.sub;

function readNumber(flat: readonly Token[], start: number, out: Token[]): number {
  let text = '';
  let i = start;
  let doubt = false;
  let end: Token | undefined;
  while (i < flat.length) {
    const token = flat[i] as Token;
    const glued = i === start || flat[i - 1]?.to === token.from || text.endsWith('.');
    if (token.t === 'number' && (glued || threeDigits(flat, i))) {
      text += String(token.value);
      end = token;
      i++;
      if (!isPlain(token)) break;
      continue;
    }
    const point = token.t === 'comma' && (token.char === '.' || token.char === '{,}');
    if (!point || !isDigit(flat[i + 1]) || text.includes('.')) break;
    // A comma with three digits behind it may also part thousands.
    if (token.char === '{,}' && threeDigits(flat, i + 1)) doubt = true;
    text += '.';
    i++;
  }
  const first = flat[start] as Token;
  const last = end ?? first;
  const value = lowest(new Fraction(text.startsWith('.') ? `0${text}` : text));
  const places = text.includes('.') ? text.length - text.indexOf('.') - 1 : 0;
  const kind = { t: 'number', value, ...(doubt && { doubt }), ...(places && { places }) } as const;
  out.push({ ...kind, sup: last.sup, sub: last.sub, from: first.from, to: last.to });
  return i;
}

/** Exactly three digits from here on: a group of a long number (`12\,000`). */
function threeDigits(flat: readonly Token[], from: number): boolean {
  const count = (i: number): number =>
    isDigit(flat[i]) ? 1 + (isPlain(flat[i]) ? count(i + 1) : 0) : 0;
  return count(from) === 3;
}

function readWord(flat: readonly Token[], start: number, out: Token[]): number {
  let i = start;
  let name = '';
  for (; i < flat.length; i++) {
    const token = flat[i] as Token;
    if (token.t !== 'letter' || !token.upright || !/^[A-Za-z]$/.test(token.name)) break;
    name += token.name;
    if (!isPlain(token)) {
      i++;
      break;
    }
  }
  const [first, last] = [flat[start] as Token, flat[i - 1] as Token];
  if (name.length === 1) out.push(first);
  else out.push({ t: 'word', name, sup: last.sup, sub: last.sub, from: first.from, to: last.to });
  return i;
}

const CLOSES: Readonly<Record<string, string>> = {
  '(': ')',
  '[': ']',
  '{': '}',
  '⌊': '⌋',
  '⌈': '⌉',
  '〈': '〉',
};
const OPENERS = new Set(Object.keys(CLOSES));

/** Brackets with what they hold as one token each; those without a partner stay loose. */
function bracketed(flat: readonly Token[]): readonly Token[] {
  const levels: { readonly open: Token | null; readonly held: Token[] }[] = [
    { open: null, held: [] },
  ];
  for (const token of flat) {
    const top = levels.at(-1) as (typeof levels)[number];
    if (token.t !== 'loose') {
      top.held.push(token);
    } else if (OPENERS.has(token.char)) {
      levels.push({ open: token, held: [] });
    } else if (top.open?.t === 'loose') {
      levels.pop();
      const bracket = {
        t: 'bracket',
        open: top.open.char,
        close: token.char,
        inner: top.held,
      } as const;
      levels.at(-1)?.held.push({
        ...bracket,
        sup: token.sup,
        sub: token.sub,
        from: top.open.from,
        to: token.to,
      });
    } else {
      top.held.push(token);
    }
  }
  while (levels.length > 1) {
    const top = levels.pop() as (typeof levels)[number];
    levels.at(-1)?.held.push(top.open as Token, ...top.held);
  }
  return levels[0]?.held ?? [];
}
