import { arrayOf, nameOf, PostScriptError, stringOf, type Value } from './values';

const BLANK = /[\0\t\n\f\r ]/;
const REGULAR = /[^\0\t\n\f\r ()<>[\]{}/%]/y;
const WORD = /[^\0\t\n\f\r ()<>[\]{}/%]+/y;
const NUMBER = /^[+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?$/;
const RADIX = /^(\d{1,2})#([0-9a-zA-Z]+)$/;
/** How deep procedures may stand in one another. */
const DEEPEST = 200;

/** The text of a program and how far it is read; data that are read ahead are taken out of it. */
export interface Scanner {
  text: string;
  at: number;
}

export const scannerOf = (text: string): Scanner => ({ text, at: 0 });

/** The next object of a program, or null at its end (Language Reference, 3.2). */
export function nextObject(it: Scanner): { readonly value: Value } | null {
  const word = nextToken(it, 0);
  if (word === null) return null;
  if (word === CLOSE) throw new PostScriptError('syntaxerror', '}');
  return { value: word };
}

/** The brace that ends a procedure. */
const CLOSE = nameOf('}', true);

function nextToken(it: Scanner, depth: number): Value | typeof CLOSE | null {
  skipBlanks(it);
  const { text } = it;
  const first = text[it.at];
  if (first === undefined) return null;
  switch (first) {
    case '{':
      it.at++;
      return procedure(it, depth + 1);
    case '}':
      it.at++;
      return CLOSE;
    case '[':
    case ']':
      it.at++;
      return nameOf(first, true);
    case '(':
      it.at++;
      return stringOf(literalString(it));
    case '<':
      return angle(it);
    case '>':
      it.at += text[it.at + 1] === '>' ? 2 : 1;
      return nameOf('>>', true);
    case '/':
      return slashName(it);
    case ')':
      throw new PostScriptError('syntaxerror', ')');
    default:
      return word(it);
  }
}

function skipBlanks(it: Scanner): void {
  const { text } = it;
  for (;;) {
    const char = text[it.at];
    if (char === undefined) return;
    if (char === '%') {
      while (it.at < text.length && text[it.at] !== '\n' && text[it.at] !== '\r') it.at++;
    } else if (BLANK.test(char)) it.at++;
    else return;
  }
}

function procedure(it: Scanner, depth: number): Value {
  if (depth > DEEPEST) throw new PostScriptError('limitcheck', '{');
  const items: Value[] = [];
  for (;;) {
    const value = nextToken(it, depth);
    if (value === null) throw new PostScriptError('syntaxerror', '{');
    if (value === CLOSE) return arrayOf(items, true);
    items.push(value);
  }
}

const ESCAPES: Readonly<Record<string, string>> = { n: '\n', r: '\r', t: '\t', b: '\b', f: '\f' };

function literalString(it: Scanner): string {
  const { text } = it;
  let out = '';
  for (let depth = 1; it.at < text.length;) {
    const char = text[it.at++] as string;
    if (char === ')' && --depth === 0) return out;
    if (char === '(') depth++;
    out += char === '\\' ? escaped(it) : char;
  }
  throw new PostScriptError('syntaxerror', '(');
}

function escaped(it: Scanner): string {
  const digits = /[0-7]{1,3}/y;
  digits.lastIndex = it.at;
  const octal = digits.exec(it.text);
  if (octal) {
    it.at += octal[0].length;
    return String.fromCharCode(parseInt(octal[0], 8) & 255);
  }
  const char = it.text[it.at++] ?? '';
  if (char === '\r' && it.text[it.at] === '\n') it.at++;
  if (char === '\r' || char === '\n') return '';
  return ESCAPES[char] ?? char;
}

/** A hexadecimal string, one of base 85, or the start of a dictionary. */
function angle(it: Scanner): Value {
  const { text } = it;
  if (text[it.at + 1] === '<') {
    it.at += 2;
    return nameOf('<<', true);
  }
  const base85 = text[it.at + 1] === '~';
  const end = text.indexOf(base85 ? '~>' : '>', it.at + 1);
  if (end < 0) throw new PostScriptError('syntaxerror', '<');
  const inside = text.slice(it.at + (base85 ? 2 : 1), end);
  it.at = end + (base85 ? 2 : 1);
  return stringOf(base85 ? fromBase85(inside) : fromHex(inside));
}

/** Bytes from hexadecimal digits; what is none is passed over, an odd last one counts as followed by 0. */
export function fromHex(digits: string): string {
  const clean = digits.replace(/[^0-9a-fA-F]/g, '');
  let out = '';
  for (let i = 0; i < clean.length; i += 2)
    out += String.fromCharCode(parseInt(clean.slice(i, i + 2).padEnd(2, '0'), 16));
  return out;
}

/** Bytes from base 85 (Language Reference, 3.13.3, ASCII85Decode). */
export function fromBase85(text: string): string {
  let out = '';
  let group: number[] = [];
  const give = (count: number): void => {
    const whole = group.reduce((sum, digit) => sum * 85 + digit, 0);
    for (let i = 0; i < count; i++)
      out += String.fromCharCode(Math.floor(whole / 256 ** (3 - i)) % 256);
    group = [];
  };
  for (const char of text) {
    if (char === 'z' && group.length === 0) out += '\0\0\0\0';
    else if (char >= '!' && char <= 'u') group.push(char.charCodeAt(0) - 33);
    if (group.length === 5) give(4);
  }
  if (group.length > 1) {
    const left = group.length - 1;
    while (group.length < 5) group.push(84);
    give(left);
  }
  return out;
}

function slashName(it: Scanner): Value {
  // Two slashes ask for what the name means at once; here it is looked up when it is run.
  const atOnce = it.text[it.at + 1] === '/';
  it.at += atOnce ? 2 : 1;
  WORD.lastIndex = it.at;
  const name = WORD.exec(it.text)?.[0] ?? '';
  it.at += name.length;
  return nameOf(name, atOnce);
}

function word(it: Scanner): Value {
  WORD.lastIndex = it.at;
  const text = WORD.exec(it.text)?.[0] ?? '';
  it.at += Math.max(1, text.length);
  return numberOf(text) ?? nameOf(text, true);
}

/** The number that a word writes, or null. */
export function numberOf(text: string): number | null {
  if (NUMBER.test(text)) return Number(text);
  const radix = RADIX.exec(text);
  if (!radix) return null;
  const value = parseInt(radix[2] as string, Number(radix[1]));
  return Number.isNaN(value) ? null : value;
}

/** Bytes of the program from where it is read, for programs that carry data. */
export function takeBytes(it: Scanner, count: number): string {
  const out = it.text.slice(it.at, it.at + count);
  it.at += out.length;
  return out;
}

/** The next line of the program, without its end. */
export function takeLine(it: Scanner): string | null {
  if (it.at >= it.text.length) return null;
  const end = /\r\n|\r|\n/g;
  end.lastIndex = it.at;
  const found = end.exec(it.text);
  const line = it.text.slice(it.at, found?.index ?? it.text.length);
  it.at = found ? found.index + found[0].length : it.text.length;
  return line;
}

/** Bytes written in hexadecimal, from where the program is read. */
export function takeHex(it: Scanner, count: number): string {
  let digits = '';
  while (digits.length < 2 * count && it.at < it.text.length) {
    const char = it.text[it.at] as string;
    if (/[0-9a-fA-F]/.test(char)) digits += char;
    else if (!BLANK.test(char)) break;
    it.at++;
  }
  return fromHex(digits);
}

/** The blank that ends the word before, which belongs to it. */
export function skipOneBlank(it: Scanner): void {
  REGULAR.lastIndex = it.at;
  if (!REGULAR.test(it.text)) it.at++;
}
