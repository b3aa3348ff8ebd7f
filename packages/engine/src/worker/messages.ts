import type { CalendarDate, OutlineEntry } from '../session/session';
import type { Finding } from '../findings/finding';
import type { PageDescription } from '../output/display/description';
import type { FoundPlace } from '../session/findText';
import type { BlockNode } from '../document/blocks';
import type { Glimpse } from '../session/glimpse';
import type { BesideFormula } from '../session/readBeside';
import type { Word } from '../session/vocabulary';
import type { TextEdit } from '../source/edits';

/** A file of the assignment besides its text, and where it is to be had; the same address is the same content. */
export interface FileAddress {
  readonly name: string;
  readonly address: string;
}

/** What the page asks of the worker. All plain data. */
export type Request =
  | {
      readonly kind: 'open';
      readonly text: string;
      readonly revision: number;
      readonly today: CalendarDate;
      readonly fontBase: string;
      /** The name of the text among the files, for findings. */
      readonly file?: string;
      readonly files: readonly FileAddress[];
      /** Are all blocks to be told of before they are worked on? Slower: for finding one that never ends. */
      readonly watched?: boolean;
    }
  /** Is the worker there to hear? Answered at once, if it is. */
  | { readonly kind: 'ping' }
  /** The other files of the assignment from now on. */
  | { readonly kind: 'files'; readonly files: readonly FileAddress[] }
  /** A file that is written in, though it is not the text: as it stands now, saved or not. */
  | {
      readonly kind: 'written';
      readonly name: string;
      readonly text: string;
      readonly revision: number;
    }
  /** Edits in order; each one's offsets refer to the text after those before it. */
  | { readonly kind: 'edit'; readonly edits: readonly TextEdit[]; readonly revision: number }
  /** Every name of the language, asked for once. */
  | { readonly kind: 'vocabulary' }
  /** A piece of source typeset by itself, with the lines that load what it needs. */
  | {
      readonly kind: 'glimpse';
      readonly id: number;
      readonly source: string;
      readonly preamble: string;
    }
  /** The pages in sight, on the sheet and small beside it. */
  | { readonly kind: 'view'; readonly ranges: readonly PageRange[] }
  /** Where a text stands on the pages. */
  | { readonly kind: 'find'; readonly id: number; readonly text: string }
  /** What was read of the text, to be sent through a port to who reads it further. */
  | {
      readonly kind: 'reading';
      readonly port: ReadingPort;
      /** Read as well, though it does not stand in the text. */
      readonly beside?: BesideFormula;
    }
  /** The page on which something stands that links lead to. */
  | { readonly kind: 'place'; readonly id: number; readonly label: string };

/** Hears what was read, in parts. What it heard before by its number is not sent again. */
export interface ReadingPort {
  postMessage(message: ReadingPart): void;
}

export interface ReadingPart {
  /** Nothing was sent before: what is remembered is of another reader. */
  readonly afresh: boolean;
  readonly nodes: readonly { readonly id: number; readonly nodes: readonly BlockNode[] }[];
  /** With the last part: where each block starts, by the number of its nodes, and the revision it is of. */
  readonly whole: {
    readonly blocks: readonly (readonly [start: number, id: number])[];
    readonly revision: number;
    /** What was to be read beside the text. */
    readonly beside: readonly BlockNode[];
  } | null;
}

/** Pages from 0, the last one included. */
export interface PageRange {
  readonly first: number;
  readonly last: number;
}

/** A page as the host knows it: the same key is the same picture. */
export interface PageInfo {
  readonly key: number;
  /** Big points. */
  readonly width: number;
  readonly height: number;
  /** From the left edge to where the text begins on odd or even pages, whichever is less, and to where it ends. */
  readonly textLeft: number;
  readonly textRight: number;
}

export interface BlockPlace {
  readonly id: number;
  readonly start: number;
  readonly length: number;
}

/** A page in sight: its arrays when they are new to the host, and where its blocks stand in the text. */
export interface PageView {
  readonly index: number;
  readonly key: number;
  readonly description: PageDescription | null;
  /** The words of each line. */
  readonly text: readonly string[] | null;
  readonly blocks: readonly BlockPlace[];
}

/** The outline of a glyph in font units, as SVG path data, y upwards. */
export interface GlyphOutline {
  readonly font: number;
  readonly glyph: number;
  readonly path: string;
}

export type Response =
  /** Something the worker needs is not to be had; `reason` is for those who look into it. */
  | { readonly kind: 'failed'; readonly reason: string }
  | {
      readonly kind: 'pages';
      readonly revision: number;
      readonly pages: readonly PageInfo[];
      readonly views: readonly PageView[];
    }
  | {
      readonly kind: 'account';
      readonly revision: number;
      readonly findings: readonly Finding[];
      readonly outline: readonly OutlineEntry[];
      /** Starts of all blocks, and the page each one begins on (from 0). */
      readonly blockStarts: readonly number[];
      readonly blockPages: readonly number[];
      readonly labels: readonly LabelFact[];
      /** Starts and ends of all formulas, by turns. */
      readonly formulas: Int32Array;
    }
  | { readonly kind: 'pong' }
  /** Where the block starts that is worked on from now on. */
  | { readonly kind: 'at'; readonly start: number }
  | { readonly kind: 'vocabulary'; readonly words: readonly Word[] }
  | { readonly kind: 'found'; readonly id: number; readonly places: readonly FoundPlace[] }
  /** From 0; -1 when it is on none. */
  | { readonly kind: 'place'; readonly id: number; readonly page: number }
  /** The picture asked for, or null when there is nothing to show. */
  | { readonly kind: 'glimpse'; readonly id: number; readonly glimpse: Glimpse | null };

/** A label, the number it names and the kind of thing. */
export interface LabelFact {
  readonly name: string;
  readonly value: string;
  readonly kind: string;
  /** The page it stands on, from 0; -1 when that is not known. */
  readonly page: number;
}
