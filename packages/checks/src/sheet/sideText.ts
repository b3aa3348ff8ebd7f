import { closingBraceAt, shapeOf } from '@odd-compass/engine/shape';
import type { Extent } from './sheetSteps';

/** The source of a side, with the brackets that end behind its last sign (`2^{10}`), and the arguments of its last macro. */
export function sideText(text: string, { from, to }: Extent): string {
  let open = 0;
  for (let i = from; i < to; i++) {
    if (text[i] === '\\') i++;
    else if (text[i] === '{') open++;
    else if (text[i] === '}') open--;
  }
  let end = to;
  while (open > 0 && text[end] === '}') {
    end++;
    open--;
  }
  return text.slice(from, withArguments(text, from, end));
}

/** No argument of a macro in a formula is longer, in UTF-16 units. */
const LONGEST = 2000;

/** What a macro at the end of a side takes belongs to it: a sign from a macro stands at its name. */
function withArguments(text: string, from: number, to: number): number {
  if (!/\\[A-Za-z]+\*?$/.test(text.slice(from, to))) return to;
  const behind = text.slice(to, to + LONGEST);
  let end = 0;
  while (behind[end] === '{') {
    const close = closingBraceAt(shapeOf(behind), end);
    if (close === null) break;
    end = close + 1;
  }
  return to + end;
}
