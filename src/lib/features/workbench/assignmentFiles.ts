import type { FileInfo, OpenAssignment } from '$lib/domain/assignment';
import { engineName } from '$lib/domain/fileName';
import type { FileAddress } from '@odd-compass/engine/worker';

/** The address of a file of an assignment; another version has another one. */
export const fileAddress = (id: string, { path, version }: FileInfo): string =>
  `/a/${id}/files/${path.split('/').map(encodeURIComponent).join('/')}?version=${version}`;

/** All files but the sheet itself, as the engine names them and where they are to be had. */
export const engineFiles = (
  { id, main }: Pick<OpenAssignment, 'id' | 'main'>,
  files: readonly FileInfo[],
): FileAddress[] =>
  files
    .filter(({ path }) => path !== main.path)
    .map((file) => ({
      name: engineName(main.path, file.path),
      address: fileAddress(id, file),
    }));

/** Hands a file to the server. Gives how it is kept, or why it is not, in a sentence. */
export async function addFile(id: string, file: File): Promise<FileInfo | string> {
  try {
    const answer = await fetch(`/a/${id}/files?name=${encodeURIComponent(file.name)}`, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: file,
    });
    const told = (await answer.json()) as FileInfo | { message: string };
    return 'message' in told ? told.message : told;
  } catch {
    return 'the server does not answer, so the file could not be kept. Drop it again later.';
  }
}
