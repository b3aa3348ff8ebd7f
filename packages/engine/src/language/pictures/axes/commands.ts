import { PT } from '../../../base/lengths';
import { mapped, translation } from '../../../base/maps';
import { splitAt, trimmed } from '../../scanning/optionLists';
import type { Token } from '../../../expansion/meaning';
import { cell } from '../../../expansion/cells';
import { tokensOf, type CommandEntry, type EnvironmentEntry } from '../../machine/entries';
import type { Graphics } from '../graphics';
import type { Interpreter } from '../../machine/interpreter';
import { placeOf } from '../coordinates';
import { GRAPHICS } from '../graphics';
import { define } from '../keys';
import { newSaying } from '../nodes';
import { anchorOf, DEFERRED, graphicsOf } from '../openPicture';
import { readingOf } from '../reading';
import { takeGroup, takeOptions } from '../scanPath';
import { equalsOf, wordsOf } from '../words';
import { AXIS, EVERY_AXIS, type AxisSettings, type OpenAxis } from './axis';
import { drawPlots } from './drawPlots';
import { drawAxes } from './axisLines';
import { frameOf, nameAxis, type Frame, type Painter } from './frame';
import { drawGrid } from './ticks';
import { drawLegend } from './legend';
import { readAxisPlot } from './readPlot';
import { readSettings, STANDARD } from './settings';
import { drawColourBar } from './colourBar';
import { drawPolarAxes } from './polar';
import { drawSpace } from './surfaces';
import { typesetTable } from './typesetTable';
import { TABLES, tableIn } from './tables';

/** Begins an axis: its options, and the list of what it will show. */
function begin(it: Interpreter, mode: AxisSettings['mode'], polar = false): void {
  const reading = readingOf(it);
  const every = readSettings(reading, { ...STANDARD, mode, polar }, it.read(EVERY_AXIS));
  const own = readSettings(reading, every.settings, takeOptions({ it }) ?? []);
  const comma = it.p.chars(',');
  const axis: OpenAxis = {
    settings: own.settings,
    plots: [],
    later: [],
    legend: [],
    every: [...every.rest, ...comma, ...own.rest],
    outer: graphicsOf(it),
    saying: newSaying(),
    dimensions: 2,
  };
  it.write(AXIS, axis);
  // Paths and nodes wait until the limits are known.
  it.write(DEFERRED, axis.later);
}

/** Draws the axis that was read. */
function end(it: Interpreter): void {
  const axis = it.read(AXIS);
  if (!axis) return;
  const reading = readingOf(it);
  it.write(DEFERRED, null);
  it.write(AXIS, null);
  const { settings, outer } = axis;
  const corner =
    settings.at === null
      ? mapped(outer.map, { x: 0, y: 0 })
      : placeOf(reading, outer, settings.at).at;
  const { span } = it.innermost;
  const painter: Painter = {
    reading,
    axis,
    frame: anchored(scaled(frameOf(settings, axis, corner), outer), settings),
    span,
  };
  nameAxis(painter);
  const space = axis.plots.some(({ three }) => three);
  if (settings.polar) {
    drawPolarAxes(painter);
    drawPlots(painter);
  } else if (space) drawSpace(painter);
  else {
    drawGrid(painter);
    if (!settings.axisOnTop) drawAxes(painter);
    drawPlots(painter);
    if (settings.axisOnTop) drawAxes(painter);
  }
  if (settings.colourBar) drawColourBar(painter);
  drawLater(it, painter);
  drawLegend(painter);
}

/** The frame as the picture around it is scaled; what is written at it keeps its size. */
function scaled(frame: Frame, { map: { a, b, c, d } }: Graphics): Frame {
  if (b !== 0 || c !== 0 || a <= 0 || d <= 0) return frame;
  return { ...frame, width: frame.width * a, height: frame.height * d };
}

/** The frame moved so that the anchor it asks for lies at its place. */
function anchored(frame: Frame, { anchor }: AxisSettings): Frame {
  const across = /east/.test(anchor) ? 1 : /west/.test(anchor) ? 0 : 0.5;
  const up = /north/.test(anchor) ? 1 : /south/.test(anchor) ? 0 : 0.5;
  const { corner, width, height } = frame;
  return { ...frame, corner: { x: corner.x - across * width, y: corner.y - up * height } };
}

/** From the coordinates of the data to the picture: units, origin, and how the axes count. */
function dataMap(frame: Frame): Pick<Graphics, 'x' | 'y' | 'map' | 'scales'> {
  const { corner, width, height, mode } = frame;
  const across = frame.x.max - frame.x.min;
  const up = frame.y.max - frame.y.min;
  if (frame.polar) {
    const unit = width / 2 / up;
    const map = translation(corner.x + width / 2, corner.y + height / 2);
    return { x: { x: unit, y: 0 }, y: { x: 0, y: unit }, map, scales: 'polar' };
  }
  const [backX, backY] = frame.reverse;
  const x = ((backX ? -1 : 1) * width) / across;
  const y = ((backY ? -1 : 1) * height) / up;
  const map = translation(
    corner.x - (backX ? frame.x.max : frame.x.min) * x,
    corner.y - (backY ? frame.y.max : frame.y.min) * y,
  );
  return { x: { x, y: 0 }, y: { x: 0, y }, map, scales: mode };
}

/** What stood between the plots, in the coordinates of the axis. */
function drawLater(it: Interpreter, { axis, frame }: Painter): void {
  if (axis.later.length === 0) return;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.write(GRAPHICS, { ...axis.outer, ...dataMap(frame) });
  for (const statement of axis.later) it.execute(statement);
  it.closeGroup();
}

const axis = (
  name: string,
  mode: AxisSettings['mode'],
  description: string,
  polar = false,
): EnvironmentEntry => ({
  name,
  signature: '',
  package: 'pgfplots',
  description,
  example: `\\begin{tikzpicture}\n\\begin{${name}}[width=5cm]\n\\addplot[domain=1:4] {x^2};\n\\end{${name}}\n\\end{tikzpicture}`,
  begin: (it) => begin(it, mode, polar),
  end,
});

/** `groupplot`: axes in rows and columns, one beside another. */
const GROUP = cell<{
  readonly columns: number;
  readonly across: number;
  readonly down: number;
  count: number;
  readonly options: readonly Token[];
} | null>('groupplots', null);

const group: EnvironmentEntry = {
  name: 'groupplot',
  signature: '',
  package: 'pgfplots',
  description: 'Axes in rows and columns.',
  example:
    '\\begin{tikzpicture}\n\\begin{groupplot}[group style={group size=2 by 1},width=4cm]\n\\nextgroupplot \\addplot {x};\n\\nextgroupplot \\addplot {x^2};\n\\end{groupplot}\n\\end{tikzpicture}',
  begin: (it) => {
    const options = takeOptions({ it }) ?? [];
    const text = wordsOf(it, options);
    const columns = Number(/group size\s*=\s*(\d+)/.exec(text)?.[1] ?? 1);
    it.write(GROUP, {
      columns,
      across: 28.45276 * 2 * PT,
      down: 28.45276 * 2 * PT,
      count: 0,
      options,
    });
  },
  end: (it) => {
    if (it.read(AXIS)) end(it);
  },
};

/** Ends the axis before and begins the next of a group. */
function next(it: Interpreter): void {
  const there = it.read(GROUP);
  if (!there) return;
  if (it.read(AXIS)) end(it);
  const own = takeOptions({ it }) ?? [];
  const { count, columns, across, down } = there;
  const above = (name: string) => it.read(GROUP) && drawnAxis(it, name);
  const [c, r] = [count % columns, Math.floor(count / columns)];
  const beside = c > 0 ? above(`group c${c}r${r + 1}`) : null;
  const over = r > 0 ? above(`group c1r${r}`) : null;
  const at = beside
    ? { x: beside.right + across, y: beside.low }
    : over
      ? { x: over.left, y: over.low - down - over.height }
      : null;
  const place = at ? `,at={(${at.x / PT}pt,${at.y / PT}pt)}` : '';
  const { p } = it;
  p.push([
    ...p.chars('['),
    ...there.options,
    ...p.chars(','),
    ...own,
    ...it.source(`,name=group c${c + 1}r${r + 1}${place}`),
    ...p.chars(']'),
  ]);
  there.count++;
  begin(it, ['linear', 'linear']);
}
function drawnAxis(it: Interpreter, name: string) {
  const node = readingOf(it).picture.nodes.get(name);
  const [low, high] = node
    ? [anchorOf(node, 'south west'), anchorOf(node, 'north east')]
    : [null, null];
  return low && high ? { left: low.x, right: high.x, low: low.y, height: high.y - low.y } : null;
}

export const axisEnvironments: readonly EnvironmentEntry[] = [
  axis('axis', ['linear', 'linear'], 'Axes with plots of functions and data.'),
  axis('semilogxaxis', ['log', 'linear'], 'Axes of which the level one counts powers of ten.'),
  axis('semilogyaxis', ['linear', 'log'], 'Axes of which the upright one counts powers of ten.'),
  axis('loglogaxis', ['log', 'log'], 'Axes that both count powers of ten.'),
  axis('polaraxis', ['linear', 'linear'], 'Axes of angles and of distances.', true),
  group,
];

/** Commands of axes. */
export const axisCommands: readonly CommandEntry[] = [
  {
    name: 'addplot',
    signature: '',
    package: 'pgfplots',
    description:
      'A plot of a function, of points or of a table; with a 3 behind it in three dimensions.',
    example:
      '\\begin{tikzpicture}\n\\begin{axis}[width=5cm]\n\\addplot[blue,domain=-2:2] {x^2};\n\\end{axis}\n\\end{tikzpicture}',
    run: (it, _args, token) => {
      const open = it.read(AXIS);
      if (!open) return it.p.report('picture-axis', it.spanOf(token), { name: token.text });
      const plot = readAxisPlot({ it }, readingOf(it), open);
      if (plot) open.plots.push(plot);
    },
  },
  {
    name: 'addlegendentry',
    signature: 'om',
    package: 'pgfplots',
    description: 'The words of the last plot in the legend.',
    example:
      '\\begin{tikzpicture}\n\\begin{axis}[width=5cm]\n\\addplot {x};\\addlegendentry{line}\n\\end{axis}\n\\end{tikzpicture}',
    run: (it, args) => void it.read(AXIS)?.legend.push(tokensOf(args, 1)),
  },
  {
    name: 'legend',
    signature: 'm',
    package: 'pgfplots',
    description: 'The words of all plots in the legend.',
    example:
      '\\begin{tikzpicture}\n\\begin{axis}[width=5cm]\n\\addplot {x};\\legend{line}\n\\end{axis}\n\\end{tikzpicture}',
    run: (it, args) =>
      void it.read(AXIS)?.legend.push(...splitAt(tokensOf(args, 0), ',').map(trimmed)),
  },
  {
    name: 'addlegendimage',
    signature: 'm',
    package: 'pgfplots',
    description: 'A line in the legend for no plot.',
    example:
      '\\begin{tikzpicture}\n\\begin{axis}[width=5cm]\n\\addplot {x};\\addlegendimage{red}\n\\end{axis}\n\\end{tikzpicture}',
    run: () => undefined,
  },
  {
    name: 'pgfplotsset',
    signature: 'm',
    package: 'pgfplots',
    description: 'Options of all axes that follow.',
    example: '\\pgfplotsset{compat=1.18,width=6cm}',
    run: (it, args) => {
      const tokens = tokensOf(args, 0);
      const plain = splitAt(tokens, ',').filter((part) => {
        const name = wordsOf(it, part).split('=')[0] ?? '';
        const style = /^(?:\/pgfplots\/)?(.+?)\/\.(style|append style)$/.exec(name.trim());
        if (!style || /^every axis$/.test(style[1] ?? '')) return true;
        define(
          readingOf(it),
          style[1] ?? '',
          style[2] ?? '',
          trimmed(part.slice(equalsOf(part) + 1)),
        );
        return false;
      });
      const comma = it.p.chars(',');
      it.write(
        EVERY_AXIS,
        plain.reduce<readonly Token[]>(
          (all, part) => [...all, ...comma, ...everyAxis(part)],
          it.read(EVERY_AXIS),
        ),
      );
    },
  },
  {
    name: 'pgfplotstableread',
    signature: '',
    package: 'pgfplots',
    description: 'Reads a table of data under a name.',
    example: '\\pgfplotstableread{\nx y\n0 1\n1 2\n}\\tides',
    run: (it) => {
      const options = takeOptions({ it }) ?? [];
      const table = tableIn(readingOf(it), options, takeGroup({ it }) ?? []);
      const name = it.p.next();
      if (table && name) it.write(TABLES, { ...it.read(TABLES), [name.text]: table });
    },
  },
  typesetTable,
  {
    name: 'nextgroupplot',
    signature: '',
    package: 'pgfplots',
    description: 'The next axis of a group.',
    example:
      '\\begin{tikzpicture}\n\\begin{groupplot}[group style={group size=2 by 1},width=4cm]\n\\nextgroupplot \\addplot {x};\n\\end{groupplot}\n\\end{tikzpicture}',
    run: next,
  },
  {
    name: 'usepgfplotslibrary',
    signature: 'm',
    package: 'pgfplots',
    description: 'Loads libraries of plots: what they bring is here already.',
    example: '\\usepgfplotslibrary{fillbetween}',
    run: () => undefined,
  },
];

/** `every axis/.append style={…}` is what is said of every axis. */
function everyAxis(part: readonly Token[]): readonly Token[] {
  const eq = equalsOf(part);
  const name = part
    .slice(0, Math.max(0, eq))
    .map((t) => t.text)
    .join('')
    .trim();
  return /every axis\/\./.test(name) ? trimmed(part.slice(eq + 1)) : part;
}
