/** A place in one of the files of a sheet. */
export interface FilePlace {
  readonly file: string;
  /** Offset in that file. */
  readonly at: number;
}

/** A piece of one file as it stands in the whole. */
export interface Stretch extends FilePlace {
  /** Where it begins in the whole. */
  readonly start: number;
}

/** A sheet's text with its parts in their places. */
export interface Spliced {
  readonly text: string;
  readonly stretches: readonly Stretch[];
}

const PART = /^([^%\n]*?)\\(?:input|include)\s*\{([^{}\n]+)\}/gm;
const DEEPEST = 5;

/** Puts the parts that a text reads in (`\input`, `\include`) where they are read in; what is not found stays as it is. */
export function splicedParts(
  file: string,
  text: string,
  textOf: (name: string) => string | null,
): Spliced {
  const stretches: Stretch[] = [];
  let whole = '';
  const add = (name: string, own: string, depth: number): void => {
    let last = 0;
    for (const match of own.matchAll(PART)) {
      const [all, before = '', named = ''] = match;
      const inner = [`${named}.tex`, named].find((path) => textOf(path) !== null);
      if (!inner || depth >= DEEPEST) continue;
      put(name, last, own.slice(last, match.index + before.length));
      add(inner, textOf(inner) ?? '', depth + 1);
      last = match.index + all.length;
    }
    put(name, last, own.slice(last));
  };
  const put = (name: string, at: number, piece: string): void => {
    stretches.push({ file: name, at, start: whole.length });
    whole += piece;
  };
  add(file, text, 0);
  return { text: whole, stretches };
}

/** Where an offset of the whole stands. */
export function placeIn(stretches: readonly Stretch[], offset: number): FilePlace {
  const stretch = stretches.findLast(({ start }) => start <= offset) ?? {
    file: '',
    at: 0,
    start: 0,
  };
  return { file: stretch.file, at: stretch.at + offset - stretch.start };
}
