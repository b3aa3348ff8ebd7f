import { PT } from '../../../base/lengths';
import { cell } from '../../../expansion/cells';
import type { Token } from '../../../expansion/meaning';
import type { CommandEntry, EnvironmentEntry } from '../../machine/entries';
import type { Interpreter } from '../../machine/interpreter';
import { splitAt, trimmed } from '../../scanning/optionLists';
import { numberIn } from '../coordinates';
import { anchorOf } from '../openPicture';
import { readingOf } from '../reading';
import { takeOptions } from '../scanPath';
import { equalsOf, wordsOf } from '../words';
import { AXIS } from './axis';
import { beginAxis, endAxis } from './openAxis';
import { withPaths } from './optionPaths';

/** What `group style` says (pgfplots manual, section 5.8). */
interface GroupStyle {
  readonly columns: number;
  readonly rows: number;
  readonly across: number;
  readonly down: number;
  readonly name: string;
  /** Where names of axes and labels of ticks are, by axis: everywhere, or at the edge alone. */
  readonly names: readonly [Edge, Edge];
  readonly ticks: readonly [Edge, Edge];
}
type Edge = 'all' | 'first' | 'last';

interface OpenGroup extends GroupStyle {
  count: number;
  readonly options: readonly Token[];
}
const GROUP = cell<OpenGroup | null>('groupplots', null);

const CM = (72.27 / 2.54) * PT;
const STANDARD: GroupStyle = {
  columns: 1,
  rows: 1,
  across: CM,
  down: CM,
  name: 'group',
  names: ['all', 'all'],
  ticks: ['all', 'all'],
};

/** Options with those of `group style` taken out. */
function readStyle(
  it: Interpreter,
  options: readonly Token[],
): { style: GroupStyle; rest: readonly Token[] } {
  let style = STANDARD;
  const rest: Token[] = [];
  for (const part of splitAt(options, ',')) {
    const eq = equalsOf(part);
    const name = wordsOf(it, part.slice(0, Math.max(0, eq))).replace(/\s+/g, ' ');
    const path = /^\/?(?:pgfplots\/)?group(?: style|\/)(.*)$/.exec(name);
    if (!path) rest.push(...(rest.length > 0 ? it.p.chars(',') : []), ...part);
    else if (path[1] === '' || path[1]?.startsWith('/.'))
      for (const inner of splitAt(trimmed(part.slice(eq + 1)), ','))
        style = withKey(it, style, inner);
    else style = withKey(it, style, [...it.p.chars(path[1] ?? ''), ...part.slice(eq)]);
  }
  return { style, rest };
}

const EDGES: Readonly<Record<string, Edge>> = {
  'edge bottom': 'last',
  'edge top': 'first',
  'edge left': 'first',
  'edge right': 'last',
};

function withKey(it: Interpreter, style: GroupStyle, part: readonly Token[]): GroupStyle {
  const eq = equalsOf(part);
  const name = wordsOf(it, part.slice(0, Math.max(0, eq)));
  const text = wordsOf(it, trimmed(part.slice(eq + 1)));
  const length = (): number => numberIn(readingOf(it), text).value * PT;
  const edge = EDGES[text] ?? 'all';
  const at = (list: readonly [Edge, Edge], which: string): [Edge, Edge] =>
    which === 'x' ? [edge, list[1]] : [list[0], edge];
  const size = /^(\d+)\s*by\s*(\d+)$/.exec(text);
  switch (name) {
    case 'group size':
      return size ? { ...style, columns: Number(size[1]), rows: Number(size[2]) } : style;
    case 'columns':
      return { ...style, columns: Math.max(1, parseInt(text, 10) || 1) };
    case 'rows':
      return { ...style, rows: Math.max(1, parseInt(text, 10) || 1) };
    case 'horizontal sep':
      return { ...style, across: length() };
    case 'vertical sep':
      return { ...style, down: length() };
    case 'group name':
      return { ...style, name: text };
    case 'x descriptions at':
    case 'y descriptions at': {
      const which = name.charAt(0);
      return { ...style, names: at(style.names, which), ticks: at(style.ticks, which) };
    }
    case 'xlabels at':
    case 'ylabels at':
      return { ...style, names: at(style.names, name.charAt(0)) };
    case 'xticklabels at':
    case 'yticklabels at':
      return { ...style, ticks: at(style.ticks, name.charAt(0)) };
    default:
      it.p.report('key-without-effect', it.p.place, { name });
      return style;
  }
}

/** What an axis in a column and a row leaves out: its names and the labels of its ticks, where only those at an edge have them. */
function leftOut({ names, ticks, columns, rows }: GroupStyle, column: number, row: number): string {
  const hidden = (edge: Edge, at: number, count: number): boolean =>
    (edge === 'first' && at > 0) || (edge === 'last' && at < count - 1);
  const out: string[] = [];
  if (hidden(names[0], row, rows)) out.push('xlabel={}');
  if (hidden(names[1], column, columns)) out.push('ylabel={}');
  if (hidden(ticks[0], row, rows)) out.push('xticklabels={}');
  if (hidden(ticks[1], column, columns)) out.push('yticklabels={}');
  return out.map((key) => `,${key}`).join('');
}

/** `groupplot`: axes in rows and columns, one beside another. */
export const group: EnvironmentEntry = {
  name: 'groupplot',
  signature: '',
  package: 'pgfplots',
  description: 'Axes in rows and columns.',
  example:
    '\\begin{tikzpicture}\n\\begin{groupplot}[group style={group size=2 by 1},width=4cm]\n\\nextgroupplot \\addplot {x};\n\\nextgroupplot \\addplot {x^2};\n\\end{groupplot}\n\\end{tikzpicture}',
  begin: (it) => {
    const { style, rest } = readStyle(it, withPaths(it, takeOptions({ it }) ?? []));
    it.write(GROUP, { ...style, count: 0, options: rest });
  },
  end: (it) => {
    if (it.read(AXIS)) endAxis(it);
  },
};

/** Ends the axis before and begins the next of a group. */
function next(it: Interpreter): void {
  const there = it.read(GROUP);
  if (!there) return;
  if (it.read(AXIS)) endAxis(it);
  const own = takeOptions({ it }) ?? [];
  const { count, columns, across, down, name } = there;
  there.count++;
  const named = (c: number, r: number): string => `${name} c${c + 1}r${r + 1}`;
  const [c, r] = [count % columns, Math.floor(count / columns)];
  const place = `${besideOthers(it, named, c, r, across, down)},name=${named(c, r)}`;
  const { p } = it;
  p.push([
    ...p.chars('['),
    ...there.options,
    ...p.chars(','),
    ...own,
    ...it.source(leftOut(there, c, r) + place),
    ...p.chars(']'),
  ]);
  beginAxis(it, ['linear', 'linear']);
}

/** Where an axis stands: beside the one at its left, or below the first of the row above. */
function besideOthers(
  it: Interpreter,
  named: (c: number, r: number) => string,
  c: number,
  r: number,
  across: number,
  down: number,
): string {
  const beside = c > 0 ? drawnAxis(it, named(c - 1, r)) : null;
  const over = c === 0 && r > 0 ? drawnAxis(it, named(0, r - 1)) : null;
  const at = beside
    ? { x: beside.right + across, y: beside.low }
    : over
      ? { x: over.left, y: over.low - down - over.height }
      : null;
  return at ? `,at={(${at.x / PT}pt,${at.y / PT}pt)}` : '';
}

function drawnAxis(it: Interpreter, name: string) {
  const node = readingOf(it).picture.nodes.get(name);
  const [low, high] = node
    ? [anchorOf(node, 'south west'), anchorOf(node, 'north east')]
    : [null, null];
  return low && high ? { left: low.x, right: high.x, low: low.y, height: high.y - low.y } : null;
}

export const nextGroupPlot: CommandEntry = {
  name: 'nextgroupplot',
  signature: '',
  package: 'pgfplots',
  description: 'The next axis of a group.',
  example:
    '\\begin{tikzpicture}\n\\begin{groupplot}[group style={group size=2 by 1},width=4cm]\n\\nextgroupplot \\addplot {x};\n\\nextgroupplot \\addplot {x^2};\n\\end{groupplot}\n\\end{tikzpicture}',
  run: next,
};
