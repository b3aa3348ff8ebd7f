import type { EditorView } from '@codemirror/view';
import { lookingLines } from './preamble';
import { pictureUrl } from '../engine/pictureUrl';
import { formulaAt, knowledge } from './sourceFacts';

/** How much of what a label stands at is shown when it is no formula. */
const MOST = 90;

/** What a label stands at: its formula, typeset, or the first words behind it. */
export const labelCard = (view: EditorView, name: string) => (): HTMLElement => {
  const { state } = view;
  const text = state.doc.toString();
  const dom = document.createElement('div');
  dom.className = 'word-card';
  const at = text.indexOf(`\\label{${name}}`);
  const formula = at < 0 ? null : formulaAt(state, at);
  if (!formula) {
    const behind = text
      .slice(at + name.length + 8)
      .replace(/\s+/g, ' ')
      .trim();
    dom.textContent = at < 0 ? 'It is set by a command.' : `${behind.slice(0, MOST)} …`;
    return dom;
  }
  const source = text.slice(formula.from, formula.to);
  const shown = source
    .replace(/\\begin\{([a-z]+)\}/, '\\begin{$1*}')
    .replace(/\\end\{([a-z]+)\}$/, '\\end{$1*}');
  const plain = /^\\begin\{(equation|align|gather|multline)\*\}/.test(shown) ? shown : source;
  const preamble = lookingLines(
    `${text.slice(0, text.indexOf('\\begin{document}'))}\\begin{document}`,
  );
  dom.textContent = '…';
  void view.state
    .facet(knowledge)
    .glimpse(plain.replace(/\\label\{[^{}]*\}/g, ''), preamble)
    .then((picture) => {
      if (!picture) return void (dom.textContent = source.slice(0, MOST));
      const image = document.createElement('img');
      image.className = 'word-glimpse';
      image.alt = `What ${name} stands at`;
      image.src = pictureUrl(picture);
      image.width = picture.width * 1.4;
      image.height = picture.height * 1.4;
      dom.replaceChildren(image);
    });
  return dom;
};
