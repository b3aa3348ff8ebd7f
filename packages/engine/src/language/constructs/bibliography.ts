import { CELLS } from '../machine/cells';
import type { Inline } from '../../document/inlines';
import { expandTokens, textOf, tokensText } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { counterValue, setCounter, shownOf, stepCounter } from '../machine/counters';
import { type Args, type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { nearestStyle, STYLES } from '../bibliography/styles';
import { listTokens } from './bibliographyList';
import { leading } from './linking';
import { citeLabel } from '../../expansion/cells';

export const keysOf = (it: Interpreter, tokens: readonly Token[]): string[] =>
  textOf(it.p, tokens)
    .split(',')
    .map((k) => k.trim())
    .filter((k) => k !== '');

/** What a citation prints for one key: its number or label, its author, its year. */
export const citation = (it: Interpreter, key: string, part = ''): Inline =>
  cited(it, key + part, 'cite');

/** Several numbers in one: sorted, and what stands in a row as a range. */
export const citations = (it: Interpreter, keys: readonly string[]): Inline =>
  cited(it, keys.join(','), 'cites');

function cited(it: Interpreter, label: string, what: 'cite' | 'cites'): Inline {
  const { place } = it.p;
  const at = { from: place.from, to: Math.max(place.to, it.p.here()) };
  return leading(it, { kind: 'ref', label, what, font: it.font, ...at }, 'citecolor');
}

/** `\cite[note]{keys}`: “[1, 2, note]”. */
function cite(it: Interpreter, args: Args): void {
  const keys = keysOf(it, tokensOf(args, 1));
  it.citations.push(...keys);
  it.startParagraph();
  // The document's own `\\@cite{numbers}{note}`.
  const own = it.p.command('@cite');
  if (it.state.meaning(it.state.cell(own.text))?.kind === 'macro')
    return it.execute([
      ...it.source(`\\@tempswa${args[0] ? 'true' : 'false'}`),
      own,
      ...it.source(`{\\@cited{${keys.join(',')}}}{`),
      ...tokensOf(args, 0),
      ...it.source('}'),
    ]);
  it.execute(it.p.chars('['));
  if (keys.length > 1 && it.hasPackage('cite')) it.add(citations(it, keys));
  else
    keys.forEach((key, i) => {
      if (i > 0) it.execute(it.source(', '));
      it.add(citation(it, key));
    });
  if (args[0]) it.execute([...it.source(',~'), ...tokensOf(args, 0)]);
  it.execute(it.p.chars(']'));
}

/** `\bibitem[label]{key}`: an item, its number or label known to citations. */
function bibItem(it: Interpreter, args: Args): void {
  const key = textOf(it.p, tokensOf(args, 1));
  const own = args[0] ? tokensOf(args, 0) : null;
  const { place } = it.p;
  const at = { from: place.from, to: place.to };
  const natbib =
    own && it.hasPackage('natbib') ? authorYear(tokensText(expandTokens(it.p, own))) : null;
  // The kernel's `\\@lbibitem` counts none that has a label of its own.
  if (!own || natbib || it.hasPackage('natbib')) stepCounter(it.state, 'enumiv');
  const number = String(counterValue(it.state, 'enumiv'));
  if (natbib) {
    it.labels.push({ name: citeLabel(key), value: number, ...at });
    for (const [part, text] of Object.entries(natbib)) {
      const shown = shownOf(it, it.source(text));
      it.labels.push({ name: citeLabel(key, `:${part}`), value: text, shown, ...at });
    }
  } else if (own) {
    it.labels.push({
      name: citeLabel(key),
      value: tokensText(own),
      shown: shownOf(it, own),
      ...at,
    });
  } else it.labels.push({ name: citeLabel(key), value: number, ...at });
  const byName = natbib !== null && citesByName(it);
  const label = byName ? [] : own && !natbib ? own : it.p.chars(number);
  const bracketed = byName
    ? []
    : [
        it.p.command('@biblabel'),
        it.p.make(1, '{'),
        ...label,
        it.p.make(2, '}'),
        // A label of its own stands at the left (the kernel's `\\@lbibitem`).
        ...(own && !natbib ? [it.p.command('hfill')] : []),
      ];
  it.execute([
    it.p.command('item'),
    ...it.p.chars('['),
    it.p.make(1, '{'),
    ...bracketed,
    it.p.make(2, '}'),
    ...it.p.chars(']'),
  ]);
  it.add({ kind: 'anchor', label: citeLabel(key), ...at });
  it.skipBlanks();
}

/** The author and year in a label such as `Quill(2024)Quill, Brae, and Thorn`. */
function authorYear(label: string): { author: string; year: string; full: string } | null {
  const inner = label.replace(/^\{(.*)\}$/s, '$1').trim();
  const hit =
    /^(.*?)\((\d{4}[a-z]?|in press|n\.d\.[a-z]?|)\)(.*)$/s.exec(inner) ??
    // As apalike has it: “Quill, 2024”.
    /^(.*?),\s*(\d{4}[a-z]?)()$/s.exec(inner);
  if (!hit) return null;
  const [, author = '', year = '', full = ''] = hit;
  return { author: author.trim(), year, full: full.trim() || author.trim() };
}

/** The argument of the environment: the widest label. An entry that comes first says that it was forgotten. */
function widestLabel(it: Interpreter, token: Token): Args {
  const next = it.p.nextNonBlank();
  if (next) it.p.unread(next);
  if (next?.text !== 'bibitem') return it.readArguments('M', token) ?? [it.p.chars('9')];
  const at = it.spanOf(token);
  const edits = [{ from: at.to, to: at.to, text: '{9}' }];
  it.p.report('label-width-missing', at, {}, { title: 'Give it {9}', edits });
  return [it.p.chars('9')];
}

/** The measures of the list: the class's, natbib's (`\@bibsetup`), or those of package biblatex. */
function listMeasures(it: Interpreter, widest: string): string {
  const byName = citesByName(it);
  const between = it.hasPackage('biblatex')
    ? '\\itemsep\\bibitemsep\\parsep\\bibparsep\\labelsep\\biblabelsep '
    : it.hasPackage('natbib')
      ? '\\itemsep\\bibsep\\parsep0pt\\relax '
      : '';
  return byName
    ? `${between}\\leftmargin\\bibhang\\itemindent-\\leftmargin\\labelwidth0pt\\labelsep0pt\\relax `
    : `${between}\\settowidth{\\labelwidth}{\\@biblabel{${widest}}}\\leftmargin\\labelwidth\\advance\\leftmargin by\\labelsep `;
}

function beginList(it: Interpreter, args: Args): void {
  it.endParagraph();
  const ofNatbib = it.hasPackage('natbib') && !it.hasPackage('biblatex');
  it.call(ofNatbib ? 'bibsection' : '@bibheading');
  if (ofNatbib)
    it.execute(it.source('\\ifx\\bibpreamble\\relax\\else\\bibpreamble\\par\\fi\\bibfont '));
  // A heading ends what was left open before the document: then nothing here is a list.
  if (it.environments.length === 0) return;
  const widest = tokensText(tokensOf(args, 0));
  const measures = listMeasures(it, widest);
  it.environment('list')?.begin?.(
    it,
    [[], it.source(`${measures}\\clubpenalty4000 \\widowpenalty4000 \\sfcode\`\\.=1000 `)],
    it.p.command('thebibliography'),
  );
  it.execute(it.source('\\sloppy'));
  // `\\sfcode`\\.\\@m`: a full stop within a name ends no sentence.
  it.write(CELLS.french, true);
  setCounter(it.state, 'enumiv', 0);
}

/** `\bibliography{files}`: the entries that are cited, as the style sets them. */
function bibliography(it: Interpreter, args: Args, token: Token): void {
  const at = it.spanOf(token);
  const span = { from: at.from, to: Math.max(at.to, it.p.here()) };
  it.p.push(listTokens(it, keysOf(it, tokensOf(args, 0)), span));
}

/** Are sources cited by author and year? As natbib is told, or as the style is made for. */
export function citesByName(it: Interpreter): boolean {
  const told = it.read(CELLS.authorYear);
  if (told !== null) return told;
  if (!it.hasPackage('natbib')) return false;
  const style = it.read(CELLS.bibStyleOfAll);
  const known = STYLES[style];
  return style === '' || (known !== undefined && known.authorYear && !known.numbered);
}

/** Citations and the list they point to. */
export const bibliographyCommands: readonly CommandEntry[] = [
  {
    name: 'cite',
    signature: 'om',
    description: 'Cites entries of the bibliography.',
    example:
      '\\begin{thebibliography}{9}\\bibitem{quill} M. Quill.\\end{thebibliography}\\cite[p.~3]{quill}',
    run: cite,
    math: (reader, token) => {
      const args = reader.it.readArguments('om', token);
      if (!args) return null;
      const { it } = reader;
      const keys = keysOf(it, tokensOf(args, 1));
      it.citations.push(...keys);
      const inlines = [
        ...it.inlinesOf(it.p.chars('[')),
        ...keys.map((k) => citation(it, k)),
        ...it.inlinesOf(it.p.chars(']')),
      ];
      return { kind: 'text', inlines, ...reader.span(token) };
    },
  },
  {
    name: 'nocite',
    signature: 'm',
    description: 'Puts entries into the bibliography without citing them; * takes all.',
    example: '\\nocite{*}',
    run: (it, args) => void it.citations.push(...keysOf(it, tokensOf(args, 0))),
  },
  {
    name: 'bibliographystyle',
    signature: 'm',
    description: 'How the bibliography is set: plain, unsrt, abbrv, alpha.',
    example: '\\bibliographystyle{plain}',
    run: (it, args, token) => {
      const name = textOf(it.p, tokensOf(args, 0));
      if (!STYLES[name])
        it.p.report('bibliography-style-unknown', it.spanOf(token), {
          name,
          instead: nearestStyle(name, it.hasPackage('natbib')),
        });
      it.write(CELLS.bibStyle, name, true);
    },
  },
  {
    name: 'bibliography',
    signature: 'm',
    description: 'The list of what is cited, from .bib files.',
    example: '',
    run: bibliography,
  },
  {
    name: 'bibitem',
    signature: 'om',
    description: 'An entry of a bibliography typed by hand.',
    example: '\\begin{thebibliography}{9}\\bibitem{quill} M. Quill, Tides.\\end{thebibliography}',
    run: bibItem,
  },
  {
    name: '@bibauthor',
    signature: 'mmm',
    description: 'Author and year of an entry whose label says neither.',
    example: '',
    run: (it, args) => {
      const key = textOf(it.p, tokensOf(args, 0));
      const { from, to } = it.p.place;
      for (const [part, i] of [
        ['author', 1],
        ['full', 1],
        ['year', 2],
      ] as const) {
        const tokens = tokensOf(args, i);
        const shown = shownOf(it, tokens);
        it.labels.push({
          name: citeLabel(key, `:${part}`),
          value: tokensText(tokens),
          shown,
          from,
          to,
        });
      }
      it.skipBlanks();
    },
  },
  {
    name: '@cited',
    signature: 'm',
    description: 'The numbers of entries, without brackets.',
    example: '',
    run: (it, args) =>
      keysOf(it, tokensOf(args, 0)).forEach((key, i) => {
        if (i > 0) it.execute(it.source(', '));
        it.add(citation(it, key));
      }),
  },
  {
    name: '@bibpart',
    signature: 'mmm',
    description: 'A part of an entry, by which it is cited.',
    example: '',
    run: (it, args) => {
      const name = citeLabel(
        textOf(it.p, tokensOf(args, 0)),
        `:${textOf(it.p, tokensOf(args, 1))}`,
      );
      const tokens = tokensOf(args, 2);
      const { from, to } = it.p.place;
      it.labels.push({ name, value: tokensText(tokens), shown: shownOf(it, tokens), from, to });
      it.skipBlanks();
    },
  },
  {
    name: '@biblabel',
    signature: 'm',
    description: 'The label of an entry.',
    example: '\\@biblabel{1}',
    macro: '[#1]',
  },
  {
    name: 'newblock',
    signature: '',
    description: 'Space between the parts of an entry.',
    example: 'M. Quill.\\newblock Tides.',
    macro: '\\hskip .11em plus .33em minus .07em\\relax',
  },
  {
    name: 'etalchar',
    signature: 'm',
    description: 'The raised plus sign of an alpha label.',
    example: '\\etalchar{+}',
    macro: '$^{#1}$',
  },
];

export const bibliographyEnvironments: readonly EnvironmentEntry[] = [
  {
    name: 'thebibliography',
    signature: '',
    description: 'A bibliography typed by hand; in braces its widest label.',
    example:
      '\\begin{thebibliography}{9}\n\\bibitem{quill} M. Quill, Tides.\n\\end{thebibliography}',
    begin: (it, _args, token) => beginList(it, widestLabel(it, token)),
    end: (it) => it.environment('list')?.end?.(it),
  },
];
