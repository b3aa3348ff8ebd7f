import type { EditorView } from '@codemirror/view';
import type { Finding } from '@odd-compass/engine';
import { render } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { editorOf } from '$lib/testing/editor';
import { inArticle, typeset } from '../../../../packages/engine/src/testing/document';
import { field, press, settle, shown } from '$lib/testing/hands';
import { visited } from '$lib/testing/navigation';
import { pretendServer } from '$lib/testing/server';
import type { EngineClient } from './engine/engineClient.svelte';
import Needle from './Needle.svelte';
import type { Saver, SaveStatus } from './saving/saver.svelte';
import { setFindings } from './source/findingNotes';
import WorkbenchHeader from './WorkbenchHeader.svelte';

const course = { id: 'c', code: 'MA 1', title: 'Tides', term: 'Lent', colour: 'sea' as const };
const main = (content: string) => ({ path: 'sheet.tex', content, revision: 1 });

interface Standing {
  readonly view: EditorView;
  readonly findings: readonly Finding[];
  readonly wentTo: number[];
  readonly elsewhere: (readonly [string, number])[];
}

/** The head of the workbench over a text, with all that is found in it. */
async function standing(
  text: string,
  given: {
    status?: SaveStatus;
    saves?: boolean;
    elsewhere?: readonly Finding[];
    settled?: boolean;
  } = {},
): Promise<Standing> {
  const { status = 'saved', saves = true, elsewhere = [], settled = true } = given;
  const view = editorOf(text);
  const session = typeset(text);
  const findings = session.findings();
  view.dispatch({ effects: setFindings.of(findings) });
  const wentTo: number[] = [];
  const wentElsewhere: (readonly [string, number])[] = [];
  const engine = {
    findings,
    findingsElsewhere: elsewhere,
    pages: session.pages,
    words: [],
  } as unknown as EngineClient;
  const saver = { status, flush: () => Promise.resolve(saves) } as unknown as Saver;
  render(WorkbenchHeader, {
    assignment: {
      id: 's1',
      title: 'Set 3',
      kind: 'problem set',
      dueAt: null,
      state: 'draft',
      course,
      sheet: 'sheet.tex',
      main: main(text),
      between: [],
      file: main(text),
      files: [],
      posting: null,
    },
    engine,
    checks: null,
    saver,
    view,
    caret: 0,
    findings: engine.findings,
    settled,
    ongo: (at) => wentTo.push(at),
    onelsewhere: ({ file, from }) => void wentElsewhere.push([file, from]),
    onfiles: () => undefined,
  });
  await settle();
  return { view, findings, wentTo, elsewhere: wentElsewhere };
}

const BROKEN = inArticle('Low \\emhp{water} and $\\foo$.');

describe('the list of what was found', () => {
  it('says each in words, with its line and how it matters', async () => {
    const { findings } = await standing(BROKEN);
    await press('List');
    expect(findings.length).toBeGreaterThan(1);
    for (const { message } of findings) expect(shown()).toContain(message);
    expect(shown()).toContain('line 4');
    expect(shown()).toMatch(/missing from the page|looks wrong/);
  });
  it('leads to the place, and closes', async () => {
    const { findings, wentTo } = await standing(BROKEN);
    await press('List');
    await press('line 4');
    expect(wentTo).toEqual([findings[0]?.from]);
    expect(document.querySelector('dialog[open]')).toBeNull();
  });
  it('mends what can be mended, in the source, as one step', async () => {
    const { view, findings } = await standing(BROKEN);
    await press('List');
    const way = findings[0]?.fix;
    if (!way) throw new Error('no way to mend it');
    await press(way.title);
    expect(view.state.doc.toString()).toContain('\\emph{water}');
    expect(view.state.doc.toString()).toContain('$\\foo$');
  });
  it('shows the full record to those who ask', async () => {
    const { findings } = await standing(BROKEN);
    await press('List');
    expect(document.querySelector('pre')).toBeNull();
    field('The full record').click();
    await settle();
    expect(document.querySelectorAll('pre')).toHaveLength(findings.length);
  });
  it.each([
    [true, 'Nothing to fix, and nothing to know. All well.'],
    [false, 'The sheet is still being read.'],
  ])('that is empty says all is well only when it is known: %s', async (settled, says) => {
    await standing(inArticle('Ebb.', ''), { settled });
    await press('List');
    expect(shown()).toContain(says);
  });
  it('has what was found in other files, and leads there', async () => {
    const [finding] = typeset(BROKEN).findings();
    const elsewhere = [{ ...(finding as Finding), file: 'parts/one.tex', from: 12 }];
    const there = await standing(inArticle('Ebb.', ''), { elsewhere });
    await press('List');
    await press('in parts/one.tex');
    expect(there.elsewhere).toEqual([['parts/one.tex', 12]]);
  });
  it('opens and closes with F8', async () => {
    await standing(BROKEN);
    const f8 = (): boolean => window.dispatchEvent(new KeyboardEvent('keydown', { key: 'F8' }));
    f8();
    expect(document.querySelector('dialog[open]')).not.toBeNull();
    f8();
    expect(document.querySelector('dialog[open]')).toBeNull();
  });
});

describe('the head of the workbench', () => {
  it.each([
    ['saved', 'saved · 1 page'],
    ['saving', 'saving · 1 page'],
    ['waiting', 'not saved yet, kept in this browser · 1 page'],
    ['conflict', 'changed in another window · 1 page'],
  ] as const)('tells how it stands: %s', async (status, says) => {
    await standing(inArticle('Ebb.', ''), { status });
    expect(shown()).toContain(says);
  });
  it.each([
    ['waiting', true, ['http://localhost:3000/a/s1/hand-in']],
    ['waiting', false, []],
  ] as const)('goes on to hand in when all is saved: %s %s', async (status, saves, went) => {
    await standing(inArticle('Ebb.', ''), { status, saves });
    visited.length = 0;
    document.querySelector<HTMLAnchorElement>('a[href$="/hand-in"]')?.click();
    await settle();
    expect(visited).toEqual(went);
  });
  it('opens the files of the sheet', async () => {
    const asked = pretendServer({ 'GET /a/s1/files': [] });
    await standing(inArticle('Ebb.', ''));
    await press('Files');
    expect(asked.map(({ address }) => address)).toEqual(['/a/s1/files']);
  });
});

describe('the needle', () => {
  const finding = (from: number, severity: Finding['severity'] = 'off') =>
    ({ from, to: from + 1, severity, message: `At ${from}.` }) as Finding;
  const pointing = async (findings: readonly Finding[], caret: number, settled = true) => {
    const wentTo: number[] = [];
    render(Needle, { findings, caret, settled, ongo: (at: number) => wentTo.push(at) });
    await settle();
    document.querySelector<HTMLButtonElement>('[data-testid="needle"]')?.click();
    return { says: shown(), wentTo };
  };
  it.each([
    [[], 5, true, 'all well', []],
    [[], 5, false, 'setting', []],
    [[finding(3, 'advice')], 5, true, 'all well', []],
    [[finding(3), finding(9)], 4, true, '2 to fix, above', [3]],
    [[finding(3), finding(9)], 8, true, '2 to fix, below', [9]],
    [[finding(3), finding(9)], 6, true, '2 to fix, below', [9]],
  ] as const)('%j from %d, settled %s: %s', async (findings, caret, settled, says, went) => {
    const found = await pointing(findings, caret, settled);
    expect(found.says).toBe(says);
    expect(found.wentTo).toEqual(went);
  });
});
