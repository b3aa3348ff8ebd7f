import { boxOf, hbox, hpack, kern, type Box, type HItem, type Item } from '../boxes/box';
import type { MathClass, MathList, MathNode } from '../document/math';
import type { Atom, Laid } from './atom';
import type { FontSpec } from '../document/font';
import type { FormulaBreakCosts } from '../document/inlines';
import type { FontStore } from '../fonts/store';
import { inStyle, mathContext, mu, type MathContext, type Missing, type SetText } from './context';
import { closeness, unwrapped, withoutCorrection } from './neighbours';
import { rules, type Rule } from './rules';
import { chosen, resized } from './rules/placed';
import { SPACES, settleClasses, spaceBetween } from './spacing';
import { named, type Style } from './style';

/** Deeper than this a formula is shown as far as it goes; a page has no room for more. */
const DEEPEST = 220;

/** Penalties for breaking an in-line formula after a relation or operator (plain TeX). */
const USUAL_COSTS: FormulaBreakCosts = { relation: 500, operator: 700 };

/** Lays out one node by the rule of its kind. */
export function layoutNode(node: MathNode, ctx: MathContext): Laid {
  const bare = unwrapped(node);
  const rule = rules[bare.kind] as Rule<MathNode>;
  return rule(bare, ctx);
}

/** Every node of a list, with style changes acting on what follows them. */
export function layoutNodes(list: MathList, ctx: MathContext): Laid[] {
  if (ctx.depth > DEEPEST) return [];
  const out: Laid[] = [];
  let current: MathContext = { ...ctx, depth: ctx.depth + 1 };
  let before: MathNode | null = null;
  for (const node of list) {
    if (node.kind === 'style') current = inStyle(current, named(node.style, current.style));
    else if (node.kind === 'colour') current = { ...current, color: node.color };
    else if (node.kind === 'size') current = resized(node, current);
    else if (node.kind === 'choice') out.push(...layoutNodes(chosen(node, current), current));
    else {
      drawTogether(out, before, node, current);
      out.push(layoutNode(node, current));
    }
    before = node;
  }
  return out;
}

/** Kerns between a node and the one before it, whose atom is the last in the list. */
function drawTogether(
  out: Laid[],
  before: MathNode | null,
  node: MathNode,
  ctx: MathContext,
): void {
  const last = out.at(-1);
  // Fonts with a MATH table alone know of none.
  if (!before || last?.kind !== 'atom' || !ctx.parameters[0]) return;
  const close = closeness(before, node, ctx);
  if (!close) return;
  if (close.within) out[out.length - 1] = withoutCorrection(last);
  if (close.kern !== 0) out.push({ kind: 'space', width: close.kern });
}

/** The atoms with the spaces between them (Appendix G, rules 20 to 22); a line may break where it costs something. */
function spaced(laid: readonly Laid[], ctx: MathContext, costs: FormulaBreakCosts | null): HItem[] {
  const breakable = costs !== null;
  const atoms = laid.filter((l): l is Atom => l.kind === 'atom');
  const classes = settleClasses(atoms.map((a) => a.cls));
  const out: HItem[] = [];
  let before: MathClass | null = null;
  let index = 0;
  for (const [at, part] of laid.entries()) {
    if (part.kind === 'space') {
      out.push(kern(part.width));
      continue;
    }
    if (part.kind === 'penalty') {
      if (breakable) out.push(part);
      continue;
    }
    const cls = classes[index++] as MathClass;
    if (before !== null) pushSpace(out, before, cls, part, ctx, breakable);
    out.push(hbox(withItalic(part)));
    const next = laid[at + 1];
    // The document's own penalty stands there alone (TeX: The Program, §767).
    const relates = next?.kind === 'atom' && classes[index] === 'rel';
    if (costs && next && next.kind !== 'penalty' && !relates) {
      if (cls === 'rel') out.push({ kind: 'penalty', penalty: costs.relation });
      else if (cls === 'bin') out.push({ kind: 'penalty', penalty: costs.operator });
    }
    before = cls;
  }
  return out;
}

function pushSpace(
  out: HItem[],
  before: MathClass,
  cls: MathClass,
  part: Atom,
  ctx: MathContext,
  breakable: boolean,
): void {
  const space = spaceBetween(before, cls, part.style);
  if (space === 0) return;
  const [width, stretch, shrink] = SPACES[space] as readonly [number, number, number];
  const unit = mu(inStyle(ctx, part.style));
  if (breakable)
    out.push({ kind: 'glue', width: width * unit, stretch: stretch * unit, shrink: shrink * unit });
  else out.push(kern(width * unit));
}

/** The item with its italic correction, which a character without scripts includes (rule 17). */
function withItalic({ item, italic }: Atom): Item {
  if (italic === 0) return item;
  return boxOf(item.width + italic, item.height, item.depth, [{ x: 0, y: 0, item }]);
}

/** A list as a box at its natural width. */
export function layoutList(list: MathList, ctx: MathContext): Box {
  return hpack(spaced(layoutNodes(list, ctx), ctx, null));
}

/** A formula within a line: it stretches with the line and breaks after relations and operators. */
export function layoutInline(
  list: MathList,
  ctx: MathContext,
  costs: FormulaBreakCosts = USUAL_COSTS,
): HItem[] {
  return spaced(layoutNodes(list, ctx), ctx, costs);
}

/** The context in which a formula of the document is laid out. */
export function formulaContext(
  fonts: FontStore,
  text: FontSpec,
  style: Style,
  setText: SetText,
  missing: Missing,
): MathContext {
  return mathContext(fonts, text, style, setText, { list: layoutList, node: layoutNode }, missing);
}
