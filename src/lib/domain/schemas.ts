import Joi from 'joi';

/** Longest source that is taken, in characters: far beyond any assignment. */
export const LONGEST_SOURCE = 4_000_000;

export interface SaveRequest {
  readonly revision: number;
  readonly content: string;
}

/** What a save sends. */
export const saveRequest = Joi.object<SaveRequest, true>({
  revision: Joi.number().integer().min(1).required(),
  content: Joi.string().allow('').max(LONGEST_SOURCE).required(),
}).required();

/** The id of an assignment in an address. */
export const assignmentId = Joi.string()
  .pattern(/^[a-z0-9-]{1,64}$/)
  .required();

/** Largest picture that is taken, bytes. */
export const LARGEST_PICTURE = 12_000_000;

/** The name of a picture: letters, digits, dashes and one dot, within its assignment. */
export const pictureName = Joi.string()
  .pattern(/^[A-Za-z0-9][A-Za-z0-9_-]{0,80}\.(png|jpg|jpeg|pdf|svg)$/)
  .required();

/** The name a file had where it came from. */
export const givenName = Joi.string().min(1).max(300).required();

/** The first thing wrong with an input, as a sentence. */
export function problem(error: Joi.ValidationError): string {
  const [detail] = error.details;
  if (detail?.type === 'string.max') return 'This file is too long to be kept here.';
  return 'The page sent something that could not be understood. Load it again.';
}
