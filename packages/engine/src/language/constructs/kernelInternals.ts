/** Small tools of the kernel that class and package files are written with, in the language itself. */
export const KERNEL_INTERNALS = String.raw`
\chardef\active=13
\def\@makeother#1{\catcode${'`'}#1=12 }
\newif\ifin@\def\in@#1#2{\def\@in@a##1#1##2\@nil{\def\@in@b{##2}}\@in@a#2#1\@nil\ifx\@in@b\@empty\in@false\else\in@true\fi}
\def\@expandtwoargs#1#2#3{\edef\@tempa{\noexpand#1{#2}{#3}}\@tempa}
\def\@removeelement#1#2#3{\let#3\@empty\def\@rm@a{#1}\edef\@rm@l{#2}\@for\@rm@b:=\@rm@l\do{\ifx\@rm@a\@rm@b\else\ifx#3\@empty\let#3\@rm@b\else\edef#3{#3,\@rm@b}\fi\fi}}
\def\@onelevel@sanitize#1{\edef#1{\detokenize\expandafter{#1}}}
\let\@@arabic\@arabic\let\@@alph\@alph\let\@@Alph\@Alph\let\@@roman\@roman\let\@@Roman\@Roman\let\@@fnsymbol\@fnsymbol
\def\@arabic#1{\@@arabic\numexpr#1\relax}\def\@alph#1{\@@alph\numexpr#1\relax}\def\@Alph#1{\@@Alph\numexpr#1\relax}
\let\protected@edef\edef\let\protected@xdef\xdef\def\protected@write#1#2#3{}\let\normalcolor\relax\def\hb@xt@{\hbox to}\def\reset@font{\normalfont}\let\set@color\relax\let\color@begingroup\begingroup\let\color@endgroup\endgroup\let\color@setgroup\begingroup
\def\@endparenv{}\newskip\@topsep\newskip\@topsepadd\def\@bsphack{}\def\@esphack{}\def\MessageBreak{ }\def\on@line{}\def\@ehc{}\def\@ehd{}\def\@eha{}\def\@latex@info#1{}\def\@nnil{\@nil}\def\@elt{}\def\@ctrerr{}\newif\if@endpe\def\@doendpe{}\newcount\@clubpenalty\newcount\@eqpen\def\@noligs{}
\def\@setfontsize#1#2#3{\fontsize{#2}{#3}\selectfont}\def\@normalsize{\normalsize}\def\@currsize{\normalsize}\def\@percentchar{\%}\def\@hashchar{\#}\def\@centercr{\\}\def\dospecials{\do\ \do\\\do\{\do\}\do\$\do\&\do\#\do\^\do\_\do\%\do\~}
\def\ext@figure{lof}\def\ext@table{lot}\def\ftype@figure{1}\def\ftype@table{2}\newskip\@fptop\newskip\@fpsep\newskip\@fpbot\newskip\@dblfptop\newskip\@dblfpsep\newskip\@dblfpbot\@fptop0pt plus 1fil\@fpsep8pt plus 2fil\@fpbot0pt plus 1fil\def\@floatboxreset{}
\providecommand\joinrel{\mathrel{\mkern-3mu}}\providecommand\relbar{\mathrel{-}}\providecommand\Relbar{\mathrel{=}}\providecommand\slash{/\penalty\exhyphenpenalty}
\newdimen\prevdepth\newdimen\pagegoal\pagegoal\maxdimen\newdimen\pagetotal\newdimen\pagestretch\newdimen\pageshrink\newdimen\pagedepth\newcount\insertpenalties\newcount\outputpenalty\newcount\prevgraf\newcount\deadcycles\newdimen\boxmaxdepth\newdimen\splitmaxdepth\newskip\splittopskip\newdimen\predisplaysize\newdimen\displaywidth\newdimen\displayindent\newcount\uchyph\newtoks\everyhbox\newtoks\everyvbox\newtoks\everyjob\newtoks\everyeof\newdimen\mathsurround\newdimen\scriptspace\newdimen\delimitershortfall\newcount\delimiterfactor\newcount\defaulthyphenchar\newcount\defaultskewchar
\newcount\pdfoutput\pdfoutput1\newcount\pdfminorversion\newcount\pdfmajorversion\newcount\pdfcompresslevel\newcount\pdfobjcompresslevel\newcount\pdfgentounicode\newcount\pdftexversion\pdftexversion140 \newcount\pdfsuppresswarningpagegroup\newcount\pdfinclusioncopyfonts\newcount\pdfdecimaldigits\def\pdftexrevision{21}\def\pdfinfo#1{}\def\pdfcatalog#1{}\def\pdfliteral{\pdf@gobble}\def\pdf@gobble#1#{\@gobble}\def\pdfsave{}\def\pdfrestore{}\def\pdfmapfile#1{}\def\pdfmapline#1{}\newcount\inputlineno\newcount\badness\def\eTeXrevision{.6}\chardef\eTeXversion=2 
\def\hfilneg{\hskip\z@ plus -1fil\relax}\def\vfilneg{\vskip\z@ plus -1fil\relax}\def\DeclareMathSizes{\@ifstar\@gobblefour\@gobblefour}\def\DeclareErrorFont#1#2#3#4#5{}\def\DeclareFontSubstitution#1#2#3#4{}\def\CheckCommand{\@ifstar\@gobbletwo\@gobbletwo}\def\scantokens#1{#1}\def\scrollmode{}\def\errorstopmode{}\def\tracingall{}\def\showboxbreadth{}\def\show#1{}\def\showthe#1{}
\def\@provideenv#1{\@ifundefined{#1}{\newenvironment{#1}}{\@skipenv}}\def\@skipenv{\@ifnextchar[{\@skipenvopt}{\@gobbletwo}}\def\@skipenvopt[#1]{\@skipenv}
\def\@roman#1{\@@roman\numexpr#1\relax}\def\@Roman#1{\@@Roman\numexpr#1\relax}\def\@fnsymbol#1{\@@fnsymbol\numexpr#1\relax}
`;
