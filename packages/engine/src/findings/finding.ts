/** What can be found. Worded in `words.ts`; each is reported where its cause stands. */
export type FindingCode =
  | 'command-unknown'
  | 'command-not-defined-here'
  | 'package-needed'
  | 'environment-unknown'
  | 'formula-unclosed'
  | 'math-in-text'
  | 'begin-end-mismatch'
  | 'environment-unclosed'
  | 'end-without-begin'
  | 'class-missing'
  | 'class-unknown'
  | 'document-begin-missing'
  | 'document-end-missing'
  | 'package-unknown'
  | 'option-unknown'
  | 'argument-missing'
  | 'argument-unclosed'
  | 'group-unclosed'
  | 'brace-extra'
  | 'macro-runaway'
  | 'macro-pattern'
  | 'nesting-too-deep'
  | 'conditional-unclosed'
  | 'number-missing'
  | 'unit-missing'
  | 'counter-unknown'
  | 'command-redefined'
  | 'command-not-yet-defined'
  | 'reference-unknown'
  | 'label-repeated'
  | 'item-outside-list'
  | 'alignment-outside'
  | 'columns-too-many'
  | 'delimiter-unmatched'
  | 'delimiter-missing'
  | 'scripts-doubled'
  | 'fraction-ambiguous'
  | 'script-missing'
  | 'dollar-in-formula'
  | 'text-only-in-math'
  | 'blank-line-in-formula'
  | 'parameter-character'
  | 'title-missing'
  | 'line-too-wide'
  | 'formula-too-wide'
  | 'character-missing'
  | 'facts-unsettled'
  | 'file-missing'
  | 'files-in-circle'
  | 'caption-outside'
  | 'column-unknown'
  | 'verb-unclosed'
  | 'citation-unknown'
  | 'bibliography-broken'
  | 'bibliography-style-unknown'
  | 'picture-unreadable'
  | 'picture-too-wide'
  | 'comment-swallows'
  | 'comment-after-number'
  | 'name-in-letters'
  | 'words-in-formula'
  | 'text-before-item'
  | 'label-before-caption'
  | 'label-unused'
  | 'line-break-for-nothing'
  | 'quotes-straight'
  | 'dots-typed'
  | 'blank-swallowed'
  | 'title-not-printed'
  | 'line-too-late'
  | 'text-behind-end'
  | 'chapters-missing';

/** Three grades: part of the sheet is missing; it will look wrong; worth knowing. */
export type Severity = 'broken' | 'off' | 'advice';

/** A change that mends the cause. Offsets count from where the finding's do. */
export interface Fix {
  readonly title: string;
  readonly edits: readonly { readonly from: number; readonly to: number; readonly text: string }[];
}

/** The ways to mend a finding: the likeliest, and further ones where there are several. */
export interface Ways {
  readonly fix?: Fix;
  readonly others?: readonly Fix[];
}

/** A finding as stages report it: a code, a place, and the names its words need. */
export interface RawFinding extends Ways {
  readonly code: FindingCode;
  readonly from: number;
  readonly to: number;
  readonly args: Readonly<Record<string, string>>;
  /** The place in another file that was read in; `from` and `to` are then where that was asked for. */
  readonly inFile?: { readonly name: string; readonly from: number; readonly to: number };
}

/** A finding with the ways to mend it, the likeliest first. */
export const withWays = (finding: RawFinding, [fix, ...others]: readonly Fix[]): RawFinding => ({
  ...finding,
  ...(fix ? { fix } : {}),
  ...(others.length > 0 ? { others } : {}),
});

export type Report = (finding: RawFinding) => void;

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
