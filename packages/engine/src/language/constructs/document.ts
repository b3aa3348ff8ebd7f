import { FIL } from '../../base/lengths';
import { nearestName } from '../../base/nearest';
import { readArgument, readOptional } from '../../expansion/arguments';
import type { NumberStyle } from '../../document/page';
import { detach, latexMacro } from '../../expansion/definitions';
import { specMacro } from '../../expansion/assignments';
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
import { heedBaselineStretch, setLineSpread } from '../lineSpacing';
import { pageGeometry } from '../parameters';
import { PACKAGES } from '../packages';
import { renameFix } from '../unknown';
import { isOn } from './chapters';
import { twoColumns } from './columns';
import { currentStyleFile, loadStyleFile, passedOptions } from './files';
import { splitAt } from './listOptions';
import { emitStyle } from './pageStyle';

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
  if (it.fact<readonly string[]>('classOptions') === undefined)
    it.setFact('classOptions', options, true);
  if (CLASSES[name] === undefined || it.host.readFile(`${name}.cls`) !== null) {
    it.setFact('class', name, true);
    if (loadStyleFile(it, name, 'cls', options)) return;
    const near = nearestName(name, Object.keys(CLASSES));
    const fix = renameFix(it, tokensOf(args, 1), near);
    it.p.report('class-unknown', it.spanOf(token), { name }, fix);
  }
  loadClass(it, CLASSES[name] ? name : 'article', options);
  reportOptions(it, args, CLASSES[name]?.options ?? null);
}

function reportOptions(it: Interpreter, args: Args, known: readonly string[] | null): void {
  for (const part of known ? splitAt(tokensOf(args, 0), ',') : []) {
    const own = part.filter((t) => t.cat !== Cat.Space);
    const name = own.map((t) => t.text).join('');
    const [first] = own;
    if (!first || known?.includes(name) || name.includes('=') || isGeneral(name)) continue;
    it.p.report('option-unknown', { from: first.from, to: (own.at(-1) as Token).to }, { name });
  }
}

/** Options of a class that packages read, not the class itself. */
const GENERAL_OPTIONS: ReadonlySet<string> = new Set(
  'english,american,british,ukenglish,USenglish,german,ngerman,french,utf8,hidelinks,usenames,dvipsnames,svgnames,x11names,table,draftcls,journal,conference,compsoc,reqno,intlimits,sumlimits,nosumlimits,psamsfonts,cmex10,fontset=fandol,UTF8,oldfontcommands'.split(
    ',',
  ),
);

/** The driver that a document names for elsewhere: it means nothing here. */
const DRIVER = /^dvi[a-z]+$|^[a-z]+tex$/;
const isGeneral = (name: string): boolean => GENERAL_OPTIONS.has(name) || DRIVER.test(name);

/** Puts a class in force. */
export function loadClass(it: Interpreter, name: string, options: readonly string[]): void {
  const entry = CLASSES[name];
  if (!entry) return;
  const all = [...passedOptions(it, name, 'cls'), ...options];
  if (it.fact<string>('class') === undefined || !currentStyleFile(it))
    it.setFact('class', name, true);
  if (it.fact<readonly string[]>('classOptions') === undefined)
    it.setFact('classOptions', all, true);
  install(it, entry, all);
}

/** `\\LoadClass` in a class that comes with the assignment. */
function loadBaseClass(it: Interpreter, args: Args, token: Token, withOptions: boolean): void {
  const name = textOf(it.p, tokensOf(args, 1));
  const given = args[0] ? namesOf(it, tokensOf(args, 0)) : [];
  const options = withOptions ? (currentStyleFile(it)?.options ?? []) : given;
  if (loadStyleFile(it, name, 'cls', options)) return;
  if (!CLASSES[name]) it.p.report('class-unknown', it.spanOf(token), { name });
  loadClass(it, CLASSES[name] ? name : 'article', options);
}

function usePackage(it: Interpreter, args: Args, token: Token, withOptions = false): void {
  const given = args[0] ? namesOf(it, tokensOf(args, 0)) : [];
  const options = withOptions ? (currentStyleFile(it)?.options ?? []) : given;
  const parts = splitAt(tokensOf(args, 1), ',')
    .map((part) => part.filter((t) => t.cat !== Cat.Space))
    .filter((part) => part.length > 0);
  parts.forEach((own, i) => {
    const name = textOf(it.p, own);
    if (it.host.readFile(`${name}.sty`) === null) {
      if (!loadPackage(it, name, options)) unknownPackage(it, own, name, token);
      return;
    }
    // The file is read when we are done here: what stands behind it in the list must wait.
    const rest = parts.slice(i + 1);
    if (rest.length > 0) it.p.push(loadLater(it, rest, args));
    openPackage(it, name, options);
    parts.length = i + 1;
  });
}

/** A package of the assignment, read once. */
function openPackage(it: Interpreter, name: string, options: readonly string[]): void {
  const loaded = it.fact<readonly string[]>('packages') ?? [];
  if (loaded.includes(name)) return;
  it.setFact('packages', [...loaded, name], true);
  loadStyleFile(it, name, 'sty', [...passedOptions(it, name, 'sty'), ...options]);
}

function loadLater(it: Interpreter, parts: readonly (readonly Token[])[], args: Args): Token[] {
  const { p } = it;
  const options = args[0] ? [...p.chars('['), ...tokensOf(args, 0), ...p.chars(']')] : [];
  const names = parts.flatMap((part, i) => (i === 0 ? part : [...p.chars(','), ...part]));
  return [p.command('RequirePackage'), ...options, p.make(1, '{'), ...names, p.make(2, '}')];
}

/** A package nobody knows: commands that may be its own are gathered and told of with it. */
function unknownPackage(it: Interpreter, own: readonly Token[], name: string, token: Token): void {
  const near = nearestName(name, Object.keys(PACKAGES));
  const [first] = own;
  const inPlace = first !== undefined && first.chunk === it.p.reader.chunk;
  const span = inPlace ? { from: first.from, to: own.at(-1)?.to ?? 0 } : it.spanOf(token);
  const fix = renameFix(it, own, near);
  const unknown = it.fact<readonly string[]>('unknownPackages') ?? [];
  it.setFact('unknownPackages', [...unknown, name], true);
  it.p.report('package-unknown', span, { name, uses: '' }, fix);
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
  const all = [...passedOptions(it, name, 'sty'), ...options];
  if (!again) {
    it.setFact('packages', [...loaded, name], true);
    for (const needed of entry.requires ?? []) loadPackage(it, needed);
  }
  if (!again || options.length > 0) install(it, entry, all);
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
  for (const hook of it.fact<readonly (readonly Token[])[]>('atEndPreamble') ?? [])
    it.execute(hook);
  const family = textOf(it.p, [it.p.command('familydefault')]);
  if (family === 'sf' || family === 'tt' || family === '\\sfdefault') {
    it.setFact('textFamily', family === 'tt' ? 'mono' : 'sans', true);
    it.changeFont({ family: it.textFamily });
  }
  heedBaselineStretch(it);
  it.setFact('inDocument', true, true);
  const width = it.dimen('textwidth');
  const two = isOn(it, 'twocolumn');
  const column = two ? (width - it.dimen('columnsep')) / 2 : width;
  for (const name of ['hsize', 'linewidth', 'columnwidth']) setDimen(it.state, name, column, true);
  it.setFact('geometry', pageGeometry(it.state), true);
  if (two) it.vlist.push({ kind: 'columnchange', layout: twoColumns(it), wide: [] });
  emitStyle(it, false);
  const start = it.fact<{ value: number; style: NumberStyle }>('firstPage');
  if (start) it.vlist.push({ kind: 'pagenumber', value: start.value, style: start.style });
  for (const hook of it.fact<readonly (readonly Token[])[]>('atBegin') ?? []) it.execute(hook);
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
  for (const hook of it.fact<readonly (readonly Token[])[]>('atEnd') ?? []) it.execute(hook);
  it.endParagraph();
  // `\enddocument` clears the page, which fills it: the notes of the last page stand at its foot.
  it.addBlock({ kind: 'vspace', glue: FIL, behaviour: 'plain' });
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

/** `\NewDocumentEnvironment{name}{arguments}{begin}{end}`: arguments can be used in both halves. */
function newDocumentEnvironment(it: Interpreter, token: Token): void {
  const { p } = it;
  const name = textOf(p, readArgument(p, token) ?? []);
  const spec = readArgument(p, token) ?? [];
  const begin = readArgument(p, token, true) ?? [];
  const end = readArgument(p, token, true) ?? [];
  it.state.set(it.state.cell(`\u0002${name}`), undefined);
  const inner = p.command(`end ${name}`);
  // The closing half is made anew each time, with the arguments of the opening one.
  const close = [p.command('def'), inner, p.make(Cat.Begin, '{'), ...end, p.make(Cat.End, '}')];
  it.state.set(it.state.cell(name), specMacro(p, spec, [...close, ...begin]));
  it.state.set(it.state.cell(`end${name}`), latexMacro(p, null, null, [inner], true));
}

/** Commands kept until a later point of the document. */
const hook = (
  name: string,
  fact: 'atBegin' | 'atEnd' | 'atEndPreamble',
  when: string,
): CommandEntry => ({
  name,
  signature: 'M',
  description: `Carried out ${when}.`,
  example: `\\${name}{\\raggedright}`,
  run: (it, args) => {
    // In the document already: what was to come at its beginning comes now.
    if (fact !== 'atEnd' && it.fact<boolean>('inDocument') === true) {
      it.p.push(tokensOf(args, 0));
      return;
    }
    const before = it.fact<readonly (readonly Token[])[]>(fact) ?? [];
    it.setFact(fact, [...before, detach(tokensOf(args, 0))], true);
  },
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
    name: 'LoadClass',
    signature: 'omo',
    description: 'The class that this one is built on.',
    example: '',
    run: (it, args, token) => loadBaseClass(it, args, token, false),
  },
  {
    name: 'LoadClassWithOptions',
    signature: 'mo',
    description: 'The class that this one is built on, with the options given here.',
    example: '',
    run: (it, args, token) => loadBaseClass(it, [null, ...args], token, true),
  },
  {
    name: 'RequirePackageWithOptions',
    signature: 'mo',
    description: 'Loads a package with the options given here.',
    example: '',
    run: (it, args, token) => usePackage(it, [null, ...args], token, true),
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
  ...['New', 'Renew', 'Provide', 'Declare'].map((kind): CommandEntry => ({
    name: `${kind}DocumentEnvironment`,
    signature: '',
    description: 'Defines an environment by its arguments and what stands before and after.',
    example: `\\${kind}DocumentEnvironment{note}{O{Note}}{\\textbf{#1} }{}`,
    run: (it, _args, token) => newDocumentEnvironment(it, token),
  })),
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
  hook('AtBeginDocument', 'atBegin', 'when the document begins'),
  hook('AtEndDocument', 'atEnd', 'when the document ends'),
  hook('AtEndPreamble', 'atEndPreamble', 'just before the document begins'),
  hook('AfterEndPreamble', 'atBegin', 'just behind the beginning of the document'),
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
