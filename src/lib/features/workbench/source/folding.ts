import { codeFolding, foldGutter, foldKeymap, foldService } from '@codemirror/language';
import type { Extension } from '@codemirror/state';
import { keymap } from '@codemirror/view';
import { environmentEnd } from './structure';

const HEADINGS = ['part', 'chapter', 'section', 'subsection', 'subsubsection'];
/** How far the end of an environment is looked for. */
const NEAR = 20_000;
const HEADING = /^\s*\\(part|chapter|section|subsection|subsubsection)\b\*?/;

/** An environment folds from the end of its first line to its `\end`; a heading to the next of its rank. */
const places = foldService.of((state, lineStart, lineEnd) => {
  const line = state.sliceDoc(lineStart, lineEnd);
  const begin = /\\begin\{([^{}]+)\}/.exec(line);
  if (begin && begin[1] !== 'document') {
    const body = begin.index + begin[0].length;
    const near = state.sliceDoc(lineStart, lineEnd + NEAR);
    const end = environmentEnd(near, { name: begin[1] ?? '', body });
    const to = lineStart + (end?.from ?? 0);
    return end && to > lineEnd ? { from: lineEnd, to } : null;
  }
  const heading = HEADING.exec(line);
  if (!heading) return null;
  const rank = HEADINGS.indexOf(heading[1] ?? '');
  let last = lineEnd;
  for (let n = state.doc.lineAt(lineStart).number + 1; n <= state.doc.lines; n++) {
    const next = state.doc.line(n);
    const other = HEADING.exec(next.text);
    if ((other && HEADINGS.indexOf(other[1] ?? '') <= rank) || /\\end\{document\}/.test(next.text))
      break;
    if (next.text.trim() !== '') last = next.to;
  }
  return last > lineEnd ? { from: lineEnd, to: last } : null;
});

export const folding: Extension = [
  places,
  codeFolding({ placeholderText: ' … ' }),
  foldGutter({ openText: '▾', closedText: '▸' }),
  keymap.of(foldKeymap),
];
