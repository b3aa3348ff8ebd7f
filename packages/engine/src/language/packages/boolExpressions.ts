import { readArgument } from '../../expansion/arguments';
import type { Expandable, Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { Cat } from '../../tokens/categories';

/**
 * Expressions of tests (etoolbox manual, section 3.6.5): `bool {name}`, `togl {name}`, `test {command}`, with `not`,
 * `and`, `or` and brackets. They are worked out from left to right; neither connective binds closer.
 */

const groupOf = (p: Processor, caller: Token): Token[] => readArgument(p, caller, true) ?? [];

/** What a name at the reader's place says: letters up to a blank, a brace or a sign. */
function takeWord(p: Processor): string {
  let word = '';
  for (let t = p.nextNonBlank(); t !== null; t = p.next()) {
    if (t.cat !== Cat.Letter) {
      p.unread(t);
      break;
    }
    word += t.text;
  }
  return word;
}

/** Does a command that takes two ways at its end take the first? */
function succeeds(p: Processor, test: readonly Token[], caller: Token): boolean {
  const [yes, no] = [p.make(Cat.Other, '1'), p.make(Cat.Other, '0')];
  const braced = (token: Token): Token[] => [p.make(Cat.Begin, '{'), token, p.make(Cat.End, '}')];
  p.push([...test, ...braced(yes), ...braced(no)]);
  const answer = p.nextExpanded();
  if (answer === yes || answer === no) return answer === yes;
  if (answer) p.unread(answer);
  p.report('argument-missing', p.spanOf(caller), { name: caller.text });
  return false;
}

interface Switches {
  readonly isBool: (p: Processor, name: string) => boolean;
  readonly isToggle: (p: Processor, name: string) => boolean;
}

/** The value of what the reader has at hand, up to `end`. */
function holds(p: Processor, caller: Token, end: Token, switches: Switches): boolean {
  const nameOf = (): string =>
    groupOf(p, caller)
      .map(({ text }) => text)
      .join('')
      .trim();
  const term = (): boolean => {
    const first = p.nextNonBlank();
    if (first === null || first === end) {
      if (first) p.unread(first);
      return false;
    }
    if (first.text === '(') {
      const inner = expression();
      const close = p.nextNonBlank();
      if (close && close.text !== ')') p.unread(close);
      return inner;
    }
    p.unread(first);
    switch (takeWord(p)) {
      case 'not':
        return !term();
      case 'bool':
        return switches.isBool(p, nameOf());
      case 'togl':
        return switches.isToggle(p, nameOf());
      case 'test':
        return succeeds(p, groupOf(p, caller), caller);
      default:
        p.report('argument-missing', p.spanOf(caller), { name: caller.text });
        // What is no test is passed over.
        if (first.cat !== Cat.Letter) p.next();
        return false;
    }
  };
  const expression = (): boolean => {
    let value = term();
    for (;;) {
      const next = p.nextNonBlank();
      if (next) p.unread(next);
      if (next === null || next === end || next.text === ')') return value;
      const word = takeWord(p);
      if (word === 'and') value = [term(), value].every(Boolean);
      else if (word === 'or') value = [term(), value].some(Boolean);
      else {
        p.report('argument-missing', p.spanOf(caller), { name: caller.text });
        return value;
      }
    }
  };
  return expression();
}

/** Works an expression out, and leaves nothing of it to be read. */
function worth(
  p: Processor,
  expression: readonly Token[],
  caller: Token,
  switches: Switches,
): boolean {
  const end = p.command('relax');
  p.push([...expression, end]);
  const value = holds(p, caller, end, switches);
  for (let t = p.next(); t !== null && t !== end; t = p.next());
  return value;
}

/** `\ifboolexpr`, and the loops that go by such an expression. */
export function boolExpressions(switches: Switches): readonly Expandable[] {
  const choice = (name: string): Expandable => ({
    kind: 'expandable',
    name,
    expand: (p, caller) => {
      const value = worth(p, groupOf(p, caller), caller, switches);
      const [yes, no] = [groupOf(p, caller), groupOf(p, caller)];
      p.push(value ? yes : no);
    },
  });
  const loop = (name: string, goesOn: boolean): Expandable => ({
    kind: 'expandable',
    name,
    protect: true,
    expand: (p, caller) => {
      const expression = groupOf(p, caller);
      const body = groupOf(p, caller);
      if (worth(p, expression, caller, switches) !== goesOn) return;
      const [open, close] = [p.make(Cat.Begin, '{'), p.make(Cat.End, '}')];
      p.push([...body, caller, open, ...expression, close, open, ...body, close]);
    },
  });
  return [
    choice('ifboolexpr'),
    choice('ifboolexpe'),
    loop('whileboolexpr', true),
    loop('whileboolexpe', true),
    loop('unlessboolexpr', false),
    loop('unlessboolexpe', false),
  ];
}
