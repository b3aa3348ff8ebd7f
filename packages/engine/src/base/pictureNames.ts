/**
 * A picture as a page of the document knows it: a file, and for a file of several pages which one.
 * The name of the first page is the file's own; of others the number stands behind it.
 */
export const pictureName = (file: string, page: number): string =>
  page > 1 ? `${file}#${page}` : file;

export function pictureParts(name: string): { readonly file: string; readonly page: number } {
  const found = /^(.*\.pdf)#(\d+)$/i.exec(name);
  return found ? { file: found[1] as string, page: Number(found[2]) } : { file: name, page: 1 };
}
