import type { MathNode } from '@odd-compass/engine/written';
import { CannotTell, isExact, toNumber, type Value } from '../numbers/value';
import { freeNames, substitute, type Expr } from '../reading/expression';
import { nameTex, scalarTex, texOf, valueTex } from '../reading/print';
import { readerFor } from '../reading/read';
import { Unreadable, type Names } from '../reading/reader';
import { tokensOf, type Token } from '../reading/tokens';
import { saysWhatIs } from '../steps/equations';
import type { Facts } from '../steps/facts';
import { evaluate } from '../values/evaluate';
import { newMeter, withValue, type Setting } from '../values/setting';
import { headName, readQuietly } from './believed';
import type { WrittenBlock } from './pieces';
import type { Extent } from './sheetSteps';
import { factsAt } from './sheetSteps';

/** What a marked part of a formula comes to. */
export type ValueAnswer =
  /** A value, as LaTeX with the sign that goes before it. */
  | { readonly kind: 'value'; readonly exact: boolean; readonly tex: string }
  /** One letter is open: a table can be made. */
  | { readonly kind: 'open'; readonly name: string; readonly tex: string }
  | { readonly kind: 'refused'; readonly why: string };

/** Works out the part of a formula that is marked, with what the sheet says of its letters. */
export function valueAt(blocks: readonly WrittenBlock[], place: Extent): ValueAnswer {
  return withPart(blocks, place, (expr, facts) => {
    const names = openNames(expr, facts);
    const [name, ...more] = names;
    if (more.length)
      return { kind: 'refused', why: `It is not said what ${names.join(' and ')} are.` };
    if (name !== undefined) return { kind: 'open', name, tex: texOf(expr) };
    const value = evaluate(expr, settingFor(facts));
    return told(value);
  });
}

function told(value: Value): ValueAnswer {
  if (typeof value === 'object' && 'rows' in value) {
    return { kind: 'value', exact: value.rows.flat().every(isExact), tex: valueTex(value) };
  }
  const exact = isExact(value);
  if (!exact && Number.isNaN(toNumber(value)) && !(typeof value === 'object' && 're' in value)) {
    return { kind: 'refused', why: 'It is not defined.' };
  }
  return { kind: 'value', exact, tex: scalarTex(value) };
}

/** Rows of a table of values; what is not defined is a dash. */
export type TableAnswer =
  | { readonly kind: 'table'; readonly source: string }
  | { readonly kind: 'refused'; readonly why: string };

const MOST_ROWS = 40;

/** A table of the values of a marked part with one open letter, from one value of it to another by equal steps. */
export function tableAt(
  blocks: readonly WrittenBlock[],
  place: Extent,
  { first, last, step }: { readonly first: number; readonly last: number; readonly step: number },
): TableAnswer {
  const count = Math.floor((last - first) / step + 1e-9) + 1;
  if (!(step > 0) || !(count >= 1) || count > MOST_ROWS) {
    return { kind: 'refused', why: `A table has from 1 to ${MOST_ROWS} values.` };
  }
  return withPart<TableAnswer>(blocks, place, (expr, facts) => {
    const [name, ...more] = openNames(expr, facts);
    if (name === undefined || more.length) {
      return { kind: 'refused', why: 'A table is made of a part with one open letter.' };
    }
    const setting = settingFor(facts);
    const rows = Array.from({ length: count }, (_, i) => {
      const x = Number((first + i * step).toPrecision(12));
      const at = Number.isInteger(x) ? BigInt(x) : x;
      const value = evaluate(expr, withValue({ ...setting, meter: newMeter(WORK) }, name, at));
      const shown = told(value);
      return `  $${scalarTex(at)}$ & ${shown.kind === 'value' ? `$${shown.tex}$` : '--'} \\\\`;
    });
    const head = `  $${nameTex(name).trim()}$ & $${sourceOf(expr)}$ \\\\ \\hline`;
    return {
      kind: 'table',
      source: `\\begin{tabular}{r|r}\n${[head, ...rows].join('\n')}\n\\end{tabular}`,
    };
  });
}

const sourceOf = (expr: Expr): string => texOf(expr);

/** Operations for one value. */
export const WORK = 300_000;

/** To work out a part of the sheet where its letters are put in. */
export function settingFor(facts: Facts): Setting {
  return {
    values: new Map(),
    functions: facts.functions,
    indexed: (name) => {
      throw new CannotTell(`it is not said what ${name} is`);
    },
    sign: 1,
    base: 0,
    complex: facts.names.imaginary,
    logBase: Math.E,
    meter: newMeter(WORK),
  };
}

/** The letters of which the sheet does not say what they are. */
export const openNames = (expr: Expr, facts: Facts): readonly string[] =>
  [...freeNames(expr)].filter((name) => !facts.functions.has(name.replace(/\(\)$/, '')));

/**
 * Does something with the part that is marked, what the sheet says of its letters put in. Of an equation that is its
 * last side; `head` is then what it says the value of, as LaTeX.
 */
export function withPart<T extends { readonly kind: string }>(
  blocks: readonly WrittenBlock[],
  place: Extent,
  then: (expr: Expr, facts: Facts, head: string | null) => T,
): T | { readonly kind: 'refused'; readonly why: string } {
  const nodes = markedNodes(blocks, place);
  if (!nodes) return { kind: 'refused', why: 'Mark a whole part of a formula.' };
  const facts = factsAt(blocks, place.from);
  try {
    const sides = sidesOf(tokensOf(nodes.list, nodes.offset));
    const expr = readerFor(nodes.offset, facts.names).expression(sides.at(-1) ?? [], null);
    return then(putIn(expr, facts), facts, headOf(sides, facts));
  } catch (error) {
    if (error instanceof Unreadable || error instanceof CannotTell) {
      const { message } = error;
      return { kind: 'refused', why: `${message.charAt(0).toUpperCase()}${message.slice(1)}.` };
    }
    throw error;
  }
}

/** The sides of equations, those left empty left out; all of it where there is none. */
function sidesOf(tokens: readonly Token[]): readonly (readonly Token[])[] {
  const sides: Token[][] = [[]];
  // Behind a comma something else is said.
  const end = tokens.findIndex(({ t }, i) => t === 'comma' && i > 0);
  for (const token of end < 0 ? tokens : tokens.slice(0, end)) {
    if (token.t === 'relation' && /^[=≔≈]$/.test(token.char)) sides.push([]);
    else if (token.t !== 'gap') sides.at(-1)?.push(token);
  }
  return sides.filter((side) => side.length > 0);
}

/** `y` of `y = x^2`, `f(x)` of `f(x) = x^2`. */
function headOf(sides: readonly (readonly Token[])[], { names }: Facts): string | null {
  const [first] = sides;
  const read = first && sides.length > 1 ? readQuietly(first, namedIn(first, names)) : null;
  return read && /^(name|apply|indexed)$/.test(read.kind) ? texOf(read) : null;
}

const namedIn = (side: readonly Token[], names: Names): Names => ({
  ...names,
  functions: new Set([...names.functions, ...headName(side)]),
});

/** Letters that the sheet says the value of are exchanged for it. */
function putIn(expr: Expr, facts: Facts): Expr {
  let result = expr;
  for (let round = 0; round < 8; round++) {
    const names = freeNames(result);
    const next = facts.equations.find((equation) => {
      const name = saysWhatIs(equation);
      return name !== null && names.has(name);
    });
    if (!next || next.left.kind !== 'name') return result;
    result = substitute(result, next.left.name, next.right);
  }
  return result;
}

/** The nodes of a math list that a stretch of the text marks, the innermost list that has them. */
function markedNodes(
  blocks: readonly WrittenBlock[],
  { from, to }: Extent,
): { readonly list: readonly MathNode[]; readonly offset: number } | null {
  const block = blocks.findLast(({ start }) => start <= from);
  if (!block || to <= from) return null;
  const offset = block.start;
  let found: readonly MathNode[] | null = null;
  const look = (value: unknown): void => {
    if (Array.isArray(value)) {
      const list = value as readonly MathNode[];
      const marked = list.filter(
        (node) =>
          typeof node === 'object' &&
          node !== null &&
          'kind' in node &&
          node.from + offset >= from &&
          node.to + offset <= to &&
          node.to > node.from,
      );
      if (marked.length > 0 && MATH_KINDS.has(marked[0]?.kind ?? '')) found = marked;
      else for (const part of value) look(part);
      return;
    }
    if (value === null || typeof value !== 'object' || found) return;
    for (const [key, part] of Object.entries(value))
      if (key !== 'font' && typeof part === 'object') look(part);
  };
  look(block.nodes);
  return found && { list: found, offset };
}

const MATH_KINDS: ReadonlySet<string> = new Set([
  'symbol',
  'operator',
  'scripts',
  'group',
  'fraction',
  'radical',
  'delimited',
  'big',
  'accent',
  'line',
  'array',
  'choice',
]);
