import { currentCompletions, startCompletion } from '@codemirror/autocomplete';
import type { EditorView } from '@codemirror/view';
import type { Word } from '@odd-compass/engine/worker';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { openEditor } from './editor';
import { STANDARD_TASTE } from './taste';

const word = (kind: Word['kind'], name: string): Word => ({
  kind,
  name,
  signature: '',
  description: '',
  example: '',
  package: '',
  requires: [],
  classes: [],
  options: [],
  where: 'both',
});
const WORDS = [
  ...['maketitle', 'makebox', 'alpha', 'beta'].map((name) => word('command', name)),
  ...['abstract', 'align', 'aligned'].map((name) => word('environment', name)),
  ...['amsbsy', 'amsmath', 'amssymb'].map((name) => word('package', name)),
];
const nothing = (): void => undefined;

let open: EditorView | null = null;
afterEach(() => open?.destroy());

function editor(text: string): EditorView {
  open = openEditor(
    document.body,
    text,
    { onedit: nothing, oncaret: nothing, onmove: nothing, onread: nothing, onpictures: nothing },
    { words: () => WORDS, labels: () => [], files: () => [], glimpse: () => Promise.resolve(null) },
    STANDARD_TASTE,
  );
  open.dispatch({ selection: { anchor: text.length } });
  return open;
}

const key = (view: EditorView, name: string): void =>
  void view.contentDOM.dispatchEvent(
    new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }),
  );
const names = (view: EditorView): string[] =>
  currentCompletions(view.state).map(({ label }) => label);

/** Types letters and waits for the list; a bit longer than it takes to be taken by keys. */
async function offered(view: EditorView, letters: string): Promise<string[]> {
  for (const letter of letters) {
    const { head } = view.state.selection.main;
    view.dispatch({
      changes: { from: head, insert: letter },
      selection: { anchor: head + 1 },
      userEvent: 'input.type',
    });
  }
  await new Promise((resolve) => setTimeout(resolve, 300));
  return names(view);
}

describe('a list that is open', () => {
  it('comes with a bare backslash, and not with the second of two', async () => {
    expect(await offered(editor(''), '\\')).toContain('\\alpha');
    expect(await offered(editor(''), 'a\\\\')).toEqual([]);
  });
  it('leaves Enter to a word that is complete', async () => {
    const view = editor('');
    expect(await offered(view, '\\maketitle')).toContain('\\maketitle');
    key(view, 'Enter');
    expect(view.state.doc.toString()).toBe('\\maketitle\n');
  });
  it('gives what is chosen to Enter behind a word that is not, and to Tab behind any', async () => {
    for (const [typed, pressed] of [
      ['\\maket', 'Enter'],
      ['\\maket', 'Tab'],
    ] as const) {
      const view = editor('');
      await offered(view, typed);
      key(view, pressed);
      await vi.waitFor(() => expect(view.state.doc.toString()).toBe('\\maketitle'));
      view.destroy();
    }
  });
  it('is a new line behind a bare backslash', async () => {
    const view = editor('');
    await offered(view, '\\');
    key(view, 'Enter');
    expect(view.state.doc.toString()).toBe('\\\n');
  });
  it('stays away from a word that sent it away with Escape, and comes for the next', async () => {
    const view = editor('');
    expect(await offered(view, '\\al')).not.toEqual([]);
    key(view, 'Escape');
    expect(await offered(view, 'p')).toEqual([]);
    expect(await offered(view, ' \\be')).not.toEqual([]);
  });
  it('comes when it is asked for, sent away or not', async () => {
    const view = editor('');
    await offered(view, '\\al');
    key(view, 'Escape');
    startCompletion(view);
    expect(await offered(view, '')).toContain('\\alpha');
  });
});

describe('what is offered first', () => {
  it('among environments: what the document has used, then what sets are full of', async () => {
    expect((await offered(editor(''), '\\begin{a'))[0]).toBe('align');
    const used = '\\begin{abstract}\\end{abstract}\n';
    expect((await offered(editor(used), '\\begin{a'))[0]).toBe('abstract');
  });
  it('among packages: what mathematics students load', async () => {
    expect((await offered(editor(''), '\\usepackage{a'))[0]).toBe('amsmath');
  });
});
