import type { Extent } from './sheetSteps';

/** The source of a side, with the brackets that end behind its last sign (`2^{10}`). */
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
  return text.slice(from, end);
}
