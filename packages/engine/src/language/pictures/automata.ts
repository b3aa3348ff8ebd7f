import { PT } from '../../base/lengths';
import { plus, polar, times } from '../../drawing/vectors';
import type { Graphics, StateArrow } from './graphics';
import { lengthOf, type Key, type KeyCall, withStyle, words } from './keys';
import { freshNode, newSaying, setNode, setText } from './nodes';
import { borderTowards, centreOf, type PlacedNode } from './openPicture';
import { anchorAway } from './compass';
import type { Reading } from './coordinates';
import { paintPath } from './painting';
import { lineTo, newWalk, pathOfWalk } from './walk';

type Which = 'starts' | 'ends';

const change = (call: KeyCall, which: Which, by: Partial<StateArrow>): void => {
  const { node } = call.g;
  call.g.node = { ...node, [which]: { ...node[which], ...by } };
};

const SIDES: Readonly<Record<string, number | undefined>> = {
  right: 0,
  above: 90,
  left: 180,
  below: 270,
};

/** The side that `initial where=` names: a word, or an angle. */
function sideOf(call: KeyCall): number {
  const said = words(call).trim();
  return SIDES[said] ?? (Number(said) || 0);
}

/** The keys of one kind of arrow: `initial text`, `accepting where` and their kin (the manual of tikz, automata). */
function arrowKeys(name: 'initial' | 'accepting', which: Which): Record<string, Key> {
  const sides = Object.entries(SIDES).map(([side, angle]): [string, Key] => [
    `${name} ${side}`,
    (call) => change(call, which, { drawn: true, angle: angle ?? 0 }),
  ]);
  return {
    [`${name} by arrow`]: (call) => change(call, which, { drawn: true }),
    [`${name} text`]: (call) => change(call, which, { words: call.value ?? [] }),
    [`${name} where`]: (call) => change(call, which, { angle: sideOf(call) }),
    [`${name} distance`]: (call) => change(call, which, { distance: lengthOf(call) }),
    ...Object.fromEntries(sides),
  };
}

const doubled: Key = ({ g }) => {
  g.double = 0.6 * PT;
  g.mode = { ...g.mode, draw: true };
};

/** States of automata. */
export const STATE_KEYS: Readonly<Record<string, Key>> = {
  initial: (call) => change(call, 'starts', { drawn: true }),
  'initial by diamond': ({ g }) => {
    g.node = { ...g.node, shape: 'diamond' };
  },
  accepting: doubled,
  'accepting by double': doubled,
  ...arrowKeys('initial', 'starts'),
  ...arrowKeys('accepting', 'ends'),
};

/** The arrows of a state that was set: `start` before the one that leads in, and the one that leads out. */
export function drawStateArrows(
  reading: Reading,
  { g: own, outer }: { readonly g: Graphics; readonly outer: Graphics },
  node: PlacedNode,
  span: { from: number; to: number },
): void {
  for (const which of ['starts', 'ends'] as const) {
    const { drawn, words: said, angle, distance } = own.node[which];
    if (!drawn) continue;
    const far = plus(centreOf(node), times(polar(angle, 1), 65536 * 100));
    const border = borderTowards(node, far);
    const tip = plus(border, polar(angle, distance ?? 3 * 0.43 * reading.it.em));
    const into = which === 'starts';
    const pen = withStyle(
      reading,
      {
        ...outer,
        endTips: [outer.tip],
        startTips: [],
        mode: { ...outer.mode, draw: true, fill: false },
      },
      into ? 'every initial by arrow' : 'every accepting by arrow',
    );
    const walk = newWalk(reading, pen, span);
    walk.place = { at: into ? tip : border, node: null };
    lineTo(walk, { at: into ? border : tip, node: null });
    paintPath(reading, pen, pathOfWalk(walk), span);
    const tokens = said ?? reading.it.p.chars('start');
    if (tokens.length === 0) continue;
    const look = freshNode({ ...outer });
    const words = { ...look, node: { ...look.node, anchor: anchorAway(angle) } };
    setNode(reading, words, newSaying(), setText(reading, look, tokens), tip, null, span);
  }
}
