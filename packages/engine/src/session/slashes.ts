import type { RawFinding } from '../findings/finding';

/** Commands of the structure of a document, which no sentence begins with behind a slash. */
const STRUCTURE =
  'documentclass|usepackage|begin|end|maketitle|title|author|date|chapter|section|subsection|subsubsection|paragraph|tableofcontents|item|label|ref|eqref|cite|newcommand|newtheorem|textbf|textit|emph|underline|includegraphics|caption|centering|footnote|frac|newpage|input';
const LEANING = new RegExp(`(?<![\\w\\\\/:.])/(${STRUCTURE})(?![A-Za-z/.])(?=\\s*[[{]|\\s|$)`, 'g');
/** At the start of a line, with an argument behind it: no sentence begins so. */
const BARE = new RegExp(
  `^([ \\t]*)(documentclass|usepackage|begin|end|title|author|chapter|section|subsection|subsubsection|newcommand|newtheorem|includegraphics|label)(?=\\[[^\\]\\n]*\\]\\{|\\{)`,
  'gm',
);

/** A command of the structure that is written without its backslash, from the start of its block. */
export interface WrittenName {
  readonly name: string;
  readonly from: number;
}

/** `/section{One}`: names whose slash leans the wrong way. */
export const leaningNames = (text: string): WrittenName[] =>
  [...text.matchAll(LEANING)].map(({ index, 1: name = '' }) => ({ name, from: index }));
/** `section{One}` at the start of a line. */
export const bareNames = (text: string): WrittenName[] =>
  [...text.matchAll(BARE)].map(({ index, 1: blanks = '', 2: name = '' }) => ({
    name,
    from: index + blanks.length,
  }));

/** The finding of all leaning slashes of a document; its button turns them all. */
export function leaningSlashes(found: readonly WrittenName[]): RawFinding[] {
  const [first] = found;
  if (!first) return [];
  const edits = found.map(({ from }) => ({ from, to: from + 1, text: '\\' }));
  const fix = { title: edits.length === 1 ? 'Turn it' : 'Turn them all', edits };
  const { from, name } = first;
  return [{ code: 'slash-leans', from, to: from + name.length + 1, args: { name }, fix }];
}

export const bareCommand = ({ from, name }: WrittenName): RawFinding => ({
  code: 'backslash-missing',
  from,
  to: from + name.length,
  args: { name },
});
