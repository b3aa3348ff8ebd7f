import type { MathClass, MathList, MathNode } from '../../document/math';
import type { CommandEntry } from '../machine/entries';
import { mathEntry as entry } from './mathEntry';

/** Accents: command, combining character, wide, below. */
type Accents = readonly (readonly [string, string, boolean, boolean])[];

const ACCENTS: Accents = [
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
const AMS_ACCENTS: Accents = [
  ['dddot', '\u20db', false, false],
  ['ddddot', '\u20dc', false, false],
  ['Hat', '\u0302', false, false],
  ['Tilde', '\u0303', false, false],
  ['Bar', '\u0304', false, false],
  ['Dot', '\u0307', false, false],
  ['Ddot', '\u0308', false, false],
  ['Vec', '\u20d7', false, false],
  ['Acute', '\u0301', false, false],
  ['Grave', '\u0300', false, false],
  ['Check', '\u030c', false, false],
  ['Breve', '\u0306', false, false],
];
const WIDE: Accents = [
  ['widecheck', '\u030c', true, false],
  ['utilde', '\u0330', true, true],
];

/** The mark of an accent, by its command; null for one that is none. */
export const accentMark = (name: string): string | null =>
  [...ACCENTS, ...AMS_ACCENTS].find(([own]) => own === name)?.[1] ?? null;

const accentsOf = (table: Accents): CommandEntry[] =>
  table.map(([name, char, wide, below]) =>
    entry(name, 'm', `The accent “${name}”.`, `\\${name}{a}`, (reader, token) => ({
      kind: 'accent',
      char,
      wide,
      below,
      base: reader.field(token),
      ...reader.span(token),
    })),
  );

/** Over and under: command, character, below, taken as an operator with limits. */
type Stretched = readonly (readonly [string, string, boolean, boolean])[];

const STRETCHED: Stretched = [
  ['overbrace', '⏞', false, true],
  ['underbrace', '⏟', true, true],
  ['overrightarrow', '→', false, false],
  ['overleftarrow', '←', false, false],
];
const AMS_STRETCHED: Stretched = [
  ['overleftrightarrow', '↔', false, false],
  ['underrightarrow', '→', true, false],
  ['underleftarrow', '←', true, false],
  ['underleftrightarrow', '↔', true, false],
];
const OTHER_STRETCHED: Stretched = [
  ['Overrightarrow', '⇒', false, false],
  ['overleftharpoon', '↼', false, false],
  ['overrightharpoon', '⇀', false, false],
  ['overgroup', '⏠', false, true],
  ['undergroup', '⏡', true, true],
];
const ARCS: Stretched = [
  ['wideparen', '⏜', false, false],
  ['overarc', '⏜', false, false],
  ['underarc', '⏝', true, false],
];

const stretchNode = (
  char: string,
  below: boolean,
  limits: boolean,
  base: MathList,
  at: { from: number; to: number },
): MathNode => ({ kind: 'stretch', char, below, limits, base, ...at });

const stretchedOf = (table: Stretched): CommandEntry[] =>
  table.map(([name, char, below, limits]) =>
    entry(
      name,
      'm',
      `${limits ? 'A brace' : 'An arrow'} ${below ? 'under' : 'over'} the formula.`,
      `\\${name}{a+b}`,
      (reader, token) => stretchNode(char, below, limits, reader.field(token), reader.span(token)),
    ),
  );

/** Arcs over and under letters (packages yhmath, arcs). */
export const arcs: readonly CommandEntry[] = stretchedOf(ARCS);

/** `\overbracket[thickness][height]{…}`: the measures of the font are taken for those asked. */
const bracket = (name: string, char: string, below: boolean): CommandEntry =>
  entry(
    name,
    'oom',
    `A square bracket ${below ? 'under' : 'over'} the formula.`,
    `\\${name}{a+b}`,
    (reader, token) => {
      reader.it.readArguments('oo', token);
      return stretchNode(char, below, true, reader.field(token), reader.span(token));
    },
  );

const line = (name: string, below: boolean): CommandEntry =>
  entry(
    name,
    'm',
    `A line ${below ? 'under' : 'over'} the formula.`,
    `\\${name}{z}`,
    (reader, token) => ({
      kind: 'line',
      below,
      base: reader.field(token),
      ...reader.span(token),
    }),
  );

export const stackCommand = (
  name: string,
  which: 'over' | 'under',
  cls: MathClass | null,
  what: string,
): CommandEntry =>
  entry(name, 'mm', what, `\\${name}{!}{=}`, (reader, token) => {
    const small = reader.field(token);
    const base = reader.field(token);
    return {
      kind: 'stack',
      base,
      over: which === 'over' ? small : null,
      under: which === 'under' ? small : null,
      cls: cls ?? classOf(base),
      ...reader.span(token),
    };
  });

/** The class of a formula that is to keep it: that of its only sign (amsmath's `\binrel@`). */
function classOf(list: MathList): MathClass {
  const [only] = list;
  if (list.length !== 1 || !only) return 'ord';
  if (only.kind === 'operator') return 'op';
  return 'cls' in only ? only.cls : 'ord';
}

const overUnder = entry(
  'overunderset',
  'mmm',
  'Something small over and something small under a symbol.',
  '\\overunderset{n}{1}{=}',
  (reader, token) => {
    const over = reader.field(token);
    const under = reader.field(token);
    const base = reader.field(token);
    return { kind: 'stack', base, over, under, cls: classOf(base), ...reader.span(token) };
  },
);

const segment = (name: string, shape: 'segmentOver' | 'segmentUnder'): CommandEntry =>
  entry(
    name,
    'm',
    'A line with a stroke at each end along the formula.',
    `\\${name}{AB}`,
    (reader, token) => ({
      kind: 'enclosure',
      shape,
      body: reader.field(token),
      ...reader.span(token),
    }),
  );

/** What stands over and under formulas, in the kernel. */
export const accents: readonly CommandEntry[] = [
  ...accentsOf(ACCENTS),
  ...stretchedOf(STRETCHED),
  line('overline', false),
  stackCommand('stackrel', 'over', 'rel', 'Something small over a relation.'),
];

export const amsAccents: readonly CommandEntry[] = [
  ...accentsOf(AMS_ACCENTS),
  ...stretchedOf(AMS_STRETCHED),
  stackCommand('overset', 'over', null, 'Something small over a symbol.'),
  stackCommand('underset', 'under', null, 'Something small under a symbol.'),
  overUnder,
];

/** mathtools, and what other packages of its kind add. */
export const toolsAccents: readonly CommandEntry[] = [
  bracket('overbracket', '⎴', false),
  bracket('underbracket', '⎵', true),
];
export const furtherAccents: readonly CommandEntry[] = [
  ...accentsOf(WIDE),
  ...stretchedOf(OTHER_STRETCHED),
  segment('overlinesegment', 'segmentOver'),
  segment('underlinesegment', 'segmentUnder'),
];
