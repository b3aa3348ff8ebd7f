import type { Fix, RawFinding } from '../findings/finding';
import { environmentsOf } from '../source/environmentKinds';
import { partnerOf, partsNamed, type Shape } from '../source/shape';
import type { SessionBlock } from './block';
import { spansIn } from './formulaSpans';
import { withoutPictures } from './visibleSource';

/** What formulas say that was most likely meant otherwise, as their source tells: signs put together from others, braces that print nothing, rows. */
export function formulaAdvice(shape: Shape, text: string, block: SessionBlock): RawFinding[] {
  const formulas = formulasIn(shape.text, block);
  return [
    ...formulas.flatMap(({ from, source }) => signsMeant(from, source)),
    ...formulas.flatMap(({ from, source }) => anglesMeant(from, source)),
    ...formulas.flatMap(({ from, source }) => slashBelow(from, source)),
    ...formulas.flatMap(({ from, source }) => bracesLost(from, source, SET_IN_FORMULA)),
    ...bracesLost(0, withoutPictures(text), SET_IN_TEXT),
    ...rowsRunOn(shape),
    ...unalignedRows(shape),
  ];
}

interface Formula {
  readonly from: number;
  readonly source: string;
}

/** Environments with keys and arrows of their own, by any of the packages that draw. */
const DRAWN = ['tikz\\w*', 'xy', 'diagram', 'codi', ...environmentsOf('picture')].join('|');

/** Words within a formula, formulas of chemistry, pictures and steps of slides are none of its signs. */
const NO_SIGNS = new RegExp(
  [
    String.raw`\\(?:text[a-z]*|mbox|intertext|label|tag|operatorname|ce|cf|chemfig|tikz|xymatrix)\*?\s*(?:\[[^\]]*\])?\{(?:[^{}]|\{(?:[^{}]|\{[^{}]*\})*\})*\}`,
    String.raw`\\begin\{(${DRAWN})\}[\s\S]*?\\end\{\1\}`,
    String.raw`\\tikz\b[^;{]*(?:\{[^{}]*\}[^;{]*)*;`,
    String.raw`<[\d+.][\d+.,\-|@a-z:]*>`,
  ].join('|'),
  'g',
);
/** A formula with its own marks: one that came about in a command stands for the whole call. */
const MARKED = /^(?:\$|\\\(|\\\[|\\begin\{(?!tikz))/;

function formulasIn(plain: string, block: SessionBlock): Formula[] {
  const spans = spansIn(block.reading.nodes);
  return Array.from({ length: spans.length >> 1 }, (_, i) => {
    const [from = 0, to = 0] = spans.slice(2 * i, 2 * i + 2);
    const source = plain.slice(from, to);
    return { from, source: source.replace(NO_SIGNS, (words) => ' '.repeat(words.length)) };
  }).filter(({ source }) => MARKED.test(source));
}

const change = (title: string, edits: Fix['edits']): Fix => ({ title, edits });

/** Signs that keyboards lack, as they are typed, and the commands that were meant; the longer ones first. */
const TYPED: readonly (readonly [pattern: RegExp, command: string])[] = [
  [/<=+>/g, '\\iff'],
  [/<-+>/g, '\\leftrightarrow'],
  [/\|-+>/g, '\\mapsto'],
  [/-+>/g, '\\to'],
  [/=+>/g, '\\Rightarrow'],
  [/<=/g, '\\leq'],
  [/>=/g, '\\geq'],
  [/(?<=\s)!=/g, '\\neq'],
  [/(?<=(?<![_^\w.])[\d.]+\s*)\*(?=\s*\d)/g, '\\cdot'],
  [/(?<=\d)\^(?:o(?![A-Za-z])|\{o\})/g, '^{\\circ}'],
];

function signsMeant(start: number, source: string): RawFinding[] {
  const taken: RawFinding[] = [];
  for (const [pattern, command] of TYPED)
    for (const { index, 0: typed } of source.matchAll(pattern)) {
      const [from, to] = [start + index, start + index + typed.length];
      if (taken.some((one) => from < one.to && one.from < to)) continue;
      const behind = /^[A-Za-z]/.test(source.slice(index + typed.length)) ? ' ' : '';
      const text = command.endsWith('}') ? command : command + behind;
      const fix = change(`Write ${command}`, [{ from, to, text }]);
      taken.push({ code: 'sign-typed', from, to, args: { typed, command }, fix });
    }
  return taken;
}

/** `<u,v>`: relations set as brackets, where nothing stands before the first. */
const ANGLES =
  /(?<=(?:^\$+|^\\[([]|[=+\-(,&]|\\(?:left|big[lr]?))\s*)<([^<>=$&]{1,30}[,|][^<>=$&]{1,30})>/g;

const anglesMeant = (start: number, source: string): RawFinding[] =>
  [...source.matchAll(ANGLES)].map(({ index, 0: typed, 1: inner = '' }) => {
    const [from, to] = [start + index, start + index + typed.length];
    const command = `\\langle ${inner.trim()} \\rangle`;
    const fix = change('Write \\langle … \\rangle', [{ from, to, text: command }]);
    return { code: 'sign-typed', from, to, args: { typed, command }, fix };
  });

/** `\frac{a}/b`: the sign is all that is below. */
const SLASH_BELOW =
  /\\[dt]?frac\s*\{(?:[^{}]|\{[^{}]*\})*\}(\s*([/+=])\s*(\d+|[A-Za-z](?![A-Za-z])|\{[^{}]*\})?)/g;

const slashBelow = (start: number, source: string): RawFinding[] =>
  [...source.matchAll(SLASH_BELOW)].map(
    ({ index, 0: whole, 1: rest = '', 2: sign = '', 3: below }) => {
      const to = start + index + whole.length;
      const from = to - rest.length;
      const text = below?.startsWith('{') ? below : `{${below ?? ''}}`;
      const fix =
        sign === '/' ? { fix: change('Put below what follows', [{ from, to, text }]) } : {};
      return { code: 'sign-below', from, to, args: { sign }, ...fix };
    },
  );

const ITEMS = String.raw`\{(\s*(?:-?\w+|\\[A-Za-z]+|\.\.\.)(?:\s*,\s*(?:-?\w+|\\[A-Za-z]+|\.\.\.))+\s*)\}`;
/** Elements of a set behind a relation or an operation of sets. */
const SET_IN_FORMULA = new RegExp(
  String.raw`(?<=(?:=|\\(?:not)?in|\\(?:sub|sup)set(?:eq|neq)?|\\cup|\\cap|\\setminus|\\ni|\\times)\s*)${ITEMS}`,
  'g',
);
/** Numbers or letters in braces between words. */
const SET_IN_TEXT =
  /(?<=[a-z]\s)\{(\s*-?(?:\d+|[A-Za-z])(?:\s*,\s*(?:-?(?:\d+|[A-Za-z])|\\dots|\\ldots|\.\.\.))+\s*)\}/g;
/** A command, or a list that a command goes through, takes what stands in braces. */
const TAKEN = /\\[A-Za-z@_:]+\*?(?:[^\S\n]*|[^\n]*\bin[^\S\n]*)$/;

function bracesLost(start: number, source: string, pattern: RegExp): RawFinding[] {
  return [...source.matchAll(pattern)].flatMap(({ index, 0: whole }) => {
    if (pattern === SET_IN_TEXT && TAKEN.test(source.slice(Math.max(0, index - 80), index)))
      return [];
    const from = start + index;
    const to = from + whole.length;
    const fix = change('Write \\{…\\}', [
      { from, to: from, text: '\\' },
      { from: to - 1, to: to - 1, text: '\\' },
    ]);
    return [{ code: 'braces-lost' as const, from, to, args: {}, fix }];
  });
}

const MATRIX =
  /^(?:[pbBvV]?(?:small)?matrix\*?|cases|array|aligned|alignedat|align\*?|eqnarray\*?)$/;

/** A row that goes on over lines with as many `&` in each: the `\\` between them was forgotten. */
function rowsRunOn(shape: Shape): RawFinding[] {
  return rowsOf(shape, MATRIX).flatMap(({ name, from, text }) => {
    const lines = linesOf(from, text);
    const counts = lines.map(({ source }) => (source.match(/(?<!\\)&/g) ?? []).length);
    const [most = 0] = counts;
    if (lines.length < 2 || most === 0 || counts.some((count) => count !== most)) return [];
    if (
      /[pbBvV]?(?:small)?matrix|array|cases/.test(name) &&
      /(?:&|^&)\s*$/.test(lines[0]?.source ?? '')
    )
      return [];
    const [first] = lines;
    const end = first ? first.from + first.source.trimEnd().length : from;
    const fix = change(
      'End the row',
      lines.slice(0, -1).map((line) => {
        const at = line.from + line.source.trimEnd().length;
        return { from: at, to: at, text: ' \\\\' };
      }),
    );
    return [{ code: 'row-runs-on' as const, from: end - 1, to: end, args: { name }, fix }];
  });
}

const ALIGNS = /^(?:align|aligned|flalign)\*?$/;
const RELATION =
  /(?:(?<![<>=!])[=<>]|\\(?:leq?|geq?|neq?|equiv|approx|sim|implies|iff)(?![A-Za-z]))/;

/** Two and more rows of an alignment with a relation in each and no `&` in any. */
function unalignedRows(shape: Shape): RawFinding[] {
  const all = rowsOf(shape, ALIGNS);
  return partsNamed(shape, 'begin').flatMap((begin) => {
    const end = ALIGNS.test(begin.name) ? partnerOf(shape, begin) : null;
    if (!end) return [];
    const body = shape.text.slice(begin.to, end.from);
    if (/[&{]\s*(?:aligned|cases|array)|(?<!\\)&|\\begin/.test(body)) return [];
    const rows = all.filter(({ from }) => from >= begin.to && from <= end.from);
    const full = rows.filter(({ text }) => text.trim() !== '');
    const places = full.map(({ from, text }) => {
      const at = text.search(RELATION);
      return at < 0 || /\{[^{}]*$/.test(text.slice(0, at)) ? -1 : from + at;
    });
    if (full.length < 2 || places.some((at) => at < 0)) return [];
    const fix = change(
      'Align the rows there',
      places.map((at) => ({ from: at, to: at, text: '&' })),
    );
    const args = { name: begin.name };
    return [{ code: 'rows-unaligned' as const, from: begin.from, to: begin.to, args, fix }];
  });
}

interface Row {
  readonly name: string;
  readonly from: number;
  readonly text: string;
}

/** The rows of the innermost environments of these names. */
function rowsOf(shape: Shape, names: RegExp): Row[] {
  return partsNamed(shape, 'begin').flatMap((begin) => {
    const end = names.test(begin.name) ? partnerOf(shape, begin) : null;
    if (!end) return [];
    const inside = shape.text.slice(begin.to, end.from);
    if (inside.includes('\\begin')) return [];
    let from = begin.to;
    return inside.split(/(\\\\\*?(?:\[[^\]\n]*\])?)/).flatMap((text, i): Row[] => {
      const row = { name: begin.name, from, text };
      from += text.length;
      return i % 2 === 0 ? [row] : [];
    });
  });
}

function linesOf(from: number, text: string): Formula[] {
  let at = from;
  return text.split('\n').flatMap((source) => {
    const line = { from: at, source };
    at += source.length + 1;
    const isRule = /^\s*\\(?:hline|midrule|toprule|bottomrule|label|nonumber|notag)/.test(source);
    return source.trim() === '' || isRule ? [] : [line];
  });
}
