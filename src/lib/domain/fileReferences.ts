import { blanked, shapeOf } from '@odd-compass/engine/shape';

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
  includegraphics: ['.pdf', '.png', '.jpg', '.jpeg', '.svg'],
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
