import { FIL } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import { textOf } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { enterColumn, leaveColumn } from '../machine/columns';
import { environmentTokens } from '../machine/environmentTokens';
import { type EnvironmentEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { dimenOf } from '../scanning/dimenOf';
import { sourceCommand, sourceEnvironment } from '../machine/macroEntry';

/** What is measured: a table, or in `measuredfigure` a picture. */
const TABLES = /^(?:tabular[xy]?\*?|tabulary|array|tblr|talltblr|NiceTabular[X*]?)$/;

/** Where the environment whose `\begin` stands at `at` ends, behind its `\end{…}`. */
function endOf(it: Interpreter, tokens: readonly Token[], at: number, name: string): number {
  let open = 0;
  for (let i = at; i < tokens.length; i++) {
    const { cat, text } = tokens[i] as Token;
    if (cat !== Cat.Command || (text !== 'begin' && text !== 'end')) continue;
    const close = tokens.findIndex((t, k) => k > i && t.cat === Cat.End);
    if (textOf(it.p, tokens.slice(i + 2, close)) !== name) continue;
    open += text === 'begin' ? 1 : -1;
    if (open === 0) return close + 1;
  }
  return tokens.length;
}

/** What stands before the table, the table, and what stands behind it. */
function threeParts(it: Interpreter, tokens: readonly Token[]): readonly (readonly Token[])[] {
  for (let i = 0; i < tokens.length; i++) {
    const { cat, text } = tokens[i] as Token;
    if (cat !== Cat.Command || text !== 'begin') continue;
    const close = tokens.findIndex((t, k) => k > i && t.cat === Cat.End);
    const name = textOf(it.p, tokens.slice(i + 2, close));
    if (!TABLES.test(name)) continue;
    const end = endOf(it, tokens, i, name);
    return [tokens.slice(0, i), tokens.slice(i, end), tokens.slice(end)];
  }
  return [tokens, [], []];
}

/** Caption and notes are as wide as the table, which is set first (manual, section 2). */
const threePart = (name: string): EnvironmentEntry => ({
  name,
  signature: 'o',
  description: 'A table with its caption and notes, all as wide as it is.',
  example: `\\begin{${name}}\\begin{tabular}{c}a\\tnote{1}\\end{tabular}\\begin{tablenotes}\\item[1] Ebb.\\end{tablenotes}\\end{${name}}`,
  begin: (it, args) => {
    const place = textOf(it.p, tokensOf(args, 0)).trim();
    const [before = [], table = [], behind = []] = threeParts(it, environmentTokens(it, name));
    const inlines: readonly Inline[] = it.inlinesOf(table);
    const measured = it.host.measure(inlines).width;
    const least = dimenOf(it, it.source('\\TPTminimum'));
    const width = measured > 0 ? Math.max(measured, least) : it.dimen('linewidth');
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    const outer = enterColumn(it, width);
    it.execute(before);
    it.endParagraph();
    it.startParagraph(false);
    if (width > measured) it.add({ kind: 'glue', glue: FIL, ...it.p.place });
    for (const inline of inlines) it.add(inline);
    it.endParagraph();
    it.execute(behind);
    const blocks = leaveColumn(it, outer);
    it.closeGroup();
    it.startParagraph();
    const valign = place === 't' ? 'top' : place === 'c' ? 'center' : 'bottom';
    it.add({ kind: 'parbox', blocks, width, valign, ...it.p.place });
    it.p.push(it.source(`\\end{${name}}`));
  },
});

/** threeparttable: tables with notes below them. */
export const threeparttable: PackageEntry = {
  name: 'threeparttable',
  description: 'Tables with captions and notes as wide as they are.',
  options: null,
  environments: [threePart('threeparttable'), threePart('measuredfigure')],
  described: [
    sourceCommand('tnote', 'm', 'A mark of a note below the table.', 'tide\\tnote{1}'),
    sourceEnvironment(
      'tablenotes',
      'o',
      'Notes below a table; para runs them together, flushleft sets them at the margin, online keeps their marks on the line.',
      '\\begin{tablenotes}[para]\\item[1] Ebb.\\end{tablenotes}',
    ),
  ],
  source: String.raw`
\newif\ifTPT@para\newif\ifTPT@flush\newif\ifTPT@online
\def\TPTminimum{4em}\def\TPTtagStyle{}\newcommand\tnote[1]{\textsuperscript{\TPTtagStyle{#1}}}\def\TPTnoteSettings{\footnotesize}
\def\TPTnoteLabel#1{\ifTPT@online\TPTtagStyle{#1}\else\tnote{#1}\fi}
\newenvironment{tablenotes}[1][]{\par\in@{para}{#1}\ifin@\TPT@paratrue\fi\in@{flushleft}{#1}\ifin@\TPT@flushtrue\fi\in@{online}{#1}\ifin@\TPT@onlinetrue\fi
  \TPTnoteSettings\relax
  \ifTPT@para\vskip2pt\noindent\def\TPT@gap{\let\TPT@gap\quad}\def\item{\TPT@gap\@ifnextchar[{\TPT@item}{}}\def\TPT@item[##1]{\TPTnoteLabel{##1}\nobreakspace\ignorespaces}\ignorespaces
  \else\begin{list}{}{\topsep2pt\partopsep0pt\itemsep0pt\parsep0pt\rightmargin0pt\labelsep.2em\ifTPT@flush\leftmargin0pt\labelwidth0pt\itemindent\labelsep\def\makelabel##1{\TPTnoteLabel{##1}}\else\leftmargin1.5em\labelwidth1.3em\def\makelabel##1{\hss\TPTnoteLabel{##1}}\fi}\fi}
 {\ifTPT@para\par\else\end{list}\fi}
`,
};
