import { INCH, PT } from '../../base/lengths';
import { setAll } from '../constructs/pageLayout';
import type { PackageEntry } from '../machine/entries';

/** fullpage: margins of an inch, or 1.5 cm. */
export const fullpage: PackageEntry = {
  name: 'fullpage',
  description: 'Margins of one inch all around.',
  options: ['in', 'cm', 'empty', 'plain', 'headings', 'myheadings'],
  setup: (it, options) => {
    const margin = options.includes('cm') ? (1.5 / 2.54) * INCH : INCH;
    const width = it.dimen('paperwidth') - 2 * margin;
    const heads = options.includes('headings') || options.includes('myheadings');
    const head = heads ? 12 * PT + 25 * PT : 0;
    setAll(it, {
      textwidth: width,
      hsize: width,
      linewidth: width,
      columnwidth: width,
      oddsidemargin: margin - INCH,
      evensidemargin: margin - INCH,
      textheight: it.dimen('paperheight') - 2 * margin - head,
      topmargin: margin - INCH - (heads ? 0 : 12 * PT + 25 * PT),
    });
  },
};
