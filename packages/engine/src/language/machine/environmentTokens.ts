import { readArgument } from '../../expansion/arguments';
import { textOf } from '../../expansion/tokenText';
import { STOP, type Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { Cat } from '../../tokens/categories';

/** The tokens up to the `\end` of the environment, which is taken; nothing in them is expanded. */
export function environmentTokens(p: Processor, name: string): Token[] {
  const out: Token[] = [];
  let open = 1;
  for (let token = p.next(); token !== null; token = p.next()) {
    const edge = token.cat === Cat.Command && (token.text === 'begin' || token.text === 'end');
    if (token.cat === STOP) {
      p.unread(token);
      break;
    }
    if (!edge) {
      out.push(token);
      continue;
    }
    const argument = readArgument(p, token) ?? [];
    if (textOf(p, argument) === name) open += token.text === 'begin' ? 1 : -1;
    if (open === 0) return out;
    out.push(token, p.make(Cat.Begin, '{'), ...argument, p.make(Cat.End, '}'));
  }
  p.report('environment-unclosed', p.place, { name });
  return out;
}
