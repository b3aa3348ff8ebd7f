import { declareCharacter } from '../constructs/mathFontDeclarations';
import { tokensText } from '../../expansion/tokenText';
import { environmentTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import { tokensOf, type PackageEntry } from '../machine/entries';
import { describedPackage } from '../machine/macroEntry';

/** newunicodechar: characters typed directly that stand for something else. */
const newunicodechar: PackageEntry = {
  name: 'newunicodechar',
  description: 'Characters typed directly that stand for something of your own.',
  options: null,
  commands: [
    {
      name: 'newunicodechar',
      signature: 'mm',
      package: 'newunicodechar',
      description: 'What a character that is typed directly stands for.',
      example: '\\newunicodechar{ℕ}{\\ensuremath{\\mathbf{N}}}ℕ',
      run: (it, args) => {
        const char = tokensText(tokensOf(args, 0)).trim().replace(/^\\/, '');
        const code = char.codePointAt(0);
        if (code !== undefined) declareCharacter(it, code.toString(16), tokensOf(args, 1));
      },
    },
  ],
};

/** etaremune: a numbered list that counts down. */
const etaremune: PackageEntry = {
  name: 'etaremune',
  description: 'A numbered list that counts down to one.',
  options: null,
  environments: [
    {
      name: 'etaremune',
      signature: 'o',
      package: 'etaremune',
      description: 'A numbered list that counts down to one.',
      example: '\\begin{etaremune}\\item ebb \\item flow\\end{etaremune}',
      begin: (it) => {
        const body = environmentTokens(it, 'etaremune');
        closeNamed(it, 'etaremune');
        let depth = 0;
        let items = 0;
        for (const { text, cell } of body) {
          if (cell && text === 'begin') depth++;
          else if (cell && text === 'end') depth--;
          else if (cell && text === 'item' && depth === 0) items++;
        }
        it.p.push([
          ...it.source(
            `\\begin{list}{\\number\\numexpr${items + 1}-\\value{etaremune}\\relax.}{\\usecounter{etaremune}}`,
          ),
          ...body,
          ...it.source('\\end{list}'),
        ]);
      },
    },
  ],
  source: '\\newcounter{etaremune}',
};

const OUTLINE_LEVELS = [1, 2, 3, 4].map((n) => `\\def\\${n}{\\ol@item{${n}}}`).join('');

const WORDS: readonly PackageEntry[] = [
  describedPackage(
    'dirtytalk',
    'Words in quotation marks, also within others.',
    String.raw`say m | Words in quotation marks. | \say{ebb \say{and} flow}`,
    String.raw`\newcount\dt@deep\newcommand\say[1]{\leavevmode\begingroup\advance\dt@deep1 \ifodd\dt@deep “#1”\else ‘#1’\fi\endgroup}`,
  ),
  describedPackage(
    'hanging',
    'Paragraphs whose further lines are set in.',
    String.raw`
    hangpara mm | A paragraph whose lines are set in from a line on. | \hangpara{2em}{1}Ebb and flow
    {hangparas} mm | Paragraphs whose lines are set in from a line on. | \begin{hangparas}{2em}{1}Ebb and flow\end{hangparas}`,
    String.raw`\newcommand\hangpara[2]{\par\noindent\hangindent#1\relax\hangafter#2\relax}\newenvironment{hangparas}[2]{\par\parindent0pt\everypar{\hangindent#1\relax\hangafter#2\relax}}{\par}\newcommand\hangpunct{}\newcommand\nhpt{.}`,
  ),
  describedPackage(
    'seqsplit',
    'Long words and numbers that break anywhere.',
    String.raw`seqsplit m | A number or word that breaks anywhere. | \seqsplit{31415926535897932384}`,
    String.raw`\newcommand\seqinsert{\hskip0pt plus.02em minus.01em}\newcommand\seqsplit[1]{\@tfor\sq@char:=#1\do{\sq@char\seqinsert}}`,
  ),
  describedPackage(
    'engord',
    'English numbers of order.',
    String.raw`
    engord m | A number of order. | \engord{3}
    engordnumber m | A number of order. | \engordnumber{3}`,
    String.raw`\newcommand\engordletters[1]{\textsuperscript{#1}}\newcount\eo@n\newcommand\engordnumber[1]{\eo@n#1\relax\number\eo@n\engordletters{\eo@suffix}}\newcommand\engord[1]{\@ifundefined{c@#1}{\engordnumber{#1}}{\engordnumber{\value{#1}}}}
\def\eo@suffix{\count255\numexpr\eo@n-(\eo@n-50)/100*100\relax\ifnum\count255>10 \ifnum\count255<14 \count255=0 \fi\fi\count255\numexpr\count255-(\count255-5)/10*10\relax\ifcase\count255 th\or st\or nd\or rd\else th\fi}`,
  ),
  describedPackage(
    'metalogo',
    'The names of programs as they are set.',
    String.raw`
    XeTeX | The name as it is set. | \XeTeX
    XeLaTeX | The name as it is set. | \XeLaTeX
    LuaTeX | The name as it is set. | \LuaTeX
    LuaLaTeX | The name as it is set. | \LuaLaTeX`,
    String.raw`\providecommand\XeTeX{\mbox{X\kern-.125em\lower.5ex\hbox{\reflectbox{E}}\kern-.1667em\TeX}}\providecommand\XeLaTeX{\mbox{X\kern-.125em\lower.5ex\hbox{\reflectbox{E}}\kern-.125em\LaTeX}}\providecommand\LuaTeX{Lua\TeX}\providecommand\LuaLaTeX{Lua\LaTeX}\newcommand\setlogokern[2]{}\newcommand\setlogodrop[2][]{}\newcommand\setLaTeXa[1]{}\newcommand\setLaTeXee[1]{}`,
    ['graphicx'],
  ),
  describedPackage(
    'hologo',
    'Names of programs, as they are set.',
    String.raw`
    hologo m | A name as it is set. | \hologo{LaTeX}
    Hologo m | The same at the start of a sentence. | \Hologo{TeX}`,
    String.raw`\newcommand\hologo[1]{\@ifundefined{hl@#1}{#1}{\csname hl@#1\endcsname}}\newcommand\Hologo[1]{\hologo{#1}}\newcommand\hologoSetup[1]{}\newcommand\hologoLogoSetup[2]{}
\def\hl@LaTeX{\LaTeX}\def\hl@TeX{\TeX}\expandafter\def\csname hl@LaTeX2e\endcsname{\LaTeXe}\def\hl@XeTeX{\XeTeX}\def\hl@XeLaTeX{\XeLaTeX}\def\hl@LuaTeX{\LuaTeX}\def\hl@LuaLaTeX{\LuaLaTeX}\def\hl@pdfTeX{pdf\TeX}\def\hl@pdfLaTeX{pdf\LaTeX}\def\hl@BibTeX{B\textsc{ib}\TeX}\def\hl@ConTeXt{Con\TeX t}\def\hl@eTeX{$\varepsilon$-\TeX}\def\hl@plainTeX{plain \TeX}\def\hl@METAFONT{\textsf{METAFONT}}\def\hl@METAPOST{\textsf{METAPOST}}\def\hl@KOMAScript{\textsf{KOMA-Script}}\def\hl@AmSLaTeX{AmS-\LaTeX}`,
    ['metalogo'],
  ),
  describedPackage(
    'mfirstuc',
    'First letters as capitals.',
    String.raw`
    makefirstuc m | The first letter as a capital. | \makefirstuc{ebb and flow}
    capitalisewords m | The first letters of all words as capitals. | \capitalisewords{ebb and flow}`,
    String.raw`\newcommand\makefirstuc[1]{\mfu@first#1\@nil}\def\mfu@first#1#2\@nil{\MakeUppercase{#1}#2}\let\xmakefirstuc\makefirstuc\let\emakefirstuc\makefirstuc\newcommand\glsmakefirstuc[1]{\makefirstuc{#1}}\newcommand\capitalisewords[1]{\mfu@words#1 \@nil}\def\mfu@words#1 #2\@nil{\makefirstuc{#1}\def\mfu@rest{#2}\ifx\mfu@rest\@empty\else\space\mfu@words#2\@nil\fi}\let\xcapitalisewords\capitalisewords\let\capitalisefmtwords\capitalisewords\newcommand\MFUnocap[1]{}`,
  ),
  describedPackage(
    'moresize',
    'Two more sizes of type.',
    String.raw`
    HUGE | Type larger than any other. | {\HUGE Tide}
    ssmall | Type between tiny and script size. | {\ssmall Tide}`,
    String.raw`\newcommand\HUGE{\fontsize{29.86}{36}\selectfont}\newcommand\ssmall{\fontsize{6}{7}\selectfont}`,
  ),
  describedPackage(
    'leading',
    'The distance between lines.',
    String.raw`leading m | The distance from line to line. | \leading{14pt}`,
    String.raw`\newcommand\leading[1]{\linespread{\fpeval{(#1)/(\baselineskip)}}\selectfont}`,
  ),
  describedPackage(
    'alphalph',
    'Numbers as letters, also beyond the alphabet.',
    String.raw`
    alphalph m | A number as letters. | \alphalph{28}
    AlphAlph m | A number as capitals. | \AlphAlph{28}`,
    String.raw`\newcommand\alphalph[1]{\al@two{#1}{\@alph}}\newcommand\AlphAlph[1]{\al@two{#1}{\@Alph}}\def\al@two#1#2{\ifnum#1>26 #2{\numexpr(#1-14)/26\relax}#2{\numexpr#1-26*((#1-14)/26)\relax}\else#2{#1}\fi}`,
  ),
  describedPackage(
    'outlines',
    'Lists whose items say how deep they are.',
    String.raw`{outline} o | A list whose items are marked by their depth. | \begin{outline}\1 ebb \2 slow \1 flow\end{outline}`,
    String.raw`\newcount\ol@deep\newcount\ol@to
\newenvironment{outline}[1][itemize]{\def\ol@kind{#1}\ol@deep0 ${OUTLINE_LEVELS}\def\0{\ol@close0 \par}}{\ol@close0 }
\def\ol@item#1{\ol@close{#1}\ol@open{#1}\item}
\def\ol@open#1{\ifnum\ol@deep<#1 \global\advance\ol@deep1 \expandafter\begin\expandafter{\ol@kind}\ol@open{#1}\fi}
\def\ol@close#1{\ifnum\ol@deep>#1 \global\advance\ol@deep-1 \expandafter\end\expandafter{\ol@kind}\ol@close{#1}\fi}`.replace(
      '${OUTLINE_LEVELS}',
      OUTLINE_LEVELS,
    ),
  ),
  describedPackage(
    'multenum',
    'Short items side by side.',
    String.raw`{multienumerate} | Short items side by side. | \begin{multienumerate}\mitemxx{ebb}{flow}\end{multienumerate}`,
    String.raw`\newcounter{multienumi}\newenvironment{multienumerate}[1][]{\par\setcounter{multienumi}{0}\parindent0pt}{\par}\def\mitem@#1#2{\parbox[t]{#1}{\stepcounter{multienumi}\makebox[1.6em][l]{\labelenumi@m}#2}}\def\labelenumi@m{\arabic{multienumi}.}
\newcommand\mitemx[1]{\par\mitem@{\linewidth}{#1}\par}\newcommand\mitemxx[2]{\par\mitem@{.5\linewidth}{#1}\mitem@{.5\linewidth}{#2}\par}\newcommand\mitemxxx[3]{\par\mitem@{.333\linewidth}{#1}\mitem@{.333\linewidth}{#2}\mitem@{.333\linewidth}{#3}\par}\newcommand\mitemxxxx[4]{\par\mitem@{.25\linewidth}{#1}\mitem@{.25\linewidth}{#2}\mitem@{.25\linewidth}{#3}\mitem@{.25\linewidth}{#4}\par}\newcommand\mitemxox[2]{\par\mitem@{.666\linewidth}{#1}\mitem@{.333\linewidth}{#2}\par}\newcommand\mitemxxo[2]{\par\mitem@{.333\linewidth}{#1}\mitem@{.666\linewidth}{#2}\par}`,
  ),
  describedPackage(
    'moreenum',
    'More ways to number lists.',
    String.raw`
    greek m | A counter as a Greek letter. | \setcounter{section}{3}\greek{section}
    Greek m | A counter as a Greek capital. | \setcounter{section}{3}\Greek{section}
    enumHex m | A counter as a hexadecimal number. | \setcounter{section}{11}\enumHex{section}`,
    String.raw`\newcommand\greek[1]{\ensuremath{\ifcase\value{#1}\or\alpha\or\beta\or\gamma\or\delta\or\varepsilon\or\zeta\or\eta\or\theta\or\iota\or\kappa\or\lambda\or\mu\or\nu\or\xi\or o\or\pi\or\varrho\or\sigma\or\tau\or\upsilon\or\varphi\or\chi\or\psi\or\omega\fi}}\newcommand\Greek[1]{\ensuremath{\ifcase\value{#1}\or\mathrm A\or\mathrm B\or\Gamma\or\Delta\or\mathrm E\or\mathrm Z\or\mathrm H\or\Theta\or\mathrm I\or\mathrm K\or\Lambda\or\mathrm M\or\mathrm N\or\Xi\or\mathrm O\or\Pi\or\mathrm P\or\Sigma\or\mathrm T\or\Upsilon\or\Phi\or\mathrm X\or\Psi\or\Omega\fi}}
\def\me@digit#1#2{\ifcase\numexpr#1\relax 0\or1\or2\or3\or4\or5\or6\or7\or8\or9\or#2\fi}\newcommand\enumHex[1]{\me@hex{#1}{A\or B\or C\or D\or E\or F}}\newcommand\enumhex[1]{\me@hex{#1}{a\or b\or c\or d\or e\or f}}\def\me@hex#1#2{\ifnum\value{#1}>15 \me@digit{(\value{#1}-8)/16}{#2}\me@digit{\value{#1}-16*((\value{#1}-8)/16)}{#2}\else\me@digit{\value{#1}}{#2}\fi}\newcommand\nthwords[1]{\arabic{#1}}`,
    ['enumitem'],
  ),
  describedPackage(
    'fixme',
    'Notes on what is to be done.',
    String.raw`
    fxnote om | A note on what is to be done; it shows with option draft. | \fxnote{measure again}
    fxwarning om | A warning to yourself. | \fxwarning{measure again}
    listoffixmes | The list of notes; it shows with option draft. | \listoffixmes`,
    String.raw`\newif\iffx@draft\newcommand\fx@show[2]{\iffx@draft\marginpar{\raggedright\footnotesize\textbf{FiXme #1:} #2}\fi}
\newcommand\fx@command[2]{\expandafter\newcommand\csname #1\endcsname{\@ifstar{\fx@starred{#2}}{\fx@plain{#2}}}}
\def\fx@plain#1{\@ifnextchar[{\fx@opt{#1}}{\fx@opt{#1}[]}}\def\fx@opt#1[#2]#3{\fx@show{#1}{#3}}
\def\fx@starred#1{\@ifnextchar[{\fx@sopt{#1}}{\fx@sopt{#1}[]}}\def\fx@sopt#1[#2]#3#4{#4\fx@show{#1}{#3}}
\fx@command{fxnote}{Note}\fx@command{fxwarning}{Warning}\fx@command{fxerror}{Error}\fx@command{fxfatal}{Fatal}\let\fixme\fxfatal
\newcommand\listoffixmes{}\newcommand\fxsetup[1]{\in@{draft}{#1}\ifin@\fx@drafttrue\fi}\newcommand\fxusetheme[1]{}\newcommand\FXRegisterAuthor[3]{\fx@command{#1note}{#3}\fx@command{#1warning}{#3}\fx@command{#1error}{#3}\fx@command{#1fatal}{#3}}`,
  ),
  describedPackage(
    'moreverb',
    'More of text as it is typed: numbered, framed.',
    String.raw`
    {verbatimtab} o | Text as it is typed, tabs to their stops. | \begin{verbatimtab}⏎ebb⏎\end{verbatimtab}
    {boxedverbatim} | Text as it is typed, in a frame. | \begin{boxedverbatim}⏎ebb⏎\end{boxedverbatim}
    {listing} om | Numbered lines as they are typed. | \begin{listing}[1]{1}⏎ebb⏎\end{listing}
    listinginput omm | A file with numbered lines. | \listinginput{1}{tides.txt}`,
    String.raw`
\newenvironment{verbatimtab}[1][8]{\VerbatimEnvironment\begin{Verbatim}[obeytabs,tabsize=#1]}{\end{Verbatim}}
\newenvironment{boxedverbatim}{\VerbatimEnvironment\begin{Verbatim}[frame=single]}{\end{Verbatim}}
\newenvironment{listing}[2][1]{\VerbatimEnvironment\begin{Verbatim}[numbers=left,stepnumber=#1,firstnumber=#2]}{\end{Verbatim}}
\newenvironment{listingcont}{\VerbatimEnvironment\begin{Verbatim}[numbers=left,firstnumber=last]}{\end{Verbatim}}
\newcommand\listinginput[3][1]{\VerbatimInput[numbers=left,stepnumber=#1,firstnumber=#2]{#3}}\newcommand\verbatimtabinput[2][8]{\VerbatimInput[obeytabs,tabsize=#1]{#2}}`,
    ['fancyvrb', 'verbatim'],
  ),
  describedPackage(
    'kantlipsum',
    'Words to fill a page with.',
    String.raw`kant os | Words to fill a page with. | \kant[1]`,
    String.raw`\newcommand\kant[1][1-7]{\lipsum[#1]}\newcommand\kantdef[2]{\def#1{\lipsum[#2][1]}}`,
    ['lipsum'],
  ),
];

/** Packages that have to do with words, lists and what is read of the source. */
export const textPackages: readonly PackageEntry[] = [newunicodechar, etaremune, ...WORDS];
