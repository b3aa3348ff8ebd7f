import { hoverTooltip, type EditorView, type Tooltip } from '@codemirror/view';
import type { Word } from '@odd-compass/engine/worker';
import { pictureUrl } from '../engine/pictureUrl';
import { knowledge } from './sourceFacts';

/** The command or environment name at a place. */
function nameAt(view: EditorView, pos: number) {
  const line = view.state.doc.lineAt(pos);
  const at = pos - line.from;
  for (const match of line.text.matchAll(/\\(?:begin|end)\{([A-Za-z*]+)\}|\\([A-Za-z]+)\*?/g)) {
    const from = match.index;
    const to = from + match[0].length;
    if (at < from || at > to) continue;
    const environment = match[1];
    return {
      from: line.from + from,
      to: line.from + to,
      name: environment ?? match[2] ?? '',
      kind: environment ? ('environment' as const) : ('command' as const),
    };
  }
  return null;
}

/** What it does, from where it comes, and its example, typeset. */
export function card(view: EditorView, word: Word): HTMLElement {
  const dom = document.createElement('div');
  dom.className = 'word-card';
  const title = document.createElement('strong');
  title.textContent = word.kind === 'command' ? `\\${word.name}` : word.name;
  const what = document.createElement('p');
  what.textContent = word.description;
  dom.append(title, what);
  if (word.package) {
    const from = document.createElement('p');
    from.className = 'word-from';
    from.textContent = `From the package ${word.package}.`;
    dom.append(from);
  }
  if (word.example) {
    const source = document.createElement('code');
    source.textContent = word.example;
    dom.append(source);
    void showExample(view, word, dom);
  }
  return dom;
}

async function showExample(view: EditorView, word: Word, dom: HTMLElement): Promise<void> {
  const preamble = `\\usepackage{amsmath,amssymb}${word.package ? `\\usepackage{${word.package}}` : ''}`;
  const picture = await view.state.facet(knowledge).glimpse(exampleOf(word), preamble);
  if (!picture) return;
  const frame = document.createElement('img');
  frame.className = 'word-glimpse';
  frame.alt = `How it looks: ${word.example}`;
  frame.src = pictureUrl(picture);
  frame.width = picture.width * 1.6;
  frame.height = picture.height * 1.6;
  dom.append(frame);
}

/** An environment that is only mathematics shows what stands in a formula. */
export const exampleOf = ({ example, where }: Word): string =>
  where === 'formula' && !example.includes('$') && !example.includes('\\[')
    ? `$${example}$`
    : example;

/** Over any command: what it does, with an example typeset. */
export const hover = hoverTooltip(
  (view, pos): Tooltip | null => {
    const found = nameAt(view, pos);
    if (!found) return null;
    const word = view.state
      .facet(knowledge)
      .words()
      .find(({ name, kind }) => name === found.name && kind === found.kind);
    if (!word) return null;
    return {
      pos: found.from,
      end: found.to,
      above: true,
      create: () => ({ dom: card(view, word) }),
    };
  },
  { hoverTime: 350 },
);
