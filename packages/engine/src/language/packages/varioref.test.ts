import { describe, expect, it } from 'vitest';
import { findingsIn, newSession, picture, typeset } from '../../testing/document';
import { laid } from '../../testing/layout';
import { whereIs } from './varioref';

const sheet = (body: string, preamble = ''): string =>
  `\\documentclass{article}${preamble}\\usepackage{varioref}\\begin{document}${body}\\end{document}`;
const section = (name: string): string => `\\section{${name}}\\label{${name}}`;

/** varioref manual, section 2. */
describe('references say where', () => {
  it.each([
    [`${section('ebb')}see \\vref{ebb}.`, 'see 1.'],
    [`see \\vref{ebb}.\\newpage${section('ebb')}`, 'see 1 on the following page.'],
    [`${section('ebb')}\\newpage see \\vref{ebb}.`, 'see 1 on the preceding page.'],
    [`see \\vref{ebb}.\\newpage x\\newpage${section('ebb')}`, 'see 1 on page 3.'],
    [`${section('ebb')}\\vref{ebb}\\newpage see \\vref{ebb}.`, 'see 1 on the page before.'],
    [`${section('ebb')}It is \\vpageref{ebb}.`, 'It is on this page.'],
    [`${section('ebb')}It is \\vpageref[above]{ebb}.`, 'It is above.'],
    [`It is \\vpageref[above][further on]{ebb}.\\newpage${section('ebb')}`, 'further on on the'],
    [`${section('ebb')}${section('flow')}See \\vrefrange{ebb}{flow}.`, 'See 1 to 2.'],
    [
      `See \\vrefrange{ebb}{flow}.\\newpage${section('ebb')}\\newpage${section('flow')}`,
      'See 1 to 2 on pages 2–3.',
    ],
    [`${section('ebb')}See \\fullref{ebb}.`, 'See 1 on page 1.'],
  ])('%s', (body, said) => {
    const text = laid(sheet(body)).text.replace(/\s+/g, ' ');
    expect(text).toContain(said);
    const told = findingsIn(sheet(body)).filter(({ kind }) => kind !== 'label-unused');
    expect(told).toEqual([]);
  });

  it.each([
    ['\\usepackage[ngerman]{babel}', 'auf der folgenden Seite'],
    ['\\usepackage[french]{babel}', 'page suivante'],
  ])('in the language of the document: %s', (preamble, said) => {
    const body = `\\vref{ebb}\\newpage${section('ebb')}`;
    expect(laid(sheet(body, preamble)).text.replace(/\s+/g, ' ')).toContain(said);
  });

  it('with the kind of thing where cleveref is loaded', () => {
    const source = `\\documentclass{article}\\usepackage{varioref,cleveref}\\begin{document}See \\vref{ebb}.\\newpage${section('ebb')}\\end{document}`;
    expect(laid(source).text.replace(/\s+/g, ' ')).toContain('See section 1 on the following page');
  });

  it('as from cold when a page comes between', () => {
    const text = sheet(`see \\vref{ebb}.\\newpage${section('ebb')}`);
    const session = newSession();
    session.setText(text);
    session.settleAll();
    const at = text.indexOf('\\section');
    session.edit(at, at, 'Ebb\\newpage ');
    session.settleAll();
    expect(picture(session)).toEqual(picture(typeset(session.text)));
  });
});

it.each([
  [3, 3, true, 0],
  [4, 3, true, 1],
  [3, 4, true, 2],
  [5, 4, true, 3],
  [4, 5, true, 4],
  [5, 4, false, 1],
  [9, 4, false, 5],
  [0, 4, false, 5],
])('page %d from page %d, two-sided %s: %d', (there, here, twoSided, where) =>
  expect(whereIs(there, here, twoSided)).toBe(where),
);
