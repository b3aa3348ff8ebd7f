/** A title as the name of a file: letters, digits and dashes. */
export function fileNameOf(title: string): string {
  const plain = title
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return plain.slice(0, 80) || 'assignment';
}
