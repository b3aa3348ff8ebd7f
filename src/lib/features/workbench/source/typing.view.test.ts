import { undo } from '@codemirror/commands';
import { EditorView } from '@codemirror/view';
import { describe, expect, it } from 'vitest';
import { editorOf } from '$lib/testing/editor';
import { inArticle, typeset } from '../../../../../packages/engine/src/testing/document';
import { setFormulas } from './sourceFacts';

/** An editor over a body; a bar stands where the caret does. */
function writing(marked: string): EditorView {
  const whole = inArticle(marked);
  const at = whole.indexOf('|');
  const text = whole.slice(0, at) + whole.slice(at + 1);
  const view = editorOf(text);
  const formulas = setFormulas.of(typeset(text).formulaSpans());
  view.dispatch({ selection: { anchor: at }, effects: formulas });
  return view;
}

/** The body with a bar where the caret stands. */
function stands(view: EditorView): string {
  const { head } = view.state.selection.main;
  const text = view.state.doc.toString();
  const marked = `${text.slice(0, head)}|${text.slice(head)}`;
  return /\\begin\{document\}\|?\n([\s\S]*)\n\|?\\end\{document\}/.exec(marked)?.[1] ?? marked;
}

const key = (view: EditorView, name: string, shiftKey = false): void =>
  void view.contentDOM.dispatchEvent(
    new KeyboardEvent('keydown', { key: name, shiftKey, bubbles: true, cancelable: true }),
  );

/** Types letter by letter, as a hand does. */
function type(view: EditorView, letters: string): void {
  for (const letter of letters) {
    const { from, to } = view.state.selection.main;
    const insert = () =>
      view.state.update({
        changes: { from, to, insert: letter },
        selection: { anchor: from + letter.length },
        userEvent: 'input.type',
      });
    const taken = view.state
      .facet(EditorView.inputHandler)
      .some((handler) => handler(view, from, to, letter, insert));
    if (!taken) view.dispatch(insert());
  }
}

const ITEMS = '\\begin{itemize}\n  \\item ebb|\n\\end{itemize}';
const ROWS = '\\begin{align*}\n  a &= b|\n\\end{align*}';

describe('the caret', () => {
  const typed = (from: number, insert: string, anchor: number, userEvent = 'input.type') => ({
    changes: { from, insert },
    selection: { anchor },
    userEvent,
  });
  it.each([
    ['stands behind letters that came with its place before them', 'c = \\le|', 'ft', 0, 'ft|'],
    ['stands behind them where the browser says so', 'c = \\le|', 'ft', 2, 'ft|'],
    ['stands within what was typed where it is left there', 'c |', '()', 1, '(|)'],
  ])('%s', (_what, before, letters, at, after) => {
    const view = writing(before);
    const { head } = view.state.selection.main;
    view.dispatch(typed(head, letters, head + at));
    expect(stands(view)).toBe(before.replace('|', after));
    undo(view);
    expect(stands(view)).toBe(before);
  });
  it('stands behind a letter of a name, the name of whose end follows it', () => {
    const view = writing('\\begin{alig|}\n\\end{alig}');
    const { head } = view.state.selection.main;
    view.dispatch(typed(head, 'n', head));
    expect(stands(view)).toBe('\\begin{align|}\n\\end{align}');
  });
  it('stays where a hand that composes a letter puts it', () => {
    const view = writing('c |');
    const { head } = view.state.selection.main;
    view.dispatch(typed(head, 'ne', head, 'input.type.compose'));
    expect(stands(view)).toBe('c |ne');
  });
});

describe('Enter', () => {
  it.each([
    [
      'in a list begins an item',
      ITEMS,
      '\\begin{itemize}\n  \\item ebb\n  \\item |\n\\end{itemize}',
    ],
    ['in rows begins a row', ROWS, '\\begin{align*}\n  a &= b \\\\\n  |\n\\end{align*}'],
    [
      'behind a row that has ended begins a line',
      '\\begin{align*}\n  a &= b \\\\|\n\\end{align*}',
      '\\begin{align*}\n  a &= b \\\\\n  |\n\\end{align*}',
    ],
    ['in text begins a line', 'ebb|flood', 'ebb\n|flood'],
    [
      'in a matrix begins a row',
      '$\\begin{pmatrix}\n  1 & 2|\n\\end{pmatrix}$',
      '$\\begin{pmatrix}\n  1 & 2 \\\\\n  |\n\\end{pmatrix}$',
    ],
    ['between the marks of a display opens it', '\\[|\\]', '\\[\n  |\n\\]'],
    [
      'on the line of a begin begins a line',
      '\\begin{itemize}|\n  \\item a\n\\end{itemize}',
      '\\begin{itemize}\n|\n  \\item a\n\\end{itemize}',
    ],
  ])('%s', (_what, before, after) => {
    const view = writing(before);
    key(view, 'Enter');
    expect(stands(view).replace(/[ \t]+\|/g, (blank) => blank)).toBe(after);
  });
  it('on an empty item ends the list, and the caret stands behind it', () => {
    const view = writing('\\begin{itemize}\n  \\item ebb\n  \\item |\n\\end{itemize}\nFlood.');
    key(view, 'Enter');
    expect(stands(view)).toBe('\\begin{itemize}\n  \\item ebb\n\\end{itemize}\n|Flood.');
  });
  it('is taken back as one step', () => {
    const view = writing(ROWS);
    const was = view.state.doc.toString();
    key(view, 'Enter');
    undo(view);
    expect(view.state.doc.toString()).toBe(was);
  });
});

/** What a hand does that types everything itself: letters, and Enter at the ends of lines. */
function byHand(view: EditorView, text: string): void {
  for (const [i, line] of text.split('\n').entries()) {
    if (i > 0) key(view, 'Enter');
    type(view, line.trimStart());
  }
}

/** Lines without the blanks at their starts and ends. */
const bare = (text: string): string =>
  text
    .split('\n')
    .map((line) => line.trim())
    .join('\n');

describe('what is typed in full stands as it was typed', () => {
  it.each([
    ['a list', '\\begin{itemize}\n\\item one\n\\item two\n\\end{itemize}\nAnd on.'],
    [
      'a list in a list',
      '\\begin{enumerate}\n\\item one\n\\begin{itemize}\n\\item a\n\\end{itemize}\n\\item two\n\\end{enumerate}',
    ],
    ['rows', '\\begin{align*}\na &= b \\\\\nc &= d\n\\end{align*}'],
    [
      'a table with lines across',
      '\\begin{tabular}{cc}\n\\hline\na & b \\\\\n\\hline\nc & d \\\\ \\hline\n\\end{tabular}',
    ],
    ['a matrix in a display', '\\[\n\\begin{pmatrix}\n1 & 2 \\\\\n3 & 4\n\\end{pmatrix}\n\\]'],
    ['signs that close', '$\\left( x \\right)$ and \\textbf{a} and \\[b\\]'],
  ])('%s', (_what, text) => {
    const view = writing('|');
    byHand(view, text);
    expect(bare(stands(view).replace('|', ''))).toBe(bare(text));
  });
  it('an item that is offered stays when the hand goes on with its words, or a command of them', () => {
    const view = writing(ITEMS);
    key(view, 'Enter');
    type(view, '\\emph');
    expect(stands(view)).toContain('\\item \\emph|');
  });
  it('a row that is left empty takes its \\\\ back', () => {
    const view = writing(ROWS);
    key(view, 'Enter');
    view.dispatch({ selection: { anchor: 0 } });
    expect(view.state.doc.toString()).toContain('a &= b\n');
  });
  it('Enter, and the typing that takes its offer back, are undone one by one', () => {
    const view = writing(ITEMS);
    key(view, 'Enter');
    type(view, '\\item');
    expect(stands(view)).toContain('ebb\n  \\item|');
    undo(view);
    undo(view);
    expect(stands(view)).toBe(ITEMS);
  });
});

describe('Tab in rows', () => {
  const body = (at: number): string => {
    const text = '\\begin{align*}\n  aa &= bb \\\\\n  cc &= dd\n\\end{align*}';
    return `${text.slice(0, at)}|${text.slice(at)}`;
  };
  const START = '\\begin{align*}\n  '.length;
  it('goes from cell to cell, over the ends of rows, and back', () => {
    const view = writing(body(START));
    const seen: string[] = [];
    const behind = (): string => {
      const { head } = view.state.selection.main;
      return view.state.sliceDoc(head, head + 2);
    };
    for (let i = 0; i < 3; i++) {
      key(view, 'Tab');
      seen.push(behind());
    }
    for (let i = 0; i < 3; i++) {
      key(view, 'Tab', true);
      seen.push(behind());
    }
    expect(seen.map((text) => text.replace(/^= ?/, '='))).toEqual([
      '=',
      'cc',
      '=',
      'cc',
      '=',
      'aa',
    ]);
  });
});

describe('what is typed for short', () => {
  it.each([
    ['$a|$', '->', '$a\\to |$'],
    ['$a|$', '<=', '$a\\le |$'],
    ['$a|$', '!=', '$a\\ne |$'],
    ['$|$', 'RR', '$\\mathbb{R}|$'],
    ['$a|$', '+-', '$a\\pm |$'],
  ])('in a formula is written out: %s and %s', (before, typed, after) => {
    const view = writing(before);
    type(view, typed);
    expect(stands(view)).toBe(after);
  });
  it.each([
    ['so| it', '->', 'so->| it'],
    ['$\\m|$', 'RR', '$\\mRR|$'],
    ['$a\\|$', '->', '$a\\->|$'],
  ])('is left as it is in text and in names: %s', (before, typed, after) => {
    const view = writing(before);
    type(view, typed);
    expect(stands(view)).toBe(after);
  });
  it('comes back with undo, letter by letter as it was typed', () => {
    const view = writing('$a|$');
    type(view, '->');
    undo(view);
    expect(stands(view)).toContain('$a->');
  });
});

describe('marks in pairs', () => {
  it.each([
    ['\\[', '\\|', '[', '\\[|\\]'],
    ['\\(', 'so \\|', '(', 'so \\(|\\)'],
  ])('%s is written with its partner', (_mark, before, typed, after) => {
    const view = writing(before);
    type(view, typed);
    expect(stands(view)).toBe(after);
  });
  it('are typed over', () => {
    const view = writing('\\[a\\|\\]');
    type(view, ']');
    expect(stands(view)).toBe('\\[a\\]|');
  });
  it('a line’s end is no mark', () => {
    const view = writing('a\\\\|');
    type(view, '[');
    expect(stands(view).startsWith('a\\\\[')).toBe(true);
    expect(stands(view)).not.toContain('\\]');
  });
  it('brackets and dollars have theirs', () => {
    const view = writing('|');
    type(view, '{');
    expect(stands(view)).toBe('{|}');
  });
});

describe('a name of begin and end', () => {
  it.each([
    ['\\begin{lemma|}a\\end{lemma}', 's', '\\begin{lemmas|}a\\end{lemmas}'],
    ['\\begin{lemma}a\\end{lemma|}', '*', '\\begin{lemma*}a\\end{lemma*|}'],
    ['\\begin{a}\\begin{a|}x\\end{a}\\end{a}', 'b', '\\begin{a}\\begin{ab|}x\\end{ab}\\end{a}'],
  ])('is typed in both: %s', (before, typed, after) => {
    const view = writing(before);
    type(view, typed);
    expect(stands(view)).toBe(after);
  });
});
