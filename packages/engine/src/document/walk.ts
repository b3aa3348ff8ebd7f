/** Ways through the nodes of a document, whatever they are. */

/**
 * Is a part of a node no part of the document: a font, which is compared by identity, or the entry of a list, which
 * belongs to the language? Names lead from an entry to what they mean, and from there back to themselves.
 */
export const isOpaque = (name: string): boolean => name === 'font' || name === 'entry';

/**
 * Goes through nodes and all that is in them, in their order; nodes may stand in one another as deep as they like.
 *
 * @param visit is given each node, and says whether to go on into it.
 */
export function walk(nodes: unknown, visit: (node: object) => boolean): void {
  const ahead: unknown[] = [nodes];
  while (ahead.length > 0) {
    const value = ahead.pop();
    if (value === null || typeof value !== 'object' || ArrayBuffer.isView(value)) continue;
    const isList = Array.isArray(value);
    if (!isList && !visit(value)) continue;
    const names = Object.keys(value);
    for (let i = names.length - 1; i >= 0; i--) {
      const name = names[i] as string;
      if (isList || !isOpaque(name)) ahead.push((value as Record<string, unknown>)[name]);
    }
  }
}
