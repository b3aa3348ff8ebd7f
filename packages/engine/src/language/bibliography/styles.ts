import type { BibEntry } from './entries';
import { yearOf } from './entryParts';
import {
  acmEntry,
  amsEntry,
  apalikeEntry,
  ieeeEntry,
  siamEntry,
  type WriteEntry,
} from './furtherEntries';
import { alphaLabel, citedTitle, letters, namedBy, namesOf, shortNames, fullNames } from './labels';
import { bareText } from './names';
import { plainEntry } from './plainEntries';
import { leadOf, standardEntry, type StandardLook } from './standardEntries';
import { apaEntry, journalEntry } from './standardKin';

/** How a style sorts, labels and shortens. */
export interface BibStyle {
  readonly sorted: boolean;
  readonly alpha: boolean;
  readonly short: boolean;
  /** Labels that name author and year (natbib). */
  readonly authorYear: boolean;
  /** Printed with numbers, though its labels name author and year. */
  readonly numbered?: boolean;
  /** Entries are written as the standard styles of package biblatex write them. */
  readonly standard?: boolean;
  /** Entries are written in a way of its own. */
  readonly write?: WriteEntry;
  /** Labels are “Quill, 2024” (apalike). */
  readonly named?: boolean;
  /** Numbers of books and addresses are told. */
  readonly tellsNumbers?: boolean;
}

const BIBLATEX = { short: false, authorYear: true, standard: true };
const PLAIN = { sorted: true, alpha: false, short: false, authorYear: false };
const NATBIB = { ...PLAIN, authorYear: true, tellsNumbers: true };
const URLS = { tellsNumbers: true };

export const STYLES: Readonly<Record<string, BibStyle>> = {
  plain: PLAIN,
  unsrt: { ...PLAIN, sorted: false },
  abbrv: { ...PLAIN, short: true },
  alpha: { ...PLAIN, alpha: true },
  plainurl: { ...PLAIN, ...URLS },
  unsrturl: { ...PLAIN, ...URLS, sorted: false },
  abbrvurl: { ...PLAIN, ...URLS, short: true },
  alphaurl: { ...PLAIN, ...URLS, alpha: true },
  plainnat: NATBIB,
  unsrtnat: { ...NATBIB, sorted: false },
  abbrvnat: { ...NATBIB, short: true },
  amsplain: { ...PLAIN, write: amsEntry },
  amsalpha: { ...PLAIN, alpha: true, write: amsEntry },
  ieeetr: { ...PLAIN, sorted: false, write: ieeeEntry },
  siam: { ...PLAIN, write: siamEntry },
  acm: { ...PLAIN, write: acmEntry },
  apalike: { ...PLAIN, authorYear: true, named: true },
  ...Object.fromEntries(
    [true, false].flatMap((sorted) => {
      const name = (kind: string): string => `biblatex-${kind}${sorted ? '' : '-ascited'}`;
      const byName = { ...BIBLATEX, sorted, alpha: false };
      return [
        [name('numeric'), { ...byName, numbered: true }],
        [name('alphabetic'), { ...BIBLATEX, sorted, alpha: true, authorYear: false }],
        [name('authoryear'), byName],
        [name('authortitle'), byName],
        [name('apa'), byName],
        [name('ieee'), { ...byName, numbered: true }],
      ];
    }),
  ),
};

/** Styles of others that are not here, by what is nearest to them. */
const NEAREST: Readonly<Record<string, string>> = {
  IEEEtran: 'ieeetr',
  IEEEtranN: 'ieeetr',
  siamplain: 'siam',
  'ACM-Reference-Format': 'acm',
  apacite: 'apalike',
  apalike2: 'apalike',
  agsm: 'apalike',
  chicago: 'apalike',
  chicagoa: 'apalike',
  newapa: 'apalike',
  splncs03: 'plain',
  splncs04: 'plain',
  spmpsci: 'abbrv',
  vancouver: 'unsrt',
  'elsarticle-num': 'unsrt',
  'elsarticle-harv': 'plainnat',
};

/** The name of the style that stands for one that is not here. */
export const nearestStyle = (name: string, withNatbib: boolean): string =>
  NEAREST[name] ?? (withNatbib ? 'plainnat' : 'plain');

/** An entry as the list prints it. */
export interface BibItem {
  readonly key: string;
  /** The label in brackets, or null for a number. */
  readonly label: string | null;
  readonly body: string;
  /** The whole entry as it is cited in the text (package biblatex). */
  readonly full?: string;
  /** Its place in the list, from 0. */
  readonly index: number;
  /** Author and year, where the label says neither. */
  readonly named?: { readonly author: string; readonly year: string };
}

/** “{Quill and Brae(2024)Mara Quill and Bo Brae}” as natbib reads it. */
function authorYearLabel(e: BibEntry, style: BibStyle, look: StandardLook, letter: string): string {
  if (style.standard) {
    if (namesOf(e).length > 0) {
      const { author, year } = namedBy(e, look);
      return `{${author}(${year}${letter})}`;
    }
    const title = e.fields.title ? citedTitle(e) : e.key;
    return `{${title}(${yearOf(e) || 'n.d.'}${letter})}`;
  }
  const short = shortNames(e);
  if (style.named) return `{${short}, ${yearOf(e)}${letter}}`;
  return `{${short}(${yearOf(e)}${letter})${fullNames(e)}}`;
}

const nameKey = (e: BibEntry, prefixed: boolean): string => {
  const names = namesOf(e)
    .map((n) => bareText([...(prefixed ? n.von : []), ...n.last, ...n.first, ...n.von].join(' ')))
    .join('   ');
  return names || bareText(e.fields.key ?? e.fields.organization ?? titleKey(e));
};
const titleKey = ({ fields }: BibEntry): string =>
  bareText(fields.title ?? '').replace(/^(a|an|the) /i, '');

/** The parts that entries are put in order by, each one letter (biblatex manual, appendix C). */
const KEYS: Readonly<Record<string, (e: BibEntry, style: BibStyle, prefixed: boolean) => string>> =
  {
    a: (e, { standard }, prefixed) => alphaLabel(e, standard === true, prefixed),
    n: (e, { standard }, prefixed) =>
      e.fields.sortname ?? e.fields.sortkey ?? nameKey(e, !standard || prefixed),
    t: (e) => titleKey(e),
    y: (e) => bareText(yearOf(e)),
    v: (e) => (e.fields.volume ?? '').padStart(5, '0'),
    // natbib and its kin keep works of one label together.
    l: (e) => `${bareText(shortNames(e))} ${bareText(yearOf(e))}`,
  };

/** The order of a list: `nty` is name, title, year; a `d` behind a letter turns that round. */
function compareBy(
  order: string,
  style: BibStyle,
  prefixed: boolean,
): (a: BibEntry, b: BibEntry) => number {
  const parts = [...order.matchAll(/([a-z])(d?)/g)]
    .filter(([, key = '']) => KEYS[key])
    .map(([, key = '', down]) => ({ of: KEYS[key], sign: down ? -1 : 1 }));
  return (a, b) => {
    for (const { of, sign } of parts) {
      const [x, y] = [a, b].map((e) => (of?.(e, style, prefixed) ?? '').toLowerCase());
      const by = compare(x ?? '', y ?? '');
      if (by !== 0) return sign * by;
    }
    return 0;
  };
}
const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

const usualOrder = (style: BibStyle): string =>
  style.alpha ? 'anyt' : style.authorYear && !style.standard ? 'lnyt' : 'nyt';

/** The entries as a style prints them, in its order. */
export function formatBibliography(
  entries: readonly BibEntry[],
  style: BibStyle,
  options: Partial<StandardLook> = {},
): BibItem[] {
  const byName = style.authorYear && !style.numbered;
  const usual = { initials: false, mostNames: 3, language: null, ...options };
  const look = { ...usual, authorYear: byName && usual.kind !== 'authortitle' };
  const list = [...entries];
  const order = (style.standard && look.order) || usualOrder(style);
  if (style.sorted) list.sort(compareBy(order, style, look.prefixed === true));
  const alphas = list.map((e) => alphaLabel(e, style.standard === true, look.prefixed === true));
  // Works of the same authors and year are told apart by letters.
  const apart = style.alpha
    ? letters(alphas)
    : style.authorYear && look.kind !== 'authortitle'
      ? letters(list.map((e) => authorYearLabel(e, style, look, '')))
      : list.map(() => '');
  const write = (e: BibEntry, i: number, inText: boolean): string => {
    const again = !inText && i > 0 && samePeople(e, list[i - 1] as BibEntry, look);
    const letter = style.alpha ? '' : (apart[i] ?? '');
    if (style.write) return style.write(e, again);
    if (style.named) return apalikeEntry(e, letter);
    if (!style.standard)
      return plainEntry(e, {
        short: style.short,
        tellsNumbers: style.tellsNumbers === true,
        letter: style.authorYear ? letter : '',
      });
    const lettered = byName ? { ...look, letter } : look;
    const own = inText ? { ...lettered, turned: 'none' as const } : lettered;
    if (look.kind === 'apa') return apaEntry(e, own);
    if (look.kind === 'ieee') return journalEntry(e, own);
    return standardEntry(e, own, again && look.dashed !== false);
  };
  return list.map((e, i) => ({
    key: e.key,
    index: i,
    ...(style.standard && style.alpha ? { named: namedBy(e, look) } : {}),
    label: style.alpha
      ? `${alphas[i] ?? ''}${apart[i] ?? ''}`
      : style.authorYear
        ? authorYearLabel(e, style, look, apart[i] ?? '')
        : null,
    body: write(e, i, false),
    ...(style.standard ? { full: write(e, i, true) } : {}),
  }));
}

const samePeople = (e: BibEntry, before: BibEntry, look: StandardLook): boolean =>
  namesOf(e).length > 0 && leadOf(e, look) === leadOf(before, look);
