import type { Sp } from '../../base/lengths';
import { remeasured, type Font, type GlyphBox } from '../font';
import {
  NO_MATH,
  type Growth,
  type MathParameters,
  type MathTable,
  type Variant,
} from '../tables/math';
import { PT } from '../../base/lengths';
import { metricsOf, type Design, type Metrics } from './design';
import { designFor, widthAt, type DesignSize } from './sizes';
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
function boxesOf(font: Font, measures: ReadonlyMap<number, Measures>): Font['box'] {
  const boxes = new Map<number, GlyphBox>();
  return (glyph) => {
    const known = boxes.get(glyph);
    if (known) return known;
    const box = { ...font.box(glyph), ...measures.get(glyph) };
    boxes.set(glyph, box);
    return box;
  };
}

/** The sizes of which the forms for scripts are drawn. */
const [SCRIPT, SCRIPT_SCRIPT] = [7, 5];

/** An italic correction at a size, in em: it grows evenly from one that is known to the next. */
function correctionAt(size: number, ten: number, seven: number, five: number): number {
  if (size >= 10) return ten;
  const [below, above, from, to] =
    size < SCRIPT ? [five, seven, SCRIPT_SCRIPT, SCRIPT] : [seven, ten, SCRIPT, 10];
  return below + ((above - below) * (size - from)) / (to - from);
}

/**
 * Gives a glyph, and its forms for scripts, the metrics of a character in the design of a size;
 * widths that are too far from what is drawn are left.
 */
function measure(
  into: Measured,
  font: Font,
  glyph: number,
  metrics: Metrics,
  size: DesignSize,
  width: number,
): void {
  const em = font.unitsPerEm;
  const alike = Math.abs(metrics.width * em - font.advance(glyph)) <= ALIKE;
  const [height, depth] = [metrics.height * em, metrics.depth * em];
  const forms = [1, 2].map((level) => font.scriptForm(glyph, level));
  const [seven = 0, five = 0] = forms.map((form) => font.math?.italics.get(form) ?? 0);
  const italic = correctionAt(size, metrics.italic * em, seven, five);
  for (const each of new Set([glyph, ...forms])) {
    if (each !== glyph && into.measures.has(each)) continue;
    into.measures.set(each, { width: alike ? width * em : font.advance(each), height, depth });
    if (!alike) continue;
    into.italics.set(each, italic);
    into.attachments.set(each, (width / 2 + metrics.skew) * em);
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

/** What does not change with the size: signs that grow, and the parameters, which know of sizes themselves. */
interface Extension {
  readonly measured: Measured;
  readonly vertical: MathTable['vertical'];
}

function extensionOf(font: Font, math: MathTable): Extension {
  const measured = nothingMeasured();
  const vertical = new Map(math.vertical);
  for (const code of metricsOf('Size1-Regular').keys()) {
    const glyph = font.glyph(code);
    const growth = vertical.get(glyph);
    if (!growth || code === RADICAL) continue;
    if (BRACKETS.has(code)) vertical.set(glyph, stepsOf(measured, font, code, growth));
    else measureOperator(measured, font, code, growth);
  }
  return { measured, vertical };
}

/** The letters and signs of the design of a size. */
function lettersAt(font: Font, size: DesignSize): Measured {
  const into = nothingMeasured();
  const take = (glyph: number, design: Design, code: number): void => {
    const metrics = metricsOf(design).get(code);
    if (metrics && glyph !== 0)
      measure(into, font, glyph, metrics, size, widthAt(design, code, metrics, size));
  };
  for (const code of metricsOf('Main-Regular').keys())
    if (code !== RADICAL) take(font.glyph(code), 'Main-Regular', code);
  for (const [from, count, design, at] of LETTERS)
    for (let i = 0; i < count; i++) take(font.glyph(from + i), design, at + i);
  return into;
}

const over = <T>(
  first: ReadonlyMap<number, T>,
  ...others: readonly ReadonlyMap<number, T>[]
): Map<number, T> => new Map([...first, ...others.flatMap((other) => [...other])]);

/** A font that is another one for each design, each made when it is asked for first. */
function byDesign(make: (size: DesignSize, atSize: (size: Sp) => Font) => Font): Font {
  const fonts = new Map<DesignSize, Font>();
  const atSize = (size: Sp): Font => {
    const design = designFor(size / PT);
    const font = fonts.get(design) ?? make(design, atSize);
    fonts.set(design, font);
    return font;
  };
  return atSize(10 * PT);
}

/**
 * The mathematics font of the default face in the measures and by the parameters of Computer
 * Modern: widths, heights, depths, italic corrections and skews of the design for each size, four
 * sizes of brackets, and the numbers of appendix G as its symbol and extension fonts have them.
 */
export function asComputerModernMath(font: Font): Font {
  const { math } = font;
  if (!math) return font;
  const extension = extensionOf(font, math);
  const parameters = (isFixed: boolean) =>
    bySize((size) => parametersAt(size, math.constants, font.unitsPerEm, isFixed));
  const [scaled, fixed] = [parameters(false), parameters(true)];
  return byDesign((design, atSize) => {
    const letters = lettersAt(font, design);
    const { measured } = extension;
    const measures = over(letters.measures, measured.measures);
    const table: MathTable = {
      ...math,
      italics: over(math.italics, letters.italics, measured.italics),
      accentAttachment: over(math.accentAttachment, letters.attachments),
      kerns: new Map(),
      vertical: extension.vertical,
      parametersAt: (size, isFixed) => (isFixed ? fixed : scaled)(size),
    };
    return remeasured(font, { box: boxesOf(font, measures), math: table, atSize });
  });
}

/** A font with the signs of one design at their own places, by the metrics of that. */
const asDesign =
  (design: Design) =>
  (font: Font): Font =>
    byDesign((size, atSize) => {
      const into = nothingMeasured();
      for (const [code, metrics] of metricsOf(design)) {
        const width = widthAt(design, code, metrics, size);
        const glyph = font.glyph(code);
        if (glyph !== 0) measure(into, font, glyph, metrics, size, width);
      }
      const math = { ...NO_MATH, italics: into.italics, accentAttachment: into.attachments };
      return remeasured(font, { box: boxesOf(font, into.measures), math, atSize });
    });

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
