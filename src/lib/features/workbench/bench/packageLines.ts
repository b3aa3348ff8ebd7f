import type { Word } from '@odd-compass/engine/worker';
import { shapeOf } from '@odd-compass/engine/shape';
import { packageCalls } from '../source/structure';
import type { LineEdit } from './classLine';

/** A package on a line of the preamble. */
export interface LoadedPackage {
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

/** The packages that a text loads, each with the place of its name. */
export function packagesIn(text: string, base = 0): LoadedPackage[] {
  return packageCalls(shapeOf(text)).flatMap(({ args: [, names] }) => {
    const start = base + (names?.from ?? 0);
    return [...(names?.text ?? '').matchAll(/[^,\s]+/g)].map((name) => ({
      name: name[0],
      from: start + name.index,
      to: start + name.index + name[0].length,
    }));
  });
}

/** Packages that do their work without a command of theirs in the text. */
const BY_THEMSELVES = new Set(
  'geometry fullpage parskip hyperref inputenc fontenc babel lmodern microtype times mathptmx helvet palatino newtxtext newtxmath mathpazo titlesec caption enumitem cite natbib setspace indentfirst a4wide courier textcomp ucs cmap float url bookmark'.split(
    ' ',
  ),
);

/** How a package stands in a document: used (how often), at work by itself, or neither. */
export type PackageUse =
  | { readonly kind: 'used'; readonly names: readonly string[] }
  | { readonly kind: 'by-itself' }
  | { readonly kind: 'unused' };

/** Names used in a text: of commands with their backslash, of environments without. */
export function namesUsed(text: string): ReadonlySet<string> {
  const out = new Set<string>();
  for (const { kind, name } of shapeOf(text).parts) {
    if (kind === 'command' && /[A-Za-z]/.test(name)) out.add(`\\${name}`);
    else if (kind === 'begin' || kind === 'end') out.add(name);
  }
  return out;
}

/** What a document uses of a package. Those it loads in turn count too, unless they are loaded by themselves. */
export function useOf(
  name: string,
  used: ReadonlySet<string>,
  words: readonly Word[],
  loaded: ReadonlySet<string>,
): PackageUse {
  const brings = new Set([name]);
  for (const word of words)
    if (word.kind === 'package' && word.name === name)
      for (const other of word.requires) if (!loaded.has(other)) brings.add(other);
  const names = words
    .filter(({ package: from, kind }) => brings.has(from) && kind !== 'package' && kind !== 'key')
    .map((word) => (word.kind === 'command' ? `\\${word.name}` : word.name))
    .filter((one) => used.has(one));
  if (names.length > 0) return { kind: 'used', names };
  const known = words.some((word) => word.kind === 'package' && word.name === name);
  const hasWords = words.some((word) => word.package === name && word.kind !== 'package');
  return BY_THEMSELVES.has(name) || !known || !hasWords
    ? { kind: 'by-itself' }
    : { kind: 'unused' };
}

/** The edit that takes a package out: its line when it stands alone there, else its name. */
export function withoutPackage(text: string, { name, from, to }: LoadedPackage): LineEdit {
  const start = text.lastIndexOf('\n', from - 1) + 1;
  const end = text.indexOf('\n', to);
  const lineEnd = end < 0 ? text.length : end;
  const line = text.slice(start, lineEnd);
  const alone = new RegExp(
    `^\\s*\\\\(?:usepackage|RequirePackage)\\s*(?:\\[[^\\]]*\\])?\\s*\\{\\s*${name}\\s*\\}\\s*(?:%.*)?$`,
  );
  if (alone.test(line)) return { from: start, to: Math.min(text.length, lineEnd + 1), insert: '' };
  const behind = /^\s*,\s*/.exec(text.slice(to, lineEnd));
  if (behind) return { from, to: to + behind[0].length, insert: '' };
  const before = /,\s*$/.exec(text.slice(start, from));
  return { from: from - (before?.[0].length ?? 0), to, insert: '' };
}

/** What a sheet may need, in plain words, and the package that gives it. */
export const NEEDS: readonly (readonly [words: string, name: string])[] = [
  ['mathematics in lines and matrices', 'amsmath'],
  ['more symbols, blackboard letters', 'amssymb'],
  ['theorems and proofs', 'amsthm'],
  ['pictures', 'graphicx'],
  ['colour', 'xcolor'],
  ['tables with good rules', 'booktabs'],
  ['lists to taste', 'enumitem'],
  ['links that can be clicked', 'hyperref'],
  ['margins', 'geometry'],
];
