import type { PictureInfo } from '$lib/domain/assignment';
import type { FileAddress } from '@odd-compass/engine/worker';

/** Where the pictures of an assignment are to be had; another version has another address. */
export const pictureFiles = (id: string, pictures: readonly PictureInfo[]): FileAddress[] =>
  pictures.map(({ name, version }) => ({
    name,
    address: `/a/${id}/pictures/${name}?version=${version}`,
  }));

/** Hands a picture to the server. Gives how it is kept, or why it is not, in a sentence. */
export async function addPicture(id: string, file: File): Promise<PictureInfo | string> {
  try {
    const answer = await fetch(`/a/${id}/pictures?name=${encodeURIComponent(file.name)}`, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: file,
    });
    const told = (await answer.json()) as PictureInfo | { message: string };
    return 'message' in told ? told.message : told;
  } catch {
    return 'the server does not answer, so the picture could not be kept. Drop it again later.';
  }
}
