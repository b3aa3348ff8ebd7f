import { NO_GLUE, type Sp } from '../base/lengths';
import { boxOf, type Box, type Child } from '../boxes/box';
import type { LineSpacing, VItem } from '../boxes/vertical';
import type { BlockNode, Paragraph } from '../document/blocks';
import type { Inline, ParboxInline } from '../document/inlines';
import type { LayoutEnv } from '../paragraphs/env';
import { layoutParagraph } from '../paragraphs/paragraph';
import { layoutDisplay } from './display';

/** `\brokenpenalty` (plain TeX, LaTeX). */
const BROKEN_PENALTY = 100;

/** A block's nodes as items of the vertical list. */
export function layoutBlocks(nodes: readonly BlockNode[], env: LayoutEnv): VItem[] {
  const out: VItem[] = [];
  let lastLine: Sp | null = null;
  for (const node of nodes) {
    switch (node.kind) {
      case 'paragraph':
        lastLine = pushParagraph(out, node, env);
        break;
      case 'display':
        layoutDisplay(out, node, lastLine, env, (inner) => layoutBlocks(inner, env));
        lastLine = null;
        break;
      case 'vspace':
        if (node.behaviour === 'keep') {
          out.push(
            { kind: 'rule', x: 0, width: 0, height: 0 },
            { kind: 'penalty', penalty: 10000 },
          );
        }
        out.push({ kind: node.behaviour === 'merge' ? 'addvspace' : 'glue', glue: node.glue });
        break;
      case 'penalty':
        out.push(node);
        break;
      case 'rule':
        out.push({ kind: 'rule', x: node.left, width: node.width, height: node.height });
        break;
      case 'nointerline':
        out.push(node);
        break;
      default:
        out.push({ kind: 'mark', mark: node });
    }
  }
  return out;
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
  const labelled = paragraph.inlines.some(holdsAnchor);
  lines.forEach((line, i) => {
    out.push({
      kind: 'line',
      box: line.box,
      x: shape.left,
      spacing,
      labels: labelled ? anchorsOf(line.box) : [],
    });
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

const holdsAnchor = (inline: Inline): boolean =>
  inline.kind === 'anchor' || (inline.kind === 'box' && inline.inlines.some(holdsAnchor));

/** The labels that stand in a box. */
export function anchorsOf(box: Box): string[] {
  return box.children.flatMap(({ item }) =>
    item.kind === 'anchor' ? [item.label] : item.kind === 'box' ? anchorsOf(item) : [],
  );
}

/** A box of paragraphs (`\parbox`, `minipage`): lines one under another, glue at its natural size. */
export function setParbox(inline: ParboxInline, env: LayoutEnv): Box {
  const children: Child[] = [];
  let y = 0;
  let first: Sp | null = null;
  let lastDepth: Sp = 0;
  let before: Sp | null = null;
  for (const item of layoutBlocks(inline.blocks, env)) {
    if (item.kind === 'glue' || item.kind === 'addvspace') y += item.glue.width;
    else if (item.kind === 'rule') {
      children.push({ x: item.x, y: -y - item.height, item: ruleBox(item.width, item.height) });
      y += item.height;
      before = null;
    } else if (item.kind === 'line') {
      y += before === null ? 0 : interline(item.spacing, before, item.box.height);
      y += item.box.height;
      first ??= y;
      children.push({ x: item.x, y: -y, item: item.box });
      y += item.box.depth;
      before = lastDepth = item.box.depth;
    }
  }
  const top = first ?? 0;
  const axis = (inline.blocks.length > 0 ? 2.5 : 0) * 65536;
  const height =
    inline.valign === 'top' ? top : inline.valign === 'bottom' ? y - lastDepth : y / 2 + axis;
  return boxOf(inline.width, height, y - height, [
    { x: 0, y: height, item: boxOf(inline.width, 0, y, children) },
  ]);
}

const ruleBox = (width: Sp, height: Sp): Box =>
  boxOf(width, height, 0, [
    {
      x: 0,
      y: 0,
      item: { kind: 'rule', width, height, depth: 0, color: 0, span: { from: 0, to: 0 } },
    },
  ]);

/** The glue between two lines at its natural width (TeX: The Program, §679). */
export function interline(spacing: LineSpacing, depthAbove: Sp, height: Sp): Sp {
  const gap = spacing.baselineSkip.width - depthAbove - height;
  return gap < spacing.lineSkipLimit ? spacing.lineSkip.width : gap;
}
