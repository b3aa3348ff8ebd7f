import type { Sp } from '../../base/lengths';
import { remeasured, type Font, type GlyphBox } from '../font';
import {
  NO_MATH,
  type Growth,
  type MathParameters,
  type MathTable,
  type Variant,
} from '../tables/math';
import { metricsOf, type Design, type Metrics } from './design';
import { parametersAt } from './parameters';

/** Ranges of mathematical letters: where each starts, how many there are, and where they stand in a design. */
const LETTERS: readonly (readonly [from: number, count: number, design: Design, at: number])[] = [
  [0x1d400, 26, 'Main-Bold', 0x41],
  [0x1d41a, 26, 'Main-Bold', 0x61],
  [0x1d434, 26, 'Math-Italic', 0x41],
  [0x1d44e, 26, 'Math-Italic', 0x61],
  [0x210e, 1, 'Math-Italic', 0x68],
  [0x1d468, 26, 'Math-BoldItalic', 0x41],
  [0x1d482, 26, 'Math-BoldItalic', 0x61],
  [0x1d5a0, 26, 'SansSerif-Regular', 0x41],
  [0x1d5ba, 26, 'SansSerif-Regular', 0x61],
  [0x1d670, 26, 'Typewriter-Regular', 0x41],
  [0x1d68a, 26, 'Typewriter-Regular', 0x61],
  [0x1d6a8, 25, 'Main-Bold', 0x391],
  [0x1d6e2, 25, 'Math-Italic', 0x391],
  [0x1d6fc, 25, 'Math-Italic', 0x3b1],
  [0x1d736, 25, 'Math-BoldItalic', 0x3b1],
  [0x1d7ce, 10, 'Main-Bold', 0x30],
  [0x1d7e2, 10, 'SansSerif-Regular', 0x30],
  [0x1d7f6, 10, 'Typewriter-Regular', 0x30],
  ...[0x3f5, 0x3d1, 0x3f0, 0x3d5, 0x3f1, 0x3d6].map(
    (code, i) => [0x1d716 + i, 1, 'Math-Italic', code] as const,
  ),
];

/** The sizes in which the extension font has what grows: text and display, or four steps. */
const STEPS: readonly Design[] = [
  'Size1-Regular',
  'Size2-Regular',
  'Size3-Regular',
  'Size4-Regular',
];
const OPERATORS: readonly Design[] = STEPS.slice(0, 2);

/** A sign whose own form is drawn wider or narrower by more than that has the measures it is drawn with. */
const ALIKE = 12;

/** The radical sign hangs from its line, in this font as in the extension font; the metrics have it as it stands elsewhere. */
const RADICAL = 0x221a;

/** What a glyph has from the metrics, in font units; its outline is its own. */
type Measures = Pick<GlyphBox, 'width' | 'height' | 'depth'>;

/** The measures of a font as they are gathered, by glyph. */
interface Measured {
  readonly measures: Map<number, Measures>;
  readonly italics: Map<number, number>;
  readonly attachments: Map<number, number>;
}

const nothingMeasured = (): Measured => ({
  measures: new Map(),
  italics: new Map(),
  attachments: new Map(),
});

/** Boxes with the measures that were gathered, each made when it is asked for first. */
function boxesOf(font: Font, { measures }: Measured): Font['box'] {
  const boxes = new Map<number, GlyphBox>();
  return (glyph) => {
    const known = boxes.get(glyph);
    if (known) return known;
    const box = { ...font.box(glyph), ...measures.get(glyph) };
    boxes.set(glyph, box);
    return box;
  };
}

/** Gives a glyph the metrics of a character; widths that are too far from what is drawn are left. */
function measure(into: Measured, font: Font, glyph: number, metrics: Metrics): void {
  const em = font.unitsPerEm;
  const own = font.advance(glyph);
  const width = metrics.width * em;
  const alike = Math.abs(width - own) <= ALIKE;
  const [height, depth] = [metrics.height * em, metrics.depth * em];
  into.measures.set(glyph, { width: alike ? width : own, height, depth });
  if (!alike) return;
  into.italics.set(glyph, metrics.italic * em);
  into.attachments.set(glyph, width / 2 + metrics.skew * em);
}

/** The forms for scripts are as high as those for text, and as wide as they are drawn. */
function measureScripts(into: Measured, font: Font, glyph: number, metrics: Metrics): void {
  const em = font.unitsPerEm;
  const [height, depth] = [metrics.height * em, metrics.depth * em];
  for (const level of [1, 2]) {
    const form = font.scriptForm(glyph, level);
    if (form !== glyph && !into.measures.has(form))
      into.measures.set(form, { width: font.advance(form), height, depth });
  }
}

/** An operator is as wide as with its italic correction, by which a subscript moves in (rule 13). */
function measureOperator(into: Measured, font: Font, code: number, growth: Growth): void {
  const em = font.unitsPerEm;
  OPERATORS.forEach((design, i) => {
    const metrics = metricsOf(design).get(code);
    const glyph = growth.variants[i]?.glyph;
    if (!metrics || glyph === undefined) return;
    const { width, height, depth, italic } = metrics;
    into.measures.set(glyph, {
      width: (width + italic) * em,
      height: height * em,
      depth: depth * em,
    });
    into.italics.set(glyph, italic * em);
  });
}

/** The four steps of a bracket, each drawn by the form that is nearest to it in size. */
function stepsOf(into: Measured, font: Font, code: number, growth: Growth): Growth {
  const em = font.unitsPerEm;
  const steps = STEPS.flatMap((design): Variant[] => {
    const metrics = metricsOf(design).get(code);
    if (!metrics) return [];
    const [height, depth] = [metrics.height * em, metrics.depth * em];
    const advance = height + depth;
    const nearest = growth.variants.reduce((best, one) =>
      Math.abs(one.advance - advance) < Math.abs(best.advance - advance) ? one : best,
    );
    into.measures.set(nearest.glyph, { width: metrics.width * em, height, depth });
    return [{ glyph: nearest.glyph, advance }];
  });
  const [first] = growth.variants;
  return { ...growth, variants: first ? [first, ...steps] : steps };
}

/** What grows with its contents and is no operator. */
const BRACKETS: ReadonlySet<number> = new Set(
  [...'()[]{}⟨⟩⌊⌋⌈⌉/\\'].map((char) => char.codePointAt(0) ?? 0),
);

/**
 * The mathematics font of the default face in the measures and by the parameters of Computer
 * Modern: widths, heights, depths, italic corrections and skews of the ten point designs, four
 * sizes of brackets, and the numbers of appendix G as its symbol and extension fonts have them.
 */
export function asComputerModernMath(font: Font): Font {
  const { math } = font;
  if (!math) return font;
  const into = nothingMeasured();
  const vertical = new Map(math.vertical);
  for (const [code, metrics] of metricsOf('Main-Regular')) {
    const glyph = font.glyph(code);
    if (glyph === 0 || code === RADICAL) continue;
    measure(into, font, glyph, metrics);
    measureScripts(into, font, glyph, metrics);
  }
  for (const [from, count, design, at] of LETTERS)
    for (let i = 0; i < count; i++) {
      const metrics = metricsOf(design).get(at + i);
      const glyph = font.glyph(from + i);
      if (!metrics || glyph === 0) continue;
      measure(into, font, glyph, metrics);
      measureScripts(into, font, glyph, metrics);
    }
  for (const code of metricsOf('Size1-Regular').keys()) {
    const glyph = font.glyph(code);
    const growth = vertical.get(glyph);
    if (!growth || code === RADICAL) continue;
    if (BRACKETS.has(code)) vertical.set(glyph, stepsOf(into, font, code, growth));
    else measureOperator(into, font, code, growth);
  }
  const table: MathTable = {
    ...math,
    italics: new Map([...math.italics, ...into.italics]),
    accentAttachment: new Map([...math.accentAttachment, ...into.attachments]),
    kerns: new Map(),
    vertical,
    parametersAt: bySize((size) => parametersAt(size, math.constants, font.unitsPerEm)),
  };
  return remeasured(font, { box: boxesOf(font, into), math: table });
}

/** A font with the signs of one design at their own places, by the metrics of that. */
const asDesign =
  (design: Design) =>
  (font: Font): Font => {
    const into = nothingMeasured();
    for (const [code, metrics] of metricsOf(design))
      if (font.glyph(code) !== 0) measure(into, font, font.glyph(code), metrics);
    const math = { ...NO_MATH, italics: into.italics, accentAttachment: into.attachments };
    return remeasured(font, { box: boxesOf(font, into), math });
  };

/** The calligraphic capitals, which stand at the places of the Latin ones, with their corrections. */
export const asCalligraphic = asDesign('Caligraphic-Regular');
/** The further symbols of the AMS. */
export const asFurtherSymbols = asDesign('AMS-Regular');

function bySize(make: (size: Sp) => MathParameters): (size: Sp) => MathParameters {
  const known = new Map<Sp, MathParameters>();
  return (size) => {
    const found = known.get(size) ?? make(size);
    known.set(size, found);
    return found;
  };
}
