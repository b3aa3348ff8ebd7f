import { closingBrace } from '../source/structure';
import type { Span } from './figure';

/** A part of a formula that makes sense by itself, with its parts. */
export interface Expression extends Span {
  readonly parts: readonly Expression[];
}

/** Reads the parts of a formula's source: letters, commands with arguments, groups, scripts on their base. */
export function expressionsOf(text: string, from: number, to: number): Expression[] {
  const out: Expression[] = [];
  let at = from;
  while (at < to) {
    if (/[\s&~%]/.test(text[at] ?? '')) {
      at++;
      continue;
    }
    const next = scripted(text, at, to);
    out.push(next);
    at = Math.max(next.to, at + 1);
  }
  return out;
}

/** A base with the scripts that hang on it. */
function scripted(text: string, at: number, limit: number): Expression {
  const base = one(text, at, limit);
  let { to } = base;
  const parts: Expression[] = [base];
  for (;;) {
    const mark = /^\s*([_^])\s*/.exec(text.slice(to, limit));
    const prime = mark ? null : /^'+/.exec(text.slice(to, limit));
    if (prime) {
      to += prime[0].length;
      parts.push({ from: base.from, to, parts: [] });
      continue;
    }
    if (!mark || to + mark[0].length >= limit) break;
    const script = one(text, to + mark[0].length, limit);
    parts.push(script);
    to = script.to;
  }
  return parts.length === 1 ? base : { from: base.from, to, parts };
}

/** One thing: a group, a command with its arguments, brackets that grow, an environment, a number, a character. */
function one(text: string, at: number, limit: number): Expression {
  const rest = text.slice(at, limit);
  if (rest.startsWith('{')) return group(text, at, limit);
  if (/^\\left(?![A-Za-z])/.test(rest)) return between(text, at, limit, LEFT_RIGHT);
  if (/^\\begin\s*\{/.test(rest)) return between(text, at, limit, BEGIN_END);
  const number = /^\d+(?:[.,]\d+)?/.exec(rest);
  if (number) return { from: at, to: at + number[0].length, parts: [] };
  const command = /^\\(?:[A-Za-z]+\*?|.)/.exec(rest);
  if (!command) return { from: at, to: Math.min(limit, at + 1), parts: [] };
  return withArguments(text, at, at + command[0].length, limit);
}

function group(text: string, at: number, limit: number): Expression {
  const end = closing(text, at, limit);
  return { from: at, to: end, parts: expressionsOf(text, at + 1, Math.max(at + 1, end - 1)) };
}

/** Behind the brace that closes the one at a place; the limit when none does. */
function closing(text: string, open: number, limit: number): number {
  const at = closingBrace(text, open, limit);
  return at === null ? limit : at + 1;
}

/** A command and the arguments in brackets and braces that follow it. */
function withArguments(text: string, from: number, behind: number, limit: number): Expression {
  let to = behind;
  const parts: Expression[] = [];
  for (;;) {
    const optional = /^\[[^\]]*\]/.exec(text.slice(to, limit));
    if (optional && text[to + optional[0].length] === '{') to += optional[0].length;
    if (text[to] !== '{' || to >= limit) break;
    const argument = group(text, to, limit);
    parts.push(argument);
    ({ to } = argument);
  }
  return { from, to, parts };
}

const LEFT_RIGHT = /\\(left|right)(?![A-Za-z])\s*(?:\\[A-Za-z]+|\\.|.)/g;
const BEGIN_END = /\\(begin|end)\s*\{[^{}]*\}/g;

/** From an opening mark to its partner, with what stands between. */
function between(text: string, at: number, limit: number, marks: RegExp): Expression {
  const found = [...text.slice(at, limit).matchAll(marks)];
  let depth = 0;
  for (const mark of found) {
    depth += mark[1] === 'left' || mark[1] === 'begin' ? 1 : -1;
    if (depth > 0) continue;
    const inner = at + (found[0]?.[0].length ?? 0);
    const to = at + mark.index + mark[0].length;
    return { from: at, to, parts: expressionsOf(text, inner, at + mark.index) };
  }
  return { from: at, to: Math.min(limit, at + (found[0]?.[0].length ?? 1)), parts: [] };
}

/** The parts around a stretch, from the outermost to the innermost. */
export function chainAt(parts: readonly Expression[], { from, to }: Span): Expression[] {
  for (const part of parts)
    if (part.from <= from && part.to >= to) return [part, ...chainAt(part.parts, { from, to })];
  return [];
}

/** The next larger part that holds a stretch; all of the formula when none does. */
export function larger(parts: readonly Expression[], span: Span, whole: Span): Span {
  const around = chainAt(parts, span).findLast(({ from, to }) => from < span.from || to > span.to);
  return around ? { from: around.from, to: around.to } : whole;
}

/** The first part within a stretch; the stretch itself when it has none. */
export function smaller(parts: readonly Expression[], span: Span): Span {
  const inside = chainAt(parts, span).at(-1)?.parts ?? parts;
  const first = inside.find(
    ({ from, to }) => from >= span.from && to <= span.to && to - from < span.to - span.from,
  );
  return first ? { from: first.from, to: first.to } : span;
}

/** The neighbour of a part, before it or behind it, among the parts of what holds it. */
export function beside(parts: readonly Expression[], span: Span, step: 1 | -1): Span {
  const chain = chainAt(parts, span);
  const self = chain.findIndex(({ from, to }) => from === span.from && to === span.to);
  const holder = self > 0 ? (chain[self - 1]?.parts ?? parts) : self === 0 ? parts : null;
  const list = holder ?? chain.at(-1)?.parts ?? parts;
  const sorted = list.filter(({ from, to }) => from !== span.from || to !== span.to);
  const next =
    step > 0
      ? sorted.find(({ from }) => from >= span.to)
      : sorted.findLast(({ to }) => to <= span.from);
  return next ? { from: next.from, to: next.to } : span;
}
