import type { MathNode } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { tokensOf, type CommandEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';

/** Reads what a math command needs and makes its nodes. */
export type Make = (reader: MathReader, token: Token) => readonly MathNode[] | MathNode | null;

/** A command that belongs in formulas; the example is its formula. */
export const mathEntry = (
  name: string,
  signature: string,
  description: string,
  example: string,
  math: Make,
): CommandEntry => ({
  name,
  signature,
  description,
  example: `$${example}$`,
  math,
});

/** Tokens read as one part of the formula; blanks alone are nothing. */
export function fieldOf(reader: MathReader, tokens: readonly Token[], caller: Token): MathNode[] {
  if (tokens.every((t) => t.cat === Cat.Space)) return [];
  const { p } = reader;
  p.push([p.make(Cat.Begin, '{'), ...tokens, p.make(Cat.End, '}')]);
  return reader.field(caller);
}

/** The same command in text: it makes its formula itself, of the arguments that its signature names. */
export const inTextToo = (entry: CommandEntry): CommandEntry => ({
  ...entry,
  run: (it, args, token) => {
    const { p } = it;
    const dollar = p.make(Cat.Math, '$');
    const parts = [...entry.signature].flatMap((kind, i): Token[] => {
      if (kind === 's') return args[i] === true ? p.chars('*') : [];
      if (kind === 'o')
        return args[i] ? [...p.chars('['), ...tokensOf(args, i), ...p.chars(']')] : [];
      return [p.make(Cat.Begin, '{'), ...tokensOf(args, i), p.make(Cat.End, '}')];
    });
    it.execute([dollar, token, ...parts, dollar]);
  },
});
