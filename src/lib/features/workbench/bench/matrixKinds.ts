import type { BodyPlace } from './context';
import type { LineEdit } from './classLine';

/** The brackets a matrix can have: the environment, what it shows, and the marks around an array. */
export const BRACKETS: readonly {
  readonly name: string;
  readonly shown: string;
  readonly left: string;
  readonly right: string;
}[] = [
  { name: 'matrix', shown: 'no brackets', left: '', right: '' },
  { name: 'pmatrix', shown: '( )', left: '(', right: ')' },
  { name: 'bmatrix', shown: '[ ]', left: '[', right: ']' },
  { name: 'Bmatrix', shown: '{ }', left: '\\{', right: '\\}' },
  { name: 'vmatrix', shown: '| |', left: '|', right: '|' },
  { name: 'Vmatrix', shown: '‖ ‖', left: '\\|', right: '\\|' },
];

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** The marks around an array and where they stand: `\left[` before it, `\right]` behind. */
export interface ArrayMarks {
  readonly name: string;
  readonly before: { readonly from: number; readonly to: number };
  readonly behind: { readonly from: number; readonly to: number };
}

/** The brackets around an array; with none, the places where they would stand. */
export function marksAround(text: string, place: BodyPlace): ArrayMarks {
  for (const { name, left, right } of BRACKETS) {
    if (left === '') continue;
    const before = new RegExp(`\\\\left\\s*${escaped(left)}\\s*$`).exec(text.slice(0, place.from));
    const behind = new RegExp(`^\\s*\\\\right\\s*${escaped(right)}`).exec(text.slice(place.to));
    if (before && behind)
      return {
        name,
        before: { from: before.index, to: place.from },
        behind: { from: place.to, to: place.to + behind[0].length },
      };
  }
  return {
    name: 'matrix',
    before: { from: place.from, to: place.from },
    behind: { from: place.to, to: place.to },
  };
}

/** The kind of brackets that a matrix has now. */
export const bracketsOf = (text: string, place: BodyPlace): string =>
  place.name === 'array' ? marksAround(text, place).name : place.name;

/** The edits that give a matrix other brackets. */
export function setBrackets(text: string, place: BodyPlace, name: string): LineEdit[] {
  const { from, to, name: old } = place;
  if (old !== 'array')
    return [
      { from: from + 7, to: from + 7 + old.length, insert: name },
      { from: to - 1 - old.length, to: to - 1, insert: name },
    ];
  const marks = marksAround(text, place);
  const kind = BRACKETS.find((one) => one.name === name);
  return [
    { ...marks.before, insert: kind?.left ? `\\left${kind.left}` : '' },
    { ...marks.behind, insert: kind?.right ? `\\right${kind.right}` : '' },
  ];
}

/** The edits that write a matrix as an array with columns of its own, for bars and sides; its brackets stay. */
export function asArray(place: BodyPlace, columns: string): LineEdit[] {
  const kind = BRACKETS.find(({ name }) => name === place.name);
  const left = kind?.left ? `\\left${kind.left}` : '';
  const right = kind?.right ? `\\right${kind.right}` : '';
  return [
    { from: place.from, to: place.bodyFrom, insert: `${left}\\begin{array}{${columns}}` },
    { from: place.bodyTo, to: place.to, insert: `\\end{array}${right}` },
  ];
}
