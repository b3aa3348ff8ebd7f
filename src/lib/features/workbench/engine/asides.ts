import type { TextEdit } from '@odd-compass/engine';

/** A stretch of the text that the engine is not given: it never came to an end with it. */
export interface Aside {
  readonly from: number;
  readonly to: number;
}

/** The paragraph around a place, the blank lines beside it not included. */
export function paragraphAround(text: string, at: number): Aside {
  const last = [...text.slice(0, at).matchAll(BLANK_LINES)].at(-1);
  const [next] = text.slice(at).matchAll(BLANK_LINES);
  return {
    from: last ? last.index + last[0].length : 0,
    to: next ? at + next.index : text.length,
  };
}

const BLANK_LINES = /\n(?:[ \t]*\n)+/g;

const blank = (text: string): string => text.replace(/[^\n]/g, ' ');

/** The text with what is set aside blanked out: as long as it was, so that all places stay. */
export const withoutAsides = (text: string, asides: readonly Aside[]): string =>
  asides.reduce(
    (left, { from, to }) => left.slice(0, from) + blank(left.slice(from, to)) + left.slice(to),
    text,
  );

/** An edit as the engine is told of it, and what is still set aside behind it. */
export interface ToldEdit {
  readonly edits: readonly TextEdit[];
  readonly asides: readonly Aside[];
}

/** What an edit touches of what was set aside is given to the engine again, before the edit. */
export function toldWithAsides(text: string, asides: readonly Aside[], edit: TextEdit): ToldEdit {
  const touched = asides.filter(({ from, to }) => edit.from <= to && edit.to >= from);
  const shift = edit.text.length - (edit.to - edit.from);
  return {
    edits: [...touched.map(({ from, to }) => ({ from, to, text: text.slice(from, to) })), edit],
    asides: asides
      .filter((aside) => !touched.includes(aside))
      .map(({ from, to }) =>
        from >= edit.to ? { from: from + shift, to: to + shift } : { from, to },
      ),
  };
}
