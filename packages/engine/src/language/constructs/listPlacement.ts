import type { Sp } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';
import { dimenOf } from '../scanning/dimenOf';

/** Where the labels and the text of a list stand, as enumitem's keys ask for it; unset is the class's. */
export interface ListPlacement {
  readonly leftMargin?: Sp;
  readonly labelWidth?: Sp;
  readonly labelSep?: Sp;
  readonly itemIndent?: Sp;
  readonly listParIndent?: Sp;
  readonly rightMargin?: Sp;
}

type Keys = ReadonlyMap<string, readonly Token[]>;

/** The five measures of which one may follow from the others. */
const MEASURES = ['leftmargin', 'itemindent', 'labelsep', 'labelwidth', 'labelindent'] as const;
type Measure = (typeof MEASURES)[number];

const word = (value: readonly Token[] | undefined): string =>
  (value ?? [])
    .map(({ text }) => text)
    .join('')
    .trim();

/** `wide` and `left` are short for several keys; what is said behind them holds (enumitem manual, 3.2). */
function spelledOut(it: Interpreter, keys: Keys): Keys {
  const out = new Map<string, readonly Token[]>();
  for (const [key, value] of keys) {
    if (key === 'wide') {
      const indent = value.length > 0 ? value : it.source('\\parindent');
      out.set('align', it.p.chars('left'));
      out.set('leftmargin', it.source('0pt'));
      out.set('labelindent', indent);
      out.set('listparindent', indent);
      out.set('labelwidth', it.source('0pt'));
      out.set('itemindent', it.p.chars('!'));
    } else if (key === 'left') {
      const at = value.findIndex(({ text }, i) => text === '.' && value[i + 1]?.text === '.');
      out.set('labelindent', at < 0 ? value : value.slice(0, at));
      out.set('leftmargin', at < 0 ? it.p.chars('*') : value.slice(at + 2));
      if (at >= 0) out.set('labelsep', it.p.chars('*'));
    } else out.set(key, value);
  }
  return out;
}

/**
 * The measures by the relation leftmargin + itemindent = labelindent + labelwidth + labelsep: one
 * that is `!` or `*` follows from the others, with `*` after the width of the widest label
 * (enumitem manual, 3.2).
 *
 * @param usual the left margin that the class has for the level
 * @param widest how wide the widest label is
 */
export function placementOf(
  it: Interpreter,
  given: Keys,
  usual: Sp,
  widest: () => Sp,
): ListPlacement {
  const keys = spelledOut(it, given);
  const said = (name: string): Sp | undefined => {
    const value = keys.get(name);
    return value && value.length > 0 && !/^[*!]$/.test(word(value))
      ? dimenOf(it, value)
      : undefined;
  };
  const follows = MEASURES.find((name) => /^[*!]$/.test(word(keys.get(name))));
  const byWidest = MEASURES.some((name) => word(keys.get(name)) === '*');
  const separation = said('labelsep') ?? it.dimen('labelsep');
  const measures: Record<Measure, Sp> = {
    leftmargin: said('leftmargin') ?? usual,
    itemindent: said('itemindent') ?? 0,
    labelsep: separation,
    labelwidth: said('labelwidth') ?? (byWidest ? widest() : usual - separation),
    labelindent: said('labelindent') ?? 0,
  };
  if (follows) {
    const { leftmargin, itemindent, labelsep, labelwidth, labelindent } = measures;
    measures[follows] = {
      leftmargin: labelindent + labelwidth + labelsep - itemindent,
      itemindent: labelindent + labelwidth + labelsep - leftmargin,
      labelsep: leftmargin + itemindent - labelindent - labelwidth,
      labelwidth: leftmargin + itemindent - labelindent - labelsep,
      labelindent,
    }[follows];
  }
  const [listParIndent, rightMargin] = [said('listparindent'), said('rightmargin')];
  return {
    leftMargin: measures.leftmargin,
    labelWidth: measures.labelwidth,
    labelSep: measures.labelsep,
    itemIndent: measures.itemindent,
    ...(listParIndent === undefined ? {} : { listParIndent }),
    ...(rightMargin === undefined ? {} : { rightMargin }),
  };
}

/** Do the keys say anything of where a list stands? */
export const placesList = (keys: Keys): boolean =>
  [...MEASURES, 'wide', 'left', 'listparindent', 'rightmargin'].some((name) => keys.has(name));

/** The side that labels lean to in their box (`align`); a list's usual side when nothing is said. */
export const alignOf = (keys: Keys, usual: boolean): boolean => {
  const align = keys.has('wide') ? 'left' : word(keys.get('align'));
  return align === '' ? usual : align !== 'right';
};
