import { CELLS } from '../machine/cells';
import type { Inline } from '../../document/inlines';
import { expandTokens, textOf, tokensText } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { counterValue, setCounter, shownOf, stepCounter } from '../machine/counters';
import { type Args, type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { type BibEntry, parseBib } from '../bibliography/entries';
import { type BibStyle, formatBibliography, STYLES, citedTitle } from '../bibliography/styles';
import { leading } from './linking';
import { findFile, reportMissing } from './files';
import { cell, citeLabel } from '../../expansion/cells';
import { LANGUAGE } from './languages';

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
  const natbib = own ? authorYear(tokensText(expandTokens(it.p, own))) : null;
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
    : [it.p.command('@biblabel'), it.p.make(1, '{'), ...label, it.p.make(2, '}')];
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
  const hit = /^(.*?)\((\d{4}[a-z]?|in press|n\.d\.|)\)(.*)$/s.exec(inner);
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

function beginList(it: Interpreter, args: Args): void {
  it.endParagraph();
  it.call('@bibheading');
  // A heading ends what was left open before the document: then nothing here is a list.
  if (it.environments.length === 0) return;
  const widest = tokensText(tokensOf(args, 0));
  const byName = citesByName(it);
  const measures = byName
    ? '\\setlength{\\leftmargin}{1em}\\setlength{\\itemindent}{-1em}\\setlength{\\labelwidth}{0pt}\\setlength{\\labelsep}{0pt}'
    : `\\settowidth{\\labelwidth}{\\@biblabel{${widest}}}\\setlength{\\leftmargin}{\\labelwidth}\\addtolength{\\leftmargin}{\\labelsep}`;
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

/** Is an entry among those that are printed? */
export type EntryTest = (entry: BibEntry) => boolean;

/** Which entries are printed, where a list is of some alone; and how names are written (package biblatex). */
export const WANTED = cell<EntryTest | null>('bibwanted', null);
export const ENTRY_LOOK = cell<{
  readonly initials?: boolean;
  readonly mostNames?: number;
  readonly mostCited?: number;
}>('bibentrylook', {});

/** Words that stand before the entries of a list and behind them (package biblatex). */
export const NOTES_AROUND = cell<{
  readonly before: readonly Token[];
  readonly after: readonly Token[];
}>('bibnotesaround', { before: [], after: [] });

/** The entries that the options of a list let through. */
export function wantedEntries(
  options: ReadonlyMap<string, readonly Token[]>,
): ((e: BibEntry) => boolean) | null {
  const said = (key: string): string | null => {
    const value = options.get(key);
    return value ? tokensText(value).trim() : null;
  };
  const [type, notType] = [said('type'), said('nottype')];
  const [keyword, notKeyword] = [said('keyword'), said('notkeyword')];
  if (![type, notType, keyword, notKeyword].some((one) => one !== null)) return null;
  return (e) => {
    const keywords = (e.fields.keywords ?? '').split(',').map((word) => word.trim());
    return (
      (type === null || e.type === type) &&
      (notType === null || e.type !== notType) &&
      (keyword === null || keywords.includes(keyword)) &&
      (notKeyword === null || !keywords.includes(notKeyword))
    );
  };
}

/** `\bibliography{files}`: the entries that are cited, as the style sets them. */
function bibliography(it: Interpreter, args: Args, token: Token): void {
  const at = it.spanOf(token);
  const span = { from: at.from, to: Math.max(at.to, it.p.here()) };
  const cited = it.read(CELLS.cited);
  const entries: BibEntry[] = [];
  for (const name of keysOf(it, tokensOf(args, 0))) {
    const file = findFile(it, name, ['.bib', '']);
    if (!file) {
      reportMissing(it, `${name}.bib`, span);
      continue;
    }
    const { entries: found, broken } = parseBib(file.text, cited);
    entries.push(...found);
    for (const key of broken)
      it.p.report('bibliography-broken', span, { name: key, file: file.name });
  }
  const chosen = pick(entries, cited);
  if (chosen.length === 0) return;
  const style = styleOf(it);
  const items = formatBibliography(chosen, style, {
    ...it.read(ENTRY_LOOK),
    language: it.read(LANGUAGE),
  });
  const wanted = it.read(WANTED);
  const standard = it.hasPackage('biblatex');
  const keys = wanted && new Set(chosen.filter(wanted).map(({ key }) => key));
  const longest = items.reduce(
    (a, b) => ((b.label ?? '').length > a.length ? (b.label ?? '') : a),
    '',
  );
  const widest = style.alpha ? longest : '9'.repeat(String(items.length).length);
  const body = items
    .filter(({ key }) => keys?.has(key) ?? true)
    .map(({ key, label, body: text, index, named }) => {
      // Of a list of some alone each keeps the number it has among all.
      const count = keys ? `\\setcounter{enumiv}{${index}}` : '';
      const author = named ? `\\@bibauthor{${key}}{${named.author}}{${named.year}}` : '';
      const parts = standard ? partsOf(chosen, key, text) : '';
      return `${count}\\bibitem${label === null ? '' : `[${label}]`}{${key}}${author}${parts}\n${text}\n\n`;
    })
    .join('');
  if (body === '') return;
  it.p.allow(body.length);
  const { before, after } = it.read(NOTES_AROUND);
  const heading = before.length > 0 ? '\\@bibheading\\let\\@bibheading\\relax ' : '';
  it.p.push([
    ...it.source(heading),
    ...before,
    ...it.source(`\\begin{thebibliography}{${widest}}\n${body}\\end{thebibliography}`),
    ...after,
  ]);
}

/** Parts of an entry that commands of package biblatex cite. */
function partsOf(entries: readonly BibEntry[], key: string, text: string): string {
  const entry = entries.find((one) => one.key === key);
  const { title = '', url = '' } = entry?.fields ?? {};
  const said = {
    title: title === '' || !entry ? key : citedTitle(entry),
    url: `\\url{${url}}`,
    entry: text,
  };
  return Object.entries(said)
    .map(([part, source]) => `\\@bibpart{${key}}{${part}}{${source.replace(/\.\s*$/, '')}}`)
    .join('');
}

function styleOf(it: Interpreter): BibStyle {
  // A style that is not here: with natbib one that tells authors, as most that come with it do.
  const instead = it.hasPackage('natbib') ? 'plainnat' : 'plain';
  return STYLES[it.read(CELLS.bibStyle) || 'plain'] ?? (STYLES[instead] as BibStyle);
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

/** The entries cited, in the order of citing; all of them for `\nocite{*}`. */
function pick(entries: readonly BibEntry[], cited: readonly string[]): BibEntry[] {
  const byKey = new Map<string, BibEntry>();
  for (const entry of entries) {
    const key = entry.key.toLowerCase();
    if (!byKey.has(key)) byKey.set(key, entry);
  }
  const out = new Set<BibEntry>();
  const take = (entry: BibEntry | undefined): void => {
    if (entry) out.add(entry);
  };
  for (const key of cited) {
    if (key === '*') for (const entry of byKey.values()) take(entry);
    else take(byKey.get(key.toLowerCase()));
  }
  return [...out];
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
          instead: it.hasPackage('natbib') ? 'plainnat' : 'plain',
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
