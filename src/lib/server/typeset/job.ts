import type { CalendarDate } from '@odd-compass/engine';

/** What the typesetting thread is given. */
export interface TypesetJob {
  readonly text: string;
  readonly title: string;
  readonly today: CalendarDate;
  /** Pictures and whatever else the text may ask for. */
  readonly files: readonly { readonly name: string; readonly bytes: Uint8Array }[];
}

/** What it gives back. `toFix` counts findings that are more than advice. */
export interface TypesetResult {
  readonly pdf: Buffer;
  readonly firstPage: string;
  readonly pages: number;
  readonly toFix: number;
}
