import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { wholeOf } from '../output/display/description';
import {
  FontStore,
  NO_FILES,
  pageText,
  Session,
  type AssignmentFiles,
  type Finding,
  type Fix,
} from '../index';
import { ROOT } from './root';

const bytes = new Map<string, Uint8Array>();

/** Fonts from the folder that ships, read once. */
export function testFonts(file: string): Uint8Array {
  let found = bytes.get(file);
  if (!found) {
    found = new Uint8Array(readFileSync(join(ROOT, `static/fonts/${file}.otf`)));
    bytes.set(file, found);
  }
  return found;
}

export const TODAY = { year: 2026, month: 3, day: 1 };

/** One store for all: fonts are read once. */
const store = new FontStore(testFonts);

export const newSession = (files: AssignmentFiles = NO_FILES): Session =>
  new Session({ fonts: store, today: TODAY, files });

/** A document typeset from cold. */
export function typeset(text: string, files: AssignmentFiles = NO_FILES): Session {
  const session = newSession(files);
  session.setText(text);
  session.settleAll();
  return session;
}

/** Files given as text, for documents of several. */
export function textFiles(files: Readonly<Record<string, string>>): AssignmentFiles {
  return {
    names: () => Object.keys(files),
    bytes: (name) => {
      const text = files[name];
      return text === undefined ? null : Uint8Array.from([...text], (c) => c.charCodeAt(0));
    },
    text: (name) => files[name] ?? null,
  };
}

/** A body put into a small document. */
export const inArticle = (
  body: string,
  preamble = '\\usepackage{amsmath,amssymb,amsthm}',
): string => `\\documentclass{article}\n${preamble}\n\\begin{document}\n${body}\n\\end{document}\n`;

/** The lines of all pages as words. */
export const linesOf = (session: Session): string[] =>
  session.pages.flatMap((page) => pageText(session.describe(page), session.fonts));

/** The lines of a body of one page, the page number at its foot left out. */
export function bodyLines(body: string, preamble?: string): string[] {
  return linesOf(typeset(inArticle(body, preamble))).slice(0, -1);
}

/** A text with a fix carried out. */
export const withFix = (text: string, { edits }: Fix): string =>
  [...edits]
    .sort((a, b) => b.from - a.from)
    .reduce((t, e) => t.slice(0, e.from) + e.text + t.slice(e.to), text);

/** Findings of a body as kind and the source they stand at. */
export function findingsIn(
  text: string,
): { kind: Finding['kind']; at: string; fixed: string | null }[] {
  return typeset(text)
    .findings()
    .map(({ kind, from, to, fix }) => ({
      kind,
      at: text.slice(from, to),
      fixed: fix ? withFix(text, fix) : null,
    }));
}

/** The ways to mend the first finding of a text: what their buttons say, and the text that each gives. */
export function waysIn(text: string): { title: string; fixed: string }[] {
  const [found] = typeset(text).findings();
  const ways = [...(found?.fix ? [found.fix] : []), ...(found?.others ?? [])];
  return ways.map((way) => ({ title: way.title, fixed: withFix(text, way) }));
}

/** All that shows of a session's pages, comparable; ids of blocks become places in the text. */
export function picture(session: Session): unknown {
  const starts = new Map<number, number>();
  return session.pages.map((page) => {
    const description = session.describe(page);
    for (const { id, start } of session.blocksOf(description)) starts.set(id, start);
    return wholeOf(description, starts);
  });
}

/** All that a session says of its document, comparable part by part. */
export const accountOf = (
  session: Session,
): Record<'pages' | 'findings' | 'outline' | 'labels' | 'formulas', string> => ({
  pages: JSON.stringify(picture(session)),
  findings: JSON.stringify(session.findings()),
  outline: JSON.stringify(session.outline()),
  labels: JSON.stringify(session.labels()),
  formulas: JSON.stringify([...session.formulaSpans()]),
});
