import { cell } from '../../expansion/cells';
import { withArguments } from '../../expansion/definitions';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import type { BibEntry } from '../bibliography/entries';
import { capital } from '../bibliography/entryParts';
import { sentenceCase } from '../bibliography/sentenceCase';
import type { StandardLook } from '../bibliography/standardEntries';
import { stringOf } from '../bibliography/standardWords';
import { LANGUAGE } from '../constructs/languages';
import type { ListRequest } from '../constructs/bibliographyList';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { quietEntry } from '../machine/macroEntry';
import { keyValues, splitAt } from '../scanning/optionLists';
import { setting } from './biblatexChoice';
import { LIST_OPTIONS } from './biblatexOptions';
import { PLAIN_NOTES } from './natbib';

/** What a document says of how entries look (biblatex manual, sections 3.8.5 to 4.6). */

type Forms = Readonly<Record<string, readonly Token[]>>;

/** Forms of fields, by `type/field`; `*` stands for any type. */
const FORMATS = cell<Forms>('bibformats', {});
/** Macros for pieces of entries. */
const MACROS = cell<Forms>('bibmacros', {});
/** Words by their names. */
const STRINGS = cell<Readonly<Record<string, string>>>('bibstrings', {});
/** Fields that are left out, by `type/field`. */
const DROPPED = cell<readonly string[]>('bibdropped', []);
/** Code for each entry, and before a list. */
const HOOK = cell<readonly Token[]>('bibitemhook', []);
const BEGIN_HOOK = cell<readonly Token[]>('biblisthook', []);
const TURNED = cell<StandardLook['turned'] | null>('bibturned', null);
/** The entry at hand, while code of the document asks of it. */
const CURRENT = cell<BibEntry | null>('bibcurrent', null);
const CLEARED = cell<readonly string[]>('bibcleared', []);
/** What stands before the next field that is printed, and whether one was printed. */
const PENDING = cell<readonly Token[]>('bibpending', []);
const PRINTED = cell('bibprinted', false);
/** Does a part of an entry begin here? Then words do so with a capital letter. */
const BEGINS = cell('bibbegins', false);

/** Signs between parts, as the package has them. A document that redefines one has it used. */
const SIGNS: Readonly<Record<string, string>> = {
  multinamedelim: ', ',
  finalnamedelim: ' and ',
  andothersdelim: ' ',
  finalandcomma: ',',
  intitlepunct: ': ',
  subtitlepunct: '. ',
  bibpagespunct: ', ',
  newunitpunct: '. ',
  finentrypunct: '.',
};
/** Pieces that a macro of the document may write. */
const PIECES = new Set([
  'in:',
  'title',
  'volume+number+eid',
  'publisher+location+date',
  'url+urldate',
]);

/** What a sign or piece is written by where the document has it otherwise. */
const ownOf =
  (it: Interpreter, macros: Forms) =>
  (name: string): string | null => {
    const piece = /^bibmacro (.*)$/.exec(name)?.[1];
    if (piece !== undefined) return macros[piece] ? `\\blx@piece{${piece}}` : null;
    const usual = SIGNS[name];
    const meaning = it.state.meaning(it.state.cell(name));
    if (usual === undefined || meaning?.kind !== 'macro') return null;
    return tokensText(meaning.body) === usual ? null : `\\${name} `;
  };

/** What the document has said, for a list. */
export function listRequest(
  it: Interpreter,
): Pick<ListRequest, 'look' | 'shown' | 'begun' | 'entered'> {
  const [formats, macros, dropped] = [it.read(FORMATS), it.read(MACROS), it.read(DROPPED)];
  const options = it.read(LIST_OPTIONS);
  const turned = it.read(TURNED);
  const asks = Object.keys(macros).length > 0 || Object.keys(formats).length > 0;
  return {
    look: {
      ...options.look,
      ...(turned ? { turned } : {}),
      strings: it.read(STRINGS),
      own: ownOf(it, macros),
      isFormatted: (type, field) => Boolean(formats[`${type}/${field}`] ?? formats[`*/${field}`]),
    },
    shown: (entry) => {
      const cleared = clearedBy(it, entry);
      const kept = Object.entries(entry.fields).filter(
        ([name]) =>
          !cleared.includes(name) &&
          !dropped.includes(`*/${name}`) &&
          !dropped.includes(`${entry.type}/${name}`) &&
          !options.omitted.includes(name) &&
          !(
            name === 'url' &&
            options.withoutUrl &&
            !/^(?:online|electronic|www)$/.test(entry.type)
          ),
      );
      const fields = Object.fromEntries(kept);
      if (fields.title && formats['*/titlecase']) fields.title = sentenceCase(fields.title);
      if (options.yearAlone && fields.date) fields.date = fields.date.slice(0, 4);
      return { ...entry, fields };
    },
    begun: (entries) =>
      it.write(ENTRIES, Object.fromEntries(entries.map((entry) => [entry.key, entry]))),
    entered: (entry) => (asks ? `\\blx@entry{${entry.key}}` : ''),
  };
}

/** Which fields the code for each entry takes away. */
function clearedBy(it: Interpreter, entry: BibEntry): readonly string[] {
  const hook = it.read(HOOK);
  if (hook.length === 0) return [];
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.write(CURRENT, entry);
  it.write(CLEARED, []);
  it.execute(hook);
  const cleared = it.read(CLEARED);
  it.closeGroup();
  return cleared;
}

/** The words that stand before all entries of a list. */
export const beforeEntries = (it: Interpreter): readonly Token[] => it.read(BEGIN_HOOK);

/** The entries that commands of the document ask of, by their keys, while a list is set. */
const ENTRIES = cell<Readonly<Record<string, BibEntry>>>('bibentries', {});

const listed = (tokens: readonly Token[]): string[] =>
  tokensText(tokens)
    .split(',')
    .map((one) => one.trim())
    .filter((one) => one !== '');

/** `\DeclareFieldFormat[article]{title}{\mkbibquote{#1}}`. */
function declareFormat(
  it: Interpreter,
  types: readonly string[],
  fields: string[],
  form: readonly Token[],
): void {
  for (const field of fields) {
    if (field === 'postnote') it.write(PLAIN_NOTES, true);
    if (field === 'labelnumberwidth' || field === 'labelalphawidth')
      it.execute([...it.source('\\def\\@biblabel#1{'), ...form, ...it.source('}')]);
    const all = it.read(FORMATS);
    const keyed = (types.length > 0 ? types : ['*']).map((type) => [`${type}/${field}`, form]);
    it.write(FORMATS, { ...all, ...(Object.fromEntries(keyed) as Forms) });
  }
}

const fieldOf = (it: Interpreter, name: string): string => it.read(CURRENT)?.fields[name] ?? '';

/** One of two arguments, by what the entry at hand is. */
const asking = (
  name: string,
  holds: (it: Interpreter, what: string) => boolean,
  description: string,
): CommandEntry => ({
  name,
  signature: 'mMM',
  description,
  example: `\\${name}{book}{Ebb}{Flow}`,
  package: 'biblatex',
  run: (it, args) => {
    const yes = holds(it, textOf(it.p, tokensOf(args, 0)).trim());
    it.p.push([...tokensOf(args, yes ? 1 : 2)]);
  },
});

/** Prints a field of the entry at hand in its form, behind the sign that waits. */
function printField(it: Interpreter, name: string): void {
  const entry = it.read(CURRENT);
  const text = fieldOf(it, name);
  if (!entry || text === '') return;
  const formats = it.read(FORMATS);
  const form = formats[`${entry.type}/${name}`] ?? formats[`*/${name}`];
  const pending = it.read(PRINTED) ? it.read(PENDING) : [];
  it.write(PRINTED, true);
  it.write(PENDING, []);
  const source = it.source(text);
  it.execute([...pending, ...(form ? withArguments(form, [source]) : source)]);
}

/** Settings of how entries look, with what they take. */
const SETTINGS: readonly CommandEntry[] = [
  setting(
    'DeclareFieldFormat',
    'somM',
    'How a field is written.',
    '\\DeclareFieldFormat{title}{\\mkbibquote{#1}}',
    (it, args) =>
      declareFormat(
        it,
        args[1] ? listed(tokensOf(args, 1)) : [],
        listed(tokensOf(args, 2)),
        tokensOf(args, 3),
      ),
  ),
  ...['renewbibmacro', 'newbibmacro', 'providebibmacro'].map((name) =>
    setting(
      name,
      'smooM',
      'How a piece of entries is written.',
      `\\${name}{in:}{}`,
      (it, args, token) => {
        const piece = tokensText(tokensOf(args, 1)).trim();
        if (name === 'renewbibmacro' && !PIECES.has(piece))
          it.p.report('command-without-effect', it.spanOf(token), { name: `${name}{${piece}}` });
        it.write(MACROS, { ...it.read(MACROS), [piece]: tokensOf(args, 4) });
      },
    ),
  ),
  setting(
    'DefineBibliographyStrings',
    'mm',
    'Other words: andothers, in, page, urlseen.',
    '\\DefineBibliographyStrings{english}{andothers={and others}}',
    (it, args) => {
      const said = [...keyValues(tokensOf(args, 1))].map(([name, value]) => [
        name,
        tokensText(value).trim(),
      ]);
      it.write(STRINGS, { ...it.read(STRINGS), ...(Object.fromEntries(said) as object) });
      for (const [name = '', text = ''] of said) {
        const heading = { references: 'refname', bibliography: 'bibname' }[name];
        if (heading) it.execute(it.source(`\\gdef\\${heading}{${text}}`));
      }
    },
  ),
  setting(
    'DeclareNameAlias',
    'omm',
    'The order of the parts of names.',
    '\\DeclareNameAlias{sortname}{family-given}',
    (it, args) => {
      const order = tokensText(tokensOf(args, 2)).trim();
      const turned = /^(?:family-given|last-first)$/.test(order)
        ? 'all'
        : /\//.test(order)
          ? 'first'
          : /^(?:given-family|first-last)$/.test(order)
            ? 'none'
            : null;
      if (turned) it.write(TURNED, turned);
    },
  ),
  setting(
    'DeclareDelimFormat',
    'somM',
    'A sign between parts.',
    '\\DeclareDelimFormat{multinamedelim}{; }',
    (it, args) => {
      for (const name of listed(tokensOf(args, 2)))
        it.execute([...it.source(`\\def\\${name}{`), ...tokensOf(args, 3), ...it.source('}')]);
    },
  ),
  setting(
    'AtEveryBibitem',
    'M',
    'Code for each entry.',
    '\\AtEveryBibitem{\\clearfield{note}}',
    (it, args) => it.write(HOOK, [...it.read(HOOK), ...tokensOf(args, 0)]),
  ),
  ...['AtBeginBibliography', 'AtNextBibliography'].map((name) =>
    setting(name, 'M', 'Code before the entries.', `\\${name}{\\small}`, (it, args) =>
      it.write(BEGIN_HOOK, [...it.read(BEGIN_HOOK), ...tokensOf(args, 0)]),
    ),
  ),
  setting(
    'DeclareSourcemap',
    'm',
    'Changes of entries before they are used: fields that are left out.',
    '\\DeclareSourcemap{\\maps{\\map{\\step[fieldset=isbn, null]}}}',
    (it, args) => {
      const maps = tokensText(tokensOf(args, 0)).split('\\map').slice(1);
      const dropped = maps.flatMap((map) => {
        const types = [...map.matchAll(/\\pertype\s*\{([^{}]*)\}/g)].map(([, type = '']) => type);
        return [...map.matchAll(/fieldset\s*=\s*(\w+)\s*,\s*null/g)].flatMap(([, field = '']) =>
          (types.length > 0 ? types : ['*']).map((type) => `${type}/${field}`),
        );
      });
      it.write(DROPPED, [...it.read(DROPPED), ...dropped]);
    },
  ),
];

/** What code of the document asks of the entry at hand, and prints of it. */
const QUESTIONS: readonly CommandEntry[] = [
  asking(
    'ifentrytype',
    (it, type) => it.read(CURRENT)?.type === type,
    'Chooses by whether the entry is of that kind.',
  ),
  ...['iffieldundef', 'ifnameundef', 'iflistundef'].map((name) =>
    asking(
      name,
      (it, field) => fieldOf(it, field) === '',
      'Chooses by whether the entry lacks that field.',
    ),
  ),
  asking(
    'ifkeyword',
    (it, word) =>
      fieldOf(it, 'keywords')
        .split(',')
        .some((one) => one.trim() === word),
    'Chooses by whether the entry has that keyword.',
  ),
  ...['clearfield', 'clearname', 'clearlist'].map((name) =>
    setting(name, 'm', 'Leaves a field of the entry out.', `\\${name}{note}`, (it, args) =>
      it.write(CLEARED, [...it.read(CLEARED), textOf(it.p, tokensOf(args, 0)).trim()]),
    ),
  ),
  ...['printfield', 'printlist', 'printnames'].map((name) =>
    setting(name, 'om', 'Prints a field of the entry.', `\\${name}{title}`, (it, args) =>
      printField(it, textOf(it.p, tokensOf(args, 1)).trim()),
    ),
  ),
  ...['thefield', 'strfield'].map((name) =>
    setting(name, 'm', 'A field of the entry as it is.', `\\${name}{year}`, (it, args) =>
      it.p.push(it.source(fieldOf(it, textOf(it.p, tokensOf(args, 0)).trim()))),
    ),
  ),
  setting('setunit', 'sM', 'The sign before the next field.', '\\setunit{, }', (it, args) =>
    it.write(PENDING, tokensOf(args, 1)),
  ),
  setting('newunit', '', 'The next field begins a part.', '\\newunit', (it) =>
    it.write(PENDING, it.source('\\newunitpunct ')),
  ),
  {
    ...quietEntry('blx@piece', 'm', 'A part of an entry by a macro of the document.'),
    run: (it, args) => {
      it.write(BEGINS, true);
      it.write(PRINTED, false);
      it.p.push([...(it.read(MACROS)[tokensText(tokensOf(args, 0))] ?? [])]);
    },
  },
  setting(
    'bibstring',
    'om',
    'A word of the language of entries.',
    '\\bibstring{page}',
    (it, args) => {
      const name = textOf(it.p, tokensOf(args, 1)).trim();
      const word = it.read(STRINGS)[name] ?? stringOf(it.read(LANGUAGE), name) ?? name;
      const begins = it.read(BEGINS);
      it.write(BEGINS, false);
      it.p.push(it.source(begins ? capital(word) : word));
    },
  ),
  setting('usebibmacro', 'som', 'A piece of the entry.', '\\usebibmacro{in:}', (it, args) => {
    it.p.push([...(it.read(MACROS)[textOf(it.p, tokensOf(args, 2)).trim()] ?? [])]);
  }),
  setting('printtext', 'oM', 'Text in an entry.', '\\printtext{Ebb}', (it, args) => {
    const pending = it.read(PRINTED) ? it.read(PENDING) : [];
    it.write(PRINTED, true);
    it.write(PENDING, []);
    it.p.push([...pending, ...tokensOf(args, 1)]);
  }),
  {
    ...quietEntry('blx@entry', 'm', 'The entry that code asks of.'),
    run: (it, args) => {
      it.write(CURRENT, it.read(ENTRIES)[tokensText(tokensOf(args, 0))] ?? null);
      it.skipBlanks();
    },
  },
  {
    ...quietEntry('blx@field', 'mmM', 'A field in the form that the document has for it.'),
    run: (it, args) => {
      const [type, field] = [0, 1].map((i) => tokensText(tokensOf(args, i)));
      const formats = it.read(FORMATS);
      const form = formats[`${type}/${field}`] ?? formats[`*/${field}`] ?? [];
      it.p.push(withArguments(form, [tokensOf(args, 2)]));
    },
  },
  setting(
    'MakeSentenceCase',
    'sM',
    'Text in small letters but for its first.',
    '\\MakeSentenceCase{Of Ebb And Flow}',
    (it, args) => it.p.push(it.source(sentenceCase(tokensText(tokensOf(args, 1))))),
  ),
];

export const lookCommands: readonly CommandEntry[] = [...SETTINGS, ...QUESTIONS];

/** Options as they stand in a list: names, or names with values. */
export const optionNames = (tokens: readonly Token[]): string[] =>
  splitAt(tokens, ',').map((one) => tokensText(one).trim());
