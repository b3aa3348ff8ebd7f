import { describe, expect, it } from 'vitest';
import { inArticle, linesOf, picture, typeset } from '../testing/document';

const text = (body: string): string => linesOf(typeset(inArticle(body))).join(' | ');

describe('the number of the page, printed in the text', () => {
  it('is that of the page it stands on, each time', () => {
    expect(text('Here \\thepage.\\newpage And \\thepage, \\arabic{page}.')).toContain('Here 1.');
    expect(text('Here \\thepage.\\newpage And \\thepage, \\arabic{page}.')).toContain('And 2, 2.');
  });
  it('is written as the pages are', () => {
    expect(text('\\pagenumbering{roman}\\setcounter{page}{4}At \\thepage.')).toContain('At iv.');
  });
  it('follows when its line comes to another page, and is as from cold then', () => {
    const source = inArticle('One.\n\nHere \\thepage.\n\nThree.');
    const session = typeset(source);
    session.edit(source.indexOf('Here'), source.indexOf('Here'), '\\newpage ');
    session.settleAll();
    expect(linesOf(session).join(' | ')).toContain('Here 2.');
    expect(linesOf(session)).toEqual(linesOf(typeset(session.text)));
    expect(picture(session)).toEqual(picture(typeset(session.text)));
    expect(session.findings()).toEqual([]);
  });
  it('is no label of the document', () => {
    expect(typeset(inArticle('At \\thepage.')).labels()).toEqual([]);
  });
});
