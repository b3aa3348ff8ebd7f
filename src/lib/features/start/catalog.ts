import type { Kind } from '$lib/domain/assignment';

/** Something to begin from: a template with places to fill, or an example worked through. */
export interface Beginning {
  readonly id: string;
  readonly title: string;
  /** What it shows, in a few words. */
  readonly shows: string;
  readonly kind: Kind;
  readonly text: string;
}

const texts = import.meta.glob<string>('./{templates,examples}/*.tex', {
  query: '?raw',
  import: 'default',
  eager: true,
});

const beginning = (
  folder: 'templates' | 'examples',
  id: string,
  kind: Kind,
  title: string,
  shows: string,
): Beginning => ({ id, kind, title, shows, text: texts[`./${folder}/${id}.tex`] ?? '' });

export const TEMPLATES: readonly Beginning[] = [
  ['problem-set', 'problem set', 'Problem set', 'problems and solutions, numbered'],
  ['answers', 'problem set', 'Short answers', 'one list of answers with parts'],
  ['proofs', 'proofs', 'Proofs', 'definitions, lemmas, theorems'],
  ['lecture-notes', 'notes', 'Lecture notes', 'sections, contents, examples'],
  ['report', 'report', 'Report', 'chapters, title page, a table'],
  ['long-work', 'report', 'Longer work', 'a book with parts before the text'],
  ['two-columns', 'report', 'Paper in two columns', 'as proceedings have it'],
  ['letter', 'letter', 'Letter', 'address, opening, closing'],
  ['slides', 'slides', 'Slides', 'frames of a short talk'],
].map(([id, kind, title, shows]) =>
  beginning('templates', id as string, kind as Kind, title as string, shows as string),
);

export const EXAMPLES: readonly Beginning[] = [
  ['chain', 'problem set', 'A transition matrix', 'matrices, powers, a numbered equation'],
  ['induction', 'proofs', 'A proof by induction', 'claims, aligned steps to the end mark'],
  ['epsilon', 'proofs', 'An epsilon argument', 'absolute values, a macro of one’s own'],
  ['linear-system', 'problem set', 'A linear system', 'augmented matrices, rows mended'],
  ['cases', 'problem set', 'A function with cases', 'cases, limits, a sum'],
  ['integral', 'problem set', 'An integral by parts', 'one numbered line of several'],
  ['counting', 'proofs', 'Counting twice', 'binomials, a proposition'],
  ['sets', 'proofs', 'Sets and maps', 'equivalences aligned'],
  ['data-table', 'report', 'Numbers in a table', 'a table with its caption'],
].map(([id, kind, title, shows]) =>
  beginning('examples', id as string, kind as Kind, title as string, shows as string),
);

/** What stands when nothing is chosen. */
export const NOTHING = `\\documentclass[11pt,a4paper]{article}
\\usepackage[margin=2.5cm]{geometry}
\\usepackage{amsmath}
\\usepackage{amssymb}

\\title{}
\\author{}
\\date{\\today}

\\begin{document}
\\maketitle

\\end{document}
`;
