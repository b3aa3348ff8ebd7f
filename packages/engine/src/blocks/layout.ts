import { glue, NO_GLUE, PT, SS, type Sp } from '../base/lengths';
import { boxOf, type AnchorItem, type Box, type Child, type MigrantItem } from '../boxes/box';
import { elementsOf, type Element } from '../boxes/elements';
import { naturalSize, stack } from '../boxes/stack';
import type { LineSpacing, PageMark, SetVerticalLeader, VItem } from '../boxes/vertical';
import type { BlockNode, Float, Paragraph, VerticalLeader } from '../document/blocks';
import type { Inline, ParboxInline } from '../document/inlines';
import type { LayoutEnv } from '../paragraphs/env';
import { setText } from '../paragraphs/boxes';
import { layoutParagraph } from '../paragraphs/paragraph';
import { layoutDisplay } from './display';
import { layoutFramed } from './framed';
import { anchorsOf, migrantsOf } from './inside';
import { layoutLongTable } from './longTable';

/** A block's nodes as items of the vertical list. */
export function layoutBlocks(nodes: readonly BlockNode[], env: LayoutEnv): VItem[] {
  const out: VItem[] = [];
  let lastLine: Sp | null = null;
  for (const node of nodes) {
    if (node.kind === 'paragraph') lastLine = pushParagraph(out, node, env);
    else if (node.kind === 'display') {
      layoutDisplay(out, node, node.alone ? null : lastLine, env, (inner) =>
        layoutBlocks(inner, env),
      );
      lastLine = null;
    } else pushNode(out, node, env);
  }
  return out;
}

const setLeader = (leader: VerticalLeader, env: LayoutEnv): SetVerticalLeader =>
  leader.kind === 'rules'
    ? leader
    : { kind: 'box', box: setText(leader.inlines, env), left: leader.left };

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
      if (node.leader)
        out.push({ kind: 'glue', glue: node.glue, leader: setLeader(node.leader, env) });
      else out.push({ kind: node.behaviour === 'merge' ? 'addvspace' : 'glue', glue: node.glue });
      if (node.closed) out.push({ kind: 'glue', glue: glue(0) });
      break;
    case 'rule': {
      const { left: x, width, height, color, running = false } = node;
      out.push({ kind: 'rule', x, width, height, color, running });
      break;
    }
    case 'float':
      pushFloat(out, node, env);
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
      const box = withMarginNotes(setText([node.inline], env), env);
      const line = { kind: 'line' as const, box, x: node.left, spacing: node.spacing };
      out.push({ ...line, labels: anchorsOf(box) });
      pushMigrants(out, box, env);
      break;
    }
    case 'framed': {
      const edges = [setText([node.head], env), setText([node.foot], env)] as const;
      out.push(...layoutFramed(node, edges, unskipped(layoutBlocks(node.blocks, env))));
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

/** Adds a float, and where it was called the notes in it: they stand at the foot of that page. */
function pushFloat(out: VItem[], node: Float, env: LayoutEnv): void {
  const items = layoutBlocks(node.blocks, env);
  const { type, placement, wide, width } = node;
  out.push({ kind: 'float', type, placement, wide, items, box: stackItems(items, width).box });
  for (const item of items) if (item.kind === 'footnote') out.push(item);
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
  const numbered = shape.lineNumbers && { ...shape.lineNumbers, width: shape.width };
  lines.forEach((line, i) => {
    const box = special ? withMarginNotes(line.box, env) : line.box;
    out.push({
      kind: 'line',
      box: numbered ? { ...box, numbered } : box,
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
    if (line.hyphenated) penalty += shape.costs.brokenPenalty;
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

/** The line with the notes that stand beside it; which margin they go to is the page's to say. */
function withMarginNotes(box: Box, env: LayoutEnv): Box {
  const notes = migrantsOf(box).filter((node) => node.kind === 'marginnote');
  if (notes.length === 0) return box;
  const margins = notes.map(({ inline, left, width, sep, push, shift, reversed }) => {
    const right = setText([inline], env);
    return { right, left: left ? setText([left], env) : right, width, sep, push, shift, reversed };
  });
  return { ...box, margins };
}

function pushMigrants(out: VItem[], box: Box, env: LayoutEnv): void {
  for (const node of migrantsOf(box)) if (node.kind !== 'marginnote') pushNode(out, node, env);
}

/** A box of paragraphs (`\parbox`, `minipage`, `\vbox`). */
export function setParbox(inline: ParboxInline, env: LayoutEnv): Box {
  const items = unskipped(layoutBlocks(inline.blocks, env));
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

/** A list without empty space at its end, below which the last line would not hang (`\unskip` of the LaTeX kernel). */
function unskipped(items: readonly VItem[]): readonly VItem[] {
  const last = items.at(-1);
  const isEmpty = last?.kind === 'glue' && last.glue.width === 0 && last.glue.stretch === 0;
  return isEmpty ? unskipped(items.slice(0, -1)) : items;
}

const SPREAD: VItem = {
  kind: 'glue',
  glue: SS,
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

/** Lines one under another; glue as it is, or set to fill a height. */
export function stackItems(
  items: readonly VItem[],
  width: Sp | null,
  height: Sp | null = null,
): StackedItems {
  const elements = elementsOf(width === null ? withRules(items) : items).map(asBox);
  const natural = naturalSize(elements, 0);
  const wanted = height === null ? null : height - natural.depth;
  const set = stack(elements, 0, wanted);
  const children = set.boxes.map(({ x, y, box }): Child => ({ x, y: -y, item: box }));
  const inLines = new Set(set.boxes.flatMap(({ box }) => migrantsOf(box)));
  for (const { mark, y } of set.marks) {
    const item = markItem(mark);
    if (item && (item.kind !== 'migrant' || !inLines.has(item.node)))
      children.push({ x: 0, y: -y, item });
  }
  const whole = set.height + set.depth;
  const box = boxOf(width ?? widestOf(elements), 0, height ?? whole, children);
  return { box, first: set.boxes[0]?.y ?? 0, last: set.depth };
}

/** In a box, a float stands where it is. */
const asBox = (element: Element): Element =>
  element.kind === 'float' ? { kind: 'box', box: element.float.box, x: 0, line: null } : element;

/** What a mark leaves in a box: a place for links, or what comes out of it with the page. */
function markItem(mark: PageMark): AnchorItem | MigrantItem | null {
  const none = { width: 0, height: 0, depth: 0 } as const;
  if (mark.kind === 'label') return { kind: 'anchor', label: mark.name, ...none };
  return mark.kind === 'contents' ? { kind: 'migrant', node: mark, ...none } : null;
}

const widestOf = (elements: readonly Element[]): Sp =>
  Math.max(0, ...elements.map((e) => (e.kind === 'box' ? e.x + e.box.width : 0)));

/** Rules without a width of their own made as wide as the widest line (The TeXbook, chapter 21). */
function withRules(items: readonly VItem[]): readonly VItem[] {
  const isRunning = (item: VItem): boolean => item.kind === 'rule' && item.running === true;
  if (!items.some(isRunning)) return items;
  const width = widestOf(elementsOf(items.filter((item) => !isRunning(item))));
  return items.map((item) =>
    item.kind === 'rule' && item.running ? { ...item, x: 0, width } : item,
  );
}

export const space = (width: Sp): VItem => ({ kind: 'glue', glue: glue(width) });
