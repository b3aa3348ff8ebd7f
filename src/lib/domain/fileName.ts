/** A title as the name of a file: letters, digits and dashes. */
export function fileNameOf(title: string): string {
  const plain = title
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return plain.slice(0, 80) || 'assignment';
}

/** The name a picture came with, without its ending, as one that every program reads. */
export const pictureFileName = (given: string): string => {
  const stem = (given.split(/[\\/]/).at(-1) ?? '').replace(/\.[A-Za-z0-9]{1,5}$/, '');
  return /[A-Za-z0-9]/.test(stem) ? fileNameOf(stem).toLowerCase() : 'picture';
};

/** The folder of a path, with its slash; '' at the top. */
export const folderOf = (path: string): string => path.slice(0, path.lastIndexOf('/') + 1);

/**
 * A file's name for the engine: names count from the folder of the main file, as they do
 * where the document is typeset by itself; files beside that folder keep their paths.
 */
export const engineName = (mainPath: string, path: string): string => {
  const folder = folderOf(mainPath);
  return path.startsWith(folder) ? path.slice(folder.length) : path;
};
