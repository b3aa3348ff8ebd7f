import { pt, type Sp } from '../../base/lengths';
import { setAll } from '../constructs/pageLayout';
import { dimenOf } from '../scanning/dimenOf';
import { CELLS } from '../machine/cells';
import type { ClassEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry } from '../machine/macroEntry';
import { article } from './standard';

/** `border=5pt`, `border={1cm 2pt}` (across, down) or four lengths: left, bottom, right, top. */
function roomOf(it: Interpreter, options: readonly string[]): readonly [Sp, Sp, Sp, Sp] {
  const given = options.map(
    (option) => /^(?:border|margin)=\{?([^{}]*)\}?$/.exec(option.trim())?.[1],
  );
  const lengths = (given.find((text) => text !== undefined) ?? '0.50001bp')
    .trim()
    .split(/\s+/)
    .map((text) => dimenOf(it, it.p.chars(/[a-z]/.test(text) ? text : `${text}bp`)));
  const [first = 0, second = first, third, fourth] = lengths;
  if (third === undefined || fourth === undefined) return [first, second, first, second];
  return [first, second, third, fourth];
}

/** So high that nothing is ever parted over pages. */
const TALL = pt(14000);

/** standalone: pages no larger than what is on them. */
export const standalone: ClassEntry = {
  ...article,
  name: 'standalone',
  description: 'A picture or formula by itself, on a page of its size.',
  options: [
    ...article.options,
    ...'border margin crop tikz pstricks beamer varwidth preview multi class convert float ignorerest circuitikz math'.split(
      ' ',
    ),
  ],
  commands: [
    ...(article.commands ?? []),
    macroEntry('standaloneconfig', 'm', 'Settings of this class.', '\\standaloneconfig{}', ''),
  ],
  setup: (it, options) => {
    article.setup?.(it, options);
    if (options.some((option) => /^crop\s*=\s*false$/.test(option))) return;
    const [left, bottom, right, top] = roomOf(it, options);
    it.write(CELLS.crop, { left, right, top, bottom }, true);
    setAll(it, { textheight: TALL, hfuzz: TALL, parindent: 0, topmargin: 0 });
    it.execute(it.source('\\pagestyle{empty}'));
    if (options.some((option) => /^tikz\b/.test(option)))
      it.execute(it.source('\\usepackage{tikz}'));
  },
};
