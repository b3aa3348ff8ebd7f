import { behindClass } from '../preambleMends';
import { finding } from '../entry';
import { loads, one } from '../mends';

/** The kind of document, packages, title, and where the text begins and ends. */
/** How far behind a command its options are looked at. */
const NEAR = 1000;

/** Where a key stands: at the place told, which may hold but its first letter, or among the options behind that; null when it is not seen. */
function keyPlace(
  text: string,
  from: number,
  to: number,
  name: string,
): { readonly from: number; readonly to: number } | null {
  if (name === '') return null;
  if (text.slice(from, to).trim() === name) return { from, to };
  if (text.startsWith(name, from)) return { from, to: from + name.length };
  const escaped = name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  const key = new RegExp(`(?<=[[{,]\\s*)${escaped}(?=\\s*[=,\\]}])`).exec(
    text.slice(from, from + NEAR),
  );
  return key ? { from: from + key.index, to: from + key.index + name.length } : null;
}

export const preamble = {
  'class-missing': finding({
    severity: 'broken',
    args: [],
    message: 'The sheet does not say what kind of document it is.',
    cause: 'A document starts with \\documentclass{article}, or another kind.',
  }),
  'class-unknown': finding({
    severity: 'broken',
    args: ['name'],
    message: 'The kind of document “<name>” is not known here; article is used in its place.',
    cause: 'Its name is misspelt, or its class file did not come with the assignment.',
  }),
  'name-swapped': finding({
    severity: 'broken',
    args: ['name', 'command'],
    message: 'The name <name> and its options have changed places.',
    cause: 'Options stand in brackets before the name in braces: \\<command>[…]{<name>}.',
  }),
  'document-begin-missing': finding({
    severity: 'broken',
    args: [],
    message: 'The text starts before \\begin{document}.',
    cause: 'What is printed stands between \\begin{document} and \\end{document}.',
  }),
  'document-end-missing': finding({
    severity: 'broken',
    args: [],
    message: 'The document is never ended.',
    cause: 'The last line should be \\end{document}.',
  }),
  'package-unknown': finding({
    severity: 'off',
    args: ['name', 'uses'],
    message: 'The package <name> is not known here<uses>.',
    cause: 'Its name is misspelt, or its file did not come with the assignment.',
  }),
  'package-not-here': finding({
    severity: 'off',
    args: ['name', 'uses'],
    message: 'The package <name> is not carried out here<uses>.',
    cause:
      'There is such a package, and its name is written as it should be; what it does is missing on this page alone.',
  }),
  'package-misspelt': finding({
    severity: 'broken',
    args: ['name', 'meant'],
    message: 'There is no package “<name>”; <meant> is meant, most likely.',
    cause: 'Names of packages are written in small letters, with commas between them.',
  }),
  'slash-leans': finding({
    severity: 'broken',
    args: ['name'],
    message: 'This slash leans the wrong way: commands begin with a backslash, \\<name>.',
    cause: 'The backslash, \\, stands on a key of its own.',
  }),
  'backslash-missing': finding({
    severity: 'broken',
    args: ['name'],
    message: 'The backslash before <name> is missing.',
    cause: 'Commands begin with a backslash: \\<name>.',
    mend: ({ from }) => one('Put it there', from, from, '\\'),
  }),
  'language-unknown': finding({
    severity: 'off',
    args: ['name', 'near'],
    message: 'The language “<name>” is not known here; the document goes on in the one before.',
    cause:
      'Known are English, German, French, Spanish, Italian, Portuguese, Dutch and Polish, by their names in babel.',
    mend: ({ text, from, to, args }) => {
      const [name, near] = [args.name ?? '', args.near ?? ''];
      const at = near === '' ? -1 : text.slice(from, to + NEAR).indexOf(name);
      return at < 0 ? null : one(`Write ${near}`, from + at, from + at + name.length, near);
    },
  }),
  'option-unknown': finding({
    severity: 'off',
    args: ['name'],
    message: 'The option “<name>” is not known here and changes nothing.',
    cause: 'It is misspelt, or it belongs to another class or package.',
    mend: ({ text, from: start, to: end, args }) => {
      const place = keyPlace(text, start, end, args.name ?? '');
      if (!place) return [];
      const { from, to } = place;
      // All that a command is given is not taken out.
      if (text[from - 1] === '{' && text[to] === '}') return [];
      const value = /^\s*=\s*(?:\{[^{}]*\}|[^,\]{}\n]*)/.exec(text.slice(to))?.[0] ?? '';
      const stop = to + value.length;
      const behind = /^\s*,/.exec(text.slice(stop));
      const before = /,\s*$/.exec(text.slice(0, from));
      const begin = behind ? from : from - (before?.[0].length ?? 0);
      return one('Take it out', begin, stop + (behind?.[0].length ?? 0), '');
    },
  }),
  'stands-twice': finding({
    severity: 'broken',
    args: ['what'],
    message: '<what> stands here a second time.',
    cause: 'A document has one kind, one beginning and one end.',
  }),
  'packages-clash': finding({
    severity: 'broken',
    args: ['name', 'other'],
    message: 'The packages <other> and <name> cannot be used together.',
    cause: 'Both bring the same commands; elsewhere the second one stops with an error.',
  }),
  'package-order': finding({
    severity: 'broken',
    args: ['name', 'other'],
    message: 'The package <other> has to be loaded before <name>.',
    cause: '<name> changes what <other> brings, so it comes behind it.',
    mend: ({ text, to, args }) => {
      const line = new RegExp(
        `^\\\\usepackage(?:\\[[^\\]\\n]*\\])?\\{${args.name ?? ''}\\}[ \\t]*\\n`,
        'm',
      ).exec(text);
      if (!line || line.index > to) return null;
      const newline = text.indexOf('\n', to);
      const at = newline < 0 ? text.length : newline + 1;
      return {
        title: `Load ${args.name ?? ''} behind it`,
        edits: [
          { from: line.index, to: line.index + line[0].length, text: '' },
          { from: at, to: at, text: line[0] },
        ],
      };
    },
  }),
  'option-misspelt': finding({
    severity: 'broken',
    args: ['name', 'meant'],
    message: 'There is no option “<name>” here; <meant> is meant, most likely.',
    cause: 'Options are written as their package names them, with commas between them.',
  }),
  'title-missing': finding({
    severity: 'broken',
    args: [],
    message: 'There is no title to print.',
    cause: '\\maketitle prints what \\title{…} was given; that line is missing.',
    mend: ({ text }) => {
      const begin = text.indexOf('\\begin{document}');
      return begin < 0 ? null : one('Add a title', begin, begin, '\\title{Untitled}\n');
    },
  }),
  'maketitle-early': finding({
    severity: 'broken',
    args: ['what'],
    message: '\\maketitle stands too early: it belongs behind <what>.',
    cause: 'It prints title, author and date, which come first, in the text of the document.',
  }),
  'line-too-early': finding({
    severity: 'broken',
    args: ['name'],
    message: 'This \\<name> stands before \\documentclass.',
    cause: 'The kind of document comes first; what it loads follows.',
    mend: ({ text, from }) => behindClass(text, from),
  }),
  'title-not-printed': finding({
    severity: 'off',
    args: [],
    message: 'This title is given but never printed.',
    cause: '\\maketitle prints it, behind \\begin{document}; that line is missing.',
  }),
  'line-too-late': finding({
    severity: 'broken',
    args: ['name'],
    message: 'A line with \\<name> belongs before \\begin{document}.',
    cause: 'What the document is and what it loads is settled before its text begins.',
  }),
  'text-behind-end': finding({
    severity: 'advice',
    args: [],
    message: 'What stands behind \\end{document} is not printed.',
    cause: 'The document ends there. Move the line down if this belongs to it.',
  }),
  'headings-missing': finding({
    severity: 'broken',
    args: ['class'],
    message: 'This kind of document, <class>, has no headings.',
    cause: 'Sections belong to the kinds article, report and book.',
  }),
  'chapters-below': finding({
    severity: 'off',
    args: ['class'],
    message:
      'Sections are numbered 0.1 and on: this kind of document, <class>, begins with chapters.',
    cause: 'Sections stand in chapters here; an article begins with sections.',
  }),
  'nothing-printed': finding({
    severity: 'advice',
    args: [],
    message: 'Nothing is printed yet.',
    cause: 'What is printed stands between \\begin{document} and \\end{document}.',
  }),
  'script-without-package': finding({
    severity: 'advice',
    args: ['script', 'package'],
    message: 'Other LaTeX programs need a package for <script>.',
    cause: 'The package <package> brings fonts that have these characters.',
    mend: (context) => loads(context),
  }),
  'chapters-missing': finding({
    severity: 'broken',
    args: ['class'],
    message: 'This kind of document, <class>, has no chapters.',
    cause: 'Chapters belong to the kinds report and book; an article starts with sections.',
  }),
};
