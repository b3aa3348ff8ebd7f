import { PT } from '../../base/lengths';
import type { Dashes } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';
import { splitAt } from '../scanning/optionLists';
import { dimenOf } from '../scanning/dimenOf';

/** How dashed lines of tables are dashed now (`\dashlinedash`, `\dashlinegap`). */
export const dashesNow = (it: Interpreter): Dashes => ({
  dash: it.dimen('dashlinedash') || 4 * PT,
  gap: it.dimen('dashlinegap') || 4 * PT,
});

/** `2pt/1pt`: a dash and a gap; what is not said is as it is now. */
export function dashesIn(it: Interpreter, tokens: readonly Token[]): Dashes {
  const usual = dashesNow(it);
  const [dash = [], gap = []] = splitAt(tokens, '/');
  return {
    dash: dash.length > 0 ? dimenOf(it, dash) : usual.dash,
    gap: gap.length > 0 ? dimenOf(it, gap) : usual.gap,
  };
}
