import { setDimen, setSkip } from '../../expansion/registers';
import { refStepCounter } from '../machine/counters';
import { type Args, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { makeLabel } from './listLabel';
import { addGlue } from './listMeasures';
import { GENERAL, LABEL, LIST, USED_COUNTER } from './listData';
import { beginList } from './lists';

/** The list that `\\begin{list}{label}{settings}` opens: its settings may change every measure. */
export function beginGeneral(it: Interpreter, args: Args): void {
  // `\\@nmbrlistfalse`: what the list around it counts is not its own.
  it.write(USED_COUNTER, null);
  const outerMargin = it.dimen('totalleftmargin');
  const outerWidth = it.dimen('linewidth');
  const parskip = it.skip('parskip');
  beginList(it);
  const { data } = it.innermost;
  const list = data.get(LIST);
  if (!list) return;
  setDimen(it.state, 'itemindent', 0);
  setDimen(it.state, 'listparindent', 0);
  setDimen(it.state, 'rightmargin', 0);
  setSkip(it.state, 'topsep', list.topSep);
  setSkip(it.state, 'partopsep', list.partopSep);
  setSkip(it.state, 'parsep', list.parSep);
  it.execute(tokensOf(args, 1));
  const margin = it.dimen('leftmargin');
  setDimen(it.state, 'totalleftmargin', outerMargin + margin);
  setDimen(it.state, 'linewidth', outerWidth - margin - it.dimen('rightmargin'));
  setDimen(it.state, 'parindent', it.dimen('listparindent'));
  const parSep = it.skip('parsep');
  setSkip(it.state, 'parskip', parSep);
  let space = addGlue(it.skip('topsep'), parskip);
  if (list.vertical) space = addGlue(space, it.skip('partopsep'));
  data.set(LIST, { ...list, parSep, above: space, below: space, margin });
  data.set(GENERAL, true);
  const label = tokensOf(args, 0);
  data.set(LABEL, (inner: Interpreter) => {
    const counter = inner.read(USED_COUNTER);
    if (counter !== null) refStepCounter(inner, counter);
    return makeLabel(inner, label);
  });
}
