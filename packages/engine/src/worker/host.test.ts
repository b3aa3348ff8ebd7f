import { expect, it } from 'vitest';
import { inArticle, testFonts, TODAY } from '../testing/document';
import { WorkerHost } from './host';
import type { ReadingPart, Request, Response } from './messages';

/** A host whose fonts come after so many microtasks; each look at the clock is a slice later. */
function host(fontsAfter: number) {
  const said: Response[] = [];
  let clock = 0;
  const after = async (count: number): Promise<void> => {
    for (let i = 0; i < count; i++) await Promise.resolve();
  };
  const made = new WorkerHost({
    fetchFont: async (file) => {
      await after(fontsAfter);
      return testFonts(file);
    },
    fetchFile: () => Promise.resolve(null),
    decode: (bytes) => new TextDecoder().decode(bytes),
    post: (response) => said.push(response),
    paint: () => undefined,
    painted: () => Promise.resolve(),
    turn: () => new Promise((resolve) => setTimeout(resolve, 0)),
    now: () => (clock += 7),
  });
  return { made, said, after };
}

const open = (text: string): Request => ({
  kind: 'open',
  text,
  revision: 1,
  today: TODAY,
  fontBase: '',
  file: 'sheet.tex',
  files: [],
});

it('tells of the text of the last edit, wherever the edits come between its own steps', async () => {
  const first = inArticle('An ebb.\n\n'.repeat(6));
  const last = inArticle('A flood.');
  for (const between of [0, 1, 2, 3, 4, 5, 7, 9, 13]) {
    const { made, said, after } = host(20);
    const asked = [made.take(open(first))];
    await after(between);
    asked.push(
      made.take({ kind: 'edit', edits: [{ from: 0, to: first.length, text: '' }], revision: 2 }),
    );
    await after(between);
    asked.push(made.take({ kind: 'edit', edits: [{ from: 0, to: 0, text: last }], revision: 3 }));
    await Promise.all(asked);
    const account = said.findLast(({ kind }) => kind === 'account');
    expect(account, `after ${between}`).toMatchObject({ revision: 3 });
    for (const response of said)
      if (response.kind === 'pages' && response.revision === 3) {
        const words = response.views.flatMap(({ text }) => text ?? []).join(' ');
        expect(words).not.toContain('ebb');
      }
  }
});

it('divides the words of another language when its patterns have come', async () => {
  const { made, said } = host(3);
  const text =
    '\\documentclass{article}\\usepackage[ngerman]{babel}\\begin{document}' +
    '\\parbox{1pt}{\\hspace{0pt}Grenzwertsatz\\par}\\end{document}';
  await made.take(open(text));
  await made.take({ kind: 'view', ranges: [{ first: 0, last: 0 }] });
  const shown = said.flatMap((response) =>
    response.kind === 'pages' ? response.views.flatMap(({ text: words }) => words ?? []) : [],
  );
  expect(shown.join(' ').replaceAll('- ', '-')).toContain('Grenz-wert-satz');
});

it('sends what was read in parts, and after an edit only what is new', async () => {
  const text = inArticle(Array.from({ length: 12 }, (_, i) => `Boat ${i} leaves.`).join('\n\n'));
  const { made } = host(0);
  await made.take(open(text));
  const read = async () => {
    const parts: ReadingPart[] = [];
    await made.take({ kind: 'reading', port: { postMessage: (part) => parts.push(part) } });
    return parts;
  };
  const first = await read();
  expect(first.length).toBeGreaterThan(1);
  expect(first.map(({ afresh }) => afresh)).toEqual(first.map((_, i) => i === 0));
  expect(first.map(({ whole }) => whole !== null)).toEqual(
    first.map((_, i) => i === first.length - 1),
  );
  const known = new Set(first.flatMap(({ nodes }) => nodes.map(({ id }) => id)));
  const blocks = first.at(-1)?.whole?.blocks ?? [];
  expect(blocks.every(([, id]) => known.has(id))).toBe(true);

  const at = text.indexOf('Boat 5');
  await made.take({ kind: 'edit', edits: [{ from: at, to: at + 4, text: 'Ship' }], revision: 2 });
  const second = await read();
  const fresh = second.flatMap(({ nodes }) => nodes);
  expect(fresh.length).toBeLessThan(4);
  expect(JSON.stringify(fresh)).toContain('Ship');
  expect(second.at(-1)?.whole).toMatchObject({ revision: 2 });
  expect(second.some(({ afresh }) => afresh)).toBe(false);
});

it('reads a formula that does not stand in the text, with lines of its own', async () => {
  const { made } = host(0);
  await made.take(open(inArticle('Text.')));
  const parts: ReadingPart[] = [];
  const port = { postMessage: (part: ReadingPart) => void parts.push(part) };
  const beside = { formula: '\\lamp > 0', preamble: '\\newcommand{\\lamp}{\\ell}' };
  await made.take({ kind: 'reading', port, beside });
  const read = JSON.stringify(parts.at(-1)?.whole?.beside);
  expect(read).toContain('ℓ');
  expect(read).not.toContain('Text');
  await made.take({ kind: 'reading', port });
  expect(parts.at(-1)?.whole?.beside).toEqual([]);
});
