import { PT } from '../../base/lengths';
import type { ShapeName } from '../../drawing/shapes';
import type { ShapeSettings } from '../../drawing/shapeParts';
import { numberIn } from './coordinates';
import { isTrue, lengthOf, numberOf, words, type Key, type KeyCall } from './keys';
import { partsOf } from './words';

/** Writes what a key of shapes says; null takes back what was said before. */
function say({ g }: KeyCall, said: Readonly<Record<string, number | null>>): void {
  const all = { ...g.node.shapeKeys, ...said };
  const kept = Object.entries(all).filter((entry): entry is [string, number] => entry[1] !== null);
  g.node = { ...g.node, shapeKeys: Object.fromEntries(kept) as ShapeSettings };
}

const each = (names: string, of: (call: KeyCall) => number): Record<string, Key> =>
  Object.fromEntries(
    names
      .split(', ')
      .map((name): [string, Key] => [name, (call) => say(call, { [name]: of(call) })]),
  );

const LENGTHS =
  'single arrow head extend, single arrow head indent, double arrow head extend, double arrow head indent, tape bend height, logic gate input sep, logic gate inverted radius';
const NUMBERS =
  'trapezium left angle, trapezium right angle, isosceles triangle apex angle, kite upper vertex angle, kite lower vertex angle, dart tip angle, dart tail angle, cloud puffs, cloud puff arc, magnifying glass handle angle, magnifying glass handle aspect, single arrow tip angle, double arrow tip angle, signal pointer angle';
const TRUTHS =
  'shape border uses incircle, trapezium stretches, trapezium stretches body, isosceles triangle stretches';

/** `120 and 60`, or one for both. */
function two(call: KeyCall): [number, number] {
  const [one = '0', other = one] = words(call).split(/\s+and\s+/);
  return [numberIn(call.reading, one).value, numberIn(call.reading, other).value];
}

/** The sides of a signal that point outwards (`to`) or inwards (`from`). */
const points =
  (way: 1 | -1): Key =>
  (call) => {
    const sides = words(call).split(/\s+and\s+/);
    const others = ['east', 'north', 'west', 'south'].filter(
      (side) => call.g.node.shapeKeys[`signal ${side}`] === way,
    );
    say(call, {
      ...Object.fromEntries(others.map((side) => [`signal ${side}`, null])),
      ...Object.fromEntries(
        sides.filter((side) => side !== 'nowhere').map((side) => [`signal ${side}`, way]),
      ),
    });
  };

/** `{inverted, normal}` or `in`, as one figure for each input. */
function inputs(call: KeyCall): void {
  const text = words(call);
  const signs = /^[in]+$/.test(text)
    ? [...text]
    : partsOf(text, ',').map((part) => part.trim()[0] ?? 'n');
  const figures = signs.map((sign) => (sign === 'i' ? '2' : '1')).join('');
  say(call, { 'logic gate inputs': Number(figures.slice(0, 15)) || 11 });
}

/** Signs in the middle of gates that are boxes. */
const IEC_SIGNS: Readonly<Record<string, string>> = {
  and: '$\\char`\\&$',
  nand: '$\\char`\\&$',
  or: '$\\geq1$',
  nor: '$\\geq1$',
  xor: '$=1$',
  xnor: '$=1$',
  not: '$1$',
  buffer: '$1$',
};

/** What a gate that is a box has in it where nothing is written; null for other shapes. */
export const gateSign = (shape: string): string | null =>
  IEC_SIGNS[/^(\w+) gate IEC$/.exec(shape)?.[1] ?? ''] ?? null;

/** Gates where their library says how they are drawn: `circuit logic US`. */
const gatesOf = (kind: 'US' | 'IEC'): Key => {
  return ({ g }) => {
    g.gates = kind;
  };
};
/** The unit of symbols in circuits (its library: 7 pt). */
const UNIT = 7 * PT;

/** `and gate` within a circuit: the shape of its kind, in the size of that library's symbols. */
const circuitGate =
  (name: string): Key =>
  ({ g }) => {
    const kind = g.gates ?? 'US';
    const [width, height] = kind === 'US' ? [2.5, 2] : [2, 2.5];
    g.mode = { ...g.mode, draw: true };
    g.node = {
      ...g.node,
      shape: `${name} gate ${kind}` as ShapeName,
      minWidth: Math.max(g.node.minWidth, width * UNIT),
      minHeight: Math.max(g.node.minHeight, height * UNIT),
    };
  };

/** Keys of shapes and of gates: the libraries “shapes” and “circuits.logic”. */
export const SHAPE_KEYS: Readonly<Record<string, Key>> = {
  ...each(LENGTHS, lengthOf),
  ...each(NUMBERS, numberOf),
  ...each(TRUTHS, (call) => (isTrue(call) ? 1 : 0)),
  'trapezium angle': (call) =>
    say(call, { 'trapezium left angle': numberOf(call), 'trapezium right angle': numberOf(call) }),
  'kite vertex angles': (call) => {
    const [upper, lower] = two(call);
    say(call, { 'kite upper vertex angle': upper, 'kite lower vertex angle': lower });
  },
  'star point height': (call) => say(call, { 'star point height': lengthOf(call) }),
  'star point ratio': (call) =>
    say(call, { 'star point ratio': numberOf(call), 'star point height': null }),
  'cloud ignores aspect': () => undefined,
  'signal to': points(1),
  'signal from': points(-1),
  'logic gate inputs': inputs,
  inputs,
  'logic gate inverted input sep': () => undefined,
  'circuit logic US': gatesOf('US'),
  'circuit logic CDH': gatesOf('US'),
  'circuit logic IEC': gatesOf('IEC'),
  ...Object.fromEntries(
    Object.keys(IEC_SIGNS).map((name): [string, Key] => [`${name} gate`, circuitGate(name)]),
  ),
};
