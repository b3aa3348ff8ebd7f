import {
  movedFix,
  withWays,
  type Fix,
  type FindingCode,
  type RawFinding,
} from '../findings/finding';
import type { Mend, MendContext } from '../findings/entry';
import { FINDINGS } from '../findings/kinds';
import { lineEnd, one } from '../findings/mends';
import { type Argument, callsOf, partsNamed, shapeOf } from '../source/shape';
import { oddDollarOf } from './oddDollars';
import { inFormula } from './signsInText';
import type { BlockFinding } from './wording';

/** The mend of a finding, if its kind has one; its arguments are those of its kind. */
const mendOf = ({ code }: RawFinding): Mend | undefined =>
  (FINDINGS[code] as { readonly mend?: Mend }).mend;

/** Kinds that may have a nearer cause. */
const PLAINER: ReadonlySet<FindingCode> = new Set([
  'line-too-wide',
  'group-unclosed',
  'brace-unclosed',
  'argument-unclosed',
  'formula-unclosed',
  'command-unknown',
  'character-in-text',
]);

/** A line that is too wide because of the picture on it; a comment that took a brace; a chapter in an article. */
function plainer(raw: RawFinding, context: MendContext): RawFinding {
  const { text, from, to } = context;
  if (raw.code === 'line-too-wide') {
    const line = text.slice(from, to);
    // Only a line that begins with a picture is looked through: a long word has many that are too wide.
    if (!/^\s*\\includegraphics/.test(line)) return raw;
    const [picture] = callsOf(shapeOf(line), ['includegraphics'], 'so');
    if (!picture) return raw;
    const [, options] = picture.args;
    const kept = (options?.text ?? '')
      .split(',')
      .filter((part) => part.trim() !== '' && !/^\s*(width|height|scale)\b/.test(part));
    const asWide = (title: string, width: string): Fix =>
      one(
        title,
        raw.from + picture.behind,
        raw.from + picture.to,
        `[${[`width=${width}`, ...kept].join(',')}]`,
      );
    return {
      ...raw,
      code: 'picture-too-wide',
      fix: asWide('Make it as wide as the text', '\\textwidth'),
      others: [asWide('Half as wide', '0.5\\textwidth')],
    };
  }
  if (
    raw.code === 'group-unclosed' ||
    raw.code === 'brace-unclosed' ||
    raw.code === 'argument-unclosed' ||
    raw.code === 'formula-unclosed'
  )
    return (
      swallowed(raw, context) ??
      (raw.code === 'formula-unclosed'
        ? (price(raw, context) ?? oddDollarOf(raw, context))
        : null) ??
      raw
    );
  if (raw.code === 'character-in-text') {
    const fix = inFormula(raw);
    return fix ? { ...raw, fix } : raw;
  }
  if (raw.code === 'command-unknown' && HEADING.test(raw.args.name)) {
    const kind = classIn(text);
    if (!kind || !/^letter$|^minimal$/.test(kind.text)) return raw;
    const start = from - raw.from;
    const args = { class: kind.text };
    const fix = one('Make it an article', kind.from - start, kind.to - start, 'article');
    return { ...raw, code: 'headings-missing', args, fix };
  }
  if (raw.code === 'command-unknown' && raw.args.name === 'chapter') {
    const name = classIn(text);
    if (!name) return raw;
    const start = from - raw.from;
    return {
      ...raw,
      code: 'chapters-missing',
      args: { class: name.text },
      fix: one('Make it a report', name.from - start, name.to - start, 'report'),
    };
  }
  return raw;
}

/** `$5 spent`: a sum of money and words behind it, where no other mark stands in the line. */
function price(raw: RawFinding, { text, to }: MendContext): RawFinding | null {
  const behind = text.slice(to, lineEnd(text, to));
  const isMoney = /^\d[\d.,]*(?:[;:!?)]|\s+[a-z]{2,}|\s*$)/.test(behind) && !behind.includes('$');
  if (text.slice(to - 1, to) !== '$' || !isMoney) return null;
  const fix = one('Print the $ itself', raw.from, raw.to, '\\$');
  return { ...raw, fix, ...(raw.fix ? { others: [raw.fix] } : {}) };
}

const HEADING = /^(?:sub)*section$|^tableofcontents$/;

/** The kind of document, as its line names it. */
function classIn(text: string): Argument | null {
  const begin = text.indexOf('\\begin{document}');
  const preamble = text.slice(0, begin < 0 ? text.length : begin);
  return callsOf(shapeOf(preamble), ['documentclass'], 'om')[0]?.args[1] ?? null;
}

/** How far a comment may stand behind what it leaves open. */
const LONGEST_PARAGRAPH = 5000;

/** What closes something open stands in a comment: the sign that starts that is the cause. */
function swallowed(raw: RawFinding, { text, from }: MendContext): RawFinding | null {
  const closer =
    raw.code === 'formula-unclosed'
      ? (raw.args.open ?? '$').replace(/\\([[(])/, (_, c: string) => (c === '[' ? '\\]' : '\\)'))
      : '}';
  const near = text.slice(from, from + LONGEST_PARAGRAPH);
  const paragraph = near.slice(0, /\n[ \t]*\n/.exec(near)?.index);
  for (const comment of partsNamed(shapeOf(paragraph), 'comment')) {
    if (!paragraph.slice(comment.from, comment.to).includes(closer)) continue;
    const at = raw.from + comment.from;
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
  names: Pick<MendContext, 'labels' | 'keys' | 'files'>,
): BlockFinding[] {
  return findings.map(({ start, raw }): BlockFinding => {
    if (raw.inFile || !(mendOf(raw) || PLAINER.has(raw.code))) return { start, raw };
    const context = {
      text: text(),
      from: start + raw.from,
      to: start + raw.to,
      args: raw.args,
      ...names,
    };
    const better = plainer(raw, context);
    if (better !== raw || raw.fix) return { start, raw: better };
    const made = mendOf(raw)?.(context) ?? [];
    const ways = [made].flat().map((way) => movedFix(way, (at) => at - start));
    return { start, raw: withWays(raw, ways) };
  });
}
