/**
 * A thing that the processor remembers, declared once: what it is called, what it holds, and what
 * it holds to begin with. Read and written through `State.read` and `State.write`. What it holds is
 * plain data, so that equal values can be told to be equal.
 */
export interface CellOf<T> {
  readonly name: string;
  readonly start: T;
}

/** Marks names of our own: no document can write it. */
const OWN = '\u0001';

export const cell = <T>(name: string, start: T): CellOf<T> => ({ name: `${OWN}${name}`, start });

/** One cell for each key: a style of each name, the options of each file. */
export const cellsBy =
  <T>(name: string, start: T) =>
  (key: string): CellOf<T> =>
    cell(`${name}:${key}`, start);

/** A yes or no that is no to begin with. */
export const flag = (name: string): CellOf<boolean> => cell(name, false);

/** Has the document begun, behind its preamble? */
export const IN_DOCUMENT = flag('indocument');

/** Is the name one of our own, such as the label of an entry of the bibliography? */
export const isOwnName = (name: string): boolean => name.startsWith(OWN);

/** A name that no document can write: of commands and labels that only we use. */
export const ownName = (name: string): string => `${OWN}${name}`;

/** The label of an entry of the bibliography, or of a part of what a citation of it prints. */
export const citeLabel = (key: string, part = ''): string => ownName(`cite:${key}${part}`);
