import type { FontSource, FontStore } from '../fonts/store';
import type { AssignmentFiles } from './files';
import type { CalendarDate } from './reading';

/** What a host gives: fonts, and the day. The engine reads no clock and no disk of its own. */
export interface SessionHost {
  /** Where fonts come from, or a store that several sessions share. */
  readonly fonts: FontSource | FontStore;
  readonly today: CalendarDate;
  /** The name of the file, for findings. */
  readonly file?: string;
  /** The other files of the assignment: parts, styles, bibliographies, pictures. */
  readonly files?: AssignmentFiles;
  /** While a formula is broken its last good form stays, marked: for a page that is being written. */
  readonly keepLastGood?: boolean;
  /** Told where each block starts before it is read or laid out: for finding the one that never ends. */
  readonly watch?: (start: number) => void;
}

/** Work counted, for tests and the benchmark. */
export interface WorkDone {
  blocksRead: number;
  blocksLaid: number;
  pagesBuilt: number;
}
