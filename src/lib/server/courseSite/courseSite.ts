import type { Receipt, SitePosting } from '../../domain/courseSite';

/** A file on its way to the course site. */
export interface HandInFile {
  readonly name: string;
  readonly bytes: Buffer;
}

/** What the site answers to a hand-in. */
export type SiteAnswer =
  | { readonly kind: 'receipt'; readonly receipt: Receipt }
  | { readonly kind: 'refused'; readonly reason: string };

/** The site could not be asked, or what it said could not be understood; the words are for the student. */
export class SiteTrouble extends Error {}

/** What the app needs of a course site, whatever stands behind it. */
export interface CourseSite {
  readonly name: string;
  postings(): Promise<readonly SitePosting[]>;
  /** A file of a posting. */
  file(posting: string, name: string): Promise<Buffer>;
  handIn(posting: string, student: string, files: readonly HandInFile[]): Promise<SiteAnswer>;
}
