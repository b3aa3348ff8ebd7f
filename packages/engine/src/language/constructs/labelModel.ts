import type { Sp } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { counterValue, setCounter } from '../machine/counters';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';

/** What stands for the number in a model of a label (packages enumerate, enumitem). */
const STANDS_FOR: Readonly<Record<string, string>> = {
  '1': 'arabic',
  a: 'alph',
  A: 'Alph',
  i: 'roman',
  I: 'Roman',
};

/** The number as it stands in the model. */
const numbered = (it: Interpreter, kind: string, counter: string): Token[] => [
  it.p.command(kind),
  it.p.make(Cat.Begin, '{'),
  ...it.p.chars(counter),
  it.p.make(Cat.End, '}'),
];

/** What a model says: the label, and the number alone. */
export interface LabelModel {
  readonly label: readonly Token[];
  readonly number: readonly Token[];
}

/**
 * Reads a model such as `Step 1.`: each `1 a A i I` that does not stand in braces is the number in
 * that form; null when there is none.
 */
export function labelModel(
  it: Interpreter,
  tokens: readonly Token[],
  counter: string,
): LabelModel | null {
  let depth = 0;
  let number: Token[] | null = null;
  const label = tokens.flatMap((t): readonly Token[] => {
    if (t.cat === Cat.Begin) depth++;
    if (t.cat === Cat.End) depth--;
    const kind = depth === 0 && t.cat !== Cat.Command ? STANDS_FOR[t.text] : undefined;
    if (!kind) return [t];
    number = numbered(it, kind, counter);
    return number;
  });
  return number && { label, number };
}

/** The room that package enumerate makes for labels after a model: that of the number 7, and `\\labelsep`. */
export function modelMargin(it: Interpreter, { label }: LabelModel, counter: string): Sp {
  const before = counterValue(it.state, counter);
  setCounter(it.state, counter, 7);
  const { width } = it.host.measure(it.inlinesOf(label));
  setCounter(it.state, counter, before);
  return width + it.dimen('labelsep');
}
