import { one } from '../mends';
import { finding } from '../entry';
import { SET_ASIDE } from '../setAside';
import { noteBehind } from '../noteMends';
import { tooWideFormula, tooWideLine } from '../wideMends';

/** What sticks out, and what is set otherwise than it was meant. */
export const layout = {
  'line-too-wide': finding({
    severity: 'off',
    args: ['amount'],
    message: 'A line here sticks out of the margin by <amount>.',
    cause: 'No good place to break it was found; something in it is too long.',
    mend: ({ text, from, to }) => tooWideLine(text, from, to),
  }),
  'formula-too-wide': finding({
    severity: 'off',
    args: ['amount', 'times'],
    message: 'This formula is wider than the text by <amount>.',
    cause: 'It is on one line; break it over several, at a relation or a plus sign.',
    mend: ({ text, from, to, args }) => tooWideFormula(text, from, to, Number(args.times)),
  }),
  'formula-too-long': finding({
    severity: 'broken',
    args: [],
    message: 'This formula is too long to be set; the rest of it is left out.',
    cause: 'It has more than twenty thousand signs: most likely it was never closed.',
  }),
  'paragraph-set-aside': finding({ args: [], ...SET_ASIDE }),
  'document-too-long': finding({
    severity: 'broken',
    args: ['most'],
    message: 'The sheet is too long to be set in one; from here on it is left out.',
    cause: 'At most <most> are set. What is longer is divided into several sheets.',
  }),
  'font-not-here': finding({
    severity: 'off',
    args: ['name', 'instead'],
    message: 'The font “<name>” is not at hand; <instead> is set in its place.',
    cause:
      'Latin Modern, Linux Libertine and TeX Gyre (as Times, Palatino, Schoolbook, Bookman, Helvetica, Avant Garde and Courier) come with the program. Elsewhere the lines may break otherwise.',
  }),
  'character-missing': finding({
    severity: 'broken',
    args: ['char'],
    message: 'No font here has the character “<char>”.',
    cause: 'It was pasted in, or belongs to a script that is not covered.',
  }),
  'character-in-text': finding({
    severity: 'broken',
    args: ['char'],
    message: 'Other LaTeX programs stop at “<char>” in text.',
    cause: 'It is a sign of mathematics, which stands in a formula, as a command.',
  }),
  'sign-in-text': finding({
    severity: 'advice',
    args: ['typed', 'printed'],
    message: '<typed> prints <printed> in text.',
    cause:
      'The text fonts have another sign at its place. It prints as it is in a formula, and everywhere with \\usepackage[T1]{fontenc}.',
    mend: ({ text, from, to, args }) =>
      text.slice(from, to) === args.typed
        ? one('Make it a formula', from, to, `$${args.typed}$`)
        : null,
  }),
  'character-in-formula': finding({
    severity: 'broken',
    args: ['char'],
    message: 'Other LaTeX programs stop at “<char>” in a formula.',
    cause: 'It is set here; elsewhere the signs of mathematics are written as commands.',
  }),
  'note-in-float': finding({
    severity: 'off',
    args: ['kind'],
    message:
      'In other LaTeX programs the text of this note is lost: notes do not come out of a <kind>.',
    cause: 'The mark alone belongs in it; the text of the note is said behind it.',
    mend: ({ text, from, args }) => noteBehind(text, from, args.kind),
  }),
  'picture-too-wide': finding({
    severity: 'off',
    args: ['amount'],
    message: 'This picture is wider than the text by <amount>.',
    cause: 'It is set at its own size. A width in brackets makes it fit.',
  }),
  'line-break-for-nothing': finding({
    severity: 'advice',
    args: [],
    message: 'There is no line here for \\\\ to break.',
    cause: 'The blank line behind it ends the paragraph; together they leave an empty line.',
    mend: ({ text, from, to }) => {
      if (text.slice(from, to) !== '\\\\') return null;
      let start = from;
      while (/[ \t]/.test(text[start - 1] ?? '')) start--;
      return one('Take it out', start, to, '');
    },
  }),
  'line-break-between': finding({
    severity: 'broken',
    args: ['name'],
    message: 'There is no line here for \\<name> to end.',
    cause:
      'It stands between paragraphs, or before the first word of one. For space, write \\vspace{…}.',
    mend: ({ text, from, to, args }) => {
      if (text.slice(from, to) !== `\\${args.name ?? ''}`) return null;
      const behind = text[to] === '\n' && text[from - 1] === '\n' ? 1 : 0;
      return one('Take it out', from, to + behind, '');
    },
  }),
  'quotes-straight': finding({
    severity: 'advice',
    args: [],
    message: 'Both of these quotation marks come out as closing ones.',
    cause: "Quotation marks are typed as two backticks before and two apostrophes behind: ``so''.",
  }),
  'dots-typed': finding({
    severity: 'advice',
    args: [],
    message: 'Three full stops stand closer together than dots should.',
    cause: 'Dots have a command of their own, which spaces them: \\dots.',
  }),
  'blank-swallowed': finding({
    severity: 'advice',
    args: ['name'],
    message: 'The blank behind \\<name> is not printed.',
    cause: 'A blank only ends the name of a command. Braces behind it keep the blank: \\<name>{}.',
  }),
};
