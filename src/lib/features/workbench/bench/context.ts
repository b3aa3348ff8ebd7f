import type { EditorState } from '@codemirror/state';
import { formulaAt } from '../source/sourceFacts';
import { environmentEnd, openEnvironments, type OpenEnvironment } from '../source/structure';

/** What the caret is in, and so what the bench has tools for. */
export type BenchContext =
  | {
      readonly kind: 'matrix' | 'lines';
      readonly name: string;
      readonly from: number;
      readonly to: number;
      readonly bodyFrom: number;
      readonly bodyTo: number;
    }
  | { readonly kind: 'formula'; readonly from: number; readonly to: number }
  | { readonly kind: 'reference'; readonly label: string }
  | { readonly kind: 'text' };

const MATRIX = /^([bBpvV]?(small)?matrix\*?|array)$/;
const LINES = /^(align|alignat|gather|multline|flalign|split|aligned|gathered|d?cases)\*?$/;
const REFERENCE = /\\(?:eq|page|auto|name|c|C)?ref\*?\{([^{}]*)$/;

/** Where what an environment holds starts: behind its arguments. */
function bodyStart(text: string, { body }: OpenEnvironment): number {
  const args = /^(\s*\[[^\]]*\])?(\{[^{}]*\})*/.exec(text.slice(body, body + 200));
  return body + (args?.[0].length ?? 0);
}

/** How far around the caret is looked. */
const NEAR = 20_000;

export function benchContext(state: EditorState): BenchContext {
  const at = state.selection.main.head;
  const base = Math.max(0, at - NEAR);
  const text = state.sliceDoc(base, at + NEAR);
  const here = at - base;
  const line = state.doc.lineAt(at);
  const reference = REFERENCE.exec(state.sliceDoc(line.from, at));
  if (reference) {
    const rest = /^[^{}]*/.exec(state.sliceDoc(at, line.to))?.[0] ?? '';
    return { kind: 'reference', label: `${reference[1] ?? ''}${rest}` };
  }
  const open = openEnvironments(text, here);
  const inner = open.findLast(({ name }) => MATRIX.test(name) || LINES.test(name));
  if (inner) {
    const end = environmentEnd(text, inner);
    const bodyFrom =
      inner.name.startsWith('array') || /alignat|\*$/.test(inner.name)
        ? bodyStart(text, inner)
        : inner.body;
    if (end && here >= bodyFrom && here <= end.from)
      return {
        kind: MATRIX.test(inner.name) ? 'matrix' : 'lines',
        name: inner.name,
        from: base + inner.from,
        to: base + end.to,
        bodyFrom: base + bodyFrom,
        bodyTo: base + end.from,
      };
  }
  const formula = formulaAt(state, at);
  return formula ? { kind: 'formula', ...formula } : { kind: 'text' };
}
