import { nearestName } from '../../base/nearest';
import { finding } from '../entry';
import { loads, one } from '../mends';
import { withColours } from '../preambleMends';
import { declaredStatement } from '../statementMends';

/** Names of commands, environments and counters, and letters that should be names. */
/** Counters that classes have, and those that the source makes. */
const countersIn = (text: string): string[] => [
  ...'section subsection subsubsection chapter part equation figure table page footnote enumi enumii'.split(
    ' ',
  ),
  ...[...text.matchAll(/\\(?:newcounter|newtheorem)\{([^{}]*)\}/g)].map(([, name = '']) => name),
];
const escaped = (name: string): string => name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

export const names = {
  'command-unknown': finding({
    severity: 'broken',
    args: ['name'],
    message: 'There is no command \\<name>.',
    cause: 'It is misspelt, or the package that brings it is not loaded.',
  }),
  'package-needed': finding({
    severity: 'broken',
    args: ['name', 'package'],
    message: '<name> comes with the package <package>, which is not loaded.',
    cause: 'A line \\usepackage{<package>} before \\begin{document} is missing.',
    mend: loads,
  }),
  'option-needed': finding({
    severity: 'broken',
    args: ['name', 'option', 'package'],
    message: '<name> comes with the option <option> of the package <package>.',
    cause: 'The line that loads it says \\usepackage[<option>]{<package>}.',
    mend: ({ text, args }) => {
      const line = new RegExp(`\\\\usepackage(\\[[^\\]]*)?(?:\\])?\\{${args.package}\\}`).exec(
        text,
      );
      if (!line) return null;
      const [, options] = line;
      const at = line.index + '\\usepackage'.length + (options?.length ?? 0);
      const isFirst = options === undefined || options === '[';
      const insert =
        options === undefined ? `[${args.option}]` : `${isFirst ? '' : ','}${args.option}`;
      return one(`Load ${args.package} with ${args.option}`, at, at, insert);
    },
  }),
  'colour-unknown': finding({
    severity: 'broken',
    args: ['name'],
    message: 'There is no colour <name>; black is taken.',
    cause:
      'Always there are black, white, red, green, blue, cyan, magenta, yellow, orange, violet, purple, brown, gray, teal and their like; others are named by \\definecolor.',
  }),
  'colour-beyond': finding({
    severity: 'broken',
    args: ['model', 'values'],
    message: 'The model <model> has no values like <values>.',
    cause: 'Those of rgb go from 0 to 1; from 0 to 255 go those of RGB.',
  }),
  'colour-option-missing': finding({
    severity: 'broken',
    args: ['name', 'option'],
    message: 'The colour <name> comes with the option <option> of xcolor, which is not given.',
    cause:
      'xcolor is loaded as \\usepackage[<option>]{xcolor}, before the packages that load it too.',
    mend: ({ text, args }) => withColours(text, args.option ?? ''),
  }),
  'command-not-defined-here': finding({
    severity: 'broken',
    args: ['name', 'body'],
    message: 'Nothing in this document defines \\<name>; it is taken for <body>.',
    cause:
      'Other programs will not know it. Define it once before \\begin{document}, or write what it means.',
  }),
  'key-without-effect': finding({
    severity: 'off',
    args: ['name'],
    message: 'The key <name> is known here, but changes nothing yet.',
    cause: 'Elsewhere it changes what is printed; here it is as if it were not written.',
  }),
  'command-without-effect': finding({
    severity: 'off',
    args: ['name'],
    message: '\\<name> is known here, but changes nothing yet.',
    cause: 'Elsewhere the page may look otherwise where it is used; the rest of it is as it was.',
  }),
  'environment-unknown': finding({
    severity: 'broken',
    args: ['name'],
    message: 'There is no environment called <name>.',
    cause: 'Its name is misspelt, or the line that declares it or loads its package is missing.',
    mend: ({ text, args }) => declaredStatement(text, args.name),
  }),
  'command-redefined': finding({
    severity: 'broken',
    args: ['name'],
    message: '\\<name> exists already; this definition replaces it.',
    cause: '\\newcommand is for new names. To change one on purpose, use \\renewcommand.',
    mend: ({ text, from }) => {
      const at = text.lastIndexOf('\\newcommand', from);
      return at >= 0 && from - at < 16
        ? one('Write \\renewcommand', at, at + '\\newcommand'.length, '\\renewcommand')
        : null;
    },
  }),
  'command-not-yet-defined': finding({
    severity: 'broken',
    args: ['name'],
    message: '\\<name> did not exist before, so there is nothing to change.',
    cause: '\\renewcommand changes what exists. For a new name, use \\newcommand.',
    mend: ({ text, from }) => {
      const at = text.lastIndexOf('\\renewcommand', from);
      return at >= 0 && from - at < 18
        ? one('Write \\newcommand', at, at + '\\renewcommand'.length, '\\newcommand')
        : null;
    },
  }),
  'counter-exists': finding({
    severity: 'broken',
    args: ['name'],
    message: 'There is a counter <name> already; it stays as it is.',
    cause: '\\newcounter makes a new one; \\setcounter sets one that is there.',
  }),
  'counter-unknown': finding({
    severity: 'broken',
    args: ['name'],
    message: 'There is no counter called <name>.',
    cause: 'It is misspelt, or the \\newcounter for it is missing.',
    mend: ({ text, from, args }) => {
      const name = args.name ?? '';
      const near = nearestName(name, countersIn(text));
      const at = text.slice(from, from + 200).search(new RegExp(`[[{]${escaped(name)}[\\]}]`));
      if (near === null || name === '' || at < 0) return null;
      const start = from + at + 1;
      return one(`Write ${near}`, start, start + name.length, near);
    },
  }),
  'name-in-letters': finding({
    severity: 'advice',
    args: ['name'],
    message: '“<name>” is set as a product of letters.',
    cause: 'The names of functions are commands, which set them upright: \\<name>.',
  }),
  'declaration-with-braces': finding({
    severity: 'advice',
    args: ['name'],
    message: '\\<name> goes on behind these braces.',
    cause:
      'It changes what follows up to the end of the group around it; it takes nothing in braces.',
  }),
  'word-without-braces': finding({
    severity: 'advice',
    args: ['name', 'letter'],
    message: '\\<name> works on the letter “<letter>” alone.',
    cause: 'What it works on stands in braces: \\<name>{…}.',
  }),
  'share-in-percent': finding({
    severity: 'broken',
    args: ['number'],
    message: '<number>% is no length here, and the % hides the rest of the line.',
    cause: 'A share of the text is written 0.5\\textwidth; a % begins a comment.',
  }),
  'options-behind': finding({
    severity: 'off',
    args: [],
    message: 'This is printed as words: it stands behind the file.',
    cause: 'The options of a picture come first: \\includegraphics[width=5cm]{…}.',
  }),
  'money-as-formula': finding({
    severity: 'off',
    args: [],
    message: 'What stands between these two $ is set as a formula.',
    cause: 'A $ begins a formula and ends it; to print the sign, write \\$.',
  }),
  'words-in-formula': finding({
    severity: 'off',
    args: ['words'],
    message: '“<words>” is set as a product of letters, without blanks.',
    cause: 'Words in a formula stand in \\text{…}.',
  }),
};
