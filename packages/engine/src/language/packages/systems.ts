import { readOptional } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { inTextToo, mathEntry } from '../constructs/mathEntry';
import type { PackageEntry } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';
import type { Interpreter } from '../machine/interpreter';
import { splitAt, trimmed } from '../scanning/optionLists';

/** A term of an equation: its sign, what stands before its letter, and the letter with what belongs to it. */
interface Term {
  readonly sign: readonly Token[];
  readonly body: readonly Token[];
  readonly letter: string | null;
}

interface Equation {
  readonly terms: readonly Term[];
  readonly relation: readonly Token[];
  readonly right: readonly Token[];
}

const isSign = (token: Token): boolean => token.cell === null && /^[+-]$/.test(token.text);
const isRelation = (token: Token): boolean =>
  (token.cell === null && /^[=<>]$/.test(token.text)) ||
  (token.cat === Cat.Command &&
    /^(le|ge|leq|geq|leqslant|geqslant|ne|neq|equiv)$/.test(token.text));

function equationOf(tokens: readonly Token[]): Equation {
  const plain = tokens.filter(({ cat }) => cat !== Cat.Space);
  let depth = 0;
  const at = plain.findIndex((token) => {
    if (token.cat === Cat.Begin) depth++;
    if (token.cat === Cat.End) depth--;
    return depth === 0 && isRelation(token);
  });
  const left = at < 0 ? plain : plain.slice(0, at);
  const terms: Term[] = [];
  let body: Token[] = [];
  let sign: readonly Token[] = [];
  const end = (): void => {
    if (body.length > 0) terms.push({ sign, body, letter: letterIn(body) });
    body = [];
  };
  depth = 0;
  for (const token of left) {
    if (token.cat === Cat.Begin || token.text === '(') depth++;
    if (token.cat === Cat.End || token.text === ')') depth--;
    if (depth === 0 && isSign(token)) {
      end();
      sign = [token];
    } else body.push(token);
  }
  end();
  const [relation, right] = at < 0 ? [[], []] : [plain.slice(at, at + 1), plain.slice(at + 1)];
  return { terms, relation, right };
}

/** The unknown of a term: its last letter, with its index. */
function letterIn(body: readonly Token[]): string | null {
  let letter: string | null = null;
  let index = '';
  body.forEach((token, i) => {
    if (token.cell === null && /^[A-Za-z]$/.test(token.text) && body[i - 1]?.cat !== Cat.Sub) {
      letter = token.text;
      index = '';
    }
    if (token.cat === Cat.Sub)
      index = body
        .slice(i + 1)
        .map(({ text }) => text)
        .join('');
  });
  return letter === null ? null : letter + index;
}

/** Equations below one another, each unknown in a column of its own: in this order, or by the alphabet. */
export function systemTokens(
  it: Interpreter,
  lines: readonly (readonly Token[])[],
  order: readonly string[] = [],
): Token[] {
  const equations = lines.map((line) => equationOf(trimmed(line)));
  const letters = [
    ...new Set(equations.flatMap(({ terms }) => terms.map(({ letter }) => letter ?? ''))),
  ];
  const place = (letter: string): number => (order.includes(letter) ? order.indexOf(letter) : 99);
  const columns = letters
    .filter((letter) => letter !== '')
    .sort((a, b) => place(a) - place(b) || (a < b ? -1 : 1));
  if (letters.includes('')) columns.push('');
  const out: Token[] = it.source(
    `\\begin{array}{@{}${'r@{}c@{}'.repeat(columns.length)}r@{\\;}c@{\\;}l@{}}`,
  );
  equations.forEach(({ terms, relation, right }, row) => {
    if (row > 0) out.push(...it.source('\\\\'));
    let begun = false;
    for (const column of columns) {
      const own = terms.filter(({ letter }) => (letter ?? '') === column);
      const [first] = own;
      const positive = first?.sign[0]?.text !== '-';
      if (first && (begun || !positive))
        out.push(
          ...it.source('{}'),
          ...(begun && positive && first.sign.length === 0 ? it.source('+') : first.sign),
          ...it.source('{}'),
        );
      out.push(...it.source('&'));
      own.forEach(({ sign, body }, i) => out.push(...(i > 0 ? sign : []), ...body));
      out.push(...it.source('&'));
      if (first) begun = true;
    }
    out.push(...it.source('&'), ...relation, ...it.source('&'), ...right);
  });
  return [...out, ...it.source('\\end{array}')];
}

/** systeme: systems of equations. */
export const systeme: PackageEntry = {
  name: 'systeme',
  description: 'Systems of equations, each unknown in its column.',
  options: null,
  commands: [
    inTextToo(
      mathEntry(
        'systeme',
        'om',
        'A system: its equations parted by commas.',
        '$\\systeme{x+y=1,2x-y=3}$',
        (reader, token) => {
          const { it } = reader;
          const star = reader.p.takeChar('*');
          if (star) reader.p.takeChar('*');
          const order = (readOptional(reader.p) ?? []).filter(({ cat }) => cat === Cat.Letter);
          const body = reader.argument(token);
          // What follows in brackets marks the equations; that is not carried out.
          readOptional(reader.p, false);
          reader.p.push([
            ...it.source('\\left\\{'),
            ...systemTokens(
              it,
              splitAt(body, ','),
              order.map(({ text }) => text),
            ),
            ...it.source('\\right.'),
          ]);
          return null;
        },
      ),
    ),
    macroEntry(
      'sysdelim',
      'mm',
      'The brackets of systems; a brace at the left is drawn.',
      '\\sysdelim\\{.',
      '',
    ),
    macroEntry('syseqsep', 'm', 'What parts equations; a comma does.', '\\syseqsep{,}', ''),
    macroEntry(
      'sysautonum',
      'm',
      'Equations are numbered; they are not here.',
      '\\sysautonum{(*)}',
      '',
    ),
  ],
};
