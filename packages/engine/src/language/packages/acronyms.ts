import type { PackageEntry } from '../machine/entries';
import { sourceCommand, sourceEnvironment } from '../machine/macroEntry';

/** acronym: abbreviations, written out where they come first. */
export const acronym: PackageEntry = {
  name: 'acronym',
  description: 'Abbreviations, written out where they come first.',
  options: null,
  described: [
    sourceCommand(
      'ac',
      'm',
      'An abbreviation; written out the first time.',
      '\\acrodef{HW}{high water}\\ac{HW}, \\ac{HW}',
    ),
    sourceCommand('acp', 'm', 'The same in the plural.', '\\acrodef{HW}{high water}\\acp{HW}'),
    sourceCommand('acs', 'm', 'The short form.', '\\acrodef{HW}{high water}\\acs{HW}'),
    sourceCommand('acl', 'm', 'The long form.', '\\acrodef{HW}{high water}\\acl{HW}'),
    sourceCommand(
      'acf',
      'm',
      'The long form with the short one behind.',
      '\\acrodef{HW}{high water}\\acf{HW}',
    ),
    sourceCommand(
      'acrodef',
      'mom',
      'Says what an abbreviation means.',
      '\\acrodef{HW}{high water}',
    ),
    sourceCommand(
      'acro',
      'mom',
      'The same in the list of abbreviations.',
      '\\begin{acronym}\\acro{HW}{high water}\\end{acronym}',
    ),
    sourceEnvironment(
      'acronym',
      'o',
      'The list of abbreviations.',
      '\\begin{acronym}\\acro{HW}{high water}\\end{acronym}',
    ),
  ],
  source: String.raw`
\NewDocumentCommand\acrodef{m o m}{\expandafter\gdef\csname ac@s@#1\endcsname{\IfValueTF{#2}{#2}{#1}}\expandafter\gdef\csname ac@l@#1\endcsname{#3}}
\let\newacro\acrodef
\NewDocumentCommand\acro{m o m}{\IfValueTF{#2}{\acrodef{#1}[#2]{#3}}{\acrodef{#1}{#3}}\item[\textbf{\acs{#1}}] #3}
\newenvironment{acronym}[1][]{\begin{description}}{\end{description}}
\newcommand\ac@get[2]{\@ifundefined{ac@#1@#2}{\textbf{#2!}}{\@nameuse{ac@#1@#2}}}
\def\ac@first#1#2#3{\@ifundefined{ac@used@#1}{\global\@namedef{ac@used@#1}{}#2}{#3}}
\NewDocumentCommand\ac{s m}{\ac@first{#2}{\acf{#2}}{\acs{#2}}}
\NewDocumentCommand\acp{s m}{\ac@first{#2}{\acl{#2}s (\acs{#2}s)}{\acs{#2}s}}
\NewDocumentCommand\Ac{s m}{\ac{#2}}
\newcommand\acs[1]{\ac@get{s}{#1}}\newcommand\acl[1]{\ac@get{l}{#1}}\newcommand\acf[1]{\acl{#1} (\acs{#1})\global\@namedef{ac@used@#1}{}}
\newcommand\acsp[1]{\acs{#1}s}\newcommand\aclp[1]{\acl{#1}s}\newcommand\acfp[1]{\acl{#1}s (\acs{#1}s)}\newcommand\acused[1]{\global\@namedef{ac@used@#1}{}}
\newcommand\acresetall{}\newcommand\acrodefplural[3][]{}\newcommand\acroplural[3][]{}
`,
};
