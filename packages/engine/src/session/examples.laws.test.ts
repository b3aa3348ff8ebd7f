import { describe, expect, it } from 'vitest';
import { applyEdit } from '../source/edits';
import type { TextEdit } from '../source/edits';
import { inArticle, newSession } from '../testing/document';
import { differencesFromCold } from '../testing/fuzz';
import { examples, sourceOf, type Example } from '../testing/examples';

/**
 * Every example of the vocabulary, typed into a document that is open, broken, mended and taken
 * out: after each step the session is as one from cold. All of them with LAW_SHARE=1 (a few
 * minutes); the tests take every so-many-th.
 */
const SHARE = Number(process.env.LAW_SHARE ?? 1 / 40);
const taken = examples.filter((_, i) => Math.floor(i * SHARE) !== Math.floor((i - 1) * SHARE));

const AROUND = [
  '\\section{Ebb} See \\ref{mark} and $x^2$.',
  '',
  '\\begin{equation}\\label{mark} a=b \\end{equation} Flood.',
] as const;
const documentOf = (text: string, packages: string): string =>
  inArticle(`${AROUND[0]}\n\n${text}\n\n${AROUND[2]}`, `\\usepackage{${packages}}`);

/** Where an example is cut by a slip: its last bracket gone, or its last half where there is none. */
function broken(example: string): TextEdit {
  const brace = Math.max(
    example.lastIndexOf('}'),
    example.lastIndexOf(']'),
    example.lastIndexOf('$'),
  );
  if (brace >= 0) return { from: brace, to: brace + 1, text: '' };
  return { from: example.length >> 1, to: example.length, text: '' };
}

/** The steps from a document without the example back to it. */
function stepsOf(example: Example, at: number): TextEdit[] {
  const text = `x ${sourceOf(example)}`;
  const half = text.length >> 1;
  const slip = broken(text);
  const lost = text.slice(slip.from, slip.to);
  return [
    { from: at, to: at, text: text.slice(0, half) },
    { from: at + half, to: at + half, text: text.slice(half) },
    { from: at + slip.from, to: at + slip.to, text: '' },
    { from: at + slip.from, to: at + slip.from, text: lost },
    { from: at, to: at + text.length, text: '' },
  ];
}

describe('an example of the vocabulary', () => {
  it.each(taken)(
    '$packages: $name, typed, broken, mended and taken out, leaves no trace',
    (example) => {
      let text = documentOf('', example.packages);
      const session = newSession();
      session.setText(text);
      session.settleAll();
      for (const edit of stepsOf(example, text.indexOf('\n\n\n\n') + 2)) {
        session.edit(edit.from, edit.to, edit.text);
        text = applyEdit(text, edit);
        session.settleAll();
        // Only that they differ, and in what: the pictures are long.
        const standing = { text, files: new Map<string, Uint8Array>() };
        expect([edit, differencesFromCold(session, standing)]).toEqual([edit, []]);
      }
    },
  );
});
