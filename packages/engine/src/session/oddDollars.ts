import { oddDollar } from '../source/dollars';
import type { MendContext } from '../findings/entry';
import { one } from '../findings/mends';
import type { RawFinding, RawFindingOf } from '../findings/finding';

/** The paragraph around a place, and where it starts. */
function paragraphAt(text: string, at: number): { start: number; paragraph: string } {
  const blank = /\n[ \t]*\n/g;
  let start = 0;
  let end = text.length;
  const near = Math.max(0, at - 4000);
  for (const { index, 0: found } of text.slice(near, at + 4000).matchAll(blank)) {
    if (near + index + found.length <= at) start = near + index + found.length;
    else if (near + index >= at) {
      end = near + index;
      break;
    }
  }
  const begin = text.lastIndexOf('\\begin{document}', at);
  if (begin >= start) start = begin + '\\begin{document}'.length;
  const finish = text.indexOf('\\end{document}', at);
  if (finish >= 0 && finish < end) end = finish;
  return { start, paragraph: text.slice(start, end) };
}

/**
 * A `$` without a partner, told where it lacks one: the formula that is not closed, or not begun,
 * or the sign that is one too many.
 */
export function oddDollarOf(
  raw: RawFindingOf<'formula-unclosed'>,
  { text, from }: Pick<MendContext, 'text' | 'from'>,
): RawFinding | null {
  if (raw.args.open !== '$' && raw.args.open !== '$$') return null;
  const { start, paragraph } = paragraphAt(text, from);
  const edit = oddDollar(paragraph);
  if (!edit) return null;
  const shift = start - (from - raw.from);
  const at = shift + edit.at;
  if (edit.isRemoval)
    return {
      code: 'dollar-extra',
      from: at,
      to: at + 1,
      args: {},
      fix: one('Take it out', at, at + 1, ''),
    };
  const partner = edit.opens
    ? paragraph.indexOf('$', edit.at)
    : paragraph.lastIndexOf('$', edit.at - 1);
  const place = partner < 0 ? at : shift + partner;
  return edit.opens
    ? {
        code: 'formula-unopened',
        from: place,
        to: place + 1,
        args: {},
        fix: one('Begin the formula with $', at, at, '$'),
      }
    : { ...raw, from: place, to: place + 1, fix: one('Close it with $', at, at, '$') };
}
