import { glue, NO_GLUE, PT, type Glue, type Sp } from '../base/lengths';
import { boxOf, rule, type Box, type Child } from '../boxes/box';
import type { FloatVItem, LineSpacing, VItem } from '../boxes/vertical';
import type { BlockNode, Float, Paragraph } from '../document/blocks';
import type { Inline, ParboxInline } from '../document/inlines';
import type { LayoutEnv } from '../paragraphs/env';
import { setText } from '../paragraphs/boxes';
import { layoutParagraph } from '../paragraphs/paragraph';
import { layoutDisplay } from './display';
import { anchorsOf, migrantsOf } from './inside';
import { layoutLongTable } from './longTable';

/** `\brokenpenalty` (plain TeX, LaTeX). */
const BROKEN_PENALTY = 100;

/** A block's nodes as items of the vertical list. */
export function layoutBlocks(nodes: readonly BlockNode[], env: LayoutEnv): VItem[] {
  const out: VItem[] = [];
  let lastLine: Sp | null = null;
  for (const node of nodes) {
    if (node.kind === 'paragraph') lastLine = pushParagraph(out, node, env);
    else if (node.kind === 'display') {
      layoutDisplay(out, node, lastLine, env, (inner) => layoutBlocks(inner, env));
      lastLine = null;
    } else pushNode(out, node, env);
  }
  return out;
}

function pushNode(
  out: VItem[],
  node: Exclude<BlockNode, { kind: 'paragraph' | 'display' }>,
  env: LayoutEnv,
): void {
  switch (node.kind) {
    case 'vspace':
      if (node.behaviour === 'keep') {
        out.push(
          { kind: 'rule', x: 0, width: 0, height: 0, color: 0 },
          { kind: 'penalty', penalty: 10000 },
        );
      }
      out.push({ kind: node.behaviour === 'merge' ? 'addvspace' : 'glue', glue: node.glue });
      break;
    case 'rule': {
      const { left: x, width, height, color, running = false } = node;
      out.push({ kind: 'rule', x, width, height, color, running });
      break;
    }
    case 'float':
      out.push(setFloat(node, env));
      break;
    case 'footnote':
      out.push({ kind: 'footnote', items: layoutBlocks(node.blocks, env) });
      break;
    case 'columnchange':
      out.push({ ...node, wide: layoutBlocks(node.wide, env) });
      break;
    case 'balanced': {
      const { layout, left, blocks } = node;
      out.push({ kind: 'balanced', layout, left, items: layoutBlocks(blocks, env) });
      break;
    }
    case 'loosebox': {
      const box = setText([node.inline], env);
      const line = { kind: 'line' as const, box, x: node.left, spacing: node.spacing };
      out.push({ ...line, labels: anchorsOf(box) });
      pushMigrants(out, box, env);
      break;
    }
    case 'longtable':
      layoutLongTable(out, node, env);
      break;
    case 'penalty':
    case 'nointerline':
    case 'clear':
      out.push(node);
      break;
    default:
      out.push({ kind: 'mark', mark: node });
  }
}

/** A float with its contents set, at their natural height. */
function setFloat(node: Float, env: LayoutEnv): FloatVItem {
  const items = layoutBlocks(node.blocks, env);
  const { type, placement, wide, width } = node;
  return { kind: 'float', type, placement, wide, items, box: stackItems(items, width).box };
}

function spacingOf({ shape }: Paragraph): LineSpacing {
  return {
    baselineSkip: shape.baselineSkip,
    lineSkip: shape.lineSkip,
    lineSkipLimit: shape.lineSkipLimit,
  };
}

/** Adds the lines with the penalties between them (TeX: The Program, §890); gives where the last one ends. */
function pushParagraph(out: VItem[], paragraph: Paragraph, env: LayoutEnv): Sp | null {
  const lines = layoutParagraph(paragraph, env);
  const { shape } = paragraph;
  const spacing = spacingOf(paragraph);
  const special = paragraph.inlines.some(holdsSpecial);
  lines.forEach((line, i) => {
    out.push({
      kind: 'line',
      box: special ? withMarginNotes(line.box, shape.left, env) : line.box,
      x: shape.left + line.indent,
      spacing,
      labels: special ? anchorsOf(line.box) : [],
    });
    if (special) pushMigrants(out, line.box, env);
    if (line.skip !== 0) out.push({ kind: 'glue', glue: { ...NO_GLUE, width: line.skip } });
    if (i === lines.length - 1) return;
    let penalty = shape.interlinePenalty;
    if (i === 0) penalty += shape.clubPenalty;
    if (i === lines.length - 2) penalty += shape.widowPenalty;
    if (line.hyphenated) penalty += BROKEN_PENALTY;
    if (penalty !== 0) out.push({ kind: 'penalty', penalty: Math.min(penalty, 10000) });
  });
  const last = lines.at(-1);
  return last ? shape.left + last.contentWidth : null;
}

/** May the inline hold an anchor or something that leaves its line? */
const holdsSpecial = (inline: Inline): boolean =>
  inline.kind !== 'text' &&
  inline.kind !== 'space' &&
  inline.kind !== 'glue' &&
  inline.kind !== 'kern' &&
  inline.kind !== 'penalty';

/** The line with the notes that stand beside it. */
function withMarginNotes(box: Box, left: Sp, env: LayoutEnv): Box {
  const notes = migrantsOf(box).filter((node) => node.kind === 'marginnote');
  if (notes.length === 0) return box;
  const children = notes.map((note) => ({
    x: note.left - left,
    y: 0,
    item: setText([note.inline], env),
  }));
  return { ...box, children: [...box.children, ...children] };
}

function pushMigrants(out: VItem[], box: Box, env: LayoutEnv): void {
  for (const node of migrantsOf(box)) if (node.kind !== 'marginnote') pushNode(out, node, env);
}

/** A box of paragraphs (`\parbox`, `minipage`, `\vbox`). */
export function setParbox(inline: ParboxInline, env: LayoutEnv): Box {
  const items = layoutBlocks(inline.blocks, env);
  const height = inline.height ?? null;
  const filled = height === null ? items : padded(items, inline.inner ?? 'top');
  const { box, first, last } = stackItems(filled, inline.width, height);
  const total = box.height + box.depth;
  // `\vcenter`: the axis of mathematics of that size.
  const axis = inline.blocks.length > 0 ? Math.round(0.25 * (inline.size ?? 10 * PT)) : 0;
  const up =
    inline.valign === 'top' ? first : inline.valign === 'bottom' ? total - last : total / 2 + axis;
  return boxOf(box.width, up, total - up, [{ x: 0, y: up - box.height, item: box }]);
}

const SPREAD: VItem = {
  kind: 'glue',
  glue: { ...NO_GLUE, stretch: 65536, stretchOrder: 1, shrink: 65536, shrinkOrder: 1 },
};

/** The space that a box with a height of its own has above or below its contents. */
function padded(items: readonly VItem[], inner: NonNullable<ParboxInline['inner']>): VItem[] {
  if (inner === 'stretch') return [...items];
  return [...(inner === 'top' ? [] : [SPREAD]), ...items, ...(inner === 'bottom' ? [] : [SPREAD])];
}

interface StackedItems {
  /** Its reference point at the top. */
  readonly box: Box;
  /** From the top to the first baseline, and depth of the last line. */
  readonly first: Sp;
  readonly last: Sp;
}

const glueOf = (item: VItem): Glue | null =>
  item.kind === 'glue' || item.kind === 'addvspace' ? item.glue : null;

/** Lines one under another; glue as it is, or set to fill a height. */
export function stackItems(
  items: readonly VItem[],
  width: Sp | null,
  height: Sp | null = null,
): StackedItems {
  const whole = width === null ? withRules(items) : items;
  const natural = walk(whole, () => 0);
  const give = height === null ? () => 0 : glueGift(whole, height - natural.y);
  const { children, y, first, last, widest } = walk(whole, give);
  const box = boxOf(width ?? widest, 0, height ?? y, children);
  return { box, first: first ?? 0, last };
}

/** Rules without a width of their own made as wide as the widest line (The TeXbook, chapter 21). */
function withRules(items: readonly VItem[]): readonly VItem[] {
  if (!items.some((item) => item.kind === 'rule' && item.running)) return items;
  const { widest } = walk(
    items.filter((item) => item.kind !== 'rule' || !item.running),
    () => 0,
  );
  return items.map((item) =>
    item.kind === 'rule' && item.running ? { ...item, x: 0, width: widest } : item,
  );
}

/** How much each glue gives of what is missing. */
function glueGift(items: readonly VItem[], missing: Sp): (g: Glue) => Sp {
  const total = [0, 0, 0, 0];
  for (const item of items) {
    const g = glueOf(item);
    if (!g) continue;
    const order = missing > 0 ? g.stretchOrder : g.shrinkOrder;
    total[order] = (total[order] as number) + (missing > 0 ? g.stretch : g.shrink);
  }
  let order = 3;
  while (order > 0 && total[order] === 0) order--;
  const all = total[order] as number;
  if (all === 0) return () => 0;
  const ratio = missing / all;
  return (g) =>
    missing > 0
      ? g.stretchOrder === order
        ? g.stretch * ratio
        : 0
      : g.shrinkOrder === order
        ? g.shrink * Math.max(order === 0 ? -1 : -Infinity, ratio)
        : 0;
}

function walk(items: readonly VItem[], give: (g: Glue) => Sp) {
  const children: Child[] = [];
  let y = 0;
  let first: Sp | null = null;
  let last: Sp = 0;
  let before: Sp | null = null;
  let widest: Sp = 0;
  let skip: Sp = 0;
  for (const item of items) {
    if (item.kind === 'glue') {
      y += item.glue.width + give(item.glue);
      skip += item.glue.width;
    } else if (item.kind === 'addvspace') {
      const more =
        item.glue.width < 0 || skip < 0 ? item.glue.width : Math.max(0, item.glue.width - skip);
      y += more + give(item.glue);
      skip += more;
    } else if (item.kind === 'rule') {
      const line = rule(item.width, item.height, 0, item.color);
      if (item.width > 0) children.push({ x: item.x, y: -y - item.height, item: line });
      y += item.height;
      first ??= y;
      widest = Math.max(widest, item.width);
      before = null;
      last = 0;
      skip = 0;
    } else if (item.kind === 'line') {
      y += before === null ? 0 : interline(item.spacing, before, item.box.height);
      y += item.box.height;
      first ??= y;
      children.push({ x: item.x, y: -y, item: item.box });
      y += item.box.depth;
      before = last = item.box.depth;
      widest = Math.max(widest, item.x + item.box.width);
      skip = 0;
    } else if (item.kind === 'nointerline') before = null;
    else if (item.kind === 'float') {
      children.push({ x: 0, y: -y, item: item.box });
      y += item.box.height + item.box.depth;
      before = last = 0;
    } else if (item.kind === 'mark' && item.mark.kind === 'label') {
      const label = item.mark.name;
      children.push({
        x: 0,
        y: -y,
        item: { kind: 'anchor', label, width: 0, height: 0, depth: 0 },
      });
    } else if (item.kind === 'mark' && item.mark.kind === 'contents') {
      // Kept, so that it comes out with the box.
      children.push({
        x: 0,
        y: -y,
        item: { kind: 'migrant', node: item.mark, width: 0, height: 0, depth: 0 },
      });
    }
  }
  const inLines = new Set(
    children.flatMap(({ item }) => (item.kind === 'box' ? migrantsOf(item) : [])),
  );
  const once = children.filter(({ item }) => item.kind !== 'migrant' || !inLines.has(item.node));
  return { children: once, y, first, last, widest };
}

/** The glue between two lines at its natural width (TeX: The Program, §679). */
export function interline(spacing: LineSpacing, depthAbove: Sp, height: Sp): Sp {
  const gap = spacing.baselineSkip.width - depthAbove - height;
  return gap < spacing.lineSkipLimit ? spacing.lineSkip.width : gap;
}

export const space = (width: Sp): VItem => ({ kind: 'glue', glue: glue(width) });
