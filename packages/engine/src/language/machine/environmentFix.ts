import type { Token } from '../../expansion/meaning';
import type { Fix } from '../../findings/finding';
import type { Interpreter } from './interpreter';
import { renameFix } from './unknown';

/** How far ahead the end of an environment is looked for. */
export const LOOK_AHEAD = 20_000;

/**
 * Writes a misspelt name right, at its `\\end` too when that stands ahead. Where a macro has the name, its places are
 * looked for by the session.
 */
export function environmentFix(
  it: Interpreter,
  name: string,
  nameTokens: readonly Token[],
  near: string,
): Fix {
  const fix = renameFix(it, nameTokens, near);
  if (!fix) return { title: `Write ${near}`, edits: [] };
  const { reader } = it.p;
  const ahead = reader.text.slice(reader.pos, reader.pos + LOOK_AHEAD);
  it.p.reach = Math.max(it.p.reach, reader.pos + ahead.length);
  const end = ahead.indexOf(`\\end{${name}}`);
  if (end < 0) return fix;
  const from = reader.pos - reader.base + end + '\\end{'.length;
  return { ...fix, edits: [...fix.edits, { from, to: from + name.length, text: near }] };
}
