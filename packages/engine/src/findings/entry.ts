/** Three grades: a standard run stops there or part of the sheet is missing; it is set wrongly; worth knowing. */
export type Severity = 'broken' | 'off' | 'advice';

/** A change that mends the cause. Offsets count from where the finding's do. */
export interface Fix {
  readonly title: string;
  readonly edits: readonly { readonly from: number; readonly to: number; readonly text: string }[];
}

/** What a mend is made from: the text, the finding's place in it, its arguments, and names it may mean. */
export interface MendContext<Name extends string = string> {
  readonly text: string;
  readonly from: number;
  readonly to: number;
  readonly args: Readonly<Record<Name, string>>;
  readonly labels: readonly string[];
  readonly keys: readonly string[];
  readonly files: readonly string[];
}

/** The ways to mend something, the likeliest first. */
export type Mend<Name extends string = string> = (
  context: MendContext<Name>,
) => Fix | readonly Fix[] | null;

/** All about one kind of finding: what is said of it, in a student's words, and what mends it. */
export interface Entry<Name extends string> {
  readonly severity: Severity;
  /** What a report of it must tell; `<name>` in its words is replaced by that. */
  readonly args: readonly Name[];
  /** What happened, in one sentence. */
  readonly message: string;
  /** What usually causes it, in one sentence. */
  readonly cause: string;
  /** Where the source at its place tells how it is mended. */
  readonly mend?: Mend<Name>;
}

export const finding = <const Name extends string = never>(entry: Entry<Name>): Entry<Name> =>
  entry;

/** A text with its `<name>` places filled in. */
export const filled = (text: string, args: Readonly<Record<string, string>>): string =>
  text.replace(/<([a-z]+)>/g, (whole, name: string) => args[name] ?? whole);
