import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** The folder of the project, from wherever this is run: a test, or a program that was bundled. */
export const ROOT = ((): string => {
  let folder = dirname(fileURLToPath(import.meta.url));
  while (!existsSync(join(folder, 'static/fonts'))) folder = dirname(folder);
  return folder;
})();
