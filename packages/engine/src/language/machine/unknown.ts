import { CELLS, ENVIRONMENT } from './cells';
import { editDistance, nearestName, nearestNames } from '../../base/nearest';
import type { Span } from '../../base/spans';
import { readArgument, readOptional } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { NAMES } from '../../expansion/state';
import { Cat } from '../../tokens/categories';
import type { Fix } from '../../findings/finding';
import { cutName, meantWays, missingOpen } from './meantNames';
import { MOST_FINDINGS } from './reading';
import type { Interpreter, LanguageCommand } from './interpreter';

const MOST_NEAR = 8;
/** Commands that most sheets use. */
const FREQUENT: ReadonlySet<string> = new Set(
  'item begin end section subsection textbf textit emph frac sqrt sum int label ref eqref cite caption includegraphics centering maketitle title author date left right text mathbb mathbf quad alpha beta gamma delta epsilon lambda infty leq geq neq cdot times to in subset partial ldots dots newcommand usepackage'.split(
    ' ',
  ),
);
const CONTROL_WORD = /^[A-Za-z]+\*?$/;

/** The known commands whose names are nearest; looked for once in a block. */
export function nearestCommands(it: Interpreter, name: string, most = 3): readonly string[] {
  const asked = `${most} ${name}`;
  let near = it.nearest.get(asked);
  if (!near) {
    const names = it.state.names((n) => CONTROL_WORD.test(n));
    near = nearestNames(name, names, MOST_NEAR);
    // Of names equally near those that sheets are full of come first.
    near = [...near.filter((n) => FREQUENT.has(n)), ...near.filter((n) => !FREQUENT.has(n))];
    near = near.slice(0, most);
    // What is proposed must be there still, and nothing nearer: the block depends on the names.
    it.state.read(NAMES);
    it.nearest.set(asked, near);
  }
  return near;
}

/** The known environment whose name is nearest. */
export function nearestEnvironment(it: Interpreter, name: string): string | null {
  function* names(): Generator<string> {
    for (const n of it.state.names((cell) => cell.startsWith(ENVIRONMENT))) yield n.slice(1);
    // A document's own have a command at each of their ends.
    for (const n of it.state.names((cell) => cell.startsWith('end') && CONTROL_WORD.test(cell)))
      if (it.state.peek(it.state.cell(n.slice(3))) !== undefined) yield n.slice(3);
  }
  it.state.read(NAMES);
  return nearestName(name, names());
}

/** A finding for a command nobody defined, with the nearest known ones as its fixes. */
export function unknownCommand(it: Interpreter, token: Token): void {
  const near = it.findings.length < MOST_FINDINGS ? nearestCommands(it, token.text) : [];
  const own = token.chunk === it.p.reader.chunk;
  const ways = own ? waysFor(it, token, near) : waysElsewhere(it, near);
  const span = own
    ? { from: token.from, to: token.from + token.text.length + 1 }
    : it.spanOf(token);
  const typo = token.text.length > 4 && editDistance(token.text, near[0] ?? '', 1) <= 1;
  if (!typo && !isMeant(it, token) && isStranger(it, `\\${token.text}`, span)) return;
  // A macro that repeats itself has the same to tell each time.
  const last = it.findings.at(-1);
  if (!own && last?.code === 'command-unknown' && last.from === span.from && last.to === span.to)
    return;
  it.p.report('command-unknown', span, { name: token.text }, ways);
}

/** Has a command a place where the unknown one stands, in a formula or in text? */
function fits(it: Interpreter, name: string): boolean {
  const meaning = it.state.meaning(it.state.cell(name));
  if (meaning?.kind === 'register') return false;
  if (meaning?.kind !== 'command') return true;
  const { entry } = meaning as LanguageCommand;
  return it.mode.inMath ? entry.math !== undefined || /^text|box$/.test(name) : Boolean(entry.run);
}

/** What its letters tell first, then names that are near; a name that goes on behind a known one is cut before those. */
function waysFor(it: Interpreter, token: Token, near: readonly string[]): Fix[] {
  const written = (name: string): Fix => ({
    title: `Write \\${name}`,
    edits: [{ from: token.from, to: token.from + token.text.length + 1, text: `\\${name}` }],
  });
  const open = missingOpen(it, token);
  if (open)
    return [
      { title: `Put { behind \\${open.name}`, edits: [{ from: open.at, to: open.at, text: '{' }] },
    ];
  const half = misspeltEnd(it, token);
  if (half) return [written(half)];
  const fitting = near.filter((name) => fits(it, name));
  const [first, ...others] = fitting.length > 0 ? fitting : near;
  // With its argument behind it, as in `\textbff{…}`, a letter is one too many.
  const isWhole = it.p.reader.text[it.p.reader.base + token.to] === '{' && first !== undefined;
  const cut = isWhole ? null : cutName(it, token);
  const isCut = cut !== null && first !== undefined && token.text.startsWith(first);
  const nearest = first !== undefined && !isCut ? [written(first)] : [];
  // Where another name is near, no part of this one is a command.
  const parts = cut && (first === undefined || isCut) ? [cut] : [];
  const ways = [...meantWays(it, token), ...nearest, ...parts, ...others.map(written)];
  return ways
    .filter((way, i) => ways.findIndex(({ title }) => title === way.title) === i)
    .slice(0, 3);
}

/** What is meant by a name that a macro holds: it is written right where it stands, which the session looks for. */
const waysElsewhere = (it: Interpreter, near: readonly string[]): Fix[] =>
  near
    .filter((name) => fits(it, name))
    .slice(0, 1)
    .map((name) => ({ title: `Write \\${name}`, edits: [] }));

const isMeant = (it: Interpreter, token: Token): boolean =>
  missingOpen(it, token) !== null || meantWays(it, token).length > 0;

/** Where a package that is not known is loaded, a name nobody defined is taken for one of its own, and told of with it. */
export function isStranger(it: Interpreter, name: string, { from, to }: Span): boolean {
  if (it.read(CELLS.unknownPackages).length === 0) return false;
  it.strangers.push({ name, from, to });
  return true;
}

/** `\bgein{enumerate}`: the beginning or the end of an environment there is, misspelt. */
function misspeltEnd(it: Interpreter, token: Token): 'begin' | 'end' | null {
  if (token.chunk !== it.p.reader.chunk || !it.p.atFile) return null;
  const { text, pos } = it.p.reader;
  it.p.reach = Math.max(it.p.reach, Math.min(text.length, pos + 40));
  const name = /^\{([A-Za-z]+\*?)\}/.exec(text.slice(pos, pos + 40))?.[1];
  if (name === undefined || (name !== 'document' && it.environment(name) === undefined))
    return null;
  if (editDistance(token.text, 'begin', 2) <= 2) return 'begin';
  return editDistance(token.text, 'end', 1) <= 1 || token.text === 'edn' ? 'end' : null;
}

/** In text: reports, and prints the name, marked, so that the place can be seen on the page. */
export function reportUnknownCommand(it: Interpreter, token: Token): void {
  unknownCommand(it, token);
  const open = it.p.atFile ? missingOpen(it, token) : null;
  if (open) {
    it.p.reader.jump(it.p.reader.base + open.at);
    const place = { from: token.from, to: open.at, chunk: token.chunk };
    return it.p.push([
      { ...it.p.command(open.name), ...place },
      { ...it.p.make(Cat.Begin, '{'), ...place },
    ]);
  }
  const meant = misspeltEnd(it, token);
  if (meant)
    return it.p.unread({ ...token, ...it.p.command(meant), from: token.from, to: token.to });
  if (it.read(CELLS.inDocument)) it.addMarked(`\\${token.text}`, it.spanOf(token));
  else skipArguments(it, token);
}

/** Another name in place of the one the tokens spell; nothing when they do not stand in this block. */
export function renameFix(
  it: Interpreter,
  tokens: readonly Token[],
  to: string | null,
): Fix | undefined {
  const own = tokens.filter((t) => t.chunk === it.p.reader.chunk);
  const [first] = own;
  const last = own.at(-1);
  if (!first || !last || to === null) return undefined;
  return { title: `Write ${to}`, edits: [{ from: first.from, to: last.to, text: to }] };
}

/** In the preamble, what stands in braces and brackets behind an unknown command is not text to be printed. */
function skipArguments(it: Interpreter, token: Token): void {
  it.p.takeChar('*');
  for (;;) {
    if (readOptional(it.p, false) !== null) continue;
    const next = it.p.next();
    if (!next) return;
    it.p.unread(next);
    if (next.cat !== Cat.Begin) return;
    readArgument(it.p, token, true);
  }
}
