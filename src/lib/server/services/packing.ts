import { imageSize } from '@odd-compass/engine/imageSize';
import { zipSync } from 'fflate';
import { fileNameOf } from '../../domain/fileName';
import { fileReferences, refersTo, withFileRenamed } from '../../domain/fileReferences';
import type { HandInFile } from '../courseSite/courseSite';
import type { Typesetter } from '../typeset/typesetter';
import type { Snapshot } from './snapshot';

/** Zips hold this time, so that the same files give the same bytes. */
const NO_TIME = new Date(1980, 0, 1, 0, 0, 0);

/** Files as a zip, in the order of their names. */
export function zipped(files: Readonly<Record<string, Buffer>>): Buffer {
  const sorted = Object.entries(files).sort(([a], [b]) => (a < b ? -1 : 1));
  const entries = sorted.map(([path, bytes]) => [path, new Uint8Array(bytes)]);
  return Buffer.from(
    zipSync(Object.fromEntries(entries) as Record<string, Uint8Array>, {
      mtime: NO_TIME,
      level: 6,
    }),
  );
}

/** The files of a snapshot by their paths. */
export const plainFiles = ({ texts, pictures }: Snapshot): Record<string, Buffer> => ({
  ...Object.fromEntries(Object.entries(texts).map(([path, text]) => [path, Buffer.from(text)])),
  ...pictures,
});

/** The source under the name of its assignment: one text by itself, else a zip of all its files. */
export function packedSource(snapshot: Snapshot, title: string): HandInFile {
  const name = fileNameOf(title);
  const alone =
    Object.keys(snapshot.texts).length === 1 && Object.keys(snapshot.pictures).length === 0;
  if (alone)
    return { name: `${name}.tex`, bytes: Buffer.from(snapshot.texts[snapshot.mainPath] ?? '') };
  return { name: `${name}.zip`, bytes: zipped(plainFiles(snapshot)) };
}

/**
 * A snapshot that is typeset elsewhere as it is: other typesetters draw no SVG, so each one
 * that a text mentions goes as a PDF of the same picture, and the texts name that.
 */
export async function compilesElsewhere(
  snapshot: Snapshot,
  typesetter: Typesetter,
): Promise<Snapshot> {
  let { texts, pictures } = snapshot;
  const drawn = Object.keys(pictures).filter(
    (path) =>
      path.endsWith('.svg') &&
      Object.values(texts).some((text) => fileReferences(text).some((it) => refersTo(it, path))),
  );
  for (const path of drawn) {
    const bytes = pictures[path] as Buffer;
    const pdf = path.replace(/\.svg$/, '.pdf');
    if (pictures[pdf]) continue;
    const made = await pictureAsPdf(bytes, typesetter);
    if (!made) continue;
    texts = Object.fromEntries(
      Object.entries(texts).map(([name, text]) => [name, withFileRenamed(text, path, pdf)]),
    );
    const { [path]: _svg, ...others } = pictures;
    pictures = { ...others, [pdf]: made };
  }
  return { ...snapshot, texts, pictures };
}

/** A picture as a page of its own size. */
async function pictureAsPdf(bytes: Buffer, typesetter: Typesetter): Promise<Buffer | null> {
  const size = imageSize(bytes);
  if (!size || !(size.width > 0)) return null;
  const { width, height } = size;
  const text =
    `\\documentclass{article}\\usepackage{graphicx}` +
    `\\usepackage[paperwidth=${width}sp,paperheight=${height}sp,margin=0pt]{geometry}` +
    `\\pagestyle{empty}\\parindent0pt\\topskip0pt\\begin{document}` +
    `\\includegraphics[width=${width}sp]{picture.svg}\\end{document}`;
  const { pdf } = await typesetter.typeset({
    text,
    path: 'picture.tex',
    title: 'picture',
    today: { year: 2000, month: 1, day: 1 },
    files: [{ name: 'picture.svg', bytes }],
  });
  return pdf;
}
