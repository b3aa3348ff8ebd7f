import type { PackageEntry } from '../machine/entries';
import { sourceCommand, sourcePackage } from '../machine/macroEntry';

/** Things scaled to the size of others, and things stacked on one another. */

/**
 * Heights are those of the whole box, depth included; what is scaled to another thing stands as deep as it.
 * `\srel@fit{style}{what}{width}{height}{widest}{depth}` does it all: a width of `!` goes with the height, and what
 * gets wider than the widest is narrowed.
 */
const SCALEREL = String.raw`
\newsavebox\srel@box\newsavebox\srel@like\newlength\srel@high\newlength\srel@wide
\def\SavedStyle{\displaystyle}
\newcommand\ThisStyle[1]{\mathchoice{\def\SavedStyle{\displaystyle}\def\LMex{1ex}\def\LMpt{1pt}#1}{\def\SavedStyle{\textstyle}\def\LMex{1ex}\def\LMpt{1pt}#1}{\def\SavedStyle{\scriptstyle}\def\LMex{.7ex}\def\LMpt{.7pt}#1}{\def\SavedStyle{\scriptscriptstyle}\def\LMex{.5ex}\def\LMpt{.5pt}#1}}
\def\LMex{1ex}\def\LMpt{1pt}
\newcommand\scriptstyleScaleFactor{.7}\newcommand\scriptscriptstyleScaleFactor{.5}
\newcommand\srel@fit[6]{\sbox\srel@box{\resizebox*{#3}{#4}{$\m@th#1#2$}}\ifdim\wd\srel@box>\dimexpr#5\relax\sbox\srel@box{\resizebox*{\dimexpr#5\relax}{#4}{$\m@th#1#2$}}\fi\raisebox{\dimexpr\dp\srel@box-\dimexpr#6\relax\relax}{\usebox\srel@box}}
\newcommand\srel@measure[2]{\sbox\srel@like{$\m@th#1#2$}\setlength\srel@high{\dimexpr\ht\srel@like+\dp\srel@like\relax}}
\NewDocumentCommand\scalerel{s O{\maxdimen} m m}{\mathpalette\srel@scaled{{#2}{#3}{#4}}\IfBooleanF{#1}{#4}}
\def\srel@scaled#1#2{\srel@scaledto#1#2}
\def\srel@scaledto#1#2#3#4{\srel@measure{#1}{#4}\mathord{\srel@fit{#1}{#3}{!}{\srel@high}{#2}{\dp\srel@like}}}
\NewDocumentCommand\stretchrel{s O{1000} m m}{\mathpalette\srel@stretched{{#2}{#3}{#4}}\IfBooleanF{#1}{#4}}
\def\srel@stretched#1#2{\srel@stretchedto#1#2}
\def\srel@stretchedto#1#2#3#4{\srel@measure{#1}{#4}\mathord{\srel@tall{#1}{#2}{#3}{\dp\srel@like}}}
\newcommand\srel@tall[4]{\sbox\srel@box{$\m@th#1#3$}\setlength\srel@wide{\wd\srel@box}\ifdim#2pt<1000pt \ifdim#2\srel@wide<\srel@high\setlength\srel@wide{\dimexpr1pt*\srel@high/\dimexpr#2pt\relax\relax}\fi\fi\srel@fit{#1}{#3}{\srel@wide}{\srel@high}{\maxdimen}{#4}}
\newcommand\scaleto[3][\maxdimen]{\mathord{\mathpalette\srel@to{{#1}{#2}{#3}}}}
\def\srel@to#1#2{\srel@toheight#1#2}
\def\srel@toheight#1#2#3#4{\setlength\srel@high{#4}\srel@fit{#1}{#3}{!}{\srel@high}{#2}{\dp\srel@box}}
\newcommand\stretchto[3][1000]{\mathord{\mathpalette\srel@stretchto{{#1}{#2}{#3}}}}
\def\srel@stretchto#1#2{\srel@stretchheight#1#2}
\def\srel@stretchheight#1#2#3#4{\setlength\srel@high{#4}\srel@tall{#1}{#2}{#3}{\dp\srel@box}}
\newcommand\srel@ensured[1]{\ensuremath{\mathord{#1}}}
\newcommand\scaleobj[2]{\srel@ensured{\scalebox{#1}{$\m@th\SavedStyle#2$}}}
\newcommand\hstretch[2]{\srel@ensured{\scalebox{#1}[1]{$\m@th\SavedStyle#2$}}}
\newcommand\vstretch[2]{\srel@ensured{\scalebox{1}[#1]{$\m@th\SavedStyle#2$}}}
\newcommand\scaleleftright[4][\maxdimen]{\mathopen{\scalerel*[#1]{#2}{\left.#3\right.}}#3\mathclose{\scalerel*[#1]{#4}{\left.#3\right.}}}
\newcommand\stretchleftright[4][1000]{\mathopen{\stretchrel*[#1]{#2}{\left.#3\right.}}#3\mathclose{\stretchrel*[#1]{#4}{\left.#3\right.}}}
\newcommand\scaleleft[3][\maxdimen]{\mathopen{\scalerel*[#1]{#2}{\left.#3\right.}}#3}
\newcommand\scaleright[3][\maxdimen]{#2\mathclose{\scalerel*[#1]{#3}{\left.#2\right.}}}
\newcommand\stretchleft[3][1000]{\mathopen{\stretchrel*[#1]{#2}{\left.#3\right.}}#3}
\newcommand\stretchright[3][1000]{#2\mathclose{\stretchrel*[#1]{#3}{\left.#2\right.}}}
`;

const scalerel = sourcePackage(
  'scalerel',
  'Things scaled to the size of others.',
  [
    sourceCommand(
      'scalerel',
      's+o+mm',
      'The first as high as the second; with a star the first alone.',
      '$\\scalerel{x}{\\sum}$',
    ),
    sourceCommand(
      'stretchrel',
      's+o+mm',
      'The first stretched to the height of the second.',
      '$\\stretchrel{(}{\\sum}$',
    ),
    sourceCommand('scaleto', 'omm', 'Scaled to a height.', '$\\scaleto{x}{12pt}$'),
    sourceCommand('stretchto', 'omm', 'Stretched to a height.', '$\\stretchto{(}{20pt}$'),
    sourceCommand('scaleobj', 'mm', 'Scaled by a factor.', '$\\scaleobj{2}{x}$'),
    sourceCommand('hstretch', 'mm', 'Made wider by a factor.', '$\\hstretch{2}{x}$'),
    sourceCommand('vstretch', 'mm', 'Made higher by a factor.', '$\\vstretch{2}{x}$'),
    sourceCommand(
      'scaleleftright',
      'ommm',
      'Signs as high as what stands between them.',
      '$\\scaleleftright{<}{\\frac ab}{>}$',
    ),
    sourceCommand(
      'stretchleftright',
      'ommm',
      'Signs stretched to the height of what stands between them.',
      '$\\stretchleftright{<}{\\frac ab}{>}$',
    ),
    sourceCommand(
      'ThisStyle',
      'm',
      'Has the style it stands in at hand, as \\SavedStyle.',
      '$\\ThisStyle{\\scalebox{2}{$\\SavedStyle x$}}$',
    ),
  ],
  SCALEREL,
  ['graphicx'],
);

/**
 * `\sen@set{gap}{anchor}{item}{O|U}{l|c|r}{anchor width: T|F}{S|L}`: a gap between what is stacked, or from one line
 * to the next.
 */
const STACKENGINE = String.raw`
\newlength\stackgap\newlength\Sstackgap\newlength\Lstackgap\setlength\Sstackgap{3pt}\setlength\Lstackgap{\baselineskip}
\newcommand\stackalignment{c}\newcommand\useanchorwidth{F}\newcommand\stacktype{S}\newcommand\quietstack{F}
\def\stackgap{\if L\stacktype\Lstackgap\else\Sstackgap\fi}
\newcommand\setstackgap[2]{\setlength{\csname#1stackgap\endcsname}{#2}}
\newcommand\setstackaligngap[1]{}\newcommand\setstackEOL[1]{}\newcommand\strutlongstacks[1]{\def\sen@struts{#1}}\def\sen@struts{F}\newcommand\strutshortanchors[1]{}
\newif\ifsen@math\newcommand\stackMath{\sen@mathtrue}\newcommand\stackText{\sen@mathfalse}
\newcommand\sen@show[1]{\ifsen@math$\m@th#1$\else#1\fi}
\newsavebox\sen@anchor\newsavebox\sen@item\newlength\sen@by\newlength\sen@wide
\newcommand\sen@align[2]{\hb@xt@\sen@wide{\if l#1\else\hss\fi\usebox#2\if r#1\else\hss\fi}}
\newcommand\stackengine[8]{\sen@set{#1}{#2}{#3}{#4}{#5}{#7}{#8}}
\newcommand\sen@set[7]{\mbox{\sbox\sen@anchor{\sen@show{#2}}\sbox\sen@item{\sen@show{#3}}%
\setlength\sen@wide{\wd\sen@anchor}\ifdim\wd\sen@item>\sen@wide\setlength\sen@wide{\wd\sen@item}\fi
\if T#6\setlength\sen@wide{\wd\sen@anchor}\fi
\if L#7\setlength\sen@by{#1}\else\if O#4\setlength\sen@by{\dimexpr\ht\sen@anchor+\dimexpr#1\relax+\dp\sen@item\relax}\else\setlength\sen@by{\dimexpr\dp\sen@anchor+\dimexpr#1\relax+\ht\sen@item\relax}\fi\fi
\rlap{\sen@align{#5}\sen@anchor}\if O#4\raisebox{\sen@by}{\sen@align{#5}\sen@item}\else\raisebox{-\sen@by}{\sen@align{#5}\sen@item}\fi}}
\newcommand\stackon[3][\stackgap]{\sen@set{#1}{#2}{#3}{O}{\stackalignment}{\useanchorwidth}{\stacktype}}
\newcommand\stackunder[3][\stackgap]{\sen@set{#1}{#2}{#3}{U}{\stackalignment}{\useanchorwidth}{\stacktype}}
\newcommand\savestack[2]{\def#1{#2}}
\newcommand\sen@off[1]{\if\relax\detokenize{#1}\relax\z@\else#1\fi}
\newcommand\stackinset[6]{\mbox{\sbox\sen@anchor{\sen@show{#6}}\sbox\sen@item{\sen@show{#5}}\setlength\sen@wide{\wd\sen@anchor}\rlap{\usebox\sen@anchor}%
\if t#3\setlength\sen@by{\dimexpr\ht\sen@anchor-\ht\sen@item-\dimexpr\sen@off{#4}\relax\relax}\else\if b#3\setlength\sen@by{\dimexpr\dp\sen@item-\dp\sen@anchor+\dimexpr\sen@off{#4}\relax\relax}\else\setlength\sen@by{\dimexpr(\ht\sen@anchor-\dp\sen@anchor-\ht\sen@item+\dp\sen@item)/2+\dimexpr\sen@off{#4}\relax\relax}\fi\fi
\raisebox{\sen@by}{\hb@xt@\sen@wide{\if l#1\hskip\sen@off{#2}\relax\else\hss\if c#1\hskip\sen@off{#2}\relax\hskip\sen@off{#2}\relax\fi\fi\usebox\sen@item\if r#1\hskip\sen@off{#2}\relax\else\hss\fi}}}}
\newcommand\topinset[4]{\stackinset{c}{#4}{t}{#3}{#1}{#2}}\newcommand\bottominset[4]{\stackinset{c}{#4}{b}{#3}{#1}{#2}}
\newtoks\sen@rows
\newcommand\sen@split[1]{\in@{\\}{#1}\ifin@\sen@rows{#1}\else\sen@rows{}\sen@words#1 \@nil\fi}
\def\sen@words#1 #2\@nil{\sen@rows\expandafter{\the\sen@rows#1}\if\relax\detokenize{#2}\relax\else\sen@rows\expandafter{\the\sen@rows\\}\sen@words#2\@nil\fi}
\newcommand\sen@column[3]{\sen@split{#3}\mbox{\setlength\lineskiplimit{\if L#2-\maxdimen\else\maxdimen\fi}\setlength\lineskip{\Sstackgap}\setlength\baselineskip{\if L#2\Lstackgap\else\z@\fi}#1}}
\newcommand\sen@lines{\let\\\cr\ialign{\if l\sen@side\else\hfil\fi\sen@show{##}\if r\sen@side\else\hfil\fi\crcr\the\sen@rows\crcr}}
\newcommand\sen@stack[4]{\def\sen@side{#2}\sen@column{#1{\sen@lines}}{#3}{#4}}
\newcommand\sen@centred[1]{$\vcenter{#1}$}
\newcommand\Longstack[2][\stackalignment]{\sen@stack{\sen@centred}{#1}{L}{#2}}
\newcommand\Shortstack[2][\stackalignment]{\sen@stack{\sen@centred}{#1}{S}{#2}}
\newcommand\Centerstack[2][\stackalignment]{\sen@stack{\sen@centred}{#1}{L}{#2}}
\newcommand\Vectorstack[2][\stackalignment]{\sen@stack{\sen@centred}{#1}{L}{#2}}
\newcommand\Longunderstack[2][\stackalignment]{\sen@stack{\vtop}{#1}{L}{#2}}
\newcommand\Shortunderstack[2][\stackalignment]{\sen@stack{\vtop}{#1}{S}{#2}}
\newcommand\stackanchor[3][]{\if L\stacktype\Longstack{#2\\#3}\else\Shortstack{#2\\#3}\fi}
\newcommand\hsmash[1]{\makebox[0pt]{#1}}\newcommand\abovebaseline[2][0pt]{\sbox\sen@item{#2}\raisebox{\dimexpr\dp\sen@item+#1\relax}{\usebox\sen@item}}\newcommand\belowbaseline[2][0pt]{\sbox\sen@item{#2}\raisebox{-\dimexpr\ht\sen@item+#1\relax}{\usebox\sen@item}}
\newcommand\tlap[1]{\vbox to0pt{\vss\hbox{#1}}}\newcommand\blap[1]{\vbox to0pt{\hbox{#1}\vss}}
`;

const stackengine = sourcePackage(
  'stackengine',
  'Things stacked on one another.',
  [
    sourceCommand('stackon', 'omm', 'The second over the first.', '\\stackon{tide}{ebb}'),
    sourceCommand('stackunder', 'omm', 'The second under the first.', '\\stackunder{tide}{ebb}'),
    sourceCommand(
      'stackinset',
      'mmmmmm',
      'One thing set into another, at a side and some way from it.',
      '\\stackinset{r}{2pt}{t}{1pt}{o}{HARBOUR}',
    ),
    sourceCommand(
      'stackanchor',
      'omm',
      'One over the other, about the middle of the line.',
      '\\stackanchor{ebb}{flow}',
    ),
    sourceCommand('Shortstack', 'om', 'Lines one under another.', '\\Shortstack{ebb\\\\ flow}'),
    sourceCommand(
      'Longstack',
      'om',
      'Lines one under another, as in a paragraph.',
      '\\Longstack{ebb\\\\ flow}',
    ),
    sourceCommand('stackMath', '', 'What is stacked is set as formulas.', '\\stackMath'),
    sourceCommand('stackText', '', 'What is stacked is set as text.', '\\stackText'),
    sourceCommand('savestack', 'mm', 'A name for what is stacked.', '\\savestack{\\pier}{quay}'),
  ],
  STACKENGINE,
);

export const scaledThings: readonly PackageEntry[] = [scalerel, stackengine];
