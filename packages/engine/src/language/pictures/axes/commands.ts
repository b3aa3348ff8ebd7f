import { splitAt, trimmed } from '../../scanning/optionLists';
import type { Token } from '../../../expansion/meaning';
import { tokensOf, type CommandEntry, type EnvironmentEntry } from '../../machine/entries';
import { withArguments } from '../../../expansion/definitions';
import { define } from '../keys';
import { expandedItems } from '../loops';
import { readingOf } from '../reading';
import { takeGroup, takeOptions } from '../scanPath';
import { equalsOf, wordsOf } from '../words';
import { AXIS, EVERY_AXIS, type AxisSettings } from './axis';
import { group, nextGroupPlot } from './groups';
import { beginAxis, endAxis } from './openAxis';
import { withPaths } from './optionPaths';
import { readAxisPlot, readLegendImage } from './readPlot';
import { legendImages } from './scatter';
import { typesetTable } from './typesetTable';
import { TABLES, tableIn } from './tables';

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
  begin: (it) => beginAxis(it, mode, polar),
  end: endAxis,
});

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
      const plot = readAxisPlot({ it }, readingOf(it), open, token);
      if (!plot) return;
      open.plots.push(plot);
      if (plot.inLegend) open.images.push(...legendImages(readingOf(it), plot));
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
    run: (it, args) => {
      const open = it.read(AXIS);
      if (open) open.images.push(readLegendImage(readingOf(it), open, tokensOf(args, 0)));
    },
  },
  {
    name: 'pgfplotsset',
    signature: 'm',
    package: 'pgfplots',
    description: 'Options of all axes that follow.',
    example: '\\pgfplotsset{compat=1.18,width=6cm}',
    run: (it, args) => {
      const tokens = withPaths(it, tokensOf(args, 0));
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
    name: 'pgfplotsinvokeforeach',
    signature: 'mM',
    package: 'pgfplots',
    description: 'Does something for each thing of a list, which is #1 in it.',
    example:
      '\\begin{tikzpicture}\n\\begin{axis}[width=5cm]\n\\pgfplotsinvokeforeach{1,2,3}{\\addplot {#1*x};}\n\\end{axis}\n\\end{tikzpicture}',
    run: (it, args) => {
      const body = tokensOf(args, 1);
      for (const item of expandedItems(readingOf(it), tokensOf(args, 0))) {
        if (!it.p.spend(2 + body.length, 'pgfplotsinvokeforeach')) return;
        it.execute(withArguments(body, [item]));
      }
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
  nextGroupPlot,
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
