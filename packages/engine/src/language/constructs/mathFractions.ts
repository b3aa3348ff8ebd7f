import type { Sp } from '../../base/lengths';
import type { FractionNode, MathNode, MathStyleName } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { readOptional } from '../../expansion/arguments';
import { scanDimen } from '../../expansion/scan';
import { Cat } from '../../tokens/categories';
import type { CommandEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';
import { dimenOf } from '../scanning/dimenOf';
import { readDelimiter } from './mathBrackets';
import { mathEntry as entry } from './mathEntry';

/** A fraction, or one over the other without a bar between brackets. */
export function fractionCommand(
  name: string,
  style: MathStyleName | null,
  bar: number | null,
  left: string | null,
  right: string | null,
  what: string,
): CommandEntry {
  return entry(name, 'mm', what, `\\${name}{n}{k}`, (reader, token) => {
    const num = reader.field(token);
    const den = reader.field(token);
    return { kind: 'fraction', num, den, bar, left, right, style, ...reader.span(token) };
  });
}

const INFIX = 'An old way to write a fraction: what stands before over what stands behind.';

const infix = (name: string, bar: Sp | null, left: string | null, right: string | null) =>
  entry(name, '', INFIX, `{a \\${name} b}`, (reader, token) => {
    reader.splitAt({ bar, left, right, span: reader.it.spanOf(token) }, reader.current);
    return null;
  });

/** `\overwithdelims<left><right>` and its kin; `\above` and `\abovewithdelims` take the bar's thickness. */
const infixOf = (name: string, bar: Sp | null | 'asked', delimited: boolean, example: string) =>
  entry(name, '', INFIX, example, (reader, token) => {
    const nodes = reader.current;
    const left = delimited ? readDelimiter(reader, token) : null;
    const right = delimited ? readDelimiter(reader, token) : null;
    const thickness = bar === 'asked' ? scanDimen(reader.p) : bar;
    reader.splitAt({ bar: thickness, left, right, span: reader.it.spanOf(token) }, nodes);
    return null;
  });

/** Fractions of the kernel. */
export const fractions: readonly CommandEntry[] = [
  fractionCommand('frac', null, null, null, null, 'A fraction.'),
  infix('over', null, null, null),
  infix('atop', 0, null, null),
  infix('choose', 0, '(', ')'),
  infix('brace', 0, '{', '}'),
  infix('brack', 0, '[', ']'),
  infixOf('above', 'asked', false, '{a \\above 1pt b}'),
  infixOf('overwithdelims', null, true, '{a \\overwithdelims() b}'),
  infixOf('atopwithdelims', 0, true, '{a \\atopwithdelims[] b}'),
  infixOf('abovewithdelims', 'asked', true, '{a \\abovewithdelims() 1pt b}'),
];

const STYLES: readonly MathStyleName[] = ['display', 'text', 'script', 'scriptscript'];

/** `\genfrac{left}{right}{thickness}{style}{n}{d}`. */
function generalised(reader: MathReader, token: Token): FractionNode {
  const side = (): string | null => {
    const tokens = reader.argument(token);
    if (tokens.every((t) => t.cat === Cat.Space)) return null;
    reader.p.push([...tokens]);
    return readDelimiter(reader, token);
  };
  const left = side();
  const right = side();
  const thickness = reader.argument(token);
  let bar: Sp | null = null;
  if (thickness.some((t) => t.cat !== Cat.Space)) {
    bar = dimenOf(reader.it, thickness);
  }
  const digit = reader
    .argument(token)
    .map((t) => t.text)
    .join('')
    .trim();
  const style = STYLES[Number(digit)] ?? null;
  const num = reader.field(token);
  const den = reader.field(token);
  return {
    kind: 'fraction',
    num,
    den,
    bar,
    left,
    right,
    style: digit === '' ? null : style,
    ...reader.span(token),
  };
}

/** A continued fraction: all of it in display style, the numerator as high as a line (amsmath's `\cfrac`). */
function continued(reader: MathReader, token: Token): FractionNode {
  const side = readOptional(reader.p)?.[0]?.text;
  const at = reader.it.spanOf(token);
  const display: MathNode = { kind: 'style', style: 'display', ...at };
  const line = reader.it.skip('baselineskip').width;
  const strut: MathNode = {
    kind: 'text',
    inlines: [{ kind: 'rule', width: 0, height: 0.7 * line, depth: 0.3 * line, ...at }],
    ...at,
  };
  const num = [display, strut, ...reader.field(token)];
  const den = [display, ...reader.field(token)];
  const node: FractionNode = {
    kind: 'fraction',
    num,
    den,
    bar: null,
    left: null,
    right: null,
    style: 'display',
    ...reader.span(token),
  };
  return side === 'l' || side === 'r' ? { ...node, align: side === 'l' ? 'left' : 'right' } : node;
}

/** Fractions of amsmath. */
export const amsFractions: readonly CommandEntry[] = [
  fractionCommand('dfrac', 'display', null, null, null, 'A fraction of display size.'),
  fractionCommand('tfrac', 'text', null, null, null, 'A fraction of text size.'),
  fractionCommand('binom', null, 0, '(', ')', 'A binomial coefficient.'),
  fractionCommand('dbinom', 'display', 0, '(', ')', 'A binomial coefficient of display size.'),
  fractionCommand('tbinom', 'text', 0, '(', ')', 'A binomial coefficient of text size.'),
  entry('cfrac', 'omm', 'A continued fraction.', '1+\\cfrac{1}{2+\\cfrac{1}{x}}', continued),
  entry(
    'genfrac',
    'mmmmmm',
    'A fraction of any kind: brackets, thickness of the bar, style (0 to 3), then what stands over and under it.',
    '\\genfrac{[}{]}{0pt}{}{n}{k}',
    generalised,
  ),
];
