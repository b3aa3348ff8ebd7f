import {
  packageLine,
  packagesIn,
  readPart,
  setPart,
  withoutPackage,
  type LineEdit,
} from '../workbench/text';

/** A text with edits made, none of them overlapping. */
export const withEdits = (text: string, edits: readonly LineEdit[]): string =>
  [...edits]
    .sort((a, b) => b.from - a.from)
    .reduce((out, { from, to, insert }) => out.slice(0, from) + insert + out.slice(to), text);

/** Where one's own theorem kinds are defined, when theorems are asked for. */
const THEOREMS = `\\newtheorem{theorem}{Theorem}
\\newtheorem{lemma}[theorem]{Lemma}
\\theoremstyle{definition}
\\newtheorem{definition}[theorem]{Definition}
`;

export const hasPackage = (text: string, name: string): boolean =>
  packagesIn(text).some((loaded) => loaded.name === name);

/** Loads a package or takes it out again. */
export function needPackage(text: string, name: string, needed: boolean): string {
  const loaded = packagesIn(text).find((one) => one.name === name);
  if (!needed) return loaded ? withEdits(text, [withoutPackage(text, loaded)]) : text;
  const line = loaded ? null : packageLine(text, name);
  if (!line) return text;
  const theorems = name === 'amsthm' && !/\\newtheorem\b/.test(text) ? THEOREMS : '';
  return withEdits(text, [{ from: line.from, to: line.from, insert: line.insert + theorems }]);
}

/** Gives the title, author or date its text. */
export const withPart = (text: string, command: string, value: string): string =>
  withEdits(text, setPart(text, command, value));

export type DateChoice = 'today' | 'none' | 'fixed';

export function dateOf(text: string): { readonly choice: DateChoice; readonly fixed: string } {
  const part = readPart(text, 'date');
  if (!part || part.text.trim() === '\\today') return { choice: 'today', fixed: '' };
  return part.text.trim() === ''
    ? { choice: 'none', fixed: '' }
    : { choice: 'fixed', fixed: part.text };
}

export const withDate = (text: string, choice: DateChoice, fixed: string): string =>
  withPart(text, 'date', choice === 'today' ? '\\today' : choice === 'none' ? '' : fixed);

const ABSTRACT = /\\begin\{abstract\}[\s\S]*?\\end\{abstract\}[ \t]*\n?\n?/;
export const hasAbstract = (text: string): boolean => ABSTRACT.test(text);

/** Puts an abstract below the title, or takes it out. */
export function withAbstract(text: string, wanted: boolean): string {
  if (!wanted) return text.replace(ABSTRACT, '');
  if (hasAbstract(text)) return text;
  const place = /\\maketitle[ \t]*\n?|\\begin\{document\}[ \t]*\n?/g;
  const found = [...text.matchAll(place)].at(-1);
  if (!found) return text;
  const at = found.index + found[0].length;
  const insert =
    '\n\\begin{abstract}\nWhat this sheet shows, in a few sentences.\n\\end{abstract}\n';
  return text.slice(0, at) + insert + text.slice(at);
}

/** The preamble of an earlier sheet with nothing between `\maketitle` and the end. */
export function clearedBody(text: string): string {
  const begin = text.indexOf('\\begin{document}');
  const end = text.lastIndexOf('\\end{document}');
  if (begin < 0 || end < begin) return text;
  const from = begin + '\\begin{document}'.length;
  const title = /\\maketitle\b/.test(text.slice(from, end)) ? '\n\\maketitle' : '';
  return `${text.slice(0, from)}${title}\n\n\n${text.slice(end)}`;
}

/** What stands before the document begins. */
export const preambleOf = (text: string): string => {
  const begin = text.indexOf('\\begin{document}');
  return begin < 0 ? text : text.slice(0, begin);
};
