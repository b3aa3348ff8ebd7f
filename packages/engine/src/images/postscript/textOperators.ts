import { composed, mapped, scaledTurned, type AffineMap, type Point } from '../../base/maps';
import { polyline } from '../../base/paths';
import { charactersOf, encodingNames, glyphWidth, nearFont } from './glyphNames';
import {
  call,
  change,
  concat,
  draw,
  grown,
  type Machine,
  newPath,
  numbersIn,
  type Operators,
  pop,
  popArray,
  popDict,
  popNumbers,
  popString,
  push,
} from './machine';
import { herePoint, mapOf } from './pathOperators';
import {
  arrayOf,
  type DictValue,
  isKind,
  keyOf,
  nameOf,
  PostScriptError,
  type Value,
} from './values';

const MAP_PARTS = ['a', 'b', 'c', 'd', 'e', 'f'] as const;
const mapArray = (map: AffineMap): Value => arrayOf(MAP_PARTS.map((part) => map[part]));

// ---- fonts

const entry = (dict: DictValue, name: string): Value => dict.entries.get(`/${name}`) ?? null;

const fontName = (font: DictValue): string => {
  const name = entry(font, 'FontName');
  return isKind(name, 'name') ? name.name : '';
};

/** Text units to ems: fonts of outlines count a thousand to the em, TrueType ones one. */
const emOf = (font: DictValue): number => (entry(font, 'FontType') === 42 ? 1 : 1000);

const fontMap = (font: DictValue): AffineMap => {
  const matrix = entry(font, 'FontMatrix');
  return isKind(matrix, 'array') ? mapOf(numbersIn(matrix)) : scaledTurned(0.001, 0.001, 0);
};

const encoding = (kind: Parameters<typeof encodingNames>[0]): Value =>
  arrayOf(encodingNames(kind).map((name) => nameOf(name)));

/** A font of that name: one the program made, or a dictionary for one that is drawn with ours. */
function findFont(it: Machine, name: string): DictValue {
  const known = it.fonts.get(name);
  if (known) return known;
  const kind = /^symbol/i.test(name) ? 'symbol' : 'standard';
  const font: DictValue = {
    kind: 'dict',
    entries: new Map<string, Value>([
      ['/FontName', nameOf(name)],
      ['/FontType', 1],
      ['/PaintType', 0],
      ['/FontMatrix', mapArray(scaledTurned(0.001, 0.001, 0))],
      ['/FontBBox', arrayOf([-170, -230, 1010, 940])],
      ['/Encoding', encoding(kind)],
      ['/FID', nameOf(name)],
    ]),
  };
  it.fonts.set(name, font);
  return font;
}

function defineFont(it: Machine): void {
  const font = popDict(it);
  const name = keyOf(pop(it)).slice(1);
  font.entries.set('/FID', nameOf(name));
  if (!font.entries.has('/FontName')) font.entries.set('/FontName', nameOf(name));
  it.fonts.set(name, font);
  push(it, font);
}

const scaledFont = (font: DictValue, map: AffineMap): DictValue => ({
  kind: 'dict',
  entries: new Map(font.entries).set('/FontMatrix', mapArray(composed(map, fontMap(font)))),
});

/** The map of a size, a number or a matrix. */
function popSize(it: Machine): AffineMap {
  const size = pop(it);
  if (isKind(size, 'array')) return mapOf(numbersIn(size));
  if (typeof size !== 'number') throw new PostScriptError('typecheck', 'scalefont');
  return scaledTurned(size, size, 0);
}

function selectFont(it: Machine): void {
  const map = popSize(it);
  change(it, { font: scaledFont(findFont(it, keyOf(pop(it)).slice(1)), map) });
}

// ---- glyphs

/** What is shown for a character: a code, with the name that the font's encoding has for it. */
interface Glyph {
  readonly code: number | null;
  readonly name: string;
}

function glyphsOf(font: DictValue, text: string): Glyph[] {
  const names = entry(font, 'Encoding');
  return [...text].map((char) => {
    const code = char.charCodeAt(0);
    const name = isKind(names, 'array') ? (names.items[code] ?? null) : null;
    return { code, name: name !== null && isKind(name, 'name') ? name.name : '.notdef' };
  });
}

function fontInForce(it: Machine): DictValue {
  const { font } = it.state;
  if (!font) throw new PostScriptError('invalidfont');
  return font;
}

/** Draws a glyph by the font's own procedure, and gives its width in the user's units (5.7, Type 3). */
function drawnGlyph(it: Machine, font: DictValue, glyph: Glyph, visible: boolean): Point {
  const [byName, byCode] = [entry(font, 'BuildGlyph'), entry(font, 'BuildChar')];
  const build = byName ?? byCode;
  if (build === null) throw new PostScriptError('invalidfont', fontName(font));
  const before = it.state;
  const drawn = it.marks.length;
  const here = before.point ?? mapped(before.ctm, { x: 0, y: 0 });
  change(it, { ctm: { ...before.ctm, e: here.x, f: here.y }, ...newPath() });
  concat(it, fontMap(font));
  it.glyphWidth = { x: 0, y: 0 };
  push(it, font, byName !== null ? nameOf(glyph.name) : (glyph.code ?? 0));
  call(it, build);
  it.state = before;
  if (!visible) it.marks.length = drawn;
  return mapped({ ...fontMap(font), e: 0, f: 0 }, it.glyphWidth);
}

/** How far a glyph leads on, in the user's units. */
function advance(it: Machine, font: DictValue, glyph: Glyph): Point {
  if (entry(font, 'FontType') === 3) return drawnGlyph(it, font, glyph, false);
  const width = glyphWidth(nearFont(fontName(font)).face, glyph.name);
  return mapped({ ...fontMap(font), e: 0, f: 0 }, { x: width * emOf(font), y: 0 });
}

/** Words in one of our fonts, from the present place. */
function drawWords(it: Machine, font: DictValue, glyphs: readonly Glyph[]): void {
  const text = glyphs.map(({ name }) => charactersOf(name)).join('');
  const { point, ctm, paint } = it.state;
  if (!point || text.trim() === '') return;
  const { face, family, bold, italic } = nearFont(fontName(font));
  const em = scaledTurned(emOf(font), emOf(font), 0);
  const map = composed({ ...ctm, e: point.x, f: point.y }, composed(fontMap(font), em));
  const width = glyphs.reduce((sum, { name }) => sum + glyphWidth(face, name), 0);
  draw(it, { kind: 'text', text, family, bold, italic, paint, map, width });
}

function moveOn(it: Machine, by: Point): void {
  const here = herePoint(it);
  const point = mapped(it.state.ctm, { x: here.x + by.x, y: here.y + by.y });
  change(it, { path: grown(it.state.path, [{ kind: 'move', to: point }]), point, start: point });
}

const sum = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y });
const NOWHERE: Point = { x: 0, y: 0 };

/** Shows glyphs; `more` is what each leads on besides, or instead when `alone`. */
function showGlyphs(
  it: Machine,
  glyphs: readonly Glyph[],
  more: ((glyph: Glyph, i: number) => Point) | null = null,
  alone = false,
): void {
  const font = fontInForce(it);
  if (!it.state.point) throw new PostScriptError('nocurrentpoint', 'show');
  const own = entry(font, 'FontType') === 3;
  // Glyphs that lead on by their own widths are set as words.
  if (!own && !more) {
    drawWords(it, font, glyphs);
    return moveOn(
      it,
      glyphs.reduce((at, glyph) => sum(at, advance(it, font, glyph)), NOWHERE),
    );
  }
  glyphs.forEach((glyph, i) => {
    if (!own) drawWords(it, font, [glyph]);
    const width = own ? drawnGlyph(it, font, glyph, true) : advance(it, font, glyph);
    moveOn(it, sum(alone ? NOWHERE : width, more?.(glyph, i) ?? NOWHERE));
  });
}

const popGlyphs = (it: Machine): Glyph[] => glyphsOf(fontInForce(it), popString(it).text);

function ashow(it: Machine): void {
  const glyphs = popGlyphs(it);
  const [x = 0, y = 0] = popNumbers(it, 2);
  showGlyphs(it, glyphs, x === 0 && y === 0 ? null : () => ({ x, y }));
}

function widthShow(it: Machine, forAll: boolean): void {
  const glyphs = popGlyphs(it);
  const [ax = 0, ay = 0] = forAll ? popNumbers(it, 2) : [];
  const [cx = 0, cy = 0, code = 0] = popNumbers(it, 3);
  const more = (glyph: Glyph): Point =>
    glyph.code === code ? { x: ax + cx, y: ay + cy } : { x: ax, y: ay };
  showGlyphs(it, glyphs, more);
}

/** Places of glyphs one by one: along, up, or both. */
function placedShow(it: Machine, along: boolean, up: boolean): void {
  const numbers = numbersIn(popArray(it));
  const glyphs = popGlyphs(it);
  const each = along && up ? 2 : 1;
  const more = (_: Glyph, i: number): Point => ({
    x: along ? (numbers[each * i] ?? 0) : 0,
    y: up ? (numbers[each * i + each - 1] ?? 0) : 0,
  });
  showGlyphs(it, glyphs, more, true);
}

function kshow(it: Machine): void {
  const glyphs = popGlyphs(it);
  const between = pop(it);
  glyphs.forEach((glyph, i) => {
    showGlyphs(it, [glyph]);
    const next = glyphs[i + 1];
    if (!next) return;
    push(it, glyph.code ?? 0, next.code ?? 0);
    call(it, between);
  });
}

function stringWidth(it: Machine): void {
  const font = fontInForce(it);
  const width = popGlyphs(it).reduce((at, glyph) => sum(at, advance(it, font, glyph)), NOWHERE);
  push(it, width.x, width.y);
}

/** The room of words as a path: their outlines are not at hand. */
function charPath(it: Machine): void {
  pop(it);
  const font = fontInForce(it);
  const { ctm, point } = it.state;
  const width = popGlyphs(it).reduce((at, glyph) => sum(at, advance(it, font, glyph)), NOWHERE);
  if (!point) throw new PostScriptError('nocurrentpoint', 'charpath');
  const high = mapped(fontMap(font), { x: 0, y: 0.7 * emOf(font) });
  const corners = [NOWHERE, width, sum(width, high), high].map((corner) =>
    mapped({ ...ctm, e: point.x, f: point.y }, corner),
  );
  change(it, { path: grown(it.state.path, polyline(corners, true)) });
  moveOn(it, width);
}

/** Operators of fonts and words (Language Reference, 8.1). */
export const TEXT_OPERATORS: Operators = new Map<string, (it: Machine) => void>([
  ['findfont', (it) => push(it, findFont(it, keyOf(pop(it)).slice(1)))],
  ['definefont', defineFont],
  ['undefinefont', (it) => void it.fonts.delete(keyOf(pop(it)).slice(1))],
  [
    'scalefont',
    (it) => {
      const map = popSize(it);
      push(it, scaledFont(popDict(it), map));
    },
  ],
  [
    'makefont',
    (it) => {
      const map = popSize(it);
      push(it, scaledFont(popDict(it), map));
    },
  ],
  ['setfont', (it) => change(it, { font: popDict(it) })],
  ['currentfont', (it) => push(it, fontInForce(it))],
  ['rootfont', (it) => push(it, fontInForce(it))],
  ['selectfont', selectFont],
  [
    'FontDirectory',
    (it) =>
      push(it, {
        kind: 'dict',
        entries: new Map([...it.fonts].map(([name, font]) => [`/${name}`, font])),
      }),
  ],
  ['StandardEncoding', (it) => push(it, encoding('standard'))],
  ['ISOLatin1Encoding', (it) => push(it, encoding('latin'))],

  ['show', (it) => showGlyphs(it, popGlyphs(it))],
  ['ashow', ashow],
  ['widthshow', (it) => widthShow(it, false)],
  ['awidthshow', (it) => widthShow(it, true)],
  ['xshow', (it) => placedShow(it, true, false)],
  ['yshow', (it) => placedShow(it, false, true)],
  ['xyshow', (it) => placedShow(it, true, true)],
  ['kshow', kshow],
  ['glyphshow', (it) => showGlyphs(it, [{ code: null, name: keyOf(pop(it)).slice(1) }])],
  ['stringwidth', stringWidth],
  ['charpath', charPath],
  [
    'setcharwidth',
    (it) => {
      const [x = 0, y = 0] = popNumbers(it, 2);
      it.glyphWidth = { x, y };
    },
  ],
  [
    'setcachedevice',
    (it) => {
      const [x = 0, y = 0] = popNumbers(it, 6);
      it.glyphWidth = { x, y };
    },
  ],
  [
    'setcachedevice2',
    (it) => {
      const [x = 0, y = 0] = popNumbers(it, 10);
      it.glyphWidth = { x, y };
    },
  ],
]);
