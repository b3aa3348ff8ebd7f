import type { PackageEntry } from '../machine/entries';
import { Cat } from '../../tokens/categories';

/** Signs before which no blank is put (xspace manual). */
const NO_SPACE_BEFORE = /^[.,'!?:;)/\-~\]}]$/;

/** xspace: a blank behind a macro where one is wanted. */
export const xspace: PackageEntry = {
  name: 'xspace',
  description: 'A blank behind a macro where the text wants one.',
  options: null,
  commands: [
    {
      name: 'xspace',
      signature: '',
      description: 'A blank, unless punctuation follows.',
      example: '\\newcommand{\\ferry}{Aurelia\\xspace}\\ferry',
      package: 'xspace',
      run: (it, _args, token) => {
        const next = it.p.nextExpanded();
        if (next) it.p.unread(next);
        const quiet =
          next === null ||
          next.cat === Cat.Space ||
          next.cat === Cat.End ||
          next.cat === Cat.Begin ||
          (next.cell === null && NO_SPACE_BEFORE.test(next.text)) ||
          (next.cat === Cat.Command &&
            /^(\s|\/|par|xspace|footnote|footnotemark|,|item|end|\\)$/.test(next.text)) ||
          next.cat === Cat.Active;
        if (quiet) return;
        it.space(it.spanOf(token), false);
      },
      math: () => null,
    },
  ],
};
