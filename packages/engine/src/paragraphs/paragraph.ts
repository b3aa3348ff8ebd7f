import { MM, type Sp } from '../base/lengths';
import type { LineCosts, LineShape, Paragraph, ParagraphShape } from '../document/blocks';
import { breakLines } from './breaking';
import type { LayoutEnv } from './env';
import { lineItems } from './items';
import { HYPHEN_PENALTY, hyphenated } from './words';
import { glueItem, type LineItem, penaltyItem } from './lineItem';
import { buildLines, HFUZZ, type Line } from './lines';

/** A paragraph as lines, top to bottom. Reports lines that stick out. */
export function layoutParagraph(paragraph: Paragraph, env: LayoutEnv): Line[] {
  const { shape } = paragraph;
  const items = priced(finish(lineItems(paragraph.inlines, env), paragraph), shape.costs);
  const { shapeOf, first, rest } = linesOf(shape);
  const broken = breakLines(
    items,
    {
      width: rest.width,
      firstWidths: first.map(({ width }) => width),
      looseness: shape.looseness,
      leftSkip: shape.leftSkip,
      rightSkip: shape.rightSkip,
      pretolerance: shape.pretolerance,
      tolerance: shape.tolerance,
      emergencyStretch: shape.emergencyStretch,
      costs: shape.costs,
    },
    (uncut) => priced(hyphenated(uncut, shape.hyphenation, env), shape.costs),
  );
  const lines = buildLines(broken.items, broken.breaks, shapeOf, shape.leftSkip, shape.rightSkip);
  for (const line of lines) reportOverfull(line, paragraph, env);
  return lines;
}

/** Where its lines stand: the first ones, where they have their own shape, and all that follow. */
function linesOf(shape: ParagraphShape): {
  first: readonly LineShape[];
  rest: LineShape;
  shapeOf: (line: number) => LineShape;
} {
  const first = shape.lineShapes?.slice(0, -1) ?? [];
  const { indent, width } = shape.lineShapes?.at(-1) ?? {
    indent: shape.left,
    width: shape.width - shape.left - shape.right,
  };
  const inside = (line: LineShape): LineShape => ({
    indent: line.indent - shape.left,
    width: Math.max(0, line.width),
  });
  const rest = inside({ indent, width });
  const inner = first.map(inside);
  return { first: inner, rest, shapeOf: (line) => inner[line] ?? rest };
}

/** Hyphens at what they cost: those that are put in, and those that stand in the text. */
function priced(items: LineItem[], { hyphenPenalty, exHyphenPenalty }: LineCosts): LineItem[] {
  if (hyphenPenalty === HYPHEN_PENALTY && exHyphenPenalty === HYPHEN_PENALTY) return items;
  return items.map((item) =>
    item.kind === 'disc'
      ? { ...item, penalty: item.hyphen ? hyphenPenalty : exHyphenPenalty }
      : item,
  );
}

/** The indent before, and `\unskip\penalty10000\hskip\parfillskip\penalty-10000` behind (The TeXbook, chapter 14). */
function finish(items: LineItem[], { shape }: Paragraph): LineItem[] {
  if (items.at(-1)?.kind === 'glue') items.pop();
  const indent: LineItem[] =
    shape.indent === 0
      ? []
      : [
          {
            kind: 'content',
            width: shape.indent,
            item: { kind: 'box', width: shape.indent, height: 0, depth: 0, children: [] },
          },
        ];
  return [...indent, ...items, penaltyItem(10000), glueItem(shape.fillSkip), penaltyItem(-10000)];
}

function reportOverfull(line: Line, paragraph: Paragraph, env: LayoutEnv): void {
  if (line.overfull <= HFUZZ) return;
  const spans = line.box.children.flatMap(({ item }) => ('span' in item ? [item.span] : []));
  const last = spans.at(-1) ?? paragraph.inlines.at(-1);
  if (!last) return;
  env.report({
    code: 'line-too-wide',
    from: spans[0]?.from ?? last.from,
    to: last.to,
    args: { amount: inMillimetres(line.overfull) },
  });
}

/** A length for a student's eyes. */
export function inMillimetres(length: Sp): string {
  const mm = length / MM;
  return mm < 1 ? 'less than a millimetre' : `${mm.toFixed(mm < 10 ? 1 : 0)} mm`;
}
