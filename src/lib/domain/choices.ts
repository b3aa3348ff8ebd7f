/** Words that both sides choose from. */

export const ASSIGNMENT_STATES = ['draft', 'ready', 'handed-in'] as const;
export type AssignmentState = (typeof ASSIGNMENT_STATES)[number];

/** What an assignment is, in a student's words. */
export const KINDS = ['problem set', 'proofs', 'notes', 'report', 'letter', 'slides'] as const;
export type Kind = (typeof KINDS)[number];

/** The inks that courses are marked with. */
export const INKS = ['brass', 'sea', 'madder', 'moss', 'slate', 'plum'] as const;
export type Ink = (typeof INKS)[number];

/** Why a version was made. */
export const VERSION_KINDS = [
  'as-written',
  'named',
  'before-restore',
  'handed-in',
  'handout',
] as const;
export type VersionKind = (typeof VERSION_KINDS)[number];
