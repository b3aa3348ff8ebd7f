import type { MathClass, MathNode, MathStyleName } from '../../document/math';
import { Cat } from '../../tokens/categories';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import type { CommandEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';
import { NEGATED } from '../symbols/symbols';
import { accents } from './mathAccents';
import { alphabets } from './mathAlphabets';
import { brackets } from './mathBrackets';
import { dotCommands } from './mathDots';
import { fractions } from './mathFractions';
import { placedParts } from './mathPlaced';
import { mathSpaces } from './mathSpaces';
import { fieldOf, mathEntry as entry, type Make } from './mathEntry';

const sqrt: Make = (reader, token) => {
  let degree: MathNode[] | null = null;
  const next = reader.p.nextNonBlank();
  if (next !== null && next.cat === Cat.Other && next.text === '[')
    degree = reader.list('optional').nodes;
  else if (next) reader.p.unread(next);
  return { kind: 'radical', body: reader.field(token), degree, ...reader.span(token) };
};

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
      limits: cls === 'op' ? 'display' : false,
      ...reader.span(token),
    }),
  ),
);

const not: Make = (reader, token) => {
  const [first, ...rest] = reader.field(token);
  if (!first) return null;
  if (first.kind === 'symbol') {
    const own = NEGATED[first.char];
    if (own) return [{ ...first, char: own }, ...rest];
  }
  return [{ kind: 'not', body: first, ...reader.span(token) }, ...rest];
};

/** Commands that may stand in the name of a function and are only spaces in it. */
const SPACING: ReadonlySet<string> = new Set([',', ';', ':', ' ', '!', '-', '/']);

/** A function in upright letters; with a star, or as `\\operatornamewithlimits`, it takes limits in displays. */
export const operatorName = (name: string, what: string, limits = false): CommandEntry =>
  entry(name, 'sm', what, `\\${name}{rank} A`, (reader, token) => {
    const starred = reader.p.takeChar('*') || limits;
    const tokens = reader.argument(token);
    const at = reader.span(token);
    if (tokens.some((t) => t.cell !== null && !SPACING.has(t.text)))
      return formulaAsName(reader, token, tokens, starred);
    const text = tokensText(tokens)
      .replace(/\\[,;: ]\s?/g, ' ')
      .replace(/\\[-!/]|[{}]/g, '')
      .trim();
    return {
      kind: 'operator',
      char: null,
      name: text,
      limits: null,
      takesLimits: starred,
      color: reader.color,
      ...at,
    };
  });

/** A name with mathematics in it: its letters upright, taken together as an operator. */
function formulaAsName(
  reader: MathReader,
  token: Token,
  tokens: readonly Token[],
  starred: boolean,
): MathNode {
  const outer = reader.alphabet;
  reader.alphabet = 'roman';
  const body = fieldOf(reader, tokens, token);
  reader.alphabet = outer;
  return {
    kind: 'group',
    cls: 'op',
    body,
    limits: starred ? 'display' : false,
    ...reader.span(token),
  };
}

/** How formulas are put together, in the kernel. */
export const mathStructures: readonly CommandEntry[] = [
  ...brackets,
  ...fractions,
  entry('sqrt', 'om', 'A root; brackets give its degree.', '\\sqrt[3]{x}', sqrt),
  ...accents,
  ...alphabets,
  ...dotCommands,
  ...mathSpaces,
  styleSwitch('displaystyle', 'display'),
  styleSwitch('textstyle', 'text'),
  styleSwitch('scriptstyle', 'script'),
  styleSwitch('scriptscriptstyle', 'scriptscript'),
  ...classes,
  ...placedParts,
  entry('not', '', 'Strikes through the relation that follows.', 'a \\not= b', not),
  entry('nonumber', '', 'No number on this row.', '\\nonumber', (reader) => {
    if (reader.rowMarks) reader.rowMarks.numbered = false;
    return null;
  }),
];
