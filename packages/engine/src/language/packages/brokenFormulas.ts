import type { Sp } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { type CommandEntry, type EnvironmentEntry, type PackageEntry } from '../machine/entries';
import { environmentTokens, formulaTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';
import { mathEntry } from '../constructs/mathEntry';
import { unspaced } from '../scanning/optionLists';
import { CHARACTERS, CLASS_OF_COMMAND } from '../symbols/symbols';

const OPENING = new Set(['left', 'bigl', 'Bigl', 'biggl', 'Biggl', '{', 'lbrace', 'langle']);
const CLOSING = new Set(['right', 'bigr', 'Bigr', 'biggr', 'Biggr', '}', 'rbrace', 'rangle']);

type Kind = 'rel' | 'bin';

/** A stretch of a formula, and the sign that it begins with. */
interface Stretch {
  readonly kind: Kind | null;
  readonly tokens: readonly Token[];
}

/** What a sign of a formula is where it may be broken before it. */
function kindOf(token: Token): Kind | null {
  const cls =
    token.cat === Cat.Command ? CLASS_OF_COMMAND.get(token.text) : CHARACTERS[token.text]?.[1];
  return cls === 'rel' || cls === 'bin' ? cls : null;
}

/** How much deeper the formula is behind a token. */
function deeper(token: Token): number {
  if (token.cat === Cat.Begin) return 1;
  if (token.cat === Cat.End) return -1;
  if (token.cat === Cat.Command)
    return OPENING.has(token.text) ? 1 : CLOSING.has(token.text) ? -1 : 0;
  return token.text === '(' || token.text === '['
    ? 1
    : token.text === ')' || token.text === ']'
      ? -1
      : 0;
}

/** The formula cut before its outermost relations and operators. */
export function stretchesOf(tokens: readonly Token[]): Stretch[] {
  const out: { kind: Kind | null; tokens: Token[] }[] = [{ kind: null, tokens: [] }];
  let depth = 0;
  for (const token of tokens) {
    const kind = depth === 0 ? kindOf(token) : null;
    const last = out.at(-1);
    const isSign = last?.tokens.every(({ cat }) => cat === Cat.Space) ?? true;
    // A sign at the head of a stretch belongs to it: `= -x`.
    if (kind && !isSign && !(kind === 'bin' && onlySign(last?.tokens ?? [])))
      out.push({ kind, tokens: [token] });
    else last?.tokens.push(token);
    depth = Math.max(0, depth + deeper(token));
  }
  return out;
}

const onlySign = (tokens: readonly Token[]): boolean => {
  const solid = unspaced(tokens);
  return solid.length === 1 && kindOf(solid[0] as Token) !== null;
};

/** Lines of a formula: each a left side and what stands behind the place where all are aligned. */
export interface BrokenLine {
  readonly before: readonly Token[];
  readonly behind: readonly Token[];
  /** It goes on with an operator: it stands further in. */
  readonly further: boolean;
}

/**
 * Breaks a formula that is wider than the text before its relations, and before its operators
 * where one of these lines is still too wide.
 */
export function brokenLines(
  tokens: readonly Token[],
  width: Sp,
  measure: (tokens: readonly Token[]) => Sp,
): BrokenLine[] {
  const stretches = stretchesOf(tokens);
  const firstRelation = stretches.findIndex(({ kind }) => kind === 'rel');
  const head = stretches.slice(0, Math.max(firstRelation, 0)).flatMap((one) => [...one.tokens]);
  const rest = stretches.slice(Math.max(firstRelation, 0));
  const lines: { behind: Token[]; further: boolean }[] = [];
  const room = width - measure(head);
  for (const { kind, tokens: own } of rest) {
    const last = lines.at(-1);
    const isNew = !last || kind === 'rel' || measure([...last.behind, ...own]) > room;
    if (isNew) lines.push({ behind: [...own], further: kind === 'bin' && last !== undefined });
    else last.behind.push(...own);
  }
  return lines.map(({ behind, further }, i) => ({ before: i === 0 ? head : [], behind, further }));
}

/** Room that the number of a formula takes, in em. */
const FOR_NUMBER = 4;

/** A formula in lines for `split` and its kin; as it is where it fits. */
function inLines(it: Interpreter, tokens: readonly Token[]): Token[] {
  const { p } = it;
  const dollar = p.make(Cat.Math, '$');
  const display = p.command('displaystyle');
  const measure = (part: readonly Token[]): Sp =>
    it.host.measure(it.inlinesOf([dollar, display, ...part, dollar])).width;
  const width = it.dimen('linewidth') - FOR_NUMBER * it.em;
  if (measure(tokens) <= width) return [...tokens];
  return brokenLines(tokens, width, measure).flatMap(({ before, behind, further }, i) => [
    ...(i > 0 ? it.source('\\\\') : []),
    ...before,
    ...it.source(further ? '&\\quad{}' : '&'),
    ...behind,
  ]);
}

const display = (name: string, outer: string, description: string): EnvironmentEntry => ({
  name,
  signature: 'o',
  package: 'breqn',
  description,
  example: `\\begin{${name}}\na = b + c + d\n\\end{${name}}`,
  begin: (it) => {
    const body = environmentTokens(it, name);
    closeNamed(it, name);
    it.p.push([
      ...it.source(`\\begin{${outer}}\\begin{split}`),
      ...inLines(it, unspaced(body)),
      ...it.source(`\\end{split}\\end{${outer}}`),
    ]);
  },
});

const hidden: readonly CommandEntry[] = [
  {
    ...mathEntry(
      'hiderel',
      'm',
      'A relation before which no line is broken.',
      'a\\hiderel{=}b',
      ({ it, p }, token) => {
        const args = it.readArguments('M', token);
        p.push([...it.source('\\mathrel{'), ...((args?.[0] as Token[]) ?? []), ...it.source('}')]);
        return null;
      },
    ),
    package: 'breqn',
  },
  {
    ...mathEntry(
      'condition',
      'sm',
      'Where a formula holds, behind it.',
      'x > 0\\condition{for $x$ real}',
      ({ it, p }, token) => {
        const args = it.readArguments('sM', token);
        p.push([
          ...it.source(',\\quad\\text{'),
          ...((args?.[1] as Token[]) ?? []),
          ...it.source('}'),
        ]);
        return null;
      },
    ),
    package: 'breqn',
  },
];

/** breqn: displays that are broken into lines by themselves. */
export const breqn: PackageEntry = {
  name: 'breqn',
  description:
    'Displays that are broken into lines by themselves, at their relations and operators.',
  options: null,
  requires: ['amsmath'],
  commands: hidden,
  environments: [
    display('dmath', 'equation', 'A numbered formula, broken where it is too wide.'),
    display('dmath*', 'equation*', 'A formula without a number, broken where it is too wide.'),
    ...['dgroup', 'dgroup*'].map((name): EnvironmentEntry => ({
      name,
      signature: 'o',
      package: 'breqn',
      description: 'Several formulas that are broken where they are too wide.',
      example: `\\begin{${name}}\n\\begin{dmath} a = b \\end{dmath}\n\\begin{dmath} c = d \\end{dmath}\n\\end{${name}}`,
      begin: () => undefined,
    })),
  ],
};

/** autobreak: lines of align that are broken where they are too wide. */
export const autobreak: PackageEntry = {
  name: 'autobreak',
  description: 'Formulas of align that are broken where they are too wide.',
  options: null,
  requires: ['amsmath'],
  environments: [
    {
      name: 'autobreak',
      signature: '',
      package: 'autobreak',
      description: 'A formula of align, broken where it is too wide.',
      example: '\\begin{autobreak} a = b + c \\end{autobreak}',
      math: (reader, token) => {
        const { it, p, rowMarks } = reader;
        const body = unspaced(formulaTokens(reader, 'autobreak', token));
        const hasRows = body.some(({ cat, text }) => cat === Cat.Tab || text === '\\');
        const lines = hasRows ? body : inLines(it, body);
        // In rows of a display its lines are theirs; elsewhere they are a formula of their own.
        const aligned = [
          ...it.source('{\\begin{aligned}'),
          ...lines,
          ...it.source('\\end{aligned}}'),
        ];
        p.push(rowMarks && !hasRows ? lines : aligned);
        return null;
      },
    },
  ],
  source: '\\newcommand\\everybeforeautobreak[1]{}\\newcommand\\MoveEqLeftAutoBreak{}',
};
