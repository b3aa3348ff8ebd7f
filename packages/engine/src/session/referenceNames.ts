import type { LabelDefinition } from '../language/machine/interpreter';

/** Names of what is counted, for references that say what they point to; equations are shortened in running text. */
const NAMES: Readonly<Record<string, readonly [string, string]>> = {
  equation: ['eq.', 'eqs.'],
  figure: ['fig.', 'figs.'],
  table: ['table', 'tables'],
  chapter: ['chapter', 'chapters'],
  part: ['part', 'parts'],
  section: ['section', 'sections'],
  subsection: ['section', 'sections'],
  subsubsection: ['section', 'sections'],
  appendix: ['appendix', 'appendices'],
  enumi: ['item', 'items'],
  enumii: ['item', 'items'],
  enumiii: ['item', 'items'],
  footnote: ['footnote', 'footnotes'],
  page: ['page', 'pages'],
  corollary: ['corollary', 'corollaries'],
};
const LONG: Readonly<Record<string, string>> = {
  'eq.': 'equation',
  'eqs.': 'equations',
  'fig.': 'figure',
  'figs.': 'figures',
};

/** What `\autoref` calls what a label names. */
export function autoName(label: LabelDefinition): string {
  const own = label.names?.auto;
  if (own !== undefined) return own;
  return kindName(label, { capital: true, long: true }, false);
}

export interface NameForm {
  readonly capital: boolean;
  readonly long: boolean;
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
  // What a package counts by a name of its own has no word that anyone would know.
  const unnamed = kind.includes('@') ? (['??', '??'] as const) : undefined;
  const usual = names.small ?? names.capital ?? NAMES[kind] ?? unnamed;
  const [one, many] = usual ?? [kind.toLowerCase(), `${kind.toLowerCase()}s`];
  const name = plural ? many : one;
  const whole = long ? (LONG[name] ?? name) : name;
  const first = whole.charAt(0);
  return (capital ? first.toUpperCase() : first.toLowerCase()) + whole.slice(1);
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

/** Parts joined with commas and a word before the last. */
const joined = (parts: readonly string[], last: string): string =>
  parts.length < 2
    ? parts.join('')
    : `${parts.slice(0, -1).join(', ')}${last}${parts.at(-1) ?? ''}`;

/** “1, 2 and 5”, “3 to 6”: three or more in a row are a range. */
function numbersOf(labels: readonly LabelDefinition[]): string {
  const shown = ({ kind, value }: LabelDefinition): string =>
    kind === 'equation' ? `(${value})` : value;
  const runs: LabelDefinition[][] = [];
  for (const label of labels) {
    const last = runs.at(-1)?.at(-1);
    if (last && follows(last.value, label.value)) runs.at(-1)?.push(label);
    else runs.push([label]);
  }
  const parts = runs.flatMap((run) => {
    const [first, last] = [run[0], run.at(-1)];
    return run.length > 2 && first && last ? [`${shown(first)} to ${shown(last)}`] : run.map(shown);
  });
  return joined(parts, ' and ');
}

/**
 * “theorems 1 to 3 and lemma 4”: the numbers of several labels, sorted within their kinds, which
 * come in the order of their first label; null when one is not known (cleveref manual, section 4).
 */
export function cleverList(
  labels: ReadonlyMap<string, LabelDefinition>,
  names: readonly string[],
  form: NameForm,
): string | null {
  const kinds = new Map<string, LabelDefinition[]>();
  for (const name of new Set(names)) {
    const label = labels.get(name);
    if (!label) return null;
    const kind = label.kind ?? '';
    kinds.set(kind, [...(kinds.get(kind) ?? []), label]);
  }
  const groups = [...kinds.values()].map((group) => {
    const sorted = [...group].sort(byNumber);
    const [first] = sorted;
    return first ? `${kindName(first, form, sorted.length > 1)}\u00a0${numbersOf(sorted)}` : '';
  });
  return joined(groups, groups.length > 2 ? ', and ' : ' and ');
}
