import { ARITHMETIC } from '../arithmetic';
import { otherDisplay } from '../displayMends';
import { secondScript } from '../scriptMends';
import { finding } from '../entry';
import { one, takeOut } from '../mends';

/** Marks of formulas, and what stands in them. */
export const formulas = {
  'formula-unclosed': finding({
    severity: 'broken',
    args: ['open'],
    message: 'This <open> is never closed.',
    cause: 'A formula needs a mark at both ends; here the paragraph ends before the second one.',
  }),
  'formula-unopened': finding({
    severity: 'broken',
    args: [],
    message: 'This $ closes no formula: the one that begins it is missing.',
    cause: 'Mathematics in a line of text stands between two $ marks.',
  }),
  'dollar-extra': finding({
    severity: 'broken',
    args: [],
    message: 'This $ is one too many.',
    cause:
      'Mathematics in a line of text stands between two $ marks; to print the sign, write \\$.',
  }),
  'math-in-text': finding({
    severity: 'broken',
    args: ['what'],
    message: '<what> works only in a formula.',
    cause: 'Mathematics in a line of text stands between two $ marks; they are missing here.',
  }),
  'delimiter-unmatched': finding({
    severity: 'broken',
    args: ['name'],
    message: 'This \\<name> has no partner.',
    cause: '\\left and \\right come in pairs within one formula; write \\right. for an empty side.',
    mend: ({ text, from, args }) => {
      const word = `\\${args.name ?? ''}`;
      return text.startsWith(word, from)
        ? one('Make it a plain bracket', from, from + word.length, '')
        : null;
    },
  }),
  'delimiter-missing': finding({
    severity: 'broken',
    args: ['name'],
    message: '\\<name> needs a bracket behind it.',
    cause: 'What follows is not a bracket that can grow. For no bracket, put a full stop.',
    mend: ({ text, from, args }) => {
      const behind = from + 1 + (args.name ?? '').length;
      return text.startsWith(`\\${args.name ?? ''}`, from)
        ? one('No bracket on this side', behind, behind, '.')
        : null;
    },
  }),
  'brace-bare': finding({
    severity: 'broken',
    args: ['char'],
    message: 'This <char> is read as one that keeps things together, not as a bracket.',
    cause: 'A brace that is printed is written \\<char>.',
  }),
  'scripts-doubled': finding({
    severity: 'broken',
    args: ['what'],
    message: 'There are two <what> on one symbol.',
    cause: 'Put braces around what belongs together: a^{b^c} or {a^b}^c.',
    mend: ({ text, from, to }) => {
      const mark = text.slice(from, to).search(/[\^_]/);
      return secondScript(text, mark < 0 ? from : from + mark);
    },
  }),
  'fraction-ambiguous': finding({
    severity: 'broken',
    args: [],
    message: 'Two fractions of this old form stand in one group.',
    cause: 'Which is over which cannot be told. Put braces around one of them, or write \\frac.',
  }),
  'script-short': finding({
    severity: 'advice',
    args: ['sign', 'signs'],
    message: 'Only the first sign behind this <sign> is raised or lowered.',
    cause: 'More than one sign stands in braces: <sign>{<signs>}.',
  }),
  'columns-in-equation': finding({
    severity: 'broken',
    args: ['name'],
    message: 'An & has nothing to align in <name>, which is one line.',
    cause: 'Lines are aligned by the environment align.',
    mend: ({ text, from, args }) => otherDisplay(text, from, args.name, 'align'),
  }),
  'rows-in-equation': finding({
    severity: 'off',
    args: ['name'],
    message: 'Elsewhere this is no new line: <name> is one line.',
    cause: 'Several lines, each with a number, stand in the environment gather, or in align.',
    mend: ({ text, from, args }) => otherDisplay(text, from, args.name, 'gather'),
  }),
  'row-empty': finding({
    severity: 'off',
    args: ['name'],
    message: 'This \\\\ begins one more row of <name>, with nothing in it.',
    cause: '\\\\ stands between rows, not behind the last one, where it makes room and a number.',
  }),
  'row-runs-on': finding({
    severity: 'advice',
    args: ['name'],
    message: 'This row of <name> goes on in the next line.',
    cause: 'A new line in the source begins no row; each row but the last ends with \\\\.',
  }),
  'rows-unaligned': finding({
    severity: 'advice',
    args: ['name'],
    message: 'No row of this <name> says where to align; each ends at the same place on the right.',
    cause: 'A & stands before the sign that the rows are to be aligned at.',
  }),
  'sign-typed': finding({
    severity: 'advice',
    args: ['typed', 'command'],
    message: '“<typed>” is printed as it is typed.',
    cause: 'The sign that is most likely meant is written <command>.',
  }),
  'sign-below': finding({
    severity: 'advice',
    args: ['sign'],
    message: 'The sign “<sign>” is all that stands below in this fraction.',
    cause: 'A fraction takes two arguments, what is above and what is below: \\frac{a}{b}.',
  }),
  'braces-lost': finding({
    severity: 'advice',
    args: [],
    message: 'These braces are not printed.',
    cause: 'Braces keep things together in the source; those of a set are written \\{ and \\}.',
  }),
  'delimiter-over-rows': finding({
    severity: 'broken',
    args: [],
    message: 'This \\left and its \\right stand in different rows or columns.',
    cause:
      'A pair stays within one cell: it is closed by \\right. there, and opened again by \\left. further on.',
  }),
  'script-missing': finding({
    severity: 'broken',
    args: ['name'],
    message: 'Nothing stands behind this <name>.',
    cause:
      'What is raised or lowered comes right behind the sign; several characters go in braces.',
    mend: takeOut,
  }),
  'dollar-in-formula': finding({
    severity: 'broken',
    args: [],
    message: 'This $ stands inside a formula.',
    cause: 'A displayed formula needs no $ marks of its own.',
  }),
  'mark-in-formula': finding({
    severity: 'broken',
    args: ['mark'],
    message: 'This <mark> stands inside a formula.',
    cause: 'A formula has one mark at its beginning and one at its end.',
  }),
  'formula-closed-otherwise': finding({
    severity: 'broken',
    args: ['found', 'open', 'close'],
    message: '<found> does not close the <open> before it.',
    cause: 'What begins with <open> ends with <close>.',
  }),
  'marks-around-display': finding({
    severity: 'broken',
    args: ['open', 'name'],
    message: 'The environment <name> is a formula by itself; the marks around it are too many.',
    cause: 'A display has one beginning: <open> or \\begin{<name>}, not both.',
  }),
  'text-only-in-math': finding({
    severity: 'off',
    args: ['name'],
    message: '\\<name> belongs in text, not in a formula.',
    cause: 'The formula before it may not be closed, or the command needs \\text{…} around it.',
    mend: ({ text, from, to }) => {
      const argument = /^\s*\{[^{}]*\}/.exec(text.slice(to));
      const end = to + (argument?.[0].length ?? 0);
      return argument
        ? {
            title: 'Put \\text around it',
            edits: [
              { from, to: from, text: '\\text{' },
              { from: end, to: end, text: '}' },
            ],
          }
        : null;
    },
  }),
  'blank-line-in-formula': finding({
    severity: 'broken',
    args: [],
    message: 'There is a blank line inside this formula.',
    cause: 'A blank line ends a paragraph, and a formula cannot go across that end.',
    mend: ({ text, from }) => {
      const blank = /\n[ \t]*\n/.exec(text.slice(Math.max(0, from - 1)));
      if (!blank) return null;
      const at = Math.max(0, from - 1) + blank.index;
      return one('Take the blank line out', at, at + blank[0].length, '\n');
    },
  }),
  'arithmetic-differs': finding({ args: ['left', 'right'], ...ARITHMETIC }),
};
