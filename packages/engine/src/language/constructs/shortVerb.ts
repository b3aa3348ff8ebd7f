import type { Inline } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';
import { readOptional } from '../../expansion/arguments';
import { activeName } from '../../tokens/reader';
import { Cat, withCategory } from '../../tokens/categories';
import { type CommandEntry, tokensOf } from '../machine/entries';
import { install } from '../machine/install';
import type { Interpreter } from '../machine/interpreter';
import { readRaw, typewriterInlines } from './verbatim';

/** How the text between two such characters is set. */
export type SetRaw = (it: Interpreter, text: string) => readonly Inline[];

/** The character that `\MakeShortVerb{\|}` names, with or without its backslash. */
const charOf = (tokens: readonly Token[]): string => tokens.find((t) => t.text !== '')?.text ?? '';

/** From here on text between two of that character is read as it stands. */
function makeShort(it: Interpreter, char: string, set: SetRaw): void {
  if ([...char].length !== 1) return;
  const command: CommandEntry = {
    name: activeName(char),
    signature: '',
    description: '',
    example: '',
    run: (inner, _args, token) => {
      inner.startParagraph();
      const { text, found } = readRaw(inner, char, true);
      const line = text.indexOf('\n');
      if (!found || line >= 0) inner.p.report('verb-unclosed', inner.spanOf(token), { open: char });
      for (const inline of set(inner, line >= 0 ? text.slice(0, line) : text)) inner.add(inline);
    },
  };
  install(it, { commands: [command] }, []);
  it.p.setCategories(withCategory(it.p.categories, char.codePointAt(0) ?? 0, Cat.Active));
}

/** `\MakeShortVerb{\|}` and its kin, and the command that takes it back. */
export const shortVerbs = (
  make: string,
  remove: string,
  set: SetRaw = (it, text) => typewriterInlines(it, text),
): readonly CommandEntry[] => [
  {
    name: make,
    signature: '',
    description: 'Text between two of a character is printed as it is typed.',
    example: `\\${make}{\\|}|50 % ebb|`,
    run: (it, _args, token) => {
      it.p.takeChar('*');
      readOptional(it.p);
      const args = it.readArguments('m', token);
      makeShort(it, charOf(tokensOf(args ?? [], 0)), set);
    },
  },
  {
    name: remove,
    signature: 'm',
    description: 'The character stands for itself again.',
    example: `\\${make}{\\|}\\${remove}{\\|}`,
    run: (it, args) => {
      const code = charOf(tokensOf(args, 0)).codePointAt(0) ?? 0;
      it.p.setCategories(withCategory(it.p.categories, code, Cat.Other));
    },
  },
];
