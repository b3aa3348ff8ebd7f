import { sideText, type ToldStep } from '@odd-compass/checks';

export type Result = ToldStep['result'];

/** What the results are called, one and several. */
export const RESULT_WORDS: Readonly<Record<Result, string>> = {
  holds: 'holds',
  differs: 'differs',
  sometimes: 'only sometimes',
  unknown: 'cannot tell',
};

/** How many steps came out how, in words; the ones that want looking at come first. */
export function tally(steps: readonly ToldStep[]): string {
  const count = (result: Result): number => steps.filter((step) => step.result === result).length;
  const parts: readonly (readonly [number, string, string])[] = [
    [count('differs'), 'differs', 'differ'],
    [count('sometimes'), 'holds only sometimes', 'hold only sometimes'],
    [count('holds'), 'holds', 'hold'],
    [count('unknown'), 'cannot be told', 'cannot be told'],
  ];
  const said = parts.filter(([n]) => n > 0).map(([n, one, many]) => `${n} ${n === 1 ? one : many}`);
  const [first = '', ...rest] = said;
  const last = rest.pop();
  return last === undefined ? first : [first, ...rest].join(', ') + ` and ${last}`;
}

/** The part that a step stands in, where the source only reads that part in; null where it stands here. */
export function partOf(text: string, { from, left }: ToldStep): string | null {
  if (left.from !== from) return null;
  const read = /^\\(?:input|include|subfile|import\s*\{[^{}]*\})\s*\{([^{}]+)\}/.exec(
    text.slice(from, from + 200),
  );
  return read?.[1] ?? null;
}

/** A stretch of source in pieces, those that agree on both sides marked. */
export function shownSource(
  text: string,
  { left, right, agreeing }: ToldStep,
): readonly { readonly text: string; readonly agrees: boolean }[] {
  const [from, to] = [left.from, right.from + sideText(text, right).length];
  const marks = [...agreeing].sort((a, b) => a.from - b.from);
  const pieces: { text: string; agrees: boolean }[] = [];
  let at = from;
  for (const mark of marks) {
    if (mark.from < at || mark.to > to) continue;
    pieces.push({ text: text.slice(at, mark.from), agrees: false });
    pieces.push({ text: text.slice(mark.from, mark.to), agrees: true });
    at = mark.to;
  }
  pieces.push({ text: text.slice(at, to), agrees: false });
  return pieces.filter((piece) => piece.text !== '');
}
