import type { Span } from '../../base/spans';
import type { Interpreter } from './interpreter';

/** What the text fonts have under OT1 at the places of some signs (The TeXbook, appendix F); typewriter has the signs. */
const IN_OT1: Readonly<Record<string, string>> = { '"': '”', '<': '¡', '>': '¿', '|': '—' };

/** Has the font in force the signs of OT1, and not those of ASCII? */
export const inOldEncoding = ({ font }: Interpreter): boolean =>
  font.encoding === 'OT1' && font.face === 'modern';

/** A character as it is typed: what the font in force has at its place. */
export function typedCharacter(it: Interpreter, typed: string, at: Span): void {
  const printed = inOldEncoding(it) && it.font.family !== 'mono' ? IN_OT1[typed] : undefined;
  // Of straight quotes there is advice already; in what a macro says nothing can be mended here.
  if (printed !== undefined && typed !== '"' && at.to - at.from === 1)
    it.p.report('sign-in-text', at, { typed, printed });
  it.character(printed ?? typed, at);
}
