import type { LabelDefinition } from '../language/machine/interpreter';
import { UNNAMED } from '../document/inlines';
import { joinsOf, wordsFor } from './kindWords';
import {
  LINK_FROM,
  LINK_TO,
  NUMBERS_AT,
  type Format,
  type FormatPiece,
  type ReferenceFormats,
} from '../language/machine/reading';

const LONG: Readonly<Record<string, string>> = {
  'eq.': 'equation',
  'eqs.': 'equations',
  'fig.': 'figure',
  'figs.': 'figures',
};

/** What `\autoref` calls what a label names. */
export function autoName(label: LabelDefinition): string {
  const { auto, title } = label.names ?? {};
  if (auto !== undefined || title !== undefined) return auto ?? title?.[0] ?? '';
  return kindName(label, { capital: true, long: true }, false);
}

export interface NameForm {
  readonly capital: boolean;
  readonly long: boolean;
  /** It begins a sentence. */
  readonly starts?: boolean;
}

/** What a label names is called: one of them or several, shortened or not. */
export function kindName(
  label: LabelDefinition,
  { capital, long }: NameForm,
  plural: boolean,
): string {
  const { kind = '', names = {} } = label;
  const own = names[capital ? 'capital' : 'small'];
  if (own) return own[plural ? 1 : 0];
  const usual = names.small ?? names.capital ?? wordsFor(kind, names.language);
  // A kind that neither the package nor the document has a word for.
  if (!usual) return UNNAMED;
  const name = usual[plural ? 1 : 0];
  const whole = long ? (LONG[name] ?? name) : name;
  const first = whole.charAt(0);
  // A word that was given for the start of sentences alone is written small within them.
  const small = names.small || names.capital === undefined ? first : first.toLowerCase();
  return (capital ? first.toUpperCase() : small) + whole.slice(1);
}

/** `3.12` as numbers to sort by. */
const partsOf = (value: string): string[] => value.split(/[.\s]+/);

function byNumber(a: LabelDefinition, b: LabelDefinition): number {
  const [left, right] = [partsOf(a.value), partsOf(b.value)];
  for (let i = 0; i < Math.max(left.length, right.length); i++) {
    const [x = '', y = ''] = [left[i], right[i]];
    const order = Number(x) - Number(y) || x.localeCompare(y);
    if (order !== 0) return order;
  }
  return 0;
}

/** Is the second number the one after the first: `2.3` and `2.4`? */
function follows(a: string, b: string): boolean {
  const [left, right] = [partsOf(a), partsOf(b)];
  const [x, y] = [Number(left.pop()), Number(right.pop())];
  return left.join('.') === right.join('.') && y === x + 1;
}

/** What stands between several references, in the order of their names in cleveref's manual, section 8.1.1. */
export type Joins = readonly string[];

/** Words of a reference: text, or pieces in type of their own where the document says how it is written. */
export type Words = readonly FormatPiece[];
const plain = (text: string): Words => [{ text, change: {} }];
/** The name of a kind, before the first number of it. */
const nameOf = (text: string, { name }: LabelDefinition): Words => [
  { text: `${text}\u00a0`, change: {}, leads: name, isName: true },
];

/** Parts with a word between two, others between several and before the last. */
function joined(parts: readonly Words[], [pair = '', middle = '', last = '']: Joins): Words {
  return parts.flatMap((part, i) => {
    if (i === 0) return part;
    const word = parts.length === 2 ? pair : i === parts.length - 1 ? last : middle;
    return [...plain(word), ...part];
  });
}

type Numbered = Pick<LabelDefinition, 'name' | 'value' | 'shown'>;

/** A format with the numbers of these labels, which lead there. */
function filled(format: Format, labels: readonly Numbered[]): Words {
  let links = 0;
  let leads: string | undefined;
  return format.flatMap(({ text, change }) =>
    text.split(/([\uE001-\uE004])/).flatMap((part): FormatPiece[] => {
      if (part === LINK_FROM) leads = labels[links++]?.name;
      if (part === LINK_TO) leads = undefined;
      if (part === '' || part === LINK_FROM || part === LINK_TO) return [];
      const label = labels[(NUMBERS_AT as readonly string[]).indexOf(part)];
      const number = label ? numberOf(label) : { text: part };
      return [{ ...number, change, ...(leads === undefined ? {} : { leads }) }];
    }),
  );
}

const numberOf = ({ value, shown }: Numbered): Pick<FormatPiece, 'text' | 'shown'> => ({
  text: value,
  ...(shown ? { shown } : {}),
});

/** How the document has references to what a label names written. */
function formatsOf({ names }: LabelDefinition, starts = false): ReferenceFormats {
  const { Capital, ...small } = names?.formats ?? {};
  return starts ? { ...small, ...Capital } : small;
}

/** A number as it stands among others. */
export function numberWords(label: LabelDefinition): Words {
  const { label: own } = formatsOf(label, false);
  if (own) return filled(own, [label]);
  const number: Words = [{ ...numberOf(label), change: {}, leads: label.name }];
  return label.kind === 'equation' ? [...plain('('), ...number, ...plain(')')] : number;
}

/** A reference by itself that the document has a format for; null when it has none. */
export function ownWords(label: LabelDefinition, starts = false): Words | null {
  const { one } = formatsOf(label, starts);
  return one ? filled(one, [label]) : null;
}

/** Numbers in a row are a range from three on. */
function runsOf(labels: readonly LabelDefinition[]): LabelDefinition[][] {
  const runs: LabelDefinition[][] = [];
  for (const label of labels) {
    const last = runs.at(-1)?.at(-1);
    if (last && follows(last.value, label.value)) runs.at(-1)?.push(label);
    else runs.push([label]);
  }
  return runs.flatMap((run) => (run.length > 2 ? [run] : run.map((label) => [label])));
}

/** “1, 2 and 5”, “3 to 6”. */
function numbersOf(labels: readonly LabelDefinition[], joins: Joins): Words {
  const parts = runsOf(labels).map((run): Words => {
    const [first, last] = [run[0], run.at(-1)];
    if (!first || !last || first === last) return first ? numberWords(first) : [];
    return [...numberWords(first), ...plain(joins[0] ?? ''), ...numberWords(last)];
  });
  return joined(parts, joins.slice(1, 4));
}

/** Several of one kind, as the document's own formats have them; null when it has none. */
function ownList(labels: readonly LabelDefinition[], form: NameForm): Words | null {
  const [first, last] = [labels[0], labels.at(-1)];
  if (!first || !last) return null;
  const { range, multi = [] } = formatsOf(first, form.starts);
  if (labels.length === 1) return ownWords(first, form.starts);
  const runs = runsOf(labels);
  if (runs.length === 1) return range ? filled(range, [first, last]) : null;
  if (multi.length === 0) return null;
  return runs.flatMap((run, i) => {
    const at = i === 0 ? 0 : runs.length === 2 ? 1 : i === runs.length - 1 ? 3 : 2;
    const [from, to] = [run[0], run.at(-1)];
    if (!from || !to) return [];
    const { name, value } = from;
    const label = from === to ? from : { name, value: `${value}–${to.value}` };
    return filled(multi[at] ?? [], [label]);
  });
}

/** Several of one kind, with its name. */
function groupWords(labels: readonly LabelDefinition[], form: NameForm, joins: Joins): Words {
  const own = ownList(labels, form);
  const [first] = labels;
  if (own || !first) return own ?? [];
  return [...nameOf(kindName(first, form, labels.length > 1), first), ...numbersOf(labels, joins)];
}

/**
 * “theorems 1 to 3 and lemma 4”: the numbers of several labels, sorted within their kinds, which
 * come in the order of their first label; null when one is not known (cleveref manual, section 4).
 */
export function cleverList(
  labels: ReadonlyMap<string, LabelDefinition>,
  names: readonly string[],
  form: NameForm,
  given: Joins = [],
): Words | null {
  const { names: said } = labels.get(names[0] ?? '') ?? {};
  const joins = joinsOf(said?.language).map((usual, i) => given[i] ?? usual);
  const kinds = new Map<string, LabelDefinition[]>();
  for (const name of new Set(names)) {
    const label = labels.get(name);
    if (!label) return null;
    const kind = label.kind ?? '';
    kinds.set(kind, [...(kinds.get(kind) ?? []), label]);
  }
  const groups = [...kinds.values()].map((group) =>
    groupWords([...group].sort(byNumber), form, joins),
  );
  return joined(groups, joins.slice(4));
}

/** “equations (1) to (3)”: from one label to another, whatever stands between. */
export function cleverRange(
  from: LabelDefinition,
  to: LabelDefinition,
  form: NameForm,
  given: Joins = [],
): Words {
  const { range } = formatsOf(from, form.starts);
  const word = given[0] ?? joinsOf(from.names?.language)[0] ?? '';
  if (range) return filled(range, [from, to]);
  return [
    ...nameOf(kindName(from, form, true), from),
    ...numberWords(from),
    ...plain(word),
    ...numberWords(to),
  ];
}
