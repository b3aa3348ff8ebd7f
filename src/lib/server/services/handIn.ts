import type { HandIn, LastLook, LookedText, SitePosting } from '../../domain/courseSite';
import type { Posting } from '../../domain/assignment';
import type { HandInRequest } from '../../domain/schemas';
import { fileNameOf } from '../../domain/fileName';
import { partsOf } from '../../domain/fileReferences';
import type { AssignmentRepository, AssignmentRow } from '../repositories/assignments';
import type { CourseRepository } from '../repositories/courses';
import type { FileRepository } from '../repositories/files';
import type { HandInRepository } from '../repositories/handIns';
import type { PictureRepository } from '../repositories/pictures';
import type { SettingsRepository } from '../repositories/settings';
import type { CourseSite, HandInFile } from '../courseSite/courseSite';
import type { PagePicture, TypesetResult } from '../typeset/job';
import type { Typesetter } from '../typeset/typesetter';
import { readBundle, type Bundle } from './bundle';
import { lastLook } from './lastLook';
import { compilesElsewhere, packedSource, plainFiles, zipped } from './packing';
import { jobOf, snapshotOf, type Snapshot } from './snapshot';
import type { VersionService } from './versions';

/** What became of handing in. */
export type HandInOutcome =
  | { readonly kind: 'handed-in'; readonly handIn: HandIn }
  | { readonly kind: 'refused'; readonly reason: string };

/** What of a typeset sheet is kept. */
const formOf = ({ pdf, firstPage, pages, toFix }: TypesetResult) => ({
  pdf,
  firstPage,
  pages,
  toFix,
});

/** A posting that became an assignment, and the path of its sheet. */
export interface TakenPosting {
  readonly id: string;
  readonly path: string;
}

interface Handout {
  readonly posting: SitePosting;
  readonly bundle: Extract<Bundle, { kind: 'bundle' }>;
}

interface Parts {
  readonly assignments: AssignmentRepository;
  readonly courses: CourseRepository;
  readonly files: FileRepository;
  readonly pictures: PictureRepository;
  readonly handIns: HandInRepository;
  readonly settings: SettingsRepository;
  readonly versions: VersionService;
  readonly typesetter: Typesetter;
  readonly site: CourseSite;
  readonly now: () => Date;
  readonly newId: () => string;
  readonly atomically: <T>(work: () => T) => T;
}

/** The way from a handout of the course site to a receipt. */
export function handInService(parts: Parts) {
  const { assignments, courses, files, pictures, handIns, settings, versions, typesetter } = parts;
  const { site, now, newId } = parts;

  const current = (row: AssignmentRow): Snapshot =>
    snapshotOf(files, pictures, row.id, row.mainPath);

  /** The typeset sheet and the source, both named after the assignment. */
  async function bothFiles(row: AssignmentRow, snapshot: Snapshot) {
    const job = { ...jobOf(snapshot, row.title, now()), pictures: true };
    const [made, elsewhere] = await Promise.all([
      typesetter.typeset(job),
      compilesElsewhere(snapshot, typesetter),
    ]);
    const pdf: HandInFile = { name: `${fileNameOf(row.title)}.pdf`, bytes: made.pdf };
    return { made, pdf, elsewhere, source: packedSource(elsewhere, row.title) };
  }

  /** The handout as it was when it was taken, typeset; nothing when there was none. */
  async function handoutPages(row: AssignmentRow): Promise<readonly PagePicture[]> {
    const first = versions.list(row.id).find(({ kind }) => kind === 'handout');
    return first ? ((await versions.pages(row.id, first.id))?.pages ?? []) : [];
  }

  return {
    siteName: site.name,
    postings: (): Promise<readonly SitePosting[]> => site.postings(),
    receipts: (id: string): HandIn[] => handIns.list(id),
    frozenPdf: (id: string, handIn: number): Buffer | null => handIns.pdf(id, handIn),

    /** A new assignment from a posting's files, under the course of its code. A sentence when its files cannot be read. */
    async take(postingId: string): Promise<TakenPosting | { readonly problem: string }> {
      const found = await handout(postingId);
      if ('problem' in found) return found;
      const { posting, bundle } = found;
      const id = newId();
      const at = now().toISOString();
      parts.atomically(() => {
        const courseId = courseFor(posting);
        assignments.add(
          {
            id,
            courseId,
            title: posting.title,
            dueAt: posting.rules.deadline,
            state: 'draft',
            mainPath: bundle.mainPath,
            posting: postingOf(posting),
            texts: Object.entries(bundle.texts).map(([path, content]) => ({ path, content })),
          },
          at,
        );
        for (const [path, bytes] of Object.entries(bundle.pictures))
          pictures.put(id, path, bytes, at);
        const row = assignments.find(id);
        if (row) versions.keep(row, 'handout', null);
      });
      return { id, path: bundle.mainPath };
    },

    /** The text of a posting's handout, for looking at it before it is taken. */
    async preview(
      postingId: string,
    ): Promise<{ readonly text: string } | { readonly problem: string }> {
      const found = await handout(postingId);
      return 'problem' in found ? found : { text: found.bundle.texts[found.bundle.mainPath] ?? '' };
    },

    /** Everything that is checked before handing in. Null when there is no such assignment. */
    async look(id: string): Promise<(LastLook & { readonly texts: readonly LookedText[] }) | null> {
      const row = assignments.find(id);
      if (!row) return null;
      const snapshot = current(row);
      const { made, pdf, source } = await bothFiles(row, snapshot);
      const { edition } = row;
      // The pages that go are shown beside it: they are not typeset again for that.
      assignments.keepTypesetting(id, { ...formOf(made), edition }, now().toISOString());
      const listed = [pdf, source].map(({ name, bytes }) => ({ name, size: bytes.length }));
      const lines = lastLook({
        findings: made.findings,
        pages: made.pictures,
        steps: made.steps,
        handout: await handoutPages(row),
        texts: snapshot.texts,
        mainPath: row.mainPath,
        author: settings.profile().name,
        problems: row.posting?.problems ?? [],
        rules: row.posting?.rules ?? null,
        files: listed,
        now: now(),
      });
      const texts = partsOf(row.mainPath, snapshot.texts).map((path): LookedText => ({
        path,
        text: snapshot.texts[path] ?? '',
        formulas: path === row.mainPath ? made.formulas : null,
      }));
      return { lines, pages: made.pages, edition, files: listed, texts };
    },

    /**
     * Hands the files in as they are now, under the rules of the posting. What went is kept as
     * a version with the receipt and the very PDF. Null when there is no such assignment.
     */
    async handIn(id: string, choice: HandInRequest): Promise<HandInOutcome | null> {
      const row = assignments.find(id);
      if (!row) return null;
      const student = settings.profile().name;
      if (student === '')
        return {
          kind: 'refused',
          reason: 'Write your name first, so that the course knows who you are.',
        };
      if (!choice.pdf && !choice.source)
        return { kind: 'refused', reason: 'Choose what goes: the PDF, the source, or both.' };
      const snapshot = current(row);
      const { pdf, source } = await bothFiles(row, snapshot);
      const going = [...(choice.pdf ? [pdf] : []), ...(choice.source ? [source] : [])];
      const answer = await site.handIn(choice.posting, student, going);
      if (answer.kind === 'refused') return answer;
      const at = now().toISOString();
      parts.atomically(() => {
        const version = versions.keepSnapshot(row, snapshot, 'handed-in', null);
        handIns.add(id, version, answer.receipt, pdf.bytes, at);
        if (assignments.find(id)?.edition === row.edition)
          assignments.change(id, { state: 'handed-in' });
      });
      const [handIn] = handIns.list(id);
      return handIn ? { kind: 'handed-in', handIn } : null;
    },

    /** The files as they would go. Null when there is no such assignment. */
    async packed(id: string, what: 'source' | 'all'): Promise<HandInFile | null> {
      const row = assignments.find(id);
      if (!row) return null;
      const snapshot = current(row);
      if (what === 'source')
        return packedSource(await compilesElsewhere(snapshot, typesetter), row.title);
      const { pdf, elsewhere } = await bothFiles(row, snapshot);
      return {
        name: `${fileNameOf(row.title)}.zip`,
        bytes: zipped({ ...plainFiles(elsewhere), [pdf.name]: pdf.bytes }),
      };
    },
  };

  /** A posting with its files told apart, or why they cannot be read. */
  async function handout(postingId: string): Promise<Handout | { readonly problem: string }> {
    const posting = (await site.postings()).find(({ id }) => id === postingId);
    if (!posting) return { problem: `${site.name} no longer has this assignment.` };
    const given: HandInFile[] = [];
    for (const name of posting.files) given.push({ name, bytes: await site.file(postingId, name) });
    const bundle = readBundle(given);
    return bundle.kind === 'refused' ? { problem: bundle.problem } : { posting, bundle };
  }

  function courseFor({ course, courseTitle }: SitePosting): string {
    const plain = (code: string): string => code.replace(/\s+/g, '').toLowerCase();
    const there = courses.list().find(({ code }) => plain(code) === plain(course));
    if (there) return there.id;
    const id = newId();
    courses.add({ id, code: course, title: courseTitle, term: '', colour: 'slate' });
    return id;
  }

  function postingOf({ id, title, problems, rules }: SitePosting): Posting {
    return { site: site.name, id, title, problems, rules };
  }
}

export type HandInService = ReturnType<typeof handInService>;
