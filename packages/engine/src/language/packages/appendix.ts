import type { PackageEntry } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';

/** appendix: headings for appendices. */
export const appendix: PackageEntry = {
  name: 'appendix',
  description: 'A heading for the appendices, and environments around them.',
  options: null,
  commands: [
    macroEntry(
      'appendixpage',
      '',
      'A heading over all appendices.',
      '\\appendixpage',
      '\\par\\vskip 4ex{\\noindent\\huge\\bfseries\\appendixpagename\\par}\\vskip 3ex',
    ),
    macroEntry(
      'addappheadtotoc',
      '',
      'Names the appendices in the contents.',
      '\\addappheadtotoc',
      '\\addcontentsline{toc}{section}{\\appendixtocname}',
    ),
    macroEntry(
      'noappendicestocpagenum',
      '',
      'No page number for them in the contents.',
      '\\noappendicestocpagenum',
      '',
    ),
  ],
  source: String.raw`
\def\appendixpagename{Appendices}\def\appendixtocname{Appendices}
\newif\if@apptitle\newif\if@apppage\newif\if@apptoc
\newenvironment{appendices}{\appendix\if@apptoc\addappheadtotoc\fi\if@apppage\appendixpage\fi
  \if@apptitle\def\@seccntformat##1{\ifx\relax##1\relax\else\@appletter{##1}\fi}\fi}{}
\def\@appletter#1{\@ifundefined{chapter}{\def\@tempa{#1}\def\@tempb{section}\ifx\@tempa\@tempb\appendixname\ \fi}{}\csname the#1\endcsname\quad}
\newenvironment{subappendices}{\setcounter{subsection}{0}\def\thesubsection{\thesection.\Alph{subsection}}}{}
`,
  setup: (it, options) => {
    for (const [option, name] of [
      ['title', 'apptitle'],
      ['titletoc', 'apptitle'],
      ['page', 'apppage'],
      ['toc', 'apptoc'],
    ] as const)
      if (options.includes(option)) it.execute(it.source(`\\@${name}true`));
  },
};
