import type { Span } from '../../base/spans';
import type { OpenEnvironment } from './environments';
import type { Interpreter } from './interpreter';

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
  const edits = before
    ? [{ from: before.from, to: before.from, text: `\\end{${open.name}}\n` }]
    : [];
  const fix = before && isTyped ? { title: `End ${open.name} here`, edits } : undefined;
  it.p.report('environment-unclosed', open.span, { name: open.name }, fix);
}
