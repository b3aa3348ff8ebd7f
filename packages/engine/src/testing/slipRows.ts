import { inArticle } from './document';

/** Slips, each with the note that is right and what its button writes: for tests of notes, and of writing. */

const AMS = '\\usepackage{amsmath,amssymb,amsthm}';

/** A sheet with this typed in its text. */
export const sheetWith = (typed: string): string =>
  inArticle(`${typed}\n\nThese are the last words of it.`, AMS);

/**
 * What is typed, the one note of it, and the body after its button. The page shows the words that
 * stand last, whatever was wrong before them.
 */
export type SlipRow = readonly [typed: string, kind: string, after: string];

const UNCLOSED: readonly SlipRow[] = [
  [
    '\\begin{itemize}\n\\item \\textbf{ebb\n\\item flood\n\\end{itemize}',
    'argument-unclosed',
    '\\textbf{ebb}\n',
  ],
  ['\\begin{center}\n\\emph{ebb\n\\end{center}', 'argument-unclosed', '\\emph{ebb}\n\\end{center}'],
  ['Ebb\\footnote{low\nwater', 'argument-unclosed', 'water}'],
  ['\\emph{Ebb and\nflood.\n\nHigh.', 'argument-unclosed', '\\emph{Ebb and}\n'],
  [
    '\\begin{tabular}{ll}\na & \\textbf{b \\\\\nc & d\n\\end{tabular}',
    'argument-unclosed',
    '\\textbf{b} \\\\',
  ],
  ['\\newcommand{\\half}{\\frac{1}{2}\n$\\half$', 'argument-unclosed', '\\frac{1}{2}}\n'],
  ['\\def\\half{\\frac{1}{2}\n$\\half$', 'argument-unclosed', '\\frac{1}{2}}\n'],
  ['\\newcommand{\\sheet}[1]{\\textbf{#1}\n  by #1\n\\sheet{Q}', 'argument-unclosed', 'by #1}\n'],
  ['\\begin{proof}[Ebb\nlow\n\\end{proof}', 'bracket-unclosed', '[Ebb]\n'],
  [
    '{\\bfseries Ebb\n\\begin{center}\n{\\itshape flood\n\\end{center}}',
    'brace-unclosed',
    'flood}\n',
  ],
  ['\\begin{verbatim}\nx_1 & 5', 'environment-unclosed', '5\n\\end{verbatim}'],
  ['\\begin{verbatim}\nx_1 & 5\n\\end{verbatm}', 'begin-end-mismatch', '\\end{verbatim}'],
  [
    '\\begin{verbatim}\nx_1\n\n\\section{Ebb}',
    'environment-unclosed',
    '\\end{verbatim}\n\\section',
  ],
];

const MARKS: readonly SlipRow[] = [
  ['\\( x = 1 $ and $y$.', 'formula-closed-otherwise', '\\( x = 1 \\) and'],
  ['\\( x = 1 and $y$ is.', 'formula-unclosed', '\\( x = 1\\) and $y$'],
  ['\\[ x = 1 \\)', 'formula-closed-otherwise', '\\[ x = 1 \\]'],
  ['\\[ x = 1 $$', 'formula-closed-otherwise', '\\[ x = 1 \\]'],
  ['$$ x = 1 \\]', 'formula-closed-otherwise', '$$ x = 1 $$'],
  ['$ x = 1 \\) and so', 'formula-closed-otherwise', '$ x = 1 $ and'],
  ['\\( x = 1 \\] and so', 'formula-closed-otherwise', '\\( x = 1 \\) and'],
  ['$x = \\(y\\)$', 'mark-in-formula', '$x = y$'],
  ['\\begin{align*}x &= \\(y\\)\\end{align*}', 'mark-in-formula', '&= y\\end'],
  ['\\( a \\( b \\)', 'formula-unclosed', '\\( a\\) \\('],
  ['\\[ a = b\n\nText \\[ c \\]', 'formula-unclosed', '\\[ a = b\\]\n'],
  ['We paid $5 for it.', 'formula-unclosed', 'paid \\$5 for'],
  ['The cost is $5 and then $7.', 'money-as-formula', 'is \\$5 and then \\$7.'],
];

const BRACKETS: readonly SlipRow[] = [
  ['\\( \\sqrt{x+1 \\) and', 'brace-unclosed', '\\sqrt{x+1} \\)'],
  ['\\[ x^{2 + y^{2} = z^{2} \\]', 'brace-unclosed', 'x^{2 + y^{2}} = z'],
  ['$\\sum_{i=1^{n} i$', 'brace-unclosed', '\\sum_{i=1}^{n} i'],
  ['\\begin{align*}\nx &= \\frac{1}{2 \\\\\ny &= 3\n\\end{align*}', 'brace-unclosed', '{2} \\\\'],
  ['\\begin{align*} x &= {a & b} \\\\ y&=2 \\end{align*}', 'alignment-outside', '{a  b}'],
  ['\\[ \\left( \\frac{a}{b} \\]', 'delimiter-unmatched', '\\right) \\]'],
  ['\\[ \\left[ \\frac{1}{2} \\right \\]', 'delimiter-missing', '\\right] \\]'],
  ['$\\left{x\\right}$', 'brace-bare', '$\\left\\{x\\right\\}$'],
  ['$\\left\\{x\\right}$', 'brace-bare', '$\\left\\{x\\right\\}$'],
  ['$\\{x : x>0}$', 'brace-extra', 'x>0\\}$'],
  [
    '\\begin{align*} a &= \\left( b \\\\ &+ c \\right)\\end{align*}',
    'delimiter-over-rows',
    'b \\right. \\\\ & \\left.+ c',
  ],
  ['$x^2^3$', 'scripts-doubled', '$x^{2^3}$'],
  ['$\\sum_{i=1}^n_j a$', 'scripts-doubled', '${\\sum_{i=1}^n}_j a$'],
  ['$\\frac{1}$', 'argument-missing', '\\frac{1}{}$'],
];

const NAMES: readonly SlipRow[] = [
  ['\\being{center}\nebb\n\\end{center}', 'command-unknown', '\\begin{center}'],
  ['\\begin{itemize}\\item a \\tiem b\\end{itemize}', 'command-unknown', '\\item b'],
  ['\\begin center\nebb\n\\end{center}', 'braces-meant', '\\begin {center}'],
  ['$\\NN$', 'command-not-defined-here', '$\\mathbb{N}$'],
  ['\\newcommand{\\twice}[1]{2#2}$\\twice{x}$', 'argument-beyond', '[1]{2#1}'],
  ['\\newcommand{\\both}{#1, #2}\\both{x}{y}', 'argument-beyond', '\\both}[2]{'],
  ['\\begin{matrix} 1 & 2 \\end{matrix}', 'math-in-text', '$\\begin{matrix}'],
];

const ROWS: readonly SlipRow[] = [
  ['\\begin{tabular}{ll}\na & b\nc & d\n\\end{tabular}', 'row-break-missing', 'a & b \\\\\nc'],
  ['\\begin{tabular}\na & b \\\\\n\\end{tabular}', 'columns-missing', '{tabular}{ll}\n'],
  ['\\[\\begin{array}\n1 & 2\n\\end{array}\\]', 'columns-missing', '{array}{ll}\n'],
  ['\\begin{tabular}{c}\na\n\\hline\n\\end{tabular}', 'row-unended', 'a \\\\\n\\hline'],
  ['\\begin{enumerate}\n\\end{enumerate}', 'list-empty', '{enumerate}\n\\item'],
  ['\\item ebb\n\n\\item flood', 'item-outside-list', 'flood\n\\end{itemize}'],
  ['\\section{A}\\\\\nEbb', 'line-break-between', '\\section{A}\nEbb'],
  ['Ebb.\n\n\\\\\nFlood', 'line-break-between', 'Ebb.\n\nFlood'],
  ['\\begin{itemize}\\item \\\\ ebb\\end{itemize}', 'line-break-between', '\\item  ebb'],
];

const ENDS: readonly SlipRow[] = [
  ['Let $f = \\begin{cases} 1 & x \\\\ 0 & y $.', 'environment-unclosed', 'y \\end{cases} $'],
  ['$\\begin{bmatrix} 1 & 2 \\end{bmatrix$', 'argument-unclosed', '\\end{bmatrix}$'],
  [
    '\\begin{equation}\n\\begin{align}a &= b\\end{align}\n\\end{equation}',
    'marks-around-display',
    '\n\\begin{align}a &= b\\end{align}\n',
  ],
  [
    '\\begin{equation}c + \\begin{align}a &= b\\end{align}\\end{equation}',
    'marks-around-display',
    '\\begin{aligned}a &= b\\end{aligned}',
  ],
  [
    '\\begin{enumerate}\\item a\n\\begin{enumerate}\\item b\n\\end{itemize}\n\\end{enumerate}',
    'begin-end-mismatch',
    'b\n\\end{enumerate}\n',
  ],
  [
    '\\begin{enumerate}\n\\item[a) Ebb\n\\item[b)] Flood\n\\end{enumerate}',
    'bracket-unclosed',
    '[a)] Ebb',
  ],
  ['$x = \\frac{-b \\pm \\sqrt{b^2}{2a}$', 'brace-unclosed', '\\sqrt{b^2}}{2a}'],
];

/** How far a formula goes that was typed as text. */
const RUNS: readonly SlipRow[] = [
  ['The map f: A \\to B is one.', 'math-in-text', 'map $f: A \\to B$ is'],
  ['So f(x) = x^2 + 2x + 1.', 'math-in-text', 'So $f(x) = x^2 + 2x + 1$.'],
  ['It is 90^\\circ.', 'math-in-text', 'is $90^\\circ$.'],
  ['Thus \\int_0^1 x dx = 1/2 holds.', 'math-in-text', 'Thus $\\int_0^1 x dx = 1/2$ holds'],
  ['Let x \\in \\mathbb{R} be.', 'math-in-text', 'Let $x \\in \\mathbb{R}$ be'],
  ['$\\text{for x \\in \\mathbb{R}}$', 'math-in-text', 'for $x \\in \\mathbb{R}$}'],
  ['Some CO_2 is.', 'math-in-text', 'Some CO\\textsubscript{2} is'],
  ['Ask a_b@c.example now.', 'math-in-text', 'a\\_b@c'],
];

const SIGNS: readonly SlipRow[] = [
  ['$α+β ≤ γ$', 'character-in-formula', '$\\alpha+\\beta \\le \\gamma$'],
  ['$√2 − √{x}$', 'character-in-formula', '$\\sqrt{2} - \\sqrt{x}$'],
];

export const IN_TEXT: readonly SlipRow[] = [
  ['\\begin{tabular}{|c|c|}a & b & c\\\\\\end{tabular}', 'columns-too-many', '{|c|c|c|}'],
  ['\\begin{tabular}{|c|c}a & b & c\\\\\\end{tabular}', 'columns-too-many', '{|c|cc}'],
  ...UNCLOSED,
  ...MARKS,
  ...BRACKETS,
  ...NAMES,
  ...ROWS,
  ...ENDS,
  ...RUNS,
  ...SIGNS,
];

/** What sets as it is written, and hardly was meant. */
export const ADVISED: readonly SlipRow[] = [
  ['$\\lim_{x->0} x$', 'sign-typed', '{x\\to0}'],
  ['$a <= b$', 'sign-typed', 'a \\leq b'],
  ['$x != y$', 'sign-typed', 'x \\neq y'],
  ['$p <=> q$', 'sign-typed', 'p \\iff q'],
  ['$5*3$', 'sign-typed', '5\\cdot3'],
  ['$90^o$', 'sign-typed', '90^{\\circ}'],
  ['$<u,v> = 0$', 'sign-typed', '$\\langle u,v \\rangle = 0$'],
  ['Let $A = {1,2,3}$.', 'braces-lost', '= \\{1,2,3\\}$'],
  ['The set {1,2,3} is finite.', 'braces-lost', 'set \\{1,2,3\\} is'],
  ['$\\frac{n(n+1)}/2$', 'sign-below', '$\\frac{n(n+1)}{2}$'],
  ['$\\begin{pmatrix} 1 & 2\n3 & 4 \\end{pmatrix}$', 'row-runs-on', '1 & 2 \\\\\n3'],
  ['\\begin{align*} x = 1 \\\\ y = 2 \\end{align*}', 'rows-unaligned', 'x &= 1 \\\\ y &= 2'],
  ['\\bf{Ebb} and flood', 'declaration-with-braces', '\\textbf{Ebb} and'],
  ['\\textbf Ebb and flood', 'word-without-braces', '\\textbf{Ebb} and'],
  ['\\large{Ebb} and flood', 'declaration-with-braces', '{\\large Ebb} and'],
];

/** A sheet with this in its preamble and in its text. */
export const sheet = (preamble: string, body = 'Low water.'): string =>
  `\\documentclass{article}\n${preamble}\n\\begin{document}\n${body}\n\\end{document}\n`;
export const tikz = (body: string): string =>
  sheet('\\usepackage{tikz}', `\\begin{tikzpicture}\n${body}\n\\end{tikzpicture}`);

/** Whole sheets with a slip in an option, a key or a word of a package. */
export const IN_SHEETS: readonly SlipRow[] = [
  // A second brace, or one that is missing before the next argument.
  [sheet('\\setlength{\\parskip}{{1em}', 'x'), 'argument-unclosed', '{\\parskip}{1em}'],
  [sheet('', 'See \\rule{{3cm}{2cm} there.'), 'argument-unclosed', '\\rule{3cm}{2cm} there'],
  [sheet('', '\\textbf{{Ebb} and \\emph{low} water.'), 'argument-unclosed', '\\textbf{Ebb} and'],
  [sheet('\\newcommand{\\tide[1]{#1 m}', '\\tide{2}'), 'argument-unclosed', '{\\tide}[1]{#1 m}'],
  [sheet('\\setlength{\\parskip{1em}'), 'argument-unclosed', '{\\parskip}{1em}'],
  [
    sheet('\\usepackage{xstring}', '\\IfStrEq{ebb}{ebb{same}{other} end.'),
    'argument-unclosed',
    '{ebb}{same}{other}',
  ],
  [
    sheet('\\newcommand{\\row}[2]{$#1_#2$}', 'Say \\row{x{y} here.'),
    'argument-unclosed',
    '\\row{x}{y} here',
  ],
  [
    sheet(
      '\\newenvironment{hint}{\\begin{trivlist}\\item[\\bfseries Hint]{\\end{trivlist}}',
      '\\begin{hint}x\\end{hint}',
    ),
    'argument-unclosed',
    'Hint]}{\\end{trivlist}}',
  ],
  // A brace that is missing behind a command.
  [sheet('\\usepackage[margin=2cm]geometry}'), 'brace-extra', '[margin=2cm]{geometry}'],
  [
    sheet('\\usepackage{fancyhdr}\\fancyhead[L]Low water}'),
    'brace-extra',
    '\\fancyhead[L]{Low water}',
  ],
  [sheet('', 'An \\emph ebb and} a flood.'), 'brace-extra', '\\emph {ebb and} a'],
  // A name that is misspelt where a macro has it, and one of the document's own.
  [
    sheet('\\newcommand{\\pair}[2]{$\\langle #1,#2\\ranle$}', '\\pair{x}{y} \\pair{a}{b}'),
    'command-unknown',
    '#2\\rangle$',
  ],
  [
    sheet(
      '\\renewcommand{\\labelenumi}{(\\theneumi)}',
      '\\begin{enumerate}\\item x\\end{enumerate}',
    ),
    'command-unknown',
    '(\\theenumi)',
  ],
  [
    sheet('\\newenvironment{answer}{\\par}{\\par}', '\\begin{asnwer}x\\end{answer}'),
    'environment-unknown',
    '\\begin{answer}x',
  ],
  [
    sheet(
      '\\newenvironment{hint}{\\begin{trvilist}\\item[Hint]}{\\end{trivlist}}',
      '\\begin{hint}x\\end{hint}',
    ),
    'environment-unknown',
    '{\\begin{trivlist}\\item',
  ],
  // An environment that is made of others is the one that is not ended.
  [
    sheet(
      '\\newenvironment{answer}{\\begin{quote}\\begin{center}}{\\end{center}\\end{quote}}',
      '\\begin{answer}x\\end{anser}\n\nEbb.',
    ),
    'begin-end-mismatch',
    'x\\end{answer}',
  ],
  [
    sheet('', 'x').replace('documentclass', 'docuentclass'),
    'command-unknown',
    '\\documentclass{article}',
  ],
  // What is in a formula, or stands around it.
  [
    sheet(
      '\\usepackage{tikz}',
      '\\[ \\begin{tikzpicture}\\draw (0,0) -- (1,0);\n = x \\]\n\nMore.',
    ),
    'environment-unclosed',
    '= x \\end{tikzpicture} \\]',
  ],
  [
    sheet(
      '\\usepackage{amsmath}',
      '\\begin{equation} x = y\n\\begin{equation} a = b \\end{equation}\n\nEbb.\n\\begin{equation} c = d \\end{equation}',
    ),
    'environment-unclosed',
    'x = y \\end{equation}\n\\begin{equation} a',
  ],
  [
    sheet('', '\\title{Ebb}\\author{A. Wick}\\mkaetitle\nLow water.'),
    'command-unknown',
    '\\maketitle\nLow',
  ],
  [sheet('', '\\begin{document}Ebb'), 'stands-twice', '{document}\nEbb'],
  [sheet('\\documentclass{report}'), 'stands-twice', '{article}\n\n'],
  [sheet('\\newcommand{R}{r}', '\\R'), 'name-bare', '{\\R}{r}'],
  [sheet('\\setlength{parskip}{1em}'), 'name-bare', '{\\parskip}'],
  [sheet('\\setlength{\\parindent}{0}'), 'unit-missing', '{0pt}'],
  [
    sheet('\\usepackage{cleveref}\n\\usepackage{hyperref}'),
    'package-order',
    '{hyperref}\n\\usepackage{cleveref}',
  ],
  [sheet('\\usepackage{subfig}\n\\usepackage{subcaption}'), 'packages-clash', '{subfig}\n\n'],
  [sheet('\\usepackage{fancyhdr}\n\\lhead{Name\n\\rhead{Date}'), 'argument-unclosed', '{Name}\n'],
  [sheet('\\usepackage{geometry}\\geometry{margins=1in}'), 'option-misspelt', '{margin=1in}'],
  [sheet('\\pagestyle{emtpy}'), 'option-misspelt', '{empty}'],
  [sheet('\\thispagestyle{none}'), 'option-misspelt', '{empty}'],
  [sheet('\\pagenumbering{arabics}'), 'option-misspelt', '{arabic}'],
  [sheet('\\usepackage{xcolor}\\definecolor{a}{rgb}{255,0,0}'), 'colour-beyond', '{RGB}{255'],
  [sheet('\\usepackage{xcolor}\\definecolor{a}{RBG}{255,0,0}'), 'option-misspelt', '{RGB}{255'],
  [sheet('\\usepackage{tikz}\\usetikzlibrary{arows}'), 'option-misspelt', '{arrows}'],
  [
    sheet('\\usepackage{tikz}', '\\tikz \\draw (0,0) -- (1,1)\n\nEbb.'),
    'picture-semicolon',
    '(1,1);\n',
  ],
  [
    sheet('\\usepackage{listings}', '\\begin{lstlisting}[language=Pyhton]\nx\n\\end{lstlisting}'),
    'option-misspelt',
    '=Python]',
  ],
  [
    '\\documentclass{exam}\\begin{document}\\begin{questions}\\question A\n\\part b\n\\end{questions}\\end{document}',
    'item-outside-list',
    'b\n\\end{parts}',
  ],
  [sheet('\\usepackage[a4paper margin=2cm]{geometry}'), 'option-misspelt', '[a4paper, margin=2cm]'],
  [sheet('\\usepackage[topp=2cm]{geometry}'), 'option-misspelt', '[top=2cm]'],
  [sheet('\\usepackage[margin=1inch]{geometry}'), 'unit-longer', '[margin=1in]'],
  [sheet('', 'a\\hspace{3 points}b'), 'unit-missing', '{3pt}'],
  [sheet('', '\\hspace{2 centimeters}b'), 'unit-missing', '{2cm}'],
  [
    sheet('\\usepackage{enumitem}', '\\begin{enumerate}[lable=(\\alph*)]\\item a\\end{enumerate}'),
    'option-misspelt',
    '[label=(\\alph*)]',
  ],
  [
    sheet('\\usepackage{enumitem}', '\\begin{enumerate}[(a)]\\item a\\end{enumerate}'),
    'option-misspelt',
    '[label=(\\alph*)]',
  ],
  [
    sheet('', '\\begin{enumerate}[(a)]\\item a\\end{enumerate}'),
    'package-needed',
    '\\usepackage{enumerate}',
  ],
  [
    sheet('', '\\begin{itemize}[noitemsep]\\item a\\end{itemize}'),
    'package-needed',
    '\\usepackage{enumitem}',
  ],
  [
    sheet('\\usepackage{listings}', '\\begin{lstlisting}[langauge=C]\nx\n\\end{lstlisting}'),
    'option-misspelt',
    '[language=C]',
  ],
  [
    sheet('\\usepackage{tcolorbox}', '\\begin{tcolorbox}[titel=Ebb]x\\end{tcolorbox}'),
    'option-misspelt',
    '[title=Ebb]',
  ],
  [
    sheet('\\usepackage{amsthm}\\newtheorem{a}{A}[sectoin]', '\\begin{a}x\\end{a}'),
    'counter-unknown',
    '[section]',
  ],
  [
    sheet('\\usepackage{amsthm}\n\\newtheorem{a}{A}\n\\newtheorem{a}{A}'),
    'environment-exists',
    '{a}{A}\n\\begin',
  ],
  [sheet('\\usepackage{amsthm}\\theoremstyle{defn}'), 'option-misspelt', '{definition}'],
  [
    sheet('', '\\begin{thebibliography}\n\\bibitem{a} A\n\\end{thebibliography}'),
    'label-width-missing',
    '{thebibliography}{9}',
  ],
  [sheet('', '\\begin{tabular}{c c\na & b\n\\end{tabular}'), 'argument-unclosed', '{c c}\n'],
  [sheet('', '\\begin{tabular}{c,c} a & b \\end{tabular}'), 'column-unknown', '{cc}'],
  [sheet('', '\\begin{tabular}{3} a & b & c \\end{tabular}'), 'column-unknown', '{lll}'],
  [sheet('', '\\begin{tabular}[rr] a & b \\end{tabular}'), 'columns-missing', '{rr}'],
  [tikz('\\draw (0,0) -- (1,1)\n\\draw (1,0) -- (0,1);'), 'picture-semicolon', '(1,1);\n'],
  [tikz('\\draw (0,0) -- (1,1;'), 'picture-bracket', '(1,1);'],
  [tikz('\\draw (0,0 -- (1,1);'), 'picture-bracket', '(0,0) --'],
  [tikz('\\draw[thick (0,0) -- (1,1);'), 'picture-bracket', '[thick] (0,0)'],
  [tikz('\\node at (0,0) {A;\n\\draw (0,0) -- (1,1);'), 'picture-bracket', '{A};'],
  [tikz('\\draw (0,0) cirle (1);'), 'picture-word', 'circle (1)'],
  [tikz('\\draw (0 0) -- (1,1);'), 'picture-coordinate', '(0,0) --'],
  [tikz('\\draw[thik] (0,0) -- (1,1);'), 'picture-key', '[thick]'],
  [tikz('\\node (A) at (0,0) A;'), 'picture-text-bare', '(0,0) {A};'],
  [sheet('\\usepackage[englsh]{babel}'), 'language-unknown', '[english]'],
  [
    sheet(
      '\\usepackage{pgfplots}',
      '\\begin{tikzpicture}\\begin{axis}\n\\addplot{x}\n\\addplot{2*x};\n\\end{axis}\\end{tikzpicture}',
    ),
    'picture-semicolon',
    '{x};\n',
  ],
  [
    `\\documentclass{beamer}\\begin{document}\n\\begin{frame}{T}\nLow.\n\\end{document}\n`,
    'environment-unclosed',
    'Low.\n\\end{frame}',
  ],
];
