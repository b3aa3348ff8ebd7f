import { readdirSync, readFileSync, statSync } from 'node:fs';
import type { AssignmentFiles } from '../index';
import { ROOT } from './root';

const FOLDER = `${ROOT}/packages/engine/src/testing/corpus/`;

/** The documents of the corpus: coursework as staff and students write it. */
export const corpus: readonly { readonly name: string; readonly text: string }[] = readdirSync(
  FOLDER,
)
  .filter((name) => name.endsWith('.tex'))
  .sort()
  .map((name) => ({ name: name.replace(/\.tex$/, ''), text: readFileSync(FOLDER + name, 'utf8') }));

const read = (name: string): Buffer | null => {
  try {
    return statSync(FOLDER + name).isFile() ? readFileSync(FOLDER + name) : null;
  } catch {
    return null;
  }
};

/** The files beside them: parts, styles, pictures, a bibliography. */
export const corpusFiles: AssignmentFiles = {
  names: () =>
    readdirSync(FOLDER, { recursive: true })
      .map(String)
      .filter((name) => statSync(FOLDER + name).isFile()),
  bytes: (name) => read(name),
  text: (name) => read(name)?.toString('utf8') ?? null,
};
