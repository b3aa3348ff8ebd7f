import { blanked, shapeOf } from '@odd-compass/engine/shape';
import { engineName } from './fileName';

/** A place in a source where another file is named. */
export interface FileReference {
  readonly command: string;
  /** As written there. */
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

/** Commands that name files, and the endings they may leave out. */
const ENDINGS: Readonly<Record<string, readonly string[]>> = {
  input: ['.tex'],
  include: ['.tex'],
  subfile: ['.tex'],
  includegraphics: ['.pdf', '.png', '.jpg', '.jpeg', '.svg', '.eps'],
  includepdf: ['.pdf'],
  bibliography: ['.bib'],
  addbibresource: [],
  usepackage: ['.sty'],
  documentclass: ['.cls'],
  lstinputlisting: [],
  verbatiminput: [],
};

const NAMED = new RegExp(
  `\\\\(${Object.keys(ENDINGS).join('|')})\\*?\\s*(?:\\[[^\\]]*\\]\\s*)?\\{([^{}]*)\\}`,
  'g',
);

/** All places of a source that name files; those in comments are left out. */
export function fileReferences(source: string): FileReference[] {
  const text = blanked(shapeOf(source), 'comment');
  return [...text.matchAll(NAMED)].flatMap((found) => {
    const names = found[2] ?? '';
    const start = found.index + found[0].length - 1 - names.length;
    return [...names.matchAll(/[^,\s](?:[^,]*[^,\s])?/g)].map(({ 0: name, index }) => ({
      command: found[1] ?? '',
      name,
      from: start + index,
      to: start + index + name.length,
    }));
  });
}

const plain = (name: string): string => name.replace(/^(\.\/)+/, '');

/** Does a reference mean the file at a path? With its ending, or with one that its command leaves out. */
export function refersTo({ command, name }: FileReference, path: string): boolean {
  const asked = plain(name);
  return asked === path || (ENDINGS[command] ?? []).some((ending) => asked + ending === path);
}

/** Is a source typeset by itself? It has a class, which is not the one that borrows another's. */
export const hasClass = (source: string): boolean =>
  fileReferences(source).some(
    ({ command, name }) => command === 'documentclass' && name !== 'subfiles',
  );

/**
 * The texts that a main file reads in, itself first, those that they read in after them.
 * @param texts all texts by their paths; names in them count from the main file's folder
 */
export function partsOf(main: string, texts: Readonly<Record<string, string>>): string[] {
  const found = new Set([main]);
  // A set is gone through in the order in which it grows.
  for (const path of found)
    for (const reference of fileReferences(texts[path] ?? ''))
      if (/^(input|include|subfile)$/.test(reference.command))
        for (const other of Object.keys(texts))
          if (refersTo(reference, engineName(main, other))) found.add(other);
  return [...found];
}

/**
 * The texts that read one another in, from a main file up to another, both left out; null when
 * the main file does not come to it. Of several ways the shortest.
 * @param main,path names as they are written in the sources.
 * @param textOf the text of a file, or null when there is none.
 */
export function wayBetween(
  main: string,
  path: string,
  names: readonly string[],
  textOf: (name: string) => string | null,
): readonly string[] | null {
  const cameFrom = new Map<string, string>([[main, '']]);
  // A map is gone through in the order in which it grows: what is nearer comes first.
  for (const [name] of cameFrom) {
    const references = fileReferences(textOf(name) ?? '').filter(({ command }) =>
      /^(input|include)$/.test(command),
    );
    for (const other of names)
      if (!cameFrom.has(other) && references.some((it) => refersTo(it, other)))
        cameFrom.set(other, name);
  }
  if (!cameFrom.has(path)) return null;
  const way: string[] = [];
  for (let at = cameFrom.get(path) ?? ''; at !== main && at !== ''; at = cameFrom.get(at) ?? '')
    way.unshift(at);
  return way;
}

/** A source in which every mention of a file has its new path; endings stay away where they were away. */
export function withFileRenamed(source: string, path: string, to: string): string {
  let out = source;
  for (const reference of fileReferences(source).reverse()) {
    if (!refersTo(reference, path)) continue;
    const short = plain(reference.name) !== path;
    const name = short ? to.replace(/\.[A-Za-z0-9]+$/, '') : to;
    out = out.slice(0, reference.from) + name + out.slice(reference.to);
  }
  return out;
}
