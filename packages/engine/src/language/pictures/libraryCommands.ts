import { PT } from '../../base/lengths';
import { tokensOf, type CommandEntry } from '../machine/entries';
import { OWN } from '../machine/ownNames';
import { drawGraph } from './graphs';
import { GRAPHICS } from './graphics';
import { runStatements } from './mathStatements';
import { DEFERRED } from './openPicture';
import { anchorOf } from './remembered';
import { upToSemicolon } from './scanPath';
import { wordsOf } from './words';

/** `\tikzmark{a}` of the library of that name: `(pic cs:a)` is its place. */
export const MARK: CommandEntry = {
  name: 'tikzmark',
  signature: 'm',
  package: 'tikz',
  description: 'Remembers a place of the text for pictures.',
  example: '\\usetikzlibrary{tikzmark}\\tikzmark{tide}',
  run: (it, args) => {
    if (!it.mode.hlist) it.startParagraph();
    it.add(anchorOf(it, `mark ${wordsOf(it, tokensOf(args, 0))}`, { x: 0, y: 0 }));
  },
  math: (reader, token) => {
    const { it } = reader;
    const args = it.readArguments('m', token);
    const name = `mark ${args ? wordsOf(it, tokensOf(args, 0)) : ''}`;
    const inlines = [anchorOf(it, name, { x: 0, y: 0 })];
    return { kind: 'text', inlines, ...reader.span(token) };
  },
};

/** Commands of pictures that libraries bring, and lengths that may be asked for. */
export const LIBRARY_COMMANDS: readonly CommandEntry[] = [
  {
    name: 'graph',
    signature: '',
    package: 'tikz',
    description: 'Nodes and edges as a text of names and arrows (library graphs).',
    example: '\\tikz \\graph { tide -> {ebb, flood} };',
    yields: true,
    run: (it) => {
      const waiting = it.read(DEFERRED);
      if (waiting) waiting.push([it.p.command('graph'), ...upToSemicolon(it)]);
      else drawGraph(it);
    },
  },
  {
    name: 'tikzmath',
    signature: 'm',
    package: 'tikz',
    description: 'Statements with variables, choices, loops and functions (library math).',
    example:
      '\\usetikzlibrary{math}\\tikzmath{\\tide = 2^3; if \\tide > 5 then {\\ebb = 1;};}\\tide',
    run: (it, args) => void runStatements(it, tokensOf(args, 0)),
  },
  {
    name: OWN.statements,
    signature: 'm',
    description: 'Carries out the statements of a function.',
    example: '\\tikzmath{function f(\\x) { return \\x; };}',
    run: (it, args) => void runStatements(it, tokensOf(args, 0)),
  },
  {
    name: 'tikzleveldistance',
    signature: '',
    package: 'tikz',
    description: 'How far the next level of a tree lies from its parents, a length.',
    example:
      '\\tikz[edge from parent path={(\\tikzparentnode) -- +(0,-.5\\tikzleveldistance) -| (\\tikzchildnode)}] \\node {tide} child {node {ebb}};',
    run: () => undefined,
    read: ({ state }) => ({ type: 'dimen', value: state.read(GRAPHICS)?.levelDistance ?? 0 }),
  },
  {
    name: 'pgflinewidth',
    signature: '',
    package: 'tikz',
    description: 'The width of the line in force, a length.',
    example: '\\tikz \\draw[very thick] (0,0) -- (\\pgflinewidth,1);',
    run: () => undefined,
    read: ({ state }) => ({ type: 'dimen', value: state.read(GRAPHICS)?.lineWidth ?? 0.4 * PT }),
  },
];
