import type { FileInfo } from '../../domain/assignment';
import { pictureFileName } from '../../domain/fileName';
import { fileReferences, refersTo, withFileRenamed } from '../../domain/fileReferences';
import { isPlainPath, LONGEST_SOURCE } from '../../domain/schemas';
import type { AssignmentRepository, AssignmentRow } from '../repositories/assignments';
import type { FileRepository } from '../repositories/files';
import type { PictureRepository, StoredPicture } from '../repositories/pictures';
import { pictureEnding } from './pictureFile';
import type { VersionService } from './versions';

/** A file that was kept, or why it was not, in a sentence. */
export type FileOutcome =
  | { readonly kind: 'kept'; readonly file: FileInfo }
  | { readonly kind: 'refused'; readonly problem: string };

/** Endings of files that are text. */
const TEXT = /\.(tex|bib|sty|cls|bst|bbl|txt|csv|dat|md|def|cfg|py|m|r|c|java|js)$/i;
export const isTextName = (name: string): boolean => TEXT.test(name);

interface Parts {
  readonly assignments: AssignmentRepository;
  readonly files: FileRepository;
  readonly pictures: PictureRepository;
  readonly versions: Pick<VersionService, 'keep'>;
  readonly now: () => Date;
  readonly atomically: <T>(work: () => T) => T;
}

const refused = (problem: string): FileOutcome => ({ kind: 'refused', problem });

/** What can be done with the files of an assignment. */
export function fileService(parts: Parts) {
  const { assignments, files, pictures, versions, now } = parts;
  const at = (): string => now().toISOString();

  /** A name that is free, or that holds the same picture already. */
  function freeName(id: string, stem: string, ending: string, bytes: Buffer): string {
    for (let n = 1; ; n++) {
      const name = `${stem}${n === 1 ? '' : `-${n}`}.${ending}`;
      const there = pictures.find(id, name);
      if (!there || there.bytes.equals(bytes)) return name;
    }
  }

  function addPicture(id: string, givenName: string, bytes: Buffer): FileOutcome {
    const found = pictureEnding(bytes);
    if ('problem' in found) return refused(found.problem);
    const name = freeName(id, pictureFileName(givenName), found.ending, bytes);
    const kept = pictures.find(id, name) ?? pictures.put(id, name, bytes, at());
    return kept
      ? {
          kind: 'kept',
          file: { path: name, kind: 'picture', version: kept.version, size: bytes.length },
        }
      : refused('There is no such assignment.');
  }

  function addText(row: AssignmentRow, path: string, bytes: Buffer): FileOutcome {
    const content = readText(bytes);
    if (content === null) return refused(`${path} is not a text, though its name says so.`);
    if (content.length > LONGEST_SOURCE) return refused('This file is too long to be kept here.');
    if (files.find(row.id, path)) versions.keep(row, 'as-written', null);
    files.put(row.id, path, content, at());
    const version = files.find(row.id, path)?.revision ?? 1;
    return { kind: 'kept', file: { path, kind: 'text', version, size: content.length } };
  }

  const exists = (id: string, path: string): boolean =>
    files.find(id, path) !== null || pictures.find(id, path) !== null;

  return {
    text: (id: string, path: string): string | null => files.find(id, path)?.content ?? null,
    picture: (id: string, path: string): StoredPicture | null => pictures.find(id, path),
    list: (id: string): FileInfo[] => [...files.list(id), ...pictures.list(id)],

    /**
     * Keeps a file that was dropped or chosen: a text under its own name, in the place of one
     * of that name; a picture, known by its bytes, under a plain and free form of its name.
     * Null when there is no such assignment.
     */
    add(id: string, givenName: string, bytes: Buffer): FileOutcome | null {
      const row = assignments.find(id);
      if (!row) return null;
      const name = givenName.split(/[\\/]/).at(-1) ?? '';
      if (!isTextName(name)) return addPicture(id, name, bytes);
      if (!isPlainPath(name)) return refused('Give this file a plain name and bring it again.');
      return addText(row, name, bytes);
    },

    /** Puts other bytes in the place of a file. Null when it is not there. */
    replace(id: string, path: string, bytes: Buffer): FileOutcome | null {
      const row = assignments.find(id);
      if (!row) return null;
      if (files.find(id, path)) return addText(row, path, bytes);
      if (!pictures.find(id, path)) return null;
      const found = pictureEnding(bytes);
      if ('problem' in found) return refused(found.problem);
      if (!path.toLowerCase().endsWith(found.ending.slice(-2)))
        return refused(`${path} can only be replaced by a picture of the same kind.`);
      const kept = pictures.put(id, path, bytes, at());
      const version = kept?.version ?? 1;
      return { kind: 'kept', file: { path, kind: 'picture', version, size: bytes.length } };
    },

    /** A new, empty text. Null when there is no such assignment. */
    create(id: string, path: string): FileOutcome | null {
      if (!assignments.find(id)) return null;
      if (!isTextName(path)) return refused('A part ends in .tex, a bibliography in .bib.');
      if (exists(id, path)) return refused(`There is a file ${path} already.`);
      files.put(id, path, '', at());
      return { kind: 'kept', file: { path, kind: 'text', version: 1, size: 0 } };
    },

    /** Gives a file another path; every mention of it in the texts follows. Null when it is not there. */
    rename(id: string, path: string, to: string): FileOutcome | null {
      const row = assignments.find(id);
      const isText = files.find(id, path) !== null;
      if (!row || !(isText || pictures.find(id, path))) return null;
      const ending = /\.[A-Za-z0-9]+$/.exec(path)?.[0] ?? '';
      if (!to.toLowerCase().endsWith(ending.toLowerCase()))
        return refused(`Its name has to end in ${ending}.`);
      if (exists(id, to)) return refused(`There is a file ${to} already.`);
      parts.atomically(() => {
        for (const file of files.all(id)) {
          const content = withFileRenamed(file.content, path, to);
          if (content !== file.content) files.put(id, file.path, content, at());
        }
        if (isText) files.rename(id, path, to, at());
        else pictures.rename(id, path, to, at());
        if (row.mainPath === path) assignments.change(id, { mainPath: to });
      });
      const found = [...files.list(id), ...pictures.list(id)].find((file) => file.path === to);
      return found ? { kind: 'kept', file: found } : null;
    },

    /** Takes a file away; what was there is kept as a version first. Null when it is not there. */
    remove(id: string, path: string): FileOutcome | 'removed' | null {
      const row = assignments.find(id);
      if (!row || !exists(id, path)) return null;
      if (path === row.mainPath) return refused('The sheet itself cannot be taken away.');
      versions.keep(row, 'as-written', null);
      files.remove(id, path, at());
      pictures.remove(id, path, at());
      return 'removed';
    },

    /** The texts that mention a file, each with the number of times. */
    usedIn(id: string, path: string): { readonly path: string; readonly times: number }[] {
      return files.all(id).flatMap((file) => {
        const times = fileReferences(file.content).filter((it) => refersTo(it, path)).length;
        return times === 0 ? [] : [{ path: file.path, times }];
      });
    },
  };
}

export type FileService = ReturnType<typeof fileService>;

/** Bytes as text, with line ends as here: UTF-8, else the Western characters of older files. Null when they are no text. */
export function readText(bytes: Buffer): string | null {
  if (bytes.some((byte) => byte < 9 || (byte > 13 && byte < 32 && byte !== 27))) return null;
  const plain = (text: string): string => text.replace(/\r\n?/g, '\n');
  try {
    return plain(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    return plain(new TextDecoder('windows-1252').decode(bytes));
  }
}
