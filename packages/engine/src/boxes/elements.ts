import { negative, type Glue, type Sp } from '../base/lengths';
import { boxOf, rule, type Box } from './box';
import type { FloatVItem, GlueVItem, LineSpacing, LineVItem, PageMark, VItem } from './vertical';

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
  | GlueVItem
  | { readonly kind: 'penalty'; readonly penalty: number }
  | { readonly kind: 'mark'; readonly mark: PageMark }
  | { readonly kind: 'float'; readonly float: FloatVItem }
  | { readonly kind: 'footnote'; readonly items: readonly VItem[] }
  | Extract<VItem, { kind: 'clear' | 'columnchange' | 'balanced' | 'repeat' }>;

/** What TeX has on the list as a mark or a whatsit: the space before it is no longer the last item. */
const STANDS: ReadonlySet<string> = new Set(['label', 'contents', 'running']);

/** Reads a vertical list item by item: the space between lines, and space that merges, are worked out. */
export class ElementReader {
  /** The glue at the end of the list (`\lastskip`); null when something else stands there. */
  private lastGlue: Glue | null = null;
  private noInterline = false;
  /** Depth of the line before; null at the top, where space vanishes anyway. */
  private depth: Sp | null = null;

  /** What an item gives, behind those that were taken before. */
  take(item: VItem): Element[] {
    switch (item.kind) {
      case 'line': {
        const between =
          this.noInterline || this.depth === null
            ? null
            : interline(item.spacing, this.depth, item.box.height);
        this.afterBox(item.box.depth);
        const box: Element = { kind: 'box', box: item.box, x: item.x, line: item };
        return between ? [{ kind: 'glue', glue: between }, box] : [box];
      }
      case 'rule':
        // `\\@vspacer` gives the depth before it back: line space follows as if the rule were not there.
        this.afterBox(item.width === 0 && item.height === 0 ? (this.depth ?? 0) : null);
        return [{ kind: 'box', x: item.x, line: null, box: ruleBox(item) }];
      case 'glue':
        this.lastGlue = item.glue;
        return [item];
      case 'addvspace':
        return this.merged(item.glue);
      case 'nointerline':
        this.noInterline = true;
        return [];
      case 'balanced':
        this.afterBox(0);
        return [item];
      case 'float':
        return [{ kind: 'float', float: item }];
      case 'penalty':
        return this.penalty(item);
      case 'footnote':
      case 'clear':
      case 'columnchange':
      case 'repeat':
        return [item];
      case 'mark':
        if (STANDS.has(item.mark.kind)) this.lastGlue = null;
        return [item];
      default:
        return item satisfies never;
    }
  }

  /** `\\addpenalty` takes the space at the end back, and puts it behind the penalty (LaTeX kernel). */
  private penalty({ penalty, added }: Extract<VItem, { kind: 'penalty' }>): Element[] {
    const last = this.lastGlue;
    if (added && last && last.width !== 0)
      return [
        { kind: 'glue', glue: negative(last) },
        { kind: 'penalty', penalty },
        { kind: 'glue', glue: last },
      ];
    this.lastGlue = null;
    return [{ kind: 'penalty', penalty }];
  }

  /**
   * `\\addvspace` (LaTeX kernel): no space at the end, and it is added; a smaller one is replaced
   * with its stretch and shrink; negative space is added to one that is there.
   */
  private merged(glue: Glue): Element[] {
    const last = this.lastGlue;
    if (!last || last.width === 0) {
      this.lastGlue = glue;
      return [{ kind: 'glue', glue }];
    }
    const back: Element = { kind: 'glue', glue: negative(last) };
    if (last.width < glue.width) {
      this.lastGlue = glue;
      return [back, { kind: 'glue', glue }];
    }
    if (glue.width >= 0 || last.width < 0) return [];
    this.lastGlue = {
      ...last,
      width: last.width + glue.width,
      stretch: last.stretch + glue.stretch,
      shrink: last.shrink + glue.shrink,
    };
    return [back, { kind: 'glue', glue: this.lastGlue }];
  }

  private afterBox(depth: Sp | null): void {
    this.depth = depth;
    this.lastGlue = null;
    this.noInterline = false;
  }
}

/** The glue between two lines (TeX: The Program, §679). */
export function interline(spacing: LineSpacing, depthAbove: Sp, height: Sp): Glue {
  const gap = spacing.baselineSkip.width - depthAbove - height;
  return gap < spacing.lineSkipLimit ? spacing.lineSkip : { ...spacing.baselineSkip, width: gap };
}

function ruleBox({ width, height, color }: Extract<VItem, { kind: 'rule' }>): Box {
  const children = width === 0 ? [] : [{ x: 0, y: 0, item: rule(width, height, 0, color) }];
  return boxOf(width, height, 0, children);
}

const known = new WeakMap<readonly VItem[], readonly Element[]>();

/** The same, found once for each list: of columns that go over many pages, for each of them. */
export function elementsOnce(items: readonly VItem[]): readonly Element[] {
  let found = known.get(items);
  if (!found) known.set(items, (found = elementsOf(items)));
  return found;
}

/** The elements of a list by itself: a box's, a footnote's, a float's, those of one column. */
export function elementsOf(items: readonly VItem[]): Element[] {
  const reader = new ElementReader();
  return items.flatMap((item) => reader.take(item));
}
