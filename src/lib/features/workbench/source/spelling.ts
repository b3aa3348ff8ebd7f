import { RangeSetBuilder, StateEffect, StateField, type Extension } from '@codemirror/state';
import {
  Decoration,
  EditorView,
  keymap,
  showTooltip,
  ViewPlugin,
  type DecorationSet,
  type Tooltip,
  type ViewUpdate,
} from '@codemirror/view';
import { proseOf, wordsIn, wordsOfDocument, type ProseWord } from './prose';
import { formulas } from './sourceFacts';
import type { Speller } from './speller';

/** Words are looked up when the typing pauses. */
const PAUSE = 400;
/** What stands before the lines in sight can make code or a formula of them. */
const BEFORE = 4000;
const looked = StateEffect.define<null>();
const opened = StateEffect.define<ProseWord | null>();
const misspelt = Decoration.mark({ class: 'src-misspelt' });

/** The words in sight that no dictionary has; the one that is being typed is left alone. */
function wrongWords(view: EditorView, speller: Speller, isTyping: boolean): ProseWord[] {
  const { state } = view;
  const { from, to } = view.viewport;
  const base = Math.max(0, from - BEFORE);
  const whole = state.doc.toString();
  const begin = whole.indexOf('\\begin{document}');
  const text = whole.slice(base, to);
  const prose = proseOf(text, base, state.field(formulas));
  const caret = state.selection.main.head;
  const words = wordsIn(prose, base).filter(
    (one) =>
      one.to > from && one.from >= begin && !(isTyping && caret > one.from && caret <= one.to),
  );
  const brought = wordsOfDocument(whole);
  const wrong = speller.wrong(words.map(({ word }) => word));
  return words.filter(({ word }) => wrong.has(word) && !brought.has(word));
}

/** The suggestions for a word, as buttons; the first has the keys. */
function suggestions(view: EditorView, word: ProseWord, speller: Speller): HTMLElement {
  const dom = document.createElement('div');
  dom.className = 'spelling-card';
  dom.setAttribute('role', 'dialog');
  dom.setAttribute('aria-label', `Spelling of ${word.word}`);
  const close = (): void => {
    view.dispatch({ effects: opened.of(null) });
    view.focus();
  };
  const button = (title: string, strong: boolean, act: () => void): HTMLButtonElement => {
    const made = document.createElement('button');
    made.className = `btn btn-xs${strong ? ' btn-primary' : ''}`;
    made.textContent = title;
    made.onclick = () => {
      act();
      close();
    };
    dom.append(made);
    return made;
  };
  button(`“${word.word}” is right`, false, () => speller.add(word.word));
  dom.onkeydown = (event) => {
    if (event.key === 'Escape') close();
  };
  void speller.suggest(word.word).then((found) => {
    const buttons = found.map((to) =>
      button(to, true, () =>
        view.dispatch({
          changes: { from: word.from, to: word.to, insert: to },
          userEvent: 'input.spelling',
        }),
      ),
    );
    dom.prepend(...buttons);
    buttons[0]?.focus();
  });
  return dom;
}

/** Misspelt words of the text marked, never those of commands and formulas; a click on one, or F9 in it, brings suggestions. */
export function spelling(speller: Speller): Extension {
  const plugin = ViewPlugin.fromClass(
    class {
      decorations: DecorationSet = Decoration.none;
      words: readonly ProseWord[] = [];
      private timer: ReturnType<typeof setTimeout> | undefined;
      /** Was the caret brought where it is by writing? */
      private isTyping = false;
      constructor(view: EditorView) {
        this.plan(view);
      }
      update(update: ViewUpdate): void {
        if (update.docChanged) {
          this.decorations = this.decorations.map(update.changes);
          this.words = [];
          this.isTyping = true;
        } else if (update.selectionSet) this.isTyping = false;
        const told = update.transactions.some((tr) => tr.effects.some((e) => e.is(looked)));
        if (told) this.mark(update.view);
        const read = update.startState.field(formulas) !== update.state.field(formulas);
        if (update.docChanged || update.viewportChanged || update.selectionSet || read)
          this.plan(update.view);
      }
      private plan(view: EditorView): void {
        clearTimeout(this.timer);
        this.timer = setTimeout(() => view.dispatch({ effects: looked.of(null) }), PAUSE);
      }
      private mark(view: EditorView): void {
        this.words = wrongWords(view, speller, this.isTyping);
        const builder = new RangeSetBuilder<Decoration>();
        for (const { from, to } of this.words) builder.add(from, to, misspelt);
        this.decorations = builder.finish();
      }
      destroy(): void {
        clearTimeout(this.timer);
      }
    },
    { decorations: (value) => value.decorations },
  );
  const wordAt = (view: EditorView, at: number): ProseWord | null => {
    const { doc } = view.state;
    const isHere = ({ word, from, to }: ProseWord): boolean =>
      at >= from && at <= to && doc.sliceString(from, to) === word;
    // One that is being typed is not marked yet, but may be asked for.
    return (
      view.plugin(plugin)?.words.find(isHere) ??
      wrongWords(view, speller, false).find(isHere) ??
      null
    );
  };
  const card = StateField.define<Tooltip | null>({
    create: () => null,
    update(shown, transaction) {
      for (const effect of transaction.effects)
        if (effect.is(opened)) return effect.value && tooltip(effect.value);
      return transaction.docChanged || transaction.selection ? null : shown;
    },
    provide: (field) => showTooltip.from(field),
  });
  const tooltip = (word: ProseWord): Tooltip => ({
    pos: word.from,
    end: word.to,
    create: (view) => {
      const dom = suggestions(view, word, speller);
      return { dom, mount: () => dom.querySelector('button')?.focus() };
    },
  });
  const show = (view: EditorView, at: number): boolean => {
    const word = wordAt(view, at);
    if (!word) return false;
    view.dispatch({ effects: opened.of(word) });
    return true;
  };
  return [
    plugin,
    card,
    keymap.of([{ key: 'F9', run: (view) => show(view, view.state.selection.main.head) }]),
    EditorView.domEventHandlers({
      contextmenu: (event, view) => {
        const at = view.posAtCoords({ x: event.clientX, y: event.clientY });
        if (at === null || !show(view, at)) return false;
        event.preventDefault();
        return true;
      },
    }),
  ];
}

/** Looks all words in sight up again, after the dictionary has told more. */
export const lookAgain = (view: EditorView): void => view.dispatch({ effects: looked.of(null) });
