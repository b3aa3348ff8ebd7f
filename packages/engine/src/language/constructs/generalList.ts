import type { Glue } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';
import { setDimen, setSkip } from '../../expansion/registers';
import { refStepCounter } from '../counters';
import type { Args } from '../entries';
import { tokensOf } from '../entries';
import type { OpenEnvironment } from '../environments';
import type { Interpreter } from '../interpreter';
import { addGlue } from './listMeasures';
import { beginList } from './lists';

/** The list that `\\begin{list}{label}{settings}` opens: its settings may change every measure. */
export function beginGeneral(it: Interpreter, args: Args): void {
  const outerMargin = it.dimen('totalleftmargin');
  const outerWidth = it.dimen('linewidth');
  const parskip = it.skip('parskip');
  beginList(it);
  const open = it.environments.at(-1) as OpenEnvironment;
  setDimen(it.state, 'itemindent', 0);
  setDimen(it.state, 'listparindent', 0);
  setDimen(it.state, 'rightmargin', 0);
  setSkip(it.state, 'topsep', open.data.topSep as Glue);
  setSkip(it.state, 'partopsep', open.data.partopSep as Glue);
  setSkip(it.state, 'parsep', open.data.parSep as Glue);
  it.execute(tokensOf(args, 1));
  const margin = it.dimen('leftmargin');
  setDimen(it.state, 'totalleftmargin', outerMargin + margin);
  setDimen(it.state, 'linewidth', outerWidth - margin - it.dimen('rightmargin'));
  setDimen(it.state, 'parindent', it.dimen('listparindent'));
  const parSep = it.skip('parsep');
  setSkip(it.state, 'parskip', parSep);
  let space = addGlue(it.skip('topsep'), parskip);
  if (open.data.vertical === true) space = addGlue(space, it.skip('partopsep'));
  Object.assign(open.data, { parSep, above: space, below: space, margin, general: true });
  const label = tokensOf(args, 0);
  open.data.label = (inner: Interpreter) => {
    if (inner.state.get(inner.state.cell('\u0001usecounter')) !== undefined) {
      const counter = inner.state.get(inner.state.cell('\u0001usecounter')) as string;
      refStepCounter(inner, counter);
    }
    return makeLabel(inner, label);
  };
}

/** A label as `\\makelabel` dresses it. */
export function makeLabel(it: Interpreter, label: readonly Token[]): readonly Inline[] {
  const own = it.state.meaning(it.state.cell('makelabel'));
  if (own?.kind !== 'macro') return it.inlinesOf(label);
  return it.inlinesOf([it.p.command('makelabel'), it.p.make(1, '{'), ...label, it.p.make(2, '}')]);
}
