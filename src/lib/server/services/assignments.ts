import { oncePerKey } from '../once';
import type { OpenAssignment, SaveOutcome } from '../../domain/assignment';
import type { SaveRequest } from '../../domain/schemas';
import type { AssignmentRepository, StoredTypesetting } from '../repositories/assignments';
import type { FileRepository } from '../repositories/files';
import type { PictureRepository } from '../repositories/pictures';
import type { Typesetter } from '../typeset/typesetter';
import { jobOf, snapshotOf } from './snapshot';
import type { VersionService } from './versions';

/** A typeset assignment and the title it goes by. */
export interface TypesetAssignment extends StoredTypesetting {
  readonly title: string;
}

interface Parts {
  readonly assignments: AssignmentRepository;
  readonly files: FileRepository;
  readonly pictures: PictureRepository;
  readonly versions: Pick<VersionService, 'beforeSave' | 'keep'>;
  readonly typesetter: Typesetter;
  readonly now: () => Date;
}

/** What the workbench does with an assignment: open it, save its files, typeset it. The clock is passed in. */
export function assignmentService(parts: Parts) {
  const { assignments, files, pictures, versions, typesetter, now } = parts;
  const once = oncePerKey();
  return {
    /** With one of its texts to write in, the main one unless another is named; null when either is not there. */
    open(id: string, path: string | null): OpenAssignment | null {
      const row = assignments.find(id);
      const found = row && assignments.particulars(id);
      const main = row && files.find(id, row.mainPath);
      const file = path === null ? main : files.find(id, path);
      if (!found || !main || !file) return null;
      const { mainPath: _, ...about } = found;
      return { ...about, main, file, files: [...files.list(id), ...pictures.list(id)] };
    },

    /** What there is to say of it without its files; null when there is no such assignment. */
    particulars: (id: string) => assignments.particulars(id),

    /** Null when there is no such file. */
    save(id: string, { path, revision, content, over }: SaveRequest): SaveOutcome | null {
      const row = assignments.find(id);
      if (!row) return null;
      if (over) versions.keep(row, 'as-written', null);
      else versions.beforeSave(row, path, content);
      const outcome = files.save(id, path, revision, content, now().toISOString());
      // Who goes on writing after handing in writes a draft; what was handed in stays as it is.
      if (outcome?.kind === 'saved' && row.state === 'handed-in')
        assignments.change(id, { state: 'draft' });
      return outcome;
    },

    /** The first page as a picture. Null when there is no such assignment. */
    async firstPage(id: string): Promise<Buffer | null> {
      const row = assignments.find(id);
      if (!row) return null;
      return assignments.firstPage(id, row.edition) ?? (await this.typeset(id))?.firstPage ?? null;
    },

    /** The PDF of the files as they are now; made once for each edition. Null when there is no such assignment. */
    async typeset(id: string): Promise<TypesetAssignment | null> {
      const row = assignments.find(id);
      if (!row) return null;
      const { title, edition } = row;
      const kept = assignments.typesetting(id, edition);
      if (kept) return { ...kept, title };
      const stored = await once(`${id} ${edition}`, async (): Promise<StoredTypesetting> => {
        const job = jobOf(snapshotOf(files, pictures, id, row.mainPath), title, now());
        const { pdf, firstPage, pages, toFix } = await typesetter.typeset(job);
        const made = { edition, pdf, firstPage, pages, toFix };
        assignments.keepTypesetting(id, made, now().toISOString());
        return made;
      });
      return { ...stored, title };
    },
  };
}

export type AssignmentService = ReturnType<typeof assignmentService>;
