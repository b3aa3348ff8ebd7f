import type { Processor } from '../../expansion/processor';
import type { Token } from '../../expansion/meaning';
import type { Interpreter } from './interpreter';

/** How many signs one formula may have: beyond that it is a mistake, or no formula. */
export const MOST_SIGNS = 20_000;

/** What a sign costs that is to be set, in the measure of expansions. */
const SIGN_WORK = 2;

/** Counts a sign that macros make: those of the source are as many as it has. */
export function spendSign(p: Processor): void {
  if (!p.atFile) p.spend(SIGN_WORK, '');
}

/** Where a formula may end, or what follows it begin. */
const END = /\$|\\[\])]|\\end *\{|\n[ \t]*\n/;

/**
 * A formula that is longer than any: the rest of it is passed over where it stands in the file,
 * and counted as work, so that it comes to an end, where macros make it.
 */
export function endTooLong(it: Interpreter, token: Token): void {
  const { p } = it;
  if (!p.atFile) {
    p.spend(1, token.text);
    return;
  }
  const { reader } = p;
  const ahead = reader.text.slice(reader.pos).search(END);
  const end = ahead < 0 ? reader.text.length : reader.pos + ahead;
  if (!it.findings.some(({ code }) => code === 'formula-too-long'))
    p.report('formula-too-long', p.spanOf(token));
  reader.jump(end);
  p.reach = Math.max(p.reach, end + 1);
}
