import type { Hyphenation } from '../document/blocks';
import createHyphenator from 'hyphen';
import englishPatterns from 'hyphen/patterns/en-us.js';
import { LATER_PATTERNS } from './laterPatterns';

/** Where the patterns of a language divide a word, however near its ends: offsets of the characters that would start the next line. */
export type Hyphenate = (word: string) => readonly number[];

/** The words that the standard English patterns list as exceptions. */
const EXCEPTIONS = [
  'as-so-ciate as-so-ciates dec-li-na-tion oblig-a-tory phil-an-thropic present presents',
  'project projects reci-procity re-cog-ni-zance ref-or-ma-tion ret-ri-bu-tion ta-ble',
]
  .join(' ')
  .split(' ');

/** The points that leave so many letters before and behind them, of a word of so many. */
export const pointsWithin = (
  points: readonly number[],
  length: number,
  { left, right }: Pick<Hyphenation, 'left' | 'right'>,
): readonly number[] => points.filter((at) => at >= left && at <= length - right);

/** Of longer words only the beginning is looked at (TeX: The Program, §897). */
const MOST_LETTERS = 63;

const MARK = '\u00ad';

/** A tree of letters: at the end of a pattern stands which row of levels it has. */
type Branch = number | readonly [Tree, number] | Tree;
interface Tree {
  readonly [letter: string]: Branch;
}
/** The form of the registry's patterns: rows of levels, and the tree. */
type Patterns = readonly [levels: unknown, tree: Tree, ...rest: unknown[]];

/** The patterns without those that were added to the standard ones. */
function standardPatterns([levels, tree, ...rest]: Patterns): Patterns {
  return [levels, [...LATER_PATTERNS].reduce(without, tree), ...rest];
}

/** The tree without the pattern of these letters; what it does not touch is shared. */
function without(tree: Tree, letters: string): Tree {
  const letter = letters.charAt(0);
  const { [letter]: branch, ...others } = tree;
  if (branch === undefined) return tree;
  const kept = keptOf(branch, letters.slice(1));
  return kept === null ? others : { ...others, [letter]: kept };
}

function keptOf(branch: Branch, rest: string): Branch | null {
  if (rest === '') return typeof branch === 'number' ? null : isPair(branch) ? branch[0] : branch;
  if (typeof branch === 'number') return branch;
  return isPair(branch) ? [without(branch[0], rest), branch[1]] : without(branch, rest);
}

const isPair = (branch: Branch): branch is readonly [Tree, number] => Array.isArray(branch);

const STANDARD = /* @__PURE__ */ standardPatterns(englishPatterns as Patterns);

/** A hyphenator for English with a memory of its own. */
export const englishHyphenator = (): Hyphenate => hyphenatorOf(STANDARD, EXCEPTIONS);

/** A hyphenator by patterns (TeX: The Program, §919 ff.), with words that are divided otherwise. */
export function hyphenatorOf(patterns: unknown, divided: readonly string[] = []): Hyphenate {
  const mark = createHyphenator(patterns, {
    async: false,
    hyphenChar: MARK,
    minWordLength: 2,
  });
  const exceptions = new Map(
    divided.map((word) => [word.replaceAll('-', ''), word.replaceAll('-', MARK)]),
  );
  const memory = new Map<string, readonly number[]>();
  return (word) => {
    const lower = word.slice(0, MOST_LETTERS).toLowerCase();
    let points = memory.get(lower);
    if (!points) {
      points = divisions(exceptions.get(lower) ?? mark(lower));
      memory.set(lower, points);
    }
    return points;
  };
}

function divisions(marked: string): number[] {
  const points: number[] = [];
  let at = 0;
  for (const char of marked) {
    if (char === MARK) points.push(at);
    else at += char.length;
  }
  return points;
}
