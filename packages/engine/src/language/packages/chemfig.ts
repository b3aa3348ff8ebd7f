import { cell } from '../../expansion/cells';
import { tokensText } from '../../expansion/tokenText';
import { tokensOf, type CommandEntry, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { keyValues } from '../scanning/optionLists';
import {
  readStructure,
  type AtomPlace,
  type Bond,
  type Group,
  type Structure,
} from './structuralFormulas';
import { tellUnknownKeys } from '../scanning/unknownKeys';

/** How far the middles of two atoms are apart (chemfig's `atom sep`), and what all bonds look like. */
const LOOK = cell('chemfiglook', { sep: '3em', bond: '' });
/** Pieces of formulas by their names (`\definesubmol`). */
const PIECES = cell<Readonly<Record<string, string>>>('submols', {});

/** In units of the picture, which are as long as a bond. */
const units = (n: number): string => n.toFixed(4);
const nameOf = ([group, atom]: AtomPlace): string => `g${group}a${atom}`;

/** A place so far from an atom. */
const placeFrom = (from: AtomPlace | null, dx: number, dy: number): string =>
  from ? `($(${nameOf(from)})+(${units(dx)},${units(dy)})$)` : '(0,0)';

/** The atoms of a group, side by side on one baseline; a corner without atoms is a place. */
function groupSource({ from, dx, dy, atoms, placed }: Group, index: number): string {
  const at = placeFrom(from, dx, dy);
  if (atoms.length === 0) return `\\coordinate (${nameOf([index, 0])}) at ${at};`;
  const node = (i: number, place: string, anchor: string): string =>
    `\\node[chem atom,anchor=${anchor}] (${nameOf([index, i])}) at ${place} {$\\mathrm{${atoms[i] ?? ''}}$};`;
  const nodes = [node(placed, at, 'center')];
  for (let i = placed + 1; i < atoms.length; i++)
    nodes.push(node(i, `(${nameOf([index, i - 1])}.base east)`, 'base west'));
  for (let i = placed - 1; i >= 0; i--)
    nodes.push(node(i, `(${nameOf([index, i + 1])}.base west)`, 'base east'));
  return nodes.join('');
}

/** Between an atom and its bonds (chemfig's `bond offset`). */
const OFFSET = '2pt';

/** A bond between two atoms: from border to border. */
function bondSource({ kind, from, to, side, look }: Bond, groups: readonly Group[]): string {
  const isBare = ([group]: AtomPlace): boolean => groups[group]?.atoms.length === 0;
  const off = (a: string, b: string, at: AtomPlace): string =>
    isBare(at) ? `(${a})` : `($(${a})!${OFFSET}!(${b})$)`;
  const border = `\\path (${nameOf(from)}) -- coordinate[pos=0] (p) coordinate[pos=1] (q) (${nameOf(to)});`;
  const ends = `${border}\\path ${off('p', 'q', from)} coordinate (s) ${off('q', 'p', to)} coordinate (t);`;
  const beside = (far: string, cut = 0): string => {
    const place = (a: string, b: string, turn: number): string =>
      `($($(${a})!${cut}!(${b})$)!${far}!${turn}:(${b})$)`;
    return `\\draw[${look}] ${place('s', 't', 90)} -- ${place('t', 's', -90)};`;
  };
  const wide = (a: string, b: string): string =>
    `(${a}) -- ($(${b})!.75ex!90:(${a})$) -- ($(${b})!.75ex!-90:(${a})$) -- cycle`;
  const [thin, thick] = kind.startsWith('<') ? ['t', 's'] : ['s', 't'];
  const straight = `\\draw[${look}] (s) -- (t);`;
  switch (kind) {
    case '=':
      return `${ends}${side === 0 ? beside('1pt') + beside('-1pt') : straight + beside(`${2 * side}pt`, 0.12)}`;
    case '~':
      return `${ends}${straight}${beside('2pt')}${beside('-2pt')}`;
    case '>':
    case '<':
      return `${ends}\\fill[${look}] ${wide(thin, thick)};`;
    case '>|':
    case '<|':
      return `${ends}\\draw[${look}] ${wide(thin, thick)};`;
    case '>:':
    case '<:':
      return `${ends}${rungs(thin, thick, look)}`;
    default:
      return ends + straight;
  }
}

/** A bond that leads away from the reader: rungs that grow wider. */
const rungs = (thin: string, thick: string, look: string): string =>
  [0.15, 0.32, 0.49, 0.66, 0.83, 1]
    .map((share) => {
      const place = (turn: number): string =>
        `($($(${thin})!${share}!(${thick})$)!${(0.75 * share).toFixed(3)}ex!${turn}:(${thin})$)`;
      return `\\draw[${look}] ${place(90)} -- ${place(-90)};`;
    })
    .join('');

/** A structure as a picture in the language of pictures. */
export function structureSource(
  { groups, bonds, circles }: Structure,
  { sep, bond }: { readonly sep: string; readonly bond: string },
): string {
  const rings = circles.map(
    ({ from, dx, dy, radius }) =>
      `\\draw ${placeFrom(from, dx, dy)} circle[x radius=${units(radius)},y radius=${units(radius)}];`,
  );
  // Its first atom stands on the line of the text.
  const first = groups[0];
  const base = first && first.atoms.length > 0 ? nameOf([0, first.placed]) : '';
  const options = base === '' ? 'baseline=-.6ex' : `baseline=(${base}.base)`;
  const atom = 'chem atom/.style={inner sep=0pt,outer sep=0pt,text depth=0pt}';
  const scale = `x=${sep},y=${sep}`;
  const all = bond === '' ? '' : `,every path/.style={${bond}}`;
  return `\\begin{tikzpicture}[${scale},${options},${atom}${all}]${groups.map(groupSource).join('')}${bonds.map((one) => bondSource(one, groups)).join('')}${rings.join('')}\\end{tikzpicture}`;
}

/** A formula with its pieces put in: `!{name}` or `!a`. */
function withPieces(it: Interpreter, text: string, depth = 0): string {
  if (depth > 20) return text;
  const pieces = it.read(PIECES);
  return text.replace(/!(?:\{([^{}]*)\}|([^{}]))/g, (_all, braced: string, bare: string) =>
    withPieces(it, pieces[braced ?? bare] ?? '', depth + 1),
  );
}

const drawn = (it: Interpreter, text: string): void =>
  it.execute(it.source(structureSource(readStructure(withPieces(it, text)), it.read(LOOK))));

const chemfigCommand: CommandEntry = {
  name: 'chemfig',
  signature: 'som',
  package: 'chemfig',
  description: 'A structural formula: atoms, bonds, branches in round brackets, rings.',
  example: '\\chemfig{H_3C-C(=[:60]O)-[:-60]OH}',
  run: (it, args) => drawn(it, tokensText(tokensOf(args, 2))),
};

const piece: CommandEntry = {
  name: 'definesubmol',
  signature: 'mom',
  package: 'chemfig',
  description: 'A name for a piece of structural formulas.',
  example: '\\definesubmol{x}{-[:30]-[:-30]}\\chemfig{A!xB}',
  run: (it, args) => {
    const name = tokensText(tokensOf(args, 0)).trim();
    it.write(PIECES, { ...it.read(PIECES), [name]: tokensText(tokensOf(args, 2)) });
  },
};

/** chemfig: structural formulas. */
export const chemfig: PackageEntry = {
  name: 'chemfig',
  description: 'Structural formulas of chemistry, drawn.',
  options: null,
  requires: ['tikz'],
  commands: [
    chemfigCommand,
    piece,
    {
      ...piece,
      name: 'redefinesubmol',
      description: 'Another meaning for the name of a piece of structural formulas.',
      example: '\\definesubmol{x}{-}\\redefinesubmol{x}{=}\\chemfig{A!xB}',
    },
    {
      name: 'setchemfig',
      signature: 'm',
      package: 'chemfig',
      description: 'How structural formulas are drawn: `atom sep`, `bond style`.',
      example: '\\setchemfig{atom sep=2em}\\chemfig{A-B}',
      run: (it, args) => {
        for (const [key, value] of keyValues(tokensOf(args, 0))) {
          const text = tokensText(value);
          if (key === 'atom sep') it.write(LOOK, { ...it.read(LOOK), sep: text });
          else if (key === 'bond style') it.write(LOOK, { ...it.read(LOOK), bond: text });
        }
        tellUnknownKeys(it, tokensOf(args, 0), ['atom sep', 'bond style']);
      },
    },
  ],
};
