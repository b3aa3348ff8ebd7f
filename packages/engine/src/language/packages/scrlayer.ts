import type { PackageEntry } from '../machine/entries';
import { sourceCommand } from '../machine/macroEntry';
import { SEPARATORS } from '../constructs/pageStyle';

/** Fields by their names: where each stands, as fancyhdr says it. */
const FIELDS: Readonly<Record<string, string>> = {
  ihead: 'LO,RE',
  chead: 'C',
  ohead: 'RO,LE',
  lehead: 'LE',
  cehead: 'CE',
  rehead: 'RE',
  lohead: 'LO',
  cohead: 'CO',
  rohead: 'RO',
};
const WHERE: Readonly<Record<string, string>> = {
  i: 'at the inner side',
  c: 'in the middle',
  o: 'at the outer side',
  l: 'at the left',
  r: 'at the right',
};

const fields = Object.entries(FIELDS).flatMap(([name, place]) => [
  { name, place, part: 'head' },
  { name: name.replace('head', 'foot'), place, part: 'foot' },
]);

/**
 * scrlayer-scrpage: heads and feet of the KOMA classes. A field is said for pages in brackets where a chapter
 * begins (`plain.scrheadings`), in braces for the rest (`scrheadings`), with a star for both (KOMA-Script guide,
 * chapter 5). Both styles are made of fancyhdr's fields; those of the first are put in before it is taken.
 */
export const scrlayerScrpage: PackageEntry = {
  name: 'scrlayer-scrpage',
  description: 'Heads and feet of pages in three fields, by their inner and outer sides.',
  options: null,
  requires: ['fancyhdr'],
  described: [
    ...fields.map(({ name, part }) =>
      sourceCommand(
        name,
        'som',
        `What stands ${WHERE[name[0] ?? ''] ?? ''} of the ${part}.`,
        `\\${name}{Tides}`,
      ),
    ),
    sourceCommand('headmark', '', 'In a head: chapter or section.', '\\ihead{\\headmark}'),
    sourceCommand('pagemark', '', 'In a head or foot: the page.', '\\ofoot{\\pagemark}'),
    sourceCommand(
      'clearpairofpagestyles',
      '',
      'Heads and feet are empty.',
      '\\clearpairofpagestyles',
    ),
    sourceCommand('automark', 'som', 'Which headings the heads name.', '\\automark{section}'),
  ],
  source: String.raw`
\@ifundefined{usekomafont@pageheadfoot}{\def\usekomafont@pageheadfoot{\normalfont\slshape}\def\usekomafont@pagehead{}\def\usekomafont@pagefoot{}\def\usekomafont@pagenumber{\normalfont}}{}
\providecommand\setkomafont[2]{\expandafter\def\csname usekomafont@#1\endcsname{#2}}\providecommand\addtokomafont[2]{\expandafter\g@addto@macro\csname usekomafont@#1\endcsname{#2}}
\def\slp@plain{}
\newcommand\slp@define[3]{\expandafter\let\csname #1\endcsname\relax\expandafter\newcommand\csname #1\endcsname{\@ifstar{\slp@star{#2}{#3}}{\slp@args{#2}{#3}}}}
\def\slp@star#1#2{\@ifnextchar[{\slp@both{#1}{#2}}{\slp@both{#1}{#2}[\slp@none]}}
\def\slp@both#1#2[#3]#4{\slp@set{#1}{#2}{#4}\slp@toplain{#1}{#2}{#4}}
\def\slp@args#1#2{\@ifnextchar[{\slp@take{#1}{#2}}{\slp@set{#1}{#2}}}
\def\slp@take#1#2[#3]#4{\slp@set{#1}{#2}{#4}\slp@toplain{#1}{#2}{#3}}
\def\slp@set#1#2#3{#1[#2]{\slp@font{#1}#3}}
\def\slp@toplain#1#2#3{\g@addto@macro\slp@plain{#1[#2]{\slp@font{#1}#3}}\slp@makeplain}
\def\slp@font#1{\usekomafont@pageheadfoot\ifx#1\fancyhead\usekomafont@pagehead\else\usekomafont@pagefoot\fi}
\def\slp@makeplain{\fancypagestyle{plain}{\fancyhf{}\renewcommand\headrulewidth{\slp@plainhead}\renewcommand\footrulewidth{\slp@plainfoot}\slp@plain}\expandafter\let\csname ps@plain.scrheadings\endcsname\ps@plain\let\ps@scrplain\ps@plain}
\def\slp@plainhead{0pt}\def\slp@plainfoot{0pt}
${fields.map(({ name, place, part }) => `\\slp@define{${name}}{\\fancy${part}}{${place}}`).join('\n')}
\def\headmark{\slp@mark}\def\slp@mark{\if E\fh@side\leftmark\else\rightmark\fi}\def\fh@side{O}
\providecommand\pagemark{{\usekomafont@pagenumber\thepage}}
\newcommand\clearmainofpairofpagestyles{\fancyhf{}}\newcommand\clearplainofpairofpagestyles{\gdef\slp@plain{}\slp@makeplain}
\newcommand\clearpairofpagestyles{\clearmainofpairofpagestyles\clearplainofpairofpagestyles}\let\clearscrheadfoot\clearpairofpagestyles
\@ifundefined{koma@automark}{\providecommand\automark{\@ifstar{\slp@automark}{\slp@automark}}\providecommand\slp@automark[2][]{}\providecommand\manualmark{}}{\def\@fancymarks{\let\@mkboth\markboth}\koma@usual}
\newcommand\setheadsepline[2][]{\renewcommand\headrulewidth{#2}}\newcommand\setfootsepline[2][]{\renewcommand\footrulewidth{#2}}
\let\ps@scrheadings\ps@fancy
\pagestyle{fancy}\fancyhf{}\renewcommand\headrulewidth{0pt}
\if@twoside\fancyhead[RO,LE]{\slp@font\fancyhead\headmark}\fancyfoot[RO,LE]{\pagemark}\g@addto@macro\slp@plain{\fancyfoot[RO,LE]{\pagemark}}\else
\fancyhead[C]{\slp@font\fancyhead\headmark}\fancyfoot[C]{\pagemark}\g@addto@macro\slp@plain{\fancyfoot[C]{\pagemark}}\fi\slp@makeplain
`,
  setup: (it, options) => {
    const on = (name: string): boolean =>
      options.some((option) => new RegExp(`^${name}(?:=(?:true|on|yes))?$`).test(option.trim()));
    const set = (macro: string, width: string): void =>
      it.execute(it.source(`\\renewcommand\\${macro}{${width}}`));
    if (on('headsepline') || it.read(SEPARATORS).head) set('headrulewidth', '.4pt');
    if (on('footsepline') || it.read(SEPARATORS).foot) set('footrulewidth', '.4pt');
    if (on('plainheadsepline')) set('slp@plainhead', '.4pt');
    if (on('plainfootsepline')) set('slp@plainfoot', '.4pt');
    if (on('manualmark')) it.call('manualmark');
  },
};
