import { callsOf, openAt, shapeOf } from '../source/shape';
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

/** Words for the kind of thing that a label names: behind the line that declares it, and behind the package's own. */
export function namedKind(text: string, label: string): Fix | null {
  const shape = shapeOf(text);
  const at = callsOf(shape, ['label'], 'm').find(({ args }) => args[0]?.text === label)?.from;
  if (at === undefined) return null;
  const around = openAt(shape, at)
    .map(({ name }) => name)
    .reverse();
  const declared = callsOf(shape, ['newtheorem'], 'smomo').filter(({ from }) => from < at);
  for (const kind of around) {
    const theorem = declared.find(({ args }) => args[1]?.text === kind);
    if (!theorem) continue;
    const loaded = callsOf(shape, ['usepackage'], 'om').find(({ args }) =>
      args[1]?.text.split(',').some((name) => name.trim() === 'cleveref'),
    );
    const end = Math.max(theorem.to, loaded?.to ?? 0);
    const word = (theorem.args[3]?.text ?? kind).toLowerCase();
    const insertion = `\n\\crefname{${kind}}{${word}}{${word}s}`;
    return { title: `Call it ${word}`, edits: [{ from: end, to: end, text: insertion }] };
  }
  return null;
}
