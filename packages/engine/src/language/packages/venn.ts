import { tokensText } from '../../expansion/tokenText';
import { tokensOf, type EnvironmentEntry, type PackageEntry } from '../machine/entries';
import { environmentTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import { keyValues } from '../scanning/optionLists';

/** Middles of the circles, in units of their radius. */
const MIDDLES: Readonly<
  Record<number, readonly (readonly [name: string, x: number, y: number])[]>
> = {
  2: [
    ['A', 0, 0],
    ['B', 1.2, 0],
  ],
  3: [
    ['A', 0, 0],
    ['B', 1.2, 0],
    ['C', 0.6, -1.04],
  ],
};

/** Which circles a region lies in, and in which not: `ACapBNotC`, `OnlyA`, `NotAorB`. */
export function regionOf(
  command: string,
  names: readonly string[],
): {
  readonly within: readonly string[];
  readonly outside: readonly string[];
  readonly union: boolean;
} | null {
  const name = command.replace(/^fill/, '');
  const sets = (text: string): readonly string[] =>
    text.split(/Cap|Cup|or/).filter((set) => set !== '');
  const only = /^Only([ABC])$/.exec(name)?.[1];
  if (only)
    return { within: [only], outside: names.filter((other) => other !== only), union: false };
  if (name === 'All' || name === 'Not')
    return { within: name === 'All' ? names : [], outside: [], union: true };
  if (/^Not[ABC](?:or[ABC])*$/.test(name))
    return { within: [], outside: sets(name.slice(3)), union: false };
  if (/^[ABC](?:Cup[ABC])+$/.test(name)) return { within: sets(name), outside: [], union: true };
  const [inside = '', not = ''] = name.split('Not');
  if (!/^[ABC](?:Cap[ABC])*$/.test(inside)) return null;
  return { within: sets(inside), outside: sets(not), union: false };
}

/** The picture of so many sets as source. */
export function vennSource(
  count: 2 | 3,
  keys: ReadonlyMap<string, string>,
  fills: readonly string[],
): string {
  const radius = parseFloat(keys.get('radius') ?? '') || 1.2;
  const shade = keys.get('shade') ?? 'lightgray';
  const circles = (MIDDLES[count] ?? []).map(([name, x, y]) => ({
    name,
    x: x * radius,
    y: y * radius,
  }));
  const names = circles.map(({ name }) => name);
  const at = (x: number, y: number): string => `(${x.toFixed(3)},${y.toFixed(3)})`;
  const round = (name: string): string => {
    const { x = 0, y = 0 } = circles.find((circle) => circle.name === name) ?? {};
    return `${at(x, y)} circle (${radius})`;
  };
  const [width, height] = [3.9 * radius, count === 2 ? 3 * radius : 4.1 * radius];
  const middle = { x: 0.6 * radius, y: count === 2 ? 0 : -0.45 * radius };
  const frame = `${at(middle.x - width / 2, middle.y - height / 2)} rectangle ${at(middle.x + width / 2, middle.y + height / 2)}`;
  const filled = fills.map((command) => {
    const region = regionOf(command, names);
    if (!region) return '';
    if (region.union)
      return region.within.map((name) => `\\fill[${shade}] ${round(name)};`).join('');
    const clips = region.within.map((name) => `\\clip ${round(name)};`).join('');
    const holes = region.outside.map((name) => `\\fill[white] ${round(name)};`).join('');
    return `\\begin{scope}${clips}\\fill[${shade}] ${frame};${holes}\\end{scope}`;
  });
  const label = (key: string, fallback: string, x: number, y: number): string => {
    const text = keys.get(key) ?? fallback;
    return text === '' ? '' : `\\node at ${at(x, y)} {${text}};`;
  };
  const outer: Readonly<Record<string, readonly [number, number]>> = {
    A: [-0.75, 1.0],
    B: [1.95, 1.0],
    C: [0.6, -2.25],
  };
  const inner: Readonly<Record<string, readonly [number, number]>> =
    count === 2
      ? { OnlyA: [-0.4, 0], OnlyB: [1.6, 0], AB: [0.6, 0] }
      : {
          OnlyA: [-0.35, 0.2],
          OnlyB: [1.55, 0.2],
          OnlyC: [0.6, -1.45],
          OnlyAB: [0.6, 0.35],
          OnlyAC: [-0.02, -0.68],
          OnlyBC: [1.22, -0.68],
          ABC: [0.6, -0.35],
        };
  const labels = [
    ...names.map((name) =>
      label(
        `label${name}`,
        `$${name}$`,
        (outer[name]?.[0] ?? 0) * radius,
        (outer[name]?.[1] ?? 0) * radius,
      ),
    ),
    ...Object.entries(inner).map(([key, [x, y]]) =>
      label(`label${key}`, '', x * radius, y * radius),
    ),
    label('labelNotAB', '', middle.x - 0.42 * width, middle.y - 0.42 * height),
    label('labelNotABC', '', middle.x - 0.42 * width, middle.y - 0.42 * height),
  ];
  const drawn = names.map((name) => `\\draw ${round(name)};`).join('');
  return `\\begin{tikzpicture}${filled.join('')}${drawn}\\draw ${frame};${labels.join('')}\\end{tikzpicture}`;
}

const environment = (name: string, count: 2 | 3): EnvironmentEntry => ({
  name,
  signature: 'o',
  package: 'venndiagram',
  description: `A diagram of ${count === 2 ? 'two' : 'three'} sets; what is to be filled is said within.`,
  example: `\\begin{${name}}[labelA=ebb]\n\\fillACapB\n\\end{${name}}`,
  begin: (it, args) => {
    const body = environmentTokens(it, name);
    closeNamed(it, name);
    const keys = new Map(
      [...keyValues(tokensOf(args, 0))].map(([key, value]) => [key, tokensText(value)] as const),
    );
    const fills = body.flatMap(({ text }) => (/^fill[A-Z]/.test(text) ? [text] : []));
    it.p.push(it.source(vennSource(count, keys, fills)));
  },
});

/** venndiagram: sets as circles. */
export const venndiagram: PackageEntry = {
  name: 'venndiagram',
  description: 'Sets as circles that meet.',
  options: null,
  requires: ['tikz'],
  environments: [environment('venndiagram2sets', 2), environment('venndiagram3sets', 3)],
};
