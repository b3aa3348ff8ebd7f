import { editDistance } from '../base/nearest';
import type { FindingCode, RawFinding } from '../findings/finding';
import type { BlockFinding } from './wording';

/** What follows from a slip, and is not told beside it. */
interface Cause {
  readonly code: FindingCode;
  /** Is it this cause, with these arguments? */
  readonly when?: (args: Readonly<Record<string, string>>) => boolean;
  readonly hides: readonly FindingCode[];
}

const FRAME: readonly FindingCode[] = [
  'class-missing',
  'document-begin-missing',
  'document-end-missing',
];
const isOfFrame = ({ name = '' }: Readonly<Record<string, string>>): boolean =>
  /^(?:documentclass|usepackage|begin|end)$/.test(name);

const CAUSES: readonly Cause[] = [
  { code: 'slash-leans', when: isOfFrame, hides: [...FRAME, 'title-not-printed'] },
  {
    code: 'file-missing',
    when: ({ name = '' }) => name.endsWith('.bib'),
    hides: ['citation-unknown'],
  },
  { code: 'argument-beyond', hides: ['parameter-character'] },
  { code: 'backslash-missing', when: isOfFrame, hides: FRAME },
];

/** What a `$` without a partner makes of the paragraph around it. */
const IN_PARAGRAPH: ReadonlySet<FindingCode> = new Set([
  'math-in-text',
  'alignment-outside',
  'text-only-in-math',
  'columns-too-many',
  'words-in-formula',
  'script-short',
  'row-unended',
  'brace-extra',
]);

/** Are they of one paragraph? Blocks hold one or a few. */
function withoutOddFormulas(findings: readonly BlockFinding[]): BlockFinding[] {
  const odd = new Set(
    findings
      .filter(({ raw }) => raw.code === 'formula-unclosed' && /^\$\$?$/.test(raw.args.open))
      .map(({ start }) => start),
  );
  if (odd.size === 0) return [...findings];
  const told = new Set<number>();
  return findings.filter(({ start, raw }) => {
    if (!odd.has(start)) return true;
    if (raw.code !== 'formula-unclosed') return !IN_PARAGRAPH.has(raw.code);
    const isFirst = !told.has(start);
    told.add(start);
    return isFirst;
  });
}

/** What a slip makes of its own block besides: hidden where it is told there. */
const IN_BLOCK: readonly {
  readonly code: FindingCode;
  readonly when?: (raw: RawFinding) => boolean;
  readonly hides: readonly FindingCode[];
}[] = [
  { code: 'file-missing', hides: ['line-too-wide', 'picture-too-wide'] },
  { code: 'number-missing', hides: ['document-begin-missing'] },
  { code: 'brace-unclosed', hides: ['argument-missing'] },
  { code: 'brace-extra', hides: ['document-begin-missing', 'package-unknown', 'braces-meant'] },
  { code: 'argument-unclosed', hides: ['argument-missing'] },
  { code: 'comment-swallows', hides: ['comment-after-number'] },
  { code: 'column-unknown', hides: ['columns-too-many'] },
  { code: 'command-unknown', when: isLength, hides: ['number-missing', 'unit-missing'] },
  {
    code: 'share-in-percent',
    hides: [
      'file-missing',
      'unit-missing',
      'command-unknown',
      'comment-after-number',
      'line-too-wide',
      'number-missing',
    ],
  },
];

/** `\textwith`: a misspelt length. */
function isLength(raw: RawFinding): boolean {
  return /^Write \\[a-z]*(?:width|height|skip|indent|sep)$/.test(raw.fix?.title ?? '');
}

/**
 * A formula is not closed, as an environment in it is not ended: that is told, and its end is put before the sign
 * that was to close the formula.
 */
function withoutAround(findings: readonly BlockFinding[]): readonly BlockFinding[] {
  const around = findings.find(
    ({ start, raw }) =>
      raw.code === 'formula-unclosed' &&
      /^\\[[(]$/.test(raw.args.open) &&
      findings.some((one) => isUnended(one) && one.start === start && one.raw.from >= raw.from),
  );
  if (!around) return findings;
  const { open } = around.raw.args as { readonly open: string };
  const lost = findings.find(
    ({ raw }) => raw.code === 'end-without-begin' && raw.args.name === open,
  );
  return findings.flatMap((one) => {
    if (one === around || one === lost) return [];
    const { raw, start } = one;
    if (raw.code !== 'environment-unclosed' || raw.fix || !lost || start !== around.start)
      return [one];
    const at = lost.start + lost.raw.from - start;
    const edits = [{ from: at, to: at, text: `\\end{${raw.args.name}} ` }];
    return [{ start, raw: { ...raw, fix: { title: `End ${raw.args.name} here`, edits } } }];
  });
}
const isUnended = ({ raw }: BlockFinding): boolean => raw.code === 'environment-unclosed';

const DEFINER = /^(?:(?:re)?new|provide)(?:command|environment)$|^DeclareMathOperator$/;

/** Names whose definitions are never closed: that is told, and not that there are none of them. */
function withoutLostNames(
  findings: readonly BlockFinding[],
  text: () => string,
): readonly BlockFinding[] {
  const lost = new Set(
    findings.flatMap(({ start, raw }) => {
      if (raw.code !== 'argument-unclosed' || !DEFINER.test(raw.args.name)) return [];
      const before = text().slice(Math.max(0, start + raw.from - 200), start + raw.to + 40);
      const name =
        /\\(?:[a-z]+(?:command|environment)|DeclareMathOperator)\*?\s*\{?\\?([A-Za-z@]+)/g;
      return [...before.matchAll(name)].map((found) => found[1] ?? '').slice(-1);
    }),
  );
  if (lost.size === 0) return findings;
  return findings.filter(
    ({ raw }) =>
      !(raw.code === 'command-unknown' || raw.code === 'environment-unknown') ||
      !lost.has(raw.args.name),
  );
}

/** Commands that define others, as packages name them. */
const DEFINES = /^\\?(?:declare|new|renew|provide|define)/i;
/** What stands behind one: the name that it is about, as a command or in braces. */
const DEFINED = /^\*?\s*(?:\[[^\]]*\]\s*)*(?:\{\s*\\?([A-Za-z@]+\*?)\s*\}|\\([A-Za-z@]+))/;
const ABSENT: ReadonlySet<FindingCode> = new Set([
  'command-unknown',
  'environment-unknown',
  'package-needed',
  'command-not-defined-here',
]);
const nameIn = ({ name = '' }: Readonly<Record<string, string>>): string => name.replace(/^\\/, '');

/** A command that defines is not there: that is told, and not that what it was to define is not there either. */
function withoutUndefined(
  findings: readonly BlockFinding[],
  text: () => string,
): readonly BlockFinding[] {
  const definers = findings.filter(
    ({ raw }) =>
      (raw.code === 'command-unknown' || raw.code === 'package-needed') &&
      (DEFINES.test(raw.args.name) || DEFINES.test(raw.fix?.title.replace(/^Write /, '') ?? '')),
  );
  if (definers.length === 0) return findings;
  const source = text();
  const names = new Set(
    definers.flatMap(({ start, raw }) => {
      const at = start + raw.to;
      const [, braced, bare] = DEFINED.exec(source.slice(at, at + 300)) ?? [];
      return braced ?? bare ?? [];
    }),
  );
  const isList = definers.some(({ raw }) => nameIn(raw.args) === 'newlist');
  const follows = (one: BlockFinding): boolean =>
    (ABSENT.has(one.raw.code) && !definers.includes(one) && names.has(nameIn(one.raw.args))) ||
    (isList && one.raw.code === 'item-outside-list');
  return findings.filter((one) => !follows(one));
}

function withoutOwn(findings: readonly BlockFinding[]): readonly BlockFinding[] {
  const hidden = new Set<string>();
  for (const { start, raw } of findings)
    for (const { code, when, hides } of IN_BLOCK)
      if (raw.code === code && (when?.(raw) ?? true))
        for (const one of hides) hidden.add(`${start} ${one}`);
  return hidden.size === 0
    ? findings
    : findings.filter(({ start, raw }) => !hidden.has(`${start} ${raw.code}`));
}

/** What is told once: the button of the first mends those behind it too, or shows what is left. */
const ONCE: ReadonlySet<FindingCode> = new Set(['item-outside-list', 'item-without-sign']);

function toldOnce(findings: readonly BlockFinding[]): BlockFinding[] {
  const told = new Set<FindingCode>();
  return findings.filter(({ raw: { code } }) => {
    if (!ONCE.has(code)) return true;
    const isFirst = !told.has(code);
    told.add(code);
    return isFirst;
  });
}

/** A slide that is never ended ends at the document's end, with each of its steps. */
function withoutLostEnds(findings: readonly BlockFinding[]): readonly BlockFinding[] {
  const isFrame = ({ name }: { readonly name?: string }): boolean => name === 'frame';
  const isOpen = findings.some(
    ({ raw }) => raw.code === 'environment-unclosed' && isFrame(raw.args),
  );
  return isOpen
    ? findings.filter(({ raw }) => raw.code !== 'end-without-begin' || !isFrame(raw.args))
    : findings;
}

/** What stands behind the end of the document is not printed: whatever is wrong with it is nobody's worry. */
function withoutBehindEnd(findings: readonly BlockFinding[]): readonly BlockFinding[] {
  const behind = findings.find(({ raw }) => raw.code === 'text-behind-end');
  if (!behind) return findings;
  const isRead = ({ start, raw }: BlockFinding): boolean =>
    start + raw.from < behind.start + behind.raw.from;
  return findings.filter((one) => one === behind || isRead(one));
}

/** What a class gives: where its line is misspelt, that is told alone. */
const OF_CLASS: ReadonlySet<FindingCode> = new Set([
  'command-unknown',
  'environment-unknown',
  'package-needed',
  'class-missing',
  'title-missing',
  'title-not-printed',
]);

function withoutLostClass(findings: readonly BlockFinding[]): readonly BlockFinding[] {
  const lost = findings.find(
    ({ raw }) =>
      raw.code === 'command-unknown' && editDistance(raw.args.name, 'documentclass', 2) <= 2,
  );
  return lost ? findings.filter((one) => one === lost || !OF_CLASS.has(one.raw.code)) : findings;
}

/** The findings without those that only follow from another. */
export function withoutConsequences(
  all: readonly BlockFinding[],
  text: () => string,
): BlockFinding[] {
  const read = withoutLostClass(withoutBehindEnd(all));
  const known = withoutUndefined(withoutOwn(withoutOddFormulas(read)), text);
  const findings = toldOnce(withoutLostEnds(withoutAround(withoutLostNames(known, text))));
  const hidden = new Set<FindingCode>();
  const argsOf = (raw: RawFinding): Readonly<Record<string, string>> => raw.args;
  for (const { code, when, hides } of CAUSES)
    if (findings.some(({ raw }) => raw.code === code && (when?.(argsOf(raw)) ?? true)))
      for (const one of hides) hidden.add(one);
  return hidden.size === 0 ? [...findings] : findings.filter(({ raw }) => !hidden.has(raw.code));
}
