import { glue } from '../../base/lengths';
import type { Span } from '../../base/spans';
import { fontUnits } from '../../expansion/scan';
import { CELLS } from './cells';
import type { Interpreter } from './interpreter';

/** What the text fonts have under OT1 at the places of some signs (The TeXbook, appendix F); typewriter has the signs. */
const IN_OT1: Readonly<Record<string, string>> = { '"': '”', '<': '¡', '>': '¿', '|': '—' };

/** Has the font in force the signs of OT1, and not those of ASCII? */
export const inOldEncoding = ({ font }: Interpreter): boolean =>
  font.encoding === 'OT1' && font.face === 'modern';

/** Signs that French sets apart from the word before them. */
const SET_APART: ReadonlySet<string> = new Set([';', ':', '!', '?']);

/** The characters that come next in the file and are set as they stand: up to a sign that is set apart. */
export function plainRun(it: Interpreter): string {
  const { reader } = it.p;
  const run = reader.plainRun(it.p.categories);
  const at = run.search(/[;:!?]/);
  if (at < 0 || !it.read(CELLS.spacedPunctuation)) return run;
  reader.pos -= run.length - at;
  return run.slice(0, at);
}

/**
 * The space before such a sign, in place of what was typed: that of a blank before a colon, half of
 * it before the others (the manual of babel-french, on high punctuation).
 */
function setApart(it: Interpreter, sign: string): void {
  const { hlist } = it.mode;
  if (hlist === null || hlist.isEmpty || !it.read(CELLS.spacedPunctuation)) return;
  if (it.font.family === 'mono') return;
  hlist.unskip();
  const { blank } = fontUnits(it.p);
  const at = it.p.place;
  it.add({ kind: 'penalty', penalty: 10000, ...at });
  const half = glue(Math.round(blank.width / 2));
  it.add({ kind: 'glue', glue: sign === ':' ? blank : half, ...at });
}

/** A character as it is typed: what the font in force has at its place. */
export function typedCharacter(it: Interpreter, typed: string, at: Span): void {
  if (SET_APART.has(typed)) setApart(it, typed);
  const printed = inOldEncoding(it) && it.font.family !== 'mono' ? IN_OT1[typed] : undefined;
  // Of straight quotes there is advice already; in what a macro says nothing can be mended here.
  if (printed !== undefined && typed !== '"' && at.to - at.from === 1)
    it.p.report('sign-in-text', at, { typed, printed });
  it.character(printed ?? typed, at);
}
