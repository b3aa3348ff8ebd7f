import { join } from 'node:path';
import { expect, it } from 'vitest';
import { threadTypesetter } from '../typeset/typesetter';
import { SHEET, testServer } from '../testing';

const THREAD = join(process.cwd(), 'build-tools/typeset-thread.mjs');
const save = (revision: number, content: string) => ({ path: 'sheet.tex', revision, content });

it('a save counts revisions, and one that is based on an older one is refused with what is there', () => {
  const { services } = testServer();
  expect(services.assignments.save('a', save(1, 'one'))).toEqual({ kind: 'saved', revision: 2 });
  expect(services.assignments.save('a', save(1, 'two'))).toEqual({
    kind: 'conflict',
    revision: 2,
    content: 'one',
  });
  expect(services.assignments.open('a', null)?.file).toMatchObject({ content: 'one', revision: 2 });
  expect(services.assignments.save('none', save(1, 'x'))).toBeNull();
  expect(services.assignments.save('a', { ...save(1, 'x'), path: 'none.tex' })).toBeNull();
});

it('a PDF is made once for each edition, and the desk knows how it stands', async () => {
  const real = threadTypesetter(THREAD, 'static/fonts');
  const { services, jobs } = testServer({ typeset: (job) => real.typeset(job) });
  const made = await services.assignments.typeset('a');
  expect(made?.pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect(made?.firstPage.subarray(1, 4).toString()).toBe('PNG');
  await services.assignments.typeset('a');
  expect(jobs).toHaveLength(1);
  services.assignments.save('a', save(1, SHEET.replace('Tides', '\\tidees')));
  expect((await services.assignments.typeset('a'))?.toFix).toBe(1);
  expect(jobs).toHaveLength(2);
  expect(services.desk.desk()[0]?.assignments[0]).toMatchObject({ edition: 2, toFix: 1, pages: 1 });
  expect(await services.assignments.typeset('none')).toBeNull();
});

it('the engine is given all files, named from the folder of the sheet; a change of any makes a new edition', async () => {
  const { services, repositories, jobs, clock } = testServer();
  const at = clock.now.toISOString();
  repositories.assignments.add(
    {
      id: 'b',
      courseId: 'c',
      title: 'Parts',
      dueAt: null,
      state: 'draft',
      mainPath: 'week/main.tex',
      texts: [
        { path: 'week/main.tex', content: SHEET },
        { path: 'week/parts/one.tex', content: 'One.' },
        { path: 'shared.bib', content: '' },
      ],
    },
    at,
  );
  await services.assignments.typeset('b');
  expect(jobs[0]).toMatchObject({ path: 'main.tex', text: SHEET });
  expect(jobs[0]?.files.map(({ name }) => name)).toEqual(['shared.bib', 'parts/one.tex']);
  services.assignments.save('b', { path: 'week/parts/one.tex', revision: 1, content: 'Two.' });
  await services.assignments.typeset('b');
  expect(String(jobs[1]?.files[1]?.bytes)).toContain('Two.');
  expect(services.assignments.open('b', 'week/parts/one.tex')).toMatchObject({
    main: { path: 'week/main.tex' },
    file: { path: 'week/parts/one.tex', content: 'Two.' },
  });
  expect(services.assignments.open('b', 'none.tex')).toBeNull();
});

it('a file opens with the parts that read it in, or as a document of its own when it has a class', async () => {
  const { services, jobs } = testServer();
  const put = (path: string, text: string) => services.files.add('a', path, Buffer.from(text));
  put('one.tex', 'One. \\input{two}');
  put('two.tex', 'Two.');
  put('apart.tex', '\\documentclass{article}\\begin{document}Apart.\\end{document}');
  put('sub.tex', '\\documentclass[sheet]{subfiles}\\begin{document}Sub.\\end{document}');
  services.assignments.save('a', save(1, '\\input{one}'));
  const opened = (path: string) => {
    const { sheet, main, between } = services.assignments.open('a', path) ?? {};
    return [sheet, main?.path, between?.map((part) => part.path)];
  };
  expect(opened('two.tex')).toEqual(['sheet.tex', 'sheet.tex', ['one.tex']]);
  expect(opened('one.tex')).toEqual(['sheet.tex', 'sheet.tex', []]);
  expect(opened('apart.tex')).toEqual(['sheet.tex', 'apart.tex', []]);
  expect(opened('sub.tex')).toEqual(['sheet.tex', 'sheet.tex', []]);
  expect(await services.assignments.typesetFile('a', 'apart.tex')).toMatchObject({ name: 'apart' });
  expect(jobs.at(-1)).toMatchObject({ path: 'apart.tex' });
  expect(await services.assignments.typesetFile('a', 'none.tex')).toBeNull();
});
