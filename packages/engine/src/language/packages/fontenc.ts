import { encodingOf } from '../constructs/fontNames';
import type { PackageEntry } from '../machine/entries';

/** fontenc: the encoding of the text fonts; the one that is named last is in force. */
export const fontenc: PackageEntry = {
  name: 'fontenc',
  description: 'The encoding of the text fonts.',
  options: null,
  setup: (it, options) => {
    const named = options.at(-1);
    if (named) encodingOf(it, named);
  },
};
