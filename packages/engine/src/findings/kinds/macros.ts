import { finding } from '../entry';
import { one } from '../mends';
import { withUnit } from '../unitMends';

/** Definitions, conditions, numbers and lengths. */
export const macros = {
  'macro-runaway': finding({
    severity: 'broken',
    args: ['name'],
    message: '\\<name> goes on for ever; it was stopped.',
    cause: 'Its definition uses itself, directly or by way of another command.',
  }),
  'macro-pattern': finding({
    severity: 'broken',
    args: ['name'],
    message: '\\<name> is not used the way it was defined.',
    cause:
      'Its definition expects certain characters around its arguments, and they are not there.',
  }),
  'name-bare': finding({
    severity: 'broken',
    args: ['name', 'command'],
    message: 'The backslash of \\<name> is missing.',
    cause: '\\<command> takes a command, whose name begins with a backslash.',
  }),
  'name-with-figures': finding({
    severity: 'broken',
    args: ['name'],
    message: '\\<name> cannot be the name of a command.',
    cause: 'Names are made of letters alone; the first other sign ends them.',
  }),
  'argument-beyond': finding({
    severity: 'broken',
    args: ['name', 'number', 'count'],
    message: '#<number> is used here, and \\<name> takes <count> in braces.',
    cause: 'How many it takes stands in brackets: \\newcommand{\\<name>}[<number>]{…}.',
  }),
  'nesting-too-deep': finding({
    severity: 'broken',
    args: [],
    message: 'This is nested too deeply to be set.',
    cause: 'Something is put inside itself many times over, often by a command that repeats.',
  }),
  'conditional-unclosed': finding({
    severity: 'broken',
    args: ['name'],
    message: 'This \\<name> has no \\fi.',
    cause: 'Every condition ends with \\fi.',
  }),
  'number-missing': finding({
    severity: 'broken',
    args: [],
    message: 'A number should stand here.',
    cause: 'The command before it counts or measures something; 0 is used.',
    mend: ({ text, from }) =>
      /^(?:text|line|column)width\b/.test(text.slice(from))
        ? one('Make it a length', from, from, '\\')
        : null,
  }),
  'quantity-unreadable': finding({
    severity: 'broken',
    args: ['number'],
    message: '“<number>” is not a number that can be read here.',
    cause:
      'A number is figures with one point, and perhaps an exponent as in 1.5e3 or an uncertainty as in 1.5(2).',
    mend: ({ text, from, args }) => {
      const number = args.number ?? '';
      const start = text.lastIndexOf('\\', from);
      const name = /^\\(?:num|qty|SI)(?=[[{])/.exec(text.slice(start))?.[0];
      const isProduct = /\dx|\d x/.test(number);
      const isComplex = /[ij]$/.test(number) && !isProduct;
      if (name === undefined || (!isProduct && !isComplex)) return null;
      const kind = name === '\\num' ? 'num' : 'qty';
      const better = isProduct ? `\\${kind}product` : `\\complex${kind}`;
      return one(`Write ${better}`, start, start + name.length, better);
    },
  }),
  'unit-longer': finding({
    severity: 'broken',
    args: ['written', 'rest'],
    message: 'In “<written>” the letters “<rest>” belong to no unit.',
    cause: 'Units have two letters: in, cm, mm, pt, em, ex. What stands behind one is text.',
    mend: ({ text, from, args }) => {
      const [written, rest] = [args.written ?? '', args.rest ?? ''];
      const at = written === '' ? -1 : text.slice(from, from + 400).indexOf(written);
      const end = from + at + written.length;
      return at >= 0 && written.endsWith(rest)
        ? one('Take them out', end - rest.length, end, '')
        : null;
    },
  }),
  'unit-missing': finding({
    severity: 'broken',
    args: ['number'],
    message: 'The length <number> has no unit.',
    cause: 'A length needs one of pt, mm, cm, in, em, ex behind its number; pt is used.',
    mend: ({ text, to, args }) => {
      const number = args.number ?? '';
      const start = Math.max(0, to - 40);
      const at = text.slice(start, to).lastIndexOf(number);
      return at < 0 ? null : withUnit(text, start + at, number);
    },
  }),
};
