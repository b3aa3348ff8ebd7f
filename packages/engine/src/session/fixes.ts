import { nearestNames } from '../base/nearest';
import {
  movedFix,
  withWays,
  type Fix,
  type FindingCode,
  type RawFinding,
} from '../findings/finding';
import { tooWideFormula, tooWideLine } from './wideMends';
import type { BlockFinding } from './wording';

/** What a fix is made from: the text, the finding's place in it, and names it may mean. */
export interface FixContext {
  readonly text: string;
  readonly from: number;
  readonly to: number;
  readonly args: Readonly<Record<string, string>>;
  readonly labels: readonly string[];
  readonly keys: readonly string[];
  readonly files: readonly string[];
}

/** The ways to mend something, the likeliest first. */
type MakeFix = (context: FixContext) => Fix | readonly Fix[] | null;

/** As many ways are offered at most: more were a list to read. */
const MOST_WAYS = 3;

const one = (title: string, from: number, to: number, text: string): Fix => ({
  title,
  edits: [{ from, to, text }],
});

const takeOut: MakeFix = ({ from, to }) => one('Take it out', from, to, '');

/** The name in braces within the finding's place, replaced by one of the nearest of those there are. */
const renamed =
  (names: (context: FixContext) => readonly string[]): MakeFix =>
  (context) => {
    const { text, from, to, args } = context;
    const name = args.name ?? '';
    const at = text.slice(from, to + 1).indexOf(name);
    if (at < 0 || name === '') return null;
    const start = from + at;
    return nearestNames(name, names(context), MOST_WAYS).map((near) =>
      one(`Write ${near}`, start, start + name.length, near),
    );
  };

const literal =
  (char: string): MakeFix =>
  ({ text, from, to }) =>
    text.slice(from, to) === char ? one(`Print the ${char} itself`, from, to, `\\${char}`) : null;

/** The end of the line that a place stands on, comments left out. */
function lineEnd(text: string, at: number): number {
  const end = text.indexOf('\n', at);
  const line = text.slice(at, end < 0 ? text.length : end);
  const comment = /(?<!\\)%/.exec(line);
  return at + (comment ? comment.index : line.length);
}

/** Mends that follow from the source at the place alone, for each kind of finding that has one. */
const FIXES: Partial<Record<FindingCode, MakeFix>> = {
  'alignment-outside': literal('&'),
  'parameter-character': literal('#'),
  'brace-extra': takeOut,
  'script-missing': takeOut,
  'end-without-begin': ({ text, from, to }) =>
    text.startsWith('\\end', from) ? one('Take it out', from, to, '') : null,
  'group-unclosed': ({ text, from }) => {
    const end = lineEnd(text, from);
    return one('Close it at the end of the line', end, end, '}');
  },
  'delimiter-unmatched': ({ text, from, args }) => {
    const word = `\\${args.name ?? ''}`;
    return text.startsWith(word, from)
      ? one('Make it a plain bracket', from, from + word.length, '')
      : null;
  },
  'delimiter-missing': ({ text, from, args }) => {
    const behind = from + 1 + (args.name ?? '').length;
    return text.startsWith(`\\${args.name ?? ''}`, from)
      ? one('No bracket on this side', behind, behind, '.')
      : null;
  },
  'blank-line-in-formula': ({ text, from }) => {
    const blank = /\n[ \t]*\n/.exec(text.slice(Math.max(0, from - 1)));
    if (!blank) return null;
    const at = Math.max(0, from - 1) + blank.index;
    return one('Take the blank line out', at, at + blank[0].length, '\n');
  },
  'scripts-doubled': ({ text, from, to }) => {
    // a^b^c: the base with its first script becomes a group.
    const mark = text.slice(from, to).search(/[\^_]/);
    const at = mark < 0 ? from : from + mark;
    const before =
      /(?:\\[A-Za-z]+|[A-Za-z0-9)}\]])\s*[\^_]\s*(?:\{[^{}]*\}|\\[A-Za-z]+|[^\s{}\\])\s*$/.exec(
        text.slice(0, at),
      );
    if (!before) return null;
    const start = before.index;
    return {
      title: 'Put braces around the first',
      edits: [
        { from: start, to: start, text: '{' },
        { from: at, to: at, text: '}' },
      ],
    };
  },
  'title-missing': ({ text }) => {
    const begin = text.indexOf('\\begin{document}');
    return begin < 0 ? null : one('Add a title', begin, begin, '\\title{Untitled}\n');
  },
  'reference-unknown': renamed(({ labels }) => labels),
  'citation-unknown': renamed(({ keys }) => keys),
  'file-missing': renamed(({ files }) => files),
  'label-repeated': ({ text, from, to, args, labels }) => {
    const name = args.name ?? '';
    const at = text.slice(from, to).indexOf(`{${name}}`);
    if (at < 0) return null;
    let n = 2;
    while (labels.includes(`${name}-${n}`)) n++;
    const start = from + at + 1;
    return one(`Call this one ${name}-${n}`, start, start + name.length, `${name}-${n}`);
  },
  'item-outside-list': ({ text, from }) => {
    const end = /\n[ \t]*\n|\n?\\end\{|$/.exec(text.slice(from));
    const at = from + (end?.index ?? 0);
    const close = text[at - 1] === '\n' ? '\\end{itemize}' : '\n\\end{itemize}';
    return {
      title: 'Make a list of it',
      edits: [
        { from, to: from, text: '\\begin{itemize}\n' },
        { from: at, to: at, text: close },
      ],
    };
  },
  'columns-too-many': ({ text, from }) => {
    const TABLE = /\\begin\{(?:tabular|array|longtable)\}(?:\[[^\]]*\])?\{/g;
    const here = text.startsWith('\\begin', from) ? from + 1 : from;
    const begin = [...text.slice(0, here + 40).matchAll(TABLE)].findLast(
      ({ index }) => index < here,
    );
    if (!begin) return null;
    const open = begin.index + begin[0].length;
    const spec = /^(?:[^{}]|\{[^{}]*\})*/.exec(text.slice(open));
    const end = open + (spec?.[0].length ?? 0);
    return one('Give the table another column', end, end, 'c');
  },
  'unit-missing': ({ text, to, args }) => {
    const number = args.number ?? '';
    const at = text.slice(Math.max(0, to - 40), to).lastIndexOf(number);
    if (at < 0) return null;
    const end = Math.max(0, to - 40) + at + number.length;
    return one('Make it points', end, end, 'pt');
  },
  'command-redefined': ({ text, from }) => {
    const at = text.lastIndexOf('\\newcommand', from);
    return at >= 0 && from - at < 16
      ? one('Write \\renewcommand', at, at + '\\newcommand'.length, '\\renewcommand')
      : null;
  },
  'command-not-yet-defined': ({ text, from }) => {
    const at = text.lastIndexOf('\\renewcommand', from);
    return at >= 0 && from - at < 18
      ? one('Write \\newcommand', at, at + '\\renewcommand'.length, '\\newcommand')
      : null;
  },
  'column-unknown': ({ text, from, args }) =>
    text.slice(from, from + 1) === args.name
      ? one('Set it to the left', from, from + 1, 'l')
      : null,
  'verb-unclosed': ({ text, from, args }) => {
    const end = text.indexOf('\n', from);
    const at = end < 0 ? text.length : end;
    return one('Close it at the end of the line', at, at, args.open ?? '|');
  },
  'option-unknown': ({ text, from, to }) => {
    const behind = /^\s*,/.exec(text.slice(to));
    const before = /,\s*$/.exec(text.slice(0, from));
    const start = behind ? from : from - (before?.[0].length ?? 0);
    return one('Take it out', start, to + (behind?.[0].length ?? 0), '');
  },
  'text-only-in-math': ({ text, from, to }) => {
    const argument = /^\s*\{[^{}]*\}/.exec(text.slice(to));
    const end = to + (argument?.[0].length ?? 0);
    return argument
      ? {
          title: 'Put \\text around it',
          edits: [
            { from, to: from, text: '\\text{' },
            { from: end, to: end, text: '}' },
          ],
        }
      : null;
  },
  'bibliography-style-unknown': ({ text, from, to, args }) => {
    const at = text.slice(from, to + 80).indexOf(args.name ?? '');
    const start = from + at;
    return at < 0 ? null : one('Write plain', start, start + (args.name ?? '').length, 'plain');
  },
  'caption-outside': ({ text, from }) => {
    const end = lineEnd(text, from);
    return {
      title: 'Put a figure around it',
      edits: [
        { from, to: from, text: '\\begin{figure}[htbp]\n' },
        { from: end, to: end, text: '\n\\end{figure}' },
      ],
    };
  },
  'formula-too-wide': ({ text, from, to, args }) =>
    tooWideFormula(text, from, to, Number(args.times)),
  'line-too-wide': ({ text, from, to }) => tooWideLine(text, from, to),
};

/** Kinds that may have a nearer cause. */
const PLAINER: ReadonlySet<FindingCode> = new Set([
  'line-too-wide',
  'group-unclosed',
  'argument-unclosed',
  'formula-unclosed',
  'command-unknown',
]);

/** A line that is too wide because of the picture on it; a comment that took a brace; a chapter in an article. */
function plainer(raw: RawFinding, context: FixContext): RawFinding {
  const { text, from, to } = context;
  const source = text.slice(from, to);
  if (raw.code === 'line-too-wide' && /^\s*\\includegraphics/.test(source)) {
    const options = /^\s*\\includegraphics\s*\[([^\]]*)\]/.exec(source);
    const kept = (options?.[1] ?? '')
      .split(',')
      .filter((part) => part.trim() !== '' && !/^\s*(width|height|scale)\b/.test(part));
    const command = /^\s*\\includegraphics/.exec(source)?.[0].length ?? 0;
    const end = options ? options[0].length : command;
    const asWide = (title: string, width: string): Fix =>
      one(title, raw.from + command, raw.from + end, `[${[`width=${width}`, ...kept].join(',')}]`);
    return {
      ...raw,
      code: 'picture-too-wide',
      fix: asWide('Make it as wide as the text', '\\textwidth'),
      others: [asWide('Half as wide', '0.5\\textwidth')],
    };
  }
  if (/^(group|argument|formula)-unclosed$/.test(raw.code)) return swallowed(raw, context) ?? raw;
  if (raw.code === 'command-unknown' && raw.args.name === 'chapter') {
    const found = /\\documentclass\s*(?:\[[^\]]*\])?\{([^{}]*)\}/.exec(text);
    if (!found) return raw;
    const end = found.index + found[0].length - 1 - (from - raw.from);
    const name = found[1] ?? '';
    return {
      ...raw,
      code: 'chapters-missing',
      args: { class: name },
      fix: one('Make it a report', end - name.length, end, 'report'),
    };
  }
  return raw;
}

/** What closes something open stands in a comment: the sign that starts that is the cause. */
function swallowed(raw: RawFinding, { text, from }: FixContext): RawFinding | null {
  const closer =
    raw.code === 'formula-unclosed'
      ? (raw.args.open ?? '$').replace(/\\([[(])/, (_, c: string) => (c === '[' ? '\\]' : '\\)'))
      : '}';
  const paragraph = /^[\s\S]*?(?=\n[ \t]*\n|$)/.exec(text.slice(from))?.[0] ?? '';
  for (const found of paragraph.matchAll(/(?<!\\)%[^\n]*/g)) {
    if (!found[0].includes(closer)) continue;
    const at = raw.from + found.index;
    return {
      code: 'comment-swallows',
      from: at,
      to: at + 1,
      args: { what: closer },
      fix: one('Write \\%', at, at + 1, '\\%'),
    };
  }
  return null;
}

/** Findings named by their nearer cause, with the button that mends them where the source tells how. */
export function withFixes(
  findings: readonly BlockFinding[],
  text: () => string,
  names: Pick<FixContext, 'labels' | 'keys' | 'files'>,
): BlockFinding[] {
  return findings.map(({ start, raw }): BlockFinding => {
    if (raw.inFile || !(raw.code in FIXES || PLAINER.has(raw.code))) return { start, raw };
    const context = {
      text: text(),
      from: start + raw.from,
      to: start + raw.to,
      args: raw.args,
      ...names,
    };
    const better = plainer(raw, context);
    if (better !== raw || raw.fix) return { start, raw: better };
    const made = FIXES[raw.code]?.(context) ?? [];
    const ways = [made].flat().map((way) => movedFix(way, (at) => at - start));
    return { start, raw: withWays(raw, ways) };
  });
}
