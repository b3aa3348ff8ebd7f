import { imageSize } from '@odd-compass/engine/imageSize';
import { pictureTrouble } from '@odd-compass/engine/pictureTrouble';
import { LARGEST_PICTURE } from '../../domain/schemas';

const ENDINGS = { png: 'png', jpeg: 'jpg', pdf: 'pdf', svg: 'svg', eps: 'eps' } as const;

/** The ending that a picture's bytes call for, or why it cannot be taken, in a sentence. */
export function pictureEnding(
  bytes: Buffer,
): { readonly ending: string } | { readonly problem: string } {
  if (bytes.length > LARGEST_PICTURE)
    return { problem: 'This picture is larger than 12 MB. Make it smaller.' };
  const trouble = pictureTrouble(bytes);
  const kind = imageSize(bytes)?.kind;
  if (trouble || !kind)
    return {
      problem: `Pictures can be PNG, JPEG, PDF, SVG or EPS files. This one cannot be shown: ${trouble?.why ?? 'it is none of them'}. What helps: ${trouble?.todo ?? 'save it as one of these'}.`,
    };
  return { ending: ENDINGS[kind] };
}
