import type { WrittenBlock } from './block';

/** What is not said in words or formulas: it is left out of what is handed on. */
const LEFT_OUT: ReadonlySet<string> = new Set(['font', 'shape', 'entry', 'style', 'glue', 'marks']);

const known = new WeakMap<object, unknown>();

/** Only plain data, without fonts and shapes; the same nodes give the same copy. */
function plain(value: unknown): unknown {
  if (typeof value === 'function') return null;
  if (value === null || typeof value !== 'object') return value;
  const kept = known.get(value);
  if (kept !== undefined) return kept;
  const copy = Array.isArray(value)
    ? value.map(plain)
    : Object.fromEntries(
        Object.entries(value)
          .filter(([key, part]) => !LEFT_OUT.has(key) || typeof part !== 'object')
          .map(([key, part]) => [key, plain(part)]),
      );
  known.set(value, copy);
  return copy;
}

/** What was read, as data that can be sent to another thread; who reads it looks at words and formulas alone. */
export const sendable = (blocks: readonly WrittenBlock[]): readonly WrittenBlock[] =>
  blocks.map(({ start, nodes }) => ({ start, nodes: plain(nodes) as WrittenBlock['nodes'] }));
