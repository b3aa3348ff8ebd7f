import { beginMathGroup, endMathGroup } from '../machine/mathGroups';
import { flag } from '../../expansion/cells';
import { CELLS, environmentCell } from '../machine/cells';
import { FIL } from '../../base/lengths';
import { readArgument, readOptional } from '../../expansion/arguments';
import { latexMacro } from '../../expansion/definitions';
import { detach, isFree, type Token } from '../../expansion/meaning';
import { specMacro } from '../../expansion/assignments';
import { setDimen } from '../../expansion/registers';
import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import { beginEnvironment, closeNamed, endEnvironment } from '../machine/environments';
import { readBareDisplay, readInlineFormula } from '../machine/formulas';
import type { Interpreter } from '../machine/interpreter';
import { heedBaselineStretch, setLineSpread } from '../machine/lineSpacing';
import { pageGeometry } from '../machine/parameters';
import { isOn } from '../constructs/chapters';
import { twoColumns } from '../constructs/columns';
import { emitStyle } from '../constructs/pageStyle';
import { layerCommands } from '../constructs/explSyntax';
import { documentClass, loadBaseClass, loadClass, loadPackage, usePackage } from './loading';
import { fontFamily, type KnownFamily } from '../symbols/fontFamilies';
import { OWN } from '../machine/ownNames';

/** The families that the preamble names for the three kinds of type, and for the text (`\\rmdefault` and its kin). */
function settleFamilies(it: Interpreter): void {
  const named = (name: string): KnownFamily => fontFamily(textOf(it.p, [it.p.command(name)]));
  for (const name of ['rmdefault', 'sfdefault', 'ttdefault']) {
    const { family: _kind, face, ...others } = named(name);
    if (face) it.changeFont({ face, mathFace: it.font.mathFace ?? it.font.face });
    it.changeFont(others);
  }
  const { family } = named('familydefault');
  if (family === 'roman') return;
  it.write(CELLS.textFamily, family, true);
  it.changeFont({ family });
}

const BEGIN = '\\begin{document}';
/** Text that came too early begins the document as well: has its `\begin` been read? */
const BEGUN = flag('document-begun');

/** `\begin{document}`, which is told of where it stands a second time. */
function documentBegins(it: Interpreter): void {
  const isSecond = it.read(BEGUN);
  it.write(BEGUN, true, true);
  if (!it.read(CELLS.inDocument)) return beginDocument(it);
  const { text, base, pos } = it.p.reader;
  if (!isSecond || !it.p.atFile || !text.endsWith(BEGIN, pos)) return;
  const span = { from: pos - base - BEGIN.length, to: pos - base };
  const edits = [{ ...span, text: '' }];
  it.p.report('stands-twice', span, { what: BEGIN }, { title: 'Take it out', edits });
}

/** The document begins: class and page are settled from here on. */
function beginDocument(it: Interpreter): void {
  if (it.read(CELLS.class) === null) {
    // Told of the document as a whole, once.
    it.write(CELLS.classMissing, true, true);
    loadClass(it, 'article', []);
  }
  for (const hook of it.read(CELLS.atEndPreamble)) it.execute(hook);
  settleFamilies(it);
  // The kernel has large signs at ten point alone; these bring or draw them at other sizes.
  if (
    !['amsmath', 'amsfonts', 'amssymb', 'exscale', 'lmodern', 'unicode-math'].some((name) =>
      it.hasPackage(name),
    )
  )
    it.changeFont({ fixedExtension: true });
  heedBaselineStretch(it);
  it.write(CELLS.inDocument, true, true);
  const width = it.dimen('textwidth');
  const two = isOn(it, 'twocolumn');
  const column = two ? (width - it.dimen('columnsep')) / 2 : width;
  for (const name of ['hsize', 'linewidth', 'columnwidth']) setDimen(it.state, name, column, true);
  it.write(CELLS.geometry, pageGeometry(it.state), true);
  if (two) it.mode.vlist.push({ kind: 'columnchange', layout: twoColumns(it), wide: [] });
  emitStyle(it, false);
  const start = it.read(CELLS.firstPage);
  if (start) it.mode.vlist.push({ kind: 'pagenumber', value: start.value, style: start.style });
  for (const hook of it.read(CELLS.atBegin)) it.execute(hook);
}

/** Text where the preamble should be: the document begins here, and that is said once. */
export function beginMissingDocument(it: Interpreter): void {
  if (it.read(CELLS.inDocument)) return;
  const at = Math.max(0, it.p.here() - 1);
  const { reader } = it.p;
  const ahead = reader.text.indexOf(BEGIN, reader.pos);
  const line = Math.max(0, reader.text.lastIndexOf('\n', reader.base + at - 1) + 1 - reader.base);
  const fix =
    ahead < 0
      ? {
          title: 'Add \\begin{document} before it',
          edits: [{ from: line, to: line, text: `${BEGIN}\n` }],
        }
      : undefined;
  it.p.reach = ahead < 0 ? reader.text.length : Math.max(it.p.reach, ahead + BEGIN.length);
  it.p.report('document-begin-missing', { from: at, to: at + 1 }, {}, fix);
  beginDocument(it);
}

function endDocument(it: Interpreter): void {
  it.endParagraph();
  for (const hook of it.read(CELLS.atEnd)) it.execute(hook);
  it.endParagraph();
  // `\enddocument` clears the page, which fills it: the notes of the last page stand at its foot.
  it.addBlock({ kind: 'vspace', glue: FIL, behaviour: 'plain' });
  it.write(CELLS.ended, true, true);
  it.p.drop();
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
  const cell = environmentCell(name);
  const exists = it.read(cell) !== undefined || !isFree(it.state.meaning(it.state.cell(name)));
  if (kind === 'provide' && exists) return;
  if (kind === 'new' && exists) p.report('command-redefined', it.spanOf(token), { name });
  // The document's own halves come before whatever the name meant.
  it.write(cell, undefined);
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
  it.write(environmentCell(name), undefined);
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
    if (fact !== 'atEnd' && it.read(CELLS.inDocument)) {
      it.p.push(tokensOf(args, 0));
      return;
    }
    it.write(CELLS[fact], [...it.read(CELLS[fact]), detach(tokensOf(args, 0))], true);
  },
});

/** The frame of a document, environments, and the marks of formulas. */
export const documentCommands: readonly CommandEntry[] = [
  ...layerCommands((it) => void loadPackage(it, 'expl3')),
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
    name: OWN.closeEnvironment,
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
    math: beginMathGroup,
  },
  {
    name: 'endgroup',
    signature: '',
    description: 'Ends a group.',
    example: '\\endgroup',
    run: (it) => {
      if (it.groups.at(-1)?.kind === 'semisimple') it.closeGroup();
    },
    math: endMathGroup,
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
  begin: documentBegins,
  end: endDocument,
};
