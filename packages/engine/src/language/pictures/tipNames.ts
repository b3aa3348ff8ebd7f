import { PT } from '../../base/lengths';
import type { Tip, TipName } from '../../drawing/tips';
import { numberIn, type Reading } from './coordinates';
import { plainTip, STANDARD_TIP } from './graphics';
import { colourOf, isColour } from '../scanning/colours';
import { matching, partsOf } from './words';

/** Names of tips in sources, and the form each has. */
const NAMES: Readonly<Record<string, TipName>> = {
  to: 'to',
  To: 'to',
  'Computer Modern Rightarrow': 'to',
  Classical: 'to',
  'Classical TikZ Rightarrow': 'to',
  Straight: 'to',
  'Straight Barb': 'straight',
  'Arc Barb': 'arc',
  'angle 60': 'straight',
  'angle 45': 'straight',
  'angle 90': 'straight',
  stealth: 'stealth',
  "stealth'": 'stealth',
  Stealth: 'Stealth',
  latex: 'latex',
  "latex'": 'latex',
  Latex: 'Latex',
  LaTeX: 'Latex',
  'triangle 45': 'triangle',
  'triangle 60': 'triangle',
  'triangle 90': 'triangle',
  Triangle: 'triangle',
  'Triangle Cap': 'triangle',
  Kite: 'kite',
  Bar: 'bar',
  '|': 'bar',
  Bracket: 'bracket',
  '[': 'bracket',
  Parenthesis: 'bracket',
  Circle: 'circle',
  '*': 'circle',
  o: 'circle',
  Square: 'square',
  square: 'square',
  'Tee Barb': 'bar',
  'Turned Square': 'diamond',
  'Round Cap': 'bar',
  'Butt Cap': 'bar',
  'Fast Round': 'bar',
  Diamond: 'diamond',
  diamond: 'diamond',
  Ellipse: 'circle',
  Hooks: 'hook',
  Hook: 'hook',
  hooks: 'hook',
  'left hook': 'hook',
  'right hook': 'hook',
  Rays: 'bar',
  implies: 'to',
  Implies: 'to',
};
const OPEN = new Set(['o', 'open']);

/**
 * `<->`, `-{Stealth[length=3mm]}`, `|->>`: the tips at both ends of a line.
 *
 * @returns null when it says no tips.
 */
export function readTips(
  reading: Reading,
  text: string,
): { readonly start: readonly Tip[]; readonly end: readonly Tip[] } | null {
  const dash = dashIn(text);
  if (dash < 0) return null;
  const start = tipsOf(reading, text.slice(0, dash), true);
  const end = tipsOf(reading, text.slice(dash + 1), false);
  return start && end ? { start, end } : null;
}

/** The `-` between both ends, outside braces and brackets. */
function dashIn(text: string): number {
  let depth = 0;
  for (let i = 0; i < text.length; i++) {
    const c = text[i] as string;
    if ('{['.includes(c) && !(c === '[' && depth === 0 && i === 0)) depth++;
    else if ('}]'.includes(c)) depth = Math.max(0, depth - 1);
    else if (c === '-' && depth === 0) return i;
  }
  return -1;
}

/** The tips at one end, outermost first. */
export function tipsOf(reading: Reading, text: string, atStart: boolean): readonly Tip[] | null {
  const out: Tip[] = [];
  let rest = text.trim();
  if (rest.startsWith('{') && matching(rest, 0) === rest.length - 1)
    rest = rest.slice(1, -1).trim();
  const reversed = atStart ? '>' : '<';
  while (rest !== '') {
    const sign = /^(<|>)/.exec(rest)?.[1];
    if (sign) {
      out.push({ ...STANDARD_TIP, reversed: sign === reversed });
      rest = rest.slice(1).trim();
      continue;
    }
    if (rest.startsWith('.')) {
      rest = rest.slice(1).trim();
      continue;
    }
    const found = Object.keys(NAMES)
      .filter((name) => rest.startsWith(name))
      .sort((a, b) => b.length - a.length)[0];
    if (found === undefined) return null;
    rest = rest.slice(found.length).trim();
    let tip = plainTip(NAMES[found] as TipName);
    if (found === 'o') tip = { ...tip, open: true };
    // Wide enough for the two lines of an arrow that means “implies”.
    if (/^implies$/i.test(found)) tip = { ...tip, length: 3 * PT, width: 6.4 * PT };
    if (rest.startsWith('reversed')) {
      tip = { ...tip, reversed: true };
      rest = rest.slice('reversed'.length).trim();
    }
    if (rest.startsWith('[')) {
      const close = matching(rest, 0);
      tip = measured(reading, tip, rest.slice(1, close < 0 ? undefined : close));
      rest = close < 0 ? '' : rest.slice(close + 1).trim();
    }
    out.push(tip);
  }
  return atStart ? out : [...out].reverse();
}

/** A tip with the measures that its options give. */
function measured(reading: Reading, tip: Tip, options: string): Tip {
  const of = (value: string): number => numberIn(reading, value.split(' ')[0] ?? '').value;
  return partsOf(options, ',').reduce((so, part): Tip => {
    const [key = '', value = ''] = part.split('=').map((side) => side.trim());
    if (key === 'length') return { ...so, length: of(value) * PT };
    if (key === 'width') return { ...so, width: of(value) * PT };
    if (key === 'scale') return { ...so, scale: of(value) };
    if (key === 'scale length' || key === 'scale width') return { ...so, scale: of(value) };
    if (key === 'reversed') return { ...so, reversed: true };
    if (OPEN.has(key)) return { ...so, open: true };
    if (key === 'fill' && value === 'none') return { ...so, open: true };
    const { it } = reading;
    const named = key === 'fill' || key === 'color' || key === 'draw' ? value : key;
    if (named === '' || !isColour(it, named)) return so;
    const paint = colourOf(it, null, it.p.chars(named));
    return key === 'fill' ? { ...so, ground: paint } : { ...so, colour: paint };
  }, tip);
}
