import { readOptional } from '../../expansion/arguments';
import { STOP, type Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { mathEntry } from '../constructs/mathEntry';
import type { CommandEntry, PackageEntry } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';
import type { MathReader } from '../machine/mathReader';

/** A group in braces that stands here, or null; one that does not is left alone. */
function groupHere(reader: MathReader, caller: Token): readonly Token[] | null {
  const { p } = reader;
  const next = p.next();
  if (next) p.unread(next);
  return next?.cat === Cat.Begin ? reader.argument(caller) : null;
}
const starHere = (reader: MathReader): boolean => reader.p.takeCharHere('*');

/** `\dv[2]{f}{x}`, `\dv{x}`: a derivative, as a fraction or with a star behind a stroke. */
function derivative(name: string, sign: string, what: string, example: string): CommandEntry {
  return mathEntry(name, '', what, example, (reader, token) => {
    const { p, it } = reader;
    const star = starHere(reader);
    const order = readOptional(p, false);
    const first = groupHere(reader, token) ?? [];
    const second = groupHere(reader, token);
    const third = second && name === 'pdv' ? groupHere(reader, token) : null;
    const d = it.source(sign);
    const raised = order
      ? [p.make(Cat.Super, '^'), p.make(Cat.Begin, '{'), ...order, p.make(Cat.End, '}')]
      : [];
    const variable = second ?? first;
    const above = [...d, ...(third ? it.source('^{2}') : raised), ...(second ? first : [])];
    const below = third ? [...d, ...variable, ...d, ...third] : [...d, ...variable, ...raised];
    const group = (tokens: readonly Token[]): Token[] => [
      p.make(Cat.Begin, '{'),
      ...tokens,
      p.make(Cat.End, '}'),
    ];
    p.push(
      star
        ? group([...above, ...p.chars('/'), ...below])
        : [p.command('frac'), ...group(above), ...group(below)],
    );
    return null;
  });
}

/** Brackets around an argument, growing with it; with a star they keep their size. */
const bracketed = (name: string, open: string, close: string, what: string): CommandEntry =>
  mathEntry(name, '', what, `\\${name}{x}`, (reader, token) => {
    const { p, it } = reader;
    const small = starHere(reader);
    const inner = groupHere(reader, token) ?? [];
    const grow = (side: 'left' | 'right'): Token[] => (small ? [] : [p.command(side)]);
    p.push([...grow('left'), ...it.source(open), ...inner, ...grow('right'), ...it.source(close)]);
    return null;
  });

const named = (
  name: string,
  args: string,
  what: string,
  example: string,
  macro: string,
): CommandEntry => macroEntry(name, args, what, `$${example}$`, macro);
const operators = ['tr', 'Tr', 'rank', 'erf', 'Res', 'pv', 'PV'];

/** physics: derivatives, brackets, vectors and states in few letters. */
export const physics: PackageEntry = {
  name: 'physics',
  description: 'Derivatives, brackets that grow, vectors and states in few letters.',
  options: null,
  requires: ['amsmath', 'bm'],
  commands: [
    derivative('dv', '\\mathrm{d}', 'A derivative.', '\\dv{f}{x}'),
    derivative('derivative', '\\mathrm{d}', 'A derivative.', '\\derivative{f}{x}'),
    derivative(
      'pdv',
      '\\partial ',
      'A partial derivative; with three arguments a mixed one.',
      '\\pdv{f}{x}',
    ),
    derivative(
      'partialderivative',
      '\\partial ',
      'A partial derivative.',
      '\\partialderivative{f}{x}',
    ),
    derivative('fdv', '\\delta ', 'A functional derivative.', '\\fdv{F}{g}'),
    bracketed('abs', '|', '|', 'An absolute value.'),
    bracketed('norm', '\\Vert ', '\\Vert ', 'A norm.'),
    bracketed('pqty', '(', ')', 'Round brackets that grow.'),
    bracketed('bqty', '[', ']', 'Square brackets that grow.'),
    bracketed('Bqty', '\\{', '\\}', 'Braces that grow.'),
    bracketed('vqty', '|', '|', 'Bars that grow.'),
    bracketed('order', '(', ')', 'An order of magnitude.'),
    bracketed('expval', '\\langle ', '\\rangle ', 'An expected value.'),
    bracketed('ev', '\\langle ', '\\rangle ', 'An expected value.'),
    bracketed('bra', '\\langle ', '|', 'A state to the left.'),
    bracketed('ket', '|', '\\rangle ', 'A state.'),
    mathEntry(
      'qty',
      '',
      'Brackets that grow, of the kind that stands here.',
      '\\qty(\\frac{a}{b})',
      (reader, token) => {
        const { p } = reader;
        const next = p.nextNonBlank();
        if (!next) return null;
        if (next.cat === Cat.Begin) {
          p.unread(next);
          const inner = reader.argument(token);
          p.push([p.command('left'), p.command('{'), ...inner, p.command('right'), p.command('}')]);
        } else grow(reader, next);
        return null;
      },
    ),
    named(
      'braket',
      'mm',
      'A product of states.',
      '\\braket{a}{b}',
      '\\left\\langle #1\\middle|#2\\right\\rangle ',
    ),
    named(
      'ip',
      'mm',
      'A product of states.',
      '\\ip{a}{b}',
      '\\left\\langle #1\\middle|#2\\right\\rangle ',
    ),
    named(
      'ketbra',
      'mm',
      'An outer product.',
      '\\ketbra{a}{b}',
      '\\left|#1\\right\\rangle\\!\\left\\langle #2\\right|',
    ),
    named(
      'dyad',
      'mm',
      'An outer product.',
      '\\dyad{a}{b}',
      '\\left|#1\\right\\rangle\\!\\left\\langle #2\\right|',
    ),
    named(
      'mel',
      'mmm',
      'A matrix element.',
      '\\mel{a}{H}{b}',
      '\\left\\langle #1\\middle|#2\\middle|#3\\right\\rangle ',
    ),
    named('comm', 'mm', 'A commutator.', '\\comm{A}{B}', '\\left[#1,#2\\right]'),
    named('acomm', 'mm', 'An anticommutator.', '\\acomm{A}{B}', '\\left\\{#1,#2\\right\\}'),
    named('pb', 'mm', 'Poisson brackets.', '\\pb{A}{B}', '\\left\\{#1,#2\\right\\}'),
    named('eval', 'm', 'A value at a place.', '\\eval{x^2}_0^1', '\\left.#1\\right|'),
    named('dd', 'o', 'A differential.', '\\int f\\dd{x}', '\\,\\mathrm{d}'),
    named('vb', 'm', 'A vector in bold.', '\\vb{a}', '\\mathbf{#1}'),
    named('vectorbold', 'm', 'A vector in bold.', '\\vectorbold{a}', '\\mathbf{#1}'),
    named('va', 'm', 'A vector in bold with an arrow.', '\\va{a}', '\\vec{\\mathbf{#1}}'),
    named('vu', 'm', 'A unit vector.', '\\vu{a}', '\\hat{\\mathbf{#1}}'),
    named('vdot', '', 'A scalar product.', 'a\\vdot b', '\\boldsymbol{\\cdot}'),
    named('cross', '', 'A vector product.', 'a\\cross b', '\\times '),
    named('grad', '', 'A gradient.', '\\grad f', '\\boldsymbol{\\nabla}'),
    named('div', '', 'A divergence.', '\\div f', '\\boldsymbol{\\nabla}\\cdot '),
    named('curl', '', 'A curl.', '\\curl f', '\\boldsymbol{\\nabla}\\times '),
    named('laplacian', '', 'The Laplace operator.', '\\laplacian f', '\\nabla^2 '),
    named(
      'mqty',
      'm',
      'A matrix without brackets.',
      '\\mqty{a & b \\\\ c & d}',
      '\\begin{matrix}#1\\end{matrix}',
    ),
    named(
      'pmqty',
      'm',
      'A matrix in round brackets.',
      '\\pmqty{a & b \\\\ c & d}',
      '\\begin{pmatrix}#1\\end{pmatrix}',
    ),
    named(
      'bmqty',
      'm',
      'A matrix in square brackets.',
      '\\bmqty{a & b \\\\ c & d}',
      '\\begin{bmatrix}#1\\end{bmatrix}',
    ),
    named(
      'vmqty',
      'm',
      'A determinant.',
      '\\vmqty{a & b \\\\ c & d}',
      '\\begin{vmatrix}#1\\end{vmatrix}',
    ),
    named(
      'qq',
      'm',
      'Words in a formula, with room beside them.',
      'a\\qq{if}b',
      '\\quad\\mbox{#1}\\quad ',
    ),
    ...['if', 'and', 'or', 'then', 'where', 'with', 'for', 'in', 'let'].map((word) =>
      named(
        `q${word}`,
        '',
        `The word “${word}” with room beside it.`,
        `a\\q${word} b`,
        `\\quad\\mbox{${word}}\\quad `,
      ),
    ),
    ...operators.map((name) =>
      named(name, '', 'An operator.', `\\${name} A`, `\\operatorname{${name}}`),
    ),
  ],
};

/** The bracket that was read grows with what stands up to the one that closes it. */
function grow(reader: MathReader, open: Token): void {
  const { p } = reader;
  const close = { '(': ')', '[': ']', '|': '|' }[open.text];
  const inner: Token[] = [];
  let [depth, braces] = [1, 0];
  for (let token = close ? p.next() : null; token !== null; token = p.next()) {
    const isEdge =
      token.cat === Cat.Math || (token.cat === Cat.Command && /^(?:end|\]|\))$/.test(token.text));
    if (isEdge || token.cat === STOP) {
      p.unread(token);
      break;
    }
    if (token.cat === Cat.Begin) braces++;
    else if (token.cat === Cat.End) braces--;
    else if (braces === 0 && token.cell === null) {
      if (token.text === open.text && open.text !== close) depth++;
      else if (token.text === close && --depth === 0) {
        p.push([p.command('left'), open, ...inner, p.command('right'), token]);
        return;
      }
    }
    inner.push(token);
  }
  p.push([open, ...inner]);
}
