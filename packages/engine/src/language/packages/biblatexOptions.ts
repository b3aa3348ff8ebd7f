import { cell } from '../../expansion/cells';
import type { StandardLook } from '../bibliography/standardEntries';
import { CELLS } from '../machine/cells';
import type { Interpreter } from '../machine/interpreter';
import { CITED_BY, SORTED } from './natbib';

/** What options of the package say of lists. */
export interface ListOptions {
  readonly look: Partial<StandardLook>;
  /** Fields that are left out. */
  readonly omitted: readonly string[];
  /** Addresses are left out where an entry is found without them. */
  readonly withoutUrl: boolean;
  readonly yearAlone: boolean;
}
export const LIST_OPTIONS = cell<ListOptions>('biblistoptions', {
  look: {},
  omitted: [],
  withoutUrl: false,
  yearAlone: false,
});

/** How `\autocite` cites: plain, inline, footnote or superscript (package option `autocite`). */
export const AUTOCITE = cell('autocite', 'plain');

/** Styles of other packages, by the one here that is nearest. */
const KINDS: readonly (readonly [RegExp, string])[] = [
  [/^apa/, 'apa'],
  [/^ieee/, 'ieee'],
  [/^(?:ext-)?(?:alphabetic|trad-alpha)/, 'alphabetic'],
  [/^(?:ext-)?(?:authortitle|verbose)|^(?:mla|oscola|reading|philosophy-verbose)/, 'authortitle'],
  [/author|year|chicago|harvard|gb7714/, 'authoryear'],
];
/** Styles whose lists stand in the order of citing. */
const AS_CITED = /^(?:ieee|nature|science|phys|chem-|nejm|vancouver|trad-unsrt)/;

export const optionOf = (options: readonly string[], key: string): string | undefined =>
  options
    .map((option) => option.split('=').map((side) => side.trim()))
    .find(([name]) => name === key)?.[1];

/** The style for the options of the package: its name, and whether entries stand in the order they are cited. */
export function styleFor(options: readonly string[]): string {
  const value = (key: string): string | undefined => optionOf(options, key);
  const named = value('style') ?? value('bibstyle') ?? value('citestyle') ?? 'numeric';
  const kind = KINDS.find(([pattern]) => pattern.test(named))?.[1] ?? 'numeric';
  const asCited =
    value('sorting') === 'none' || (value('sorting') === undefined && AS_CITED.test(named));
  return `biblatex-${kind}${asCited ? '-ascited' : ''}`;
}

const kindOf = (style: string): StandardLook['kind'] => {
  const kind = /^biblatex-(authortitle|apa|ieee)/.exec(style)?.[1];
  return kind as StandardLook['kind'];
};

/** What stands at an option that is said without a value, or is not said. */
function flagOf(options: readonly string[], key: string): boolean | null {
  if (options.includes(key)) return true;
  const value = optionOf(options, key);
  return value === undefined ? null : value !== 'false';
}

/** Options of the package, or of `\ExecuteBibliographyOptions` later. */
export function setOptions(it: Interpreter, options: readonly string[]): void {
  const had = it.read(LIST_OPTIONS);
  const number = (key: string): number | undefined => {
    const said = optionOf(options, key);
    return said === undefined ? undefined : Number(said) || undefined;
  };
  const most = number('maxbibnames') ?? number('maxnames');
  const least = number('minbibnames') ?? number('minnames');
  const cited = number('maxcitenames') ?? number('maxnames');
  const initials = flagOf(options, 'giveninits') ?? flagOf(options, 'firstinits');
  const dashed = flagOf(options, 'dashed');
  const prefixed = flagOf(options, 'useprefix');
  const order = optionOf(options, 'sorting');
  const off = (key: string): boolean => flagOf(options, key) === false;
  const omitted = [
    ...(off('isbn') ? ['isbn', 'issn', 'isrn'] : []),
    ...(off('doi') ? ['doi'] : []),
    ...(off('eprint') ? ['eprint'] : []),
  ];
  it.write(
    LIST_OPTIONS,
    {
      look: {
        ...had.look,
        ...(most === undefined ? {} : { mostNames: most }),
        ...(least === undefined ? {} : { leastNames: least }),
        ...(cited === undefined ? {} : { mostCited: cited }),
        ...(initials === null ? {} : { initials }),
        ...(dashed === null ? {} : { dashed }),
        ...(prefixed === null ? {} : { prefixed }),
        ...(order === undefined || order === 'none' ? {} : { order }),
      },
      omitted: [...had.omitted, ...omitted],
      withoutUrl: had.withoutUrl || off('url'),
      yearAlone: had.yearAlone || optionOf(options, 'date') === 'year',
    },
    true,
  );
}

/** The style that the options of the package name: of the list, and of citations. */
export function setStyleOf(it: Interpreter, options: readonly string[]): void {
  const style = optionOf(options, 'style') ?? optionOf(options, 'citestyle') ?? '';
  const name = styleFor(options);
  it.write(CELLS.bibStyle, name, true);
  const kind = kindOf(name);
  const had = it.read(LIST_OPTIONS);
  const byYear = /authoryear|apa/.test(name);
  // Numbers are given by name and title, in the order that readers look for.
  const order = name.includes('alphabetic') ? 'anyt' : byYear ? 'nyt' : 'nty';
  it.write(LIST_OPTIONS, { ...had, look: { order, ...(kind ? { kind } : {}), ...had.look } }, true);
  if (style === 'numeric-comp') it.write(SORTED, true, true);
  const cited = /^verbose/.test(style) ? 'whole' : kind === 'authortitle' ? 'title' : 'usual';
  it.write(CITED_BY, cited, true);
  const usual = cited === 'usual' ? 'plain' : 'footnote';
  it.write(AUTOCITE, optionOf(options, 'autocite') ?? usual, true);
  const named = name.includes('authoryear') || kind === 'apa' || kind === 'authortitle';
  it.execute(
    it.source(
      `\\def\\multicitedelim{${named ? '\\addsemicolon' : '\\addcomma'}\\space}${kind === 'apa' ? '\\def\\nameyeardelim{\\addcomma\\space}' : ''}`,
    ),
  );
}
