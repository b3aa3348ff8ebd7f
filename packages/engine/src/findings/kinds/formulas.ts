import { ARITHMETIC } from '../arithmetic';
import { otherDisplay } from '../displayMends';
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
  'scripts-doubled': finding({
    severity: 'broken',
    args: ['what'],
    message: 'There are two <what> on one symbol.',
    cause: 'Put braces around what belongs together: a^{b^c} or {a^b}^c.',
    mend: ({ text, from, to }) => {
      // a^b^c: the base with its first script becomes a group.
      const mark = text.slice(from, to).search(/[\^_]/);
      const at = mark < 0 ? from : from + mark;
      const before =
        /(?:\\[A-Za-z]+|[A-Za-z0-9)}\]])\s*[\^_]\s*(?:\{[^{}]*\}|\\[A-Za-z]+|[^\s{}\\])\s*$/.exec(
          text.slice(0, at),
        );
      if (!before) return null;
      const start = before.index;
      return {
        title: 'Put braces around the first',
        edits: [
          { from: start, to: start, text: '{' },
          { from: at, to: at, text: '}' },
        ],
      };
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
