import { deflateSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { corpusFiles } from '../testing/corpus';
import { inArticle, linesOf, newSession, typeset } from '../testing/document';
import { filesOf } from '../session/files';
import { parseBib } from '../language/bibliography/entries';
import { pictureTrouble } from './trouble';

const bytes = (text: string): Uint8Array => Uint8Array.from([...text], (c) => c.charCodeAt(0));
const file = (name: string): Uint8Array => corpusFiles.bytes(`pictures/${name}`) as Uint8Array;
const times = (n: number, text: string): string => text.repeat(n);
const pdf = (objects: string): Uint8Array =>
  bytes(`%PDF-1.4\n${objects}\ntrailer<</Root 1 0 R>>\nstartxref\n0\n%%EOF`);

/** A PNG whose head promises so many points. */
function png(width: number, height: number): Uint8Array {
  const found = new Uint8Array(file('gauge.png'));
  new DataView(found.buffer).setUint32(16, width);
  new DataView(found.buffer).setUint32(20, height);
  return found;
}

/** A PDF that packs its objects into a stream that unpacks to a hundred million blanks. */
function bomb(): Uint8Array {
  const part = deflateSync(new Uint8Array(100_000_000).fill(32));
  const head = bytes('%PDF-1.5\n1 0 obj<</Type/ObjStm/N 1/First 4/Filter/FlateDecode>>stream\n');
  const end = bytes('\nendstream endobj\nstartxref\n0\n%%EOF');
  // The head of the packed format, which the packer leaves out.
  return Uint8Array.from([...head, 0x78, 0x9c, ...part, ...end]);
}

const TROUBLE: Readonly<Record<string, [Uint8Array, RegExp | null]>> = {
  'a whole PNG': [file('gauge.png'), null],
  'a whole JPEG': [file('photo.jpg'), null],
  'a whole SVG': [file('mark.svg'), null],
  'a whole PDF': [pdf('1 0 obj<</Type/Catalog>>endobj'), null],
  'half a PNG': [file('gauge.png').slice(0, file('gauge.png').length >> 1), /damaged/],
  'the head of a PNG': [file('gauge.png').slice(0, 33), /damaged/],
  'a PNG of four thousand million points': [png(65_535, 65_535), /more in it/],
  'the head of a JPEG': [file('photo.jpg').slice(0, 20), /damaged/],
  'half a JPEG': [file('photo.jpg').slice(0, file('photo.jpg').length >> 1), /damaged/],
  'a JPEG with something behind its end': [
    Uint8Array.from([...file('photo.jpg'), ...bytes('made by a camera')]),
    null,
  ],
  'half an SVG': [bytes('<svg width="9" height="9"><rect'), /damaged/],
  'an SVG of eight million signs': [
    bytes(`<svg width="9" height="9"><path d="${times(1_000_000, 'L1 1 2 2')}"/></svg>`),
    /more in it/,
  ],
  'a PDF whose pages stand in nodes of nodes': [
    pdf(
      '1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj 2 0 obj<</Type/Pages/Kids[3 0 R]/Count 2>>endobj ' +
        '3 0 obj<</Type/Pages/Kids [4 0 R 5 0 R]/Count 2>>endobj',
    ),
    null,
  ],
  'a PDF whose pages lead back to themselves': [
    pdf(
      '1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj 2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj ' +
        '3 0 obj<</Type/Pages/Kids[2 0 R]/Count 1>>endobj',
    ),
    /damaged/,
  ],
  'the head of a PDF': [bytes('%PDF-1.7\n'), /damaged/],
  'words behind the head of a PDF': [bytes(`%PDF-1.7\n${times(50_000, 'words ')}`), /damaged/],
  'a PDF of too many objects': [
    pdf(Array.from({ length: 130_000 }, (_, i) => `${i} 0 obj 1 endobj`).join('\n')),
    /more in it/,
  ],
  'a PDF that unpacks without end': [bomb(), /more in it/],
  'an EPS file': [bytes('%!PS-Adobe-3.0 EPSF-3.0'), /EPS/],
  'just words': [bytes('just words'), /none of those/],
  nothing: [new Uint8Array(), /none of those/],
};

describe('what keeps a picture from being shown', () => {
  it.each(Object.entries(TROUBLE))('%s', (_what, [given, why]) => {
    const found = pictureTrouble(given);
    if (why === null) expect(found).toBeNull();
    else expect(found?.why).toMatch(why);
  });
  it('is a finding at its place, and a frame; the rest of the page and the PDF are made', async () => {
    const session = newSession(
      filesOf(new Map([['a.png', file('gauge.png').slice(0, 40)]]), () => ''),
    );
    const text = inArticle('Low \\includegraphics{a.png} water.', '\\usepackage{graphicx}');
    session.setText(text);
    session.settleAll();
    const [found] = session.findings();
    expect(found?.kind).toBe('picture-unreadable');
    expect(found?.message).toMatch(/damaged, or only part of it came/);
    expect(text.slice(found?.from, found?.to)).toBe('\\includegraphics{a.png}');
    expect(linesOf(session)[0]).toMatch(/Low.*water/);
    expect((await session.pdf({ title: '', author: '' })).length).toBeGreaterThan(1000);
  });
});

describe('a bibliography without measure', () => {
  const entry = (i: number): string =>
    `@article{k${i},author={A. Marsh},title={Tides ${i}},journal={J},year={2001}}\n`;
  it.each([
    ['never closed', times(20_000, '@article{a,title={')],
    ['of brackets', times(100_000, '}{@"')],
    ['with one entry of a book’s length', `@article{a,title={${times(2_000_000, 'x')}}}`],
    ['with a title in a hundred thousand braces', `@article{a,title=${times(100_000, '{')}x`],
    [
      'of texts that double',
      `${Array.from({ length: 40 }, (_, i) => `@string{s${i + 1} = ${i > 0 ? `s${i} # s${i}` : '"xx"'}}\n`).join('')}@article{a,title=s40}`,
    ],
  ])('is read as far as it goes: %s', (_what, bib) => {
    const text = inArticle('Low \\cite{a} water.\\bibliographystyle{plain}\\bibliography{b}', '');
    const session = typeset(text, {
      names: () => ['b.bib'],
      bytes: () => null,
      text: (name) => (name === 'b.bib' ? bib : null),
    });
    expect(linesOf(session)[0]).toMatch(/^Low .* water/);
    expect(session.findings().length).toBeGreaterThan(0);
  });
  it('costs what is used of it: others are not read', () => {
    const bib = Array.from({ length: 2000 }, (_, i) => entry(i)).join('');
    expect(parseBib(bib, ['k7', 'K9']).entries.map(({ key }) => key)).toEqual(['k7', 'k9']);
    expect(parseBib(bib, ['*']).entries).toHaveLength(2000);
  });
  it('tells an entry without its brace also when nobody cites it', () => {
    expect(parseBib(`@article{k1,title={Tides}\n${entry(2)}`, ['k2']).broken).toEqual(['k1']);
  });
  it('of a thousand entries that are all cited is no runaway', () => {
    const bib = Array.from({ length: 1000 }, (_, i) => entry(i)).join('');
    const text = inArticle('\\nocite{*}\\bibliographystyle{plain}\\bibliography{b}', '');
    const session = typeset(text, {
      names: () => ['b.bib'],
      bytes: () => null,
      text: (name) => (name === 'b.bib' ? bib : null),
    });
    expect(session.findings()).toEqual([]);
    expect(linesOf(session).join(' ')).toContain('[1000]');
  });
});
