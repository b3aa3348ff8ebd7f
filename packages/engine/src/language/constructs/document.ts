import { nearestName } from '../../base/nearest';
import { readArgument, readOptional } from '../../expansion/arguments';
import { latexMacro } from '../../expansion/definitions';
import { setDimen } from '../../expansion/registers';
import { textOf } from '../../expansion/expandables';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { CLASSES } from '../classes';
import type { Args, CommandEntry, EnvironmentEntry } from '../entries';
import { tokensOf } from '../entries';
import { beginEnvironment, closeNamed, endEnvironment } from '../environments';
import { readBareDisplay, readInlineFormula } from '../formulas';
import type { Interpreter } from '../interpreter';
import { install } from '../install';
import { setLineSpread } from '../lineSpacing';
import { pageGeometry } from '../parameters';
import { PACKAGES } from '../packages';
import { renameFix } from '../unknown';
import { splitAt } from './listOptions';

/** A comma-separated list of names. */
export function namesOf(it: Interpreter, tokens: readonly Token[]): string[] {
  return textOf(it.p, tokens)
    .split(',')
    .map((s) => s.trim())
    .filter((s) => s !== '');
}

function documentClass(it: Interpreter, args: Args, token: Token): void {
  const name = textOf(it.p, tokensOf(args, 1));
  const options = args[0] ? namesOf(it, tokensOf(args, 0)) : [];
  const known = CLASSES[name];
  if (!known) {
    const near = nearestName(name, Object.keys(CLASSES));
    const fix = renameFix(it, tokensOf(args, 1), near);
    it.p.report('class-unknown', it.spanOf(token), { name }, fix);
  }
  loadClass(it, known ? name : 'article', options);
  reportOptions(it, args, known?.options ?? []);
}

function reportOptions(it: Interpreter, args: Args, known: readonly string[]): void {
  for (const part of splitAt(tokensOf(args, 0), ',')) {
    const own = part.filter((t) => t.cat !== Cat.Space);
    const name = own.map((t) => t.text).join('');
    const [first] = own;
    if (!first || known.includes(name) || name.includes('=')) continue;
    it.p.report('option-unknown', { from: first.from, to: (own.at(-1) as Token).to }, { name });
  }
}

/** Puts a class in force. */
export function loadClass(it: Interpreter, name: string, options: readonly string[]): void {
  const entry = CLASSES[name];
  if (!entry) return;
  it.setFact('class', name, true);
  it.setFact('classOptions', options, true);
  install(it, entry, options);
}

function usePackage(it: Interpreter, args: Args, token: Token): void {
  const options = args[0] ? namesOf(it, tokensOf(args, 0)) : [];
  for (const part of splitAt(tokensOf(args, 1), ',')) {
    const own = part.filter((t) => t.cat !== Cat.Space);
    const name = own.map((t) => t.text).join('');
    if (name === '') continue;
    if (loadPackage(it, name, options)) continue;
    const near = nearestName(name, Object.keys(PACKAGES));
    const from = own[0]?.from ?? 0;
    const to = own.at(-1)?.to ?? 0;
    const inPlace = own[0]?.chunk === it.p.reader.chunk;
    const fix = renameFix(it, own, near);
    it.p.report('package-unknown', inPlace ? { from, to } : it.spanOf(token), { name }, fix);
  }
}

/** Puts a package in force, and those it needs; false when it is not known. */
export function loadPackage(
  it: Interpreter,
  name: string,
  options: readonly string[] = [],
): boolean {
  const entry = PACKAGES[name];
  if (!entry) return false;
  const loaded = it.fact<readonly string[]>('packages') ?? [];
  const again = loaded.includes(name);
  if (!again) {
    it.setFact('packages', [...loaded, name], true);
    for (const needed of entry.requires ?? []) loadPackage(it, needed);
  }
  if (!again || options.length > 0) install(it, entry, options);
  return true;
}

/** The document begins: class and page are settled from here on. */
export function beginDocument(it: Interpreter): void {
  if (it.fact<boolean>('inDocument') === true) return;
  if (it.fact<string>('class') === undefined) {
    // Told of the document as a whole, once.
    it.setFact('classMissing', true, true);
    loadClass(it, 'article', []);
  }
  it.setFact('inDocument', true, true);
  for (const name of ['hsize', 'linewidth', 'columnwidth']) {
    setDimen(it.state, name, it.dimen('textwidth'), true);
  }
  it.setFact('geometry', pageGeometry(it.state), true);
  for (const hook of it.fact<readonly (readonly Token[])[]>('atBegin') ?? []) it.p.push(hook);
}

/** Text where the preamble should be: the document begins here, and that is said once. */
export function beginMissingDocument(it: Interpreter): void {
  if (it.fact<boolean>('inDocument') === true) return;
  const at = Math.max(0, it.p.here() - 1);
  const { reader } = it.p;
  const ahead = reader.text.indexOf('\\begin{document}', reader.pos);
  const line = Math.max(0, reader.text.lastIndexOf('\n', reader.base + at - 1) + 1 - reader.base);
  const fix =
    ahead < 0
      ? {
          title: 'Add \\begin{document} before it',
          edits: [{ from: line, to: line, text: '\\begin{document}\n' }],
        }
      : undefined;
  it.p.reach = ahead < 0 ? reader.text.length : Math.max(it.p.reach, ahead);
  it.p.report('document-begin-missing', { from: at, to: at + 1 }, {}, fix);
  beginDocument(it);
}

function endDocument(it: Interpreter): void {
  it.endParagraph();
  it.setFact('ended', true, true);
  it.p.recover();
  it.p.reader.pos = it.p.reach = it.p.reader.text.length;
}

/** `\newenvironment{name}[n][default]{begin}{end}`. */
function newEnvironment(it: Interpreter, token: Token, kind: 'new' | 'renew' | 'provide'): void {
  const { p } = it;
  p.takeChar('*');
  const nameTokens = readArgument(p, token);
  const count = readOptional(p);
  const optional = count ? readOptional(p) : null;
  const begin = readArgument(p, token, true);
  const end = readArgument(p, token, true);
  if (!nameTokens || !begin || !end) return;
  const name = textOf(p, nameTokens);
  const cell = it.state.cell(`\u0002${name}`);
  const exists =
    it.state.get(cell) !== undefined || it.state.get(it.state.cell(name)) !== undefined;
  if (kind === 'provide' && exists) return;
  if (kind === 'new' && exists) p.report('command-redefined', it.spanOf(token), { name });
  // The document's own halves come before whatever the name meant.
  it.state.set(cell, undefined);
  it.state.set(it.state.cell(name), latexMacro(p, count, optional, begin, true));
  it.state.set(it.state.cell(`end${name}`), latexMacro(p, null, null, end, true));
}

const environmentDefinition = (
  name: string,
  kind: 'new' | 'renew' | 'provide',
  description: string,
): CommandEntry => ({
  name,
  signature: '',
  description,
  example: `\\${name}{note}{\\begin{quote}}{\\end{quote}}`,
  run: (it, _args, token) => newEnvironment(it, token, kind),
});

/** The frame of a document, environments, and the marks of formulas. */
export const documentCommands: readonly CommandEntry[] = [
  {
    name: 'documentclass',
    signature: 'omo',
    description: 'The kind of document.',
    example: '\\documentclass[11pt]{article}',
    run: documentClass,
  },
  {
    name: 'usepackage',
    signature: 'omo',
    description: 'Loads packages.',
    example: '\\usepackage{amsmath}',
    run: usePackage,
  },
  {
    name: 'RequirePackage',
    signature: 'omo',
    description: 'Loads packages, in a class or package.',
    example: '\\RequirePackage{amsmath}',
    run: usePackage,
  },
  {
    name: 'begin',
    signature: '',
    description: 'Begins an environment.',
    example: '\\begin{center}',
    run: (it, _args, token) => beginEnvironment(it, token),
  },
  {
    name: 'end',
    signature: '',
    description: 'Ends an environment.',
    example: '\\end{center}',
    run: (it, _args, token) => endEnvironment(it, token),
  },
  {
    name: '\u0001closeenvironment',
    signature: 'm',
    description: '',
    example: '',
    run: (it, args) => closeNamed(it, textOf(it.p, tokensOf(args, 0))),
  },
  environmentDefinition(
    'newenvironment',
    'new',
    'Defines an environment by what stands before and after its contents.',
  ),
  environmentDefinition('renewenvironment', 'renew', 'Redefines an environment.'),
  environmentDefinition(
    'provideenvironment',
    'provide',
    'Defines an environment unless there is one.',
  ),
  {
    name: 'AtBeginDocument',
    signature: 'M',
    description: 'Carried out when the document begins.',
    example: '\\AtBeginDocument{\\raggedright}',
    run: (it, args) =>
      it.setFact(
        'atBegin',
        [...(it.fact<readonly unknown[]>('atBegin') ?? []), tokensOf(args, 0)],
        true,
      ),
  },
  {
    name: '(',
    signature: '',
    description: 'Begins a formula in the line.',
    example: '\\(x\\)',
    run: (it, _args, token) => readInlineFormula(it, token, 'paren', '\\('),
  },
  {
    name: ')',
    signature: '',
    description: 'Ends a formula in the line.',
    example: '\\(x\\)',
    run: (it, _args, token) => it.p.report('end-without-begin', it.spanOf(token), { name: '\\(' }),
  },
  {
    name: '[',
    signature: '',
    description: 'Begins a displayed formula.',
    example: '\\[ x \\]',
    run: (it, _args, token) => readBareDisplay(it, token, 'bracket'),
  },
  {
    name: ']',
    signature: '',
    description: 'Ends a displayed formula.',
    example: '\\[ x \\]',
    run: (it, _args, token) => it.p.report('end-without-begin', it.spanOf(token), { name: '\\[' }),
  },
  {
    name: 'begingroup',
    signature: '',
    description: 'Begins a group.',
    example: '\\begingroup',
    run: (it) => it.openGroup({ kind: 'semisimple', span: it.p.place }),
  },
  {
    name: 'endgroup',
    signature: '',
    description: 'Ends a group.',
    example: '\\endgroup',
    run: (it) => {
      if (it.groups.at(-1)?.kind === 'semisimple') it.closeGroup();
    },
  },
  {
    name: 'pagestyle',
    signature: 'm',
    description: 'What stands at the head and foot of pages: plain or empty.',
    example: '\\pagestyle{empty}',
    run: (it, args) =>
      it.addBlock({
        kind: 'pagestyle',
        style: textOf(it.p, tokensOf(args, 0)),
        thisPageOnly: false,
      }),
  },
  {
    name: 'thispagestyle',
    signature: 'm',
    description: 'The same for this page only.',
    example: '\\thispagestyle{empty}',
    run: (it, args) =>
      it.addBlock({
        kind: 'pagestyle',
        style: textOf(it.p, tokensOf(args, 0)),
        thisPageOnly: true,
      }),
  },
  {
    name: 'pagenumbering',
    signature: 'm',
    description: 'How page numbers are written.',
    example: '\\pagenumbering{arabic}',
    run: () => undefined,
  },
  {
    name: 'linespread',
    signature: 'm',
    description: 'Spreads the lines by a factor.',
    example: '\\linespread{1.3}',
    run: (it, args) => setLineSpread(it, parseFloat(textOf(it.p, tokensOf(args, 0)))),
  },
];

export const documentEnvironment: EnvironmentEntry = {
  name: 'document',
  signature: '',
  description: 'What is printed.',
  example: '\\begin{document}\nText.\n\\end{document}',
  begin: beginDocument,
  end: endDocument,
};
