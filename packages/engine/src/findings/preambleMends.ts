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

/** Words for the kind of thing that a label names: behind the line that declares it. */
export function namedKind(text: string, label: string): Fix | null {
  const at = text.indexOf(`\\label{${label}}`);
  const kinds = [...text.slice(0, Math.max(0, at)).matchAll(/\\(begin|end)\{(\w+)\}/g)];
  const open: string[] = [];
  for (const [, edge, name = ''] of kinds) {
    if (edge === 'begin') open.push(name);
    else if (open.at(-1) === name) open.pop();
  }
  for (const kind of open.reverse()) {
    const declared = new RegExp(
      `\\\\newtheorem\\*?\\{${kind}\\}(?:\\[\\w+\\])?\\{([^{}]*)\\}(?:\\[\\w+\\])?`,
    ).exec(text);
    if (!declared) continue;
    const [whole, title = kind] = declared;
    const end = declared.index + whole.length;
    const word = title.toLowerCase();
    const insertion = `\n\\crefname{${kind}}{${word}}{${word}s}`;
    return { title: `Call it ${word}`, edits: [{ from: end, to: end, text: insertion }] };
  }
  return null;
}
