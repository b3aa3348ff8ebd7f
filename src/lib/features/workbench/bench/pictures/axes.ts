import type { LineEdit } from '../classLine';
import type { Span } from '../figure';
import { closingAt, optionsAt, valueOf, type OptionList } from './optionText';

/** One function, or a row of points, drawn in an axis. */
export interface Plot extends Span {
  readonly options: OptionList;
  /** What is drawn, without its braces. */
  readonly drawn: Span & { readonly text: string };
  readonly kind: 'function' | 'points';
  /** What the legend says of it, where its entry stands behind it. */
  readonly legend: (Span & { readonly text: string }) | null;
}

/** The parts of an axis that its tools change. */
export interface Axis {
  readonly options: OptionList;
  readonly plots: readonly Plot[];
  /** Where another is put in. */
  readonly end: number;
}

const PLOT = /\\addplot(?:\+|3)?/g;
const LEGEND = /^\s*\\addlegendentry\s*\{/;

/** Reads what stands between `\begin{axis}` and `\end{axis}`; `base` is where it stands. */
export function readAxis(text: string, base: number): Axis {
  const plots: Plot[] = [];
  for (const match of text.matchAll(PLOT)) {
    const behind = match.index + match[0].length;
    const options = optionsAt(text, behind, base);
    let at = options.bracketed ? options.inner.to + 1 - base : behind;
    const word = /^\s*(coordinates)?\s*/.exec(text.slice(at));
    at += word?.[0].length ?? 0;
    if (text[at] !== '{') continue;
    const close = closingAt(text, at);
    const semicolon = text.indexOf(';', close);
    const to = semicolon < 0 ? close + 1 : semicolon + 1;
    const drawn = { from: base + at + 1, to: base + close, text: text.slice(at + 1, close) };
    plots.push({
      from: base + match.index,
      to: base + to,
      options,
      drawn,
      kind: word?.[1] ? 'points' : 'function',
      legend: legendBehind(text, to, base),
    });
  }
  const trimmed = text.trimEnd();
  return { options: optionsAt(text, 0, base), plots, end: base + trimmed.length };
}

function legendBehind(text: string, at: number, base: number): Plot['legend'] {
  const entry = LEGEND.exec(text.slice(at));
  if (!entry) return null;
  const open = at + entry[0].length - 1;
  const close = closingAt(text, open);
  return { from: base + open + 1, to: base + close, text: text.slice(open + 1, close) };
}

/** From where to where a function is drawn: of its own, or as the axis says, or as far as usual. */
export function domainOf({ options }: Plot, axis: Axis): readonly [string, string] {
  const said = valueOf(options, 'domain') ?? valueOf(axis.options, 'domain') ?? '-5:5';
  const [from = '-5', to = '5'] = said.split(':');
  return [from.trim(), to.trim()];
}

/** The source of one more function. */
export const newPlot = (drawn = 'x^2', domain: readonly [string, string] = ['-2', '2']): string =>
  `\\addplot[domain=${domain[0]}:${domain[1]}, samples=100] {${drawn}};`;

/** The edit that takes a plot out, with its entry in the legend and its line. */
export function withoutPlot(text: string, base: number, { from, to, legend }: Plot): LineEdit {
  const end = (legend ? legend.to + 1 : to) - base;
  const before = /\n?[ \t]*$/.exec(text.slice(0, from - base))?.[0].length ?? 0;
  return { from: from - before, to: base + end, insert: '' };
}

/** The edit that gives a plot its words in the legend; empty takes them out. */
export function withLegend({ to, legend }: Plot, words: string): LineEdit | null {
  if (legend && words !== '') return { from: legend.from, to: legend.to, insert: words };
  if (legend) return { from: to, to: legend.to + 1, insert: '' };
  return words === '' ? null : { from: to, to, insert: ` \\addlegendentry{${words}}` };
}

/** A picture with one function in axes. */
export const graphSource = (
  drawn: string,
  variable: string,
  domain: readonly [string, string],
): string =>
  `\\begin{tikzpicture}
  \\begin{axis}[axis lines=middle, xlabel=$${variable}$, ylabel=$y$${variable === 'x' ? '' : `, variable=\\${variable}`}]
    ${newPlot(drawn, domain)}
  \\end{axis}
\\end{tikzpicture}`;
