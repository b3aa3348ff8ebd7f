import type { MathNode } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { CommandEntry } from './entries';
import { formulaTokens } from './environmentTokens';
import type { MathReader } from './mathReader';

/** Commands of text that may stand in a formula: what they make is set as text, in one piece. */
const IN_ONE_PIECE: ReadonlySet<string> = new Set(
  `raisebox reflectbox scalebox resizebox rotatebox href llap rlap clap textcopyright
   textregistered texttrademark textcircled textdagger textdaggerdbl textbullet textperiodcentered
   textasciitilde textasciicircum textbackslash textbar textless textgreater textunderscore textbraceleft
   textbraceright textdollar textsterling textquoteleft textquoteright textquotedblleft textquotedblright
   textemdash textendash textdegree textellipsis textvisiblespace textexclamdown textquestiondown
   textordfeminine textordmasculine textonehalf texteuro
   AA aa AE ae OE oe O o L l ss i j u c r H v b d t k \` ' ^ " ~ = . SS th TH DH dh
   includegraphics colorbox fcolorbox sout uline uwave dotuline dashuline xout
   makebox framebox fbox frame rule usebox strut footnotemark textsuperscript textsubscript hypertarget cite ref pageref nameref autoref cref Cref TextOrMath
   underbar textsc textsl textup textmd textnormal emph`
    .trim()
    .split(/\s+/),
);

/** Those whose arguments are not read as tokens. */
const READ_RAW: ReadonlySet<string> = new Set('url nolinkurl verb lstinline'.split(' '));

export const SIZES: ReadonlySet<string> = new Set(
  'tiny scriptsize footnotesize small normalsize large Large LARGE huge Huge'.split(' '),
);

export const ENVIRONMENTS: ReadonlySet<string> = new Set([
  'tabular',
  'tabular*',
  'tabularx',
  'minipage',
]);

/** Nothing is set, and nothing is wrong. */
export const EMPTY = 'empty';

/** Commands that set something or leave a mark: they do so in formulas too. */
const CARRIED_OUT: ReadonlySet<string> = new Set(
  `setcounter addtocounter stepcounter refstepcounter newcounter setlength addtolength phantomsection
   addcontentsline pdfbookmark`
    .trim()
    .split(/\s+/),
);
/** Room and breaks that LaTeX takes in formulas, where they come to nothing. */
const COME_TO_NOTHING: ReadonlySet<string> = new Set(
  'hfill hrulefill dotfill vspace linebreak newline pagebreak noindent unskip null'.split(' '),
);

/** A command that has no form of its own in formulas: set as text in one piece, as a size, or null. */
export function textInFormula(
  reader: MathReader,
  entry: CommandEntry,
  token: Token,
): MathNode | typeof EMPTY | null {
  const { it } = reader;
  if (SIZES.has(entry.name) && entry.run) {
    const args = it.readArguments(entry.signature, token);
    if (args) entry.run(it, args, token);
    return { kind: 'size', size: it.font.size, ...reader.span(token) };
  }
  if (CARRIED_OUT.has(entry.name) || COME_TO_NOTHING.has(entry.name)) {
    const args = it.readArguments(entry.signature, token);
    if (args && CARRIED_OUT.has(entry.name)) entry.run?.(it, args, token);
    return EMPTY;
  }
  if (READ_RAW.has(entry.name) && entry.run) {
    const { run } = entry;
    const inlines = it.inlinesBy(() => {
      const args = it.readArguments(entry.signature, token);
      if (args) run(it, args, token);
    });
    return { kind: 'text', inlines, ...reader.span(token) };
  }
  if (!IN_ONE_PIECE.has(entry.name)) return null;
  const args = it.readArguments(entry.signature, token);
  if (!args) return { kind: 'group', cls: 'ord', body: [], limits: false, ...reader.span(token) };
  const letters = [...entry.signature].filter((kind) => kind !== ' ');
  const again = letters.flatMap((kind, i): readonly Token[] => {
    const arg = args[i];
    if (arg === null || arg === undefined || arg === false) return [];
    if (arg === true) return it.p.chars('*');
    const tokens = arg as readonly Token[];
    return kind === 'o'
      ? [it.p.make(Cat.Other, '['), ...tokens, it.p.make(Cat.Other, ']')]
      : [it.p.make(Cat.Begin, '{'), ...tokens, it.p.make(Cat.End, '}')];
  });
  const inlines = it.inlinesOf([token, ...again]);
  return { kind: 'text', inlines, ...reader.span(token) };
}

/** A table or a box of text inside a formula; null when the environment is none. */
export function textEnvironment(reader: MathReader, begin: Token, name: string): MathNode | null {
  if (!ENVIRONMENTS.has(name)) return null;
  const { p, it } = reader;
  const body = formulaTokens(reader, name, begin);
  const named = (): Token[] => [p.make(Cat.Begin, '{'), ...p.chars(name), p.make(Cat.End, '}')];
  const whole = [begin, ...named(), ...body, p.command('end'), ...named()];
  return { kind: 'text', inlines: it.inlinesOf(whole), ...reader.span(begin) };
}
