import type { Text } from '@codemirror/state';
import type { ValueAnswer } from '@odd-compass/checks';
import type { LineEdit } from './classLine';
import type { Span } from './figure';

/** Writes a value behind the part it is of; an equals sign that waits for it is not written twice, nor left where it is not exact. */
export function writtenBehind(
  doc: Text,
  { from, to }: Span,
  { exact, tex }: Extract<ValueAnswer, { kind: 'value' }>,
): LineEdit {
  const sign = exact ? '=' : '\\approx';
  const waits = /(=|\\approx)\s*$/.exec(doc.sliceString(from, to));
  const start = waits ? from + waits.index : to;
  const blank = waits || /\s$/.test(doc.sliceString(from, to)) ? '' : ' ';
  return { from: start, to, insert: `${blank}${sign} ${tex}` };
}

/** Puts something of its own below the line that a place stands in. */
export function belowLine(doc: Text, place: number, source: string): LineEdit {
  const line = doc.lineAt(Math.min(place, doc.length));
  return { from: line.to, to: line.to, insert: `\n\\begin{center}\n${source}\n\\end{center}` };
}
