import { LANGUAGE } from '../constructs/languages';
import { flag } from '../../expansion/cells';
import { tokensText } from '../../expansion/tokenText';
import { Cat, withCategory } from '../../tokens/categories';
import { activeName } from '../../tokens/reader';
import { CELLS } from '../machine/cells';
import { install } from '../machine/install';
import {
  type Args,
  type CommandEntry,
  type EnvironmentEntry,
  isStarred,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { type Language, languageNamed } from '../symbols/languages';
import { macroEntry, quietEntry } from '../machine/macroEntry';

/** The marks of the language in force (csquotes manual, option autostyle). */
const quotesOf = (it: Interpreter): Language['quotes'] =>
  languageNamed(it.read(LANGUAGE) ?? '')?.quotes ?? ['“', '”', '‘', '’'];

const enquote: CommandEntry = {
  name: 'enquote',
  signature: 'sM',
  description: 'Text in quotation marks; inside others, in single ones.',
  example: '\\enquote{high water}',
  package: 'csquotes',
  run: (it, args) => {
    const depth = it.read(CELLS.quoteDepth);
    const inner = isStarred(args) || depth % 2 === 1;
    it.startParagraph();
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    it.write(CELLS.quoteDepth, depth + 1);
    const [open, close, openInner, closeInner] = quotesOf(it);
    it.execute(it.p.chars(inner ? openInner : open));
    it.execute(tokensOf(args, 1));
    it.execute(it.p.chars(inner ? closeInner : close));
    it.closeGroup();
  },
};

/** Has the character that `\MakeOuterQuote` names opened a quotation that it will close? */
const OUTER_OPEN = flag('outerquote');

/** From here on a character carries something out. */
function activate(it: Interpreter, char: string, run: (inner: Interpreter) => void): void {
  const entry: CommandEntry = {
    name: activeName(char),
    signature: '',
    description: '',
    example: '',
    run,
    math: (reader, token) => reader.symbol(char, 'ord', reader.span(token)),
  };
  install(it, { commands: [entry] }, []);
  if (char === '"') it.write(CELLS.ownQuotes, true, true);
  it.p.setCategories(withCategory(it.p.categories, char.codePointAt(0) ?? 0, Cat.Active));
}

const charOf = (args: Args, i: number): string =>
  [...tokensText(tokensOf(args, i)).trim().replace(/^\\/, '')][0] ?? '';

/** One character for both quotation marks: it opens, then closes. */
const outerQuote: CommandEntry = {
  name: 'MakeOuterQuote',
  signature: 'm',
  description: 'A character that stands for both quotation marks in turn.',
  example: '\\MakeOuterQuote{"}"high water"',
  package: 'csquotes',
  run: (it, args) => {
    const char = charOf(args, 0);
    if (char === '') return;
    activate(it, char, (inner) => {
      const open = inner.read(OUTER_OPEN);
      inner.startParagraph();
      inner.write(OUTER_OPEN, !open, true);
      inner.execute(inner.p.chars(quotesOf(inner)[open ? 1 : 0]));
    });
  },
};

/** A character that opens quotations and one that closes them. */
const autoQuote: CommandEntry = {
  name: 'MakeAutoQuote',
  signature: 'mm',
  description: 'A character that opens quotations, and one that closes them.',
  example: '\\MakeAutoQuote{»}{«}»high water«',
  package: 'csquotes',
  run: (it, args) => {
    for (const i of [0, 1] as const) {
      const char = charOf(args, i);
      if (char !== '')
        activate(it, char, (inner) => inner.execute(inner.p.chars(quotesOf(inner)[i])));
    }
  },
};

const displayquote: EnvironmentEntry = {
  name: 'displayquote',
  signature: 'oo',
  description: 'A quotation set apart.',
  example: '\\begin{displayquote}\nThe tide waits for nobody.\n\\end{displayquote}',
  package: 'csquotes',
  begin: (it, _args, token) => it.environment('quote')?.begin?.(it, [], token),
  end: (it) => it.environment('quote')?.end?.(it),
};

/** csquotes: quotation marks by what they are for. */
export const csquotes: PackageEntry = {
  name: 'csquotes',
  description: 'Quotation marks that fit where they stand.',
  options: null,
  commands: [
    enquote,
    macroEntry(
      'textquote',
      'oM',
      'A quotation with its source.',
      '\\textquote{high water}',
      '\\enquote{#2}',
      '',
    ),
    macroEntry(
      'blockquote',
      'oM',
      'A longer quotation.',
      '\\blockquote{high water}',
      '\\enquote{#2}',
      '',
    ),
    macroEntry(
      'foreignquote',
      'mM',
      'A quotation in another language.',
      '\\foreignquote{french}{mer}',
      '\\enquote{#2}',
    ),
    outerQuote,
    autoQuote,
    quietEntry('SetCiteCommand', 'm', 'How sources are cited.'),
  ],
  environments: [displayquote],
};
