import type { PackageEntry } from '../machine/entries';
import { sourceCommand, sourceEnvironment, sourcePackage } from '../machine/macroEntry';

const corner = (name: string, where: string) =>
  sourceCommand(
    name,
    'm',
    `For what is added to pages: at ${where}.`,
    `\\AddToShipoutPicture*{\\${name}{\\put(20,-20){tide}}}x`,
  );

/** eso-pic: pictures on every page, or on this one. */
const esopic = sourcePackage(
  'eso-pic',
  'What stands behind or before the text of every page.',
  [
    ...['', 'BG', 'FG'].map((layer) =>
      sourceCommand(
        `AddToShipoutPicture${layer}`,
        'sm',
        `Adds to every page, ${layer === 'FG' ? 'before' : 'behind'} its text; with the star to this one.`,
        `\\AddToShipoutPicture${layer}*{\\put(40,40){tide}}x`,
      ),
    ),
    sourceCommand(
      'ClearShipoutPicture',
      '',
      'Nothing is added from here on.',
      '\\ClearShipoutPicture x',
    ),
    corner('AtPageUpperLeft', 'the upper left corner of the page'),
    corner('AtPageLowerLeft', 'the lower left corner of the page'),
    corner('AtPageCenter', 'the middle of the page'),
    corner('AtTextUpperLeft', 'the upper left corner of the text'),
    corner('AtTextLowerLeft', 'the lower left corner of the text'),
    corner('AtTextCenter', 'the middle of the text'),
    sourceCommand(
      'LenToUnit',
      'm',
      'A length as a number for \\put.',
      '\\AddToShipoutPicture*{\\put(\\LenToUnit{1cm},40){tide}}x',
    ),
  ],
  String.raw`
\newcommand\AddToShipoutPictureBG{\@ifstar{\eso@once{}}{\@addbehind}}
\newcommand\AddToShipoutPictureFG{\@ifstar{\@backdrop*{}}{\@addbefore}}
\def\eso@once#1#2{\@backdrop*{#2}{}}
\newcommand\AddToShipoutPicture{\AddToShipoutPictureBG}
\newcommand\ClearShipoutPicture{\@clearbackdrop}
\newcommand\ClearShipoutPictureBG{\gdef\@behindpages{}\@sendbackdrop}
\newcommand\ClearShipoutPictureFG{\gdef\@beforepages{}\@sendbackdrop}
\newcommand\LenToUnit[1]{\strip@pt\dimexpr#1\relax}
\newcommand\gridSetup[6][]{}
\newcommand\AtPageUpperLeft[1]{\@fromtop{#1}}
\newcommand\AtPageLowerLeft[1]{\put(0,0){#1}}
\newcommand\AtPageCenter[1]{\put(\LenToUnit{.5\paperwidth},\LenToUnit{.5\paperheight}){#1}}
\def\eso@left{1in+\hoffset+\oddsidemargin}\def\eso@top{\paperheight-1in-\voffset-\topmargin-\headheight-\headsep}
\newcommand\AtTextUpperLeft[1]{\put(\LenToUnit{\eso@left},\LenToUnit{\eso@top}){#1}}
\newcommand\AtTextLowerLeft[1]{\put(\LenToUnit{\eso@left},\LenToUnit{\eso@top-\textheight}){#1}}
\newcommand\AtTextCenter[1]{\put(\LenToUnit{\eso@left+.5\textwidth},\LenToUnit{\eso@top-.5\textheight}){#1}}
\let\AtStockUpperLeft\AtPageUpperLeft\let\AtStockLowerLeft\AtPageLowerLeft\let\AtStockCenter\AtPageCenter
`,
);

/** everypage: the same by older names, from one inch below the upper left corner. */
const everypage = sourcePackage(
  'everypage',
  'What is done on every page.',
  [
    sourceCommand('AddEverypageHook', 'm', 'Printed on every page.', '\\AddEverypageHook{tide}x'),
    sourceCommand('AddThispageHook', 'm', 'Printed on this page.', '\\AddThispageHook{tide}x'),
  ],
  String.raw`
\def\ep@put#1{\put(\strip@pt\dimexpr1in+\hoffset\relax,\strip@pt\dimexpr\paperheight-1in-\voffset\relax){#1}}
\newcommand\AddEverypageHook[1]{\@addbehind{\ep@put{#1}}}
\newcommand\AddThispageHook[1]{\@backdrop*{\ep@put{#1}}{}}
`,
);

const watermarkSetting = (name: string, what: string, example: string) =>
  sourceCommand(`SetWatermark${name}`, 'm', what, `\\SetWatermark${name}{${example}}x`);

/** draftwatermark: a word across the page. */
const draftwatermark: PackageEntry = {
  ...sourcePackage(
    'draftwatermark',
    'A word across every page.',
    [
      watermarkSetting('Text', 'The word that lies across the page.', 'Draft'),
      watermarkSetting('Scale', 'How large it is.', '2'),
      watermarkSetting('Angle', 'By how many degrees it is turned.', '60'),
      watermarkSetting('Lightness', 'How light its grey is, from 0 to 1.', '0.9'),
      watermarkSetting('Color', 'Its colour.', 'red'),
      watermarkSetting('FontSize', 'The size of its letters.', '3cm'),
      sourceCommand(
        'DraftwatermarkOptions',
        'm',
        'All of it by keys.',
        '\\DraftwatermarkOptions{text=Draft,scale=0.5}x',
      ),
    ],
    String.raw`
\newif\ifdwm@stamp\dwm@stamptrue\newif\ifdwm@first
\def\dwm@text{DRAFT}\def\dwm@scale{1}\def\dwm@angle{45}\def\dwm@size{5cm}\def\dwm@paint{\color[gray]{0.8}}
\define@key{dwm}{text}{\SetWatermarkText{#1}}\define@key{dwm}{scale}{\SetWatermarkScale{#1}}
\define@key{dwm}{angle}{\SetWatermarkAngle{#1}}\define@key{dwm}{fontsize}{\SetWatermarkFontSize{#1}}
\define@key{dwm}{color}{\SetWatermarkColor{#1}}\define@key{dwm}{colormodel}{}\define@key{dwm}{colorspec}{}
\define@key{dwm}{hpos}{\def\dwm@x{#1}}\define@key{dwm}{vpos}{\def\dwm@y{#1}}\define@key{dwm}{hanchor}{}\define@key{dwm}{vanchor}{}\define@key{dwm}{alignment}{}\define@key{dwm}{pos}{}\define@key{dwm}{anchor}{}
\define@key{dwm}{stamp}[true]{\csname dwm@stamp#1\endcsname}\define@key{dwm}{final}[true]{\dwm@stampfalse}
\define@key{dwm}{firstpageonly}[true]{\csname dwm@first#1\endcsname}\define@key{dwm}{firstpage}[true]{\csname dwm@first#1\endcsname}
\def\dwm@x{.5\paperwidth}\def\dwm@y{.5\paperheight}
\newcommand\DraftwatermarkOptions[1]{\setkeys{dwm}{#1}}
\newcommand\SetWatermarkText[1]{\gdef\dwm@text{#1}}\newcommand\SetWatermarkScale[1]{\gdef\dwm@scale{#1}}
\newcommand\SetWatermarkAngle[1]{\gdef\dwm@angle{#1}}\newcommand\SetWatermarkFontSize[1]{\gdef\dwm@size{#1}}
\newcommand\SetWatermarkLightness[1]{\gdef\dwm@paint{\color[gray]{#1}}}
\newcommand\SetWatermarkColor[2][]{\def\dwm@model{#1}\ifx\dwm@model\@empty\gdef\dwm@paint{\color{#2}}\else\gdef\dwm@paint{\color[#1]{#2}}\fi}
\newcommand\SetWatermarkHorCenter[1]{\gdef\dwm@x{#1}}\newcommand\SetWatermarkVerCenter[1]{\gdef\dwm@y{#1}}
\def\dwm@mark{\ifdwm@stamp\put(\strip@pt\dimexpr\dwm@x\relax,\strip@pt\dimexpr\paperheight-\dwm@y\relax){\makebox(0,0){\rotatebox[origin=c]{\dwm@angle}{\scalebox{\dwm@scale}{\fontsize{\dwm@size}{\dwm@size}\selectfont\dwm@paint\dwm@text}}}}\fi}
\AtBeginDocument{\ifdwm@first\@backdrop*{\dwm@mark}{}\else\@addbehind{\dwm@mark}\fi}
`,
    ['keyval', 'graphicx', 'xcolor'],
  ),
  setup: (it, options) =>
    it.execute(it.source(`\\makeatletter\\setkeys{dwm}{${options.join(',')}}\\makeatother`)),
};

/** background: the same, by other names and for any contents. */
const background: PackageEntry = {
  ...sourcePackage(
    'background',
    'Something behind the text of every page.',
    [
      sourceCommand(
        'backgroundsetup',
        'm',
        'What it is and how it lies, by keys.',
        '\\backgroundsetup{contents=Draft,scale=4}x',
      ),
      sourceCommand('BgThispage', '', 'On this page only, with the option some.', '\\BgThispage x'),
      sourceCommand('NoBgThispage', '', 'Not on this page.', '\\NoBgThispage x'),
    ],
    String.raw`
\newif\ifbg@all\bg@alltrue\newif\ifbg@here\bg@heretrue
\def\bg@scale{15}\def\bg@color{red!45}\def\bg@opacity{.5}\def\bg@angle{60}\def\bg@contents{Draft}\def\bg@y{.5\paperheight}\def\bg@h{0pt}\def\bg@v{0pt}
\define@key{bg}{scale}{\gdef\bg@scale{#1}}\define@key{bg}{color}{\gdef\bg@color{#1}}\define@key{bg}{opacity}{\gdef\bg@opacity{#1}}
\define@key{bg}{angle}{\gdef\bg@angle{#1}}\define@key{bg}{contents}{\gdef\bg@contents{#1}}\define@key{bg}{position}{}\define@key{bg}{nodeanchor}{}
\define@key{bg}{hshift}{\gdef\bg@h{#1}}\define@key{bg}{vshift}{\gdef\bg@v{#1}}\define@key{bg}{firstpage}[true]{}\define@key{bg}{pages}{\def\bg@pages{#1}\def\bg@some{some}\ifx\bg@pages\bg@some\bg@allfalse\fi}
\define@key{bg}{placement}{\@ifundefined{bg@at@#1}{}{\@nameuse{bg@at@#1}}}
\def\bg@at@center{\gdef\bg@y{.5\paperheight}}
\def\bg@at@top{\gdef\bg@y{.8\paperheight}\gdef\bg@angle{0}\gdef\bg@scale{5}}\def\bg@at@bottom{\gdef\bg@y{.2\paperheight}\gdef\bg@angle{0}\gdef\bg@scale{5}}
\newcommand\backgroundsetup[1]{\setkeys{bg}{#1}}\let\SetBgPosition\@gobble
\newcommand\SetBgContents[1]{\gdef\bg@contents{#1}}\newcommand\SetBgScale[1]{\gdef\bg@scale{#1}}\newcommand\SetBgColor[1]{\gdef\bg@color{#1}}
\newcommand\SetBgAngle[1]{\gdef\bg@angle{#1}}\newcommand\SetBgOpacity[1]{\gdef\bg@opacity{#1}}
\def\bg@material{\put(\strip@pt\dimexpr.5\paperwidth+\bg@h\relax,\strip@pt\dimexpr\bg@y+\bg@v\relax){\makebox(0,0){\tikz\node[opacity=\bg@opacity,color=\bg@color,rotate=\bg@angle,scale=\bg@scale]{\bg@contents};}}}
\newcommand\BgThispage{\@backdrop*{\bg@material}{}}
\newcommand\NoBgThispage{\bg@herefalse}
\AtBeginDocument{\ifbg@all\@addbehind{\bg@material}\fi}
`,
    ['keyval', 'tikz'],
  ),
  setup: (it, options) =>
    it.execute(it.source(`\\makeatletter\\setkeys{bg}{${options.join(',')}}\\makeatother`)),
};

/** textpos: blocks of text at fixed places of the page. */
const textpos: PackageEntry = {
  ...sourcePackage(
    'textpos',
    'Blocks of text at fixed places of the page.',
    [
      sourceEnvironment(
        'textblock',
        'm',
        'A block so many units wide at a place.',
        '\\begin{textblock}{4}(1,1)tide\\end{textblock}x',
      ),
      sourceEnvironment(
        'textblock*',
        'm',
        'The same in lengths.',
        '\\begin{textblock*}{4cm}(1cm,1cm)tide\\end{textblock*}x',
      ),
      sourceCommand('TPGrid', 'omm', 'The units as parts of the page.', '\\TPGrid{16}{16}x'),
      sourceCommand(
        'textblockorigin',
        'mm',
        'Where places count from.',
        '\\textblockorigin{0pt}{0pt}x',
      ),
    ],
    String.raw`
\newif\iftp@absolute\newdimen\TPHorizModule\newdimen\TPVertModule\newsavebox\tp@box
\TPHorizModule=.0625\paperwidth \TPVertModule=.0625\paperheight
\def\tp@x{0pt}\def\tp@y{0pt}\newcommand\textblockorigin[2]{\gdef\tp@x{#1}\gdef\tp@y{#2}}
\newcommand\TPGrid[3][0pt,0pt]{\tp@absolutetrue\TPHorizModule\dimexpr\paperwidth/#2\relax\TPVertModule\dimexpr\paperheight/#3\relax}
\newcommand\TPMargin{\@ifstar\tp@margin\tp@margin}\def\tp@margin#1{}
\newcommand\textblockcolour[1]{}\newcommand\textblockrulecolour[1]{}\let\textblockcolor\textblockcolour\let\textblockrulecolor\textblockrulecolour
\newenvironment{textblock}[1]{\def\tp@wide{#1\TPHorizModule}\tp@units}{\tp@end}
\newenvironment{textblock*}[1]{\def\tp@wide{#1}\tp@lengths}{\tp@end}
\def\tp@units{\@ifnextchar[{\tp@unitsat}{\tp@unitsat[0,0]}}
\def\tp@unitsat[#1,#2](#3,#4){\tp@begin{#1}{#2}{#3\TPHorizModule}{#4\TPVertModule}}
\def\tp@lengths{\@ifnextchar[{\tp@lengthsat}{\tp@lengthsat[0,0]}}
\def\tp@lengthsat[#1,#2](#3,#4){\tp@begin{#1}{#2}{#3}{#4}}
\def\tp@begin#1#2#3#4{\def\tp@left{#3}\def\tp@up{#4}\def\tp@anchorx{#1}\def\tp@anchory{#2}\begin{lrbox}{\tp@box}\begin{minipage}[t]{\dimexpr\tp@wide\relax}\ignorespaces}
\def\tp@end{\end{minipage}\end{lrbox}\tp@place}
\def\tp@place{\edef\tp@across{\strip@pt\dimexpr\tp@left+\tp@x-\tp@anchorx\wd\tp@box\relax}%
\iftp@absolute\edef\tp@down{\strip@pt\dimexpr\paperheight-\tp@up-\tp@y-\ht\tp@box+\tp@anchory\dimexpr\ht\tp@box+\dp\tp@box\relax\relax}%
\global\setbox\tp@kept\copy\tp@box\@backdrop*{}{\put(\tp@across,\tp@down){\copy\tp@kept}}%
\else\leavevmode\smash{\rlap{\kern\tp@across pt\raisebox{-\dimexpr\tp@up+\ht\tp@box\relax}{\copy\tp@box}}}\fi}
\newsavebox\tp@kept
`,
  ),
  setup: (it, options) => {
    if (options.includes('absolute') || options.includes('overlay'))
      it.execute(it.source('\\makeatletter\\tp@absolutetrue\\makeatother'));
  },
};

/** Packages whose work lies behind or before the text of pages. */
export const backdropPackages: readonly PackageEntry[] = [
  esopic,
  everypage,
  draftwatermark,
  background,
  textpos,
];
