import type { Expr } from './expression';
import { atToken, stopAt, type Reader } from './reader';
import { isBold } from './letters';
import type { Token } from './tokens';

type LetterToken = Extract<Token, { t: 'letter' }>;

/** A letter with its index: a constant, a variable, or one of a sequence. Its exponent is not looked at. */
export function named(reader: Reader, token: LetterToken): Expr {
  const { name, sub, upright } = token;
  if (isSet(name)) throw stopAt(token, `${name} names a set or a space, no value`);
  if (sub) return withIndex(reader, token);
  if (name === 'π' && !reader.names.plainPi)
    return atToken(token, { kind: 'constant', name: 'pi' });
  if (name === 'e' && (upright || !reader.names.plainE)) {
    return atToken(token, { kind: 'constant', name: 'e' });
  }
  if (name === 'i' && (upright || reader.names.imaginary)) {
    return atToken(token, { kind: 'constant', name: 'i' });
  }
  return atToken(token, { kind: 'name', name });
}

/** Letters of the blackboard, script and Gothic alphabets name sets. */
function isSet(name: string): boolean {
  const plain = name.normalize('NFKC');
  return plain !== name && /^[A-Za-z]/.test(plain) && !isBold(name);
}

function withIndex(reader: Reader, token: LetterToken): Expr {
  const tokens = reader.tokens(token.sub ?? []);
  const { name } = token;
  const words = tokens.every(
    ({ t, ...rest }) => t === 'text' || t === 'word' || ('upright' in rest && rest.upright),
  );
  if (words || tokens.some(({ t }) => t === 'text')) {
    const text = tokens
      .map((part) => ('words' in part ? part.words : 'name' in part ? part.name : ''))
      .join('');
    return atToken(token, { kind: 'name', name: `${name}_${text}` });
  }
  const [first] = tokens;
  // A capital as index names a thing (`x_A`), it counts nothing.
  if (tokens.length === 1 && first?.t === 'letter' && /^[A-MO-Z]$/.test(first.name)) {
    return atToken(token, { kind: 'name', name: `${name}_${first.name}` });
  }
  if (tokens.some(({ t }) => t === 'unread' || t === 'relation')) {
    throw stopAt(token, `the index of ${name} is not read`);
  }
  if (tokens.length === 1 && first?.t === 'sign') {
    return atToken(token, { kind: 'name', name: `${name}_${first.char}` });
  }
  return atToken(token, { kind: 'indexed', name, index: indices(reader, tokens, token) });
}

/** `a_{ij}` has two indices, `a_{n+1}` one. */
function indices(reader: Reader, tokens: readonly Token[], near: Token): readonly Expr[] {
  const single = tokens.every(
    ({ t, sup, sub }) => (t === 'letter' || t === 'number' || t === 'comma') && !sup && !sub,
  );
  const letters = tokens.filter(({ t }) => t === 'letter').length;
  const signs = tokens.filter(({ t }) => t !== 'comma');
  // `x_{2n}` is a product, `a_{1j}` a pair: a number before a letter of a row or column counts as its own.
  const pair =
    single &&
    signs.length > 1 &&
    (letters > 1 || tokens.some(({ t }) => t === 'comma') || isEntry(signs));
  if (pair) return signs.map((token) => reader.expression([token], near));
  return [reader.expression(tokens, near)];
}

const isEntry = (signs: readonly Token[]): boolean =>
  signs.length === 2 && signs.some((sign) => sign.t === 'letter' && /^[ij]$/.test(sign.name));

/** A letter under an accent is another name; a bar over complex numbers conjugates them. */
export function accented(reader: Reader, token: Extract<Token, { t: 'accent' }>): Expr {
  const base = reader.tokens(token.base);
  const [only, ...others] = base;
  const overlined =
    token.accent === '¯' || token.accent === '̅' || token.accent === '̄' || token.accent === 'ˉ';
  if (overlined && reader.names.imaginary) {
    return atToken(token, { kind: 'call', fn: 'conj', args: [reader.expression(base, token)] });
  }
  if (others.length || only?.t !== 'letter' || only.sup) {
    throw stopAt(token, 'what stands under the accent is not read');
  }
  const plain = named(reader, only);
  if (plain.kind === 'indexed') return { ...plain, name: `${plain.name}${token.accent}` };
  const name = plain.kind === 'name' ? plain.name : only.name;
  return atToken(token, { kind: 'name', name: `${name}${token.accent}` });
}
