import { codeFolding, foldGutter, foldKeymap, foldService } from '@codemirror/language';
import type { EditorState, Extension } from '@codemirror/state';
import { keymap } from '@codemirror/view';
import { environmentEnd } from './structure';

const HEADINGS = ['part', 'chapter', 'section', 'subsection', 'subsubsection'];
/** How far the end of an environment is looked for: most are short. */
const REACHES = [1_500, 20_000];
const HEADING = /^\s*\\(part|chapter|section|subsection|subsubsection)\b\*?/;

/** An environment folds from the end of its first line to its `\end`; a heading to the next of its rank. */
const places = foldService.of((state, lineStart, lineEnd) => {
  const line = state.sliceDoc(lineStart, lineEnd);
  const begin = /\\begin\{([^{}]+)\}/.exec(line);
  if (begin && begin[1] !== 'document') {
    const body = begin.index + begin[0].length;
    const to = environmentFold(state, lineStart, lineEnd, { name: begin[1] ?? '', body });
    return to > lineEnd ? { from: lineEnd, to } : null;
  }
  const heading = HEADING.exec(line);
  if (!heading) return null;
  const to = headingFold(state, lineEnd, HEADINGS.indexOf(heading[1] ?? ''));
  return to > lineEnd ? { from: lineEnd, to } : null;
});

/** Where the `\end` stands of what begins in a line; -1 when it is not near. */
function environmentFold(
  state: EditorState,
  lineStart: number,
  lineEnd: number,
  begin: { readonly name: string; readonly body: number },
): number {
  for (const reach of REACHES) {
    const end = environmentEnd(state.sliceDoc(lineStart, lineEnd + reach), begin);
    if (end) return lineStart + end.from;
  }
  return -1;
}

/** Where the last line ends that has words before the next heading of that rank, or of one above it. */
function headingFold({ doc }: EditorState, lineEnd: number, rank: number): number {
  if (lineEnd === doc.length) return lineEnd;
  let last = lineEnd;
  let end = lineEnd;
  for (const text of doc.iterLines(doc.lineAt(lineEnd).number + 1)) {
    end += text.length + 1;
    const other = HEADING.exec(text);
    if (other && HEADINGS.indexOf(other[1] ?? '') <= rank) break;
    if (text.includes('\\end{document}')) break;
    if (text.trim() !== '') last = end;
  }
  return last;
}

export const folding: Extension = [
  places,
  codeFolding({ placeholderText: ' … ' }),
  foldGutter({ openText: '▾', closedText: '▸' }),
  keymap.of(foldKeymap),
];
