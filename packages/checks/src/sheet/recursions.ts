import { some, walk, type Expr } from '../reading/expression';
import type { Names } from '../reading/reader';
import type { Definition, FirstTerm } from '../values/setting';
import { headName, REACH, readQuietly } from './believed';
import type { Statement } from './statements';

/** First terms that are said of sequences: by name and scope, then by index. They may be said before or behind. */
export type FirstTerms = Map<
  string,
  { readonly terms: Map<bigint, FirstTerm>; readonly paragraph: number }
>;

/** Letters that count terms. */
const COUNTS = /^[nmkijN]$/;

/** A term: `a_{n+1}` is `a_`, `n` and 1; `f(3)` is `f`, no letter, and 3. */
interface Term {
  readonly name: string;
  readonly letter: string | null;
  readonly by: bigint;
}

/** What a statement says of a sequence by its earlier terms: `a_{n+1} = 2a_n + 1`; null where it does not. */
export function recursionIn(
  statement: Statement,
  names: Names,
  firstTerms: FirstTerms,
): { readonly name: string; readonly definition: Definition } | null {
  const { sides, signs } = statement;
  if (!/^[=≔]$/.test(signs[0]?.char ?? '')) return null;
  const left = readQuietly(sides[0] ?? [], withHead(sides[0] ?? [], names));
  const term = left && termIn(left);
  if (!term?.letter) return null;
  const own = { ...names, functions: new Set([...names.functions, ...functionOf(term)]) };
  const body = readQuietly(sides[1] ?? [], own);
  if (!body) return null;
  const reach = reachOf(body, term);
  if (reach === null) return null;
  const first = firstTermsOf(firstTerms, term.name, statement);
  const recursion = { shift: term.by, reach, first };
  return { name: term.name, definition: { params: [term.letter], body, recursion } };
}

/** Takes up what a statement says of first terms: `a_0 = 1`, `F_1 = F_2 = 1`, `f(0) = 3`. */
export function takeFirstTerms(
  statement: Statement,
  names: Names,
  firstTerms: FirstTerms,
  given: boolean,
): void {
  const { sides, signs } = statement;
  if (!signs.every(({ char }) => /^[=≔]$/.test(char))) return;
  const read = sides.map((side) => readQuietly(side, withHead(side, names)));
  const value = read.at(-1);
  if (!value) return;
  for (const side of read.slice(0, -1)) {
    const term = side && termIn(side);
    if (!term || term.letter !== null || mentions(value, term.name)) return;
    const first = firstTermsOf(firstTerms, term.name, statement);
    if (given || !first.get(term.by)?.given) {
      const { paragraph } = statement;
      first.set(term.by, { value, given, paragraph });
    }
  }
}

/** Where a sequence is said anew, only the first terms of the same paragraph are of it. */
export function beginAnew(firstTerms: FirstTerms, name: string, statement: Statement): void {
  const terms = firstTermsOf(firstTerms, name, statement);
  for (const [k, { paragraph }] of terms) if (paragraph !== statement.paragraph) terms.delete(k);
}

function firstTermsOf(
  firstTerms: FirstTerms,
  name: string,
  { scope, paragraph }: Statement,
): Map<bigint, FirstTerm> {
  const key = `${name} ${scope}`;
  const known = firstTerms.get(key);
  const goesOn = known && paragraph - known.paragraph <= REACH;
  const terms = goesOn ? known.terms : new Map<bigint, FirstTerm>();
  firstTerms.set(key, { terms, paragraph });
  return terms;
}

const functionOf = ({ name }: Term): readonly string[] => (name.endsWith('_') ? [] : [name]);

/** `f` of `f(n+1)` or `f(0)` is read as a function. */
function withHead(side: Statement['sides'][number], names: Names): Names {
  const [letter, bracket] = side;
  const called =
    letter?.t === 'letter' && !letter.sub && bracket?.t === 'bracket' && side.length === 2;
  const heads = called && /^[a-zA-Z]$/.test(letter.name) ? [letter.name] : headName(side);
  return { ...names, functions: new Set([...names.functions, ...heads]) };
}

function termIn(expr: Expr): Term | null {
  const [name, args] =
    expr.kind === 'indexed'
      ? [`${expr.name}_`, expr.index]
      : expr.kind === 'apply' && expr.primes === 0
        ? [expr.name, expr.args]
        : ['', []];
  const [index, ...more] = args;
  const place = index && more.length === 0 ? placeIn(index) : null;
  return place && { name, ...place };
}

function placeIn(index: Expr): Omit<Term, 'name'> | null {
  if (index.kind === 'number') {
    return typeof index.value === 'bigint' ? { letter: null, by: index.value } : null;
  }
  if (index.kind === 'name') return COUNTS.test(index.name) ? { letter: index.name, by: 0n } : null;
  if (index.kind !== 'add' || index.terms.length !== 2) return null;
  const [letter, by] = index.terms as [Expr, Expr];
  const own = placeIn(letter);
  const away = by.kind === 'negate' ? placeIn(by.body) : placeIn(by);
  if (own?.letter == null || own.by !== 0n || away?.letter !== null) return null;
  return { letter: own.letter, by: by.kind === 'negate' ? -away.by : away.by };
}

const isOf = (expr: Expr, name: string): boolean =>
  (expr.kind === 'indexed' && `${expr.name}_` === name) ||
  (expr.kind === 'apply' && expr.name === name);

const mentions = (expr: Expr, name: string): boolean => some(expr, (part) => isOf(part, name));

/** How many terms back a body looks; null where it looks at none, or at other than earlier ones. */
function reachOf(body: Expr, { name, letter, by }: Term): number | null {
  let reach: number | null = 0;
  walk(body, (part) => {
    if (!isOf(part, name)) return;
    const other = termIn(part);
    const back = other?.letter === letter ? by - other.by : 0n;
    if (back < 1n || back > 20n) reach = null;
    else if (reach !== null) reach = Math.max(reach, Number(back));
  });
  return reach || null;
}
