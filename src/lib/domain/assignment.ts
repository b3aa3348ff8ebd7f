import type { AssignmentState, Ink, Kind } from './choices';

export type { AssignmentState, Ink, Kind } from './choices';

export interface Course {
  readonly id: string;
  readonly code: string;
  readonly title: string;
  readonly term: string;
  readonly colour: Ink;
}

/** An assignment as the desk shows it. */
export interface AssignmentCard {
  readonly id: string;
  readonly courseId: string;
  readonly title: string;
  readonly kind: Kind;
  /** ISO 8601, or null when there is no date. */
  readonly dueAt: string | null;
  readonly state: AssignmentState;
  /** Grows with each change of any of its files. */
  readonly edition: number;
  readonly archived: boolean;
  /** When a file of it was last written, ISO 8601. */
  readonly writtenAt: string;
  /** From the last time it was typeset; null before that. */
  readonly pages: number | null;
  readonly toFix: number | null;
}

/** A text file of an assignment. */
export interface SourceFile {
  readonly path: string;
  readonly content: string;
  readonly revision: number;
}

/** A file of an assignment without what is in it; another version is another content. */
export interface FileInfo {
  readonly path: string;
  readonly kind: 'text' | 'picture';
  readonly version: number;
  /** Bytes, or characters of a text. */
  readonly size: number;
}

/** A picture that came with an assignment; another version is another picture. */
export interface PictureInfo {
  readonly name: string;
  readonly version: number;
}

/** All the workbench needs to open. */
export interface OpenAssignment {
  readonly id: string;
  readonly title: string;
  readonly kind: Kind;
  readonly dueAt: string | null;
  readonly state: AssignmentState;
  readonly course: Course;
  /** The path of the sheet itself. */
  readonly sheet: string;
  /** The file that is typeset: the sheet, or the one that is written in when it has a class of its own. */
  readonly main: SourceFile;
  /** The parts that lie between it and the file that is written in: each reads in the next. */
  readonly between: readonly Pick<SourceFile, 'path' | 'content'>[];
  /** The file that is written in: the main one, or a part. */
  readonly file: SourceFile;
  readonly files: readonly FileInfo[];
  readonly posting: Posting | null;
}

/** What the course site said about an assignment when its handout was taken. */
export interface Posting {
  readonly site: string;
  readonly id: string;
  readonly title: string;
  /** The numbers of its problems, in order: "1", "2", "3a". */
  readonly problems: readonly string[];
  readonly rules: HandInRules;
}

/** What a course takes. */
export interface HandInRules {
  /** Endings without the dot. */
  readonly kinds: readonly string[];
  /** Bytes, all files together. */
  readonly largest: number;
  readonly mostPages: number | null;
  /** ISO 8601. */
  readonly deadline: string;
  readonly latePolicy: string;
  /** Minutes after the deadline in which a hand-in is still taken. */
  readonly lateMinutes: number;
}

/** The answer to a save: the new revision, or what stands there instead. */
export type SaveOutcome =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'conflict'; readonly revision: number; readonly content: string };

/** A course and its assignments, as the desk lists them. */
export interface DeskCourse extends Course {
  readonly archived: boolean;
  readonly assignments: readonly AssignmentCard[];
}

/** Where a search found something. */
export interface SearchHit {
  readonly assignmentId: string;
  readonly title: string;
  readonly course: string;
  readonly path: string;
  /** The place in its surroundings; what was found stands between \u0001 and \u0002. */
  readonly excerpt: string;
}

/** The state in a student's words. */
export function stateWords(card: Pick<AssignmentCard, 'state' | 'toFix'>): string {
  if (card.state === 'handed-in') return 'handed in';
  if (card.toFix !== null && card.toFix > 0) return `${card.toFix} to fix`;
  return card.state;
}
