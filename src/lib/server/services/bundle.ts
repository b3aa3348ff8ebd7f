import { unzipSync, type UnzipFileInfo } from 'fflate';
import { fileReferences, refersTo } from '../../domain/fileReferences';
import { isPlainPath, LONGEST_SOURCE } from '../../domain/schemas';
import { isTextName, readText } from './files';
import { pictureEnding } from './pictureFile';

/** A file as it came. */
export interface GivenFile {
  readonly name: string;
  readonly bytes: Buffer;
}

/** What was brought in, told apart; or why nothing of it can be taken. */
export type Bundle =
  | {
      readonly kind: 'bundle';
      readonly mainPath: string;
      readonly title: string;
      readonly texts: Readonly<Record<string, string>>;
      readonly pictures: Readonly<Record<string, Buffer>>;
      /** Files that are of no use here, with the reason. */
      readonly leftOut: readonly string[];
    }
  | { readonly kind: 'refused'; readonly problem: string };

const MOST_FILES = 400;
/** All files of a zip together, unpacked, bytes. */
const LARGEST_UNPACKED = 120_000_000;

class Refusal extends Error {}

/** Files that a run of a typesetter leaves behind, and those of systems. */
const LITTER =
  /(^|\/)(__MACOSX\/|\.|Thumbs\.db|desktop\.ini)|\.(aux|log|out|toc|lof|lot|nav|snm|vrb|fls|fdb_[a-z]+|gz|blg|bcf|run\.xml)$/i;

/** Makes of one or several files, or of a zip, what an assignment is made of. Nothing is written. */
export function readBundle(given: readonly GivenFile[]): Bundle {
  try {
    const files = given.flatMap((file) =>
      isZip(file) ? withoutCommonFolder(unzipped(file)) : [file],
    );
    return sorted(files, given);
  } catch (error) {
    if (error instanceof Refusal) return { kind: 'refused', problem: error.message };
    throw error;
  }
}

const isZip = ({ name, bytes }: GivenFile): boolean =>
  /\.zip$/i.test(name) || bytes.subarray(0, 4).equals(Buffer.from('PK\u0003\u0004'));

function unzipped({ name, bytes }: GivenFile): GivenFile[] {
  let total = 0;
  let count = 0;
  const wanted = (file: UnzipFileInfo): boolean => {
    if (file.name.endsWith('/')) return false;
    if (/^[/\\]|^[A-Za-z]:|(^|[\\/])\.\.([\\/]|$)/.test(file.name))
      throw new Refusal(
        `${name} holds a file that reaches outside its folder (${file.name}). Nothing of it was taken.`,
      );
    total += file.originalSize;
    if (++count > MOST_FILES)
      throw new Refusal(
        `${name} holds more than ${MOST_FILES} files. Pack only what belongs to it.`,
      );
    if (total > LARGEST_UNPACKED)
      throw new Refusal(`${name} is too large when it is unpacked: more than 120 MB.`);
    return !LITTER.test(file.name);
  };
  try {
    const found = unzipSync(bytes, { filter: wanted });
    return Object.entries(found).map(([path, content]) => ({
      name: path.replaceAll('\\', '/'),
      bytes: Buffer.from(content),
    }));
  } catch (error) {
    if (error instanceof Refusal) throw error;
    throw new Refusal(`${name} cannot be opened: it is no zip, or it is damaged.`);
  }
}

/** Names as they are within the folder that holds all of them. */
function withoutCommonFolder(files: readonly GivenFile[]): GivenFile[] {
  const [first] = files;
  const folder = first ? first.name.slice(0, first.name.indexOf('/') + 1) : '';
  if (folder === '' || !files.every(({ name }) => name.startsWith(folder))) return [...files];
  return withoutCommonFolder(
    files.map(({ name, bytes }) => ({ name: name.slice(folder.length), bytes })),
  );
}

function sorted(files: readonly GivenFile[], given: readonly GivenFile[]): Bundle {
  const texts: Record<string, string> = {};
  const pictures: Record<string, Buffer> = {};
  const leftOut: string[] = [];
  for (const { name, bytes } of files) {
    if (LITTER.test(name)) continue;
    if (!isPlainPath(name)) throw new Refusal(`${name} is not a name that can be kept here.`);
    if (isTextName(name)) texts[name] = textOf(name, bytes);
    else if (/\.(png|jpe?g|pdf|svg|eps)$/i.test(name)) {
      const found = pictureEnding(bytes);
      if ('problem' in found) leftOut.push(`${name}: ${found.problem}`);
      else pictures[name] = bytes;
    } else leftOut.push(`${name}: neither a text nor a picture`);
  }
  const mainPath = mainOf(texts, given);
  // The typeset form of a source lies beside it: it is made anew here.
  const typeset = mainPath.replace(/\.tex$/i, '.pdf');
  if (!mentioned(texts, typeset)) delete pictures[typeset];
  return {
    kind: 'bundle',
    mainPath,
    title: titleOf(texts, mainPath, given),
    texts,
    pictures,
    leftOut: leftOut.filter((words) => !words.startsWith(`${typeset}: `)),
  };
}

function textOf(name: string, bytes: Buffer): string {
  const text = readText(bytes);
  if (text === null) throw new Refusal(`${name} is not a text, though its name says so.`);
  if (text.length > LONGEST_SOURCE) throw new Refusal(`${name} is too long to be kept here.`);
  return text;
}

const mentioned = (texts: Readonly<Record<string, string>>, path: string): boolean =>
  Object.values(texts).some((text) => fileReferences(text).some((it) => refersTo(it, path)));

const isDocument = (text: string): boolean => /^[^%\n]*\\document(class|style)\b/m.test(text);

/** The text that is typeset: a whole document that no other reads in; of several, the one named as such, then the one least deep. */
function mainOf(texts: Readonly<Record<string, string>>, given: readonly GivenFile[]): string {
  const sources = Object.keys(texts).filter((path) => /\.tex$/i.test(path));
  if (sources.length === 0)
    throw new Refusal('There is no .tex file in it, so there is nothing to typeset.');
  const whole = sources.filter((path) => isDocument(texts[path] ?? ''));
  const candidates = whole.length > 0 ? whole : sources;
  const free = candidates.filter((path) => !mentioned(texts, path));
  const zips = given.map(({ name }) => name.replace(/\.zip$/i, '').toLowerCase());
  const rank = (path: string): number[] => {
    const stem = (path.split('/').at(-1) ?? '').replace(/\.tex$/i, '').toLowerCase();
    const named = /^(main|sheet|paper|report|thesis|assignment|homework|solutions?)$/.test(stem);
    return [
      named || zips.includes(stem) ? 0 : 1,
      path.split('/').length,
      -(texts[path] ?? '').length,
    ];
  };
  const [best] = (free.length > 0 ? free : candidates)
    .map((path) => ({ path, rank: rank(path) }))
    .sort((a, b) => compare(a.rank, b.rank) || a.path.localeCompare(b.path));
  return (best as { path: string }).path;
}

function compare(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length; i++) {
    const by = (a[i] as number) - (b[i] as number);
    if (by !== 0) return by;
  }
  return 0;
}

/** The title that the source gives itself, else the name of its file. */
function titleOf(
  texts: Readonly<Record<string, string>>,
  mainPath: string,
  given: readonly GivenFile[],
): string {
  const own = /\\title\s*(?:\[[^\]]*\])?\{([^{}\\]{1,120})/.exec(texts[mainPath] ?? '')?.[1];
  const file = given.length === 1 ? (given[0] as GivenFile).name : mainPath;
  const stem = (file.split('/').at(-1) ?? '').replace(/\.[A-Za-z0-9]+$/, '').replace(/[-_]+/g, ' ');
  return (own ?? stem).replace(/\s+/g, ' ').trim() || 'Brought in';
}
