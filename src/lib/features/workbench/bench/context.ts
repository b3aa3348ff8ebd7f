import type { EditorState } from '@codemirror/state';
import {
  argumentsAt,
  environmentKind,
  hasRows,
  shapeOf,
  type Shape,
} from '@odd-compass/engine/shape';
import { formulaAt } from '../source/sourceFacts';
import { isPicture, mayHavePicture } from '../source/pictureNames';
import { environmentEnd, openEnvironments, type OpenEnvironment } from '../source/structure';
import type { Span } from './figure';

/** An environment whose body the bench edits. */
export interface BodyPlace extends Span {
  readonly name: string;
  readonly bodyFrom: number;
  readonly bodyTo: number;
  /** The argument that lists the columns, when there is one. */
  readonly columns: Span | null;
}

/** What the caret is in, and so what the bench has tools for. */
export type BenchContext =
  | ({ readonly kind: 'matrix' } & BodyPlace)
  | ({ readonly kind: 'lines' } & BodyPlace)
  | ({ readonly kind: 'table' } & BodyPlace)
  | ({ readonly kind: 'picture' } & BodyPlace)
  | ({ readonly kind: 'axis' } & BodyPlace)
  | ({ readonly kind: 'diagram' } & BodyPlace)
  | ({ readonly kind: 'formula' } & Span)
  | ({ readonly kind: 'figure' } & Span)
  | { readonly kind: 'reference'; readonly label: string }
  | { readonly kind: 'class' }
  | ({ readonly kind: 'package' } & Span)
  | { readonly kind: 'text' };

const FIGURE = /^(figure|wrapfigure|SCfigure)\*?$/;
const WITH_WIDTH = /^(tabular\*|tabularx|tabulary)$/;
const REFERENCE = /\\(?:eq|page|auto|name|c|C)?ref\*?\{([^{}]*)$/;

const AXIS = /^(axis|(semilogx|semilogy|loglog|polar)axis)$/;

type EnvironmentContext = 'matrix' | 'lines' | 'table' | 'figure' | 'picture' | 'axis' | 'diagram';

function kindOf(name: string): EnvironmentContext | null {
  if (isPicture(name)) return 'picture';
  if (name === 'tikzcd') return 'diagram';
  if (AXIS.test(name)) return 'axis';
  const kind = environmentKind(name);
  if (kind === 'matrix') return kind;
  if (kind === 'float') return FIGURE.test(name) ? 'figure' : null;
  if (!hasRows(name)) return null;
  return kind === 'table' ? kind : 'lines';
}

/** How far around the caret is looked. */
const NEAR = 20_000;

/** The argument in braces at a place, braces in it included; null when none stands there. */
const argumentAt = (shape: Shape, at: number): Span | null =>
  argumentsAt(shape, at, 'm')[0] ?? null;

/** Where what an environment holds starts, behind its arguments, and the one that lists columns. */
function bodyOf(
  text: string,
  { name, body }: OpenEnvironment,
): { from: number; columns: Span | null } {
  if (name === 'tikzcd')
    return { from: argumentsAt(shapeOf(text), body, 'o')[0]?.whole.to ?? body, columns: null };
  const lists = name === 'array' || environmentKind(name) === 'table';
  if (!lists && !/alignat|matrix\*$/.test(name)) return { from: body, columns: null };
  const shape = shapeOf(text);
  let at = argumentsAt(shape, body, 'o')[0]?.whole.to ?? body;
  if (WITH_WIDTH.test(name)) at = (argumentAt(shape, at)?.to ?? at - 1) + 1;
  const argument = /matrix\*$/.test(name) ? null : argumentAt(shape, at);
  return { from: argument ? argument.to + 1 : at, columns: lists ? argument : null };
}

/** The preamble's lines that the bench knows. */
function lineContext(state: EditorState, at: number): BenchContext | null {
  const line = state.doc.lineAt(at);
  if (/^\s*\\documentclass\b/.test(line.text)) return { kind: 'class' };
  if (/^\s*\\(usepackage|RequirePackage)\b/.test(line.text))
    return { kind: 'package', from: line.from, to: line.to };
  const reference = REFERENCE.exec(state.sliceDoc(line.from, at));
  if (!reference) return null;
  const rest = /^[^{}]*/.exec(state.sliceDoc(at, line.to))?.[0] ?? '';
  return { kind: 'reference', label: `${reference[1] ?? ''}${rest}` };
}

/** The innermost environment that the bench knows, when the caret stands in what it holds. */
function environmentContext(text: string, here: number, base: number): BenchContext | null {
  const inner = openEnvironments(text, here).findLast(({ name }) => kindOf(name) !== null);
  const kind = inner ? kindOf(inner.name) : null;
  const end = inner ? environmentEnd(text, inner) : null;
  if (!inner || !kind || !end) return null;
  const place = { from: base + inner.from, to: base + end.to };
  if (kind === 'figure') return { kind, ...place };
  const { from, columns } = bodyOf(text, inner);
  if (here > end.from || (here < from && kind !== 'table')) return null;
  return {
    kind,
    name: inner.name,
    ...place,
    bodyFrom: base + from,
    bodyTo: base + end.from,
    columns: columns && { from: base + columns.from, to: base + columns.to },
  };
}

/** The picture described in text that the caret is in; null outside. */
export function pictureAt(state: EditorState): Span | null {
  const at = state.selection.main.head;
  const base = Math.max(0, at - NEAR);
  const text = state.sliceDoc(base, at + NEAR);
  if (!mayHavePicture(text)) return null;
  const open = openEnvironments(text, at - base).find(({ name }) => isPicture(name));
  const end = open && environmentEnd(text, open);
  return end ? { from: base + open.from, to: base + end.to } : null;
}

/** What the caret is in: the innermost of what the bench knows. */
export function benchContext(state: EditorState): BenchContext {
  const at = state.selection.main.head;
  const line = lineContext(state, at);
  if (line) return line;
  const base = Math.max(0, at - NEAR);
  const inner = environmentContext(state.sliceDoc(base, at + NEAR), at - base, base);
  const formula = formulaAt(state, at);
  if (inner && 'from' in inner && (!formula || formula.from <= inner.from)) return inner;
  return formula ? { kind: 'formula', ...formula } : { kind: 'text' };
}
