import { unzipSync } from 'fflate';
import Joi from 'joi';
import type { AssignmentState, Course, Ink, Kind, Posting } from '../../domain/assignment';
import { ASSIGNMENT_STATES, INKS, KINDS } from '../../domain/choices';
import type { Receipt } from '../../domain/courseSite';
import { fileNameOf } from '../../domain/fileName';
import { filePath, LONGEST_SOURCE, type FragmentRequest, type Profile } from '../../domain/schemas';
import type { AssignmentRepository } from '../repositories/assignments';
import type { CourseRepository } from '../repositories/courses';
import type { FileRepository } from '../repositories/files';
import type { FragmentRepository } from '../repositories/fragments';
import type { HandInRepository } from '../repositories/handIns';
import type { PictureRepository } from '../repositories/pictures';
import type { SettingsRepository } from '../repositories/settings';
import type { VersionRepository } from '../repositories/versions';
import { packHistory, readHistory, takeHistory, type History } from './history';
import { zipped } from './packing';
import { pictureEnding } from './pictureFile';
import { readText } from './files';

/** What the index says of an assignment; its files lie in its folder under their own paths. */
interface Entry {
  readonly id: string;
  readonly course: string;
  readonly folder: string;
  readonly title: string;
  readonly kind: Kind;
  readonly dueAt: string | null;
  readonly state: AssignmentState;
  readonly archived: boolean;
  readonly main: string;
  readonly texts: readonly string[];
  readonly pictures: readonly string[];
  readonly posting: Posting | null;
  readonly receipts: readonly Receipt[];
}

interface Index {
  readonly format: 1;
  readonly profile: Profile;
  readonly courses: readonly (Course & { readonly archived: boolean })[];
  readonly assignments: readonly Entry[];
  readonly fragments: readonly FragmentRequest[];
}

const INDEX = 'collection.json';
const text = Joi.string().allow('');
const id = Joi.string().pattern(/^[a-z0-9-]{1,64}$/);
const indexSchema = Joi.object<Index>({
  format: Joi.number().valid(1).required(),
  profile: Joi.object({ name: text, college: text, number: text }).required(),
  courses: Joi.array()
    .items(
      Joi.object({
        id: id.required(),
        code: text.required(),
        title: text.required(),
        term: text.required(),
        colour: Joi.string<Ink>()
          .valid(...INKS)
          .required(),
        archived: Joi.boolean().required(),
      }),
    )
    .required(),
  assignments: Joi.array()
    .items(
      Joi.object({
        id: id.required(),
        course: id.required(),
        folder: filePath,
        title: text.required(),
        kind: Joi.string<Kind>()
          .valid(...KINDS)
          .required(),
        dueAt: Joi.string().isoDate().allow(null).required(),
        state: Joi.string<AssignmentState>()
          .valid(...ASSIGNMENT_STATES)
          .required(),
        archived: Joi.boolean().required(),
        main: filePath,
        texts: Joi.array().items(filePath.optional()).required(),
        pictures: Joi.array().items(filePath.optional()).required(),
        posting: Joi.object().unknown().allow(null).required(),
        receipts: Joi.array().items(Joi.object().unknown()).required(),
      }),
    )
    .required(),
  fragments: Joi.array()
    .items(
      Joi.object({
        name: text.required(),
        source: Joi.string().max(LONGEST_SOURCE).required(),
        packages: Joi.array().items(Joi.string()).required(),
        origin: text.required(),
      }),
    )
    .required(),
}).required();

interface Parts {
  readonly courses: CourseRepository;
  readonly assignments: AssignmentRepository;
  readonly files: FileRepository;
  readonly pictures: PictureRepository;
  readonly fragments: FragmentRepository;
  readonly handIns: HandInRepository;
  readonly history: VersionRepository;
  readonly settings: SettingsRepository;
  readonly atomically: <T>(work: () => T) => T;
  readonly now: () => Date;
}

/** What was taken from a collection; what was here already stayed as it is. */
export type Imported =
  | { readonly kind: 'kept'; readonly taken: number; readonly there: number }
  | { readonly kind: 'refused'; readonly problem: string };

/** Everything out as one zip of plain files, and in again. The same collection gives the same bytes. */
export function collectionService(parts: Parts) {
  const { courses, assignments, files, pictures, fragments, handIns, settings } = parts;

  function freeFolder(taken: Set<string>, course: string, title: string): string {
    for (let n = 1; ; n++) {
      const folder = `${course}/${fileNameOf(title)}${n === 1 ? '' : `-${n}`}`;
      if (taken.has(folder)) continue;
      taken.add(folder);
      return folder;
    }
  }

  return {
    pack(): Buffer {
      const out: Record<string, Buffer> = {};
      const taken = new Set<string>();
      const all = courses.list();
      const folders = new Map(all.map(({ id: course, code }) => [course, fileNameOf(code)]));
      const receipts = handIns.receipts();
      const cards = assignments.cards().sort((a, b) => (a.id < b.id ? -1 : 1));
      const entries = cards.map((card): Entry => {
        const row = assignments.find(card.id);
        const course = folders.get(card.courseId) ?? 'course';
        const folder = freeFolder(taken, course, card.title);
        const texts = files.all(card.id);
        const drawn = pictures.all(card.id).sort((a, b) => (a.name < b.name ? -1 : 1));
        for (const { path, content } of texts) out[`${folder}/${path}`] = Buffer.from(content);
        for (const { name, bytes } of drawn) out[`${folder}/${name}`] = bytes;
        Object.assign(out, packHistory(parts, card.id));
        return {
          id: card.id,
          course: card.courseId,
          folder,
          title: card.title,
          kind: card.kind,
          dueAt: card.dueAt,
          state: card.state,
          archived: card.archived,
          main: row?.mainPath ?? '',
          texts: texts.map(({ path }) => path),
          pictures: drawn.map(({ name }) => name),
          posting: row?.posting ?? null,
          receipts: receipts
            .filter(({ assignmentId }) => assignmentId === card.id)
            .map(({ receipt }) => receipt),
        };
      });
      const index: Index = {
        format: 1,
        profile: settings.profile(),
        courses: all.map(({ id: course, code, title, term, colour, archivedAt }) => ({
          id: course,
          code,
          title,
          term,
          colour,
          archived: archivedAt !== null,
        })),
        assignments: entries,
        fragments: [...fragments.list()]
          .reverse()
          .map(({ name, source, packages, origin }) => ({ name, source, packages, origin })),
      };
      out[INDEX] = Buffer.from(`${JSON.stringify(index, null, 2)}\n`);
      return zipped(out);
    },

    /** Takes what a collection holds and is not here yet: all of it, or nothing. */
    unpack(zip: Buffer): Imported {
      const read = readCollection(zip);
      if ('problem' in read) return { kind: 'refused', problem: read.problem };
      const { index, content, past } = read;
      return parts.atomically(() => {
        const at = parts.now().toISOString();
        if (settings.profile().name === '') settings.setProfile(index.profile);
        for (const { archived, ...course } of index.courses)
          if (!courses.exists(course.id)) {
            courses.add(course);
            if (archived) courses.change(course.id, { archivedAt: at });
          }
        let taken = 0;
        for (const entry of index.assignments) {
          if (assignments.exists(entry.id) || !courses.exists(entry.course)) continue;
          takeAssignment(entry, content, at);
          const told = past.get(entry.id);
          if (told) takeHistory(parts, entry.id, told, content);
          taken++;
        }
        const known = new Set(fragments.list().map(({ name, source }) => `${name}\n${source}`));
        for (const fragment of index.fragments)
          if (!known.has(`${fragment.name}\n${fragment.source}`)) fragments.add(fragment, at);
        return { kind: 'kept', taken, there: index.assignments.length - taken };
      });
    },
  };

  function takeAssignment(entry: Entry, content: ReadonlyMap<string, Buffer>, at: string): void {
    const { course: courseId, title, kind, dueAt, state, main: mainPath, posting } = entry;
    const bytesOf = (path: string): Buffer =>
      content.get(`${entry.folder}/${path}`) ?? Buffer.alloc(0);
    const texts = entry.texts.map((path) => ({ path, content: readText(bytesOf(path)) ?? '' }));
    assignments.add(
      { id: entry.id, courseId, title, kind, dueAt, state, mainPath, posting, texts },
      at,
    );
    for (const path of entry.pictures) pictures.put(entry.id, path, bytesOf(path), at);
    if (entry.archived) assignments.change(entry.id, { archivedAt: at });
  }
}

export type CollectionService = ReturnType<typeof collectionService>;

/** The index of a collection and its files; or what is wrong with it, in a sentence. */
function readCollection(zip: Buffer):
  | {
      readonly index: Index;
      readonly content: ReadonlyMap<string, Buffer>;
      readonly past: ReadonlyMap<string, History>;
    }
  | { readonly problem: string } {
  let content: Map<string, Buffer>;
  try {
    const found = Object.entries(unzipSync(zip));
    content = new Map(found.map(([path, bytes]) => [path, Buffer.from(bytes)]));
  } catch {
    return { problem: 'This is no zip, or it is damaged. Nothing of it was taken.' };
  }
  const listed = content.get(INDEX);
  if (!listed)
    return { problem: `There is no ${INDEX} in it: it is not a collection that was packed here.` };
  try {
    const { value, error } = indexSchema.validate(JSON.parse(listed.toString('utf8')));
    if (error) throw error;
    const index = value as Index;
    const past = new Map<string, History>();
    for (const { id: assignment, folder, texts, pictures } of index.assignments) {
      for (const path of [...texts, ...pictures])
        if (!content.has(`${folder}/${path}`))
          return { problem: `${folder}/${path} is missing from it. Nothing of it was taken.` };
      for (const path of pictures)
        if ('problem' in pictureEnding(content.get(`${folder}/${path}`) as Buffer))
          return { problem: `${folder}/${path} is no picture. Nothing of it was taken.` };
      const told = readHistory(content, assignment);
      if (told && 'problem' in told) return told;
      if (told) past.set(assignment, told);
    }
    return { index, content, past };
  } catch {
    return { problem: `Its ${INDEX} cannot be understood. Nothing of it was taken.` };
  }
}
