import type { PackageEntry } from '../machine/entries';
import { describedPackage } from '../machine/macroEntry';

/** How heads of chapters stand, by the option of fncychap: word and number above, and the title (`\titleformat`). */
const LOOKS: Readonly<Record<string, string>> = {
  Sonny: String.raw`\titleformat{\chapter}[display]{\raggedleft\sffamily}{\large\MakeUppercase{\chaptertitlename}\ \thechapter}{6pt}{\titlerule[1pt]\vskip6pt\Huge}[{\vskip6pt\titlerule[1pt]}]`,
  Lenny: String.raw`\titleformat{\chapter}[display]{\bfseries}{\raggedleft\fbox{\rule[-8pt]{0pt}{30pt}\ \Large\scshape\chaptertitlename\ \Huge\thechapter\ }}{14pt}{\Huge\raggedright}`,
  Glenn: String.raw`\titleformat{\chapter}[frame]{\normalfont}{\filright\ \large\MakeUppercase{\chaptertitlename}\ \thechapter\ }{14pt}{\Huge\bfseries\filcenter}`,
  Conny: String.raw`\titleformat{\chapter}[display]{\filcenter}{\titlerule[2pt]\vskip2pt\titlerule\vskip6pt\huge\MakeUppercase{\chaptertitlename}\ \thechapter}{4pt}{\titlerule\vskip6pt\Huge\bfseries}`,
  Rejne: String.raw`\titleformat{\chapter}[display]{\filcenter}{\titlerule\vskip6pt\MakeUppercase{\chaptertitlename}\ \thechapter\vskip2pt\titlerule}{10pt}{\Huge\bfseries}[{\vskip6pt\titlerule}]`,
  Bjarne: String.raw`\titleformat{\chapter}[display]{\raggedleft}{\titlerule[1pt]\vskip6pt\large\MakeUppercase{\chaptertitlename}\ \Huge\thechapter}{8pt}{\Huge\bfseries}[{\vskip6pt\titlerule[1pt]}]`,
  Bjornstrup: String.raw`\titleformat{\chapter}[display]{\raggedleft\sffamily\bfseries}{\fontsize{60}{62}\selectfont\thechapter}{10pt}{\huge}[{\vskip4pt\titlerule}]`,
  PetersLenny: String.raw`\titleformat{\chapter}[display]{\bfseries}{\raggedleft\fbox{\rule[-8pt]{0pt}{30pt}\ \Large\scshape\chaptertitlename\ \Huge\thechapter\ }}{14pt}{\Huge\raggedright}`,
};

const fncychap: PackageEntry = {
  ...describedPackage(
    'fncychap',
    'Heads of chapters in several looks, by option.',
    String.raw`
    ChNameVar m | The type of the word above a chapter. | \ChNameVar{\large}
    ChNumVar m | The type of the number above a chapter. | \ChNumVar{\Huge}
    ChTitleVar m | The type of the title of a chapter. | \ChTitleVar{\Huge}`,
    String.raw`\newcommand\ChNameVar[1]{}\newcommand\ChNumVar[1]{}\newcommand\ChTitleVar[1]{}\newcommand\ChRuleWidth[1]{}\newcommand\ChNameUpperCase{}\newcommand\ChNameLowerCase{}\newcommand\ChNameAsIs{}\newcommand\ChTitleUpperCase{}\newcommand\ChTitleAsIs{}\newcommand\ChTitleLowerCase{}`,
    ['titlesec'],
  ),
  setup: (it, options) => {
    for (const option of options) {
      const look = LOOKS[option.trim()];
      if (look) it.execute(it.source(look));
    }
  },
};

const quotchap = describedPackage(
  'quotchap',
  'Words of others above chapters, and large numbers.',
  String.raw`
  {savequote} o | Words of others that the next chapter bears. | \begin{savequote}Ebb\end{savequote}
  qauthor m | Who said them. | \qauthor{Tam Orrell}`,
  String.raw`
\newsavebox\qc@box\newif\ifqc@there\newdimen\qc@wide
\newenvironment{savequote}[1][.5\textwidth]{\global\qc@theretrue\qc@wide#1\relax\begin{lrbox}\qc@box\begin{minipage}[t]{\qc@wide}\raggedleft\sffamily\itshape\small}{\end{minipage}\end{lrbox}\global\setbox\qc@box\box\qc@box}
\newcommand\qauthor[1]{\par\smallskip\upshape #1}
\titleformat{\chapter}[display]{\raggedleft}{\ifqc@there\hfill\usebox\qc@box\par\vskip12pt\global\qc@therefalse\fi\color[gray]{.6}\fontsize{96}{100}\selectfont\bfseries\thechapter}{14pt}{\Huge\bfseries}
`,
  ['titlesec', 'xcolor'],
);

/** Packages for the heads of chapters. */
export const chapterLooks: readonly PackageEntry[] = [fncychap, quotchap];
