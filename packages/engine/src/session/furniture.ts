import { ownPlace } from './facts';
import { PT, type Sp } from '../base/lengths';
import { boxOf, rule, type Box, type Child } from '../boxes/box';
import type { Inline } from '../document/inlines';
import type { RunningLine } from '../document/page';
import { countedLines, NO_LINES, numberEdge } from '../pages/lineNumbers';
import type { Page, PlacedBox } from '../pages/page';
import { countIn, linesBefore } from './paging';
import { onTurnedPaper } from '../pages/turned';
import { boxInline, setText } from '../paragraphs/boxes';
import type { LayoutEnv } from '../paragraphs/env';

/** A running line set over its width, with its rule under (head) or over it (foot). */
function setLine(line: RunningLine, env: LayoutEnv, foot: boolean): Box {
  const at = { from: 0, to: 0 };
  const box = boxInline(
    {
      kind: 'box',
      inlines: line.inlines,
      width: line.width,
      align: 'fill',
      raise: 0,
      hidden: false,
      frame: null,
      grow: false,
      ...at,
    },
    env,
  );
  if (line.rule <= 0) return box;
  const y: Sp = foot ? Math.max(box.height, 8.4 * PT) : -Math.max(box.depth, 3.6 * PT) - line.rule;
  const children: Child[] = [
    { x: 0, y: 0, item: box },
    { x: 0, y, item: rule(line.width, line.rule, 0) },
  ];
  return boxOf(box.width, box.height, box.depth, children);
}

/** What a page has of its own, placed; block -1 is the page's own. */
export interface Furniture {
  /** Behind the text. */
  readonly under: readonly PlacedBox[];
  readonly over: readonly PlacedBox[];
}

const setBackdrop = (inlines: readonly Inline[], page: Page, env: LayoutEnv): PlacedBox[] =>
  inlines.length === 0
    ? []
    : [{ x: 0, y: page.geometry.paperHeight, box: setText(inlines, env), block: -1 }];

/** Head and foot of a page, and what stands behind and before its text. */
export function furniture(page: Page, env: LayoutEnv): Furniture {
  const all = (side: 'under' | 'over'): PlacedBox[] =>
    page.backdrops.flatMap((backdrop) =>
      setBackdrop(onPage(backdrop, page)?.[side] ?? [], page, env),
    );
  const drawn = linesOf(page).flatMap((line) => setBackdrop(line?.onPaper ?? [], page, env));
  const under = [...all('under'), ...drawn];
  const over = [...headAndFoot(page, env), ...lineNumbers(page, env), ...all('over')];
  if (page.turned !== 'page') return { under, over };
  const turn = (placed: PlacedBox): PlacedBox => onTurnedPaper(placed, page.geometry.paperHeight);
  return { under: under.map(turn), over: over.map(turn) };
}

/** Numbers of lines at the margin. */
function lineNumbers(page: Page, env: LayoutEnv): PlacedBox[] {
  const first = page.hasLineNumbers ? page.placed.find(({ box }) => box.numbered) : undefined;
  const font = first?.box.numbered?.font;
  if (!font) return [];
  const nowhere = { from: 0, to: 0 };
  const label = linesBefore(page.index);
  const before = env.resolve({ kind: 'ref', what: 'page', label, font, ...nowhere });
  const count = typeof before === 'string' ? countIn(before) : NO_LINES;
  return countedLines(page, count).flatMap((line): PlacedBox[] => {
    if (line.number % line.numbered.every !== 0) return [];
    const text = String(line.number);
    const box = setText([{ kind: 'text', text, font: line.numbered.font, ...nowhere }], env);
    return [{ x: numberEdge(page, line) - box.width, y: line.placed.y, box, block: -1 }];
  });
}

const isEven = ({ geometry, number }: Page): boolean => geometry.twoSided && number % 2 === 0;

/** What stands on all pages as it is on this one; on a page that is not known yet, as on any. */
function onPage<T extends { readonly onPages?: readonly (T | null)[] }>(
  all: T | null,
  page: Page,
): T | null {
  const own = all?.onPages?.[page.index - 1];
  return own === undefined ? all : own;
}

/** Head and foot as they are on this page. */
function linesOf(page: Page): readonly [RunningLine | null, RunningLine | null] {
  const { head, foot, evenHead, evenFoot } = page.style;
  const [above, below] = isEven(page) ? [evenHead, evenFoot] : [head, foot];
  return [onPage(above, page), onPage(below, page)];
}

function headAndFoot(page: Page, env: LayoutEnv): PlacedBox[] {
  const { geometry } = page;
  const x = isEven(page) ? geometry.evenLeft : geometry.left;
  const [head, foot] = linesOf(page);
  const out: PlacedBox[] = [];
  if (head && head.inlines.length > 0)
    out.push({ x, y: geometry.top - geometry.headSep, box: setLine(head, env, false), block: -1 });
  if (foot && foot.inlines.length > 0) {
    const y = geometry.top + geometry.textHeight + geometry.footSkip;
    out.push({ x, y, box: setLine(foot, env, true), block: -1 });
  }
  return out;
}

/** What the fields of a running head print on this page. */
export function fieldsOf(page: Page, pages: string): LayoutEnv['field'] {
  return ({ what, font, uncapitalised, from, to }): readonly Inline[] => {
    if (what === 'page' || what === 'pages') {
      return [{ kind: 'text', text: what === 'page' ? page.folio : pages, font, from, to }];
    }
    const said = page.running[what];
    const words = (uncapitalised && said?.uncapitalised) || said?.words;
    return (words ?? []).map((inline) => inFont(inline, font));
  };
}

/** What a field prints in the text: `\thepage` the page on which it stands; what runs in heads is not known there. */
export const fieldsInText =
  (block: number): LayoutEnv['field'] =>
  ({ what, font, from, to }) => {
    if (what !== 'page') return [];
    const label = ownPlace(`${block}:${from}`);
    return [
      { kind: 'anchor', label, from, to },
      { kind: 'ref', what, label, font, from, to },
    ];
  };

/** The inline in the font of its field, unless it asks for one of its own. */
function inFont(inline: Inline, font: { shape: string }): Inline {
  if ('font' in inline && inline.font.shape === 'upright' && inline.font.series === 'medium')
    return { ...inline, font: { ...inline.font, ...font } } as Inline;
  return inline;
}
