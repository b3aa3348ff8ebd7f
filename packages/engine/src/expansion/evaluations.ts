import { PT, type Glue } from '../base/lengths';
import { Cat } from '../tokens/categories';
import { readArgument } from './arguments';
import { FloatTrouble, floatText, floatValue } from './floatExpressions';
import type { Expandable, Quantity, Token } from './meaning';
import type { Processor } from './processor';
import { quantityOf } from './scan';
import { expandTokens } from './tokenText';

/** What a register holds as a number: lengths in pt. */
function numberOf({ type, value }: Quantity): number {
  if (type === 'count') return Number(value);
  return (typeof value === 'number' ? value : ((value as Glue | undefined)?.width ?? 0)) / PT;
}

/** An argument as the text of an expression, registers by their values. */
function expressionText(p: Processor, tokens: readonly Token[]): string {
  return expandTokens(p, tokens)
    .map((token) => {
      const held = token.cell === null ? null : quantityOf(p, token);
      if (held) return `(${numberOf(held)})`;
      return token.cat === Cat.Command ? `\\${token.text}` : token.text;
    })
    .join('');
}

/** The value of the expression in an argument; what cannot be read is told, and counts 0. */
export function evaluated(p: Processor, tokens: readonly Token[], caller: Token): number {
  try {
    return floatValue(expressionText(p, tokens));
  } catch (error) {
    if (!(error instanceof FloatTrouble)) throw error;
    p.report('number-missing', p.spanOf(caller));
    return 0;
  }
}

const evaluation = (
  name: string,
  print: (p: Processor, tokens: readonly Token[], caller: Token) => readonly Token[],
): Expandable => ({
  kind: 'expandable',
  name,
  expand: (p, caller) => p.push(print(p, readArgument(p, caller) ?? [], caller)),
});

const byRegister = (name: string, primitive: string): Expandable =>
  evaluation(name, (p, tokens) => [
    p.command('the'),
    p.command(primitive),
    ...tokens,
    p.command('relax'),
  ]);

/** `\fpeval \inteval \dimeval \skipeval`: numbers worked out where they stand. */
export const evaluations: readonly Expandable[] = [
  evaluation('fpeval', (p, tokens, caller) => p.chars(floatText(evaluated(p, tokens, caller)))),
  byRegister('inteval', 'numexpr'),
  byRegister('dimeval', 'dimexpr'),
  byRegister('skipeval', 'glueexpr'),
];
