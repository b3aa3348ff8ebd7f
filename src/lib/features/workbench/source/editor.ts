import { closeBrackets, closeBracketsKeymap } from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap, indentWithTab } from '@codemirror/commands';
import { bracketMatching } from '@codemirror/language';
import {
  highlightSelectionMatches,
  search,
  searchKeymap,
  SearchQuery,
  setSearchQuery,
} from '@codemirror/search';
import { Compartment, EditorState, type Extension, type Transaction } from '@codemirror/state';
import { EditorView, highlightActiveLine, keymap, lineNumbers } from '@codemirror/view';
import type { TextEdit } from '@odd-compass/engine';
import { caretInView } from './caretInView';
import { completion } from './completion';
import { findingNotes } from './findingNotes';
import { folding } from './folding';
import { formulaTint } from './formulaTint';
import { hover } from './hover';
import { latexMode } from './latexMode';
import { pairs } from './pairs';
import type { Taste } from './taste';
import { formulas, knowledge, setFormulas, type EngineKnowledge } from './sourceFacts';
import { droppedFiles } from './droppedFiles';
import type { Speller } from './speller';
import { spelling } from './spelling';
import { typing } from './typing';

export interface EditorEvents {
  readonly onedit: (edits: readonly TextEdit[], text: () => string) => void;
  readonly oncaret: (offset: number) => void;
  /** The view scrolled or was laid out anew. */
  readonly onmove: () => void;
  /** The extents of the formulas came from the engine. */
  readonly onread: () => void;
  /** Files were dropped or pasted, at a place of the text. */
  readonly onpictures: (files: readonly File[], at: number) => void;
}

const look = EditorView.theme({
  '&': { height: '100%', backgroundColor: 'var(--color-base-100)' },
  '.cm-scroller': { fontFamily: 'var(--font-source)', lineHeight: '1.6' },
  '.cm-content': { caretColor: 'var(--color-primary)', padding: '12px 0' },
  '.cm-gutters': {
    backgroundColor: 'transparent',
    color: 'var(--color-secondary)',
    border: 'none',
  },
  '.cm-activeLine': { backgroundColor: 'color-mix(in srgb, var(--color-primary) 7%, transparent)' },
  '.cm-activeLineGutter': { backgroundColor: 'transparent', fontWeight: '600' },
  '&.cm-focused': { outline: 'none' },
  // The browser's own selection and caret: drawn ones cost every key a measuring of the line.
  '.cm-line ::selection, .cm-line::selection': {
    backgroundColor: 'color-mix(in srgb, var(--color-primary) 28%, transparent)',
  },
  '.cm-panels': { backgroundColor: 'var(--color-base-200)', color: 'var(--color-base-content)' },
});

/** What is looked for is looked for as it stands: in a source full of them, a backslash is a backslash. */
const literalSearch = EditorState.transactionExtender.of(({ effects }) => {
  const asked = effects.find((effect) => effect.is(setSearchQuery))?.value as
    SearchQuery | undefined;
  if (!asked || asked.literal || asked.regexp) return null;
  const { search: sought, replace, caseSensitive, wholeWord } = asked;
  const query = new SearchQuery({
    search: sought,
    replace,
    caseSensitive,
    wholeWord,
    literal: true,
  });
  return { effects: setSearchQuery.of(query) };
});

const taste = new Compartment();

const tasteOf = ({ size, wrap, numbers }: Taste): Extension => [
  numbers ? lineNumbers() : [],
  wrap ? EditorView.lineWrapping : [],
  EditorView.theme({ '&': { fontSize: `${size}px` } }),
];

const spelled = new Compartment();

/** Shows the source to another taste. */
export const setTaste = (view: EditorView, to: Taste): void =>
  view.dispatch({ effects: taste.reconfigure(tasteOf(to)) });

/** Looks the words of the text up with a speller; null with none. */
export const setSpeller = (view: EditorView, speller: Speller | null): void =>
  view.dispatch({ effects: spelled.reconfigure(speller ? spelling(speller) : []) });

/** What transactions change, in order: each edit counts on those before it. */
const editsOf = (transactions: readonly Transaction[]): TextEdit[] =>
  transactions.flatMap(({ changes }) => {
    const edits: TextEdit[] = [];
    changes.iterChanges((from, to, _fromNow, _toNow, inserted) => {
      edits.push({ from, to, text: inserted.toString() });
    });
    // From the end, so that no edit moves the place of another.
    return edits.reverse();
  });

/** Opens a source editor in an element. */
export function openEditor(
  parent: HTMLElement,
  text: string,
  events: EditorEvents,
  engine: EngineKnowledge,
  kept: Taste,
): EditorView {
  return new EditorView({
    parent,
    dispatchTransactions(transactions, view) {
      // Told before it is shown, so that the page is typeset meanwhile.
      const edits = editsOf(transactions);
      if (edits.length > 0)
        events.onedit(edits, () => transactions.at(-1)?.newDoc.toString() ?? '');
      view.update(transactions);
    },
    state: EditorState.create({
      doc: text,
      extensions: [
        taste.of(tasteOf(kept)),
        spelled.of([]),
        folding,
        pairs,
        knowledge.of(engine),
        formulas,
        formulaTint,
        completion,
        hover,
        typing,
        droppedFiles(events.onpictures),
        history(),
        bracketMatching(),
        closeBrackets(),
        highlightActiveLine(),
        caretInView,
        highlightSelectionMatches(),
        search({ top: true }),
        literalSearch,
        EditorView.contentAttributes.of({
          'aria-label': 'The source',
          spellcheck: 'false',
          tabindex: '0',
        }),
        keymap.of([
          ...closeBracketsKeymap,
          ...defaultKeymap,
          ...historyKeymap,
          ...searchKeymap,
          indentWithTab,
        ]),
        latexMode,
        findingNotes,
        look,
        EditorView.updateListener.of((update) => {
          if (update.transactions.some((tr) => tr.effects.some((e) => e.is(setFormulas))))
            events.onread();
          if (update.docChanged || update.selectionSet)
            events.oncaret(update.state.selection.main.head);
          if (update.geometryChanged || update.docChanged) events.onmove();
        }),
      ],
    }),
  });
}
