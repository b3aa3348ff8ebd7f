/** Names of the format that documents lean on besides its commands, in the language itself. */
const FORMAT = String.raw`
\def\empty{}\def\fmtname{LaTeX2e}\def\fmtversion{2024-11-01}\let\sp=^\let\sb=_
\def\magstephalf{1095 }\def\magstep#1{\ifcase#1 1000\or1200\or1440\or1728\or2074\or2488\fi\relax}
\newskip\@flushglue\@flushglue=0pt plus 1fil\chardef\@cclv=255 \chardef\@cclvi=256 \chardef\@m=1000 
\def\@vpt{5}\def\@vipt{6}\def\@viipt{7}\def\@viiipt{8}\def\@ixpt{9}\def\@xpt{10}\def\@xipt{10.95}\def\@xiipt{12}\def\@xivpt{14.4}\def\@xviipt{17.28}\def\@xxpt{20.74}\def\@xxvpt{24.88}
\def\@iden#1{#1}\def\@carcube#1#2#3#4\@nil{#1#2#3}\def\@onlypreamble#1{}\def\@setminipage{}\def\@minipagerestore{}\def\@parboxrestore{}\def\@arrayparboxrestore{}\def\@finalstrut#1{\unskip\strut}\def\@thanks{}
\let\kernel@ifnextchar\@ifnextchar\let\new@ifnextchar\@ifnextchar\def\@latexerr#1#2{}\def\@latex@warning@no@line#1{}\def\@font@warning#1{}\def\@font@info#1{}\def\GenericInfo#1#2{}\def\@ehb{}\def\@badmath{}\def\OptionNotUsed{}\def\CurrentOption{}
\def\@leftmark#1#2{#1}\def\@rightmark#1#2{#2}\newif\if@mparswitch\def\rem@pt#1.#2\relax{#1\ifnum#2>0 .#2\fi}\def\@defaultunits{\afterassignment\remove@to@nnil}\def\remove@to@nnil#1\@nnil{}
\def\hang{\hangindent\parindent}\def\textindent#1{\indent\llap{#1\enspace}\ignorespaces}\def\itemitem{\par\indent\hangindent2\parindent\textindent}\def\narrower{\advance\leftskip\parindent\advance\rightskip\parindent}
\def\hidewidth{\hskip-1000pt plus 1fill}\def\oalign#1{\leavevmode\vtop{\baselineskip0pt\lineskip.25ex\ialign{##\crcr#1\crcr}}}\def\o@lign{\lineskiplimit0pt\oalign}\def\sh@ft#1{\dimen@#1ex\kern\fontdimen1\font\dimen@}\let\ltx@sh@ft\sh@ft
\newdimen\open@by\def\openup{\afterassignment\open@up\open@by}\def\open@up{\advance\lineskip\open@by\advance\baselineskip\open@by\advance\lineskiplimit\open@by}
\def\buildrel#1\over#2{\mathrel{\mathop{\kern0pt #2}\limits^{#1}}}\def\skew#1#2#3{{#2{#3\mkern#1mu}\mkern-#1mu}{}}\def\lhook{\mathrel{\char"2E26}}\def\rhook{\mathrel{\char"2E27}}
\def\rightarrowfill{\leavevmode\leaders\hrule height2.7pt depth-2.3pt\hfill\kern-3pt$\rightarrow$}\def\leftarrowfill{\leavevmode$\leftarrow$\kern-3pt\leaders\hrule height2.7pt depth-2.3pt\hfill\kern0pt }
\def\nullfont{}\def\fam{\afterassignment\relax\count255 }\newcount\globaldefs\newcount\exhyphenchar\newcount\lastlinefit\newtoks\errhelp\newcount\interactionmode\def\hyphenchar{\font@count}\def\skewchar{\font@count}\def\font@count#1{\afterassignment\relax\count255 }
\def\newinsert#1{\newcount#1}\def\newfam#1{\newcount#1}\chardef\@auxout=15 \chardef\@mainaux=15 \chardef\@partaux=15 \chardef\@unused=16 \newread\@inputcheck\def\typein{\@ifnextchar[{\type@in}{\type@in[\@typein]}}\def\type@in[#1]#2{\def#1{}}\def\shipout#1{}
\def\UseTextSymbol#1#2{#2}\def\UseTextAccent#1#2#3{#2{#3}}\def\ProvideTextCommandDefault#1{\providecommand#1}\def\UndeclareTextCommand#1#2{}\def\DeclareTextSymbolDefault#1#2{}\def\DeclareTextAccentDefault#1#2{}\def\DeclareTextAccent#1#2#3{}\def\DeclareTextComposite#1#2#3#4{}\def\DeclareTextCompositeCommand#1#2#3#4{}\def\DeclareMathRadical#1#2#3#4#5{}\def\DeclarePreloadSizes#1#2#3#4#5{}\def\DeclareSizeFunction#1#2{}\def\DeclareInputText#1#2{}\def\DeclareInputMath#1#2{}\def\DeclareEmphSequence#1{}\def\DeclareFontSeriesDefault{\@ifnextchar[{\font@default}{\font@default[]}}\def\font@default[#1]#2#3{}
\let\ulcshape\upshape\let\sscshape\scshape\let\swshape\itshape\DeclareTextFontCommand\textulc{\upshape}\DeclareTextFontCommand\textssc{\scshape}\DeclareTextFontCommand\textsw{\itshape}\def\legacyoldstylenums#1{\oldstylenums{#1}}
\let\RenewCommandCopy\NewCommandCopy\let\DeclareCommandCopy\NewCommandCopy\def\NewEnvironmentCopy#1#2{\expandafter\let\csname#1\expandafter\endcsname\csname#2\endcsname\expandafter\let\csname end#1\expandafter\endcsname\csname end#2\endcsname}\let\RenewEnvironmentCopy\NewEnvironmentCopy\let\DeclareEnvironmentCopy\NewEnvironmentCopy\def\ShowCommand#1{}
\def\UseName#1{\csname#1\endcsname}\def\IfBlankT#1#2{\IfBlankTF{#1}{#2}{}}\def\IfBlankF#1{\IfBlankTF{#1}{}}\def\DocumentMetadata#1{}\def\NewProperty#1#2#3#4{}\def\RecordProperties#1#2{}\def\NewMarkClass#1{}\def\AddToHookNext#1#2{}\def\RemoveFromHook#1{\@ifnextchar[{\hook@gone}{}}\def\hook@gone[#1]{}\def\UseHook#1{}\def\MakeTitlecase#1{\mk@title#1\@nil}\def\mk@title#1#2\@nil{\MakeUppercase{#1}#2}
`;

/** Blanks as active characters: `\obeyspaces`, and `\@vobeyspaces` of text that is printed as typed. */
const OBEYED = String.raw`
\def\@xobeysp{\leavevmode\penalty10000\ }\def\obeyspaces{\catcode32=13\relax}
{\lccode126=32\lowercase{\global\let~\space\gdef\@vobeyspaces{\catcode32=13\relax\let~\@xobeysp}}}
`;

export const FORMAT_NAMES = FORMAT + OBEYED;
