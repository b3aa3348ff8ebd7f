import { PT, type Sp } from '../../base/lengths';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import type { Interpreter } from '../machine/interpreter';
import { colourSaid } from '../scanning/colours';
import { dimenOf } from '../scanning/dimenOf';
import { splitAt, trimmed } from '../scanning/optionLists';
import type { ProgramLook } from './listingLayout';
import { tellUnknownKey } from '../scanning/unknownKeys';

/** Settings of verbatim text: the value of each key (fancyvrb manual, section 4). */
export type Keys = Readonly<Record<string, readonly Token[]>>;

/** What `\fvset` says. */
const SETTINGS = cell<Keys>('fancyvrb', {});

const KNOWN = new Set(
  (
    'commentchar gobble autogobble formatcom formatcom* fontfamily fontsize fontshape fontseries frame framerule framesep rulecolor ' +
    'fillcolor label labelposition numbers numbersep firstnumber stepnumber numberblanklines numberfirstline firstline lastline ' +
    'showspaces showtabs obeytabs tabsize baselinestretch commandchars codes xleftmargin xrightmargin boxwidth baseline ' +
    'breaklines breakindent bgcolor'
  ).split(' '),
);
/** Keys that change nothing here: of how it is read, of files, of breaks that never come about. */
const QUIET = new Set(
  (
    'defineactive defineactive* codes* listparameters samepage hfuzz resetmargins reflabel commandchars* tab tabcolor ' +
    'breakanywhere breakautoindent breaksymbol breaksymbolleft breakbefore breakafter breakbytoken breakbytokenanywhere breakaftergroup ' +
    'fontencoding retokenize vspace curlyquotes mathescape linenos extra space spacecolor highlightcolor highlightlines'
  ).split(' '),
);

/** Settings that stand in a list; a key that is not known is told of at its place. */
export function readKeys(it: Interpreter, tokens: readonly Token[]): Keys {
  const keys: Record<string, readonly Token[]> = {};
  for (const part of splitAt(tokens, ',')) {
    const eq = part.findIndex(({ text, cell: name }) => text === '=' && name === null);
    const key = tokensText(eq < 0 ? part : part.slice(0, eq)).trim();
    if (KNOWN.has(key)) keys[key] = eq < 0 ? it.p.chars('true') : trimmed(part.slice(eq + 1));
    else if (key !== '' && !QUIET.has(key))
      tellUnknownKey(it, eq < 0 ? part : part.slice(0, eq), [...KNOWN, ...QUIET]);
  }
  return keys;
}

/** What holds for all verbatim text, with what is said of this one. */
export const keysWith = (it: Interpreter, own: readonly Token[] | null): Keys => ({
  ...it.read(SETTINGS),
  ...(own ? readKeys(it, own) : {}),
});

export const setKeys = (it: Interpreter, tokens: readonly Token[]): void =>
  it.write(SETTINGS, keysWith(it, tokens));

export const word = (it: Interpreter, keys: Keys, key: string): string =>
  textOf(it.p, keys[key] ?? []).trim();
export const isOn = (it: Interpreter, keys: Keys, key: string): boolean =>
  keys[key] !== undefined && word(it, keys, key) !== 'false';
export function numberOf(it: Interpreter, keys: Keys, key: string, otherwise: number): number {
  const said = parseInt(word(it, keys, key), 10);
  return Number.isFinite(said) ? said : otherwise;
}
const lengthOf = (it: Interpreter, keys: Keys, key: string, otherwise: Sp): Sp =>
  keys[key] ? dimenOf(it, keys[key]) : otherwise;

/** The type that text is set in, as tokens. */
export function typeOf(it: Interpreter, keys: Keys): readonly Token[] {
  const named = (key: string, command: string): string => {
    const said = word(it, keys, key);
    return said === '' || said === 'auto' || (key === 'fontfamily' && said === 'tt')
      ? ''
      : `\\${command}{${said}}\\selectfont `;
  };
  const family = FAMILIES[word(it, keys, 'fontfamily')];
  const stretch = word(it, keys, 'baselinestretch');
  const text = [
    stretch === '' || stretch === 'auto' ? '' : `\\linespread{${stretch}}`,
    family ?? (keys.fontfamily ? named('fontfamily', 'fontfamily') : '\\ttfamily '),
    named('fontseries', 'fontseries'),
    named('fontshape', 'fontshape'),
  ].join('');
  const size = keys.fontsize && word(it, keys, 'fontsize') !== 'auto' ? keys.fontsize : [];
  return [
    ...size,
    ...it.source(text + (stretch ? '\\selectfont ' : '')),
    ...(keys.formatcom ?? []),
    ...(keys['formatcom*'] ?? []),
  ];
}

const FAMILIES: Readonly<Record<string, string>> = {
  tt: '\\ttfamily ',
  courier: '\\ttfamily ',
  helvetica: '\\sffamily ',
  times: '\\rmfamily ',
};

/** Rules at left, right, top and bottom. */
const FRAMES: Readonly<Record<string, ProgramLook['sides']>> = {
  leftline: [true, false, false, false],
  topline: [false, false, true, false],
  bottomline: [false, false, false, true],
  lines: [false, false, true, true],
  single: [true, true, true, true],
};

/**
 * How the lines stand. Frames lie within the measure here, so the text is set in by rule and room
 * (fancyvrb.sty, `\FV@LeftListFrame@Single`); numbers stand outside of it.
 */
export function lookOf(it: Interpreter, keys: Keys): ProgramLook {
  const numbers = word(it, keys, 'numbers');
  const sides = FRAMES[word(it, keys, 'frame')] ?? [false, false, false, false];
  const rule = lengthOf(it, keys, 'framerule', it.dimen('fboxrule'));
  const sep = lengthOf(it, keys, 'framesep', it.dimen('fboxsep'));
  const inset = (drawn: boolean): Sp => (drawn ? rule + sep : 0);
  return {
    numbers: numbers === 'left' || numbers === 'right' || numbers === 'both' ? numbers : 'none',
    numberStyle: [],
    numberSep: lengthOf(it, keys, 'numbersep', 12 * PT) + inset(sides[0]),
    counter: 'FancyVerbLine',
    step: Math.max(1, numberOf(it, keys, 'stepnumber', 1)),
    first: isOn(it, keys, 'numberfirstline'),
    sides,
    rule,
    ruleColour: colourSaid(it, keys.rulecolor) ?? 0,
    sep,
    extra: [0, 0, 0, 0],
    arc: 0,
    ground: colourSaid(it, keys.fillcolor ?? keys.bgcolor),
    left: lengthOf(it, keys, 'xleftmargin', 0) + inset(sides[0]),
    right: lengthOf(it, keys, 'xrightmargin', 0) + inset(sides[1]),
    breaks: isOn(it, keys, 'breaklines'),
    breakIndent: lengthOf(it, keys, 'breakindent', 0),
    autoIndent: true,
    preBreak: [],
    postBreak: [],
  };
}

/** The labels at the top and the bottom of a frame: `label={[top]bottom}`, `labelposition`. */
export function labelsOf(
  it: Interpreter,
  keys: Keys,
): readonly [readonly Token[], readonly Token[]] {
  const said = keys.label ?? [];
  if (said.length === 0 || word(it, keys, 'label') === 'none') return [[], []];
  const end = said[0]?.text === '[' ? said.findIndex(({ text }) => text === ']') : -1;
  const [above, below] = end > 0 ? [said.slice(1, end), said.slice(end + 1)] : [said, said];
  const position = word(it, keys, 'labelposition') || (end > 0 ? 'all' : 'topline');
  return [
    position === 'topline' || position === 'all' ? above : [],
    position === 'bottomline' || position === 'all' ? below : [],
  ];
}
