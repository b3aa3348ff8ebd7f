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

/** The option of xcolor that brings a list of colours: with the package where it is loaded, else first of all; in slides the class hands it on. */
export function withColours(text: string, option: string): Fix | null {
  const shape = shapeOf(text);
  const title = `Load the colours of ${option}`;
  const insert = (at: number, what: string): Fix => ({
    title,
    edits: [{ from: at, to: at, text: what }],
  });
  const kind = callsOf(shape, ['documentclass'], 'om')[0];
  if (!kind) return null;
  const slides = kind.args[1]?.text.trim() === 'beamer';
  const own = callsOf(shape, ['usepackage'], 'om').find(
    ({ args }) => args[1]?.text.trim() === 'xcolor',
  );
  const call = slides ? kind : own;
  const said = slides ? `xcolor=${option}` : option;
  if (!call) return insert(kind.to, `\n\\usepackage[${option}]{xcolor}`);
  const given = call.args[0];
  return given ? insert(given.from, `${said},`) : insert(call.behind, `[${said}]`);
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
