import {
  EditorSelection,
  EditorState,
  Prec,
  type Extension,
  type Transaction,
  type TransactionSpec,
} from '@codemirror/state';
import { EditorView, keymap, type Command } from '@codemirror/view';
import { shapeOf } from '@odd-compass/engine/shape';
import { abbreviationsOf } from './abbreviations';
import { offers, writeOffer } from './offered';
import { asMarkup, asRows } from './pasted';
import { inFormula } from './sourceFacts';
import { environmentEnd, isAlignment, isList, openEnvironments } from './structure';

/** Enter in a list starts an item, on an empty item ends the list; in an alignment it starts a row. */
const structuredEnter: Command = (view) => {
  const { state } = view;
  const { main } = state.selection;
  if (!main.empty) return false;
  const at = main.head;
  if (state.sliceDoc(at - 2, at + 2) === '\\[\\]') return openDisplay(view, at);
  const text = state.doc.toString();
  const inner = openEnvironments(text, at).at(-1);
  if (!inner) return false;
  const line = state.doc.lineAt(at);
  const indent = /^\s*/.exec(line.text)?.[0] ?? '';
  const before = line.text.slice(0, at - line.from);
  const behind = line.text.slice(at - line.from);
  // On the line of its `\begin` a new line is just that.
  if (line.from <= inner.from) return false;
  if (isList(inner.name)) {
    if (/^\s*\\item\s*$/.test(line.text)) return leaveList(view, line, inner);
    if (!/\\item\b/.test(text.slice(inner.body, at))) return false;
    const start = `\n${indent.replace(/\S.*/, '')}`;
    const item = '\\item ';
    return writeOffer(view, 'item', start + item, start.length, start.length + item.length);
  }
  // Behind a line across, or a row that has ended, a new line is just that.
  const isEnded = /(?:\\\\(?:\[[^\]]*\])?|\\(?:hline|[a-z]*rule|cline\{[^{}]*\}))\s*$/.test(before);
  if (!isAlignment(inner.name) || isEnded) return false;
  if (before.trim() === '' || behind.trim() !== '') return false;
  const end = before.endsWith(' ') ? '\\\\' : ' \\\\';
  return writeOffer(view, 'row', `${end}\n${indent}`, 0, end.length);
};

/** Between the marks of an empty display: its formula gets a line of its own. */
function openDisplay(view: EditorView, at: number): boolean {
  const line = view.state.doc.lineAt(at);
  const indent = /^\s*/.exec(line.text)?.[0] ?? '';
  view.dispatch({
    changes: { from: at, insert: `\n${indent}  \n${indent}` },
    selection: EditorSelection.cursor(at + indent.length + 3),
    userEvent: 'input',
  });
  return true;
}

/** An empty item goes, and the caret stands behind the list. */
function leaveList(
  view: EditorView,
  line: { from: number; to: number },
  list: { name: string; body: number },
): boolean {
  const end = environmentEnd(view.state.doc.toString(), list);
  if (!end) return false;
  const cut = { from: Math.max(0, line.from - 1), to: line.to };
  const after = end.to - (cut.to - cut.from);
  const { doc } = view.state;
  const needsLine = doc.sliceString(end.to, end.to + 1) !== '\n' || end.to + 1 >= doc.length;
  const changes = needsLine ? [cut, { from: end.to, insert: '\n' }] : [cut];
  view.dispatch({
    changes,
    selection: EditorSelection.cursor(after + 1),
    userEvent: 'input',
    scrollIntoView: true,
  });
  return true;
}

/** Tab in an alignment goes to the next cell, Shift+Tab to the one before. */
const moveByCell =
  (forward: boolean): Command =>
  (view) => {
    const { state } = view;
    const at = state.selection.main.head;
    const text = state.doc.toString();
    const inner = openEnvironments(text, at).at(-1);
    if (!inner || !isAlignment(inner.name)) return false;
    const end = environmentEnd(text, inner);
    if (!end) return false;
    const body = text.slice(inner.body, end.from);
    const edges = shapeOf(body).parts.filter(({ kind }) => kind === 'tab' || kind === 'row');
    const stops = edges.map(({ kind, to }) => {
      const skip = kind === 'row' ? (/^\[[^\]]*\]/.exec(body.slice(to))?.[0].length ?? 0) : 0;
      const behind = inner.body + to + skip;
      // Behind the blank or the line's end that follows the mark.
      return behind + (/^[ \t]*\n?[ \t]*/.exec(text.slice(behind, end.from))?.[0].length ?? 0);
    });
    const start = inner.body + (/^\s*/.exec(text.slice(inner.body, end.from))?.[0].length ?? 0);
    const cells = [...new Set([start, ...stops])].sort((a, b) => a - b);
    const next = forward ? cells.find((c) => c > at) : cells.findLast((c) => c < at);
    if (next === undefined) return false;
    view.dispatch({ selection: EditorSelection.cursor(next), scrollIntoView: true });
    return true;
  };

/** Abbreviations are written out when they are complete, in formulas only; undo gives back what was typed. */
const abbreviate = EditorView.inputHandler.of((view, from, to, typed, insertText) => {
  if (typed.length !== 1 || from !== to) return false;
  const before = view.state.sliceDoc(Math.max(0, from - 8), from) + typed;
  // Most letters end no abbreviation: where they stand need not be looked at.
  const hit = abbreviationsOf().find(({ short }) => before.endsWith(short));
  if (!hit || !inFormula(view.state, from)) return false;
  // A letter before it: the abbreviation is part of a longer word or command.
  const start = from + 1 - hit.short.length;
  const previous = view.state.sliceDoc(Math.max(0, start - 1), start);
  if (/[A-Za-z]/.test(hit.short[0] ?? '') && /[A-Za-z\\]/.test(previous)) return false;
  if (previous === '\\') return false;
  view.dispatch(insertText());
  view.dispatch({
    changes: { from: start, to: from + 1, insert: hit.long },
    selection: EditorSelection.cursor(start + hit.long.length),
    userEvent: 'input.abbreviation',
  });
  return true;
});

const PARTNERS: Readonly<Record<string, string>> = { '[': ']', '(': ')' };

/** The marks \\[ and \\( are written with their partners, and typed over. */
const markPairs = EditorView.inputHandler.of((view, from, to, typed) => {
  const { state } = view;
  if (from !== to || state.sliceDoc(from - 1, from) !== '\\') return false;
  if (state.sliceDoc(from - 2, from - 1) === '\\') return false;
  const partner = PARTNERS[typed];
  if (partner) {
    const insert = `${typed}\\${partner}`;
    view.dispatch({
      changes: { from, insert },
      selection: EditorSelection.cursor(from + 1),
      userEvent: 'input.type',
    });
    return true;
  }
  if (!Object.values(PARTNERS).includes(typed)) return false;
  // Over blanks and line ends too: the partner may stand on a line of its own.
  const behind = /^\s*\\([\])])/.exec(state.sliceDoc(from, from + 40));
  if (behind?.[1] !== typed) return false;
  view.dispatch({
    changes: { from: from - 1, to: from + behind[0].length - 2 },
    selection: EditorSelection.cursor(from + 1),
    userEvent: 'input.type',
  });
  return true;
});

/** How far before the caret an alignment may begin. */
const NEAR = 20_000;

/** Cells pasted into an alignment become its rows; signs pasted into a formula the commands that stand for them. */
const pasteMarkup = EditorView.clipboardInputFilter.of((text, state) => {
  const at = state.selection.main.from;
  const before = state.sliceDoc(Math.max(0, at - NEAR), at);
  const inner = openEnvironments(before, before.length).at(-1);
  const cells = inner && isAlignment(inner.name) ? asRows(text) : null;
  return inFormula(state, at) ? asMarkup(cells ?? text) : (cells ?? text);
});

const NAME = /\\(begin|end)\{([A-Za-z*]*)$/;

/** Renaming one half of a begin/end pair renames the other, in the same step. */
export const renamePairs = EditorState.transactionFilter.of((transaction) => {
  const byKeys = transaction.isUserEvent('input.type') || transaction.isUserEvent('delete');
  if (!transaction.docChanged || !byKeys) return transaction;
  const edits = editsOf(transaction);
  const [only] = edits;
  const other = only && edits.length === 1 ? partnerEdit(transaction.startState, only) : null;
  return other ? [transaction, other] : transaction;
});

/** The caret stands behind what was typed at it: a browser that is busy may still tell of its place before. */
export const behindTyped = EditorState.transactionFilter.of((transaction) => {
  const { startState, changes, newSelection, docChanged } = transaction;
  // What is composed from several keys has a caret of its own.
  const byKeys =
    transaction.isUserEvent('input.type') && !transaction.isUserEvent('input.type.compose');
  const { head, empty } = startState.selection.main;
  if (!docChanged || !byKeys || !empty) return transaction;
  const isLeft = newSelection.main.empty && newSelection.main.head === changes.mapPos(head, -1);
  if (!isLeft) return transaction;
  const isTyped = editsOf(transaction).some(({ from, to }) => from === head && to === head);
  if (!isTyped) return transaction;
  const selection = EditorSelection.cursor(changes.mapPos(head, 1));
  return [transaction, { selection, sequential: true }];
});

interface Edit {
  readonly from: number;
  readonly to: number;
  readonly insert: string;
}

function editsOf(transaction: Transaction): Edit[] {
  const edits: Edit[] = [];
  transaction.changes.iterChanges((from, to, _a, _b, inserted) => {
    edits.push({ from, to, insert: inserted.toString() });
  });
  return edits;
}

function partnerEdit(
  state: EditorState,
  { from, to, insert: inserted }: Edit,
): TransactionSpec | null {
  const line = state.doc.lineAt(from);
  if (to > line.to || /[^A-Za-z*]/.test(inserted)) return null;
  const before = NAME.exec(state.sliceDoc(line.from, from));
  if (!before) return null;
  const start = from - (before[2]?.length ?? 0);
  const rest = /^[A-Za-z*]*(?=\})/.exec(state.sliceDoc(from, line.to));
  if (!rest || to > from + rest[0].length) return null;
  const name = state.sliceDoc(start, from + rest[0].length);
  if (name === '') return null;
  const text = state.doc.toString();
  const partner = before[1] === 'begin' ? endOf(text, name, start) : beginOf(text, name, start);
  if (partner === null) return null;
  const offset = from - start;
  return {
    changes: { from: partner + offset, to: partner + offset + (to - from), insert: inserted },
  };
}

/** Where the name stands in the `\end` of the environment whose name starts there. */
function endOf(text: string, name: string, start: number): number | null {
  const end = environmentEnd(text, { name, body: start + name.length + 1 });
  return end ? end.to - 1 - name.length : null;
}

function beginOf(text: string, name: string, start: number): number | null {
  const open = openEnvironments(text, start - '\\end{'.length).at(-1);
  return open && open.name === name ? open.from + '\\begin{'.length : null;
}

/** What typing does besides typing: items and rows, cells, abbreviations, pairs that keep their names. */
export const typing: Extension = [
  Prec.high(
    keymap.of([
      { key: 'Enter', run: structuredEnter },
      { key: 'Tab', run: moveByCell(true), shift: moveByCell(false) },
    ]),
  ),
  Prec.high(markPairs),
  abbreviate,
  pasteMarkup,
  renamePairs,
  behindTyped,
  offers,
];
