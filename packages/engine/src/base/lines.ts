/** Where the line ends in which a place of a text stands: before its newline, comments and all. Offsets in UTF-16 units. */
export function wholeLineEnd(text: string, at: number): number {
  const newline = text.indexOf('\n', at);
  return newline < 0 ? text.length : newline;
}
