/** Colours by their names: those that are always there, and the three lists of options (xcolor manual, section 4). */

/** Known without any option (section 4.1). */
const ALWAYS = `
black 000000, white ffffff, red ff0000, green 00ff00, blue 0000ff, cyan 00ffff, magenta ff00ff, yellow ffff00,
gray 808080, darkgray 404040, lightgray bfbfbf, brown bf8040, lime bfff00, olive 808000, orange ff8000, pink
ffbfbf, purple bf0040, teal 008080, violet 800080`;

/** Inks of a printer (section 4.2), as they look in its four colours. */
const DVIPS = `
GreenYellow dfe674, Yellow fff200, Goldenrod ffdf42, Dandelion fdbc42, Apricot fbb982, Peach f7965a, Melon
f89e7b, YellowOrange faa21a, Orange f58137, BurntOrange f7921d, Bittersweet c04f17, RedOrange f26035, Mahogany
a9341f, Maroon af3235, BrickRed b6321c, Red ed1b23, OrangeRed ed135a, RubineRed ed017d, WildStrawberry ee2967,
Salmon f69289, CarnationPink f282b4, Magenta ec008c, VioletRed ef58a0, Rhodamine ef559f, Mulberry a93c93,
RedViolet a1246b, Fuchsia 8c368c, Lavender f49ec4, Thistle d883b7, Orchid af72b0, DarkOrchid a4538a, Purple
99479b, Plum 92268f, Violet 58429b, RoyalPurple 613f99, BlueViolet 473992, Periwinkle 7977b8, CadetBlue
74729a, CornflowerBlue 41b0e4, MidnightBlue 006795, NavyBlue 006eb8, RoyalBlue 0071bc, Blue 2d2f92, Cerulean
00a2e3, Cyan 00aeef, ProcessBlue 00b0f0, SkyBlue 46c5dd, Turquoise 00b4ce, TealBlue 00aeb3, Aquamarine 00b5be,
BlueGreen 00b3b8, Emerald 00a99d, JungleGreen 00a99a, SeaGreen 3fbc9d, Green 00a64f, ForestGreen 009b55,
PineGreen 008b72, LimeGreen 8dc73e, YellowGreen 98cc70, SpringGreen c6dc67, OliveGreen 3c8031, RawSienna
974006, Sepia 671800, Brown 792500, Tan da9d76, Gray 949698, Black 221e1f, White ffffff`;

/** Colours of web pages (section 4.3). */
const SVG = `
AliceBlue f0f8ff, AntiqueWhite faebd7, Aqua 00ffff, Aquamarine 7fffd4, Azure f0ffff, Beige f5f5dc, Bisque
ffe4c4, Black 000000, BlanchedAlmond ffebcd, Blue 0000ff, BlueViolet 8a2be2, Brown a52a2a, BurlyWood deb887,
CadetBlue 5f9ea0, Chartreuse 7fff00, Chocolate d2691e, Coral ff7f50, CornflowerBlue 6495ed, Cornsilk fff8dc,
Crimson dc143c, Cyan 00ffff, DarkBlue 00008b, DarkCyan 008b8b, DarkGoldenrod b8860b, DarkGray a9a9a9,
DarkGreen 006400, DarkGrey a9a9a9, DarkKhaki bdb76b, DarkMagenta 8b008b, DarkOliveGreen 556b2f, DarkOrange
ff8c00, DarkOrchid 9932cc, DarkRed 8b0000, DarkSalmon e9967a, DarkSeaGreen 8fbc8f, DarkSlateBlue 483d8b,
DarkSlateGray 2f4f4f, DarkSlateGrey 2f4f4f, DarkTurquoise 00ced1, DarkViolet 9400d3, DeepPink ff1493,
DeepSkyBlue 00bfff, DimGray 696969, DimGrey 696969, DodgerBlue 1e90ff, FireBrick b22222, FloralWhite fffaf0,
ForestGreen 228b22, Fuchsia ff00ff, Gainsboro dcdcdc, GhostWhite f8f8ff, Gold ffd700, Goldenrod daa520, Gray
808080, Green 008000, GreenYellow adff2f, Grey 808080, Honeydew f0fff0, HotPink ff69b4, IndianRed cd5c5c,
Indigo 4b0082, Ivory fffff0, Khaki f0e68c, Lavender e6e6fa, LavenderBlush fff0f5, LawnGreen 7cfc00,
LemonChiffon fffacd, LightBlue add8e6, LightCoral f08080, LightCyan e0ffff, LightGoldenrod eedd82,
LightGoldenrodYellow fafad2, LightGray d3d3d3, LightGreen 90ee90, LightGrey d3d3d3, LightPink ffb6c1,
LightSalmon ffa07a, LightSeaGreen 20b2aa, LightSkyBlue 87cefa, LightSlateBlue 8470ff, LightSlateGray 778899,
LightSlateGrey 778899, LightSteelBlue b0c4de, LightYellow ffffe0, Lime 00ff00, LimeGreen 32cd32, Linen faf0e6,
Magenta ff00ff, Maroon 800000, MediumAquamarine 66cdaa, MediumBlue 0000cd, MediumOrchid ba55d3, MediumPurple
9370db, MediumSeaGreen 3cb371, MediumSlateBlue 7b68ee, MediumSpringGreen 00fa9a, MediumTurquoise 48d1cc,
MediumVioletRed c71585, MidnightBlue 191970, MintCream f5fffa, MistyRose ffe4e1, Moccasin ffe4b5, NavajoWhite
ffdead, Navy 000080, NavyBlue 000080, OldLace fdf5e6, Olive 808000, OliveDrab 6b8e23, Orange ffa500, OrangeRed
ff4500, Orchid da70d6, PaleGoldenrod eee8aa, PaleGreen 98fb98, PaleTurquoise afeeee, PaleVioletRed db7093,
PapayaWhip ffefd5, PeachPuff ffdab9, Peru cd853f, Pink ffc0cb, Plum dda0dd, PowderBlue b0e0e6, Purple 800080,
Red ff0000, RosyBrown bc8f8f, RoyalBlue 4169e1, SaddleBrown 8b4513, Salmon fa8072, SandyBrown f4a460, SeaGreen
2e8b57, Seashell fff5ee, Sienna a0522d, Silver c0c0c0, SkyBlue 87ceeb, SlateBlue 6a5acd, SlateGray 708090,
SlateGrey 708090, Snow fffafa, SpringGreen 00ff7f, SteelBlue 4682b4, Tan d2b48c, Teal 008080, Thistle d8bfd8,
Tomato ff6347, Turquoise 40e0d0, Violet ee82ee, VioletRed d02090, Wheat f5deb3, White ffffff, WhiteSmoke
f5f5f5, Yellow ffff00, YellowGreen 9acd32`;

/** Colours of a window system at their brightest (section 4.4); the same at three lower levels bear the numbers 2 to 4. */
const X11 = `
AntiqueWhite ffefdb, Aquamarine 7fffd4, Azure f0ffff, Bisque ffe4c4, Blue 0000ff, Brown ff4040, Burlywood
ffd39b, CadetBlue 98f5ff, Chartreuse 7fff00, Chocolate ff7f24, Coral ff7256, Cornsilk fff8dc, Cyan 00ffff,
DarkGoldenrod ffb90f, DarkOliveGreen caff70, DarkOrange ff7f00, DarkOrchid bf3eff, DarkSeaGreen c1ffc1,
DarkSlateGray 97ffff, DeepPink ff1493, DeepSkyBlue 00bfff, DodgerBlue 1e90ff, Firebrick ff3030, Gold ffd700,
Goldenrod ffc125, Green 00ff00, Honeydew f0fff0, HotPink ff6eb4, IndianRed ff6a6a, Ivory fffff0, Khaki fff68f,
LavenderBlush fff0f5, LemonChiffon fffacd, LightBlue bfefff, LightCyan e0ffff, LightGoldenrod ffec8b,
LightPink ffaeb9, LightSalmon ffa07a, LightSkyBlue b0e2ff, LightSteelBlue cae1ff, LightYellow ffffe0, Magenta
ff00ff, Maroon ff34b3, MediumOrchid e066ff, MediumPurple ab82ff, MistyRose ffe4e1, NavajoWhite ffdead,
OliveDrab c0ff3e, Orange ffa500, OrangeRed ff4500, Orchid ff83fa, PaleGreen 9aff9a, PaleTurquoise bbffff,
PaleVioletRed ff82ab, PeachPuff ffdab9, Pink ffb5c5, Plum ffbbff, Purple 9b30ff, Red ff0000, RosyBrown ffc1c1,
RoyalBlue 4876ff, Salmon ff8c69, SeaGreen 54ff9f, Seashell fff5ee, Sienna ff8247, SkyBlue 87ceff, SlateBlue
836fff, SlateGray c6e2ff, Snow fffafa, SpringGreen 00ff7f, SteelBlue 63b8ff, Tan ffa54f, Thistle ffe1ff,
Tomato ff6347, Turquoise 00f5ff, VioletRed ff3e96, Wheat ffe7ba, Yellow ffff00`;

type Names = ReadonlyMap<string, number>;

const named = (list: string): Names =>
  new Map(
    list.split(',').map((entry) => {
      const [name = '', value = ''] = entry.trim().split(/\s+/);
      return [name, parseInt(value, 16)] as const;
    }),
  );

/** How bright the four levels are, of 255. */
const LEVELS = [255, 238, 205, 139];

/** Plain names with a nought are those of the window system's own grey, green and so on. */
const NOUGHTS = 'Gray0 bebebe, Green0 00ff00, Grey0 bebebe, Maroon0 b03060, Purple0 a020f0';

function levelled(list: string): Names {
  const out = new Map(named(NOUGHTS));
  for (const [name, value] of named(list))
    LEVELS.forEach((level, i) => {
      const part = (shift: number): number =>
        Math.round((((value >> shift) & 255) * level) / 255) << shift;
      out.set(`${name}${i + 1}`, part(16) | part(8) | part(0));
    });
  return out;
}

/** The lists by the options that bring them, in the order in which they are loaded: a name of two is that of the later. */
export const COLOUR_LISTS = {
  dvipsnames: named(DVIPS),
  svgnames: named(SVG),
  x11names: levelled(X11),
} as const satisfies Readonly<Record<string, Names>>;

export type ColourList = keyof typeof COLOUR_LISTS;

/** The colours that are there without any option. */
export const PLAIN_COLOURS: Names = named(ALWAYS);
