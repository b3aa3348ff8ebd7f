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
\def\@roman#1{\@@roman\numexpr#1\relax}\def\@Roman#1{\@@Roman\numexpr#1\relax}\def\@fnsymbol#1{\@@fnsymbol\numexpr#1\relax}
`;
