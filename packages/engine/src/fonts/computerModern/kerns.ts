/**
 * The kerns of Computer Modern, in units of its designs (`u#`, a thirty-sixth of a point's share
 * that each size has for itself; Knuth, Computer Modern Typefaces, the ligature programs of the
 * roman and the italic letters). Pairs that are not named have none.
 */
type Kerns = ReadonlyMap<string, number>;

/** The three degrees of moving closer. */
const NEAR = -0.5;
const NEARER = -1.5;
const NEAREST = -2;

/** Letters on the left, letters on the right, and how far; what is said first of a pair holds. */
type Row = readonly [left: string, right: string, by: number];

const ROMAN: readonly Row[] = [
  ['kv', 'a', -1],
  ['kvw', 'eaoc', NEAR],
  ['P', 'A', NEARER],
  ['Py', 'oea', NEAR],
  ['Py', '.,', NEARER],
  ['FVW', 'oruae', NEARER],
  ['FVW', 'A', NEAREST],
  ['FVWKX', 'OCGQ', NEAR],
  ['T', 'y', NEAR],
  ['TY', 'eoraAu', NEARER],
  ['OD', 'XWAVY', NEAR],
  ['hmn', 'tubyvw', NEAR],
  ['c', 'hk', NEAR],
  ['bop', 'x', NEAR],
  ['bop', 'eodcq', 0.5],
  ['bopa', 'v', NEAR],
  ['bopa', 'j', 1],
  ['bopat', 'y', NEAR],
  ['bopatu', 'w', NEAR],
  ['AR', 'tCOGUQ', NEAR],
  ['ARL', 'TY', NEARER],
  ['ARL', 'VW', NEAREST],
  ['g', 'j', 0.5],
  ['I', 'I', 0.5],
  ['’', '?!', 2],
  ['fﬀ', '’?!)]', 1.4],
];

const ITALIC: readonly Row[] = [
  ['bceopr', 'eaodcgq', -1],
  ['dlw', 'l', 1],
  ['n', '’', -2],
  ['fﬀ', '’?!)]', 2],
  ['AR', 'nlrumtiCOGhbUkvwQ', NEAR],
  ['ARL', 'TY', NEARER],
  ['ARL', 'VW', NEAREST],
  ['FVW', 'oruae', NEARER],
  ['FVW', 'A', NEAREST],
  ['FVWKX', 'OCGQ', NEAR],
  ['T', 'y', NEARER],
  ['TY', 'eoraAu', NEARER],
  ['P', 'A', NEARER],
  ['OD', 'XWAVY', NEAR],
  ['’', '?!', 2],
];

/** Without serifs some pairs stand otherwise: these have none, those have one more. */
const SANS: readonly Row[] = [
  ['v', 'aeoc', 0],
  ['kw', 'eaoc', NEAR],
  ['bopa', 'vj', 0],
  ['hmn', 'tubyvw', 0],
  ['R', 'tCOGUQTYVW', 0],
  ['c', 'hk', 0],
  ['bopa', 'r', NEAR],
  ['FVW', 'oruae', NEAR],
  ['FVW', 'A', NEARER],
  ['T', 'y', NEARER],
  ['g', 'j', 1.5],
  ['fﬀ', '’?!)]', 1.5],
  ...ROMAN,
];

/** The letters of mathematics, before the signs of their font that lie low. */
const MATH_ITALIC: readonly Row[] = [
  ['CHKMNSTXZfjrστπΣΠΨ', '.,', -1],
  ['FJPUΓΥ', '.,', -2],
  ['VWY', '.,', -3],
  ['CT', '/', NEAR],
  ['FHJKMPSUZΓΠΣΥΨ', '/', -1],
  ['NX', '/', NEARER],
  ['d', 'Z', -1],
  ['d', 'Y', 1],
  ['d', 'j', -2],
  ['d', 'f', -3],
];

function kernsOf(rows: readonly Row[]): Kerns {
  const kerns = new Map<string, number>();
  for (const [lefts, rights, by] of rows)
    for (const left of lefts)
      for (const right of rights) if (!kerns.has(left + right)) kerns.set(left + right, by);
  return kerns;
}

export const ROMAN_KERNS = kernsOf(ROMAN);
export const ITALIC_KERNS = kernsOf(ITALIC);
export const MATH_ITALIC_KERNS = kernsOf(MATH_ITALIC);
export const SANS_KERNS = kernsOf(SANS);
