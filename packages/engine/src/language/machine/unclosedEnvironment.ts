import type { Span } from '../../base/spans';
import type { OpenEnvironment } from './environments';
import type { Interpreter } from './interpreter';
import { ENDING } from './ownEnd';

/**
 * The environment of the document's own in whose opening half another one was begun, while it is open itself: its
 * closing half would end both. Null for one that the source begins by its name.
 */
export function holderOf(it: Interpreter, open: OpenEnvironment): OpenEnvironment | null {
  const holder = it.environments.find(
    ({ span, name, entry }) => entry === null && span.from === open.span.from && name !== open.name,
  );
  return holder && holder !== open && !holder.data.get(ENDING) ? holder : null;
}

/**
 * Tells of an environment that is never ended. One that a macro began, or a command of its name, has no
 * `\\begin` whose end the writer could forget.
 *
 * @param before where its end was meant to stand at the latest.
 */
export function tellUnclosed(it: Interpreter, open: OpenEnvironment, before?: Span): void {
  if (open.isUnknown || open.byName) return;
  const { text, base } = it.p.reader;
  const isTyped = text.startsWith('\\begin', base + open.span.from);
  // One that the closing half of another would have ended follows from that.
  if (isTyped && holderOf(it, open)) return;
  const edits = before
    ? [{ from: before.from, to: before.from, text: `\\end{${open.name}}\n` }]
    : [];
  const fix = before && isTyped ? { title: `End ${open.name} here`, edits } : undefined;
  it.p.report('environment-unclosed', open.span, { name: open.name }, fix);
}
