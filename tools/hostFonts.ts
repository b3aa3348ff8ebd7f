import type { FontSource } from '@odd-compass/engine';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Fonts from a folder on disk. */
export const fontsFrom =
  (folder: string): FontSource =>
  (file) =>
    readFileSync(join(folder, `${file}.otf`));
