import { imageSize } from '@odd-compass/engine/imageSize';
import type { PictureInfo } from '../../domain/assignment';
import { pictureFileName } from '../../domain/fileName';
import { LARGEST_PICTURE } from '../../domain/schemas';
import type { PictureRepository, StoredPicture } from '../repositories/pictures';

/** A picture that was kept, or why it was not, in a sentence. */
export type PictureOutcome =
  | { readonly kind: 'kept'; readonly picture: PictureInfo }
  | { readonly kind: 'refused'; readonly problem: string };

const ENDINGS = { png: 'png', jpeg: 'jpg', pdf: 'pdf', svg: 'svg' } as const;
const KINDS = 'Pictures can be PNG, JPEG, PDF or SVG files';

/** What can be done with the pictures of an assignment. */
export function pictureService(repository: PictureRepository, now: () => Date) {
  /** A name that is free, or that holds the same picture already. */
  const freeName = (assignmentId: string, stem: string, ending: string, bytes: Buffer): string => {
    for (let n = 1; ; n++) {
      const name = `${stem}${n === 1 ? '' : `-${n}`}.${ending}`;
      const there = repository.find(assignmentId, name);
      if (!there || there.bytes.equals(bytes)) return name;
    }
  };
  return {
    find: (assignmentId: string, name: string): StoredPicture | null =>
      repository.find(assignmentId, name),

    /**
     * Keeps a picture under a plain form of the name it came with; what it is, its bytes tell.
     * One of that name that shows something else stays. Null when there is no such assignment.
     */
    add(assignmentId: string, givenName: string, bytes: Buffer): PictureOutcome | null {
      if (bytes.length > LARGEST_PICTURE)
        return { kind: 'refused', problem: 'This picture is larger than 12 MB. Make it smaller.' };
      const found = imageSize(bytes);
      if (!found) return { kind: 'refused', problem: `${KINDS}; this is none of them.` };
      if (found.kind === 'eps')
        return {
          kind: 'refused',
          problem: `${KINDS}. This is an EPS file: save it as a PDF in the program it is from.`,
        };
      if (!(found.width > 0 && found.height > 0))
        return { kind: 'refused', problem: 'This picture has no size: its file is damaged.' };
      const name = freeName(assignmentId, pictureFileName(givenName), ENDINGS[found.kind], bytes);
      const there = repository.find(assignmentId, name);
      const picture = there ?? repository.put(assignmentId, name, bytes, now().toISOString());
      return picture
        ? { kind: 'kept', picture: { name: picture.name, version: picture.version } }
        : null;
    },
  };
}

export type PictureService = ReturnType<typeof pictureService>;
