import { LANGUAGE } from '../constructs/languages';
import { CELLS } from '../machine/cells';
import {
  type CommandEntry,
  type EnvironmentEntry,
  isStarred,
  type PackageEntry,
  tokensOf,
} from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { type Language, languageNamed } from '../symbols/languages';
import { idleEntry, macroEntry, quietEntry } from '../machine/macroEntry';

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
    idleEntry('MakeOuterQuote', 'm', 'A character that stands for quotation marks.'),
    idleEntry('MakeAutoQuote', 'mm', 'Characters that stand for quotation marks.'),
    quietEntry('SetCiteCommand', 'm', 'How sources are cited.'),
  ],
  environments: [displayquote],
};
