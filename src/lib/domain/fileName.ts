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
