import type { LineEdit } from '../classLine';
import type { Span } from '../figure';

/** One option as it stands in the source: with its blanks left aside. */
export interface OptionPart extends Span {
  readonly text: string;
  readonly key: string;
  /** What stands behind its `=`, without braces around it; null when it has none. */
  readonly value: string | null;
}

/** Options in square brackets, or the place where they would stand. */
export interface OptionList {
  /** Between the brackets; empty where they would open. */
  readonly inner: Span;
  readonly bracketed: boolean;
  readonly parts: readonly OptionPart[];
}

const OPENING = '([{';
const CLOSING = ')]}';

/** The place of the bracket that closes the one at a place; the end of the text when none does. */
export function closingAt(text: string, open: number): number {
  let depth = 0;
  for (let i = open; i < text.length; i++) {
    if (text[i] === '\\') i++;
    else if (OPENING.includes(text[i] as string)) depth++;
    else if (CLOSING.includes(text[i] as string) && --depth === 0) return i;
  }
  return text.length;
}

/** Where a text is cut by a sign that stands outside brackets. */
export function cutBy(text: string, sign: string): Span[] {
  const parts: Span[] = [];
  let start = 0;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '\\' && !text.startsWith(sign, i)) i++;
    else if (OPENING.includes(text[i] as string)) i = closingAt(text, i);
    else if (text.startsWith(sign, i)) {
      parts.push({ from: start, to: i });
      start = i + sign.length;
      i = start - 1;
    }
  }
  return [...parts, { from: start, to: text.length }];
}

const unbraced = (value: string): string =>
  value.startsWith('{') && closingAt(value, 0) === value.length - 1 ? value.slice(1, -1) : value;

/** Reads the options that stand at a place of a text, blanks aside; `base` is where the text stands. */
export function optionsAt(text: string, at: number, base = 0): OptionList {
  const open = at + (/^\s*/.exec(text.slice(at))?.[0].length ?? 0);
  if (text[open] !== '[')
    return { inner: { from: base + at, to: base + at }, bracketed: false, parts: [] };
  const end = closingAt(text, open);
  const inner = text.slice(open + 1, end);
  const parts = cutBy(inner, ',').flatMap(({ from, to }): OptionPart[] => {
    const raw = inner.slice(from, to);
    const trimmed = raw.trim();
    if (trimmed === '') return [];
    const start = base + open + 1 + from + raw.indexOf(trimmed);
    const equals = /^([^=[\]{}]*?)\s*=\s*([\s\S]*)$/.exec(trimmed);
    return [
      {
        from: start,
        to: start + trimmed.length,
        text: trimmed,
        key: equals?.[1] ?? trimmed,
        value: equals ? unbraced(equals[2] ?? '') : null,
      },
    ];
  });
  return { inner: { from: base + open + 1, to: base + end }, bracketed: true, parts };
}

/** What a key is set to; null when it is not, '' when it stands alone. */
export function valueOf({ parts }: OptionList, key: string): string | null {
  const part = parts.findLast((one) => one.key === key);
  return part ? (part.value ?? '') : null;
}

/**
 * The edit that puts an option in the place of the last that is of its kind, or behind all; that takes
 * those of its kind out, when it is empty. Null when nothing changes.
 */
export function withOption(
  list: OptionList,
  isKind: (part: OptionPart) => boolean,
  option: string,
): LineEdit | null {
  const { inner, bracketed, parts } = list;
  const at = parts.findLastIndex(isKind);
  const part = parts[at];
  if (part?.text === option || (!part && option === '')) return null;
  if (part && option !== '') return { from: part.from, to: part.to, insert: option };
  if (part) {
    // Its comma goes with it, and brackets that hold nothing else.
    if (parts.length === 1 && !inBlanks(list))
      return { from: inner.from - 1, to: inner.to + 1, insert: '' };
    const [before, behind] = [parts[at - 1], parts[at + 1]];
    const from = behind ? part.from : (before?.to ?? part.from);
    return { from, to: behind?.from ?? part.to, insert: '' };
  }
  if (!bracketed) return { ...inner, insert: `[${option}]` };
  const last = parts.at(-1);
  const place = last?.to ?? inner.from;
  return { from: place, to: place, insert: last ? `, ${option}` : option };
}

/** Does more than its one option stand between the brackets, such as a comment or ends of lines? */
const inBlanks = ({ inner, parts }: OptionList): boolean =>
  (parts[0]?.from ?? 0) - inner.from + inner.to - (parts[0]?.to ?? 0) > 1;

/** The edit that sets a key; an empty value takes it out. */
export function withKey(list: OptionList, key: string, value: string): LineEdit | null {
  const needsBraces = /[,=[\]]/.test(value);
  const written = value === '' ? '' : `${key}=${needsBraces ? `{${value}}` : value}`;
  return withOption(list, (part) => part.key === key, written);
}
