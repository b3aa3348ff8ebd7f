import type { Point } from '../../base/maps';
import { vectorOf } from './coordinates';
import type { TreeLook } from './graphics';
import { numberOf, words, type Key, type KeyCall } from './keys';

const tree =
  (of: (call: KeyCall) => Partial<TreeLook>): Key =>
  (call) => {
    call.g.tree = { ...call.g.tree, ...of(call) };
  };

/** Edges that leave a parent one way, and reach their children around a corner (the library of trees). */
const fork = (way: string, first: string, second: string): [string, Key] => [
  `edge from parent fork ${way}`,
  tree(({ reading }) => ({
    edge: reading.it.source(
      `(\\tikzparentnode\\tikzparentanchor) -- +(${first}) ${second} (\\tikzchildnode\\tikzchildanchor)`,
    ),
  })),
];

/** Keys of trees, besides their distances. */
export const TREE_KEYS: Readonly<Record<string, Key>> = {
  'grow cyclic': tree(() => ({ cyclic: { turn: 1, from: null } })),
  'sibling angle': tree((call) => ({ siblingAngle: numberOf(call) })),
  'clockwise from': tree((call) => ({ cyclic: { turn: -1, from: numberOf(call) } })),
  'counterclockwise from': tree((call) => ({ cyclic: { turn: 1, from: numberOf(call) } })),
  'grow via three points': tree((call) => {
    const found = [...words(call).matchAll(/\(([^()]*)\)/g)].map(([, at = '']) =>
      vectorOf(call.reading, call.g, at),
    );
    const [one, left, right] = found;
    const three: readonly [Point, Point, Point] | null =
      one && left && right ? [one, left, right] : null;
    return { three };
  }),
  'edge from parent path': tree(({ value }) => ({ edge: value })),
  'parent anchor': tree((call) => ({ parentAnchor: `.${words(call)}` })),
  'child anchor': tree((call) => ({ childAnchor: `.${words(call)}` })),
  'growth parent anchor': () => undefined,
  ...Object.fromEntries([
    fork('down', '0,-.5\\tikzleveldistance', '-|'),
    fork('up', '0,.5\\tikzleveldistance', '-|'),
    fork('right', '.5\\tikzleveldistance,0', '|-'),
    fork('left', '-.5\\tikzleveldistance,0', '|-'),
  ]),
};
