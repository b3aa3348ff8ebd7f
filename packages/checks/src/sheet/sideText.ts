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

/** What a macro at the end of a side takes belongs to it: a sign from a macro stands at its name. */
function withArguments(text: string, from: number, to: number): number {
  if (!/\\[A-Za-z]+\*?$/.test(text.slice(from, to))) return to;
  let end = to;
  while (text[end] === '{') {
    const close = closingOf(text, end);
    if (close === null) return end;
    end = close + 1;
  }
  return end;
}

function closingOf(text: string, open: number): number | null {
  let depth = 0;
  for (let i = open; i < text.length; i++) {
    if (text[i] === '\\') i++;
    else if (text[i] === '{') depth++;
    else if (text[i] === '}' && --depth === 0) return i;
  }
  return null;
}
