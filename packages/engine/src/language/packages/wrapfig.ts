import { Cat } from '../../tokens/categories';
import { tokensText } from '../../expansion/tokenText';
import { tokensOf, type CommandEntry, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { sourceEnvironment } from '../machine/macroEntry';
import { WRAPPED } from '../machine/wrapped';

/** `\wf@finish{lines}{side}`: once the environment is closed, its box stands beside the paragraph that comes. */
const finish: CommandEntry = {
  name: 'wf@finish',
  signature: 'mm',
  description: 'Inside packages.',
  example: '',
  run: (it, args) => {
    const lines = parseInt(tokensText(tokensOf(args, 0)), 10);
    const left = /^[lLiI]/.test(tokensText(tokensOf(args, 1)).trim());
    it.afterEnvironment = (inner) => place(inner, left, lines > 0 ? lines : null);
  },
};

/** Puts the box beside the paragraph that comes, and has its lines made shorter. */
function place(it: Interpreter, left: boolean, given: number | null): void {
  for (;;) {
    const token = it.p.nextNonBlank();
    if (!token) break;
    if (token.cat === Cat.Command && token.text === 'par') continue;
    it.p.unread(token);
    break;
  }
  const { width, height, depth } = it.host.measure(it.inlinesOf(it.source('\\copy\\wf@keep')));
  const line = Math.max(1, it.skip('baselineskip').width);
  const lines = given ?? Math.ceil((height + depth + it.skip('intextsep').width) / line);
  const hang = width + it.dimen('columnsep');
  it.startParagraph();
  const at = left ? `-${hang}sp` : `\\dimexpr\\linewidth-${width}sp\\relax`;
  it.execute(it.source(`\\wf@put{${at}}`));
  const around = { lines, hang: left ? hang : -hang, width: it.dimen('linewidth') };
  it.write(WRAPPED, around, true);
}

const wrapping = (name: string, type: string): ReturnType<typeof sourceEnvironment> =>
  sourceEnvironment(
    name,
    'omom',
    `A ${type} beside the text behind it: its side (r or l) and its width.`,
    `\\begin{${name}}{r}{3cm}\nTides\n\\end{${name}}\nThe text flows around it.`,
  );

/** wrapfig: figures and tables that text flows around. */
export const wrapfig: PackageEntry = {
  name: 'wrapfig',
  description: 'Figures and tables that text flows around.',
  options: null,
  described: [wrapping('wrapfigure', 'figure'), wrapping('wraptable', 'table')],
  commands: [finish],
  source: String.raw`
\newsavebox\wf@box\newbox\wf@keep
\NewDocumentEnvironment{wrapfigure}{O{} m O{} m}{\wf@start{figure}{#4}}{\wf@stop{#1}{#2}}
\NewDocumentEnvironment{wraptable}{O{} m O{} m}{\wf@start{table}{#4}}{\wf@stop{#1}{#2}}
\def\wf@start#1#2{\par\def\@captype{#1}\setlength\@tempdima{#2}\ifdim\@tempdima>\z@\else\@tempdima.5\linewidth\fi
 \begin{lrbox}{\wf@box}\begin{minipage}[t]{\@tempdima}\centering\ignorespaces}
\def\wf@stop#1#2{\par\end{minipage}\end{lrbox}\global\setbox\wf@keep\hbox{\usebox\wf@box}\wf@finish{#1}{#2}}
\def\wf@put#1{\hbox to\z@{\hskip-\parindent\hskip#1\relax\setbox\z@\hbox{\lower\dimexpr\ht\wf@keep-.7\baselineskip\relax\box\wf@keep}\ht\z@\z@\dp\z@\z@\box\z@\hss}}
`,
};

/** floatflt: the same under other names. */
export const floatflt: PackageEntry = {
  name: 'floatflt',
  description: 'Figures and tables that text flows around.',
  options: null,
  requires: ['wrapfig'],
  described: [
    sourceEnvironment(
      'floatingfigure',
      'om',
      'A figure beside the text behind it.',
      '\\begin{floatingfigure}[r]{3cm}\nTides\n\\end{floatingfigure}\nThe text flows around it.',
    ),
    sourceEnvironment(
      'floatingtable',
      'o',
      'A table beside the text behind it.',
      '\\begin{floatingtable}[r]{3cm}\nTides\n\\end{floatingtable}\nThe text flows around it.',
    ),
  ],
  source: String.raw`
\NewDocumentEnvironment{floatingfigure}{O{r} m}{\wf@start{figure}{#2}}{\wf@stop{}{#1}}
\NewDocumentEnvironment{floatingtable}{O{r} m}{\wf@start{table}{#2}}{\wf@stop{}{#1}}
`,
};
