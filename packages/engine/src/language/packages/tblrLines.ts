import { groupsIn } from '../scanning/optionLists';
import { tokensText } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';

/** A line of a table by keys: how wide, in which colour, in dashes. */
export interface LineLook {
  readonly width?: string;
  readonly colour?: string;
  readonly dash?: 'dashed' | 'dotted';
}

/** A line that is asked for: at which places, over which columns or rows, how. */
export interface LineRule {
  readonly holds: (place: number) => boolean;
  /** Null: all. */
  readonly over: ((place: number) => boolean) | null;
  readonly look: LineLook;
  /** It is taken away: `hline{2}={}`-like keys put it there, `none` does not. */
  readonly none: boolean;
}

/** `1pt,dashed,red`, `{wd=1pt,fg=red}`: how a line looks (manual, section 2.1.2). */
export function lineLook(text: string): LineLook & { readonly none?: boolean } {
  const out: { -readonly [K in keyof LineLook]: LineLook[K] } & { none?: boolean } = {};
  for (const part of text.split(/,(?![^{]*\})/).map((one) => one.trim())) {
    const [key = '', value = ''] = part.split('=').map((side) => side.trim());
    if (/^[\d.]+\s*(?:pt|mm|cm|em|ex|in|bp)$/.test(key)) out.width = key;
    else if (key === 'wd') out.width = value;
    else if (key === 'dashed' || value === 'dashed') out.dash = 'dashed';
    else if (key === 'dotted' || value === 'dotted') out.dash = 'dotted';
    else if (key === 'none' || value === 'none') out.none = true;
    else if (key === 'fg') out.colour = value;
    else if (value === '' && /^[A-Za-z][\w!]*$/.test(key) && key !== 'solid') out.colour = key;
  }
  return out;
}

/**
 * What a key says of a line: `{look}`, `{over}{look}` or `{which}{over}{look}`.
 *
 * @param value the key's value; no braces: a look alone.
 */
export function lineValue(value: readonly Token[]): { over: string; look: string } {
  const groups = groupsIn(value).map(tokensText);
  if (groups.length >= 2) {
    const [over = '-', look = ''] = groups.slice(-2);
    return { over, look };
  }
  return { over: '-', look: groups.length === 1 ? (groups[0] ?? '') : tokensText(value) };
}

/** The rule of a line between rows, before and behind which the usual ones hold. */
export function ruleAcross({ width, colour, dash }: LineLook): string {
  const inner = dash ? '\\hdashline ' : width ? `\\specialrule{${width}}{0pt}{0pt}` : '\\hline ';
  return colour ? `\\arrayrulecolor{${colour}}${inner}\\arrayrulecolor{black}` : inner;
}

/** A line between columns, as a preamble has it. */
export function ruleDown({ width, colour, dash }: LineLook): string {
  if (dash) return ':';
  if (!width && !colour) return '|';
  return `!{${colour ? `\\color{${colour}}` : ''}\\vrule width ${width ?? '.4pt'}}`;
}
