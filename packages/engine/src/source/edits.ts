/** One replacement: the text from `from` to `to` becomes `text`. Offsets in UTF-16 units. */
export interface TextEdit {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** The text after one edit. */
export function applyEdit(text: string, edit: TextEdit): string {
  return text.slice(0, edit.from) + edit.text + text.slice(edit.to);
}

/** The text after several edits whose offsets all refer to the text before them. */
export function applyEdits(text: string, edits: readonly TextEdit[]): string {
  const fromTheEnd = [...edits].sort((a, b) => b.from - a.from);
  return fromTheEnd.reduce(applyEdit, text);
}

/**
 * Two edits, one after the other, as one edit of the text before them.
 *
 * @param between gives a piece of the text as the first edit leaves it.
 */
export function composed(
  first: TextEdit,
  second: TextEdit,
  between: (from: number, to: number) => string,
): TextEdit {
  const from = Math.min(first.from, second.from);
  const end = Math.max(first.from + first.text.length, second.to);
  const shift = first.text.length - (first.to - first.from);
  const text = between(from, second.from) + second.text + between(second.to, end);
  return { from, to: end - shift, text };
}

/** The smallest single edit that turns `before` into `after`, or null when they are the same. */
export function editBetween(before: string, after: string): TextEdit | null {
  if (before === after) return null;
  const shorter = Math.min(before.length, after.length);
  let start = 0;
  while (start < shorter && before.charCodeAt(start) === after.charCodeAt(start)) start++;
  let end = 0;
  while (
    end < shorter - start &&
    before.charCodeAt(before.length - 1 - end) === after.charCodeAt(after.length - 1 - end)
  ) {
    end++;
  }
  return {
    from: start,
    to: before.length - end,
    text: after.slice(start, after.length - end),
  };
}
