import { CELLS } from '../machine/cells';
import { readArgument } from '../../expansion/arguments';
import { expandTokens, textOf, tokensText } from '../../expansion/tokenText';
import type { Expandable, Token } from '../../expansion/meaning';
import type { Processor } from '../../expansion/processor';
import { Cat, type CatCode, withCategory } from '../../tokens/categories';
import { type Args, type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { nearestName } from '../../base/nearest';
import { cell, cellsBy } from '../../expansion/cells';
import { explSyntax } from './explSyntax';
import { OWN } from '../machine/ownNames';

/** A package or class that is being read as source: its name, its kind, the options it was given. */
interface StyleFile {
  readonly name: string;
  readonly extension: 'sty' | 'cls';
  readonly options: readonly string[];
  readonly at: number;
}

/** The styles that are being read, one by another. */
const STYLE_FILES = cell<readonly StyleFile[]>('stylefiles', []);

export const currentStyleFile = (it: Interpreter): StyleFile | undefined =>
  it.read(STYLE_FILES).at(-1);

/** Files that the document writes itself (`filecontents`), by name. */
export const writtenFile = cellsBy<string | null>('file', null);

/** A file's name behind an optional `=`: up to a blank or a command, or in braces (The TeXbook, chapter 24). */
export function scanFileName(p: Processor): string {
  p.takeChar('=');
  const first = p.nextNonBlank();
  if (first?.cat === Cat.Begin) {
    p.unread(first);
    return tokensText(expandTokens(p, readArgument(p, first) ?? [])).trim();
  }
  let name = '';
  for (let t: Token | null = first; t !== null; t = p.nextExpanded()) {
    if (t.cat === Cat.Space) break;
    if (t.cell !== null) {
      p.unread(t);
      break;
    }
    name += t.text;
  }
  return name;
}

/** The file of that name, with the endings tried in turn. Folders are told apart by `/`; `./` is dropped. */
export function findFile(
  it: Interpreter,
  name: string,
  endings: readonly string[],
): { name: string; text: string } | null {
  const plain = name
    .trim()
    .replace(/^"|"$/g, '')
    .replace(/^(\.\/)+/, '');
  for (const ending of endings) {
    const own = it.read(writtenFile(plain + ending));
    const text = own ?? it.host.readFile(plain + ending);
    if (text !== null) return { name: plain + ending, text };
  }
  return null;
}

/** Reads a `.sty` or `.cls` of the assignment as the source it is. False when there is none. */
export function loadStyleFile(
  it: Interpreter,
  name: string,
  extension: 'sty' | 'cls',
  options: readonly string[],
): boolean {
  const file = findFile(it, name, [`.${extension}`]);
  if (!file) return false;
  const { p } = it;
  const at = p.categories.ascii[64] as number;
  it.write(STYLE_FILES, [...it.read(STYLE_FILES), { name, extension, options, at }], true);
  p.push([p.command(OWN.endStyleFile)]);
  if (!p.openSource(file.name, file.text)) {
    p.report('files-in-circle', p.place, { name: file.name });
    return true;
  }
  p.setCategories(withCategory(p.categories, 64, Cat.Letter));
  return true;
}

function endStyleFile(it: Interpreter): void {
  const stack = it.read(STYLE_FILES);
  const file = stack.at(-1);
  if (!file) return;
  it.p.setCategories(withCategory(it.p.categories, 64, file.at as CatCode));
  explSyntax(it, false);
  const tokens = it.read(atEndOf(fileName(file)));
  it.write(STYLE_FILES, stack.slice(0, -1), true);
  it.execute(tokens);
}

// ---- options of a style file

const fileName = ({ name, extension }: StyleFile): string => `${name}.${extension}`;
/** What is to be carried out at the end of a file; the options it declares, and the code of each. */
const atEndOf = cellsBy<readonly Token[]>('atend', []);
const declaredBy = cellsBy<readonly string[]>('options', []);
const optionCodes = cellsBy<readonly Token[] | null>('option', null);
const codeOf = (file: StyleFile, option: string) => optionCodes(`${fileName(file)}:${option}`);

function declareOption(it: Interpreter, token: Token): void {
  const star = it.p.takeChar('*');
  const name = star ? '*' : textOf(it.p, readArgument(it.p, token) ?? []);
  const code = readArgument(it.p, token, true) ?? [];
  const file = currentStyleFile(it);
  if (!file) return;
  it.write(codeOf(file, name), code, true);
  const options = declaredBy(fileName(file));
  const declared = it.read(options);
  if (!star && !declared.includes(name)) it.write(options, [...declared, name], true);
}

function runOption(it: Interpreter, file: StyleFile, option: string, fallback: boolean): void {
  const key = option.split('=')[0] ?? option;
  const own = it.read(codeOf(file, option)) ?? it.read(codeOf(file, key));
  const code = own ?? (fallback ? it.read(codeOf(file, '*')) : null);
  if (!code) return;
  it.define('CurrentOption', option);
  it.execute(code);
}

/** `\ProcessOptions`: the options given, those of the class that this file declares included. */
function processOptions(it: Interpreter): void {
  it.p.takeChar('*');
  const file = currentStyleFile(it);
  if (!file) return;
  const declared = it.read(declaredBy(fileName(file)));
  const general = (it.read(CELLS.classOptions) ?? []).filter((o) => declared.includes(o));
  const given = file.extension === 'sty' ? [...general, ...file.options] : file.options;
  const done = new Set<string>();
  // In the order of their declaration, then those that were not declared (LaTeX's `\ProcessOptions`).
  for (const option of [...declared.filter((d) => given.includes(d)), ...given]) {
    if (done.has(option)) continue;
    done.add(option);
    runOption(it, file, option, true);
  }
}

function executeOptions(it: Interpreter, args: Args): void {
  const file = currentStyleFile(it);
  if (!file) return;
  for (const option of textOf(it.p, tokensOf(args, 0)).split(','))
    runOption(it, file, option.trim(), false);
}

const passedTo = cellsBy<readonly string[]>('passed', []);

/** Options passed on to a package or class before it is loaded. */
export const passedOptions = (
  it: Interpreter,
  name: string,
  extension: string,
): readonly string[] => it.read(passedTo(`${name}.${extension}`));

const passOptions = (extension: 'sty' | 'cls') => (it: Interpreter, args: Args) => {
  const name = textOf(it.p, tokensOf(args, 1));
  const more = textOf(it.p, tokensOf(args, 0))
    .split(',')
    .map((o) => o.trim())
    .filter((o) => o !== '');
  const passed = passedTo(`${name}.${extension}`);
  it.write(passed, [...it.read(passed), ...more], true);
};

// ---- \input and \include

/** Of the files that `\include` names, those that are read; null is all. */
const INCLUDE_ONLY = cell<readonly string[] | null>('includeonly', null);

/** The name behind `\input`: in braces, or up to a blank. */
function readFileName(p: Processor, caller: Token): string {
  p.skipSpaces();
  const first = p.next();
  if (first === null) return '';
  p.unread(first);
  if (first.cat === Cat.Begin) return textOf(p, readArgument(p, caller) ?? []);
  let name = '';
  for (let t = p.nextExpanded(); t !== null; t = p.nextExpanded()) {
    if (t.cat === Cat.Space || t.cell !== null) {
      if (t.cell !== null) p.unread(t);
      break;
    }
    name += t.text;
  }
  return name;
}

function input(it: Interpreter, name: string, token: Token): void {
  const file = findFile(it, name, ['', '.tex']);
  const at = it.spanOf(token);
  const span = { from: at.from, to: Math.max(at.to, it.p.here()) };
  if (!file) {
    reportMissing(it, name, span);
    return;
  }
  if (!it.p.openSource(file.name, file.text))
    it.p.report('files-in-circle', span, { name: file.name });
}

/** A file that is not there, with the one whose name is nearest. */
export function reportMissing(
  it: Interpreter,
  name: string,
  span: { from: number; to: number },
): void {
  const near = nearestName(name, it.host.files());
  it.p.report('file-missing', span, { name, near: near ? `; there is ${near}` : '' });
}

const commands: readonly CommandEntry[] = [
  {
    name: 'input',
    signature: '',
    description: 'Reads another file here.',
    example: '\\input{part}',
    run: (it, _args, token) => input(it, readFileName(it.p, token), token),
  },
  {
    name: 'include',
    signature: 'm',
    description: 'Reads another file here, on pages of its own.',
    example: '\\include{chapter}',
    run: (it, args, token) => {
      const name = textOf(it.p, tokensOf(args, 0));
      const only = it.read(INCLUDE_ONLY);
      if (only && !only.includes(name)) return;
      it.p.push([it.p.command('clearpage')]);
      input(it, name, token);
      it.p.push([it.p.command('clearpage')]);
    },
  },
  {
    name: 'includeonly',
    signature: 'm',
    description: 'Of the files that \\include names, only these are read.',
    example: '\\includeonly{first}',
    run: (it, args) =>
      it.write(
        INCLUDE_ONLY,
        textOf(it.p, tokensOf(args, 0))
          .split(',')
          .map((n) => n.trim()),
        true,
      ),
  },
  {
    name: 'endinput',
    signature: '',
    description: 'The file that is being read ends here.',
    example: '',
    run: (it) => it.p.endSource(),
  },
  { name: OWN.endStyleFile, signature: '', description: '', example: '', run: endStyleFile },
  {
    name: 'DeclareOption',
    signature: '',
    description: 'What an option of this class or package does.',
    example: '',
    run: (it, _args, token) => declareOption(it, token),
  },
  {
    name: 'ProcessOptions',
    signature: '',
    description: 'Carries out the options that were given.',
    example: '',
    run: processOptions,
  },
  {
    name: 'ExecuteOptions',
    signature: 'm',
    description: 'Carries out options that hold unless others are given.',
    example: '',
    run: executeOptions,
  },
  {
    name: 'PassOptionsToPackage',
    signature: 'mm',
    description: 'Options for a package that is loaded later.',
    example: '\\PassOptionsToPackage{fleqn}{amsmath}',
    run: passOptions('sty'),
  },
  {
    name: 'PassOptionsToClass',
    signature: 'mm',
    description: 'Options for a class that is loaded later.',
    example: '\\PassOptionsToClass{11pt}{article}',
    run: passOptions('cls'),
  },
  ...['AtEndOfPackage', 'AtEndOfClass'].map((name): CommandEntry => ({
    name,
    signature: 'M',
    description: 'Carried out at the end of this file.',
    example: '',
    run: (it, args) => {
      const file = currentStyleFile(it);
      if (!file) return;
      const hook = atEndOf(fileName(file));
      it.write(hook, [...it.read(hook), ...tokensOf(args, 0)], true);
    },
  })),
  ...[
    'ProvidesPackage',
    'ProvidesClass',
    'ProvidesFile',
    'NeedsTeXFormat',
    'ProvidesExplPackage',
  ].map((name): CommandEntry => ({
    name,
    signature: 'mo',
    description: 'Says what this file is.',
    example: `\\${name}{tides}[2026/03/01]`,
    run: () => undefined,
  })),
  {
    name: 'InputIfFileExists',
    signature: 'mMM',
    description: 'Reads a file if it is there.',
    example: '',
    run: (it, args, token) => {
      const name = textOf(it.p, tokensOf(args, 0));
      const found = findFile(it, name, ['', '.tex']);
      it.p.push(tokensOf(args, found ? 1 : 2));
      if (found) input(it, name, token);
    },
  },
];

/** Files: parts of the document, and styles that come with it. */
export const fileCommands = commands;

/** The format whose commands there are here (`\fmtversion`). */
const FORMAT_DATE = '2024-11-01';

/** Is it the document's class, and has it all these options? */
const isClassWith = (it: Interpreter, name = '', options = ''): boolean =>
  it.read(CELLS.class) === name &&
  options.split(',').every((one) => it.read(CELLS.classOptions)?.includes(one.trim()));

/** `\IfFileExists`, `\@ifpackageloaded` and their kin: expandable choices. */
export function fileTests(it: Interpreter): Expandable[] {
  const choice = (
    name: string,
    count: number,
    test: (args: readonly string[]) => boolean,
  ): Expandable => ({
    kind: 'expandable',
    name,
    expand: (p, caller) => {
      const args = Array.from({ length: count }, () => textOf(p, readArgument(p, caller) ?? []));
      const yes = readArgument(p, caller, true) ?? [];
      const no = readArgument(p, caller, true) ?? [];
      p.push(test(args) ? yes : no);
    },
  });
  return [
    choice('IfFileExists', 1, ([name]) => findFile(it, name ?? '', ['', '.tex']) !== null),
    choice('@ifpackageloaded', 1, ([name]) => it.hasPackage(name ?? '')),
    choice('IfPackageLoadedTF', 1, ([name]) => it.hasPackage(name ?? '')),
    choice('@ifclassloaded', 1, ([name]) => it.read(CELLS.class) === name),
    choice('@ifpackagewith', 2, ([name]) => it.hasPackage(name ?? '')),
    // What there is here is as new as any that a document may ask for.
    choice('@ifl@t@r', 2, () => true),
    choice('@ifpackagelater', 2, ([name]) => it.hasPackage(name ?? '')),
    choice('IfPackageAtLeastTF', 2, ([name]) => it.hasPackage(name ?? '')),
    choice('@ifclasslater', 2, ([name]) => it.read(CELLS.class) === name),
    choice('IfClassAtLeastTF', 2, ([name]) => it.read(CELLS.class) === name),
    choice('IfFileAtLeastTF', 2, ([name]) => findFile(it, name ?? '', ['', '.tex']) !== null),
    choice('IfFormatAtLeastTF', 1, ([date]) => (date ?? '').replaceAll('/', '-') <= FORMAT_DATE),
    choice('IfClassLoadedTF', 1, ([name]) => it.read(CELLS.class) === name),
    choice('@ifclasswith', 2, ([name, option]) => isClassWith(it, name, option)),
    choice('IfClassLoadedWithOptionsTF', 2, ([name, option]) => isClassWith(it, name, option)),
  ];
}
