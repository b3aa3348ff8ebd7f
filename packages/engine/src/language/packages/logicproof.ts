import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { environmentTokens } from '../machine/environmentTokens';
import { type EnvironmentEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { groupsIn, trimmed } from '../scanning/optionLists';

/** A line of a proof: its formula, its reason, its labels, and how many boxes it stands in. */
interface ProofLine {
  readonly formula: readonly Token[];
  readonly reason: readonly Token[];
  readonly labels: readonly Token[];
  readonly depth: number;
  /** How many boxes begin above it. */
  readonly opens: number;
}

const isCommand = (token: Token | undefined, name: string): boolean =>
  token?.cell != null && token.text === name;

/** The lines of a proof; `subproof` stands around those of a box. */
function linesOf(tokens: readonly Token[]): ProofLine[] {
  const out: ProofLine[] = [];
  let cells: Token[][] = [[]];
  let labels: Token[] = [];
  let [depth, opens, braces] = [0, 0, 0];
  const put = (): void => {
    const [formula = [], reason = []] = cells.map((cell) => trimmed(cell));
    if (formula.length + reason.length > 0) {
      out.push({ formula, reason, labels, depth, opens });
      opens = 0;
    }
    [cells, labels] = [[[]], []];
  };
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i] as Token;
    const named = tokens.slice(i + 1);
    const group = groupsIn(named)[0] ?? [];
    const length = group.length + 2;
    const isBox = group.map(({ text }) => text).join('') === 'subproof';
    if (braces === 0 && isBox && (isCommand(token, 'begin') || isCommand(token, 'end'))) {
      put();
      if (token.text === 'begin') [depth, opens] = [depth + 1, opens + 1];
      else depth = Math.max(0, depth - 1);
      i += length;
    } else if (braces === 0 && isCommand(token, 'label')) {
      labels.push(token, ...named.slice(0, length));
      i += length;
    } else if (braces === 0 && isCommand(token, '\\')) put();
    else if (braces === 0 && token.cat === Cat.Tab) cells.push([]);
    else {
      if (token.cat === Cat.Begin) braces++;
      if (token.cat === Cat.End) braces--;
      cells.at(-1)?.push(token);
    }
  }
  put();
  return out;
}

/** A proof as a table: a column for each bar of a box at the left and at the right, rules above and below the boxes. */
function tableOf(it: Interpreter, lines: readonly ProofLine[], deepest: number): Token[] {
  const last = 2 * deepest + 3;
  const edge = (level: number): string => `\\cline{${1 + level}-${last + 1 - level}}`;
  const bars = (depth: number, side: '|c' | 'c|'): string =>
    Array.from({ length: deepest }, (_, i) => {
      const level = side === '|c' ? i + 1 : deepest - i;
      return level <= depth ? `\\multicolumn{1}{${side}}{}` : '';
    }).join('&');
  const out: Token[] = [
    ...it.source(
      `\\begin{center}\\setcounter{lp@line}{0}\\tabcolsep3pt \\begin{tabular}{r${'c'.repeat(deepest)}ll${'c'.repeat(deepest)}}`,
    ),
  ];
  lines.forEach((line, i) => {
    const { formula, reason, labels, depth, opens } = line;
    for (let level = depth - opens + 1; level <= depth; level++)
      out.push(...it.source(edge(level)));
    out.push(...it.source('\\refstepcounter{lp@line}\\thelp@line.'), ...labels);
    if (deepest > 0) out.push(...it.source(`&${bars(depth, '|c')}`));
    out.push(...it.source('&$'), ...formula, ...it.source('$&\\quad '), ...reason);
    if (deepest > 0) out.push(...it.source(`&${bars(depth, 'c|')}`));
    out.push(...it.source('\\\\'));
    const next = lines[i + 1];
    const stays = next ? next.depth - next.opens : 0;
    for (let level = depth; level > stays; level--) out.push(...it.source(edge(level)));
    // A box right below another keeps off it.
    if (stays === 0 && next && next.opens > 0 && depth > 0)
      out.push(...it.source('\\noalign{\\vskip3pt}'));
  });
  return [...out, ...it.source('\\end{tabular}\\end{center}')];
}

const logicProof: EnvironmentEntry = {
  name: 'logicproof',
  signature: 'm',
  description: 'A proof in numbered lines, formula and reason; boxes within it are subproofs.',
  example:
    '\\begin{logicproof}{1}\np \\land q & premise\\\\\n\\begin{subproof}\nr & assumption\\\\\np & $\\land$e 1\n\\end{subproof}\nr \\to p & $\\to$i 2--3\n\\end{logicproof}',
  begin: (it, args) => {
    const lines = linesOf(environmentTokens(it, 'logicproof'));
    const asked = parseInt(textOf(it.p, tokensOf(args, 0)), 10) || 0;
    const deepest = Math.max(asked, ...lines.map(({ depth }) => depth), 0);
    it.endParagraph();
    it.p.push([...tableOf(it, lines, deepest), ...it.source('\\end{logicproof}')]);
  },
};

/** logicproof: proofs in boxes, as courses on logic write them. */
export const logicproof: PackageEntry = {
  name: 'logicproof',
  description: 'Proofs in numbered lines, with boxes for what is assumed.',
  options: [],
  environments: [logicProof],
  source: '\\newcounter{lp@line}',
};
