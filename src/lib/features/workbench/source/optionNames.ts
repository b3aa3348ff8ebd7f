import type { Word } from '@odd-compass/engine/worker';

/** Options with a value, which the tables of the language cannot list: of packages, and of commands. */
const OF_PACKAGES: Readonly<Record<string, readonly string[]>> = {
  geometry:
    'margin= left= right= top= bottom= a4paper letterpaper landscape includehead includefoot'.split(
      ' ',
    ),
  hyperref: 'colorlinks hidelinks linkcolor= urlcolor= citecolor= pdftitle= pdfauthor='.split(' '),
  babel: 'english british american german ngerman french'.split(' '),
  inputenc: ['utf8'],
  fontenc: ['T1'],
  xcolor: 'dvipsnames svgnames table'.split(' '),
  enumitem: ['shortlabels', 'inline'],
  caption: 'font=small labelfont=bf margin= justification='.split(' '),
  natbib: 'numbers authoryear round square sort'.split(' '),
  mathtools: ['showonlyrefs'],
  parskip: ['indent=', 'skip='],
};
const OF_COMMANDS: Readonly<Record<string, readonly string[]>> = {
  includegraphics:
    'width=\\textwidth width= height= scale= angle= keepaspectratio trim= clip page='.split(' '),
  figure: ['htbp', 't', 'b', 'p', 'H'],
  table: ['htbp', 't', 'b', 'p', 'H'],
  enumerate: 'label=(\\alph*) label=\\arabic*. label=(\\roman*) start= resume nosep'.split(' '),
  itemize: 'label=-- nosep'.split(' '),
  item: [],
};

const OPEN = /\\(documentclass|usepackage|includegraphics|begin\{([a-z]+)\*?\})\s*\[([^\][{}]*)$/;

/** The option being written at the end of a line, and the names that fit there; null anywhere else. */
export function optionsAt(
  line: string,
  behind: string,
  words: readonly Word[],
): { readonly typed: string; readonly names: readonly string[] } | null {
  const open = OPEN.exec(line);
  if (!open) return null;
  const typed = /[^,\s]*$/.exec(open[3] ?? '')?.[0] ?? '';
  const given = new Set((open[3] ?? '').split(',').map((one) => one.trim()));
  const target = /^[^\]]*\]\s*\{([^{}]*)/.exec(behind)?.[1] ?? '';
  const names = namesFor(open[2] ?? open[1] ?? '', target, words);
  return { typed, names: names.filter((name) => !given.has(name) || name === typed) };
}

function namesFor(what: string, target: string, words: readonly Word[]): readonly string[] {
  if (what !== 'documentclass' && what !== 'usepackage') return OF_COMMANDS[what] ?? [];
  const kind = what === 'documentclass' ? 'class' : 'package';
  const wanted = target.split(',').map((one) => one.trim());
  const known = words.filter((word) => word.kind === kind && wanted.includes(word.name));
  // Before the name is written, the options of an article are those of most kinds.
  const named =
    known.length > 0 || kind === 'package'
      ? known
      : words.filter((word) => word.kind === 'class' && word.name === 'article');
  return [
    ...new Set([
      ...wanted.flatMap((name) => OF_PACKAGES[name] ?? []),
      ...named.flatMap(({ options }) => options),
    ]),
  ];
}
