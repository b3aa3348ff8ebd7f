import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { tokensOf, type Args, type CommandEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { ExpressionTrouble, readExpression, writtenNumber } from './arithmetic';
import { numberIn } from './coordinates';
import { formatFrom, numberText, PLAIN_NUMBERS } from './axes/numberFormat';
import { PICTURE, surroundings, unitsOf } from './openPicture';
import { readingOf } from './reading';
import { wordsOf } from './words';

/** The value of an expression as it is written, or 0 and a finding. */
export function worked(it: Interpreter, tokens: readonly Token[], whole = false): string {
  const text = wordsOf(it, tokens);
  try {
    const expression = readExpression(text, unitsOf(it));
    const value = expression.run(surroundings(it));
    if (typeof value !== 'number') return typeof value === 'string' ? value : String(value);
    return whole
      ? String(Math.trunc(value + Math.sign(value) * 1e-6))
      : writtenNumber(value, expression.integral);
  } catch (error) {
    if (!(error instanceof ExpressionTrouble)) throw error;
    it.p.report('picture-number', it.p.place, { word: text });
    return '0';
  }
}

const arithmetic = (
  name: string,
  signature: string,
  description: string,
  example: string,
  run: (it: Interpreter, args: Args) => void,
  math?: CommandEntry['math'],
): CommandEntry => ({
  name,
  signature,
  description,
  example,
  package: 'tikz',
  run,
  ...(math && { math }),
});

const named = (args: Args, i: number): string =>
  tokensOf(args, i).find((t) => t.cat === Cat.Command)?.text ?? '';

/** Commands of arithmetic, in pictures and in text. */
export const ARITHMETIC: readonly CommandEntry[] = [
  arithmetic(
    'pgfmathsetmacro',
    'mm',
    'Gives a name to the value of an expression.',
    '\\pgfmathsetmacro{\\tide}{2*sin(30)}\\tide',
    (it, args) => it.define(named(args, 0), worked(it, tokensOf(args, 1))),
  ),
  arithmetic(
    'pgfmathtruncatemacro',
    'mm',
    'Gives a name to the value of an expression, cut to a whole number.',
    '\\pgfmathtruncatemacro{\\tide}{7/2}\\tide',
    (it, args) => it.define(named(args, 0), worked(it, tokensOf(args, 1), true)),
  ),
  arithmetic(
    'pgfmathparse',
    'm',
    'Works an expression out; \\pgfmathresult is its value.',
    '\\pgfmathparse{3*4}\\pgfmathresult',
    (it, args) => it.define('pgfmathresult', worked(it, tokensOf(args, 0))),
  ),
  arithmetic(
    'pgfmathsetlength',
    'mm',
    'Gives a length the value of an expression.',
    '\\newlength{\\quay}\\pgfmathsetlength{\\quay}{2cm/3}',
    (it, args) => setLength(it, args),
  ),
  arithmetic(
    'pgfmathsetlengthmacro',
    'mm',
    'Gives a name to a length.',
    '\\pgfmathsetlengthmacro{\\quay}{1cm+2pt}',
    (it, args) => it.define(named(args, 0), `${worked(it, tokensOf(args, 1))}pt`),
  ),
  arithmetic(
    'pgfmathrandominteger',
    'mmm',
    'Gives a name to a whole number drawn by chance.',
    '\\pgfmathrandominteger{\\die}{1}{6}',
    (it, args) => {
      const [from, to] = [1, 2].map(
        (i) => numberIn(readingOf(it), wordsOf(it, tokensOf(args, i))).value,
      );
      const drawn = surroundings(it).random();
      it.define(
        named(args, 0),
        String((from ?? 0) + Math.floor(drawn * ((to ?? 0) - (from ?? 0) + 1))),
      );
    },
  ),
  arithmetic(
    'pgfmathsetseed',
    'm',
    'Where numbers drawn by chance begin.',
    '\\pgfmathsetseed{7}',
    (it, args) => {
      const picture = it.read(PICTURE);
      if (picture)
        picture.seed = Math.max(
          1,
          Math.trunc(numberIn(readingOf(it), wordsOf(it, tokensOf(args, 0))).value),
        );
    },
  ),
  arithmetic(
    'pgfmathprintnumber',
    'om',
    'A number as plots write it.',
    '\\pgfmathprintnumber{0.25}',
    (it, args) => it.execute(it.source(`\\ensuremath{${printed(it, args)}}`)),
    (reader, token) => {
      const args = reader.it.readArguments('om', token);
      if (!args) return null;
      reader.p.push(reader.it.source(`{${printed(reader.it, args)}}`));
      return reader.field(token);
    },
  ),
];
/** A number as plots write it, by the options before it. */
function printed(it: Interpreter, args: Args): string {
  const options = it.source('/pgf/number format/.cd,');
  const { format } = formatFrom(it, PLAIN_NUMBERS, [...options, ...tokensOf(args, 0)]);
  return numberText(numberIn(readingOf(it), wordsOf(it, tokensOf(args, 1))).value, 2, format);
}

function setLength(it: Interpreter, args: Args): void {
  it.execute([...tokensOf(args, 0), ...it.source(`=${worked(it, tokensOf(args, 1))}pt\\relax `)]);
}
