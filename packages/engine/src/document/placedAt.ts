import type { Span } from '../base/spans';
import { isOpaque } from './walk';

/** Inlines, or other nodes, with all that is in them, at one place of the source. */
export function placedAt<T>(node: T, at: Span): T {
  if (Array.isArray(node)) return node.map((part: unknown) => placedAt(part, at)) as T;
  // Paths are numbers in a row.
  if (node === null || typeof node !== 'object' || ArrayBuffer.isView(node)) return node;
  const parts = Object.entries(node).map(([name, part]: [string, unknown]) => {
    if ((name === 'from' || name === 'to') && typeof part === 'number') return [name, at[name]];
    return [name, isOpaque(name) ? part : placedAt(part, at)];
  });
  return Object.fromEntries(parts) as T;
}
