import { ignoredEnvironment } from '../constructs/verbatim';
import type { CommandEntry, EnvironmentEntry, PackageEntry } from '../machine/entries';
import { asOthers, idleEntry, macroEntry, quietEntry } from '../machine/macroEntry';

/** What stands in an environment is set as it is. */
const plainly = (name: string, description: string): EnvironmentEntry => ({
  name,
  signature: '',
  description,
  example: `\\begin{${name}}Ebb\\end{${name}}`,
});

const words = (
  name: string,
  signature: string,
  description: string,
  example: string,
  macro = '{#1}',
): CommandEntry => macroEntry(name, signature, description, example, macro);

/** html: sources that are also made into pages of the web. On paper there is what paper can show. */
const html: PackageEntry = {
  name: 'html',
  description: 'Sources that are also made into pages of the web.',
  options: null,
  commands: [
    words(
      'htmladdnormallink',
      'mm',
      'Words that link to an address.',
      '\\htmladdnormallink{tide tables}{https://tides.example}',
    ),
    words(
      'htmladdnormallinkfoot',
      'mm',
      'Words, with the address at the foot of the page.',
      '\\htmladdnormallinkfoot{tide tables}{https://tides.example}',
      '{#1}\\footnote{#2}',
    ),
    words('htmlref', 'mm', 'Words that link to a label.', '\\htmlref{the tide}{tide}'),
    words(
      'hyperref',
      'ommmm',
      'Words for the web, or words before and behind the number of a label.',
      '\\hyperref{the tide}{Section~}{ above}{tide}',
      '{#3}\\ref{#5}{#4}',
    ),
    words('htmlcite', 'mm', 'Words that link to an entry.', '\\htmlcite{the tables}{gauge}'),
    words('latexhtml', 'mm', 'One text for paper, another for the web.', '\\latexhtml{a}{b}'),
    words('latex', 'm', 'Text for paper alone.', '\\latex{See page 3.}'),
    words('html', 'm', 'Text for the web alone.', '\\html{Click here.}', ''),
    quietEntry('htmladdimg', 'om', 'A picture on the web.'),
    quietEntry('htmlimage', 'm', 'How a picture is made for the web.'),
    quietEntry('htmlrule', 's', 'A rule on the web.'),
    quietEntry('htmladdtonavigation', 'm', 'What the panels of pages bear.'),
    quietEntry('bodytext', 'm', 'How pages of the web look.'),
    quietEntry('htmlbody', 'o', 'How pages of the web look.'),
    quietEntry('externallabels', 'mm', 'Labels of another document.'),
    quietEntry('HTMLset', 'omm', 'A setting for the web.'),
  ],
  environments: [
    ignoredEnvironment('htmlonly', 'Text for the web alone.'),
    ignoredEnvironment('rawhtml', 'The source of a page of the web.'),
    plainly('latexonly', 'Text for paper alone.'),
    plainly('makeimage', 'What is a picture on the web.'),
    plainly('imagesonly', 'What pictures on the web are made with.'),
  ],
};

/** psfrag: words in pictures replaced by others; pictures show their own here. */
const psfrag: PackageEntry = {
  name: 'psfrag',
  description: 'Other words in PostScript pictures; they show their own here.',
  options: null,
  commands: [
    idleEntry('psfrag', 'smooom', 'Another word in a picture.'),
    quietEntry('psfragscanon', '', 'Words are looked for in pictures.'),
    quietEntry('psfragscanoff', '', 'Words are not looked for in pictures.'),
  ],
};

/** Packages of older files, most of them replaced since. */
export const olderPackages: readonly PackageEntry[] = [
  html,
  psfrag,
  asOthers('theorem', ['ntheorem'], 'Statements with styles and fonts of their own.'),
  asOthers(
    'epsf',
    ['epsfig'],
    'PostScript pictures, in the oldest way.',
    String.raw`\newdimen\epsfxsize\newdimen\epsfysize
\providecommand\epsfbox[2][]{\epsf@size\epsfxsize=0pt\epsfysize=0pt\expandafter\includegraphics\expandafter[\epsf@keys]{#2}}
\providecommand\epsffile[2][]{\epsfbox{#2}}\def\epsf@keys{}
\def\epsf@size{\def\epsf@keys{}\ifdim\epsfxsize>0pt\edef\epsf@keys{width=\the\epsfxsize}\fi
\ifdim\epsfysize>0pt\edef\epsf@keys{\epsf@keys\ifdim\epsfxsize>0pt ,\fi height=\the\epsfysize}\fi}`,
  ),
  asOthers(
    'psfig',
    ['epsfig'],
    'PostScript pictures, in an old way.',
    String.raw`\providecommand\psfig[1]{\epsfig{#1}}`,
  ),
  asOthers('fancyheadings', ['fancyhdr'], 'Heads and feet; fancyhdr is its successor.'),
  asOthers('capt-of', ['caption'], 'Captions of what does not float.'),
  asOthers('breakurl', ['url'], 'Addresses that break where they are links.'),
];
