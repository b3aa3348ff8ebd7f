import { inFont } from '../document/inFont';
import type { Shown } from '../language/machine/counters';
import { type Inline, type RefInline, UNNAMED_PLACE } from '../document/inlines';
import { walk } from '../document/walk';
import { LINE_KIND } from '../document/lineNumbers';
import { sameValue } from '../expansion/meaning';
import type { LABELS } from '../language/constructs/knownPages';
import type { LabelDefinition } from '../language/machine/interpreter';
import { LAST_PAGE, lineOf } from './paging';
import type { RawFinding } from '../findings/finding';
import type { SessionBlock } from './block';
import { citeLabel, isOwnName } from '../expansion/cells';
import {
  autoName,
  cleverList,
  cleverRange,
  kindName,
  numberWords,
  ownWords,
  type Joins,
  type NameForm,
  type Words,
} from './referenceNames';

/** What references can ask for: numbers are known after reading, pages after pages are made. */
export interface Facts {
  /** The page of each label, as it is written. */
  readonly pages: ReadonlyMap<string, string>;
  readonly labels: ReadonlyMap<string, LabelDefinition>;
}

export const NO_FACTS: Facts = { pages: new Map(), labels: new Map() };

/** The labels as numbers that a document reckons with. */
export function knownLabels({ labels, pages }: Facts): typeof LABELS.start {
  const known = [...labels].map(([name, { value }]) => [
    name,
    { value, page: pages.get(name) ?? '' },
  ]);
  const last = { value: '', page: pages.get(LAST_PAGE) ?? '' };
  return Object.fromEntries([[LAST_PAGE, last], ...known]) as typeof LABELS.start;
}

const key = (ref: RefInline): string =>
  [
    `${ref.what}${ref.capital ? '^' : ''}${ref.long ? '=' : ''}${ref.starts ? '!' : ''}${ref.plural ? '+' : ''}:${ref.label}`,
    ...(ref.neighbours ?? []),
  ].join(BETWEEN) + (ref.joins ?? []).map((word) => `${JOINED}${word}`).join('');

/** Parts a key's labels; parts the words that stand between references from them, and from one another. */
const BETWEEN = '\u0003';
const JOINED = '\u0004';

/** The labels that a fact's key asks about. */
export const labelsOfKey = (factKey: string): string[] =>
  (factKey.split(JOINED)[0] ?? '')
    .slice(factKey.indexOf(':') + 1)
    .split(/^clever(?:s|range)/.test(factKey) ? /,|\u0003/ : BETWEEN);

/** What a reference prints: text, what its number is made of, or words in type of their own. */
export type Answer = string | Shown | { readonly words: Words } | null;

/** Words are plain text where no type is changed. */
function asAnswer(words: Words | null): Answer {
  if (!words?.some(({ change, leads }) => leads !== undefined || Object.keys(change).length > 0))
    return words?.map(({ text }) => text).join('') ?? null;
  return { words };
}

/** The answer to a fact's key. */
export function answer(facts: Facts, factKey: string): Answer {
  const at = factKey.indexOf(':');
  const [asked = '', ...joins] = factKey.slice(at + 1).split(JOINED);
  const [label = '', ...neighbours] = asked.split(BETWEEN);
  const what = factKey.slice(0, at).replace(/[+^=!]/g, '');
  if (what === 'page') return pageAnswer(facts, label);
  if (what === 'cites') return citesAnswer(facts, label);
  const flags = factKey.slice(0, at);
  const has = (flag: string): boolean => flags.includes(flag);
  const form = { capital: has('^'), long: has('='), starts: has('!') };
  if (what === 'clevers') return asAnswer(cleverList(facts.labels, label.split(','), form, joins));
  if (what === 'cleverrange') return rangeAnswer(facts, label, form, joins);
  const found = facts.labels.get(what === 'cite' ? citeLabel(label) : label);
  // The number behind the name tells of it.
  if (!found) return what === 'kind' && neighbours.length > 0 ? '' : null;
  if (what === 'title') return found.title ?? '';
  if (found.kind === LINE_KIND) return facts.pages.get(lineOf(label)) ?? '?';
  if (what === 'part') return found.part ?? found.value;
  const own = /^(?:clever|kind)$/.test(what) ? ownWords(found, form.starts) : null;
  if (own && neighbours.length > 0) return '';
  if (own && what === 'clever') return asAnswer(own);
  const bare = found.kind === 'equation' || found.names?.formats?.label !== undefined;
  if (/^clever/.test(what) && bare) return asAnswer(numberWords(found));
  if (what === 'autokind') return autoName(found);
  if (what !== 'kind') return found.shown ?? found.value;
  if (neighbours.length === 0) return kindName(found, form, has('+'));
  const [before, behind] = neighbours.map((name) => facts.labels.get(name)?.kind);
  return before === found.kind ? '' : `${kindName(found, form, behind === found.kind)}\u00a0`;
}

function rangeAnswer(facts: Facts, names: string, form: NameForm, joins: Joins): Answer {
  const [from, to] = names.split(',').map((name) => facts.labels.get(name));
  return from && to ? asAnswer(cleverRange(from, to, form, joins)) : null;
}

/** Numbers of entries in order, three or more in a row as a range; null when not all are known numbers. */
function citesAnswer(facts: Facts, keys: string): Answer {
  const numbers = keys.split(',').map((key) => facts.labels.get(citeLabel(key))?.value ?? '');
  if (!numbers.every((number) => /^\d+$/.test(number))) return null;
  const sorted = [...new Set(numbers.map(Number))].sort((a, b) => a - b);
  const runs: number[][] = [];
  for (const number of sorted) {
    const last = runs.at(-1);
    if (last && last.at(-1) === number - 1) last.push(number);
    else runs.push([number]);
  }
  return runs
    .map((run) => (run.length > 2 ? `${run[0]}–${run.at(-1)}` : run.join(', ')))
    .join(', ');
}

export const ownPlace = (place: string): string => `${UNNAMED_PLACE}${place}`;
const isOwnPlace = (label: string): boolean => label.startsWith(UNNAMED_PLACE);

function pageAnswer(facts: Facts, label: string): Answer {
  if (!facts.labels.has(label) && label !== LAST_PAGE && !isOwnPlace(label)) return null;
  return facts.pages.get(label) ?? '?';
}

/** A piece in the type around the reference, changed as it says. */
function wordInlines(piece: Words[number], ref: RefInline): readonly Inline[] {
  const { text, change, shown, leads, isName } = piece;
  const { font: around, from, to } = ref;
  if (ref.leads && leads !== undefined && (ref.leads.names || !isName)) {
    const { leads: _, ...bare } = piece;
    return [linkTo(leads, ref, (plain) => wordInlines(bare, plain))];
  }
  const font = { ...around, ...change };
  if (shown) return inFont(shown.inlines, shown.font, font);
  return text.split(/([ \u00a0])/).flatMap((part): Inline[] => {
    if (part === '') return [];
    if (!/^[ \u00a0]$/.test(part)) return [{ kind: 'text', text: part, font, from, to }];
    const blank: Inline = { kind: 'space', font, factor: 1000, from, to };
    return part === ' ' ? [blank] : [{ kind: 'penalty', penalty: 10000, from, to }, blank];
  });
}

/** A link to a label, with what is in it in the colour of links. */
function linkTo(
  label: string,
  { leads, ...ref }: RefInline,
  within: (ref: RefInline) => readonly Inline[],
): Inline {
  const color = leads?.color ?? ref.font.color;
  const inlines = within({ ...ref, font: { ...ref.font, color } });
  return { kind: 'link', inlines, target: `#${label}`, from: ref.from, to: ref.to };
}

/** Answers references, and notes in `reads` what was asked. */
export function resolver(facts: Facts, reads: Map<string, Answer>) {
  return (ref: RefInline): string | readonly Inline[] | null => {
    const factKey = key(ref);
    const value = answer(facts, factKey);
    reads.set(factKey, value);
    if (value !== null && typeof value === 'object' && 'words' in value)
      return value.words.flatMap((piece) => wordInlines(piece, ref));
    if (value === null) return null;
    if (!ref.leads)
      return typeof value === 'string' ? value : inFont(value.inlines, value.font, ref.font);
    const whole = (plain: RefInline): readonly Inline[] =>
      typeof value === 'string'
        ? wordInlines({ text: value, change: {} }, plain)
        : inFont(value.inlines, value.font, plain.font);
    return [linkTo(ref.label, ref, whole)];
  };
}

/** Would every answer the block was laid out from still be the same? */
export function sameFacts(block: SessionBlock, facts: Facts): boolean {
  if (!block.laid) return false;
  for (const [factKey, value] of block.laid.facts)
    if (!sameValue(answer(facts, factKey), value)) return false;
  return true;
}

/** Keys of the bibliography that are cited, in order, each once. */
export const citedKeys = (blocks: readonly SessionBlock[]): readonly string[] => [
  ...new Set(blocks.flatMap(({ reading }) => reading.citations)),
];

/** Labels that the nodes of blocks refer to, in order, each once. */
export const referredLabels = (blocks: readonly SessionBlock[]): readonly string[] => [
  ...new Set(blocks.flatMap((block) => (block.referred ??= referredIn(block)))),
];

/** Looked for once in each block: formulas, tables and pictures hold references too. */
function referredIn({ reading }: SessionBlock): readonly string[] {
  const out = new Set<string>();
  walk(reading.nodes, (node) => {
    const { kind, label } = node as Partial<RefInline>;
    if (kind !== 'ref' || label === undefined) return true;
    label.split(',').forEach((one) => out.add(one));
    return false;
  });
  return [...out];
}

/** A finding with the block it was made in. */
export interface LabelFinding {
  readonly block: SessionBlock;
  readonly finding: RawFinding;
}

/** All labels with the numbers they name; a second label of the same name is a finding. */
export function collectLabels(blocks: readonly SessionBlock[]): {
  labels: Map<string, LabelDefinition>;
  repeated: LabelFinding[];
} {
  const labels = new Map<string, LabelDefinition>();
  const repeated: LabelFinding[] = [];
  for (const block of blocks) {
    for (const label of block.reading.labels) {
      const { name, from, to } = label;
      if (!labels.has(name)) labels.set(name, label);
      else if (!isOwnName(name))
        repeated.push({ block, finding: { code: 'label-repeated', from, to, args: { name } } });
    }
  }
  return { labels, repeated };
}
