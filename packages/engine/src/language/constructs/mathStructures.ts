import type { MathAlphabet, MathClass, MathNode, MathStyleName } from '../../document/math';
import { Cat } from '../../tokens/categories';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/expandables';
import type { CommandEntry } from '../entries';
import type { MathReader } from '../mathReader';
import { NEGATED } from '../symbols/symbols';
import { brackets } from './mathBrackets';
import { mathEntry as entry, type Make } from './mathEntry';

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

const infix = (
  name: string,
  bar: number | null,
  l: string | null,
  r: string | null,
): CommandEntry =>
  entry(
    name,
    '',
    'An old way to write a fraction: what stands before over what stands behind.',
    `{a \\${name} b}`,
    (reader, token) => {
      reader.splitAt({ bar, left: l, right: r, span: reader.it.spanOf(token) }, reader.current);
      return null;
    },
  );

const sqrt: Make = (reader, token) => {
  let degree: MathNode[] | null = null;
  const next = reader.p.nextNonBlank();
  if (next !== null && next.cat === Cat.Other && next.text === '[')
    degree = reader.list('optional').nodes;
  else if (next) reader.p.unread(next);
  return { kind: 'radical', body: reader.field(token), degree, ...reader.span(token) };
};

/** Accents: command, combining character, wide, below. */
const ACCENTS: readonly (readonly [string, string, boolean, boolean])[] = [
  ['hat', '\u0302', false, false],
  ['widehat', '\u0302', true, false],
  ['tilde', '\u0303', false, false],
  ['widetilde', '\u0303', true, false],
  ['bar', '\u0304', false, false],
  ['dot', '\u0307', false, false],
  ['ddot', '\u0308', false, false],
  ['vec', '\u20d7', false, false],
  ['acute', '\u0301', false, false],
  ['grave', '\u0300', false, false],
  ['check', '\u030c', false, false],
  ['breve', '\u0306', false, false],
  ['mathring', '\u030a', false, false],
];

const accents: readonly CommandEntry[] = ACCENTS.map(([name, char, wide, below]) =>
  entry(name, 'm', `The accent “${name}”.`, `\\${name}{a}`, (reader, token) => ({
    kind: 'accent',
    char,
    wide,
    below,
    base: reader.field(token),
    ...reader.span(token),
  })),
);

const STRETCHED: readonly (readonly [string, string, boolean, string])[] = [
  ['overbrace', '⏞', false, 'A brace over the formula'],
  ['underbrace', '⏟', true, 'A brace under the formula'],
  ['overrightarrow', '→', false, 'An arrow over the formula'],
  ['overleftarrow', '←', false, 'An arrow over the formula'],
];

const stretched: readonly CommandEntry[] = STRETCHED.map(([name, char, below, what]) =>
  entry(name, 'm', `${what}.`, `\\${name}{a+b}`, (reader, token) => ({
    kind: 'stretch',
    char,
    below,
    base: reader.field(token),
    ...reader.span(token),
  })),
);

export function alphabetCommand(name: string, alphabet: MathAlphabet, what: string): CommandEntry {
  return entry(name, 'm', `${what}.`, `\\${name}{R}`, (reader, token) => {
    const outer = reader.alphabet;
    reader.alphabet = alphabet;
    const body = reader.field(token);
    reader.alphabet = outer;
    const [only] = body;
    if (body.length === 1 && only?.kind === 'symbol') return only;
    return { kind: 'group', cls: 'ord', body, limits: false, ...reader.span(token) };
  });
}

const styleSwitch = (name: string, style: MathStyleName): CommandEntry =>
  entry(name, '', `What follows in ${style} size.`, `\\${name} x`, (reader, token) => ({
    kind: 'style',
    style,
    ...reader.it.spanOf(token),
  }));

const CLASS_COMMANDS: readonly (readonly [string, MathClass])[] = [
  ['mathord', 'ord'],
  ['mathop', 'op'],
  ['mathbin', 'bin'],
  ['mathrel', 'rel'],
  ['mathopen', 'open'],
  ['mathclose', 'close'],
  ['mathpunct', 'punct'],
  ['mathinner', 'inner'],
];

const classes: readonly CommandEntry[] = CLASS_COMMANDS.map(([name, cls]) =>
  entry(
    name,
    'm',
    `The formula with the spacing of the class ${cls}.`,
    `\\${name}{a}`,
    (reader, token) => ({
      kind: 'group',
      cls,
      body: reader.field(token),
      limits: cls === 'op',
      ...reader.span(token),
    }),
  ),
);

/** `\limits`, `\nolimits`: changes the operator just read. */
const setLimits = (name: string, limits: boolean): CommandEntry =>
  entry(
    name,
    '',
    limits ? 'Limits above and below the operator.' : 'Limits beside the operator.',
    `\\sum\\${name}_i`,
    (reader) => {
      const last = reader.current.at(-1);
      if (last?.kind === 'operator')
        reader.current[reader.current.length - 1] = { ...last, limits };
      else if (last?.kind === 'group')
        reader.current[reader.current.length - 1] = { ...last, limits };
      return null;
    },
  );

const phantom = (
  name: string,
  horizontal: boolean,
  vertical: boolean,
  shown: boolean,
): CommandEntry =>
  entry(
    name,
    'm',
    'Takes the room of the formula as it says, drawn or not.',
    `\\${name}{x}`,
    (reader, token) => ({
      kind: 'phantom',
      body: reader.field(token),
      horizontal,
      vertical,
      shown,
      ...reader.span(token),
    }),
  );

const DOTS: readonly (readonly [string, string, MathClass])[] = [
  ['cdots', '⋯', 'inner'],
  ['vdots', '⋮', 'ord'],
  ['ddots', '⋱', 'inner'],
  ['dotsc', '…', 'inner'],
  ['dotsb', '⋯', 'inner'],
  ['dotsm', '⋯', 'inner'],
  ['dotsi', '⋯', 'inner'],
  ['dotso', '…', 'inner'],
];

/** Dots on the line or at mid height, by what stands behind them (amsmath's `\dots`). */
const dots: Make = (reader, token) => {
  const next = reader.p.nextNonBlank();
  if (next) reader.p.unread(next);
  const cls = next ? classAhead(reader, next) : 'ord';
  return reader.symbol(
    cls === 'bin' || cls === 'rel' ? '⋯' : '…',
    'inner',
    reader.it.spanOf(token),
  );
};

function classAhead(reader: MathReader, token: Token): string {
  if (token.cat === Cat.Other || token.cat === Cat.Letter) {
    const node = reader.characterNode(token.text, token);
    return node.kind === 'symbol' ? node.cls : 'ord';
  }
  const meaning = token.cell ? reader.it.state.meaning(token.cell) : undefined;
  const symbol = meaning?.kind === 'command' ? BIN_OR_REL.get(token.text) : undefined;
  return symbol ?? 'ord';
}

/** The commonest neighbours of dots given as commands. */
const BIN_OR_REL: ReadonlyMap<string, string> = new Map([
  ...['cdot', 'times', 'cap', 'cup', 'oplus', 'otimes', 'wedge', 'vee', 'pm'].map(
    (n) => [n, 'bin'] as const,
  ),
  ...[
    'le',
    'leq',
    'ge',
    'geq',
    'ne',
    'neq',
    'to',
    'subset',
    'subseteq',
    'equiv',
    'sim',
    'approx',
  ].map((n) => [n, 'rel'] as const),
]);

const not: Make = (reader, token) => {
  const [first, ...rest] = reader.field(token);
  if (!first) return null;
  if (first.kind === 'symbol') {
    const own = NEGATED[first.char];
    if (own) return [{ ...first, char: own }, ...rest];
  }
  return [{ kind: 'not', body: first, ...reader.span(token) }, ...rest];
};

export const stackCommand = (
  name: string,
  which: 'over' | 'under',
  cls: MathClass | null,
  what: string,
): CommandEntry =>
  entry(name, 'mm', what, `\\${name}{!}{=}`, (reader, token) => {
    const small = reader.field(token);
    const base = reader.field(token);
    const [only] = base;
    const own = only?.kind === 'symbol' ? only.cls : 'ord';
    return {
      kind: 'stack',
      base,
      over: which === 'over' ? small : null,
      under: which === 'under' ? small : null,
      cls: cls ?? own,
      ...reader.span(token),
    };
  });

export const operatorName = (name: string, what: string): CommandEntry =>
  entry(name, 'sm', what, `\\${name}{rank} A`, (reader, token) => {
    const starred = reader.p.takeChar('*');
    const text = tokensText(reader.argument(token))
      .replace(/\\[,;: ]\s?/g, ' ')
      .replace(/\\-|[{}]/g, '')
      .replace(/\\[A-Za-z]+ ?/g, '')
      .trim();
    return {
      kind: 'operator',
      char: null,
      name: text,
      limits: starred ? true : null,
      color: reader.color,
      ...reader.span(token),
    };
  });

/** How formulas are put together, in the kernel. */
export const mathStructures: readonly CommandEntry[] = [
  ...brackets,
  fractionCommand('frac', null, null, null, null, 'A fraction.'),
  infix('over', null, null, null),
  infix('atop', 0, null, null),
  infix('choose', 0, '(', ')'),
  entry('sqrt', 'om', 'A root; brackets give its degree.', '\\sqrt[3]{x}', sqrt),
  ...accents,
  ...stretched,
  entry('overline', 'm', 'A line over the formula.', '\\overline{z}', (reader, token) => ({
    kind: 'line',
    below: false,
    base: reader.field(token),
    ...reader.span(token),
  })),
  alphabetCommand('mathrm', 'roman', 'Upright letters'),
  alphabetCommand('mathbf', 'bold', 'Bold letters'),
  alphabetCommand('mathit', 'italic', 'Italic letters'),
  alphabetCommand('mathsf', 'sans', 'Letters without serifs'),
  alphabetCommand('mathtt', 'mono', 'Typewriter letters'),
  alphabetCommand('mathcal', 'calligraphic', 'Calligraphic letters'),
  alphabetCommand('mathnormal', 'normal', 'The usual letters of formulas'),
  styleSwitch('displaystyle', 'display'),
  styleSwitch('textstyle', 'text'),
  styleSwitch('scriptstyle', 'script'),
  styleSwitch('scriptscriptstyle', 'scriptscript'),
  ...classes,
  setLimits('limits', true),
  setLimits('nolimits', false),
  phantom('phantom', true, true, false),
  phantom('hphantom', true, false, false),
  phantom('vphantom', false, true, false),
  phantom('smash', true, false, true),
  ...DOTS.map(([name, char, cls]) =>
    entry(name, '', 'Dots.', `\\${name}`, (reader, token) =>
      reader.symbol(char, cls, reader.it.spanOf(token)),
    ),
  ),
  entry('ldots', '', 'Dots on the line.', 'a,\\ldots,z', (reader, token) =>
    reader.symbol('…', 'inner', reader.it.spanOf(token)),
  ),
  entry('dots', '', 'Dots, at the height that suits what follows.', 'a,\\dots,z', dots),
  entry('not', '', 'Strikes through the relation that follows.', 'a \\not= b', not),
  stackCommand('stackrel', 'over', 'rel', 'Something small over a relation.'),
  entry('pmod', 'm', '(mod n), with space before it.', 'a \\equiv b \\pmod{n}', (reader, token) =>
    modulus(reader, token, true),
  ),
  entry('bmod', '', 'mod as an operator between two numbers.', 'a \\bmod b', (reader, token) => ({
    kind: 'group',
    cls: 'bin',
    limits: false,
    ...reader.span(token),
    body: [
      {
        kind: 'operator',
        char: null,
        name: 'mod',
        limits: null,
        color: reader.color,
        ...reader.span(token),
      },
    ],
  })),
  entry('nonumber', '', 'No number on this row.', '\\nonumber', (reader) => {
    if (reader.rowMarks) reader.rowMarks.numbered = false;
    return null;
  }),
  entry(
    'mathstrut',
    '',
    'The height of a bracket, and no width.',
    '\\mathstrut',
    (reader, token) => ({
      kind: 'phantom',
      body: [reader.symbol('(', 'ord', token)],
      horizontal: false,
      vertical: true,
      shown: false,
      ...reader.span(token),
    }),
  ),
  entry('mskip', '', 'Space in mu.', '\\mskip 3mu', (reader, token) => mathSpace(reader, token)),
  entry('mkern', '', 'Space in mu.', '\\mkern 3mu', (reader, token) => mathSpace(reader, token)),
];

function mathSpace(reader: MathReader, token: Token): MathNode {
  let text = '';
  for (let next = reader.p.nextExpanded(); next !== null; next = reader.p.nextExpanded()) {
    if (next.cell !== null || !/[-0-9.]/.test(next.text)) {
      if (next.cell === null && next.text === 'm') reader.p.nextExpanded();
      else reader.p.unread(next);
      break;
    }
    text += next.text;
  }
  return { kind: 'space', mu: parseFloat(text) || 0, width: 0, ...reader.span(token) };
}

/** `\pmod` and its kin: 18 mu before it in displays, 8 in text (amsmath); 18 is used. */
export function modulus(reader: MathReader, token: Token, bracketed: boolean): MathNode[] {
  const at = reader.it.spanOf(token);
  const space = (mu: number): MathNode => ({ kind: 'space', mu, width: 0, ...at });
  const mod: MathNode = {
    kind: 'operator',
    char: null,
    name: 'mod',
    limits: null,
    color: reader.color,
    ...at,
  };
  const body = reader.field(token);
  const inner = [mod, space(3), ...body];
  return bracketed
    ? [space(8), reader.symbol('(', 'open', at), ...inner, reader.symbol(')', 'close', at)]
    : [space(8), ...inner];
}
