import { finding } from '../entry';
import { one } from '../mends';

/** How far behind a statement's start what it tells of is looked for. */
const NEAR = 300;

/** Two numbers with a blank or a semicolon in place of the comma. */
const NUMBERS_APART = /^[-+]?[\d.]+(?:cm|mm|pt)?(?:\s+|\s*;\s*)[-+]?[\d.]+(?:cm|mm|pt)?$/;

/** Pictures described in text. */
export const pictures = {
  'picture-key': finding({
    severity: 'broken',
    args: ['name'],
    message: 'Pictures know no key “<name>”.',
    cause:
      'It is misspelt, or it belongs to a library that is not loaded or not known here; the rest is drawn without it.',
  }),
  'picture-node': finding({
    severity: 'broken',
    args: ['name', 'near'],
    message: 'There is no node “<name>” in this picture before here.',
    cause:
      'A node gets its name in round brackets, as in \\node (A) {…}; lines can lead to it from then on.',
    mend: ({ text, from, to, args }) => {
      const [name = '', near = ''] = [args.name, args.near];
      const at = text.slice(from, to + 200).indexOf(`(${name}`);
      if (near === '' || at < 0) return null;
      const start = from + at + 1;
      return one(`Make it ${near}`, start, start + name.length, near);
    },
  }),
  'cell-missing': finding({
    severity: 'broken',
    args: ['row', 'column'],
    message: 'There is no place in row <row>, column <column> that this could lead to.',
    cause: 'Each & begins a place and each \\\\ a row. A place may be empty, but it must be there.',
  }),
  'picture-anchor': finding({
    severity: 'broken',
    args: ['name'],
    message: 'A node has no place “<name>”.',
    cause:
      'Places of a node are north, south, east, west and what lies between, center, base, mid, or an angle.',
  }),
  'sign-table-full': finding({
    severity: 'off',
    args: ['rows'],
    message: 'The table has <rows> rows, and this is one more.',
    cause:
      'The first list of \\tkzTabInit names each row with its height; one without is left out.',
  }),
  'picture-number': finding({
    severity: 'broken',
    args: ['word'],
    message: '“<word>” cannot be worked out.',
    cause: 'A number, a length or an expression should stand here; 0 is used.',
    mend: ({ text, from, args }) => {
      const word = args.word ?? '';
      const at = word === '' ? -1 : text.slice(from, from + NEAR).indexOf(word);
      const start = from + at;
      const lacks = word.split('(').length - word.split(')').length;
      if (at < 0) return null;
      if (NUMBERS_APART.test(word))
        return one('Put the comma', start, start + word.length, word.replace(/[\s;]+/, ','));
      return lacks === 1
        ? one('Close it with )', start + word.length, start + word.length, ')')
        : null;
    },
  }),
  'picture-coordinate': finding({
    severity: 'broken',
    args: ['word'],
    message: 'The place “<word>” cannot be read.',
    cause: 'Places are written (1,2), (30:2cm), (A), (A.north) or ($(A)!.5!(B)$).',
    mend: ({ text, from, args }) => {
      const word = args.word ?? '';
      const at = text.indexOf(`(${word})`, from);
      const comma = word.replace(/[\s;]+/, ',');
      return at >= 0 && at < from + 200 && NUMBERS_APART.test(word)
        ? one(`Write (${comma})`, at + 1, at + 1 + word.length, comma)
        : null;
    },
  }),
  'picture-word': finding({
    severity: 'broken',
    args: ['word', 'near'],
    message: 'A path does not know “<word>”.',
    cause: 'Between places stand -- , .. , to, rectangle, circle, arc, grid, node and their kin.',
    mend: ({ text, from, args }) => {
      const [word, near] = [args.word ?? '', args.near ?? ''];
      const at =
        near === '' ? -1 : text.slice(from, from + NEAR).search(new RegExp(`\\b${word}\\b`));
      return at < 0 ? null : one(`Write ${near}`, from + at, from + at + word.length, near);
    },
  }),
  'picture-semicolon': finding({
    severity: 'broken',
    args: ['name'],
    message: 'This \\<name> has no ; at its end.',
    cause: 'Every statement of a picture ends with a semicolon.',
  }),
  'picture-text-bare': finding({
    severity: 'broken',
    args: [],
    message: 'The text of this node is not in braces.',
    cause: 'What a node shows stands in braces, also where that is nothing: \\node at (0,0) {}.',
  }),
  'picture-bracket': finding({
    severity: 'broken',
    args: ['open', 'close'],
    message: 'This <open> is never closed.',
    cause:
      'Places stand between ( and ), options between [ and ], what a node shows between braces.',
  }),
  'picture-outside': finding({
    severity: 'broken',
    args: ['name'],
    message: '\\<name> stands in no picture, so nothing is drawn.',
    cause: 'Pictures are drawn between \\begin{tikzpicture} and \\end{tikzpicture}, or by \\tikz.',
  }),
  'picture-axis': finding({
    severity: 'broken',
    args: ['name'],
    message: '\\<name> stands in no axis.',
    cause: 'Plots are drawn between \\begin{axis} and \\end{axis}.',
  }),
  'picture-loop': finding({
    severity: 'broken',
    args: [],
    message: 'This \\foreach has no list.',
    cause: 'A loop is written \\foreach \\x in {1,2,3} {…}.',
  }),
};
