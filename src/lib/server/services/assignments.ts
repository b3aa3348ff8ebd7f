import type { DeskCourse, OpenAssignment, SaveOutcome } from '../../domain/assignment';
import type { SaveRequest } from '../../domain/schemas';
import type { AssignmentRepository, StoredTypesetting } from '../repositories/assignments';
import type { PictureRepository } from '../repositories/pictures';
import type { Typesetter } from '../typeset/typesetter';

/** A typeset assignment and the title it goes by. */
export interface TypesetAssignment extends StoredTypesetting {
  readonly title: string;
}

/** What can be done with assignments. The clock is passed in. */
export function assignmentService(
  repository: AssignmentRepository,
  pictures: PictureRepository,
  typesetter: Typesetter,
  now: () => Date,
) {
  return {
    desk: (): DeskCourse[] => repository.desk(),
    open(id: string): OpenAssignment | null {
      const found = repository.open(id);
      return found && { ...found, pictures: pictures.list(id) };
    },
    save: (id: string, { revision, content }: SaveRequest): SaveOutcome | null =>
      repository.save(id, revision, content, now().toISOString()),

    /** The PDF of the text as it is now; made once for each revision. Null when there is no such assignment. */
    async typeset(id: string): Promise<TypesetAssignment | null> {
      const file = repository.mainFile(id);
      if (!file) return null;
      const kept = repository.typesetting(file.id, file.revision);
      if (kept) return { ...kept, title: file.title };
      const made = await typesetter.typeset({
        text: file.content,
        title: file.title,
        today: dateOf(now()),
        files: pictures.all(id).map(({ name, bytes }) => ({ name, bytes })),
      });
      const stored: StoredTypesetting = { revision: file.revision, ...made };
      repository.keepTypesetting(file.id, stored, now().toISOString());
      return { ...stored, title: file.title };
    },
  };
}

export type AssignmentService = ReturnType<typeof assignmentService>;

const dateOf = (date: Date) => ({
  year: date.getFullYear(),
  month: date.getMonth() + 1,
  day: date.getDate(),
});
