import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../testing/document';
import type { CommandEntry } from './entries';
import { kernel } from './kernel';
import { PACKAGES } from './packages';

/** Examples that only make sense inside something else, or before the document. */
const NEEDS: Readonly<Record<string, (example: string) => string>> = {
  item: (e) => `\\begin{itemize}${e}\\end{itemize}`,
  hline: (e) => `\\begin{tabular}{l}${e} x\\end{tabular}`,
  qedhere: (e) => `\\begin{proof}x ${e}\\end{proof}`,
  nonumber: () => '\\begin{equation}x\\nonumber\\end{equation}',
  notag: () => '\\begin{equation}x\\notag\\end{equation}',
  tag: () => '\\begin{equation}x\\tag{T}\\end{equation}',
  newcounter: (e) => e,
  refstepcounter: (e) => `\\newcounter{ferry}${e}`,
  counterwithin: (e) => e,
  theoremstyle: (e) => e,
  renewenvironment: () =>
    '\\newenvironment{note}{}{}\\renewenvironment{note}{\\begin{quote}}{\\end{quote}}x',
};
const SKIPPED = new Set([
  'documentclass',
  'usepackage',
  'RequirePackage',
  'begin',
  'end',
  ')',
  ']',
  'begingroup',
  'endgroup',
  'right',
  'middle',
  'eqref',
  'ref',
  'pageref',
  'title',
  'author',
  'date',
  'maketitle',
  'AtBeginDocument',
  'newtheorem',
  'addtolength',
]);

const all: readonly CommandEntry[] = [
  ...(kernel.commands ?? []),
  ...Object.values(PACKAGES).flatMap((entry) => entry?.commands ?? []),
];
const preamble =
  '\\usepackage{mathtools,amssymb,amsthm,bm,enumitem,geometry,setspace,xcolor,hyperref}';
const shown = all.filter(
  ({ name, example }) => example !== '' && !SKIPPED.has(name) && !/[\u0000-\u001f]/.test(name),
);

describe('the examples of the tables', () => {
  it('are many', () => expect(shown.length).toBeGreaterThan(500));
  it('typeset without a finding, every one', () => {
    const wrong = shown.flatMap(({ name, example }) => {
      const source = NEEDS[name]?.(example) ?? example;
      const found = findingsIn(inArticle(`x ${source}`, preamble)).filter(
        ({ kind }) => kind !== 'line-too-wide' && kind !== 'reference-unknown',
      );
      return found.map(({ kind, at }) => `${name}: ${kind} at ${at}`);
    });
    expect(wrong).toEqual([]);
  });
});
