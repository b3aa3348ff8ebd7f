import type { Token } from '../../expansion/meaning';
import type { Fix } from '../../findings/finding';
import { MEANT_COMMANDS } from '../symbols/meantCommands';
import type { Interpreter } from './interpreter';

/** A command that takes what is run into its name as its argument. */
const TAKES_ONE =
  /^(?:math(?:bb|cal|frak|rm|bf|sf|it|scr|tt)|text(?:bf|it|tt|sc|sf|rm)?|sqrt|hat|bar|vec|tilde|dot|ddot|overline|underline|emph)$/;
/** The shortest name that another may begin with. */
const SHORTEST = 3;

const isKnown = (it: Interpreter, name: string): boolean =>
  it.state.get(it.state.cell(name)) !== undefined;

/**
 * What a command that nobody defined was meant to be where its letters tell: the ways to write
 * it, the likeliest first. Names that are merely near are told by `nearestCommands`.
 */
export function meantWays(it: Interpreter, token: Token): readonly Fix[] {
  if (token.chunk !== it.p.reader.chunk) return [];
  const { text: name, from } = token;
  const write = (body: string, to = from + name.length + 1): Fix => ({
    title: `Write \\${body}`,
    edits: [{ from, to, text: `\\${body}` }],
  });
  const ways: Fix[] = [];
  const joined = joinedName(it, token);
  if (joined) ways.push(write(joined.name, joined.to));
  const meant = MEANT_COMMANDS.get(name.toLowerCase());
  if (meant && isKnown(it, /^[A-Za-z]+/.exec(meant)?.[0] ?? '')) ways.push(write(meant));
  const small = name.toLowerCase();
  if (small !== name && isKnown(it, small)) ways.push(write(small));
  return ways;
}

/** `\make title`: blanks within a name. */
function joinedName(
  it: Interpreter,
  { text: name, to }: Token,
): { name: string; to: number } | null {
  const { text, base } = it.p.reader;
  it.p.reach = Math.max(it.p.reach, Math.min(text.length, base + to + 60));
  const behind = /^(?:[ \t]+[A-Za-z]+){1,3}/.exec(text.slice(base + to, base + to + 60))?.[0] ?? '';
  const parts = behind.match(/[ \t]+[A-Za-z]+/g) ?? [];
  for (let count = parts.length; count > 0; count--) {
    const taken = parts.slice(0, count).join('');
    const whole = (name + taken).replace(/\s/g, '');
    if (isKnown(it, whole)) return { name: whole, to: to + taken.length };
  }
  return null;
}

/** Commands that never stand without an argument in braces. */
const TAKES_BRACES =
  /^(?:documentclass|usepackage|(?:re)?newenvironment|(?:re)?newcommand|newtheorem|newcounter|setlength|setcounter|title|author|date|(?:sub)*section|chapter|paragraph|caption|label|ref|eqref|pageref|cite|footnote|begin|end|emph|text[a-z]{2}|text|math[a-z]{2,4}|frac|sqrt|input|includegraphics)$/;

/** `\reft}`: a known name whose `{` is missing; where it belongs, from the start of the block. */
export function missingOpen(it: Interpreter, token: Token): { name: string; at: number } | null {
  const { text, base, chunk } = it.p.reader;
  if (token.chunk !== chunk) return null;
  it.p.reach = Math.max(it.p.reach, Math.min(text.length, base + token.to + 120));
  const behind = text.slice(base + token.to, base + token.to + 120);
  if (!/^[^{}\n]*\}/.test(behind)) return null;
  for (let length = token.text.length - 1; length >= SHORTEST; length--) {
    const name = token.text.slice(0, length);
    if (TAKES_BRACES.test(name) && isKnown(it, name)) return { name, at: token.from + 1 + length };
  }
  return null;
}

/** `\alphax`, `\mathbbZ`, `\maketitleHello`: a known name with what follows run into it. */
export function cutName(it: Interpreter, { text: name, from }: Token): Fix | null {
  for (let length = name.length - 1; length >= SHORTEST; length--) {
    const [start, rest] = [name.slice(0, length), name.slice(length)];
    if (!isKnown(it, start)) continue;
    // The last letter twice: the finger stayed too long.
    if (start.endsWith(rest) && rest.length === 1) return null;
    const takes = TAKES_ONE.test(start);
    // Of short names many others begin: one letter more is likelier a slip of the finger.
    if (!takes && length < 4 && rest.length > 2) return null;
    const text = takes ? `\\${start}{${rest}}` : `\\${start} ${rest}`;
    return { title: `Write ${text}`, edits: [{ from, to: from + name.length + 1, text }] };
  }
  return null;
}
