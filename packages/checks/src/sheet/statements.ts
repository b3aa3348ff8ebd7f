import type { Token } from '../reading/tokens';
import type { Formula, Piece, Row } from './pieces';

/**
 * What is said in formulas: sides with the relations between them, in one line, over rows, or from one
 * formula to the next. `said` are the words before, `after` those behind.
 */
export interface Statement {
  readonly sides: readonly (readonly Token[])[];
  readonly signs: readonly RelationToken[];
  /** What all `≡` of it count modulo. */
  readonly modulus: readonly Token[] | null;
  /** What stands before the first side, parted by commas: `a, b > 0`. */
  readonly beside: readonly (readonly Token[])[];
  readonly said: string;
  readonly after: string;
  /** Words or signs in the formula itself say that it is a condition. */
  readonly condition: boolean;
  /** Number of the scope: what is assumed holds within it. */
  readonly scope: number;
  readonly paragraph: number;
  readonly display: boolean;
  /** Where the block starts in which it begins. */
  readonly offset: number;
  readonly from: number;
  readonly to: number;
}

export type RelationToken = Extract<Token, { t: 'relation' }>;

/** Relations that part statements instead of joining sides. */
const PARTS = /^(⟹|⟺|→|⟸|⇐|↔|⟶|⊢|⊨|↦|∴|∵|\\implies)$/;

interface Open {
  sides: Token[][];
  signs: RelationToken[];
  modulus: readonly Token[] | null;
  beside: readonly (readonly Token[])[];
  said: string;
  after: string;
  condition: boolean;
  scope: number;
  paragraph: number;
  display: boolean;
  offset: number;
}

/** The statements of a sheet in the order of its text. */
export function statementsOf(pieces: readonly Piece[]): readonly Statement[] {
  const all: Open[] = [];
  let [scope, paragraph, said] = [0, 0, ''];
  for (const piece of pieces) {
    if (piece.kind === 'break') {
      if (piece.what !== 'paragraph') scope++;
      paragraph++;
      said = '';
      continue;
    }
    if (piece.kind === 'words') {
      said += piece.text;
      for (const open of all.slice(-2))
        if (open.paragraph >= paragraph - 1) open.after += piece.text;
      continue;
    }
    const formula = formulaStatements(piece, { said, scope, paragraph }, all.at(-1) ?? null);
    all.push(...formula);
    said += formula.length || piece.display ? ' $ ' : '$';
    for (const open of all.slice(-3, -formula.length || undefined)) open.after += ' $ ';
  }
  return all.filter(({ signs }) => signs.length > 0).map(closed);
}

function closed(open: Open): Statement {
  const tokens = [...open.sides.flat(), ...open.signs];
  return {
    ...open,
    from: Math.min(...tokens.map(({ from }) => from)),
    to: Math.max(...tokens.map(({ to }) => to)),
  };
}

interface Around {
  readonly said: string;
  readonly scope: number;
  readonly paragraph: number;
}

function formulaStatements(formula: Formula, around: Around, before: Open | null): Open[] {
  const made: Open[] = [];
  for (const rows of formula.strands) {
    let last: Open | null = goesOn(before, around) ? before : null;
    for (const row of rows) last = rowStatements(row, formula, around, last, made);
  }
  return made;
}

/** A chain may go on in the next formula of its paragraph, or of the next one. */
const goesOn = (before: Open | null, { scope, paragraph }: Around): boolean =>
  before !== null && before.scope === scope && paragraph - before.paragraph <= 1;

/** A colon between values divides; one behind a letter alone begins the declaration of a function. */
function withDivision(row: Row): Row {
  const arrow = row.some((token) => token.t === 'relation' && /^(→|↦)$/.test(token.char));
  if (arrow) return row;
  return row.map((token, i) => {
    const [before, next] = [row[i - 1], row[i + 1]];
    const parts = token.t === 'relation' && token.char === ':';
    if (!parts || !before || !next || before.t === 'relation' || next.t === 'relation')
      return token;
    return { ...token, t: 'sign', char: '÷' } as Token;
  });
}

interface Segment {
  readonly tokens: readonly Token[];
  readonly condition: boolean;
}

function rowStatements(
  written: Row,
  formula: Formula,
  around: Around,
  last: Open | null,
  made: Open[],
): Open | null {
  const row = withDivision(written);
  let open = last;
  let beside: (readonly Token[])[] = [];
  segments(row).forEach(({ tokens, condition }, i) => {
    const first = tokens[0];
    const goes = i === 0 && open !== null && !condition;
    if (goes && open && first?.t === 'relation') return extend(open, tokens);
    const here = open !== null && made.includes(open);
    if (goes && open && here && (startsWithSign(first) || endsOpen(open))) {
      return extend(open, tokens);
    }
    if (!tokens.some(({ t }) => t === 'relation')) {
      beside.push(tokens);
      return undefined;
    }
    const begun = begin(tokens, formula, around, condition, beside);
    beside = [];
    made.push(begun);
    if (!condition) open = begun;
    return undefined;
  });
  return open;
}

const startsWithSign = (token: Token | undefined): boolean =>
  token?.t === 'sign' && /^[-+±∓⋅×*/]$/.test(token.char);

const endsOpen = ({ sides }: Open): boolean => {
  const side = sides.at(-1) ?? [];
  const end = side.at(-1);
  return side.length === 0 || (end?.t === 'sign' && /^[-+⋅×*/]$/.test(end.char));
};

function begin(
  tokens: readonly Token[],
  formula: Formula,
  around: Around,
  condition: boolean,
  beside: readonly (readonly Token[])[],
): Open {
  const open: Open = {
    beside,
    sides: [[]],
    signs: [],
    modulus: null,
    after: '',
    condition,
    display: formula.display,
    offset: formula.offset,
    ...around,
  };
  extend(open, tokens);
  return open;
}

/** Adds what stands in a row to the statement it goes on with. */
function extend(open: Open, tokens: readonly Token[]): void {
  const { rest, modulus } = withoutModulus(tokens);
  if (modulus) open.modulus = modulus;
  for (const token of rest) {
    if (token.t === 'relation') {
      // A relation repeated at a line break is one.
      if (open.signs.length && open.sides.at(-1)?.length === 0) continue;
      open.signs.push(token);
      open.sides.push([]);
    } else open.sides.at(-1)?.push(token);
  }
}

/** `(mod n)` or `mod n` at the end, with what it counts. */
function withoutModulus(tokens: readonly Token[]): {
  readonly rest: readonly Token[];
  readonly modulus: readonly Token[] | null;
} {
  const isMod = (token: Token | undefined): boolean =>
    (token?.t === 'word' && token.name === 'mod') || (token?.t === 'text' && token.words === 'mod');
  for (let i = tokens.length - 1; i >= 0; i--) {
    const token = tokens[i] as Token;
    if (token.t === 'bracket' && isMod(token.inner[0])) {
      const rest = [...tokens.slice(0, i), ...tokens.slice(i + 1)];
      return { rest, modulus: token.inner.slice(1) };
    }
    if (isMod(token)) return { rest: tokens.slice(0, i), modulus: tokens.slice(i + 1) };
  }
  return { rest: tokens, modulus: null };
}

const CONDITION_WORDS =
  /^\W*(for|if|where|when|with|provided|since|as|because|whenever|unless|assuming|by)\b/i;

/** A row parted where commas, wide gaps, words or arrows part what is said. */
function segments(row: Row): readonly Segment[] {
  const parts: { tokens: Token[]; condition: boolean }[] = [{ tokens: [], condition: false }];
  let condition = false;
  const next = (): void => {
    if (parts.at(-1)?.tokens.length) parts.push({ tokens: [], condition });
    else parts[parts.length - 1] = { tokens: [], condition };
  };
  row.forEach((token, i) => {
    if (token.t === 'text') {
      // Words between the signs of one side belong to it: it is not read.
      condition =
        CONDITION_WORDS.test(token.words) || (condition && !/^\W*(and|or)?\W*$/.test(token.words));
      if (/^\W*(so|then|hence|thus|therefore|gives|i\.e\.|and|or)\b/i.test(token.words))
        condition = false;
      return next();
    }
    if (token.t === 'comma' && /^[,;.]$/.test(token.char)) return next();
    if (token.t === 'comma' && token.char === ':') return next();
    if (token.t === 'relation' && PARTS.test(token.char)) return next();
    if (token.t === 'sign' && /^[∀∃∧∨∴∵]$/.test(token.char)) {
      condition = condition || token.char === '∀';
      return next();
    }
    if (token.t === 'gap') {
      // A gap before a relation is only space.
      return parted(row, i) ? next() : undefined;
    }
    if (isAside(token) && !isCalled(row[i - 1])) {
      parts.push({ tokens: [...(token as { inner: readonly Token[] }).inner], condition: true });
      parts.push({ tokens: [], condition });
      return undefined;
    }
    parts.at(-1)?.tokens.push(token);
    return undefined;
  });
  return parts.filter(({ tokens }) => tokens.length > 0);
}

function parted(row: Row, at: number): boolean {
  const next = row.slice(at + 1).find(({ t }) => t !== 'gap');
  const isMod = next?.t === 'word' && next.name === 'mod';
  const isModBracket =
    next?.t === 'bracket' && next.inner[0]?.t === 'word' && next.inner[0].name === 'mod';
  return !(next?.t === 'relation' || startsWithSign(next) || isMod || isModBracket);
}

/** `P(X = 1)`: the bracket belongs to the letter before it. */
const isCalled = (before: Token | undefined): boolean =>
  before?.t === 'letter' || before?.t === 'word';

/** A bracket that holds a relation is a remark: `(x > 0)`. */
const isAside = (token: Token): boolean =>
  token.t === 'bracket' &&
  token.open === '(' &&
  token.inner.some((inner) => inner.t === 'relation' && !/^(→)$/.test(inner.char)) &&
  !(token.inner[0]?.t === 'word' && token.inner[0].name === 'mod');
