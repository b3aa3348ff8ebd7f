import type { Span } from '../../base/spans';
import type { Token } from '../../expansion/meaning';
import type { Fix } from '../../findings/finding';
import { Cat } from '../../tokens/categories';
import { meantEnd } from './formulaEnds';
import type { Interpreter } from './interpreter';
import type { MathReader } from './mathReader';

/** What is missing, or one too many, in and around formulas, and where it was meant to be. */

/** Where a list ended early: before what was given back, blanks left out; null when that is not in the file. */
export function endOfList({ p }: MathReader): number | null {
  const next = p.next();
  if (next) p.unread(next);
  const { reader } = p;
  if (next && next.chunk !== reader.chunk) return null;
  let end = next ? next.from : p.here();
  while (end > 0 && /\s/.test(reader.text[reader.base + end - 1] ?? '')) end--;
  return end;
}

/** The `}` that a group of a formula lacks, where that was meant to end. */
export function missingBrace(reader: MathReader, open: Token): Fix | undefined {
  const end = endOfList(reader);
  if (end === null) return undefined;
  const { text, base, chunk } = reader.p.reader;
  const at = open.chunk === chunk ? meantEnd(text, base + open.from, base + end) - base : end;
  return { title: 'Close it with }', edits: [{ from: at, to: at, text: '}' }] };
}

/** The ways to mend a `}` that closes nothing: it may be what a `\{` before it waits for. */
export function extraBrace({ p }: Interpreter, token: Token): Fix[] {
  const { text, base } = p.reader;
  const removal = { title: 'Take it out', edits: [{ from: token.from, to: token.to, text: '' }] };
  const before = token.chunk === p.reader.chunk ? text.slice(base, base + token.from) : '';
  const formula = before.slice(before.search(/[^$]*$/));
  const count = (sign: RegExp): number => (formula.match(sign) ?? []).length;
  if (count(/\\\{/g) <= count(/\\\}/g) + count(/\\right\./g)) return [removal];
  const escape = { title: 'Write \\}', edits: [{ from: token.from, to: token.from, text: '\\' }] };
  return [escape, removal];
}

/** A dollar within a display and the one that belongs to it, taken out together. */
export function innerDollars(
  reader: MathReader,
  token: Token,
): { fix: Fix; partner: number | null } {
  const { text, base, chunk } = reader.p.reader;
  const removal = (from: number) => ({ from, to: from + 1, text: '' });
  const edits = [removal(token.from)];
  let partner: number | null = null;
  if (token.chunk === chunk) {
    const ahead = text.slice(base + token.to, base + token.to + 400);
    reader.p.reach = Math.max(reader.p.reach, base + token.to + ahead.length);
    const found = /^(?:\\[^\\[\]]|[^\\$&])*?\$/.exec(ahead);
    if (found && !found[0].includes('\n\n')) partner = token.to + found[0].length - 1;
  }
  if (partner !== null) edits.push(removal(partner));
  return { fix: { title: edits.length > 1 ? 'Take both out' : 'Take it out', edits }, partner };
}

/** Displays that are formulas by themselves. */
const DISPLAYS =
  /^\s*\\begin\{((?:equation|align|alignat|flalign|gather|multline|eqnarray|displaymath)\*?)\}/;

/**
 * `$$\begin{align}…`: marks around an environment that is a formula by itself. Tells of them, and
 * gives where the closing ones stand; null when there is no such environment.
 */
export function marksAround(
  it: Interpreter,
  open: Span,
  mark: string,
): { closing: Span | null } | null {
  const { text, pos, base } = it.p.reader;
  if (!it.p.atFile) return null;
  const begin = DISPLAYS.exec(text.slice(pos, pos + 60));
  if (!begin) return null;
  const name = begin[1] ?? '';
  const ahead = text.slice(pos, pos + 20_000);
  it.p.reach = Math.max(it.p.reach, pos + ahead.length);
  const end = ahead.indexOf(`\\end{${name}}`);
  const behind = end < 0 ? '' : ahead.slice(end + name.length + 6);
  const marks = mark === '\\[' ? /^\s*(\\\])/ : mark === '$$' ? /^\s*(\$\$)/ : /^\s*(\$)/;
  const found = end < 0 ? null : marks.exec(behind);
  const start = pos - base + end + name.length + 6;
  const to = start + (found?.[0].length ?? 0);
  const closing = found ? { from: to - (found[1]?.length ?? 0), to } : null;
  const edits = [open, ...(closing ? [closing] : [])].map((span) => ({ ...span, text: '' }));
  it.p.report(
    'marks-around-display',
    open,
    { open: mark, name },
    { title: 'Take the marks out', edits },
  );
  return { closing };
}

/** Passes over the closing marks of a display that was read by itself. */
export function passMarks(it: Interpreter, closing: Span | null): void {
  if (!closing) return;
  for (;;) {
    const token = it.p.next();
    if (!token) return;
    const isMark = token.cat === Cat.Math || token.text === ']';
    if (!isMark && token.cat !== Cat.Space) return it.p.unread(token);
    if (token.to >= closing.to) return;
  }
}
