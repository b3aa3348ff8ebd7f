import { finding } from '../entry';
import type { Fix } from '../finding';
import { lineEnd, literal, one, takeOut } from '../mends';

/** Puts the items from a place on into a list. */
function listed({ text, from }: { readonly text: string; readonly from: number }): Fix {
  // Items go on behind a blank line that another one follows.
  const end = /\n[ \t]*\n(?![ \t\n]*\\item)|\n?\\end\{|$/.exec(text.slice(from));
  const at = from + (end?.index ?? 0);
  const close = text[at - 1] === '\n' ? '\\end{itemize}' : '\n\\end{itemize}';
  return {
    title: 'Make a list of it',
    edits: [
      { from, to: from, text: '\\begin{itemize}\n' },
      { from: at, to: at, text: close },
    ],
  };
}

/** Environments, lists and tables. */
export const environments = {
  'begin-end-mismatch': finding({
    severity: 'broken',
    args: ['found', 'expected'],
    message: 'This closes <found>, but <expected> is what is open.',
    cause: 'The name behind \\end must be the same, letter for letter, as behind its \\begin.',
  }),
  'environment-unclosed': finding({
    severity: 'broken',
    args: ['name'],
    message: 'This <name> is never ended.',
    cause: 'Its \\end{<name>} is missing, or stands further down under another name.',
  }),
  'end-without-begin': finding({
    severity: 'broken',
    args: ['name'],
    message: 'There is no <name> open that this could end.',
    cause: 'Its \\begin{<name>} is missing or misspelt, or it was ended before.',
    mend: ({ text, from, to }) =>
      text.startsWith('\\end', from) ? one('Take it out', from, to, '') : null,
  }),
  'environment-exists': finding({
    severity: 'broken',
    args: ['name'],
    message: 'There is an environment <name> already; this makes it anew.',
    cause: 'Elsewhere a name can be declared once only.',
    mend: ({ text, from }) => {
      const end = text.indexOf('\n', from);
      const line = text.slice(from, end < 0 ? text.length : end);
      return /^\\newtheorem\*?\{[^{}]*\}(?:\[[^\]]*\])?\{[^{}]*\}(?:\[[^\]]*\])?\s*$/.test(line)
        ? one('Take the line out', from, end < 0 ? text.length : end + 1, '')
        : null;
    },
  }),
  'item-outside-list': finding({
    severity: 'broken',
    args: [],
    message: 'An \\item stands outside any list.',
    cause: 'Items belong between \\begin{itemize} or \\begin{enumerate} and its \\end.',
    mend: listed,
  }),
  'item-without-sign': finding({
    severity: 'off',
    args: ['name'],
    message: 'An \\item stands in <name>, which gives it no sign.',
    cause: 'Signs and numbers come from \\begin{itemize} or \\begin{enumerate}.',
    mend: listed,
  }),
  'list-empty': finding({
    severity: 'broken',
    args: ['name'],
    message: 'This <name> has no \\item.',
    cause:
      'A list with nothing in it is an error elsewhere; each of its entries begins with \\item.',
    mend: ({ text, from, args }) => {
      const begin = /^\\begin\s*\{[^{}]*\}(?:\[[^\]]*\])?/.exec(text.slice(from));
      const at = from + (begin?.[0].length ?? 0);
      const end = text.indexOf(`\\end{${args.name ?? ''}}`, at);
      const out = one('Take the list out', from, end + 6 + (args.name ?? '').length, '');
      const start = one('Start an item', at, at, '\n\\item ');
      return begin && end >= 0 && text.slice(at, end).trim() === '' ? [start, out] : start;
    },
  }),
  'text-before-item': finding({
    severity: 'broken',
    args: [],
    message: 'This list starts without an \\item.',
    cause: 'Everything in a list belongs to an item.',
  }),
  'alignment-outside': finding({
    severity: 'broken',
    args: [],
    message: 'This & has nothing to align.',
    cause: 'An & separates columns in a table, a matrix or aligned lines. To print one, write \\&.',
    mend: literal('&'),
  }),
  'row-end-outside': finding({
    severity: 'broken',
    args: [],
    message: 'There is no row here to end.',
    cause: 'A \\cr ends a row of a table, a matrix or an alignment, and it stands in none.',
    mend: takeOut,
  }),
  'columns-too-many': finding({
    severity: 'broken',
    args: [],
    message: 'This row has more columns than the table was given.',
    cause: 'There is one & too many, or the column list needs another letter.',
    mend: ({ text, from }) => {
      const TABLE = /\\begin\{(?:tabular|array|longtable)\}(?:\[[^\]]*\])?\{/g;
      const here = text.startsWith('\\begin', from) ? from + 1 : from;
      const begin = [...text.slice(0, here + 40).matchAll(TABLE)].findLast(
        ({ index }) => index < here,
      );
      if (!begin) return null;
      const open = begin.index + begin[0].length;
      let end = open;
      for (let depth = 1; end < text.length; end++) {
        if (text[end] === '{') depth++;
        else if (text[end] === '}' && --depth === 0) break;
      }
      // Rules on both sides of each column stand there for the new one too.
      const ruled = /\|\s*\w\s*\|\s*$/.test(text.slice(open, end));
      return one('Give the table another column', end, end, ruled ? 'c|' : 'c');
    },
  }),
  'row-break-missing': finding({
    severity: 'broken',
    args: [],
    message: 'This row goes on in the next line, with more columns than the table has.',
    cause: 'A new line in the source begins no row; each row but the last ends with \\\\.',
    mend: ({ to }) => one('End the row', to, to, ' \\\\'),
  }),
  'columns-missing': finding({
    severity: 'broken',
    args: ['name'],
    message: 'This <name> does not say what columns it has.',
    cause: 'Its columns stand behind \\begin{<name>} in braces, a letter each: l, c or r.',
  }),
  'row-unended': finding({
    severity: 'broken',
    args: [],
    message: 'The row before this line across is not ended.',
    cause: 'Each row ends with \\\\; a line across stands between rows.',
    mend: ({ text, from }) => {
      const end = text.slice(0, from).trimEnd().length;
      return text.slice(end, from).includes('\n')
        ? one('End the row', end, end, ' \\\\')
        : one('End the row', from, from, '\\\\ ');
    },
  }),
  'column-unknown': finding({
    severity: 'broken',
    args: ['name'],
    message: '“<name>” is no kind of column; text set to the left is taken.',
    cause: 'Columns are l, c, r, or p{…} for paragraphs; some packages bring more.',
    mend: ({ text, from, args }) => {
      if (text.slice(from, from + 1) !== args.name) return null;
      if (args.name === ',' || args.name === ';') return one('Take it out', from, from + 1, '');
      const count = text[from - 1] === '{' && text[from + 1] === '}' ? Number(args.name) : 0;
      return count > 0
        ? one(`Give it ${count} columns`, from, from + 1, 'l'.repeat(count))
        : one('Set it to the left', from, from + 1, 'l');
    },
  }),
  'float-place-unknown': finding({
    severity: 'broken',
    args: ['letters'],
    message: '[<letters>] says no place where this may stand.',
    cause: 'The letters are h for here, t for top, b for bottom and p for a page of its own.',
  }),
  'frame-not-fragile': finding({
    severity: 'broken',
    args: [],
    message: 'Text as it is typed stands in this frame, which lacks the option fragile.',
    cause:
      'A frame is read as a whole before it is set, unless it says \\begin{frame}[fragile]; then signs such as % and line ends are kept.',
    mend: ({ text, from }) => {
      const begin = '\\begin{frame}';
      const at = text.lastIndexOf(begin, from);
      if (at < 0) return null;
      const options = /^(?:<[^>\n]*>)?(?:\[<[^\]\n]*\])?(\[?)/.exec(text.slice(at + begin.length));
      const place = at + begin.length + (options?.[0].length ?? 0);
      return one('Say so', place, place, options?.[1] ? 'fragile,' : '[fragile]');
    },
  }),
  'caption-outside': finding({
    severity: 'broken',
    args: [],
    message: 'This caption belongs to no figure and no table.',
    cause: 'A \\caption stands between \\begin{figure} and \\end{figure}, or the same of a table.',
    mend: ({ text, from }) => {
      const end = lineEnd(text, from);
      return {
        title: 'Put a figure around it',
        edits: [
          { from, to: from, text: '\\begin{figure}[htbp]\n' },
          { from: end, to: end, text: '\n\\end{figure}' },
        ],
      };
    },
  }),
};
