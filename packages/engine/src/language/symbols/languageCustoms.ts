/**
 * What a language's file for babel brings besides words, dates and patterns, in the language itself:
 * its commands; what holds while it is in force, and what takes that back; what holds for a whole
 * document in it (the manuals of babel-french and babel-spanish).
 */
export interface LanguageCustoms {
  readonly commands: string;
  readonly extras: string;
  readonly noextras: string;
  readonly main: string;
}

const FRENCH: LanguageCustoms = {
  commands: String.raw`
\providecommand\up[1]{\textsuperscript{#1}}\providecommand\fup[1]{\textsuperscript{#1}}\providecommand\ier{\up{er}\xspace@fr}\providecommand\iers{\up{ers}\xspace@fr}\providecommand\iere{\up{re}\xspace@fr}\providecommand\ieres{\up{res}\xspace@fr}\providecommand\ieme{\up{e}\xspace@fr}\providecommand\iemes{\up{es}\xspace@fr}\def\xspace@fr{}
\providecommand\primo{1\textsuperscript{o}\kern.3em}\providecommand\secundo{2\textsuperscript{o}\kern.3em}\providecommand\tertio{3\textsuperscript{o}\kern.3em}\providecommand\quarto{4\textsuperscript{o}\kern.3em}\providecommand\FrenchEnumerate[1]{#1\textsuperscript{o}\kern.3em}\providecommand\FrenchPopularEnumerate[1]{#1\textsuperscript{o})\kern.3em}
\providecommand\no{n\textsuperscript{o}\kern.2em}\providecommand\No{N\textsuperscript{o}\kern.2em}\providecommand\nos{n\textsuperscript{os}\kern.2em}\providecommand\Nos{N\textsuperscript{os}\kern.2em}\providecommand\bsc[1]{\mbox{\textsc{#1}}}\providecommand\degre{\textdegree}\providecommand\degres{\textdegree}\providecommand\ordinale[1]{#1}
\providecommand\nombre[1]{#1}\providecommand\at{@}\providecommand\boi{\textbackslash}\providecommand\circonflexe{\textasciicircum}\providecommand\tild{\textasciitilde}\providecommand\NoAutoSpaceBeforeFDP{\@spacedpunctuation0}\providecommand\AutoSpaceBeforeFDP{\@spacedpunctuation1}\providecommand\NoAutoSpacing[1]{{\@spacedpunctuation0#1}}\providecommand\NoEveryParQuote{}\providecommand\dotsFFN{\dots}
\providecommand\FBguillspace{\penalty10000\hskip.8\fontdimen2\font plus.3\fontdimen3\font minus.8\fontdimen4\font}\def\og{\leavevmode«\FBguillspace\ignorespaces}\def\fg{\ifhmode\unskip\fi\FBguillspace»}\providecommand\frquote[1]{\og#1\fg}
\providecommand\DecimalMathComma{\mathcode@comma}\def\mathcode@comma{}
`,
  extras: String.raw`\frenchspacing\@spacedpunctuation1`,
  noextras: String.raw`\nonfrenchspacing\@spacedpunctuation0`,
  main: String.raw`
\@indentfirst\def\labelitemi{\textemdash}\let\labelitemii\labelitemi\let\labelitemiii\labelitemi\let\labelitemiv\labelitemi
\AddToHook{env/itemize/begin}{\settowidth\labelwidth{\textemdash}\def\@listi{\leftmargin\dimexpr\parindent+\labelwidth+\labelsep\relax\labelwidth\dimexpr\leftmargin-\parindent-\labelsep\relax\topsep0pt\partopsep0pt\parsep0pt\itemsep0pt}\def\@listii{\leftmargin\dimexpr\labelwidth+\labelsep\relax\topsep0pt\partopsep0pt\parsep0pt\itemsep0pt}\let\@listiii\@listii\let\@listiv\@listii}
\def\fr@spaces{\topsep.8ex plus.4ex minus.4ex\partopsep.4ex plus.2ex minus.2ex\itemsep.4ex plus.2ex minus.2ex\parsep.4ex plus.2ex minus.2ex\relax}
\def\fr@lists{\let\@listi\fr@spaces\let\@listii\fr@spaces\let\@listiii\fr@spaces\let\@listiv\fr@spaces}
\AtBeginDocument{\@ifpackageloaded{enumitem}{}{\AddToHook{env/enumerate/begin}{\fr@lists}\AddToHook{env/description/begin}{\fr@lists}\AddToHook{env/quote/begin}{\fr@lists}\AddToHook{env/quotation/begin}{\fr@lists}}}
\def\fnum@figure{{\scshape\figurename}~\thefigure}\def\fnum@table{{\scshape\tablename}~\thetable}\def\CaptionSeparator{\space\textendash\space}
\def\@makefntext#1{\parindent1.5em\noindent\kern1.5em\@thefnmark.\kern.5em#1}
`,
};

const SPANISH: LanguageCustoms = {
  commands: String.raw`
\def\es@op#1#2{\expandafter\providecommand\csname#1\endcsname{\mathop{\mathrm{#2}}\nolimits}}\es@op{sen}{sen}\es@op{tg}{tg}\es@op{arcsen}{arc\,sen}\es@op{arctg}{arc\,tg}\es@op{cotg}{cotg}\es@op{cosec}{cosec}\es@op{senh}{senh}\es@op{tgh}{tgh}
\providecommand\sptext[1]{.\textsuperscript{#1}}\providecommand\sptextup[1]{\textsuperscript{#1}}\providecommand\decimalpoint{}\providecommand\decimalcomma{}\providecommand\lsc[1]{\textsc{#1}}\providecommand\msc[1]{\textsc{#1}}\providecommand\spanishdatefirst{}\providecommand\selectspanish{}\providecommand\deactivatetilden{}\providecommand\spanishplainpercent{}\providecommand\unaccentedoperators{}\providecommand\accentedoperators{}\providecommand\spanishsignitems{}\providecommand\spanishcaption{}
`,
  extras: String.raw`\frenchspacing`,
  noextras: String.raw`\nonfrenchspacing`,
  main: String.raw`
\@indentfirst\def\lim{\mathop{\mathrm{lím}}}\def\max{\mathop{\mathrm{máx}}}\def\min{\mathop{\mathrm{mín}}}\def\inf{\mathop{\mathrm{ínf}}}
\def\theenumii{\alph{enumii}}\def\labelenumii{\theenumii)}\def\theenumiii{\arabic{enumiii}}\def\labelenumiii{\theenumiii)}\def\labelenumiv{\theenumiv')}
`,
};

/** By the patterns that words of the language are divided by. */
export const LANGUAGE_CUSTOMS: Readonly<Record<string, LanguageCustoms | undefined>> = {
  fr: FRENCH,
  es: SPANISH,
};
