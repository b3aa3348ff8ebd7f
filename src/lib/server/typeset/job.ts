import type { CalendarDate, Finding } from '@odd-compass/engine';

/** What the typesetting thread is given. */
export interface TypesetJob {
  readonly text: string;
  /** The path of the text within its assignment. */
  readonly path: string;
  readonly title: string;
  readonly today: CalendarDate;
  /** Pictures, parts and whatever else the text may ask for. */
  readonly files: readonly { readonly name: string; readonly bytes: Uint8Array }[];
  /** Are all pages wanted as pictures, with what they say? */
  readonly pictures?: boolean;
}

/** A line of a page: its words, and where it stands in big points (`y` is its top). */
export interface PageLine {
  readonly text: string;
  /** Equal for lines that look alike, wherever they stand. */
  readonly look: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A page as a picture, with its lines. */
export interface PagePicture {
  readonly svg: string;
  readonly width: number;
  readonly height: number;
  readonly lines: readonly PageLine[];
}

/** A step of a derivation, and how it came out. */
export interface StepFact {
  readonly from: number;
  readonly result: 'holds' | 'differs' | 'sometimes' | 'unknown';
  readonly why: string;
}

/** What it gives back. `toFix` counts findings that are more than advice. */
export interface TypesetResult {
  readonly pdf: Buffer;
  /** PNG, small. */
  readonly firstPage: Buffer;
  readonly pages: number;
  readonly toFix: number;
  readonly findings: readonly Finding[];
  /** Starts and ends of the formulas of the text, by turns. */
  readonly formulas: readonly number[];
  /** Empty unless pictures were wanted. */
  readonly steps: readonly StepFact[];
  /** Empty unless they were wanted. */
  readonly pictures: readonly PagePicture[];
}
