import { RangeSetBuilder, StateField, type EditorState, type Extension } from '@codemirror/state';
import { Decoration, EditorView, type DecorationSet } from '@codemirror/view';
import { shapeOf } from '@odd-compass/engine/shape';

interface Mark {
  readonly from: number;
  readonly to: number;
}

/** How far a partner is looked for. */
const WINDOW = 20_000;

/** A mark that opens or closes, and what kind it is of. */
interface Edge extends Mark {
  readonly opens: boolean;
  readonly kind: string;
}

const edgesIn = (text: string, base: number): Edge[] =>
  shapeOf(text).parts.flatMap(({ kind, name, from, to }): Edge[] => {
    const place = { from: base + from, to: base + to };
    if (kind === 'begin' || kind === 'end')
      return [{ ...place, opens: kind === 'begin', kind: `environment ${name}` }];
    const isBracket = kind === 'command' && (name === 'left' || name === 'right');
    return isBracket ? [{ ...place, opens: name === 'left', kind: 'bracket' }] : [];
  });

/** Is there a mark at the place at all? Seldom, and only its line tells. */
function nearMark(state: EditorState, at: number): boolean {
  const line = state.doc.lineAt(at);
  return edgesIn(line.text, line.from).some(({ from, to }) => at >= from && at <= to);
}

/** The `\begin` or `\end`, `\left` or `\right` at a place and its partner; a missing partner is null. */
export function pairAt(state: EditorState, at: number): [Mark, Mark | null] | null {
  if (!nearMark(state, at)) return null;
  const base = Math.max(0, at - WINDOW);
  const edges = edgesIn(state.sliceDoc(base, at + WINDOW), base);
  const here = edges.findIndex(({ from, to }) => at >= from && at <= to);
  const edge = edges[here];
  if (!edge) return null;
  const step = edge.opens ? 1 : -1;
  let depth = 0;
  for (let i = here; i >= 0 && i < edges.length; i += step) {
    const other = edges[i] as Edge;
    if (other.kind !== edge.kind) continue;
    depth += other.opens === edge.opens ? 1 : -1;
    if (depth === 0) return [edge, other];
  }
  return [edge, null];
}

const matched = Decoration.mark({ class: 'src-pair' });
const lonely = Decoration.mark({ class: 'src-lonely' });

function decorate(state: EditorState): DecorationSet {
  const builder = new RangeSetBuilder<Decoration>();
  const pair = pairAt(state, state.selection.main.head);
  if (!pair) return builder.finish();
  const [one, other] = pair;
  if (!other) builder.add(one.from, one.to, lonely);
  else {
    const [first, second] = one.from < other.from ? [one, other] : [other, one];
    builder.add(first.from, first.to, matched);
    builder.add(second.from, second.to, matched);
  }
  return builder.finish();
}

/** Shows the partner of the mark the caret is at. */
export const pairs: Extension = StateField.define<DecorationSet>({
  create: decorate,
  update: (shown, { docChanged, selection, state }) =>
    docChanged || selection ? decorate(state) : shown,
  provide: (field) => EditorView.decorations.from(field),
});
