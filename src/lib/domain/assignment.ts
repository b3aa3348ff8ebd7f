/** Where an assignment stands, as the desk tells it. */
export type AssignmentState = 'draft' | 'ready' | 'handed-in';

export interface Course {
  readonly id: string;
  readonly code: string;
  readonly title: string;
  readonly term: string;
}

/** An assignment as the desk shows it. */
export interface AssignmentCard {
  readonly id: string;
  readonly courseId: string;
  readonly title: string;
  /** ISO 8601, or null when there is no date. */
  readonly dueAt: string | null;
  readonly state: AssignmentState;
  readonly revision: number;
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

/** A picture that came with an assignment; another version is another picture. */
export interface PictureInfo {
  readonly name: string;
  readonly version: number;
}

/** All the workbench needs to open. */
export interface OpenAssignment {
  readonly id: string;
  readonly title: string;
  readonly dueAt: string | null;
  readonly course: Course;
  readonly file: SourceFile;
  readonly pictures: readonly PictureInfo[];
}

/** The answer to a save: the new revision, or what stands there instead. */
export type SaveOutcome =
  | { readonly kind: 'saved'; readonly revision: number }
  | { readonly kind: 'conflict'; readonly revision: number; readonly content: string };

/** A course and its assignments, as the desk lists them. */
export interface DeskCourse extends Course {
  readonly assignments: readonly AssignmentCard[];
}

/** The state in a student's words. */
export function stateWords(card: Pick<AssignmentCard, 'state' | 'toFix'>): string {
  if (card.state === 'handed-in') return 'handed in';
  if (card.toFix !== null && card.toFix > 0) return `${card.toFix} to fix`;
  return card.state;
}
