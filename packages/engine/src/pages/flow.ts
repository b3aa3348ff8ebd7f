import type { Glue, Sp } from '../base/lengths';
import { boxOf, rule, type Box } from '../boxes/box';
import type { FloatVItem, LineVItem, PageMark, VItem } from '../boxes/vertical';
import type { FlowBlock, FlowPosition } from './page';

/** What the list gives, with line space worked out. */
export type Element =
  | {
      readonly kind: 'box';
      readonly box: Box;
      readonly x: Sp;
      readonly line: LineVItem | null;
      /** A float whose lines are placed one by one. */
      readonly float?: FloatVItem;
    }
  | { readonly kind: 'glue'; readonly glue: Glue }
  | { readonly kind: 'penalty'; readonly penalty: number }
  | { readonly kind: 'mark'; readonly mark: PageMark }
  | { readonly kind: 'float'; readonly float: FloatVItem }
  | { readonly kind: 'footnote'; readonly items: readonly VItem[] }
  | Extract<VItem, { kind: 'clear' | 'columnchange' | 'balanced' | 'repeat' }>;

/** An element and the place it came from. */
export interface Located {
  readonly element: Element;
  readonly at: FlowPosition;
}

/** Reads the main vertical list from a place on. */
export class Flow {
  private pending: Located[] = [];
  private lastSkip: Sp | null = null;
  private noInterline = false;
  /** Depth of the line before; null at the top of a page, where space vanishes anyway. */
  private depth: Sp | null = null;

  constructor(
    private readonly blocks: readonly FlowBlock[],
    public at: FlowPosition,
  ) {}

  next(): Located | null {
    for (;;) {
      const waiting = this.pending.shift();
      if (waiting) return waiting;
      const block = this.blocks[this.at.block];
      if (!block) return null;
      const item = block.items[this.at.item];
      if (!item) {
        this.at = { block: this.at.block + 1, item: 0 };
        continue;
      }
      const { at } = this;
      this.at = { block: at.block, item: at.item + 1 };
      this.take(item, at);
    }
  }

  private take(item: VItem, at: FlowPosition): void {
    const push = (element: Element) => this.pending.push({ element, at });
    switch (item.kind) {
      case 'line': {
        const between = this.noInterline ? null : this.interline(item);
        if (between) push({ kind: 'glue', glue: between });
        push({ kind: 'box', box: item.box, x: item.x, line: item });
        this.afterBox(item.box.depth);
        break;
      }
      case 'rule':
        push({ kind: 'box', x: item.x, line: null, box: ruleBox(item) });
        this.afterBox(null);
        break;
      case 'glue':
        this.lastSkip = (this.lastSkip ?? 0) + item.glue.width;
        push({ kind: 'glue', glue: item.glue });
        break;
      case 'addvspace': {
        // `\addvspace`: the larger of the two, negative space simply added (LaTeX kernel).
        const last = this.lastSkip;
        if (last === null || item.glue.width < 0 || last < 0) {
          push({ kind: 'glue', glue: item.glue });
          this.lastSkip = (last ?? 0) + item.glue.width;
        } else if (last < item.glue.width) {
          push({ kind: 'glue', glue: { ...item.glue, width: item.glue.width - last } });
          this.lastSkip = item.glue.width;
        }
        break;
      }
      case 'nointerline':
        this.noInterline = true;
        break;
      case 'balanced':
        push(item);
        this.afterBox(0);
        break;
      case 'float':
        push({ kind: 'float', float: item });
        break;
      default:
        push(item);
    }
  }

  private afterBox(depth: Sp | null): void {
    this.depth = depth;
    this.lastSkip = null;
    this.noInterline = false;
  }

  private interline({ spacing, box }: LineVItem): Glue | null {
    if (this.depth === null) return null;
    const gap = spacing.baselineSkip.width - this.depth - box.height;
    if (gap < spacing.lineSkipLimit) return spacing.lineSkip;
    return { ...spacing.baselineSkip, width: gap };
  }
}

function ruleBox({ width, height, color }: Extract<VItem, { kind: 'rule' }>): Box {
  const children = width === 0 ? [] : [{ x: 0, y: 0, item: rule(width, height, 0, color) }];
  return boxOf(width, height, 0, children);
}

/** The elements of a list by itself: a footnote's, a float's, those of one column. */
export function elementsOf(items: readonly VItem[]): Element[] {
  const flow = new Flow([{ id: -1, items }], { block: 0, item: 0 });
  const out: Element[] = [];
  for (let next = flow.next(); next; next = flow.next()) out.push(next.element);
  return out;
}
