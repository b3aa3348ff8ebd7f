import type { ChangeSpec } from '@codemirror/state';
import { packageLine } from '@odd-compass/engine/packageLine';
import type { Word } from '@odd-compass/engine/worker';
import { namesUsed, packagesIn } from '../bench/packageLines';

/** The packages that a piece of source needs, by the names it uses. */
export function packagesNeeded(source: string, words: readonly Word[]): string[] {
  const used = namesUsed(source);
  const out = new Set<string>();
  for (const { kind, name, package: from } of words) {
    if (from === '' || (kind !== 'command' && kind !== 'environment')) continue;
    if (used.has(kind === 'command' ? `\\${name}` : name)) out.add(from);
  }
  return [...out].sort();
}

/** The changes that put a piece of source in, with the lines of the packages that are not loaded yet. */
export function insertion(
  text: string,
  at: { readonly from: number; readonly to: number },
  source: string,
  packages: readonly string[],
  words: readonly Word[],
): ChangeSpec[] {
  const loaded = new Set(packagesIn(text).map(({ name }) => name));
  const brought = words.filter(({ kind, name }) => kind === 'package' && loaded.has(name));
  const there = new Set([...loaded, ...brought.flatMap(({ requires }) => requires)]);
  const missing = packages.filter((name) => !there.has(name));
  const first = missing.map((name) => packageLine(text, name)).find((line) => line !== null);
  const lines = missing.map((name) => `\\usepackage{${name}}\n`).join('');
  const preamble =
    first && lines !== ''
      ? [{ from: first.from, insert: (first.insert.startsWith('\n') ? '\n' : '') + lines }]
      : [];
  return [...preamble, { ...at, insert: source }];
}

/**
 * The piece of a text around a place that stands by itself: between blank lines, and
 * whole environments when it begins or ends within some.
 */
export function pieceAround(text: string, at: number): string {
  let from = text.lastIndexOf('\n\n', at) + 2;
  if (from === 1) from = 0;
  let to = text.indexOf('\n\n', at);
  if (to < 0) to = text.length;
  for (let round = 0; round < 20; round++) {
    const piece = text.slice(from, to);
    const lone = unpaired(piece);
    if (lone.begins === 0 && lone.ends === 0) break;
    const before = text.lastIndexOf('\n\n', from - 3);
    const behind = text.indexOf('\n\n', to + 2);
    if (lone.ends > 0 && from > 0) from = before < 0 ? 0 : before + 2;
    else if (lone.begins > 0 && to < text.length) to = behind < 0 ? text.length : behind;
    else break;
  }
  return text.slice(from, to).trim();
}

function unpaired(piece: string): { begins: number; ends: number } {
  let begins = 0;
  let ends = 0;
  for (const [, which, name] of piece.matchAll(/\\(begin|end)\{([^{}]*)\}/g)) {
    if (name === 'document') continue;
    if (which === 'begin') begins++;
    else if (begins > 0) begins--;
    else ends++;
  }
  return { begins, ends };
}
