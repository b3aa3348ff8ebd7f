import { citeLabel, isOwnName } from '../expansion/cells';
import type { Finding, RawFinding } from '../findings/finding';
import { CELLS } from '../language/machine/cells';
import { MOST_FINDINGS } from '../language/machine/reading';
import type { SessionBlock } from './block';
import { MOST_PAGES } from './bounds';
import { withoutConsequences } from './consequences';
import { documentAdvice } from './documentAdvice';
import {
  documentFindings,
  isForeign,
  isMissedByNone,
  usesOfUnknown,
  withUses,
} from './documentFindings';
import type { Facts, LabelFinding } from './facts';
import { withFixes } from './fixes';
import { withNeededPackages } from './neededPackages';
import { withPlacedFixes } from './placedFixes';
import type { SourceReading } from './reading';
import { worded, type BlockFinding } from './wording';

/** What the session knows besides the reading that findings depend on. */
export interface FindingSurroundings {
  readonly facts: Facts;
  readonly repeated: readonly LabelFinding[];
  /** The numbers did not come to rest. */
  readonly unsettled: boolean;
  /** The block before which the pages end, when there are too many. */
  readonly cutBefore: SessionBlock | null;
  readonly files: readonly string[];
  /** The name of the main file. */
  readonly file: string;
}

const CITED = citeLabel('');

/** All findings in the order of the text, in words. */
export function gatherFindings(reading: SourceReading, given: FindingSurroundings): Finding[] {
  const out: BlockFinding[] = [];
  const uses = usesOfUnknown(reading);
  const unknown = reading.finalValue(CELLS.unknownPackages);
  const add = (start: number, raw: RawFinding): void => void out.push({ start, raw });
  for (const block of reading.blocks) {
    for (const finding of block.reading.findings) {
      if (isMissedByNone(finding, uses)) continue;
      add(block.start, isForeign(finding) ? withUses(finding, uses, unknown) : finding);
    }
    for (const finding of layoutFindings(block)) add(block.start, finding);
  }
  for (const { block, finding } of given.repeated.slice(0, MOST_FINDINGS))
    add(block.start, finding);
  for (const finding of documentFindings(reading)) add(0, finding);
  if (given.cutBefore)
    add(given.cutBefore.start, {
      code: 'document-too-long',
      from: 0,
      to: given.cutBefore.length,
      args: { most: `${MOST_PAGES} pages` },
    });
  if (given.unsettled) add(0, { code: 'facts-unsettled', from: 0, to: 0, args: {} });
  const named = [...given.facts.labels.values()].map(({ name }) => name);
  // Names with an @ are those of packages: the writer knows nothing of them.
  const labels = named.filter((name) => !isOwnName(name) && !name.includes('@'));
  out.push(...documentAdvice(reading, new Set(labels)));
  const keys = named.filter((name) => name.startsWith(CITED)).map((n) => n.slice(CITED.length));
  const text = (): string => reading.text;
  const knowsText = (): boolean => reading.defines('text');
  const told = withNeededPackages(withoutConsequences(out, text), text);
  return withFixes(withPlacedFixes(told, text, knowsText), text, {
    labels,
    keys,
    files: given.files,
  })
    .map((placed) => worded(placed, given.file, reading.length))
    .sort((a, b) => a.from - b.from || a.to - b.to);
}

/** What layout found; lines that are too wide only because a formula was left open are not told twice. */
function layoutFindings(block: SessionBlock): readonly RawFinding[] {
  const found = block.laid?.findings ?? [];
  const open = block.reading.findings.some(({ code }) => code === 'formula-unclosed');
  return open
    ? found.filter(({ code }) => code !== 'line-too-wide' && code !== 'formula-too-wide')
    : found;
}
