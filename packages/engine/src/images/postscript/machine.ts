import { composed, type AffineMap, type Point } from '../../base/maps';
import type { Paint } from '../../base/paint';
import type { Path, Segment } from '../../base/paths';
import type { OutsideMark } from '../../document/outsideDrawing';
import { nextObject, type Scanner, scannerOf } from './scanner';
import {
  type ArrayValue,
  type DictValue,
  dictOf,
  isKind,
  kindOf,
  PostScriptError,
  type StringValue,
  type Value,
} from './values';

/** What is drawn lies within all of a chain of clips. */
export interface Clip {
  readonly path: Path;
  readonly outer: Clip | null;
}

/**
 * A path under way: the first `count` of a list. The list is lengthened in place by who holds all
 * of it, so that a curve of many points costs no more than its points; others copy their share.
 */
export interface GrowingPath {
  readonly list: Segment[];
  readonly count: number;
}

export function grown({ list, count }: GrowingPath, segments: readonly Segment[]): GrowingPath {
  const own = list.length === count ? list : list.slice(0, count);
  for (const segment of segments) own.push(segment);
  return { list: own, count: own.length };
}
export const grownFrom = (path: Path): GrowingPath => ({ list: [...path], count: path.length });
/** The path as it stands, for what is painted or clipped with it. */
export function pathOf(it: Machine): Path {
  const { list, count } = it.state.path;
  spend(it, count);
  return list.slice(0, count);
}

/** The graphics state (Language Reference, 4.2). Paths and places are in sp of the drawing. */
export interface GraphicsState {
  readonly ctm: AffineMap;
  readonly path: GrowingPath;
  /** Where the path has come to, and where its last piece began. */
  readonly point: Point | null;
  readonly start: Point | null;
  readonly paint: Paint;
  readonly components: readonly number[];
  readonly space: readonly Value[];
  readonly width: number;
  readonly cap: number;
  readonly join: number;
  readonly miterLimit: number;
  readonly dash: readonly number[];
  readonly dashPhase: number;
  readonly clip: Clip | null;
  readonly font: DictValue | null;
}

/** A program under way. */
export interface Machine {
  readonly operands: Value[];
  readonly dicts: DictValue[];
  readonly system: DictValue;
  readonly fonts: Map<string, DictValue>;
  readonly scanner: Scanner;
  readonly base: AffineMap;
  readonly operators: Operators;
  readonly saved: { readonly state: GraphicsState; readonly bySave: boolean }[];
  readonly marks: { readonly mark: OutsideMark; readonly clip: Clip | null }[];
  state: GraphicsState;
  /** Width of the glyph that is drawn by a procedure, as that says it. */
  glyphWidth: Point;
  /** Seed of `rand`. */
  seed: number;
  depth: number;
  steps: number;
}

export type Operators = ReadonlyMap<string, (it: Machine) => void>;

/** Objects that a program may execute: a large figure has some hundred thousand. */
const MOST_STEPS = 1_500_000;
const MOST_OPERANDS = 50_000;
/** Marks that a page can draw while one types beside them. */
const MOST_MARKS = 100_000;
const MOST_DEPTH = 250;

/** A program that goes on without end; nothing in it can catch that. */
export class TooMuch extends Error {}
/** Leaves the innermost loop. */
export class Exit extends Error {}

/** No path; each has a list of its own. */
export const newPath = (): Pick<GraphicsState, 'path' | 'point' | 'start'> => ({
  path: { list: [], count: 0 },
  point: null,
  start: null,
});

export const initialState = (base: AffineMap): GraphicsState => ({
  ctm: base,
  ...newPath(),
  paint: 0,
  components: [0],
  space: [],
  width: 1,
  cap: 0,
  join: 0,
  miterLimit: 10,
  dash: [],
  dashPhase: 0,
  clip: null,
  font: null,
});

/** A machine before a program; `base` leads from its default coordinates to the drawing. */
export function machineOf(text: string, base: AffineMap, operators: Operators): Machine {
  const system = dictOf();
  for (const name of operators.keys()) system.entries.set(`/${name}`, { kind: 'operator', name });
  return {
    operands: [],
    dicts: [system, dictOf()],
    system,
    fonts: new Map(),
    scanner: scannerOf(text),
    base,
    operators,
    saved: [],
    marks: [],
    state: initialState(base),
    glyphWidth: { x: 0, y: 0 },
    seed: 1,
    depth: 0,
    steps: 0,
  };
}

/** Runs a program to its end. Throws PostScriptError, TooMuch. */
export function runProgram(it: Machine): void {
  for (let next = nextObject(it.scanner); next; next = nextObject(it.scanner)) run(it, next.value);
}

/** What a name means now, or undefined. */
export function lookUp(it: Machine, name: string): Value | undefined {
  for (let i = it.dicts.length - 1; i >= 0; i--) {
    const found = it.dicts[i]?.entries.get(`/${name}`);
    if (found !== undefined) return found;
  }
  return undefined;
}

const step = (it: Machine): void => spend(it, 1);

/** Counts work, in objects executed: what copies or keeps much costs as much. */
export function spend(it: Machine, work: number): void {
  if ((it.steps += work) > MOST_STEPS) throw new TooMuch();
}

/** Executes an object as it comes: procedures wait on the stack until something calls them. */
export function run(it: Machine, value: Value): void {
  step(it);
  if (isKind(value, 'operator')) return operate(it, value.name);
  if (!isKind(value, 'name') || !value.executable) return push(it, value);
  const found = lookUp(it, value.name);
  if (found === undefined) throw new PostScriptError('undefined', value.name);
  call(it, found);
}

function operate(it: Machine, name: string): void {
  const operator = it.operators.get(name);
  if (!operator) throw new PostScriptError('undefined', name);
  operator(it);
}

/** Calls a procedure; any other object is executed. */
export function call(it: Machine, value: Value): void {
  if (!isKind(value, 'array') || !value.executable) return run(it, value);
  // Loops over nothing are counted too.
  step(it);
  if (++it.depth > MOST_DEPTH) throw new TooMuch();
  try {
    for (const item of value.items) run(it, item);
  } finally {
    it.depth--;
  }
}

export function push(it: Machine, ...values: Value[]): void {
  if (it.operands.length + values.length > MOST_OPERANDS) throw new TooMuch();
  for (const value of values) it.operands.push(value);
}

export function pop(it: Machine): Value {
  const value = it.operands.pop();
  if (value === undefined) throw new PostScriptError('stackunderflow');
  return value;
}

/** An operator that leaves one value. */
export const give =
  (make: (it: Machine) => Value) =>
  (it: Machine): void =>
    push(it, make(it));

/** An operator that takes values off and does no more. */
export const drop =
  (count: number) =>
  (it: Machine): void => {
    for (let i = 0; i < count; i++) pop(it);
  };

const wrong = (value: Value): PostScriptError => new PostScriptError('typecheck', kindOf(value));

export function popNumber(it: Machine): number {
  const value = pop(it);
  if (typeof value !== 'number') throw wrong(value);
  return value;
}

/** Numbers in the order they were given. */
export function popNumbers(it: Machine, count: number): number[] {
  return Array.from({ length: count }, () => popNumber(it)).reverse();
}

export function popTruth(it: Machine): boolean {
  const value = pop(it);
  if (typeof value !== 'boolean') throw wrong(value);
  return value;
}

export function popArray(it: Machine): ArrayValue {
  const value = pop(it);
  if (!isKind(value, 'array')) throw wrong(value);
  return value;
}

export function popDict(it: Machine): DictValue {
  const value = pop(it);
  if (!isKind(value, 'dict')) throw wrong(value);
  return value;
}

export function popString(it: Machine): StringValue {
  const value = pop(it);
  if (!isKind(value, 'string')) throw wrong(value);
  return value;
}

export const numbersIn = ({ items }: ArrayValue): number[] =>
  items.map((item) => {
    if (typeof item !== 'number') throw wrong(item);
    return item;
  });

/** Changes part of the graphics state. */
export function change(it: Machine, part: Partial<GraphicsState>): void {
  it.state = { ...it.state, ...part };
}

/** Puts a map before the present one. */
export const concat = (it: Machine, map: AffineMap): void =>
  change(it, { ctm: composed(it.state.ctm, map) });

/** What is drawn from now on is inside the path too. */
export const clipTo = (it: Machine, path: Path): void =>
  change(it, { clip: { path, outer: it.state.clip } });

export function draw(it: Machine, mark: OutsideMark): void {
  if (it.marks.length >= MOST_MARKS) throw new TooMuch();
  it.marks.push({ mark, clip: it.state.clip });
}
