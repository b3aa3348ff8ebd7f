import { ownName } from '../../expansion/cells';
import { fromNumeral } from '../../expansion/numerals';
import { getCount } from '../../expansion/registers';
import { textOf } from '../../expansion/tokenText';
import { LABELS } from '../constructs/knownPages';
import { labelDefinition } from '../constructs/references';
import { type Args, type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { CELLS } from '../machine/cells';
import { sourceCommand } from '../machine/macroEntry';

/** Where a page is from another: numbers that the source of the package chooses by. */
export type Where = 0 | 1 | 2 | 3 | 4 | 5;

/** Same page, next, page before, facing ones behind and before in a two-sided document, far away or not known (manual, section 2). */
export function whereIs(there: number, here: number, twoSided: boolean): Where {
  if (there === 0 || here === 0) return 5;
  if (there === here) return 0;
  const isLeft = here % 2 === 0;
  if (there === here + 1) return twoSided && isLeft ? 3 : 1;
  if (there === here - 1) return twoSided && !isLeft ? 4 : 2;
  return 5;
}

/** `\@vrplace{label}`: marks this place, and says in `\vr@where` where the label is from it. */
function place(it: Interpreter, args: Args): void {
  const name = ownName(`vref ${getCount(it.state, 'c@vrcnt')}`);
  const at = { from: it.p.place.from, to: it.p.here() };
  it.labels.push(labelDefinition(it, name, at));
  it.startParagraph();
  it.add({ kind: 'anchor', label: name, ...at });
  const known = it.read(LABELS);
  const page = (label: string): number => fromNumeral(known[label]?.page ?? '');
  const label = textOf(it.p, tokensOf(args, 0)).split(',')[0] ?? '';
  it.define('vr@where', String(whereIs(page(label), page(name), it.read(CELLS.twoSided))));
}

/** What is said where, by the language of the document (the package's options). */
const SAID: Readonly<Record<string, readonly string[]>> = {
  en: [
    'on \\reftextvario{this}{the current} page',
    'on the \\reftextvario{following}{next} page',
    'on the \\reftextvario{preceding page}{page before}',
    'on the \\reftextvario{facing}{next} page',
    'on the \\reftextvario{facing}{preceding} page',
    'on page~',
    'on pages~',
    'to',
  ],
  de: [
    'auf \\reftextvario{dieser}{der aktuellen} Seite',
    'auf der \\reftextvario{folgenden}{nächsten} Seite',
    'auf der \\reftextvario{vorherigen}{vorangehenden} Seite',
    'auf der \\reftextvario{gegenüberliegenden}{nächsten} Seite',
    'auf der \\reftextvario{gegenüberliegenden}{vorherigen} Seite',
    'auf Seite~',
    'auf den Seiten~',
    'bis',
  ],
  fr: [
    '\\reftextvario{de la présente page}{de cette page}',
    'page \\reftextvario{suivante}{ci-après}',
    'page \\reftextvario{précédente}{qui précède}',
    'page \\reftextvario{ci-contre}{suivante}',
    'page \\reftextvario{ci-contre}{précédente}',
    'page~',
    'pages~',
    'à',
  ],
};

const NAMES = ['current', 'after', 'before', 'faceafter', 'facebefore'];

/** The texts of a language as macros. */
function texts(language: string): string {
  const said = SAID[language] ?? SAID.en ?? [];
  const [far = '', pages = '', to = ''] = said.slice(NAMES.length);
  const near = NAMES.map((name, i) => `\\def\\reftext${name}{${said[i] ?? ''}}`).join('');
  return `${near}\\def\\reftextfaraway#1{${far}\\pageref{#1}}\\def\\reftextpagerange#1#2{${pages}\\pageref{#1}--\\pageref{#2}}\\def\\reftextlabelrange#1#2{\\vr@ref{#1} ${to}~\\ref{#2}}`;
}

const command = (name: string, signature: string, what: string, args: string) =>
  sourceCommand(name, signature, what, `\\section{Ebb}\\label{a}\\${name}${args}`);

const placeCommand: CommandEntry = {
  name: '@vrplace',
  signature: 'm',
  description: 'Where a label is from here.',
  example: '',
  run: place,
};

/** When the document begins its language is known. */
const speak: CommandEntry = {
  name: 'vr@speak',
  signature: '',
  description: 'The words for pages in the language of the document.',
  example: '',
  run: (it) => {
    const language = (it.read(CELLS.patterns) ?? 'en').slice(0, 2);
    if (language !== 'en') it.execute(it.source(texts(language)));
  },
};

/** varioref: references that say where what they name is. */
export const varioref: PackageEntry = {
  name: 'varioref',
  description: 'References that say on which page something is, where it is not this one.',
  options: null,
  commands: [placeCommand, speak],
  described: [
    command('vref', 'm', 'A reference, with words for its page where it is another.', '{a}'),
    command('Vref', 'm', 'The same at the start of a sentence.', '{a}'),
    command('vpageref', 'oom', 'Words for the page of something.', '{a}'),
    command('vrefrange', 'omm', 'A reference from one to another, with their pages.', '{a}{a}'),
    command('vpagerefrange', 'omm', 'Words for the pages from one to another.', '{a}{a}'),
    command('fullref', 'm', 'A reference with its page.', '{a}'),
  ],
  source: String.raw`
\newcounter{vrcnt}\def\vr@where{5}
\newcommand\reftextvario[2]{\ifodd\c@vrcnt#1\else#2\fi}
\def\vr@ref#1{\@ifundefined{cref}{\ref{#1}}{\cref{#1}}}\def\vr@Ref#1{\@ifundefined{Cref}{\ref{#1}}{\Cref{#1}}}
\def\vr@text#1#2{\ifcase\vr@where\relax#2\or\reftextafter\or\reftextbefore\or\reftextfaceafter\or\reftextfacebefore\else\reftextfaraway{#1}\fi}
\def\vr@place#1{\stepcounter{vrcnt}\@vrplace{#1}}
\DeclareDocumentCommand\vref{s m}{\vr@place{#2}\vr@ref{#2}\ifnum\vr@where=0 \else\ \vr@text{#2}{}\fi}
\DeclareDocumentCommand\Vref{s m}{\vr@place{#2}\vr@Ref{#2}\ifnum\vr@where=0 \else\ \vr@text{#2}{}\fi}
\DeclareDocumentCommand\vpageref{s o o m}{\vr@place{#4}\ifnum\vr@where=0 \IfValueTF{#2}{#2}{\reftextcurrent}\else\IfValueT{#3}{#3 }\vr@text{#4}{}\fi}
\DeclareDocumentCommand\vpagerefrange{s o m m}{\ifnum\pageref{#3}=\pageref{#4}\relax\vr@place{#3}\vr@text{#3}{\IfValueTF{#2}{#2}{\reftextcurrent}}\else\reftextpagerange{#3}{#4}\fi}
\DeclareDocumentCommand\vrefrange{s o m m}{\reftextlabelrange{#3}{#4}\ifnum\pageref{#3}=\pageref{#4}\relax\vr@place{#3}\ifnum\vr@where=0 \IfValueT{#2}{\ #2}\else\ \vr@text{#3}{}\fi\else\ \reftextpagerange{#3}{#4}\fi}
\DeclareDocumentCommand\fullref{s m}{\vr@ref{#2} \reftextfaraway{#2}}
\providecommand\Ref[1]{\ref{#1}}\newcommand\vrefpagenum[2]{\edef#1{\number\pageref{#2}}}\newcommand\vpagerefnum[1]{\number\pageref{#1}}
\newcommand\vpagerefcompare[4]{\ifnum\pageref{#1}=\pageref{#2}\relax#3\else#4\fi}
\newcommand\vpagerefnearby[5]{\vr@place{#2}\ifnum\vr@where=5 #4\else#3\fi}
\newcommand\vrefformat[2]{}\newcommand\vrefrangeformat[4]{}\newcommand\vrefdefaultformat[2]{}`,
  setup: (it) => it.execute(it.source(`${texts('en')}\\AtBeginDocument{\\vr@speak}`)),
};
