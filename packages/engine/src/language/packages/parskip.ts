import { glue, NO_GLUE, PT } from '../../base/lengths';
import { setDimen, setSkip } from '../../expansion/registers';
import { EVEN_LISTS } from '../constructs/listMeasures';
import type { PackageEntry } from '../machine/entries';

/** parskip: half a line between paragraphs in place of the indent. */
export const parskip: PackageEntry = {
  name: 'parskip',
  description: 'Space between paragraphs instead of an indent.',
  options: null,
  setup: (it) => {
    const half = it.skip('baselineskip').width / 2;
    setDimen(it.state, 'parindent', 0, true);
    setSkip(it.state, 'parskip', glue(half, 2 * PT), true);
    // `\\@listI` is run again: what is set apart has no space of its own.
    for (const name of ['topsep', 'partopsep']) setSkip(it.state, name, NO_GLUE, true);
    it.write(EVEN_LISTS, true, true);
  },
};
