/** Chapters, parts, lines of contents and heads of the KOMA classes, in the language itself. */

/**
 * Chapters stand on one line with their number, in the type of headings; above and below is room by the size of
 * headings (scrreprt.cls, option `headings`).
 */
export const KOMA_CHAPTERS = String.raw`
\def\usekomafont@chapter{\huge}\def\usekomafont@chapterprefix{\Large}\def\usekomafont@part{\Huge}\def\usekomafont@partnumber{\huge}
\def\koma@above{3.3\baselineskip}\def\koma@below{1.725\baselineskip plus .115\baselineskip minus .192\baselineskip}
\newcommand\chapterformat{\mbox{\if@chapterprefix\@chapapp\ \fi\thechapter\autodot\if@chapterprefix\else\enskip\fi}}
\newcommand\chapterheadstartvskip{\vspace*{\koma@above}}
\newif\if@chapterprefix\newif\if@appendixprefix
\long\def\koma@head#1{\chapterheadstartvskip\begingroup\skip0=\koma@below\relax
 {\parindent\z@\raggedsection\normalfont\sectfont\usekomafont@disposition\usekomafont@chapter\interlinepenalty\@M#1\par}%
 \nobreak\vskip\skip0 \endgroup\koma@chapterpreamble}
\def\@makechapterhead#1{\koma@head{\if@chapterprefix{\usekomafont@chapterprefix\chapterformat\par\nobreak\vskip.5\baselineskip}#1\else\@hangfrom{\chapterformat}#1\fi}}
\def\@makeschapterhead#1{\koma@head{#1}}
\let\koma@appendix\appendix\def\appendix{\koma@appendix\if@appendixprefix\@chapterprefixtrue\fi}
\def\usekomafont@chapterentry{\sectfont}\def\usekomafont@partentry{\sectfont\large}
\def\l@part#1#2{\@boldtocline{-1}{2.25em plus 1pt}{2em}{\usekomafont@partentry #1}{\usekomafont@partentry #2}}
\def\l@chapter#1#2{\@boldtocline{0}{1em plus 1pt}{1.5em}{\usekomafont@chapterentry #1}{\usekomafont@chapterentry #2}}
`;

export const KOMA_SECTIONS = String.raw`
\def\usekomafont@sectionentry{\sectfont}\def\usekomafont@partentry{\sectfont\large}
\def\l@part#1#2{\@boldtocline{-1}{2.25em plus 1pt}{2em}{\usekomafont@partentry #1}{\usekomafont@partentry #2}}
\def\l@section#1#2{\@boldtocline{1}{1em plus 1pt}{1.5em}{\usekomafont@sectionentry #1}{\usekomafont@sectionentry #2}}
`;

/** Heads and feet: slanted, as the headings are written; at the outer side, or in the middle where there is none. */
export const KOMA_HEADS = String.raw`
\def\usekomafont@pageheadfoot{\normalfont\slshape}\def\usekomafont@pagehead{}\def\usekomafont@pagefoot{}\def\usekomafont@pagenumber{\normalfont}
\newcommand\pagemark{{\usekomafont@pagenumber\thepage}}
\def\koma@headtext#1{{\usekomafont@pageheadfoot\usekomafont@pagehead #1}}\def\koma@foottext#1{{\usekomafont@pageheadfoot\usekomafont@pagefoot #1}}
\def\chaptermarkformat{\thechapter\autodot\enskip}\def\sectionmarkformat{\thesection\autodot\enskip}\def\subsectionmarkformat{\thesubsection\autodot\enskip}
\def\koma@mark@chapter#1{\ifnum\c@secnumdepth>-1 \if@mainmatter\chaptermarkformat\fi\fi #1}
\def\koma@mark@section#1{\ifnum\c@secnumdepth>0 \sectionmarkformat\fi #1}
\def\koma@mark@subsection#1{\ifnum\c@secnumdepth>1 \subsectionmarkformat\fi #1}
\def\koma@automark#1#2{\let\chaptermark\@gobble\let\sectionmark\@gobble\let\subsectionmark\@gobble
 \expandafter\def\csname #2mark\endcsname##1{\markboth{\csname koma@mark@#2\endcsname{##1}}{\csname koma@mark@#2\endcsname{##1}}}%
 \def\koma@a{#1}\def\koma@b{#2}\ifx\koma@a\@empty\else\ifx\koma@a\koma@b\else
 \expandafter\def\csname #1mark\endcsname##1{\markright{\csname koma@mark@#1\endcsname{##1}}}\fi\fi}
\newcommand\automark{\@ifstar{\koma@autoargs}{\koma@autoargs}}\newcommand\koma@autoargs[2][]{\koma@automark{#1}{#2}}
\newcommand\manualmark{\let\chaptermark\@gobble\let\sectionmark\@gobble\let\subsectionmark\@gobble}
\def\koma@usual{\@ifundefined{chapter}{\if@twoside\koma@automark{subsection}{section}\else\koma@automark{}{section}\fi}{\if@twoside\koma@automark{section}{chapter}\else\koma@automark{}{chapter}\fi}}
\def\ps@headings{\ps@empty\koma@rules\let\@mkboth\markboth\koma@usual
 \if@twoside\def\@evenhead{\koma@headtext\leftmark\hfil}\def\@oddhead{\hfil\koma@headtext\rightmark}\def\@evenfoot{\pagemark\hfil}\def\@oddfoot{\hfil\pagemark}%
 \else\def\@oddhead{\hfil\koma@headtext\rightmark\hfil}\let\@evenhead\@oddhead\def\@oddfoot{\hfil\pagemark\hfil}\let\@evenfoot\@oddfoot\fi}
\def\ps@plain{\ps@empty\if@twoside\def\@evenfoot{\pagemark\hfil}\def\@oddfoot{\hfil\pagemark}\else\def\@oddfoot{\hfil\pagemark\hfil}\let\@evenfoot\@oddfoot\fi}
\newif\if@titlecounts\@titlecountstrue
\newif\if@totoc@bib\newif\if@totoc@lists\newif\if@totoc@index
\def\koma@toc#1{\@ifundefined{chapter}{\addcontentsline{toc}{section}{#1}}{\addcontentsline{toc}{chapter}{#1}}}
\def\koma@heading#1{\@ifundefined{chapter}{\section*{#1}}{\chapter*{#1}}\@mkboth{#1}{#1}}
\def\@listheading#1{\koma@heading{#1}\if@totoc@lists\def\koma@a{#1}\def\koma@b{\contentsname}\ifx\koma@a\koma@b\else\koma@toc{#1}\fi\fi}
\def\@bibheading{\@ifundefined{chapter}{\koma@heading\refname\if@totoc@bib\koma@toc\refname\fi}{\koma@heading\bibname\if@totoc@bib\koma@toc\bibname\fi}}
\def\@indexheading{\koma@heading\indexname\if@totoc@index\koma@toc\indexname\fi}
`;

/** Sizes of headings by the option `headings`: what they are set in, and the room around chapters (scrreprt.cls). */
export const KOMA_SIZES: Readonly<Record<string, string>> = {
  normal: String.raw`\def\usekomafont@chapter{\LARGE}\def\koma@above{3\baselineskip}\def\koma@below{1.5\baselineskip plus .1\baselineskip minus .167\baselineskip}`,
  small: String.raw`\def\usekomafont@chapter{\Large}\def\usekomafont@section{\large}\def\usekomafont@subsection{\normalsize}\def\koma@above{2.8\baselineskip}\def\koma@below{1.35\baselineskip plus .09\baselineskip minus .15\baselineskip}`,
};
