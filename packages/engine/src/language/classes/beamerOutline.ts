import { blended } from '../../base/paint';
import { textOf } from '../../expansion/tokenText';
import { type CommandEntry, tokensOf } from '../machine/entries';
import { defineHere } from '../machine/define';
import type { Interpreter } from '../machine/interpreter';
import { LOOK } from './beamerThemes';

/** `currentsection`, `hideothersubsections`, `sectionstyle=show/shade`, `subsectionstyle=show/shaded/hide` (user guide, section 10.5). */
function outlineOptions(it: Interpreter, options: string): void {
  const [sections, own, others] = ['bmr@shade', 'bmr@sub', 'bmr@othersub'];
  const style = (key: string): string[] =>
    (new RegExp(`${key}=([\\w/]+)`).exec(options)?.[1] ?? '')
      .split('/')
      .map((one) => (/shade/.test(one) ? 'shade' : one === 'hide' ? 'hide' : ''));
  const [, otherSections = ''] = style('(?:^|[, ])sectionstyle');
  const [, ownSub = '', otherSub = ''] = style('subsectionstyle');
  defineHere(it, sections, otherSections);
  defineHere(it, own, ownSub);
  defineHere(it, others, otherSub);
  if (/currentsection|currentsubsection/.test(options)) {
    defineHere(it, sections, 'shade');
    defineHere(it, others, 'shade');
  }
  if (options.includes('pausesections')) defineHere(it, 'bmr@tocpause', '\\pause ');
  if (options.includes('currentsubsection')) defineHere(it, own, 'shade');
  if (options.includes('hideothersubsections')) defineHere(it, others, 'hide');
  if (options.includes('hideallsubsections')) {
    defineHere(it, 'bmr@current', 'hide');
    defineHere(it, own, 'hide');
    defineHere(it, others, 'hide');
  }
}

/** The outline of a talk, what stands back in it, and the colour of marks. */
export const outlineCommands: readonly CommandEntry[] = [
  {
    name: 'bmr@structure',
    signature: '',
    description: 'The colour of titles and marks.',
    example: '',
    run: (it) => {
      it.changeFont({ color: it.read(LOOK).structure });
    },
  },
  {
    name: 'bmr@pale',
    signature: '',
    description: 'What is not spoken of now stands back.',
    example: '',
    run: (it) => {
      const { ground } = it.read(LOOK);
      it.changeFont({ color: blended(it.font.color, ground ?? 0xffffff, 0.25) });
    },
  },
  {
    name: 'bmr@navpale',
    signature: '',
    description: 'In the column at the side what is not spoken of stands back a little.',
    example: '',
    run: (it) => it.changeFont({ color: blended(it.font.color, 0x808080, 0.55) }),
  },
  {
    name: 'bmr@tocoptions',
    signature: 'm',
    description: 'Which lines of the outline stand back, and which are left out.',
    example: '',
    run: (it, args) => outlineOptions(it, textOf(it.p, tokensOf(args, 0))),
  },
];

/** Lines of the outline: those of the section that is spoken of, and the others. */
export const OUTLINE = String.raw`\let\bmr@toc\tableofcontents\def\tableofcontents{\@ifnextchar[{\bmr@tocwith}{\bmr@toc}}\def\bmr@tocwith[#1]{{\bmr@tocoptions{#1}\bmr@toc}}\newcount\bmr@i\newcount\bmr@ii
\def\structure{\@ifnextchar<{\bmr@structureon}{\bmr@structured}}\def\bmr@structureon<#1>#2{\alt<#1>{\bmr@structured{#2}}{#2}}\def\bmr@structured#1{{\bmr@structure #1}}
\def\bmr@shade{}\def\bmr@sub{}\def\bmr@othersub{}\def\bmr@current{}\let\bmr@starttoc\@starttoc\def\@starttoc#1{\global\bmr@i0 \bmr@starttoc{#1}}
\def\bmr@kind#1#2#3{\edef\bmr@a{#1}\def\bmr@b{hide}\def\bmr@c{shade}\ifx\bmr@a\bmr@b\else\par#2{\bmr@structure\ifx\bmr@a\bmr@c\bmr@pale\fi #3}\par\fi}
\def\l@section#1#2{\ifnum\bmr@i>0 \bmr@tocpause\fi\global\advance\bmr@i1 \global\bmr@ii0 \ifnum\bmr@i=\value{section}\bmr@kind{}{\vskip 6pt}{\bmr@tocnumber#1}\else\bmr@kind{\bmr@shade}{\vskip 6pt}{\bmr@tocnumber#1}\fi}\def\bmr@tocnumber{}\def\bmr@subtocnumber{}\def\bmr@tocpause{}
\def\l@subsection#1#2{\global\advance\bmr@ii1 \ifnum\bmr@i=\value{section}\ifnum\bmr@ii=\value{subsection}\bmr@line{\bmr@current}{#1}\else\bmr@line{\bmr@sub}{#1}\fi\else\bmr@line{\bmr@othersub}{#1}\fi}
\def\bmr@line#1#2{\edef\bmr@a{#1}\def\bmr@b{hide}\def\bmr@c{shade}\ifx\bmr@a\bmr@b\else\par\hspace*{1.5em}{\ifx\bmr@a\bmr@c\bmr@pale\fi\bmr@subtocnumber#2}\par\fi}`;
