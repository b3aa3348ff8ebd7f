/** An entry of an index as it is typed: `group!subgroup@printed|textbf` (the rules of index processors). */
export interface IndexEntry {
  /** From the outermost to the innermost: what it is sorted by, and what is printed. */
  readonly levels: readonly { readonly key: string; readonly printed: string }[];
  /** A command around the page, such as `textbf` or `see{tide}`; empty when there is none. */
  readonly around: string;
  /** Does a range of pages begin or end here? */
  readonly range: '' | '(' | ')';
}

/** The text cut at a sign; behind `"` a sign is itself, and so it is within braces. */
function cutAt(text: string, sign: string): string[] {
  const parts = [''];
  let depth = 0;
  for (let i = 0; i < text.length; i++) {
    const char = text[i] as string;
    const last = parts.length - 1;
    if (char === '"' && text[i - 1] !== '\\') {
      parts[last] += char + (text[++i] ?? '');
      continue;
    }
    if (char === '{') depth++;
    else if (char === '}') depth--;
    if (char === sign && depth <= 0) parts.push('');
    else parts[last] += char;
  }
  return parts;
}

const unquoted = (text: string): string => text.replace(/(?<!\\)"(.)/g, '$1').trim();

/** Reads an entry. */
export function readIndexEntry(text: string): IndexEntry {
  const [head = '', ...rest] = cutAt(text, '|');
  const around = rest.join('|').trim();
  const range = around.startsWith('(') ? '(' : around.startsWith(')') ? ')' : '';
  const levels = cutAt(head, '!').map((level) => {
    const [key = '', ...printed] = cutAt(level, '@');
    return {
      key: unquoted(key),
      printed: unquoted(printed.length > 0 ? printed.join('@') : key),
    };
  });
  return { levels, around: range === '' ? around : around.slice(1), range };
}

/** One line of a printed index: how deep, what it says, the pages as source. */
export interface IndexLine {
  readonly depth: number;
  readonly printed: string;
  readonly pages: readonly string[];
  /** Before it, space: another letter begins. */
  readonly apart: boolean;
}

interface Node {
  readonly key: string;
  readonly printed: string;
  readonly refs: { page: string; around: string; range: IndexEntry['range'] }[];
  readonly below: Node[];
}

/** Signs first, then numbers, then letters whatever their case. */
const rankOf = (key: string): number => (/^\d/.test(key) ? 1 : /^\p{L}/u.test(key) ? 2 : 0);

const collator = new Intl.Collator('en', { sensitivity: 'base', numeric: true });
const byKey = (a: Node, b: Node): number =>
  rankOf(a.key) - rankOf(b.key) || collator.compare(a.key, b.key) || (a.key < b.key ? -1 : 1);

const letterOf = ({ key }: Node): string =>
  rankOf(key) === 2
    ? key
        .charAt(0)
        .normalize('NFD')
        .replace(/[^\p{L}]/gu, '')
        .toLocaleUpperCase()
    : String(rankOf(key));

/** The pages of an entry: each once, three and more in a row as a range, with what stands around them. */
export function pagesOf(refs: Node['refs']): string[] {
  const out: string[] = [];
  const dressed = (pages: string, around: string): string =>
    around === ''
      ? pages
      : around.includes('{')
        ? `\\${around}{${pages}}`
        : `\\${around}{${pages}}`;
  for (let i = 0; i < refs.length; i++) {
    const { page, around, range } = refs[i] as Node['refs'][number];
    if (range === '(') {
      const end = refs.findIndex((ref, k) => k > i && ref.range === ')');
      const last = end < 0 ? page : (refs[end]?.page ?? page);
      out.push(dressed(last === page ? page : `${page}--${last}`, around));
      if (end >= 0) i = end;
      continue;
    }
    let last = i;
    const isNext = (k: number): boolean => {
      const next = refs[k + 1];
      const [a, b] = [Number(refs[k]?.page), Number(next?.page)];
      return (
        next?.around === around && next.range === '' && (next.page === refs[k]?.page || b === a + 1)
      );
    };
    while (isNext(last)) last++;
    const pages = [...new Set(refs.slice(i, last + 1).map((ref) => ref.page))];
    const [first = page] = pages;
    if (pages.length >= 3) out.push(dressed(`${first}--${pages.at(-1)}`, around));
    else out.push(...pages.map((one) => dressed(one, around)));
    i = last;
  }
  return [...new Set(out)];
}

/** The lines of an index in their order. */
export function indexLines(
  entries: readonly { readonly text: string; readonly page: string }[],
): IndexLine[] {
  const roots: Node[] = [];
  for (const { text, page } of entries) {
    const { levels, around, range } = readIndexEntry(text);
    let list = roots;
    let node: Node | undefined;
    for (const { key, printed } of levels) {
      node = list.find((one) => one.key === key && one.printed === printed);
      if (!node) list.push((node = { key, printed, refs: [], below: [] }));
      list = node.below;
    }
    node?.refs.push({ page, around, range });
  }
  const lines: IndexLine[] = [];
  const write = (nodes: Node[], depth: number): void => {
    let letter: string | null = null;
    for (const node of [...nodes].sort(byKey)) {
      const apart = depth === 0 && letter !== null && letter !== letterOf(node);
      letter = letterOf(node);
      lines.push({ depth, printed: node.printed, pages: pagesOf(node.refs), apart });
      write(node.below, depth + 1);
    }
  };
  write(roots, 0);
  return lines;
}
