/** The part of the font library that is used here. */
declare module 'fontkit' {
  export interface BBox {
    readonly minX: number;
    readonly minY: number;
    readonly maxX: number;
    readonly maxY: number;
  }
  export interface PathCommand {
    readonly command: string;
    readonly args: readonly number[];
  }
  export interface Path {
    readonly commands: readonly PathCommand[];
    readonly bbox: BBox;
    toSVG(): string;
  }
  export interface FontkitGlyph {
    readonly id: number;
    readonly path: Path;
  }
  export interface Subset {
    includeGlyph(glyph: number): number;
    encode(): Uint8Array;
  }
  export interface FontkitFont {
    readonly unitsPerEm: number;
    readonly numGlyphs: number;
    readonly postscriptName: string;
    readonly ascent: number;
    readonly descent: number;
    readonly capHeight: number;
    readonly xHeight: number;
    readonly italicAngle: number;
    readonly bbox: BBox;
    readonly characterSet: readonly number[];
    glyphForCodePoint(code: number): FontkitGlyph;
    getGlyph(id: number): FontkitGlyph;
    createSubset(): Subset;
  }
  export function create(bytes: Uint8Array): FontkitFont;
}
