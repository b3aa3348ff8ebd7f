import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import type { CellLook } from './tableGrid';

/** Keys of tabularray: columns, places that are named, how cells look. */

/** Most rows and columns that one cell covers. */
export const MOST = 60;

/** Columns as `tabular` knows them, one by one: `Q[c,2cm]` and `X[2,l]` by their alignment and share. */
export function plainColumns(spec: string, own: Readonly<Record<string, string>> = {}): string[] {
  const known = Object.entries(own).reduce(
    (text, [letter, form]) =>
      text.replace(
        new RegExp(`${letter}(?![a-z=])((?:\\{[^{}]*\\}|\\[[^\\]]*\\])*)`, 'g'),
        (_, args: string) => {
          const given = [...args.matchAll(/\{([^{}]*)\}|\[([^\]]*)\]/g)].map(
            (one) => one[1] ?? one[2],
          );
          return form.replace(/#(\d)/g, (_whole, n: string) => given[Number(n) - 1] ?? '');
        },
      ),
    spec,
  );
  const flat = known
    .replace(/\*\{?(\d+)\}?\{([^{}]*)\}/g, (_, n: string, one: string) =>
      one.repeat(Math.min(MOST, Number(n))),
    )
    .replace(/[QX](?:\[([^\]]*)\])?/g, (whole, options: string | undefined) => {
      const said = options ?? '';
      const width =
        /(?:wd\s*=\s*)?(\d[\d.]*\s*(?:cm|mm|em|ex|pt|in)|[\d.]*\\(?:line|text)width)/.exec(
          said,
        )?.[1];
      const align = /(?:^|[,=\s])([lcr])(?:$|[,\s])/.exec(said)?.[1];
      const upright = /(?:^|[,=\s])([mbf])(?:$|[,\s])/.exec(said)?.[1];
      const letter = upright === 'm' ? 'm' : upright ? 'b' : 'p';
      const arrow = { c: '>{\\centering\\arraybackslash}', r: '>{\\raggedleft\\arraybackslash}' }[
        align ?? ''
      ];
      if (width) return `${arrow ?? ''}${letter}{${width}}`;
      const share = /(?:^|[,\s])(-?[\d.]+)(?:$|[,\s])/.exec(said)?.[1] ?? '1';
      if (whole.startsWith('X') && !share.startsWith('-')) return `X${align ?? ''}${share};`;
      return align ?? 'l';
    });
  return (
    flat.match(
      /[lcr]|S(?:\[[^\]]*\])?|[pmb]\{(?:[^{}]|\{[^{}]*\})*\}|X[lcr]?[\d.]*;|[@!><]\{(?:[^{}]|\{[^{}]*\})*\}|\|/g,
    ) ?? []
  );
}

/** Which places a selector names among so many: `2`, `1,3`, `2-4`, `odd`, `even`, `Z` for the last. */
export function selected(selector: string, count: number): (place: number) => boolean {
  const last = selector
    .replace(/\bZ\b/g, String(count))
    .replace(/\bY\b/g, String(count - 1))
    .trim();
  if (last === '' || last === '-') return () => true;
  const parts = last.split(',').map((part) => part.trim());
  return (place) =>
    parts.some((part) => {
      if (part === 'odd') return place % 2 === 1;
      if (part === 'even') return place % 2 === 0;
      const [from, to = from] = part.split('-').map((end) => parseInt(end, 10));
      return from !== undefined && to !== undefined && place >= from && place <= to;
    });
}

/** `halign=c,bg=red!20,font=\bfseries`, `c,bg=…`: how cells look. */
export function lookOf(text: string): CellLook {
  const out: { -readonly [K in keyof CellLook]: CellLook[K] } = {};
  for (const part of text.split(/,(?![^{]*\})/)) {
    const at = part.indexOf('=');
    const key = (at < 0 ? part : part.slice(0, at)).trim();
    const value = at < 0 ? '' : part.slice(at + 1).trim();
    if (key === 'bg') out.bg = value;
    else if (key === 'fg') out.fg = value;
    else if (key === 'font') out.font = value.replace(/^\{|\}$/g, '');
    else if (key === 'cmd') out.command = value.replace(/^\{|\}$/g, '');
    else if (key === 'preto') out.before = value.replace(/^\{|\}$/g, '');
    else if (key === 'appto') out.behind = value.replace(/^\{|\}$/g, '');
    else if (key === 'mode' && /^(?:math|imath|dmath|\$)/.test(value)) out.math = true;
    else if (key === '$') out.math = true;
    else if (key === 'halign' && /^[lcr]$/.test(value)) out.halign = value as 'l' | 'c' | 'r';
    else if (at < 0 && /^[lcr]$/.test(key)) out.halign = key as 'l' | 'c' | 'r';
    else if (
      at < 0 &&
      /^[a-z]+\d?(?:![\d.]+)*(?:![a-z]+\d?)?$/.test(key) &&
      key.length > 1 &&
      !/^(?:m|t|b|h|f|mode|guard)$/.test(key)
    )
      out.bg = key;
  }
  return out;
}

/** Keys whose names carry a selector: `row{2-3}`, `hline{1,Z}`, `cell{1}{2}`. */
export function keyed(keys: ReadonlyMap<string, readonly Token[]>, name: string) {
  return [...keys].flatMap(([key, value]) => {
    const match = new RegExp(`^${name}((?:\\{[^{}]*\\})*)$`).exec(key.replace(/\s/g, ''));
    if (!match) return [];
    const selectors = [...(match[1] ?? '').matchAll(/\{([^{}]*)\}/g)].map((one) => one[1] ?? '');
    return [{ selectors, text: tokensText(value).trim() }];
  });
}
