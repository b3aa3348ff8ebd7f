import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';

/** The kernel's hooks that there is a command for. Those of pages count from the upper left corner. */
const HOOKS: Readonly<Record<string, string>> = {
  begindocument: '\\AtBeginDocument',
  'begindocument/before': '\\AtEndPreamble',
  'begindocument/end': '\\AtBeginDocument',
  enddocument: '\\AtEndDocument',
  'shipout/background': '\\@addbehindtop',
  'shipout/foreground': '\\@addbeforetop',
};

/** What adds to a hook, before the code that is added; null when nothing here ever carries it out. */
function adderOf(name: string): string | null {
  const environment = /^env\/(.+)\/(before|begin|end|after)$/.exec(name);
  if (environment) return `\\@hookenv{${environment[1]}}{${environment[2]}}`;
  return HOOKS[name] ?? null;
}

function addToHook(it: Interpreter, name: string, code: readonly Token[], token: Token): void {
  const adder = adderOf(name);
  if (adder === null) return it.p.report('option-unknown', it.spanOf(token), { name });
  it.execute([...it.source(adder), it.p.make(Cat.Begin, '{'), ...code, it.p.make(Cat.End, '}')]);
}

/** `\AddToHook{name}{code}`: what the kernel carries out at fixed places. */
export const hookCommands: readonly CommandEntry[] = [
  {
    name: 'AddToHook',
    signature: 'mom',
    description:
      'Adds to what is carried out at a place: begindocument, env/quote/begin, shipout/background.',
    example: '\\AddToHook{env/quote/begin}{\\small}',
    run: (it, args, token) =>
      addToHook(it, textOf(it.p, tokensOf(args, 0)), tokensOf(args, 2), token),
  },
];
