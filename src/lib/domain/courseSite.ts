import type { HandInRules } from './assignment';

/** An assignment as the course site posts it. */
export interface SitePosting {
  readonly id: string;
  readonly course: string;
  readonly courseTitle: string;
  readonly title: string;
  readonly problems: readonly string[];
  readonly rules: HandInRules;
  /** Names of the files that come with it: the handout or template first. */
  readonly files: readonly string[];
}

/** What the course site says when it has taken a hand-in. */
export interface Receipt {
  readonly site: string;
  readonly posting: string;
  readonly number: string;
  /** ISO 8601, by the site's clock. */
  readonly receivedAt: string;
  readonly late: boolean;
  readonly files: readonly {
    readonly name: string;
    readonly size: number;
    readonly sha256: string;
  }[];
}

/** A hand-in with what became of it. */
export interface HandIn {
  readonly id: number;
  readonly versionId: number;
  readonly at: string;
  readonly receipt: Receipt;
}

/** One line of the last look. `well` null: a fact to know, neither good nor bad. */
export interface LookLine {
  readonly topic: string;
  readonly well: boolean | null;
  readonly says: string;
  readonly places: readonly LookPlace[];
}

/** A way to a place in the source. */
export interface LookPlace {
  readonly says: string;
  readonly path: string;
  readonly from: number;
}

/** All that is known of an assignment before it is handed in. */
/** A text of the sheet whose words are looked up. */
export interface LookedText {
  readonly path: string;
  readonly text: string;
  /** Starts and ends of its formulas, by turns; null where only the text itself tells. */
  readonly formulas: readonly number[] | null;
}

export interface LastLook {
  readonly lines: readonly LookLine[];
  readonly pages: number;
  readonly edition: number;
  readonly files: readonly { readonly name: string; readonly size: number }[];
}
