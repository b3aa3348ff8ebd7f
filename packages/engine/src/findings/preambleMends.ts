import { callsOf, shapeOf } from '../source/shape';
import type { Fix } from './entry';

/** The line at a place moved behind the one that names the kind of document. */
export function behindClass(text: string, at: number): Fix | null {
  const kind = callsOf(shapeOf(text), ['documentclass'], 'om').find(({ from }) => from > at);
  if (!kind) return null;
  const start = text.lastIndexOf('\n', at - 1) + 1;
  const end = text.indexOf('\n', at) + 1;
  const newline = text.indexOf('\n', kind.to);
  if (end === 0 || kind.from < end) return null;
  const to = newline < 0 ? text.length : newline + 1;
  const lead = newline < 0 ? '\n' : '';
  return {
    title: 'Move it behind \\documentclass',
    edits: [
      { from: start, to: end, text: '' },
      { from: to, to, text: lead + text.slice(start, end) },
    ],
  };
}
