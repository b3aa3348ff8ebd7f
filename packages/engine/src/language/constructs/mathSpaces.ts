import type { MathNode } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { PT } from '../../base/lengths';
import { scanGlue } from '../../expansion/scan';
import type { CommandEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';
import { mathEntry as entry } from './mathEntry';

/** Space in mu; it neither stretches nor shrinks here. */
const mathSpace = (reader: MathReader, token: Token): MathNode => {
  const { width } = scanGlue(reader.p, true);
  return { kind: 'space', mu: width / PT, width: 0, ...reader.span(token) };
};

/** More space in displays than in text. */
function choiceSpace(display: number, other: number, at: { from: number; to: number }): MathNode {
  const space = (mu: number): MathNode[] => [{ kind: 'space', mu, width: 0, ...at }];
  return {
    kind: 'choice',
    lists: {
      display: space(display),
      text: space(other),
      script: space(other),
      scriptscript: space(other),
    },
    ...at,
  };
}

/** `\pmod`, `\mod`, `\pod`: space before them, 18 mu in displays, 8 (or 12) elsewhere (amsmath). */
export function modulus(
  reader: MathReader,
  token: Token,
  { bracketed, word }: { bracketed: boolean; word: boolean },
): MathNode[] {
  const at = reader.it.spanOf(token);
  const named: MathNode[] = word
    ? [
        {
          kind: 'group',
          cls: 'ord',
          limits: false,
          body: [
            { kind: 'operator', char: null, name: 'mod', limits: null, color: reader.color, ...at },
          ],
          ...at,
        },
        { kind: 'space', mu: 6, width: 0, ...at },
      ]
    : [];
  const inner = [...named, ...reader.field(token)];
  const before = choiceSpace(18, bracketed ? 8 : 12, at);
  if (!bracketed) return [before, ...inner];
  return [before, reader.symbol('(', 'open', at), ...inner, reader.symbol(')', 'close', at)];
}

export const mathSpaces: readonly CommandEntry[] = [
  entry('mskip', '', 'Space in mu.', 'a\\mskip 3mu b', mathSpace),
  entry('mkern', '', 'Space in mu.', 'a\\mkern 3mu b', mathSpace),
  entry(
    'nonscript',
    '',
    'The space behind it is left out in indices.',
    'x_{a\\nonscript\\;b}',
    (reader, token) => {
      const nodes: MathNode[] = [];
      const next = reader.p.next();
      if (next) reader.takePart(next, nodes);
      const [only] = nodes;
      if (only?.kind !== 'space') return nodes;
      const lists = { display: nodes, text: nodes, script: [], scriptscript: [] };
      return { kind: 'choice', lists, ...reader.span(token) };
    },
  ),
  entry('pmod', 'm', '(mod n), with space before it.', 'a \\equiv b \\pmod{n}', (reader, token) =>
    modulus(reader, token, { bracketed: true, word: true }),
  ),
  // 5 mu on either side, of which a binary operator brings 4.
  entry('bmod', '', 'mod as an operator between two numbers.', 'a \\bmod b', (reader, token) => {
    const at = reader.span(token);
    const thin: MathNode = { kind: 'space', mu: 1, width: 0, ...at };
    const mod: MathNode = {
      kind: 'operator',
      char: null,
      name: 'mod',
      limits: null,
      color: reader.color,
      ...at,
    };
    return [thin, { kind: 'group', cls: 'bin', limits: false, body: [mod], ...at }, thin];
  }),
];

export const amsSpaces: readonly CommandEntry[] = [
  entry('mod', 'm', 'mod n, with space before it.', 'a \\equiv b \\mod n', (reader, token) =>
    modulus(reader, token, { bracketed: false, word: true }),
  ),
  entry('pod', 'm', '(n), with space before it.', 'a \\equiv b \\pod{n}', (reader, token) =>
    modulus(reader, token, { bracketed: true, word: false }),
  ),
];
