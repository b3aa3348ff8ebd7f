import { encodingOf } from '../constructs/fontNames';
import type { Interpreter } from '../machine/interpreter';
import type { PackageEntry } from '../machine/entries';
import { quietEntry } from '../machine/macroEntry';

const fonts = ['setCJKmainfont', 'setCJKsansfont', 'setCJKmonofont'].map((name) =>
  quietEntry(name, 'omo', 'The font of Chinese text; Noto Serif SC is set here.'),
);

/** All signs stand in the fonts under their own numbers. */
const withUnicodeFonts = (it: Interpreter): void => encodingOf(it, 'TU');

/** xeCJK: Chinese text; it is set from the shipped font with or without it. */
export const xeCJK: PackageEntry = {
  name: 'xeCJK',
  description: 'Chinese text beside others.',
  options: null,
  setup: withUnicodeFonts,
  commands: [
    ...fonts,
    quietEntry('xeCJKsetup', 'M', 'Options of Chinese text.'),
    quietEntry('setCJKfamilyfont', 'momo', 'A font of Chinese text by name.'),
    quietEntry('CJKfamily', 'm', 'A font of Chinese text.'),
    quietEntry('songti', '', 'A font of Chinese text.'),
    quietEntry('heiti', '', 'A font of Chinese text.'),
    quietEntry('kaishu', '', 'A font of Chinese text.'),
    quietEntry('fangsong', '', 'A font of Chinese text.'),
  ],
};
export const CJK: PackageEntry = {
  name: 'CJKutf8',
  description: 'Chinese text in an environment of its own.',
  options: null,
  environments: [
    {
      name: 'CJK',
      signature: 'mm',
      description: 'Chinese text.',
      example: '\\begin{CJK}{UTF8}{gbsn}潮\\end{CJK}',
    },
    {
      name: 'CJK*',
      signature: 'mm',
      description: 'Chinese text.',
      example: '\\begin{CJK*}{UTF8}{gbsn}潮\\end{CJK*}',
    },
  ],
};
