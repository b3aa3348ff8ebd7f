import Joi from 'joi';
import {
  ASSIGNMENT_STATES,
  INKS,
  KINDS,
  type AssignmentState,
  type Ink,
  type Kind,
} from './choices';

/** Longest source that is taken, in characters: far beyond any assignment. */
export const LONGEST_SOURCE = 4_000_000;
/** Largest picture that is taken, bytes. */
export const LARGEST_PICTURE = 12_000_000;
/** Largest file that is brought in, bytes: a zip with all that belongs to an assignment. */
export const LARGEST_UPLOAD = 40_000_000;

/** The id of an assignment or a course in an address. */
export const plainId = Joi.string()
  .pattern(/^[a-z0-9-]{1,64}$/)
  .required();

/** A number in an address. */
export const rowId = Joi.number().integer().min(1).required();

/** One folder or file: no marks that some system takes for more than a letter, no dot in front. */
const SEGMENT = /^[^\\/:*?"<>|\u0000-\u001f\u007f.][^\\/:*?"<>|\u0000-\u001f\u007f]{0,119}$/;
const DEEPEST = 8;

/** Is this a path that stays within its assignment? */
export function isPlainPath(path: string): boolean {
  const segments = path.split('/');
  return (
    path.length <= 300 &&
    segments.length <= DEEPEST &&
    segments.every((segment) => SEGMENT.test(segment) && !segment.endsWith(' '))
  );
}

/** The path of a file within its assignment. */
export const filePath = Joi.string()
  .custom((path: string, helpers) => (isPlainPath(path) ? path : helpers.error('path.plain')))
  .required();

/** The name a file had where it came from. */
export const givenName = Joi.string().min(1).max(300).required();

export interface SaveRequest {
  readonly path: string;
  readonly revision: number;
  readonly content: string;
  /** What stands there was written elsewhere and is written over: it is kept as a version. */
  readonly over?: boolean;
}

/** What a save sends. */
export const saveRequest = Joi.object<SaveRequest, true>({
  path: filePath,
  revision: Joi.number().integer().min(1).required(),
  content: Joi.string().allow('').max(LONGEST_SOURCE).required(),
  over: Joi.boolean(),
}).required();

const words = (most: number) => Joi.string().trim().min(1).max(most);
const date = Joi.string().isoDate().allow(null);
const kind = Joi.string<Kind>().valid(...KINDS);

export interface CourseRequest {
  readonly code: string;
  readonly title: string;
  readonly term: string;
  readonly colour: Ink;
}

/** A new course. */
export const courseRequest = Joi.object<CourseRequest, true>({
  code: words(40).required(),
  title: words(120).required(),
  term: Joi.string().trim().allow('').max(60).required(),
  colour: Joi.string<Ink>()
    .valid(...INKS)
    .required(),
}).required();

export type CourseChangeRequest = Partial<CourseRequest> & { readonly archived?: boolean };

/** What is to be other about a course. */
export const courseChange = Joi.object<CourseChangeRequest>({
  code: words(40),
  title: words(120),
  term: Joi.string().trim().allow('').max(60),
  colour: Joi.string<Ink>().valid(...INKS),
  archived: Joi.boolean(),
})
  .min(1)
  .required();

export interface AssignmentChangeRequest {
  readonly title?: string;
  readonly dueAt?: string | null;
  readonly kind?: Kind;
  readonly courseId?: string;
  readonly state?: Exclude<AssignmentState, 'handed-in'>;
  readonly archived?: boolean;
  readonly deleted?: boolean;
  /** The text that is the sheet from now on. */
  readonly mainPath?: string;
}

/** What is to be other about an assignment. */
export const assignmentChange = Joi.object<AssignmentChangeRequest>({
  title: words(160),
  dueAt: date,
  kind,
  courseId: plainId.optional(),
  state: Joi.string<'draft' | 'ready'>().valid(...ASSIGNMENT_STATES.slice(0, 2)),
  archived: Joi.boolean(),
  deleted: Joi.boolean(),
  mainPath: filePath.optional(),
})
  .min(1)
  .required();

export interface StartRequest {
  readonly courseId: string;
  readonly title: string;
  readonly kind: Kind;
  readonly dueAt: string | null;
  readonly content: string;
  /** An earlier assignment whose other files come along. */
  readonly filesFrom: string | null;
}

/** A new assignment, as the start screen sends it. */
export const startRequest = Joi.object<StartRequest, true>({
  courseId: plainId,
  title: words(160).required(),
  kind: kind.required(),
  dueAt: date.required(),
  content: Joi.string().allow('').max(LONGEST_SOURCE).required(),
  filesFrom: plainId.allow(null),
}).required();

/** What is looked for. */
export const searchQuery = Joi.string().trim().allow('').max(200).required();

export interface PlaceQuery {
  readonly file?: string;
  readonly at?: number;
  readonly find?: string;
}

/** What of an assignment is to be opened: a file of it, a place in that, or a text that stands there. */
export const placeQuery = Joi.object<PlaceQuery>({
  file: filePath.optional(),
  at: Joi.number().integer().min(0),
  find: Joi.string().allow('').max(400),
})
  .unknown()
  .required();

/** The text whose PDF is wanted, when it is not the sheet. */
export const pdfQuery = Joi.object<{ readonly file?: string }>({ file: filePath.optional() })
  .unknown()
  .required();

/** Another path for a file. */
export const renameRequest = Joi.object<{ to: string }, true>({ to: filePath }).required();

/** A name for the version as it stands. */
export const versionRequest = Joi.object<{ name: string }, true>({
  name: words(120).required(),
}).required();

export interface FragmentRequest {
  readonly name: string;
  readonly source: string;
  readonly packages: readonly string[];
  readonly origin: string;
}

/** A piece of source to be kept. */
export const fragmentRequest = Joi.object<FragmentRequest>({
  name: words(120).required(),
  source: Joi.string().min(1).max(40_000).required(),
  packages: Joi.array()
    .items(Joi.string().pattern(/^[A-Za-z0-9@_-]{1,60}$/))
    .max(60)
    .required(),
  origin: Joi.string().allow('').max(160).required(),
}).required();

export interface Profile {
  readonly name: string;
  readonly college: string;
  readonly number: string;
}

/** The student's own particulars. */
export const profileRequest = Joi.object<Profile, true>({
  name: Joi.string().trim().allow('').max(120).required(),
  college: Joi.string().trim().allow('').max(160).required(),
  number: Joi.string().trim().allow('').max(60).required(),
}).required();

/** The id of an assignment of the course site. */
export const postingId = Joi.string()
  .pattern(/^[A-Za-z0-9-]{1,80}$/)
  .required();

export interface HandInRequest {
  readonly posting: string;
  readonly pdf: boolean;
  readonly source: boolean;
}

/** Where to hand in, and what goes. */
export const handInRequest = Joi.object<HandInRequest, true>({
  posting: postingId,
  pdf: Joi.boolean().required(),
  source: Joi.boolean().required(),
}).required();

/** The first thing wrong with an input, as a sentence. */
export function problem(error: Joi.ValidationError): string {
  const [detail] = error.details;
  const field = detail?.path.at(-1);
  if (detail?.type === 'path.plain')
    return 'A file name may have no slashes at its ends, no leading dot and none of \\ : * ? " < > |.';
  if (field === 'content' && detail?.type === 'string.max')
    return 'This file is too long to be kept here.';
  if (detail?.type === 'string.empty' && typeof field === 'string')
    return `Fill in the ${field}: it is empty.`;
  if (detail?.type === 'string.max' && typeof field === 'string')
    return `Make the ${field} shorter: it is too long.`;
  return 'The page sent something that could not be understood. Load it again.';
}
