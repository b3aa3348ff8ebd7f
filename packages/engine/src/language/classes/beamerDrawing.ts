import { PT, type Sp } from '../../base/lengths';
import { blended } from '../../base/paint';
import type { Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';
import type { SlideLook } from './beamerThemes';

/** How high lines at head and foot are, pt. */
const LINE = 9.5;
const HEADS: Readonly<Record<SlideLook['headline'], number>> = {
  none: 0,
  sections: LINE,
  dots: 2 * LINE + 2,
  tree: 3 * LINE,
};
/** The height of the line at the head of a look, pt. */
export const headOf = ({ headline }: SlideLook): number => HEADS[headline];

/** How wide the column with the outline is on paper of a width, pt. */
export const sideWidth = (paper: number): number => Math.round(0.17 * paper);

/** A colour as source. */
const rgb = (colour: number): string =>
  `\\color[RGB]{${(colour >> 16) & 255},${(colour >> 8) & 255},${colour & 255}}`;
const fill = (x: number, y: number, width: number, height: number, colour: number): string =>
  `\\put(${x},${y}){${rgb(colour)}\\rule{${width}pt}{${height}pt}}`;
const said = (
  x: number,
  y: number,
  width: number,
  align: string,
  colour: number,
  text: string,
): string =>
  `\\put(${x},${y}){\\makebox[${width}pt][${align}]{${rgb(colour)}\\fontsize{6}{7}\\selectfont ${text}}}`;

const NUMBER = '\\insertframenumber\\,/\\,\\inserttotalframenumber';

/** What the slides of a look stand on, in pt. */
interface Paper {
  readonly look: SlideLook;
  readonly w: number;
  readonly h: number;
}

/** The line at the head: from the left edge `x` on, so wide. */
function headline({ look, h }: Paper, x: number, wide: number): string {
  const head = headOf(look);
  const [deep, middle, pale] = look.foot.grounds;
  const { words } = look.foot;
  if (look.headline === 'sections')
    return (
      fill(x, h - head, wide / 2, head, deep) +
      fill(x + wide / 2, h - head, wide / 2, head, pale) +
      said(x, h - head + 2.8, wide / 2 - 6, 'r', words, '\\insertsectionhead') +
      said(x + wide / 2 + 6, h - head + 2.8, wide / 2, 'l', words, '\\insertsubsectionhead')
    );
  if (look.headline === 'tree')
    return ['\\insertshorttitle', '\\insertsectionhead', '\\insertsubsectionhead']
      .map((text, i) => {
        const y = h - (i + 1) * LINE;
        const ground = [deep, middle, pale][i] ?? pale;
        return (
          fill(x, y, wide, LINE, ground) + said(x + 6 + 8 * i, y + 2.8, wide - 6, 'l', words, text)
        );
      })
      .join('');
  if (look.headline === 'dots')
    return (
      fill(x, h - head, wide, head, deep) +
      `\\put(${x + 6},${h - 8}){\\parbox[t]{${wide - 12}pt}{${rgb(words)}\\fontsize{6}{7}\\selectfont\\bmr@dotted}}`
    );
  return '';
}

/** The line at the foot, by the theme. */
function footline({ look, w }: Paper): string {
  const [deep, middle, pale] = look.foot.grounds;
  const { words } = look.foot;
  const third = w / 3;
  if (look.footline === 'three')
    return (
      fill(0, 0, third, LINE, deep) +
      fill(third, 0, third, LINE, middle) +
      fill(2 * third, 0, third, LINE, pale) +
      said(0, 2.8, third, 'c', words, '\\insertshortauthor\\@shortinstitute') +
      said(third, 2.8, third, 'c', words, '\\insertshorttitle') +
      said(2 * third, 2.8, third - 8, 'r', words, `\\insertshortdate\\hspace*{2em}${NUMBER}`)
    );
  if (look.footline === 'two')
    return (
      fill(0, 0, w / 2, LINE, deep) +
      fill(w / 2, 0, w / 2, LINE, pale) +
      said(0, 2.8, w / 2 - 6, 'r', words, '\\insertshortauthor') +
      said(w / 2 + 6, 2.8, w / 2, 'l', words, '\\insertshorttitle')
    );
  return look.footline === 'number' ? said(0, 6, w - 12, 'r', look.structure, NUMBER) : '';
}

/** The column with title, author and outline. */
function sidebar({ look, w, h }: Paper, barHeight: number): string {
  const wide = sideWidth(w);
  const x = look.side === 'left' ? 0 : w - wide;
  const ground = look.bar?.ground ?? blended(look.structure, 0xffffff, 0.2);
  const words = look.bar?.words ?? look.structure;
  const top = h - Math.max(barHeight, 24) - 10;
  return (
    fill(x, 0, wide, h, ground) +
    `\\put(${x + 4},${top}){\\parbox[t]{${wide - 8}pt}{\\raggedright${rgb(words)}\\fontsize{6}{7.5}\\selectfont\\textbf{\\insertshorttitle}\\par\\vskip3pt\\insertshortauthor\\par\\vskip6pt\\bmr@nav}}`
  );
}

/** What stands on the paper of a slide besides what is written: ground, bar, head, foot and side; as `\put` in pt. */
export function slideBackdrop(
  it: Interpreter,
  look: SlideLook,
  size: { readonly width: Sp; readonly height: Sp },
  barHeight: number,
  plain: boolean,
): Token[] {
  const [w, h] = [size.width / PT, size.height / PT];
  const paper: Paper = { look, w, h };
  const { own } = look;
  const parts: string[] = [];
  if (look.ground !== null) parts.push(fill(0, 0, w, h, look.ground));
  const side = look.side !== 'none' && !plain ? sideWidth(w) : 0;
  const x = look.side === 'left' ? side : 0;
  if (look.bar && barHeight > 0)
    parts.push(fill(x, h - barHeight, w - side, barHeight, look.bar.ground));
  if (side > 0) parts.push(sidebar(paper, look.bar ? barHeight : 0));
  if (!plain && !own.head) parts.push(headline(paper, x, w - side));
  if (!plain && !own.foot) parts.push(footline(paper));
  if (!plain) parts.push(`\\put(${w - 6},${LINE + 4}){\\llap{\\insertlogo}}`);
  const put = (place: string, body: readonly Token[] | null): Token[] =>
    body ? [...it.source(`\\put${place}`), ...body, ...it.source('}}')] : [];
  const inner = `\\parbox[b]{${w}pt}{\\linewidth=${w}pt \\scriptsize `;
  return [
    ...put(
      `(0,${h}){\\vtop{\\hbox{}\\nointerlineskip\\hbox{`,
      own.behind ? [...own.behind, ...it.source('}')] : null,
    ),
    ...it.source(parts.join('')),
    ...(plain ? [] : put(`(0,0){${inner}`, own.foot)),
    ...(plain ? [] : put(`(0,${h}){\\parbox[t]{${w}pt}{\\scriptsize `, own.head)),
  ];
}

/** The outline in a column or in a line: the section that is spoken of, what is in it, a dot for each frame. */
export const NAVIGATION = String.raw`
\def\bmr@nav{{\let\l@section\bmr@navsection\let\l@subsection\bmr@navsubsection\let\l@subsubsection\@gobbletwo\@starttoc{toc}}}
\def\bmr@navsection#1#2{\global\advance\bmr@i1 \global\bmr@ii0 \ifnum\bmr@i=\value{section}{\bfseries#1\par}\else{\bmr@navpale#1\par}\fi}
\def\bmr@navsubsection#1#2{\global\advance\bmr@ii1 \ifnum\bmr@i=\value{section}{\leftskip5pt \ifnum\bmr@ii=\value{subsection}\else\bmr@navpale\fi#1\par}\fi}
\newcount\bmr@iii\def\bmr@name{}\def\bmr@dots{}
\def\bmr@dotted{{\global\bmr@i0 \global\bmr@iii0 \let\l@section\bmr@dotsection\let\l@frame\bmr@dotframe\gdef\bmr@name{}\gdef\bmr@dots{}\noindent\gdef\bmr@row{}\bmr@starttoc{nav}\bmr@flush\noindent\hbox to\linewidth{\hfil\bmr@row}}}
\def\bmr@dotsection#1#2{\bmr@flush\global\advance\bmr@i1 \gdef\bmr@dots{}\ifnum\bmr@i=\value{section}\gdef\bmr@name{\textbf{#1}}\else\gdef\bmr@name{{\bmr@navpale#1}}\fi}
\def\bmr@dotframe#1#2{\global\advance\bmr@iii1 \ifnum#1=\value{framenumber}\g@addto@macro\bmr@dots{$\bullet$\kern1pt}\else\g@addto@macro\bmr@dots{$\circ$\kern1pt}\fi}
\def\bmr@flush{\ifx\bmr@name\@empty\else\expandafter\bmr@add\expandafter{\bmr@name}\fi}
\def\bmr@add#1{\expandafter\bmr@addwith\expandafter{\bmr@dots}{#1}}\def\bmr@addwith#1#2{\g@addto@macro\bmr@row{\vtop{\hbox{#2}\hbox{\fontsize{4}{5}\selectfont#1}}\hfil}}
\def\insertlogo{}\def\logo#1{\gdef\insertlogo{#1}}
`;
