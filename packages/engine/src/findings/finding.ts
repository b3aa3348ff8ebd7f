import type { Fix, Severity } from './entry';
import type { ArgNames, ArgsOf, FindingCode } from './kinds';

export type { Fix, Severity } from './entry';
export type { ArgsOf, FindingCode } from './kinds';

/** The ways to mend a finding: the likeliest, and further ones where there are several. */
export interface Ways {
  readonly fix?: Fix;
  readonly others?: readonly Fix[];
}

/** A finding of one kind as stages report it: a code, a place, and what its words need. */
export interface RawFindingOf<Code extends FindingCode> extends Ways {
  readonly code: Code;
  readonly from: number;
  readonly to: number;
  readonly args: ArgsOf<Code>;
  /** The place in another file that was read in; `from` and `to` are then where that was asked for. */
  readonly inFile?: { readonly name: string; readonly from: number; readonly to: number };
}

export type RawFinding = { [Code in FindingCode]: RawFindingOf<Code> }[FindingCode];

/** What stands behind code and place in a report: what the words need, where they need anything, and the ways to mend it. */
export type ReportRest<Code extends FindingCode> = [ArgNames<Code>] extends [never]
  ? [args?: ArgsOf<Code>, ways?: Fix | readonly Fix[] | undefined]
  : [args: ArgsOf<Code>, ways?: Fix | readonly Fix[] | undefined];

/** A finding with the ways to mend it, the likeliest first. */
export const withWays = (finding: RawFinding, [fix, ...others]: readonly Fix[]): RawFinding => ({
  ...finding,
  ...(fix ? { fix } : {}),
  ...(others.length > 0 ? { others } : {}),
});

export type Report = (finding: RawFinding) => void;

/** All ways to mend a finding, the likeliest first. */
export const waysOf = ({ fix, others = [] }: Ways): readonly Fix[] => [
  ...(fix ? [fix] : []),
  ...others,
];

/** A fix at other places. */
export const movedFix = ({ title, edits }: Fix, to: (at: number) => number): Fix => ({
  title,
  edits: edits.map((edit) => ({ from: to(edit.from), to: to(edit.to), text: edit.text })),
});

/** The ways to mend a finding, at other places. */
export const movedWays = ({ fix, others }: Ways, to: (at: number) => number): Ways => ({
  ...(fix ? { fix: movedFix(fix, to) } : {}),
  ...(others ? { others: others.map((one) => movedFix(one, to)) } : {}),
});

/** A finding with its words, and offsets into the file. */
export interface Finding extends Ways {
  readonly kind: FindingCode;
  readonly severity: Severity;
  readonly file: string;
  readonly from: number;
  readonly to: number;
  readonly message: string;
  readonly cause: string;
}
