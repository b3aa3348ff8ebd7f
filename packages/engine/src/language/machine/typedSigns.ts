import type { Token } from '../../expansion/meaning';
import { AMS_SYMBOLS, KERNEL_SYMBOLS } from '../symbols/symbols';
import type { MathReader } from './mathReader';

/** Signs typed or pasted into a formula that LaTeX elsewhere stops at, and the commands for them. */
const COMMANDS: ReadonlyMap<string, string> = new Map(
  [...AMS_SYMBOLS, ...KERNEL_SYMBOLS]
    .filter(({ char }) => /^[^\0-\xff]$/u.test(char))
    .map(({ char, name }) => [char, `\\${name}`]),
);
const OTHERS: ReadonlyMap<string, string> = new Map([
  ['−', '-'],
  ['–', '-'],
  ['′', "'"],
  ['∑', '\\sum'],
  ['∏', '\\prod'],
  ['∐', '\\coprod'],
  ['∫', '\\int'],
  ['∬', '\\iint'],
  ['∮', '\\oint'],
  ['⋃', '\\bigcup'],
  ['⋂', '\\bigcap'],
  ['⨁', '\\bigoplus'],
  ['⨂', '\\bigotimes'],
  ['ℝ', '\\mathbb{R}'],
  ['ℕ', '\\mathbb{N}'],
  ['ℤ', '\\mathbb{Z}'],
  ['ℚ', '\\mathbb{Q}'],
  ['ℂ', '\\mathbb{C}'],
]);

/** The command for a sign that is no letter or figure of the keyboard; null when none is known, or none is needed. */
const commandFor = (char: string): string | null => OTHERS.get(char) ?? COMMANDS.get(char) ?? null;

interface Edit {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

/** Tells of a sign typed as itself. Where a package reads them, nothing is told. */
export function tellTyped(reader: MathReader, token: Token): void {
  const command = commandFor(token.text);
  if (command !== null && token.chunk === reader.p.reader.chunk)
    tellTypedAs(reader, token, edited(reader.p.reader, token, command));
}

/** Tells of signs typed as themselves; those of one paragraph are one finding, whose button writes all of them as commands. */
export function tellTypedAs({ it }: MathReader, token: Token, edit: Edit): void {
  const { reader } = it.p;
  if (token.chunk !== reader.chunk || it.hasPackage('unicode-math')) return;
  it.p.reach = Math.max(it.p.reach, Math.min(reader.text.length, reader.base + edit.to + 1));
  const at = it.findings.findIndex(({ code }) => code === 'character-in-formula');
  const told = it.findings[at];
  if (!told) {
    const fix = { title: `Write ${edit.text.trim()}`, edits: [edit] };
    return it.p.report('character-in-formula', it.spanOf(token), { char: token.text }, fix);
  }
  const edits = told.fix?.edits ?? [];
  if (edits.some(({ from }) => from === edit.from)) return;
  it.findings[at] = { ...told, fix: { title: 'Write them as commands', edits: [...edits, edit] } };
}

/** The command in place of a sign, clear of the letter behind it; a root with the number or letter it is over. */
function edited(
  { text, base }: { readonly text: string; readonly base: number },
  { text: char, from, to }: Token,
  command: string,
) {
  const behind = text.slice(base + to, base + to + 20);
  if (char === '√') {
    const under = /^(?:\d+|[A-Za-z])/.exec(behind)?.[0] ?? '';
    const root = under ? `\\sqrt{${under}}` : behind.startsWith('{') ? '\\sqrt' : '\\surd ';
    return { from, to: to + under.length, text: root };
  }
  const needsBlank = /[A-Za-z]$/.test(command) && /^[A-Za-z]/.test(behind);
  return { from, to, text: command + (needsBlank ? ' ' : '') };
}
