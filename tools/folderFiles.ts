import type { AssignmentFiles } from '@odd-compass/engine';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative, resolve, sep } from 'node:path';

/** Files larger than this are left alone. */
const LARGEST = 64 * 1024 * 1024;
/** How many files of a folder are listed, and how deep. */
const MOST = 2000;
const DEEPEST = 6;

/** The files in and under a folder; nothing outside it can be reached. */
export function filesIn(folder: string): AssignmentFiles {
  const root = resolve(folder);
  const cache = new Map<string, Uint8Array | null>();
  const decoder = new TextDecoder('utf-8');
  const read = (name: string): Uint8Array | null => {
    const path = resolve(root, name);
    if (path !== root && !path.startsWith(root + sep)) return null;
    try {
      const stats = statSync(path);
      return stats.isFile() && stats.size <= LARGEST ? new Uint8Array(readFileSync(path)) : null;
    } catch {
      return null;
    }
  };
  const bytes = (name: string): Uint8Array | null => {
    let found = cache.get(name);
    if (found === undefined) {
      found = read(name);
      cache.set(name, found);
    }
    return found;
  };
  return {
    names: () => listed(root, root, 0),
    bytes,
    text: (name) => {
      const found = bytes(name);
      return found
        ? decoder
            .decode(found)
            .replace(/^\uFEFF/, '')
            .replaceAll('\r\n', '\n')
        : null;
    },
  };
}

function listed(root: string, folder: string, depth: number): string[] {
  if (depth > DEEPEST) return [];
  const out: string[] = [];
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (entry.name.startsWith('.') || entry.name === 'node_modules') continue;
    const path = join(folder, entry.name);
    if (entry.isDirectory()) out.push(...listed(root, path, depth + 1));
    else if (entry.isFile()) out.push(relative(root, path).split(sep).join('/'));
    if (out.length > MOST) break;
  }
  return out;
}
