/**
 * The edit that loads a package: a line behind the last one that loads any, or behind the class line.
 *
 * @param text the whole source.
 * @returns null when there is no such line to stand behind.
 */
export function packageLine(text: string, name: string): { from: number; insert: string } | null {
  const end = text.indexOf('\\begin{document}');
  const preamble = end < 0 ? text : text.slice(0, end);
  const lines = [...preamble.matchAll(/^[^%\n]*\\(usepackage|documentclass)\b[^\n]*\n?/gm)];
  const last = lines.findLast(([, which]) => which === 'usepackage') ?? lines[0];
  if (!last) return null;
  const before = last[0].endsWith('\n') ? '' : '\n';
  return { from: last.index + last[0].length, insert: `${before}\\usepackage{${name}}\n` };
}
