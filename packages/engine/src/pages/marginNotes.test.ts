import { describe, expect, it } from 'vitest';
import { inArticle, picture } from '../testing/document';
import { laid, type Laid } from '../testing/layout';

const SP = 65536;
const doc = (body: string, options = '', preamble = ''): Laid =>
  laid(`\\documentclass[${options}]{article}${preamble}\\begin{document}${body}\\end{document}`);
/** The measures of a document in points. */
const measures = ({ session }: Laid): { readonly left: number; readonly textWidth: number } => {
  const [page] = session.pages;
  if (!page) throw new Error('no page');
  const { left, textWidth } = page.geometry;
  return { left: left / SP, textWidth: textWidth / SP };
};

/** article.cls and the kernel's `\@addmarginpar`: 11 pt from the text, 5 pt from one another. */
describe('notes in the margin', () => {
  it('stand at the right, their first line on the line they are met on', () => {
    const set = doc('Text\\marginpar{note} here.');
    const { left, textWidth } = measures(set);
    expect(set.word('note').x).toBeCloseTo(left + textWidth + 11, 1);
    expect(set.word('note').y).toBeCloseTo(set.word('Text').y, 2);
  });
  it.each([
    ['10pt', 11, 65, 5],
    ['11pt', 10, 59, 5],
    ['12pt', 10, 44, 7],
  ])('have their measures by the size %s', (size, sep, width, push) => {
    const said = '\\the\\marginparsep, \\the\\marginparwidth, \\the\\marginparpush';
    expect(doc(said, size).text).toContain(`${sep}.0pt, ${width}.0pt, ${push}.0pt`);
  });
  it('are moved down where they would lie over one above', () => {
    const set = doc('Text\\marginpar{one two three four five six seven}\\marginpar{last} here.');
    const lowest = Math.max(...['one', 'seven'].map((word) => set.word(word).y));
    expect(set.word('last').y - lowest).toBeGreaterThan(10);
    expect(set.word('last').x).toBeCloseTo(set.word('one').x, 1);
  });
  it.each([
    ['\\reversemarginpar ', '', 1, 'left'],
    ['\\reversemarginpar\\normalmarginpar ', '', 1, 'right'],
    ['', 'twoside', 1, 'right'],
    ['Page.\\newpage ', 'twoside', 2, 'left'],
    ['Page.\\newpage\\reversemarginpar ', 'twoside', 2, 'right'],
    ['', 'twocolumn', 1, 'left'],
    ['x\\newpage ', 'twocolumn', 1, 'right'],
  ] as const)('%s with [%s]: page %i, at the %s', (before, options, page, side) => {
    const set = doc(`${before}Text\\marginpar[mine]{yours} here.`, options);
    const text = set.word('Text');
    const note = set.word(side === 'left' ? 'mine' : 'yours');
    expect(note.page + 1).toBe(page);
    expect(note.x < text.x).toBe(side === 'left');
    expect(set.text).not.toContain(side === 'left' ? 'yours' : 'mine');
  });
  it('of two columns stand beside their own', () => {
    const set = doc(
      'Text\\marginpar{note} here.',
      'twocolumn',
      '\\setlength\\marginparwidth{40pt}\\setlength\\marginparsep{10pt}',
    );
    const { left } = measures(set);
    expect(left - set.word('note').x).toBeCloseTo(50, 1);
  });
  it('stand beside the last line where they are met between paragraphs', () => {
    const set = doc('Text.\n\n\\marginpar{note}\n\nNext.');
    expect(set.word('note').y).toBeCloseTo(set.word('Text.').y, 1);
    expect(set.word('Next.').y - set.word('Text.').y).toBeCloseTo(12, 1);
  });
  it('of package marginnote stay where they are, or are moved by a length', () => {
    const use = '\\usepackage{marginnote}';
    const set = doc('Text\\marginnote{one}\\marginnote{two}[30pt] here.', '', use);
    expect(set.word('one').y).toBeCloseTo(set.word('Text').y, 2);
    expect(set.word('two').y - set.word('Text').y).toBeCloseTo(30, 1);
  });
  it('are found in frames and columns of a part of the page', () => {
    for (const [name, use] of [['framed', '\\usepackage{framed}'], ['multicols}{2', '\\usepackage{multicol}']]) {
      const body = `\\begin{${name}}Text\\marginpar{note} here.\\end{${(name ?? '').replace('}{2', '')}}`;
      expect(laid(inArticle(body, use)).text).toContain('note');
    }
  }); // prettier-ignore
  it('are the same typed in as read from cold', () => {
    const at = (body: string): Laid => doc(body, 'twoside');
    const { session } = at('Text\\marginpar{note} here.');
    const text = '\\documentclass[twoside]{article}\\begin{document}Page.\\newpage Text\\marginpar{note} here.\\end{document}'; // prettier-ignore
    session.setText(text);
    session.settleAll();
    const cold = at('Page.\\newpage Text\\marginpar{note} here.').session;
    expect(picture(session)).toEqual(picture(cold));
  });
});
