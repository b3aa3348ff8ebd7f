import type { AssignmentCard, DeskCourse, SearchHit } from '../../domain/assignment';
import type {
  AssignmentChangeRequest,
  CourseChangeRequest,
  CourseRequest,
  StartRequest,
} from '../../domain/schemas';
import {
  MAIN_FILE,
  type AssignmentChange,
  type AssignmentRepository,
} from '../repositories/assignments';
import type { CourseRepository } from '../repositories/courses';
import type { FileRepository } from '../repositories/files';
import type { PictureRepository } from '../repositories/pictures';
import type { SearchRepository } from '../repositories/search';
import { readBundle, type GivenFile } from './bundle';

/** Deleted assignments can be put back for so long, ms. */
const KEPT_DELETED = 30 * 86_400_000;

/** What was brought in, or why it was not. */
export type BroughtIn =
  | { readonly kind: 'kept'; readonly id: string; readonly leftOut: readonly string[] }
  | { readonly kind: 'refused'; readonly problem: string };

/** Texts that are indexed at once, so that no request waits long. */
const SLICE = 10;

interface Parts {
  readonly courses: CourseRepository;
  readonly assignments: AssignmentRepository;
  readonly files: FileRepository;
  readonly pictures: PictureRepository;
  readonly search: SearchRepository;
  readonly now: () => Date;
  readonly newId: () => string;
  readonly atomically: <T>(work: () => T) => T;
}

/** What can be done at the desk: courses and assignments as wholes. */
export function deskService(parts: Parts) {
  const { courses, assignments, files, pictures, search, now, newId, atomically } = parts;
  const at = (): string => now().toISOString();

  function copyFiles(from: string, to: string, besides: string | null): void {
    for (const { path, content } of files.all(from))
      if (path !== besides) files.put(to, path, content, at());
    for (const { name, bytes } of pictures.all(from)) pictures.put(to, name, bytes, at());
  }

  return {
    desk(): DeskCourse[] {
      const cards = byCourse(assignments.cards());
      return courses.list().map(({ id, code, title, term, colour, archivedAt }) => ({
        id,
        code,
        title,
        term,
        colour,
        archived: archivedAt !== null,
        assignments: cards.get(id) ?? [],
      }));
    },

    search: (query: string): SearchHit[] => search.find(query),

    /** Makes the index of some texts that search does not know yet; gives how many there were. */
    prepareSearch: (): number => search.refresh(SLICE),
    deleted: () => assignments.deleted(),

    addCourse(course: CourseRequest): string {
      const id = newId();
      courses.add({ id, ...course });
      return id;
    },

    /** False when there is no such course. */
    changeCourse(id: string, { archived, ...to }: CourseChangeRequest): boolean {
      const archivedAt = archived === undefined ? {} : { archivedAt: archived ? at() : null };
      return courses.change(id, { ...to, ...archivedAt });
    },

    /** A course goes only when nothing is under it. */
    removeCourse(id: string): 'removed' | 'missing' | 'in-use' {
      if (!courses.exists(id)) return 'missing';
      if (assignments.cards().some(({ courseId }) => courseId === id)) return 'in-use';
      courses.remove(id);
      return 'removed';
    },

    /** A new assignment; null when its course, or the assignment whose files should come along, is not there. */
    start(asked: StartRequest): string | null {
      if (!courses.exists(asked.courseId)) return null;
      if (asked.filesFrom !== null && !assignments.find(asked.filesFrom)) return null;
      const id = newId();
      const { courseId, title, kind, dueAt, content } = asked;
      const earlier = asked.filesFrom === null ? null : assignments.find(asked.filesFrom);
      const mainPath = earlier?.mainPath ?? MAIN_FILE;
      const texts = [{ path: mainPath, content }];
      atomically(() => {
        assignments.add(
          { id, courseId, title, kind, dueAt, state: 'draft', mainPath, texts },
          at(),
        );
        if (earlier) copyFiles(earlier.id, id, earlier.mainPath);
      });
      return id;
    },

    /** False when there is no such assignment, course or text. */
    change(id: string, { archived, deleted, ...to }: AssignmentChangeRequest): boolean {
      if (to.courseId !== undefined && !courses.exists(to.courseId)) return false;
      if (to.mainPath !== undefined && !files.find(id, to.mainPath)) return false;
      const change: AssignmentChange = {
        ...to,
        ...(archived === undefined ? {} : { archivedAt: archived ? at() : null }),
        ...(deleted === undefined ? {} : { deletedAt: deleted ? at() : null }),
      };
      return assignments.change(id, change);
    },

    /** The copy's id; null when there is no such assignment. */
    duplicate(id: string): string | null {
      const row = assignments.find(id);
      if (!row) return null;
      const copy = newId();
      const { courseId, kind, dueAt, mainPath } = row;
      const title = `${row.title} (copy)`;
      const content = files.find(id, mainPath)?.content ?? '';
      const texts = [{ path: mainPath, content }];
      atomically(() => {
        assignments.add(
          { id: copy, courseId, title, kind, dueAt, state: 'draft', mainPath, texts },
          at(),
        );
        copyFiles(id, copy, mainPath);
      });
      return copy;
    },

    /** Makes an assignment of files that were dropped or chosen; all of it or nothing. Null when there is no such course. */
    bringIn(courseId: string, given: readonly GivenFile[]): BroughtIn | null {
      if (!courses.exists(courseId)) return null;
      const bundle = readBundle(given);
      if (bundle.kind === 'refused') return bundle;
      const id = newId();
      const { title, mainPath, leftOut } = bundle;
      const texts = Object.entries(bundle.texts).map(([path, content]) => ({ path, content }));
      atomically(() => {
        assignments.add(
          { id, courseId, title, dueAt: null, state: 'draft', mainPath, texts },
          at(),
        );
        for (const [path, bytes] of Object.entries(bundle.pictures))
          pictures.put(id, path, bytes, at());
      });
      return { kind: 'kept', id, leftOut };
    },

    /** Takes away for good what was deleted long ago. */
    purge: (): void => assignments.purge(new Date(now().getTime() - KEPT_DELETED).toISOString()),
  };
}

export type DeskService = ReturnType<typeof deskService>;

function byCourse(cards: readonly AssignmentCard[]): Map<string, AssignmentCard[]> {
  const out = new Map<string, AssignmentCard[]>();
  for (const card of cards) {
    const there = out.get(card.courseId);
    if (there) there.push(card);
    else out.set(card.courseId, [card]);
  }
  return out;
}
