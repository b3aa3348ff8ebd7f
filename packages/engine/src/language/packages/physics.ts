import { readOptional } from '../../expansion/arguments';
import { STOP, type Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { mathEntry } from '../constructs/mathEntry';
import type { CommandEntry, PackageEntry } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';
import type { MathReader } from '../machine/mathReader';
import { matrixFillers } from './matrixFillers';
import { PHYSICS_SOURCE, physicsNames } from './physicsSource';

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
  source: PHYSICS_SOURCE,
  described: physicsNames,
  commands: [
    derivative('dv', '\\mathrm{d}', 'A derivative.', '\\dv{f}{x}'),
    derivative('derivative', '\\mathrm{d}', 'A derivative.', '\\derivative{f}{x}'),
    derivative(
      'pdv',
      '\\partial ',
      'A partial derivative; with three arguments a mixed one.',
      '\\pdv{f}{x}',
    ),
    derivative('fdv', '\\delta ', 'A functional derivative.', '\\fdv{F}{g}'),
    bracketed('abs', '|', '|', 'An absolute value.'),
    bracketed('norm', '\\Vert ', '\\Vert ', 'A norm.'),
    bracketed('pqty', '(', ')', 'Round brackets that grow.'),
    bracketed('bqty', '[', ']', 'Square brackets that grow.'),
    bracketed('Bqty', '\\{', '\\}', 'Braces that grow.'),
    bracketed('vqty', '|', '|', 'Bars that grow.'),
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
      'mel',
      'mmm',
      'A matrix element.',
      '\\mel{a}{H}{b}',
      '\\left\\langle #1\\middle|#2\\middle|#3\\right\\rangle ',
    ),
    named('comm', 'mm', 'A commutator.', '\\comm{A}{B}', '\\left[#1,#2\\right]'),
    named('acomm', 'mm', 'An anticommutator.', '\\acomm{A}{B}', '\\left\\{#1,#2\\right\\}'),
    named('pb', 'mm', 'Poisson brackets.', '\\pb{A}{B}', '\\left\\{#1,#2\\right\\}'),
    named('vdot', '', 'A scalar product.', 'a\\vdot b', '\\boldsymbol{\\cdot}'),
    named('cross', '', 'A vector product.', 'a\\cross b', '\\times '),
    ...operators.map((name) =>
      named(name, '', 'An operator.', `\\${name} A`, `\\operatorname{${name}}`),
    ),
    ...matrixFillers,
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
