/**
 * A page as flat arrays: what the screen draws and the PDF is written from.
 * Lengths in big points (1/72 in), y downwards from the top edge of the paper.
 * Offsets into the source count from the start of the block they name.
 */
export interface PageDescription {
  readonly number: number;
  readonly width: number;
  readonly height: number;
  /** One entry for each run of glyphs in one font and size on one baseline. */
  readonly runFont: Uint16Array;
  readonly runSize: Float32Array;
  readonly runX: Float32Array;
  readonly runY: Float32Array;
  readonly runColor: Uint32Array;
  /** Where the run's glyphs start in `glyphs`; one more for the end. */
  readonly runStart: Uint32Array;
  /** The block of the run, and its place there; block -1 is the page's own. */
  readonly runBlock: Int32Array;
  readonly runFrom: Int32Array;
  readonly runTo: Int32Array;
  readonly glyphs: Uint16Array;
  /** From the run's own x. */
  readonly glyphX: Float32Array;
  /** The character of the run each glyph begins at, for runs that show their source letter by letter. */
  readonly glyphCluster: Uint16Array;
  /** Which of `matrices` turns and scales the run about its start; 0 is none. */
  readonly runMatrix: Uint16Array;
  /** a, b, c, d of each matrix (x' = a x + c y, y' = b x + d y; y upwards), from 1 on. */
  readonly matrices: Float32Array;
  /** Four corners (x, y each) of every rule that is turned. */
  readonly quads: Float32Array;
  readonly quadColor: Uint32Array;
  /** a, b, c, d, e, f of each picture: where the unit square goes, y downwards on the page. */
  readonly images: Float32Array;
  readonly imageFile: readonly string[];
  /** Shares cut off at left, bottom, right, top. */
  readonly imageCrop: Float32Array;
  /** 1 where an empty frame stands for the picture. */
  readonly imageBlank: Uint8Array;
  /** x, y (top), width, height of each link, and where it leads: an address, or `#` and a label. */
  readonly links: Float32Array;
  readonly linkTarget: readonly string[];
  /** Places that links can lead to: x, y (top). */
  readonly anchors: Float32Array;
  readonly anchorName: readonly string[];
  /** x, y (top), width, height of each rule. */
  readonly rules: Float32Array;
  readonly ruleColor: Uint32Array;
  readonly ruleBlock: Int32Array;
  /** Lines of the page: x, baseline, width, height, depth of each. */
  readonly lines: Float32Array;
  readonly lineBlock: Int32Array;
  /** First run of each line; one more for the end. */
  readonly lineRun: Uint32Array;
  /** First rule of each line; one more for the end. */
  readonly lineRule: Uint32Array;
  /** First turned rule, and first picture, of each line; one more for the end. */
  readonly lineQuad: Uint32Array;
  readonly lineImage: Uint32Array;
}

/** The arrays of a description, for handing them over without a copy. */
export function buffersOf(page: PageDescription): ArrayBuffer[] {
  return Object.values(page).flatMap((value: unknown) =>
    ArrayBuffer.isView(value) ? [value.buffer as ArrayBuffer] : [],
  );
}
