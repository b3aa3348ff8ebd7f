import { glue, PT } from '../../base/lengths';
import { setDimen, setSkip } from '../../expansion/registers';
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
  },
};
