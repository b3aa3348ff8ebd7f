import { braces } from './braces';
import { environments } from './environments';
import { files } from './files';
import { formulas } from './formulas';
import { layout } from './layout';
import { macros } from './macros';
import { names } from './names';
import { pictures } from './pictures';
import { preamble } from './preamble';
import { references } from './references';

/** All kinds of findings, by their codes: words, severity and mend of each. */
export const FINDINGS = {
  ...names,
  ...braces,
  ...formulas,
  ...environments,
  ...preamble,
  ...macros,
  ...references,
  ...layout,
  ...files,
  ...pictures,
};

export type FindingCode = keyof typeof FINDINGS;

/** The names of what a report of a kind of finding tells besides its place. */
export type ArgNames<Code extends FindingCode> = (typeof FINDINGS)[Code]['args'][number];

/** What it tells: a text for each name, and nothing for a kind that asks for nothing. */
export type ArgsOf<Code extends FindingCode> = [ArgNames<Code>] extends [never]
  ? Readonly<Record<string, never>>
  : Readonly<Record<ArgNames<Code>, string>>;
