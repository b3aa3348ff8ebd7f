import type { Token } from '../../expansion/meaning';
import { splitAt, trimmed } from '../scanning/optionLists';
import type { Reading } from './coordinates';
import type { Graphics } from './graphics';
import { type Key, type KeyCall, withKeys, withStyle, words } from './keys';
import { borderTowards, centreOf, type PlacedNode } from './openPicture';
import { paintPath } from './painting';
import { lineTo, newWalk, pathOfWalk } from './walk';

/** `going right`, or a placement of one's own. */
const goingIn = (text: string): string | null => /going\s+([a-z ]+?)\s*$/.exec(text)?.[1] ?? null;

/** `start chain=name going below`: a chain begins here. */
function start(call: KeyCall): void {
  const text = words(call);
  const name = text.replace(/\s*(?:going|placed).*$/, '').trim();
  const { picture } = call.reading;
  picture.chain = { name: name || 'chain', count: 0, going: goingIn(text) ?? 'right' };
}

/** `continue chain=going below`: the chain goes on otherwise. */
function goOn(call: KeyCall): void {
  const { picture } = call.reading;
  const going = goingIn(words(call));
  if (picture.chain && going) picture.chain = { ...picture.chain, going };
}

/** `on chain`: the next of the chain, beside the one before. */
function next(call: KeyCall): void {
  const { reading, node } = call;
  goOn(call);
  const chain = (reading.picture.chain ??= { name: 'chain', count: 0, going: 'right' });
  if (!node || node.chain) return;
  node.chain = { join: [] };
  if (chain.count === 0) return;
  const { it } = reading;
  const beside = it.source(`${chain.going}=of ${chain.name}-${chain.count}`);
  Object.assign(call.g, withKeys(reading, call.g, beside, node));
}

/** `join`, `join=by ->`, `join=with name by ->`: a line to the one before. */
function join({ node, value }: KeyCall): void {
  if (!node) return;
  node.chain ??= { join: [] };
  node.chain = { join: [...node.chain.join, value ?? []] };
}

export const CHAIN_KEYS: Readonly<Record<string, Key>> = {
  'start chain': start,
  'continue chain': goOn,
  'start branch': start,
  'continue branch': goOn,
  'on chain': next,
  'chain default direction': goOn,
  join,
};

/** What a join says: the node that it comes from, and the options of its line. */
function joinIn(tokens: readonly Token[]): { from: string | null; options: readonly Token[] } {
  const text = tokens.map((token) => token.text).join('');
  const from = /with\s+(.+?)(?:\s+by\b|$)/.exec(text)?.[1] ?? null;
  const by = tokens.findIndex((token, i) => token.text === 'b' && tokens[i + 1]?.text === 'y');
  return { from, options: by < 0 ? [] : trimmed(tokens.slice(by + 2)) };
}

/** A node that was set takes its place in the chain, with its lines. */
export function linkToChain(
  reading: Reading,
  joins: readonly (readonly Token[])[],
  outer: Graphics,
  node: PlacedNode,
  span: { readonly from: number; readonly to: number },
): void {
  const { picture } = reading;
  const chain = picture.chain;
  if (!chain) return;
  const count = chain.count + 1;
  picture.nodes.set(`${chain.name}-${count}`, node);
  picture.nodes.set(`${chain.name}-end`, node);
  if (count === 1) picture.nodes.set(`${chain.name}-begin`, node);
  for (const one of joins) {
    const { from, options } = joinIn(one);
    const before = picture.nodes.get(from ?? `${chain.name}-${chain.count}`);
    if (before) joined(reading, outer, [before, node], options, span);
  }
  picture.chain = { ...chain, count };
}

function joined(
  reading: Reading,
  outer: Graphics,
  [from, to]: readonly [PlacedNode, PlacedNode],
  options: readonly Token[],
  span: { readonly from: number; readonly to: number },
): void {
  let g: Graphics = { ...outer, mode: { ...outer.mode, draw: true, fill: false } };
  g = withStyle(reading, g, 'every join');
  for (const part of splitAt(options, ',')) g = withKeys(reading, g, part);
  const walk = newWalk(reading, g, span);
  walk.place = { at: borderTowards(from, centreOf(to)), node: null };
  lineTo(walk, { at: borderTowards(to, centreOf(from)), node: null });
  paintPath(reading, walk.g, pathOfWalk(walk), span);
}
