import type { Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';

/** The columns of a table; where none are given, as many as its first row has, and what was taken for them is read again. */
export function givenColumns(
  it: Interpreter,
  given: readonly Token[],
  token: Token,
): readonly Token[] {
  const { text, base, chunk, pos } = it.p.reader;
  const [first] = given;
  if (first?.chunk !== chunk || !/\s/.test(text[base + first.from - 1] ?? '') || given.length > 1)
    return given;
  it.p.reach = Math.max(it.p.reach, Math.min(text.length, pos + 400));
  const row = /^[^]*?(?:\\\\|\\end\{)/.exec(text.slice(base + first.from, pos + 400))?.[0] ?? '';
  const columns = 'l'.repeat(1 + (row.match(/(?<!\\)&/g)?.length ?? 0));
  it.p.unread(first);
  let end = first.from;
  while (/\s/.test(text[base + end - 1] ?? '')) end--;
  const fix = {
    title: `Give it columns, {${columns}}`,
    edits: [{ from: end, to: end, text: `{${columns}}` }],
  };
  const brackets = /\[([lcr| ]+)\]$/.exec(text.slice(Math.max(0, base + end - 40), base + end));
  if (brackets?.[1] && columns.length > 1)
    fix.edits = [{ from: end - brackets[0].length, to: end, text: `{${brackets[1]}}` }];
  it.p.report('columns-missing', { from: token.from, to: token.to }, { name: token.text }, fix);
  return it.p.chars(columns);
}
