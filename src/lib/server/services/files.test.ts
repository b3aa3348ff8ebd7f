import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { testServer } from '../testing';
import { readText } from './files';

const GAUGE = readFileSync('packages/engine/src/testing/corpus/pictures/gauge.png');
const MARK = readFileSync('packages/engine/src/testing/corpus/pictures/mark.svg');

describe('pictures', () => {
  it('are kept under a plain name, and shown to the engine that makes the PDF', async () => {
    const { services, jobs } = testServer();
    const kept = services.files.add('a', 'Tide gauge (1).PNG', GAUGE);
    expect(kept).toMatchObject({ kind: 'kept', file: { path: 'tide-gauge-1.png', version: 1 } });
    expect(services.files.picture('a', 'tide-gauge-1.png')?.bytes.equals(GAUGE)).toBe(true);
    await services.assignments.typeset('a');
    expect(jobs[0]?.files[0]?.name).toBe('tide-gauge-1.png');
    // Another picture: what was typeset without it no longer holds.
    services.files.add('a', 'mark.svg', MARK);
    await services.assignments.typeset('a');
    expect(jobs[1]?.files).toHaveLength(2);
  });
  it('never take the place of another: the same one is kept once, another one gets a name of its own', () => {
    const { services } = testServer();
    services.files.add('a', 'gauge.png', GAUGE);
    expect(services.files.add('a', 'gauge.png', GAUGE)).toMatchObject({
      file: { path: 'gauge.png' },
    });
    const other = Buffer.concat([GAUGE, Buffer.from([0])]);
    expect(services.files.add('a', 'gauge.png', other)).toMatchObject({
      file: { path: 'gauge-2.png' },
    });
    expect(services.files.list('a')).toHaveLength(3);
  });
  it('are known by their bytes; what cannot be shown is refused in words', () => {
    const { services } = testServer();
    const refused = (name: string, bytes: Buffer): string => {
      const outcome = services.files.add('a', name, bytes);
      return outcome?.kind === 'refused' ? outcome.problem : '';
    };
    expect(services.files.add('a', 'really.jpg', GAUGE)).toMatchObject({
      file: { path: 'really.png' },
    });
    const drawing = Buffer.from(
      '%!PS-Adobe-3.0 EPSF-3.0\n%%BoundingBox: 0 0 9 9\n0 0 9 9 rectfill',
    );
    expect(services.files.add('a', 'gauge.eps', drawing)).toMatchObject({
      file: { path: 'gauge.eps' },
    });
    expect(refused('x.png', Buffer.from('not a picture'))).toContain('none of those');
    expect(refused('x.eps', Buffer.from('%!PS-Adobe-3.0 EPSF-3.0'))).toContain('save it as PDF');
    expect(refused('x.png', GAUGE.subarray(0, 12))).toContain('damaged');
    expect(refused('x.png', Buffer.alloc(12_000_001))).toContain('12 MB');
    expect(services.files.add('none', 'x.png', GAUGE)).toBeNull();
  });
  it('are replaced by others of the same kind only', () => {
    const { services } = testServer();
    services.files.add('a', 'gauge.png', GAUGE);
    expect(services.files.replace('a', 'gauge.png', MARK)).toMatchObject({ kind: 'refused' });
    const other = Buffer.concat([GAUGE, Buffer.from([0])]);
    expect(services.files.replace('a', 'gauge.png', other)).toMatchObject({ file: { version: 2 } });
  });
});

describe('texts', () => {
  it('are begun, read in, and found where they are used', () => {
    const { services } = testServer();
    services.files.create('a', 'parts/one.tex');
    services.assignments.save('a', {
      path: 'sheet.tex',
      revision: 1,
      content: '\\input{parts/one}\\input{./parts/one.tex} % \\input{parts/one}',
    });
    expect(services.files.usedIn('a', 'parts/one.tex')).toEqual([{ path: 'sheet.tex', times: 2 }]);
    expect(services.files.create('a', 'parts/one.tex')).toMatchObject({ kind: 'refused' });
    expect(services.files.create('a', 'one.exe')).toMatchObject({ kind: 'refused' });
  });
  it('take their references along when they are renamed, and the sheet can be renamed too', () => {
    const { services, repositories } = testServer();
    services.files.create('a', 'one.tex');
    services.files.add('a', 'gauge.png', GAUGE);
    const content = '\\input{one}\\includegraphics[width=3cm]{gauge.png}\\includegraphics{gauge}';
    services.assignments.save('a', { path: 'sheet.tex', revision: 1, content });
    services.files.rename('a', 'one.tex', 'parts/first.tex');
    services.files.rename('a', 'gauge.png', 'pictures/tide.png');
    expect(services.files.text('a', 'sheet.tex')).toBe(
      '\\input{parts/first}\\includegraphics[width=3cm]{pictures/tide.png}\\includegraphics{pictures/tide}',
    );
    expect(services.files.rename('a', 'parts/first.tex', 'parts/first.png')).toMatchObject({
      problem: 'Its name has to end in .tex.',
    });
    services.files.rename('a', 'sheet.tex', 'main.tex');
    expect(repositories.assignments.find('a')?.mainPath).toBe('main.tex');
    expect(services.files.rename('a', 'none.tex', 'x.tex')).toBeNull();
  });
  it('are kept as a version before they are replaced or taken away; the sheet stays', () => {
    const { services } = testServer();
    services.files.add('a', 'one.tex', Buffer.from('First.'));
    services.files.add('a', 'one.tex', Buffer.from('Second.'));
    expect(services.files.remove('a', 'sheet.tex')).toMatchObject({ kind: 'refused' });
    expect(services.files.remove('a', 'one.tex')).toBe('removed');
    const versions = services.versions.list('a').map(({ id }) => id);
    const texts = versions.map((id) => services.versions.snapshotAt('a', id)?.texts['one.tex']);
    expect(texts).toEqual(['First.', 'Second.']);
  });
  it('are read as UTF-8, else as the Western characters of older files; what is no text is not', () => {
    expect(readText(Buffer.from('\uFEFFÅse\r\nhere'))).toBe('Åse\nhere');
    expect(readText(Buffer.from([0x63, 0x61, 0x66, 0xe9]))).toBe('café');
    expect(readText(GAUGE)).toBeNull();
  });
});
