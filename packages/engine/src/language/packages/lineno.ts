import { LINE_KIND, type LineNumbers } from '../../document/lineNumbers';
import { cell } from '../../expansion/cells';
import { textOf } from '../../expansion/tokenText';
import { CELLS } from '../machine/cells';
import {
  type Args,
  type CommandEntry,
  type EnvironmentEntry,
  isStarred,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { dimenOf } from '../scanning/dimenOf';

/** All that commands of lineno set, whether lines are numbered or not. */
type Settings = Pick<LineNumbers, 'every' | 'restart' | 'byPage' | 'side'>;
const SETTINGS = cell<Settings>('linenosettings', {
  every: 1,
  restart: { time: 0, at: 1 },
  byPage: false,
  side: 'left',
});
/** How often counting began anew: each time has a number of its own. */
const TIMES = cell<number>('linenotimes', 0);

function set(it: Interpreter, change: Partial<Settings>): void {
  it.write(SETTINGS, { ...it.read(SETTINGS), ...change });
  // Lines that are numbered already go on by what is said now.
  if (it.read(CELLS.lineNumbers)) number(it);
}

/** Lines have numbers from here on. Only what the paragraph says at its end holds for it. */
function number(it: Interpreter): void {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.execute(it.source('\\normalfont\\linenumberfont '));
  const { font } = it;
  it.closeGroup();
  const distance = dimenOf(it, it.source('\\linenumbersep'));
  it.write(CELLS.lineNumbers, { ...it.read(SETTINGS), distance, font });
}

function restart(it: Interpreter, at: number): void {
  const time = it.read(TIMES) + 1;
  it.write(TIMES, time, true);
  set(it, { restart: { time, at } });
}

const numberIn = (it: Interpreter, args: Args, i: number, otherwise: number): number => {
  const found = parseInt(textOf(it.p, tokensOf(args, i)), 10);
  return Number.isFinite(found) ? found : otherwise;
};

/** `\linenumbers[n]`; with a star they begin at 1. */
function begin(it: Interpreter, args: Args): void {
  if (isStarred(args)) restart(it, 1);
  else if (args[1]) restart(it, numberIn(it, args, 1, 1));
  number(it);
}

const BODY = 'Low water.\n\nHigh water.';
const command = (
  name: string,
  signature: string,
  description: string,
  run: (it: Interpreter, args: Args) => void,
  example = `\\${name} ${BODY}`,
): CommandEntry => ({ name, signature, description, example, run });

const commands: readonly CommandEntry[] = [
  command('linenumbers', 'so', 'Lines are numbered at the margin from here on.', begin),
  command('nolinenumbers', '', 'Lines are no longer numbered.', (it) =>
    it.write(CELLS.lineNumbers, null),
  ),
  command(
    'modulolinenumbers',
    'so',
    'Every fifth number is printed, or every so-manyth.',
    (it, args) => set(it, { every: Math.max(1, numberIn(it, args, 1, 5)) }),
    `\\linenumbers\\modulolinenumbers[2] ${BODY}`,
  ),
  command('runninglinenumbers', 'so', 'Numbers go on from page to page.', (it, args) => {
    set(it, { byPage: false });
    begin(it, args);
  }),
  command('pagewiselinenumbers', '', 'Each page counts its lines anew.', (it) => {
    set(it, { byPage: true });
    number(it);
  }),
  command(
    'resetlinenumber',
    'o',
    'Lines are counted from 1, or from that number.',
    (it, args) => restart(it, numberIn(it, args, 0, 1)),
    `\\linenumbers\\resetlinenumber[7] ${BODY}`,
  ),
  ...(['left', 'right'] as const).map((side) =>
    command(`${side}linenumbers`, 's', `Numbers stand at the ${side} margin.`, (it) =>
      set(it, { side }),
    ),
  ),
  command(
    'switchlinenumbers',
    's',
    'Numbers stand at the outer margin; starred, the inner.',
    (it, args) => set(it, { side: isStarred(args) ? 'inner' : 'outer' }),
  ),
  command(
    'linelabel',
    'm',
    'A name for the line it stands in; \\ref prints its number.',
    (it, args) => {
      const name = textOf(it.p, tokensOf(args, 0));
      it.labels.push({ name, value: '?', kind: LINE_KIND, ...it.p.place });
      it.add({ kind: 'anchor', label: name, ...it.p.place });
    },
    `\\linenumbers Low\\linelabel{low} water: line \\ref{low}.`,
  ),
];

const environment = (name: string, description: string, anew: boolean): EnvironmentEntry => ({
  name,
  signature: 'o',
  description,
  example: `\\begin{${name}}\n${BODY}\n\\end{${name}}`,
  begin: (it, args) => {
    it.endParagraph();
    begin(it, [anew, args[0] ?? null]);
  },
  end: (it) => it.endParagraph(),
});

const OPTIONS: Readonly<Record<string, Partial<Settings>>> = {
  left: { side: 'left' },
  right: { side: 'right' },
  switch: { side: 'outer' },
  'switch*': { side: 'inner' },
  pagewise: { byPage: true },
  running: { byPage: false },
  modulo: { every: 5 },
};

/** lineno: numbers of lines at the margin. */
export const lineno: PackageEntry = {
  name: 'lineno',
  description: 'Numbers of lines at the margin.',
  source: String.raw`\newlength\linenumbersep\linenumbersep10pt \providecommand\linenumberfont{\tiny\sffamily}\newlength\linenumberwidth\newenvironment{linenomath}{}{}\newenvironment{linenomath*}{}{}\newenvironment{internallinenumbers}{\begin{linenumbers}}{\end{linenumbers}}`,
  options: [...Object.keys(OPTIONS)],
  commands,
  environments: [
    environment('linenumbers', 'Its lines are numbered.', false),
    environment('linenumbers*', 'Its lines are numbered from 1.', true),
    environment('runninglinenumbers', 'Its lines are numbered, page after page.', false),
  ],
  setup: (it, options) => {
    for (const option of options) set(it, OPTIONS[option] ?? {});
  },
};
