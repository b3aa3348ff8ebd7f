import type { BlockNode } from '../document/blocks';

/** What is not said in words or formulas: it is left out of what is handed on. */
const LEFT_OUT: ReadonlySet<string> = new Set(['font', 'shape', 'entry', 'style', 'glue', 'marks']);

function plain(value: unknown): unknown {
  if (typeof value === 'function') return null;
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) return value.map(plain);
  return Object.fromEntries(
    Object.entries(value)
      .filter(([key, part]) => !LEFT_OUT.has(key) || typeof part !== 'object')
      .map(([key, part]) => [key, plain(part)]),
  );
}

/** What was read, as plain data that can be sent to another thread; who reads it looks at words and formulas alone. */
export const sendable = (nodes: readonly BlockNode[]): readonly BlockNode[] =>
  plain(nodes) as readonly BlockNode[];
