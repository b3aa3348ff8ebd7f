import { engineName } from '../../domain/fileName';
import type { FileRepository } from '../repositories/files';
import type { PictureRepository } from '../repositories/pictures';
import type { TypesetJob } from '../typeset/job';

/** All files of an assignment at one moment. */
export interface Snapshot {
  readonly mainPath: string;
  readonly texts: Readonly<Record<string, string>>;
  readonly pictures: Readonly<Record<string, Buffer>>;
}

/** The files of an assignment as they are now. */
export function snapshotOf(
  files: FileRepository,
  pictures: PictureRepository,
  id: string,
  mainPath: string,
): Snapshot {
  return {
    mainPath,
    texts: Object.fromEntries(files.all(id).map(({ path, content }) => [path, content])),
    pictures: Object.fromEntries(pictures.all(id).map(({ name, bytes }) => [name, bytes])),
  };
}

/** What the engine is given of a snapshot. */
export function jobOf(
  { mainPath, texts, pictures }: Snapshot,
  title: string,
  now: Date,
): TypesetJob {
  const name = (path: string): string => engineName(mainPath, path);
  const others = Object.entries(texts).filter(([path]) => path !== mainPath);
  return {
    text: texts[mainPath] ?? '',
    path: name(mainPath),
    title,
    today: { year: now.getFullYear(), month: now.getMonth() + 1, day: now.getDate() },
    files: [
      ...others.map(([path, content]) => ({ name: name(path), bytes: Buffer.from(content) })),
      ...Object.entries(pictures).map(([path, bytes]) => ({ name: name(path), bytes })),
    ],
  };
}
