import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, typeset } from '../../testing/document';
import { laidBody, type Laid } from '../../testing/layout';
import { pageLetters } from '../../output/display/text';

const LONG =
  'Observations of extraordinarily complicated circumstances concerning harbourmasters and their internationalization';
const BODY = `\\tableofcontents\\listoffigures\\section{One}\\subsection{${LONG}} Text\\footnote{Note} and\\footnote{Other}.\\section*{Starred}\\begin{figure}[h]\\caption{Cap}\\end{figure}`;
const page = (options: string, body = BODY): Laid =>
  laidBody(body, `\\usepackage[${options}]{hyperref}`);
const BLUE = 0x0000ff;
/** All letters in the colour of links. */
function blue(options: string): string {
  const { session } = page(options);
  return session.pages
    .flatMap((one) => pageLetters(session.describe(one), session.fonts))
    .flatMap(({ text, run }) => [...text].filter((_, i) => run[i]?.paint === BLUE))
    .join('')
    .replace(/\s/g, '');
}
/** Where links lead, and the places there are. */
function links(options: string, body = BODY) {
  const session = typeset(inArticle(body, `\\usepackage[${options}]{hyperref}`));
  const pages = session.pages.map((one) => session.describe(one));
  return {
    to: pages.flatMap(({ linkTarget }) => linkTarget.map((target) => target.slice(1))),
    places: pages.flatMap(({ anchorName }) => anchorName),
  };
}

/** hyperref manual, sections 4.2 and 4.3. */
describe('contents and marks of notes as links', () => {
  it('lead to what they name', () => {
    const { to, places } = links('colorlinks');
    expect([...new Set(to)]).toHaveLength(5);
    for (const target of to) expect(places).toContain(target);
  });
  it.each(['colorlinks,linkcolor=blue', 'colorlinks,allcolors=blue'])(
    'have the colour of links where these are coloured: [%s]',
    (options) => {
      const words = blue(options);
      expect(words.startsWith('1One1.1')).toBe(true);
      expect(words.endsWith('1Cap12')).toBe(true);
      expect(words).not.toMatch(/Text|Note|Contents/);
    },
  );
  it.each(['linkcolor=blue', ''])('and none elsewhere: [%s]', (options) =>
    expect(blue(options)).toBe(''),
  );
  it.each([
    ['linktoc=none', 2],
    ['linktoc=page', 5],
    ['linktocpage', 5],
    ['linktoc=all', 5],
    ['hyperfootnotes=false', 3],
  ])('may be told otherwise: [%s]', (options, count) => {
    expect(new Set(links(options).to).size).toBe(count);
  });
  it('stand where they stand without links, with their words divided as there', () => {
    const words = ({ lines }: Laid) => lines.map(({ text, x, y, page: at }) => [text, x, y, at]);
    expect(words(page('colorlinks'))).toEqual(words(laidBody(BODY)));
  });
  it('divide the words of other links too', () => {
    const link = (preamble: string, body: string): string[] =>
      laidBody(body, preamble).lines.map(({ text }) => text);
    const narrow = (inner: string): string => `\\parbox{3cm}{${inner}}`;
    expect(link('\\usepackage{hyperref}', narrow(`\\href{https://a.example}{${LONG}}`))).toEqual(
      link('', narrow(LONG)),
    );
  });
  it.each(['tocloft', 'titletoc', 'minitoc', 'parskip'])('go with package %s', (name) => {
    const preamble = `\\usepackage{${name}}\\usepackage[colorlinks,linkcolor=blue]{hyperref}`;
    expect(findingsIn(inArticle(BODY, preamble))).toEqual([]);
    const { lines } = laidBody(BODY, preamble);
    expect(lines.find(({ text }) => /^1\s*One/.test(text))?.color).toBe(BLUE);
  });
});
