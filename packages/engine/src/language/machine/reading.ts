import type { Shown } from './counters';
import type { Sp } from '../../base/lengths';
import type { Span } from '../../base/spans';
import type { BlockNode } from '../../document/blocks';
import type { FontSpec } from '../../document/font';
import type { Inline } from '../../document/inlines';
import type { OutsideMark } from '../../document/outsideDrawing';
import { sameValue } from '../../expansion/meaning';
import type { RawFinding } from '../../findings/finding';
import type { CommandEntry } from './entries';

/** How many mistakes of one block are told: whoever mends so many finds the others then. */
export const MOST_FINDINGS = 500;
/** How many more, when they tell why reading stopped. */
const MOST_STOPS = 50;

/** How often the same may be said of one place, of other things each time. */
const MOST_OF_A_PLACE = 20;

/** Adds a finding to those of a block; what stopped its reading is told even where there is more to mend than one can. */
export function note(findings: RawFinding[], finding: RawFinding): void {
  // What is said of a place is said once, however often the place is read.
  const here = findings.filter(({ from, code }) => from === finding.from && code === finding.code);
  if (here.length >= MOST_OF_A_PLACE || here.some((other) => sameValue(other, finding))) return;
  const isStop = finding.code === 'macro-runaway' || finding.code === 'nesting-too-deep';
  if (findings.length < (isStop ? MOST_FINDINGS + MOST_STOPS : MOST_FINDINGS))
    findings.push(finding);
}

/** A command bound to its entry. */
export interface LanguageCommand {
  readonly kind: 'command';
  readonly name: string;
  readonly entry: CommandEntry;
  readonly read?: CommandEntry['read'];
  readonly yields?: true;
}

/** A group that is open, and where it was opened. */
export interface OpenGroup {
  readonly kind: 'brace' | 'environment' | 'semisimple' | 'math';
  readonly span: Span;
  /** Carried out when the group closes (`\aftergroup`, ends of old-style switches). */
  readonly then?: () => void;
}

/** One of a kind and several of them, in a sentence and at its start. */
export interface KindNames {
  readonly small?: readonly [string, string];
  readonly capital?: readonly [string, string];
  /** Its own title, as it is declared: of one and of several. */
  readonly title?: readonly [string, string];
  /** The language whose words stand for it, where that is not English, by its patterns. */
  readonly language?: string;
  /** What `\autoref` calls it. */
  readonly auto?: string;
  /** How the document has references to it written. */
  readonly formats?: ReferenceFormats;
}

/** Words of a format of references, with how their type differs from that around them. */
export interface FormatPiece {
  readonly text: string;
  readonly change: Partial<FontSpec>;
  /** What it is made of, when that is more than characters. */
  readonly shown?: Shown;
  /** The label that it leads to. */
  readonly leads?: string;
  /** It is the name of what is meant, which leads there only where that is asked for. */
  readonly isName?: true;
}
export type Format = readonly FormatPiece[];

/** Stand in a format for the numbers of a reference, the first and the second. */
export const NUMBERS_AT = ['\uE001', '\uE002'] as const;

/** Stand in a format where a link begins and ends (`#2` and `#3`). */
export const [LINK_FROM, LINK_TO] = ['\uE003', '\uE004'] as const;

/** Formats of references to a kind (cleveref manual, section 8). */
export interface ReferenceFormats {
  /** The number alone, as it stands among others. */
  readonly label?: Format;
  readonly one?: Format;
  readonly range?: Format;
  /** The first of several, the second of two, one between, the last. */
  readonly multi?: readonly Format[];
  /** The same at the start of a sentence. */
  readonly Capital?: ReferenceFormats;
}

/** A label as the block defines it. */
export interface LabelDefinition {
  readonly name: string;
  readonly value: string;
  /** What a reference prints when that is more than characters. */
  readonly shown?: Shown;
  /** The heading it stands under, and what kind of thing it names. */
  readonly title?: string;
  readonly kind?: string;
  /** Of a part of a figure, its own number alone. */
  readonly part?: string;
  /** What the document calls that kind, one of them and several. */
  readonly names?: KindNames;
  readonly from: number;
  readonly to: number;
}

/** What reading one block gave. */
export interface BlockReading {
  readonly nodes: readonly BlockNode[];
  readonly findings: readonly RawFinding[];
  readonly labels: readonly LabelDefinition[];
  /** Keys of the bibliography that are cited, in order. */
  readonly citations: readonly string[];
  /** Commands nobody defined, when a package that is not known may bring them. */
  readonly strangers: readonly {
    readonly name: string;
    readonly from: number;
    readonly to: number;
  }[];
}

/** What the language asks of the world while it reads. */
export interface LanguageHost {
  /** The text of a file of the assignment, or null. */
  readonly readFile: (name: string) => string | null;
  /** Names of all files of the assignment. */
  readonly files: () => readonly string[];
  /** Size of a page of a picture, why it cannot be shown and what is to be done, or null when it is not there. */
  readonly imageSize: (
    name: string,
    page: number,
  ) => ImageSize | { readonly why: string; readonly todo: string } | null;
  /** Width, height and depth of inlines side by side, in sp. */
  readonly measure: (inlines: readonly Inline[]) => Size;
}

export interface Size {
  readonly width: Sp;
  readonly height: Sp;
  readonly depth: Sp;
}

/** Natural width and height of a picture, in sp. */
export interface ImageSize {
  readonly width: Sp;
  readonly height: Sp;
  /** How many pages it has, when it has pages. */
  readonly pages?: number;
  /** Its marks, when it is drawn with ours. */
  readonly marks?: readonly OutsideMark[];
}
