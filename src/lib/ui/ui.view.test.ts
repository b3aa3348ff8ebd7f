import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import { pretendServer } from '$lib/testing/server';
import { engineName, fileNameOf, folderOf, pictureFileName } from '../domain/fileName';
import { ask, tell } from './ask';
import { dateAndTime, momentOf } from './dateTime';
import { keep, kept } from './kept';
import { sizeWords } from './sizeWords';

describe('asking the server', () => {
  it('gives what it answers', async () => {
    pretendServer({ 'GET /x': { tide: 'low' } });
    expect(await ask('/x')).toEqual({ ok: true, value: { tide: 'low' } });
  });
  it('tells its refusal in its own words', async () => {
    pretendServer({ 'POST /x': { status: 400, message: 'No title.' } });
    expect(await tell('POST', '/x', { title: '' })).toEqual({ ok: false, problem: 'No title.' });
  });
  it('says what it has to say as JSON', async () => {
    const asked = pretendServer({ 'PUT /x': {} });
    await tell('PUT', '/x', { a: [1, null] });
    expect(asked).toEqual([{ method: 'PUT', address: '/x', body: { a: [1, null] } }]);
  });
  it.each([
    ['is away', () => Promise.reject(new Error('down'))],
    [
      'answers nonsense',
      () => Promise.resolve({ ok: false, status: 500, json: () => Promise.reject(new Error()) }),
    ],
    [
      'answers without a word',
      () => Promise.resolve({ ok: false, status: 500, json: () => Promise.resolve({}) }),
    ],
  ])('that %s says so in a sentence', async (_what, answer) => {
    vi.stubGlobal('fetch', answer);
    const said = await ask('/x');
    expect(said).toMatchObject({ ok: false, problem: /does not answer/ });
  });
  it('that has nothing to say is well', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve({ ok: true, status: 204 }));
    expect(await ask('/x')).toEqual({ ok: true, value: null });
  });
});

describe('moments in fields', () => {
  it('are the same read and written, to the minute', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('2000-01-01'), max: new Date('2090-01-01'), noInvalidDate: true }),
        (date) => {
          date.setSeconds(0, 0);
          const fields = dateAndTime(date.toISOString());
          expect(momentOf(fields.date, fields.time)).toBe(date.toISOString());
        },
      ),
    );
  });
  it.each([
    ['', '', null],
    ['', '18:00', null],
    ['nonsense', '', null],
  ])('%j and %j are no moment', (date, time, moment) => {
    expect(momentOf(date, time)).toBe(moment);
  });
  it('without a time are the end of the day', () => {
    expect(dateAndTime(momentOf('2026-03-09', ''))).toEqual({ date: '2026-03-09', time: '23:59' });
  });
  it('that are none leave the fields empty', () => {
    expect(dateAndTime(null)).toEqual({ date: '', time: '' });
  });
});

describe('sizes', () => {
  it.each([
    [0, '0 bytes'],
    [999, '999 bytes'],
    [1000, '1 kB'],
    [20_480, '20 kB'],
    [999_499, '999 kB'],
    [1_000_000, '1.0 MB'],
    [9_340_000, '9.3 MB'],
  ])('%d are %s', (bytes, words) => expect(sizeWords(bytes)).toBe(words));
});

describe('what a browser keeps', () => {
  it('is given back', () => {
    keep('tide', { low: [6, 18] });
    expect(kept('tide')).toEqual({ low: [6, 18] });
  });
  it('is nothing where nothing was kept, or nothing that can be read', () => {
    localStorage.setItem('tide', '{broken');
    expect([kept('tide'), kept('other')]).toEqual([null, null]);
  });
  it('may be nothing at all', () => {
    vi.stubGlobal('localStorage', {
      getItem: () => {
        throw new Error('denied');
      },
      setItem: () => {
        throw new Error('denied');
      },
      clear: () => undefined,
    });
    expect(() => keep('tide', 1)).not.toThrow();
    expect(kept('tide')).toBeNull();
    vi.unstubAllGlobals();
  });
});

describe('names of files', () => {
  it('of a title have letters, digits and dashes only, whatever the title', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (title) => {
        expect(fileNameOf(title)).toMatch(/^[A-Za-z0-9](?:[A-Za-z0-9-]{0,79})$/);
      }),
    );
  });
  it.each([
    ['Problem Set 3', 'Problem-Set-3'],
    ['Über die Flut', 'Uber-die-Flut'],
    ['  … ', 'assignment'],
    ['a/b\\c', 'a-b-c'],
  ])('%j is %s', (title, name) => expect(fileNameOf(title)).toBe(name));
  it.each([
    ['C:\\pictures\\Low Water.PNG', 'low-water'],
    ['/home/x/quay.final.jpeg', 'quay-final'],
    ['水位.png', 'picture'],
  ])('of a picture %j is %s', (given, name) => expect(pictureFileName(given)).toBe(name));
  it.each([
    ['sheet.tex', 'parts/one.tex', 'parts/one.tex'],
    ['set/sheet.tex', 'set/parts/one.tex', 'parts/one.tex'],
    ['set/sheet.tex', 'quay.png', 'quay.png'],
  ])('for the engine count from the main file: %s %s', (main, path, name) => {
    expect(engineName(main, path)).toBe(name);
    expect(folderOf(main) + name === path || !path.startsWith(folderOf(main))).toBe(true);
  });
});
