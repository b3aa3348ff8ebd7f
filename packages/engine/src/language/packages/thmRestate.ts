import { cellsBy } from '../../expansion/cells';
import { detach, type Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { counterText } from '../machine/counters';
import { macroOf } from '../machine/define';
import { type Args, type EnvironmentEntry, type PackageEntry, tokensOf } from '../machine/entries';
import { environmentTokens } from '../machine/environmentTokens';
import { closeEnvironment } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';

/** A theorem that is kept to be said again. */
interface Kept {
  readonly kind: string;
  readonly note: readonly Token[] | null;
  readonly body: readonly Token[];
  readonly number: string;
}

/** Theorems kept under the names of commands. */
const kept = cellsBy<Kept | null>('restated', null);

/** The counter of a kind of theorem, or null when it has no number. */
function counterOf(it: Interpreter, kind: string): string | null {
  const detail = it.environment(kind)?.detail as { counter?: string | null } | undefined;
  return detail?.counter ?? null;
}

/** `\begin{kind}[note] … \end{kind}` */
function theoremTokens(
  it: Interpreter,
  kind: string,
  note: readonly Token[] | null,
  body: readonly Token[],
): Token[] {
  const { p } = it;
  const bracketed = note ? [p.make(Cat.Other, '['), ...note, p.make(Cat.Other, ']')] : [];
  return [...it.source(`\\begin{${kind}}`), ...bracketed, ...body, ...it.source(`\\end{${kind}}`)];
}

/** Sets the theorem and keeps it under the name of a command. */
function beginRestatable(it: Interpreter, args: Args): void {
  const note = Array.isArray(args[0]) ? tokensOf(args, 0) : null;
  const kind = textOf(it.p, tokensOf(args, 1));
  const name = textOf(it.p, tokensOf(args, 2));
  const body = environmentTokens(it, 'restatable');
  closeEnvironment(it);
  const keep = it.source(`\\csname keep@restated\\endcsname{${kind}}{${name}}`);
  const theorem: Kept = {
    kind,
    note: note ? detach(note) : null,
    body: detach(withoutLabels(body)),
    number: '',
  };
  it.write(kept(name), theorem, true);
  it.p.push([...theoremTokens(it, kind, note, body), ...keep]);
}

/** A label stands for the first place alone. */
function withoutLabels(tokens: readonly Token[]): Token[] {
  const out: Token[] = [];
  for (let i = 0; i < tokens.length; i++) {
    if (tokens[i]?.text !== 'label' || tokens[i]?.cell === null) {
      out.push(tokens[i] as Token);
      continue;
    }
    while (i < tokens.length && tokens[i]?.cat !== Cat.End) i++;
  }
  return out;
}

/** After the theorem its number is known; the command that says it again is made. */
function keep(it: Interpreter, args: Args): void {
  const [kind, name] = [0, 1].map((i) => textOf(it.p, tokensOf(args, i))) as [string, string];
  const theorem = it.read(kept(name));
  if (!theorem) return;
  const counter = counterOf(it, kind);
  const number = counter ? counterText(it, counter) : '';
  it.write(kept(name), { ...theorem, number }, true);
  const again = `\\csname say@restated\\endcsname{${name}}`;
  const body = `\\csname @ifstar\\endcsname{${again}}{${again}}`;
  it.state.set(it.state.cell(name), macroOf(it.state, body), true);
}

/** The theorem once more, under the number it had. */
function sayAgain(it: Interpreter, args: Args): void {
  const theorem = it.read(kept(textOf(it.p, tokensOf(args, 0))));
  if (!theorem) return;
  const counter = counterOf(it, theorem.kind);
  const before = counter ? `\\begingroup\\def\\the${counter}{${theorem.number}}` : '\\begingroup';
  const after = counter ? `\\addtocounter{${counter}}{-1}\\endgroup` : '\\endgroup';
  const again = theoremTokens(it, theorem.kind, theorem.note, theorem.body);
  it.p.push([...it.source(before), ...again, ...it.source(after)]);
}

const restatable = (name: string): EnvironmentEntry => ({
  name,
  signature: 'omm',
  description: 'A theorem that a command of the given name says again later.',
  example: `\\newtheorem{tide}{Tide}\\begin{${name}}{tide}{again}\nIt turns.\n\\end{${name}}\n\\again*`,
  begin: beginRestatable,
});

/** thm-restate: theorems that are said again under their number. */
export const thmRestate: PackageEntry = {
  name: 'thm-restate',
  description: 'Theorems that are said again later under the number they had.',
  options: null,
  requires: ['thmtools'],
  commands: [
    { name: 'keep@restated', signature: 'mm', description: '', example: '', run: keep },
    { name: 'say@restated', signature: 'm', description: '', example: '', run: sayAgain },
  ],
  environments: [restatable('restatable')],
};
