import { editDistance, nearestName } from '../base/nearest';
import type { Fix, RawFinding } from '../findings/finding';
import { CELLS } from '../language/machine/cells';
import type { SessionBlock } from './block';
import { labelsOfKey } from './facts';
import type { SourceReading } from './reading';
import { bareCommand, leaningSlashes, type WrittenName } from './slashes';
import { notesOf } from './sourceAdvice';
import { withoutComments } from './visibleSource';
import type { BlockFinding } from './wording';

/** Commands that print a word and take the blank behind them. */
const PRINTED = new Set(['LaTeX', 'TeX', 'LaTeXe', 'today', 'ldots', 'dots']);

/** What the sources of the blocks say together: what is told of each, and of the document as a whole. */
export function documentAdvice(
  reading: SourceReading,
  labels: ReadonlySet<string>,
): BlockFinding[] {
  const { blocks } = reading;
  const slashes = backslashes(blocks);
  const first = blocks.findIndex((block) => notesOf(block).beginsDocument);
  if (first < 0) return slashes;
  // Where the sign is a command (in German, by csquotes) it is what it should be.
  const ownQuotes = reading.finalValue(CELLS.ownQuotes);
  const own = new Set(blocks.flatMap((block) => notesOf(block).ownWords));
  const body = blocks.slice(first);
  const out: BlockFinding[] = [...wholeAdvice(reading, body)];
  for (const block of blocks.slice(0, first)) {
    const { swallowed, title } = notesOf(block);
    if (!title) continue;
    for (const { name, from, to } of swallowed)
      if ((PRINTED.has(name) || own.has(name)) && from > title.from && to < title.to)
        out.push({ start: block.start, raw: swallowedBlank(name, from, to) });
  }
  for (const block of body) {
    const add = (raw: RawFinding): void => void out.push({ start: block.start, raw });
    const { findings, swallowed } = notesOf(block);
    for (const raw of findings) if (raw.code !== 'quotes-straight' || !ownQuotes) add(raw);
    for (const { name, from, to } of swallowed)
      if (PRINTED.has(name) || own.has(name)) add(swallowedBlank(name, from, to));
  }
  return [
    ...slashes,
    ...out,
    ...titleNotPrinted(reading, blocks),
    ...unusedLabels(blocks, labels),
    ...lateLines(body),
    ...textBehindEnd(reading),
  ];
}

const CHAPTERED = /^(?:report|book|memoir|scrreprt|scrbook)$/;
const ASIAN = /ctex|CJK|xeCJK|luatexja|fontspec/;

/** What the document as a whole lacks: chapters above its sections, a text, a package for its script. */
function wholeAdvice(reading: SourceReading, body: readonly SessionBlock[]): BlockFinding[] {
  const { blocks, text } = reading;
  const out: RawFinding[] = [];
  const kind = reading.finalValue(CELLS.class) ?? '';
  const headings = body.flatMap((block) =>
    notesOf(block).headings.map(({ name, from }) => ({ name, from: from + block.start })),
  );
  const [heading] = headings;
  if (CHAPTERED.test(kind) && heading?.name === 'section')
    out.push({
      code: 'chapters-below',
      from: heading.from,
      to: heading.from + 1 + heading.name.length,
      args: { class: kind },
      fix: asChapters(headings),
    });
  const empty = /\\begin\{document\}\s*\\end\{document\}/.exec(text);
  if (empty)
    out.push({ code: 'nothing-printed', from: empty.index, to: empty.index + 16, args: {} });
  const loads = blocks.flatMap((block) => notesOf(block).loads).map(({ line }) => line);
  const asian = body.find((block) => notesOf(block).chineseAt >= 0);
  if (asian && !loads.some((line) => ASIAN.test(line))) {
    const from = asian.start + notesOf(asian).chineseAt;
    out.push({
      code: 'script-without-package',
      from,
      to: from + 1,
      args: { script: 'Chinese characters', package: 'xeCJK' },
    });
  }
  return out.map((raw) => ({ start: 0, raw }));
}

/** Sections made chapters, and what is below them sections. */
function asChapters(headings: readonly { name: string; from: number }[]): Fix {
  const up: Readonly<Record<string, string>> = {
    section: 'chapter',
    subsection: 'section',
    subsubsection: 'subsection',
  };
  const edits = headings.flatMap(({ name, from }) => {
    const other = up[name];
    return other ? [{ from: from + 1, to: from + 1 + name.length, text: other }] : [];
  });
  return { title: 'Make chapters of the sections', edits };
}

/** Commands without their backslash, and with a slash in its place, in the preamble too. */
function backslashes(blocks: readonly SessionBlock[]): BlockFinding[] {
  const placed = (names: (block: SessionBlock) => readonly WrittenName[]): WrittenName[] =>
    blocks.flatMap((block) =>
      names(block).map(({ name, from }) => ({ name, from: from + block.start })),
    );
  const leaning = leaningSlashes(placed((block) => notesOf(block).leaning));
  const bare = placed((block) => notesOf(block).bare).map(bareCommand);
  return [...leaning, ...bare].map((raw) => ({ start: 0, raw }));
}

const swallowedBlank = (name: string, from: number, to: number): RawFinding => ({
  code: 'blank-swallowed',
  from,
  to,
  args: { name },
  fix: { title: 'Keep the blank', edits: [{ from: to, to, text: '{}' }] },
});

function titleNotPrinted(reading: SourceReading, blocks: readonly SessionBlock[]): BlockFinding[] {
  const titled = blocks.find((block) => notesOf(block).title);
  if (!titled || blocks.some((block) => notesOf(block).printsTitle)) return [];
  const { from, to } = notesOf(titled).title as { from: number; to: number };
  const behindSign = /^[ \t]*(%[ \t]*)\\maketitle/m.exec(reading.text);
  const begin = reading.text.indexOf('\\begin{document}') + '\\begin{document}'.length;
  // Written with a slip, it is told of as what it is.
  const misspelt = blocks.some(({ reading: { findings } }) =>
    findings.some(
      ({ code, args }) =>
        code === 'command-unknown' && editDistance(args.name, 'maketitle', 2) <= 2,
    ),
  );
  if (misspelt) return [];
  // A title that is given in the text is printed behind it.
  const given = titled.start + to;
  const place = given > begin ? given : begin;
  return [
    {
      start: 0,
      raw: {
        code: 'title-not-printed',
        from: titled.start + from,
        to: titled.start + to,
        args: {},
        fix: printing(behindSign, place),
      },
    },
  ];
}

/** `\maketitle`, taken out of its comment where it stands in one. */
function printing(behindSign: RegExpExecArray | null, begin: number): Fix {
  if (!behindSign)
    return { title: 'Print it', edits: [{ from: begin, to: begin, text: '\n\\maketitle' }] };
  const [whole, sign = ''] = behindSign;
  const from = behindSign.index + whole.indexOf('%');
  return {
    title: 'Take \\maketitle out of its comment',
    edits: [{ from, to: from + sign.length, text: '' }],
  };
}

/** For how many references that lead nowhere it is asked what they mean. */
const MOST_ASTRAY = 200;

/** Labels that nothing refers to. Told only where some others are used: a sheet without references has none by choice. */
function unusedLabels(
  blocks: readonly SessionBlock[],
  labels: ReadonlySet<string>,
): BlockFinding[] {
  const referred = new Set(
    blocks.flatMap((block) => [...notesOf(block).referred, ...labelsAsked(block)]),
  );
  if (![...labels].some((name) => referred.has(name))) return [];
  // A misspelt reference to it is told of already.
  const astray = [...referred].filter((one) => !labels.has(one));
  for (const name of astray.slice(0, MOST_ASTRAY)) {
    const meant = nearestName(name, labels);
    if (meant !== null) referred.add(meant);
  }
  return blocks.flatMap(({ start, reading }) =>
    reading.labels
      .filter(({ name, from, to }) => labels.has(name) && !referred.has(name) && to > from)
      .map(({ name, from, to }): BlockFinding => ({
        start,
        raw: { code: 'label-unused', from, to, args: { name } },
      })),
  );
}

/** Labels that layout asked for, also in other files and by way of commands. */
const labelsAsked = ({ laid }: SessionBlock): string[] =>
  [...(laid?.facts.keys() ?? [])].flatMap(labelsOfKey);

/** Lines of the preamble that stand in the text. */
function lateLines(body: readonly SessionBlock[]): BlockFinding[] {
  const [first] = body;
  const begin = (first?.start ?? 0) + (first?.source.indexOf('\\begin{document}') ?? 0);
  return body.flatMap((block) =>
    notesOf(block)
      .loads.filter(({ from }) => block.start + from >= begin)
      .map(({ what, line, from, to }): BlockFinding => {
        const at = block.start + from;
        const edits = [
          { from: begin, to: begin, text: `${line}\n` },
          { from: at, to: block.start + to, text: '' },
        ];
        const fix = { title: 'Move it to the start', edits };
        return {
          start: 0,
          raw: {
            code: 'line-too-late',
            from: at,
            to: at + line.length,
            args: { name: what },
            ...(what === 'usepackage' ? { fix } : {}),
          },
        };
      }),
  );
}

/** What stands behind the end of the document is never printed. */
function textBehindEnd(reading: SourceReading): BlockFinding[] {
  if (!reading.finalValue(CELLS.ended)) return [];
  const last = reading.blocks.at(-1);
  const END = '\\end{document}';
  const at = last ? last.source.indexOf(END) : -1;
  if (!last || at < 0) return [];
  const behind = withoutComments(last.source.slice(at + END.length));
  const found = /\S[\s\S]*\S|\S/.exec(behind);
  if (!found) return [];
  const from = at + END.length + found.index;
  return [
    {
      start: last.start,
      raw: { code: 'text-behind-end', from, to: from + found[0].length, args: {} },
    },
  ];
}
