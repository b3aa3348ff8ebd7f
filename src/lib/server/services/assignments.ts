import { oncePerKey } from '../once';
import type { OpenAssignment, SaveOutcome, SourceFile } from '../../domain/assignment';
import { engineName } from '../../domain/fileName';
import { hasClass, wayBetween } from '../../domain/fileReferences';
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
      const whole = row && files.find(id, row.mainPath);
      const file = path === null ? whole : files.find(id, path);
      if (!found || !whole || !file) return null;
      const { mainPath: sheet, ...about } = found;
      const main = hasClass(file.content) ? file : whole;
      const between = main === file ? [] : partsBetween(main.path, file.path, files.all(id));
      const all = [...files.list(id), ...pictures.list(id)];
      return { ...about, sheet, main, between, file, files: all };
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

    /** The PDF of another of its texts, which is typeset by itself. Null when that is not there. */
    async typesetFile(id: string, path: string): Promise<{ pdf: Buffer; name: string } | null> {
      if (!assignments.find(id) || !files.find(id, path)) return null;
      const name = path.replace(/^.*\//, '').replace(/\.[A-Za-z0-9]+$/, '');
      const job = jobOf(snapshotOf(files, pictures, id, path), name, now());
      return { pdf: (await typesetter.typeset(job)).pdf, name };
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

/** The texts by which a main file reads in another, in order; none when it does not. */
function partsBetween(main: string, path: string, texts: readonly SourceFile[]) {
  const name = (of: string): string => engineName(main, of);
  const named = new Map(texts.map((text) => [name(text.path), text]));
  const textOf = (of: string): string | null => named.get(of)?.content ?? null;
  const way = wayBetween(name(main), name(path), [...named.keys()], textOf) ?? [];
  return way.flatMap((of) => {
    const text = named.get(of);
    return text ? [{ path: text.path, content: text.content }] : [];
  });
}

export type AssignmentService = ReturnType<typeof assignmentService>;
