import type { FontStore } from '../../fonts/store';
import type { PageDescription } from './description';
import { walkLine, type GlyphRun, type PagePath, type PagePicture, type PageRule } from './walk';

/** A hundredth of a big point: nothing smaller is seen. */
const places = (n: number): string => (Math.round(n * 100) / 100).toFixed(2);

/**
 * What is seen of a line, whatever page it stands on and wherever: equal for two lines that look alike.
 * Glyphs by their font's name, everything else by its places from the line's left end and its baseline.
 */
export function lineLook(
  page: PageDescription,
  line: number,
  fonts: Pick<FontStore, 'byId'>,
): string {
  const [left = 0, base = 0] = page.lines.subarray(5 * line, 5 * line + 2);
  const at = (x: number, y: number): string => `${places(x - left)},${places(y - base)}`;
  let hash = 0x811c9dc5;
  // FNV-1a, 32 bits.
  const add = (said: string): void => {
    for (let i = 0; i < said.length; i++)
      hash = Math.imul(hash ^ said.charCodeAt(i), 0x01000193) >>> 0;
  };
  const drawn = ({ map, fill, stroke, trace }: PagePath): void => {
    const { a, b, c, d, e, f } = map ?? { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
    const put = (x: number, y: number): void => add(at(a * x + c * y + e, b * x + d * y + f));
    add(
      `p${fill} ${stroke ? `${stroke.paint} ${places(stroke.width)} ${stroke.dash.join()}` : ''}`,
    );
    trace({
      moveTo: put,
      lineTo: put,
      bezierCurveTo: (ax, ay, bx, by, x, y) => {
        put(ax, ay);
        put(bx, by);
        put(x, y);
      },
      closePath: () => add('z'),
    });
  };
  walkLine(page, line, {
    glyphs: ({ font, size, x, y, paint, glyphs, along }: GlyphRun) => {
      add(`g${fonts.byId(font).name} ${places(size)} ${paint} ${at(x, y)}`);
      glyphs.forEach((glyph, i) => add(`${glyph} ${places(along[i] ?? 0)}`));
    },
    rule: ({ x, y, width, height, paint }: PageRule) =>
      add(`r${at(x, y)} ${places(width)} ${places(height)} ${paint}`),
    path: drawn,
    picture: ({ file, map: { a, b, c, d, e, f } }: PagePicture) =>
      add(`i${file} ${[a, b, c, d].map(places).join()} ${at(e, f)}`),
    clip: drawn,
    unclip: () => add('u'),
  });
  return hash.toString(36);
}
