import type { MathNode } from '../../document/math';
import type { Laid } from '../atom';
import type { MathContext } from '../context';
import { accent } from './accent';
import { array } from './array';
import { cancel } from './cancel';
import { big, delimited, middle } from './delimited';
import { diagram } from './diagram';
import { enclosure } from './enclosure';
import { fraction } from './fraction';
import { group, not, penalty, phantom, space, style, text, unknown } from './group';
import { longArrow } from './longArrow';
import { bold, centred, choice, lap, size } from './placed';
import { sideset } from './sideset';
import { line, stack, stretch } from './stack';
import { operator } from './operator';
import { radical } from './radical';
import { scripts } from './scripts';
import { symbol } from './symbol';

/** Lays out one node. */
export type Rule<N extends MathNode> = (node: N, ctx: MathContext) => Laid;

/** The table of contents: a kind without a rule does not compile. */
export const rules: { readonly [K in MathNode['kind']]: Rule<Extract<MathNode, { kind: K }>> } = {
  symbol,
  operator,
  scripts,
  group,
  fraction,
  radical,
  delimited,
  middle,
  big,
  accent,
  stretch,
  line,
  stack,
  style,
  colour: style,
  space,
  text,
  phantom,
  not,
  longArrow,
  cancel,
  array,
  unknown,
  penalty,
  sideset,
  choice,
  size,
  lap,
  centred,
  bold,
  enclosure,
  diagram,
};
