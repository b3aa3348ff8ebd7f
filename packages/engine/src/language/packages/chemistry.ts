import { Cat } from '../../tokens/categories';
import { tokensOf, type CommandEntry, type PackageEntry } from '../machine/entries';
import { numberSource } from './quantityNumbers';
import { DEFAULTS } from './quantitySettings';
import { tokensText } from '../../expansion/tokenText';

/** Arrows between the sides of a reaction, the longest first. */
const ARROWS: readonly (readonly [string, string])[] = [
  ['<-->', '\\xleftrightarrow'],
  ['<=>>', '\\xrightleftharpoons'],
  ['<<=>', '\\xrightleftharpoons'],
  ['<=>', '\\xrightleftharpoons'],
  ['<->', '\\xleftrightarrow'],
  ['->', '\\xrightarrow'],
  ['<-', '\\xleftarrow'],
];

/** Bonds within a formula. */
const BONDS: Readonly<Record<string, string>> = { '-': '{-}', '=': '{=}', '#': '{\\equiv}' };

/** Bonds by `\bond`. */
const DRAWN_BONDS: Readonly<Record<string, string>> = {
  '1': '{-}',
  '2': '{=}',
  '3': '{\\equiv}',
  ...BONDS,
  '~': '{\\sim}',
  '~-': '{\\simeq}',
  '...': '{\\cdots}',
  '....': '{\\cdots\\cdot}',
  '->': '{\\rightarrow}',
  '<-': '{\\leftarrow}',
};

/** What stands in braces from `at` on, or one sign; and where it ends. */
function argumentAt(text: string, at: number): readonly [string, number] {
  if (text[at] !== '{') return [text[at] ?? '', at + 1];
  let depth = 0;
  for (let i = at; i < text.length; i++) {
    if (text[i] === '{') depth++;
    else if (text[i] === '}' && --depth === 0) return [text.slice(at + 1, i), i + 1];
  }
  return [text.slice(at + 1), text.length];
}

/** A charge or a number behind `^`: to the end of it. */
function raisedAt(text: string, at: number): readonly [string, number] {
  if (text[at] === '{') return argumentAt(text, at);
  const plain = /^(?:\d*[+-]+|\d+|[IVX]+|[a-zA-Z]|\\[a-zA-Z]+)/.exec(text.slice(at))?.[0] ?? '';
  return [plain, at + plain.length];
}

/** An arrow with what stands over and under it. */
function arrowAt(text: string, at: number): readonly [string, number] | null {
  const found = ARROWS.find(([sign]) => text.startsWith(sign, at));
  if (!found) return null;
  const [sign, command] = found;
  let end = at + sign.length;
  const said: string[] = [];
  while (text[end] === '[' && said.length < 2) {
    const close = text.indexOf(']', end);
    if (close < 0) break;
    said.push(text.slice(end + 1, close));
    end = close + 1;
  }
  const [over = '', under] = said;
  const room = (inner: string): string => `\\ ${chemistrySource(inner)}\\ `;
  return [`${command}${under === undefined ? '' : `[${room(under)}]`}{${room(over)}}`, end];
}

/** One formula without blanks: `2H2O`, `SO4^2-`, `^{227}_{90}Th+`. */
function formula(text: string): string {
  let out = '';
  /** Is what stands here a number before a formula, or one behind a sign? */
  let behindSign = false;
  for (let i = 0; i < text.length;) {
    const rest = text.slice(i);
    const char = rest[0] as string;
    if (char === '$') {
      const end = text.indexOf('$', i + 1);
      out += text.slice(i + 1, end < 0 ? undefined : end);
      i = end < 0 ? text.length : end + 1;
    } else if (char === '^' || char === '_') {
      const [inner, end] = char === '^' ? raisedAt(text, i + 1) : argumentAt(text, i + 1);
      out += `${behindSign || out !== '' ? '' : '{}'}${char}{\\mathrm{${inner.replace(/\*/g, '\\bullet ')}}}`;
      i = end;
      if (char === '^') behindSign = behindSign || out !== '';
    } else if (/^\d/.test(rest)) {
      // Behind a sign it is an index, of figures alone: `CuSO4.5H2O` adds five of water.
      const number = (behindSign ? /^\d+/ : /^\d+(?:\/\d+)?(?:\.\d+)?/).exec(rest)?.[0] ?? '';
      const [over, below] = number.split('/');
      if (behindSign) out += `_{${number}}`;
      else out += below === undefined ? `${number}\\,` : `\\tfrac{${over}}{${below}}\\,`;
      i += number.length;
    } else if (/^[+-]+$/.test(rest) && behindSign) {
      out += `^{${rest}}`;
      i = text.length;
    } else if (/^[a-zA-Z]/.test(rest)) {
      const letters = /^[a-zA-Z]+/.exec(rest)?.[0] ?? '';
      out += `\\mathrm{${letters}}`;
      behindSign = true;
      i += letters.length;
    } else if (/^\\bond\s*\{/.test(rest)) {
      const [inner, end] = argumentAt(text, text.indexOf('{', i));
      out += DRAWN_BONDS[inner.trim()] ?? '{-}';
      behindSign = false;
      i = end;
    } else if (char === '\\') {
      const command = /^\\(?:[a-zA-Z]+|.)/.exec(rest)?.[0] ?? char;
      out += `${command} `;
      behindSign = true;
      i += command.length;
    } else if (char === '*' || char === '.') {
      out += '\\cdot ';
      behindSign = false;
      i++;
    } else if (char === '{') {
      const [inner, end] = argumentAt(text, i);
      out += `\\text{${inner}}`;
      behindSign = true;
      i = end;
    } else {
      out += BONDS[char] ?? (char === '[' || char === ']' ? `{${char}}` : char);
      behindSign = /[)\]]/.test(char);
      i++;
    }
  }
  return out;
}

/** Cut at blanks outside braces and formulas. */
function parts(text: string): string[] {
  const out = [''];
  let [depth, inMath] = [0, false];
  for (const char of text) {
    if (char === '{' || char === '[') depth++;
    else if (char === '}' || char === ']') depth--;
    else if (char === '$') inMath = !inMath;
    if (/\s/.test(char) && depth <= 0 && !inMath) out.push('');
    else out[out.length - 1] += char;
  }
  return out.filter((part) => part !== '');
}

/** A reaction or formula as `\ce` reads it, as a formula of mathematics. */
export function chemistrySource(text: string): string {
  return parts(text)
    .map((part, i, all) => {
      if (part === '+') return ' + ';
      if (part === '-') return ' - ';
      if (part === '^' || part === '(^)') return '\\uparrow ';
      if (part === 'v' || part === '(v)') return '\\downarrow ';
      const arrow = arrowAt(part, 0);
      if (arrow) return ` ${arrow[0]} ${formula(part.slice(arrow[1]))}`;
      const outside = part.replace(/\{[^{}]*\}/g, (group) => ' '.repeat(group.length));
      const inner = ARROWS.map(([sign]) => outside.indexOf(sign)).find((at) => at > 0);
      if (inner !== undefined) {
        const within = arrowAt(part, inner);
        if (within)
          return `${formula(part.slice(0, inner))}${within[0]}${formula(part.slice(within[1]))}`;
      }
      const isNumber = /^(?:\d+(?:\/\d+)?|\d*[nm])$/.test(part) && i < all.length - 1;
      return isNumber ? `${formula(part).replace(/\\,$/, '')}\\,` : formula(part);
    })
    .join('');
}

/** A number with units as `\pu` reads it: `1.2e3 kJ mol-1`, `km/h`, `kJ//mol`. */
export function physicalSource(text: string): string {
  const [fraction, below] = text.split('//');
  if (below !== undefined)
    return `\\frac{${physicalSource(fraction ?? '')}}{${physicalSource(below)}}`;
  const found = /^\s*([-+]?[\d.,]+(?:[eE][-+]?\d+)?)?\s*(.*)$/s.exec(text);
  const [, number = '', units = ''] = found ?? [];
  const written = units
    .trim()
    .replace(/[ *.]+/g, ' ')
    .replace(
      /([A-Za-zµ°%Ω]+|\\[A-Za-z]+)\s?\^?\{?(-?\d+)\}?|([A-Za-zµ°%Ω]+)|( )/g,
      (_whole, base?: string, power?: string, alone?: string) =>
        alone !== undefined
          ? `\\mathrm{${unitLetters(alone)}}`
          : base === undefined
            ? '\\,'
            : `\\mathrm{${unitLetters(base)}}^{${power}}`,
    );
  const value = number === '' ? '' : numberSource(number, DEFAULTS);
  return value !== '' && written !== '' ? `${value}\\,${written}` : value + written;
}

const unitLetters = (letters: string): string =>
  letters.replace(/µ/g, '\\mbox{\\upshape µ}').replace(/°/g, '{}^{\\circ}').replace(/%/g, '\\%');

/** A command that is a formula made of what is typed. */
const typed = (
  name: string,
  description: string,
  example: string,
  source: (text: string) => string,
): CommandEntry => ({
  name,
  signature: 'm',
  package: 'mhchem',
  description,
  example,
  run: (it, args) => {
    const dollar = it.p.make(Cat.Math, '$');
    it.execute([dollar, ...it.source(source(tokensText(tokensOf(args, 0)))), dollar]);
  },
  math: (reader, token) => {
    const args = reader.it.readArguments('m', token);
    const made = source(tokensText(tokensOf(args ?? [], 0)));
    const { p } = reader;
    p.push([p.make(Cat.Begin, '{'), ...reader.it.source(made), p.make(Cat.End, '}')]);
    return null;
  },
});

/** mhchem: chemical formulas as they are typed. */
export const mhchem: PackageEntry = {
  name: 'mhchem',
  description: 'Chemical formulas and reactions, as they are typed.',
  options: null,
  requires: ['amsmath', 'mathtools'],
  commands: [
    typed(
      'ce',
      'A chemical formula or reaction as it is typed: 2 H2 + O2 -> 2 H2O.',
      '\\ce{2 H2 + O2 -> 2 H2O}',
      chemistrySource,
    ),
    typed(
      'pu',
      'A number with its unit as it is typed: 12 kJ mol-1.',
      '\\pu{12 kJ mol-1}',
      physicalSource,
    ),
  ],
};
