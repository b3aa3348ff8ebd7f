import { imageSize } from '@odd-compass/engine/imageSize';
import { LARGEST_PICTURE } from '../../domain/schemas';

const ENDINGS = { png: 'png', jpeg: 'jpg', pdf: 'pdf', svg: 'svg' } as const;
const KINDS = 'Pictures can be PNG, JPEG, PDF or SVG files';

/** The ending that a picture's bytes call for, or why it cannot be taken, in a sentence. */
export function pictureEnding(
  bytes: Buffer,
): { readonly ending: string } | { readonly problem: string } {
  if (bytes.length > LARGEST_PICTURE)
    return { problem: 'This picture is larger than 12 MB. Make it smaller.' };
  const found = imageSize(bytes);
  if (!found) return { problem: `${KINDS}; this is none of them.` };
  if (found.kind === 'eps')
    return {
      problem: `${KINDS}. This is an EPS file: save it as a PDF in the program it is from.`,
    };
  if (!(found.width > 0 && found.height > 0))
    return { problem: 'This picture has no size: its file is damaged.' };
  return { ending: ENDINGS[found.kind] };
}
