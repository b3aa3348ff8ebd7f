/** A person's name in its four parts (BibTeX's `format.name$`). */
export interface Name {
  readonly first: readonly string[];
  readonly von: readonly string[];
  readonly last: readonly string[];
  readonly jr: readonly string[];
}

/** The text cut at a pattern outside braces. */
export function splitOutside(text: string, separator: RegExp): string[] {
  const parts: string[] = [];
  let depth = 0;
  let start = 0;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '{') depth++;
    else if (text[i] === '}') depth--;
    else if (depth === 0) {
      const hit = separator.exec(text.slice(i));
      if (hit && hit.index === 0 && hit[0] !== '') {
        parts.push(text.slice(start, i));
        i += hit[0].length - 1;
        start = i + 1;
      }
    }
  }
  parts.push(text.slice(start));
  return parts.map((part) => part.trim());
}

const words = (text: string): string[] => splitOutside(text, /^[\s~]+/).filter((w) => w !== '');

const startsLower = (word: string): boolean =>
  /^\{?\\?[a-zà-ÿ]/.test(word) && !/^\{\\/.test(word) && /^[a-zà-ÿ]/.test(word.replace(/^\{/, ''));

/** One name: `First von Last`, `von Last, First` or `von Last, Jr, First`. */
export function parseName(text: string): Name {
  const parts = splitOutside(text, /^,/);
  if (parts.length === 1) {
    const all = words(parts[0] ?? '');
    const lower = all.findIndex((w, i) => i < all.length - 1 && startsLower(w));
    if (lower < 0) return { first: all.slice(0, -1), von: [], last: all.slice(-1), jr: [] };
    const end = all.findLastIndex((w, i) => i < all.length - 1 && startsLower(w));
    return {
      first: all.slice(0, lower),
      von: all.slice(lower, end + 1),
      last: all.slice(end + 1),
      jr: [],
    };
  }
  const family = words(parts[0] ?? '');
  const end = family.findLastIndex((w, i) => i < family.length - 1 && startsLower(w));
  const first = words(parts.at(-1) ?? '');
  const jr = parts.length > 2 ? words(parts[1] ?? '') : [];
  return { first, von: family.slice(0, end + 1), last: family.slice(end + 1), jr };
}

/** All names of an author or editor field. */
export const parseNames = (text: string): Name[] =>
  splitOutside(text, /^\s+and\s+/i)
    .filter((n) => n !== '')
    .map(parseName);

/** First letters, with a full stop each: “Ada M.” → “A. M.”, “Jean-Luc” → “J.-L.”. */
export const initials = (first: readonly string[]): string[] =>
  first.map((word) =>
    word
      .split('-')
      .map((part) => `${firstLetter(part)}.`)
      .join('-'),
  );

/** The first letter of a word, an accent over it included. */
export function firstLetter(word: string): string {
  const special =
    /^\{?(\\[^a-zA-Z](?:\{[a-zA-Z]\}|[a-zA-Z])|\\[a-zA-Z]+\s*(?:\{[a-zA-Z]?\})?)/.exec(word);
  if (special) return `{${special[1] ?? ''}}`;
  return word.replace(/^\{+/, '').slice(0, 1);
}

/** A name as it is printed, its blanks kept together. */
export function formatName(name: Name, short: boolean): string {
  const first = short ? initials(name.first) : name.first;
  const family = [...name.von, ...name.last].join(' ');
  const parts = [first.join('~'), family].filter((p) => p !== '');
  return (
    parts.join(first.length > 0 && first.join('').length < 3 ? '~' : ' ') +
    (name.jr.length > 0 ? ` ${name.jr.join(' ')}` : '')
  );
}

/** “A, B, and C”; “et al.” for `others`. */
export function formatNames(names: readonly Name[], short: boolean): string {
  const printed = names.map((n) =>
    n.last.join(' ') === 'others' ? 'et~al.' : formatName(n, short),
  );
  if (printed.length <= 1) return printed.join('');
  const last = printed.at(-1) as string;
  const before = printed.slice(0, -1);
  if (last === 'et~al.') return `${before.join(', ')} et~al.`;
  return before.length === 1
    ? `${before[0] ?? ''} and ${last}`
    : `${before.join(', ')}, and ${last}`;
}

/** Text without accents, braces and commands, for sorting and labels. */
export const bareText = (text: string): string =>
  text
    .replace(/\\[a-zA-Z]+\s*/g, '')
    .replace(/\\[^a-zA-Z]/g, '')
    .replace(/[{}~]/g, '')
    .normalize('NFD')
    .replace(/\p{M}/gu, '');
