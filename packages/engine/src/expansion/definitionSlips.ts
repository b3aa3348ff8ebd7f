import { Cat } from '../tokens/categories';
import type { Token } from './meaning';
import type { Processor } from './processor';

/** What definitions say of their names and arguments that they cannot mean. */

/** How many arguments a definition takes, as its brackets say. */
export const countOf = (count: readonly Token[] | null): number =>
  count ? Math.max(0, Math.min(9, parseInt(count.map((t) => t.text).join(''), 10) || 0)) : 0;

/** `#2` in a definition that takes fewer: tells of the first, and how many it would have to take. */
export function checkArguments(
  p: Processor,
  target: Token,
  count: readonly Token[] | null,
  body: readonly Token[],
): void {
  const used = argumentsIn(body);
  const total = countOf(count);
  const beyond = used.find(({ text }) => Number(text) > total);
  if (!beyond || beyond.chunk !== p.reader.chunk) return;
  const span = { from: beyond.from - 1, to: beyond.to };
  const most = Math.max(...used.map(({ text }) => Number(text)));
  const [first] = count ?? [];
  const { text, base } = p.reader;
  const behind = target.to + (text[base + target.to] === '}' ? 1 : 0);
  const given = first
    ? { from: first.from, to: first.to, text: String(most) }
    : { from: behind, to: behind, text: `[${most}]` };
  const taking = { title: `Let it take ${most}`, edits: [given] };
  const isOnly = total === 1 && used.every((one) => one.text === beyond.text);
  const renumbered = {
    title: 'Write #1',
    edits: used.map(({ from, to }) => ({ from: from - 1, to, text: '#1' })),
  };
  const ways = first && first.chunk !== beyond.chunk ? [] : [taking];
  const args = { name: target.text, number: beyond.text, count: String(total) };
  p.report('argument-beyond', span, args, isOnly ? [renumbered, ...ways] : ways);
}

/** The places where a body uses its arguments; `##` is a sign of its own. */
function argumentsIn(body: readonly Token[]): Token[] {
  const out: Token[] = [];
  for (let i = 0; i + 1 < body.length; i++) {
    const [sign, next] = [body[i] as Token, body[i + 1] as Token];
    if (sign.cat !== Cat.Parameter) continue;
    i++;
    if (/^[1-9]$/.test(next.text)) out.push({ ...next, cat: Cat.Argument });
  }
  return out;
}

/** `\newcommand{R}`: a name without its backslash, told of and taken for the command; null when it is none. */
export function bareName(p: Processor, caller: Token, names: readonly Token[]): Token | null {
  const [first] = names;
  const name = names.map(({ text }) => text).join('');
  if (!first || first.chunk !== p.reader.chunk || !/^[A-Za-z]+$/.test(name)) return null;
  const edits = [{ from: first.from, to: first.from, text: '\\' }];
  const span = { from: first.from, to: names.at(-1)?.to ?? first.to };
  p.report('name-bare', span, { name, command: caller.text }, { title: `Write \\${name}`, edits });
  return p.command(name);
}
