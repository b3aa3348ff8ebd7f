import { NO_TEXT } from './prose';
import { withoutComments } from './structure';

/** Words of the text and formulas of a sheet, as a reader would count them. */
export interface Counts {
  readonly words: number;
  readonly formulas: number;
}

/** Counts words outside formulas and commands. `spans` are starts and ends of the formulas, by turns. */
export function countsOf(text: string, spans: ArrayLike<number>): Counts {
  const begin = text.indexOf('\\begin{document}');
  const from = begin < 0 ? 0 : begin + '\\begin{document}'.length;
  let prose = '';
  let at = from;
  let formulas = 0;
  for (let i = 0; i + 1 < spans.length; i += 2) {
    const start = spans[i] as number;
    if (start < at) continue;
    prose += `${text.slice(at, start)} `;
    at = spans[i + 1] as number;
    formulas++;
  }
  prose += text.slice(at);
  const plain = withoutComments(prose)
    .replace(NO_TEXT, ' ')
    .replace(/\\[A-Za-z]+\*?|\\./g, ' ')
    .replace(/[{}~&]/g, ' ');
  return { words: plain.match(/[\p{L}\p{N}][\p{L}\p{N}'’-]*/gu)?.length ?? 0, formulas };
}
