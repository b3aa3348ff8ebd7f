import { callsOf, shapeOf } from './shape';

/**
 * The edit that loads a package: a line behind the last one that loads any, or behind the class line.
 *
 * @param text the whole source.
 * @returns null when there is no such line to stand behind.
 */
export function packageLine(text: string, name: string): { from: number; insert: string } | null {
  const end = text.indexOf('\\begin{document}');
  const preamble = end < 0 ? text : text.slice(0, end);
  const calls = callsOf(shapeOf(preamble), ['usepackage', 'documentclass'], 'om');
  const last = calls.findLast((call) => call.name === 'usepackage') ?? calls[0];
  if (!last) return null;
  const newline = preamble.indexOf('\n', last.to);
  const at = newline < 0 ? preamble.length : newline + 1;
  return { from: at, insert: `${newline < 0 ? '\n' : ''}\\usepackage{${name}}\n` };
}
