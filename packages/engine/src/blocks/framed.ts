import { PT, type Sp } from '../base/lengths';
import { NOWHERE } from '../base/spans';
import { boxOf, type Box, type Child } from '../boxes/box';
import { elementsOf } from '../boxes/elements';
import type { LineVItem, VItem } from '../boxes/vertical';
import type { Framed } from '../document/blocks';

/** Neighbouring pieces of a ground overlap by so much, so that no line shows between them. */
const OVERLAP = 0.3 * PT;

const rule = (
  x: Sp,
  width: Sp,
  { height, depth }: { height: Sp; depth: Sp },
  color: number,
): Child => ({
  x,
  y: 0,
  item: { kind: 'rule', width, height, depth: depth + OVERLAP, color, span: NOWHERE },
});

/** The same box below its baseline. */
function lowered(box: Box): Box {
  const { width, height, depth } = box;
  return boxOf(width, 0, height + depth, [{ x: 0, y: -height, item: box }]);
}

/** A piece of the frame: its ground, the rules at its sides, and a line of what it holds. */
function piece(
  { width, rules: [left, right], frame, ground, room }: Framed,
  size: { readonly height: Sp; readonly depth: Sp },
  line: { readonly x: Sp; readonly box: Box } | null,
): Box {
  const children: Child[] = [];
  if (ground !== null) children.push(rule(left, width - left - right, size, ground));
  if (left > 0) children.push(rule(0, left, size, frame));
  if (right > 0) children.push(rule(width - right, right, size, frame));
  if (line) children.push({ x: room + line.x, y: 0, item: line.box });
  return boxOf(width, size.height, size.depth, children);
}

/**
 * A frame as pieces one below another, so that pages break between them where its contents may be broken. Space in it
 * keeps its natural size, and is never dropped at a page's head.
 *
 * @param edges the upper and the lower edge, set.
 * @param items what the frame holds, as a vertical list.
 */
export function layoutFramed(
  node: Framed,
  [head, foot]: readonly [Box, Box],
  items: readonly VItem[],
): VItem[] {
  const out: VItem[] = [];
  const put = (box: Box, labels: readonly string[] = []): void => {
    const line: LineVItem = { kind: 'line', box, x: node.left, spacing: node.spacing, labels };
    out.push(...(out.length > 0 ? [{ kind: 'nointerline' } as const] : []), line);
  };
  const stay = { kind: 'penalty', penalty: 10000 } as const;
  put(head);
  out.push(stay);
  let behindBox = false;
  for (const element of elementsOf(items)) {
    switch (element.kind) {
      case 'box': {
        const { box, x, line } = element;
        put(piece(node, box, { x, box }), line?.labels ?? []);
        behindBox = true;
        break;
      }
      case 'glue': {
        const { width } = element.glue;
        if (width < 0) out.push({ kind: 'glue', glue: element.glue });
        if (width <= 0) break;
        // Glue behind a box may be broken at; as a box it says so itself.
        if (behindBox) out.push({ kind: 'penalty', penalty: 0 });
        put(piece(node, { height: width, depth: 0 }, null));
        behindBox = false;
        break;
      }
      case 'penalty':
        out.push(element);
        behindBox = false;
        break;
      case 'mark':
        out.push({ kind: 'mark', mark: element.mark });
        break;
      case 'footnote':
        out.push({ kind: 'footnote', items: element.items });
        break;
      case 'float':
        out.push(element.float);
        break;
      default:
        out.push(element);
    }
  }
  out.push(stay);
  put(node.hung ? lowered(foot) : foot);
  return out;
}
