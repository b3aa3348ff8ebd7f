import { proseOf } from './prose';

/** Words of the text and formulas of a sheet, as a reader would count them. */
export interface Counts {
  readonly words: number;
  readonly formulas: number;
}

/** Counts words outside formulas, commands, pictures and code. `spans` are starts and ends of the formulas, by turns. */
export function countsOf(text: string, spans: ArrayLike<number>): Counts {
  const begin = text.indexOf('\\begin{document}');
  const from = begin < 0 ? 0 : begin + '\\begin{document}'.length;
  let at = from;
  let formulas = 0;
  for (let i = 0; i + 1 < spans.length; i += 2) {
    if ((spans[i] as number) < at) continue;
    at = spans[i + 1] as number;
    formulas++;
  }
  const plain = proseOf(text.slice(from), from, spans).replace(/[{}~&]/g, ' ');
  return { words: plain.match(/[\p{L}\p{N}][\p{L}\p{N}'’-]*/gu)?.length ?? 0, formulas };
}
