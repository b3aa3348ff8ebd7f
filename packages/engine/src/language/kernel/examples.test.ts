import { describe, expect, it } from 'vitest';
import type { Session } from '../../index';
import { inArticle, newSession } from '../../testing/document';
import { EXPECTED, examples, sourceOf } from '../../testing/examples';

/** A document that loads packages, open so that one example after another is put into it. */
const open = new Map<string, Session>();
function sessionOf(packages: string): Session {
  let session = open.get(packages);
  if (!session) {
    session = newSession();
    session.setText(inArticle('', `\\usepackage{${packages}}`));
    open.set(packages, session);
  }
  return session;
}

describe('the examples of the tables', () => {
  it('are many', () => expect(examples.length).toBeGreaterThan(500));
  it.each(examples)('$packages: $name typesets without a finding', (example) => {
    const session = sessionOf(example.packages);
    const [start, end] = ['\\begin{document}\n', '\n\\end{document}'];
    const { text } = session;
    const [from, to] = [text.indexOf(start) + start.length, text.lastIndexOf(end)];
    session.edit(from, to, `x ${sourceOf(example)}`);
    session.settleAll();
    expect(session.findings().filter(({ kind }) => !EXPECTED.has(kind))).toEqual([]);
  });
});
