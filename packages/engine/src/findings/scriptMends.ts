import type { Fix } from './entry';

/** Where what ends there begins: a group, a command, or one character. */
function startOf(text: string, end: number): number {
  let at = end;
  while (at > 0 && /\s/.test(text[at - 1] as string)) at--;
  if (text[at - 1] !== '}') {
    const command = /\\[A-Za-z]+$/.exec(text.slice(Math.max(0, at - 40), at));
    return command ? at - command[0].length : at - 1;
  }
  let depth = 0;
  for (at--; at >= 0; at--) {
    if (text[at] === '}' && text[at - 1] !== '\\') depth++;
    else if (text[at] === '{' && text[at - 1] !== '\\' && --depth === 0) break;
  }
  // What a command works on begins with that.
  const command = /\\[A-Za-z]+(?:\[[^\]]*\])?(?:\{[^{}]*\})?$/.exec(
    text.slice(Math.max(0, at - 60), at),
  );
  return command ? at - command[0].length : at;
}

/** Where what begins there ends. */
function endOf(text: string, start: number): number {
  let at = start;
  while (/\s/.test(text[at] ?? '')) at++;
  if (text[at] === '\\')
    return at + 1 + (/^(?:[A-Za-z]+|.)/.exec(text.slice(at + 1))?.[0].length ?? 0);
  if (text[at] !== '{') return Math.min(text.length, at + 1);
  let depth = 0;
  for (; at < text.length; at++) {
    if (text[at] === '{') depth++;
    else if (text[at] === '}' && --depth === 0) return at + 1;
  }
  return text.length;
}

/**
 * `a^b^c`, `x_i^2_j`: a script on the script before it, or on all that stands before, the likelier first.
 *
 * @param mark where the second `^` or `_` stands.
 */
export function secondScript(text: string, mark: number): Fix[] {
  const end = endOf(text, mark + 1);
  const first = startOf(text, mark);
  let at = first;
  let count = 0;
  while (at > 0 && /[\^_]/.test(text[at - 1] as string)) {
    at = startOf(text, at - 1);
    count++;
  }
  if (count === 0) return [];
  const all: Fix = {
    title: 'Put braces around the first',
    edits: [
      { from: at, to: at, text: '{' },
      { from: mark, to: mark, text: '}' },
    ],
  };
  if (count > 1 || text[first - 1] !== text[mark]) return [all];
  const body = text.slice(first, mark).trimEnd();
  const inner = body.startsWith('{') ? body.slice(1, -1) : body;
  const nested: Fix = {
    title: 'Put braces around the second',
    edits: [{ from: first, to: end, text: `{${inner}${text.slice(mark, end)}}` }],
  };
  return [nested, all];
}
