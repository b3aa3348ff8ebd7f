import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { environmentTokens } from '../machine/environmentTokens';
import { type CommandEntry, type EnvironmentEntry, tokensOf } from '../machine/entries';
import { cover, nextStep, overlaySpec, showsOn } from '../machine/overlays';
import { frame, labelledFrame } from './beamerFrames';
import { stepCommands } from './beamerSteps';

const example = (inner: string): string => `\\begin{frame}${inner}\\end{frame}`;

const againframe: CommandEntry = {
  name: 'againframe',
  signature: '',
  description: 'A frame that has a label once more.',
  example: `${'\\begin{frame}[label=tides]High water\\end{frame}'}\\againframe{tides}`,
  run: (it, _args, token) => {
    const steps = overlaySpec(it);
    const args = it.readArguments('om', token);
    const kept = args ? it.read(labelledFrame(textOf(it.p, tokensOf(args, 1)))) : null;
    if (kept) frame(it, kept.body, { ...kept.options, steps });
  },
};

/** `\begin{uncoverenv}<2->`: what is in it shows on some steps; on the others it is hidden, dropped, or alone shown. */
function onStepsEnvironment(
  name: string,
  elsewhere: 'hidden' | 'dropped' | 'shown',
): EnvironmentEntry {
  return {
    name,
    signature: '',
    description: 'Text that shows on some steps.',
    example: example(`\\begin{${name}}<2->high water\\end{${name}}`),
    begin: (it) => {
      const spec = overlaySpec(it);
      const isHere = spec === null || showsOn(it, spec);
      if (isHere === (elsewhere !== 'shown')) return;
      if (elsewhere === 'dropped') {
        environmentTokens(it, name);
        it.p.push(it.source(`\\end{${name}}`));
      } else cover(it, name === 'uncoverenv' || name === 'actionenv' ? undefined : 0);
    },
  };
}

/** `overprint`: of the texts behind each `\onslide<…>` only those of the step. */
const overprint: EnvironmentEntry = {
  name: 'overprint',
  signature: 'o',
  description: 'Texts that take one another’s place, step by step.',
  example: example('\\begin{overprint}\\onslide<1>ebb\\onslide<2>flood\\end{overprint}'),
  begin: (it) => {
    const shown: Token[] = [];
    let isShown = true;
    const tokens = environmentTokens(it, 'overprint');
    for (let i = 0; i < tokens.length; i++) {
      const token = tokens[i] as Token;
      if (token.cell === null || token.text !== 'onslide') {
        if (isShown) shown.push(token);
        continue;
      }
      const end = tokens.findIndex((t, k) => k > i && t.text === '>');
      const spec = tokens
        .slice(i + 2, end)
        .map(({ text }) => text)
        .join('');
      isShown = showsOn(it, nextStep(it, spec));
      i = Math.max(i, end);
    }
    it.p.push([...shown, ...it.source('\\end{overprint}')]);
  },
  end: (it) => it.endParagraph(),
};

/** Steps, frames shown again, and environments that go by them (beamer user guide, sections 9 and 10). */
export const overlayCommands: readonly CommandEntry[] = [...stepCommands, againframe];
export const overlayEnvironments: readonly EnvironmentEntry[] = [
  onStepsEnvironment('uncoverenv', 'hidden'),
  onStepsEnvironment('visibleenv', 'hidden'),
  onStepsEnvironment('actionenv', 'hidden'),
  onStepsEnvironment('onlyenv', 'dropped'),
  onStepsEnvironment('invisibleenv', 'shown'),
  overprint,
];

/** Buttons, pages of sections, boxes and what is quiet on paper, in the language itself. */
export const BEAMER_PARTS = String.raw`
\let\action\uncover
\def\bmr@button#1#2{{\setlength\fboxsep{1.5pt}\fbox{\scriptsize#1#2}}}
\def\beamerbutton#1{\bmr@button{}{#1}}\def\beamergotobutton#1{\bmr@button{$\triangleright$\,}{#1}}\def\beamerskipbutton#1{\bmr@button{$\triangleright\!\!\triangleright$\,}{#1}}\def\beamerreturnbutton#1{\bmr@button{$\triangleleft$\,}{#1}}
\def\bmr@page#1#2{{\centering\usebeamercolor[fg]{structure}#1\par\medskip{\Large\bfseries#2\par}}}
\def\sectionpage{\bmr@page{Section \arabic{section}}{\insertsectionhead}}\def\subsectionpage{\bmr@page{Subsection \arabic{subsection}}{\insertsubsectionhead}}\def\partpage{\bmr@page{Part}{\insertpart}}
\def\insertpart{}\newcommand\lecture[3][]{}\newcommand\includeonlylecture[1]{}\newcommand\framezoom{}
\newcommand\defbeamercolor[2]{}\newcommand\beamerdefaultoverlayspecification[1]{}\newcommand\AtBeginPart[1]{}\newcommand\AtBeginSubsubsection[1]{}\newcommand\beamersetaveragebackground[1]{}
\newcommand\transdissolve[1][]{}\newcommand\transfade[1][]{}\newcommand\transwipe[1][]{}\newcommand\transboxin[1][]{}\newcommand\transboxout[1][]{}\newcommand\transblindshorizontal[1][]{}\newcommand\transblindsvertical[1][]{}\newcommand\transglitter[1][]{}\newcommand\transpush[1][]{}\newcommand\transcover[1][]{}\newcommand\transuncover[1][]{}\newcommand\transsplitverticalin[1][]{}\newcommand\transreplace[1][]{}
\newcommand\hyperlinkslideprev[1]{#1}\newcommand\hyperlinkslidenext[1]{#1}\newcommand\hyperlinkframestart[1]{#1}\newcommand\hyperlinkpresentationstart[1]{#1}\newcommand\insertnavigation[1]{}\newcommand\insertsectionnavigationhorizontal[3]{}\def\insertinstitute{\csname @institute\endcsname}\def\insertpagenumber{\thepage}\def\insertmainframenumber{\inserttotalframenumber}\def\insertpresentationendpage{\inserttotalframenumber}\def\insertcaption{}\def\insertblocktitle{}\def\insertenumlabel{\theenumi}
\newenvironment{overlayarea}[2]{\begin{minipage}[t][#2][t]{#1}}{\end{minipage}}
\def\bmr@boxed#1{{\setlength\fboxsep{1.5pt}\colorbox{.}{\color{white}#1}}}\def\bmr@ringed#1{\textcircled{#1}}
\def\beamertemplatebookbibitems{}\def\beamertemplatearticlebibitems{}\def\beamertemplateonlinebibitems{}\def\beamertemplatetextbibitems{}\def\beamertemplatearrowbibitems{}
\newenvironment{beamerboxesrounded}[2][]{\begin{block}{#2}}{\end{block}}
`;
