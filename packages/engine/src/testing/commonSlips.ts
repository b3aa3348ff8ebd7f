import { inArticle } from './document';

const A = String.raw`\documentclass{article}`;
const text = (body: string, preamble = ''): string => inArticle(body, preamble);
const ams = String.raw`\usepackage{amsmath}`;

/** What is typed, the one note of it, what its button makes of it, and what the page shows before that. */
export type CommonSlip = readonly [
  what: string,
  source: string,
  kind: string,
  after: string,
  page?: string,
];
const raw = String.raw;

const BRACES: readonly CommonSlip[] = [
  [
    'a title without }',
    `${A}\\title{Ebb\n\\author{Q}\n${raw`\begin{document}\maketitle Low.\end{document}`}`,
    'argument-unclosed',
    '\\title{Ebb}\n',
    'Low.',
  ],
  [
    'a package without }',
    `${A}\n\\usepackage{amsmath\n${raw`\begin{document}Low $\text{x}$.\end{document}`}`,
    'argument-unclosed',
    '{amsmath}\n',
    'Low x.',
  ],
  [
    'a kind without }',
    `\\documentclass{article\n\\begin{document}\nLow.\n\\end{document}`,
    'argument-unclosed',
    '{article}\n',
    'Low.',
  ],
  [
    'the beginning without }',
    `${A}\n\\begin{document\nLow.\n\\end{document}`,
    'argument-unclosed',
    '\\begin{document}\n',
    'Low.',
  ],
  [
    'an environment without }',
    text('\\begin{itemize\n\\item Low\n\\end{itemize}'),
    'argument-unclosed',
    '\\begin{itemize}\n',
    'Low',
  ],
  [
    'a heading without }',
    text('\\section{ Ebb\nLow.\n\nHigh.'),
    'argument-unclosed',
    '\\section{ Ebb}\n',
    '1 Ebb | Low. | High.',
  ],
  [
    'a reference without }',
    text('\\section{A}\\label{a} See \\ref{a and on.'),
    'argument-unclosed',
    '\\ref{a} and',
    'See 1 and on.',
  ],
  [
    'a kind without {',
    `\\documentclassarticle}\n\\begin{document}\nLow.\n\\end{document}`,
    'command-unknown',
    '\\documentclass{article}',
    'Low.',
  ],
  [
    'a reference without {',
    text('\\section{A}\\label{a} See \\refa} and on.'),
    'command-unknown',
    '\\ref{a} and',
    'See 1 and on.',
  ],
  [
    'a bracket without ]',
    `\\documentclass[11pt{article}\\begin{document}Low.\\end{document}`,
    'bracket-unclosed',
    '[11pt]{article}',
    'Low.',
  ],
  [
    'options and kind swapped',
    `\\documentclass{12pt}[article]\\begin{document}Low.\\end{document}`,
    'name-swapped',
    '[12pt]{article}',
    'Low.',
  ],
  [
    'round brackets',
    text('Low $\\text{x}$.', '\\usepackage(amsmath)'),
    'braces-meant',
    '\\usepackage{amsmath}',
    'Low x.',
  ],
  [
    'a heading without braces',
    text('\\section Ebb and flood\n\nLow.'),
    'braces-meant',
    '\\section {Ebb and flood}',
    '1 Ebb and flood',
  ],
];

const FORMULAS: readonly CommonSlip[] = [
  [
    'a run of mathematics',
    text('Then A = x^2 + 7x + 10 is zero.'),
    'math-in-text',
    'Then $A = x^2 + 7x + 10$ is',
  ],
  [
    'two powers in one run',
    text('So x^2 + y^2 = r^2 holds.'),
    'math-in-text',
    'So $x^2 + y^2 = r^2$ holds',
  ],
  [
    'a name with a low line',
    text('See file my_lamp.txt for more.'),
    'math-in-text',
    'my\\_lamp.txt',
  ],
  [
    'dollars around align',
    text('$$\\begin{align*}a&=b\\end{align*}$$', ams),
    'marks-around-display',
    '{document}\n\\begin{align*}a&=b\\end{align*}\n\\end',
  ],
  [
    'a dollar that closes nothing',
    text('A matrix P$ is \\emph{stochastic} if so.'),
    'formula-unopened',
    'A matrix $P$ is',
  ],
  ['a dollar too many', text('One $x$$ two and $y$ three.'), 'dollar-extra', 'One $x$ two'],
  ['one behind another', text('One $$x$ two.'), 'dollar-extra', 'One $x$ two'],
  [
    'a dollar lost between cells',
    text('\\begin{tabular}{cc} 6 & $1.20 & $\\pm1$\\\\ 1 & 2\\end{tabular}'),
    'formula-unclosed',
    '$1.20$ & $\\pm1$',
  ],
  [
    'brackets around equation',
    text('\\[ \\begin{equation} a=b \\end{equation} \\]'),
    'marks-around-display',
    '{document}\n \\begin{equation}',
  ],
  [
    'dollars within align',
    text('\\begin{align*}a&=$b$\\end{align*}', ams),
    'dollar-in-formula',
    'a&=b\\end',
  ],
  [
    'a blank line first',
    text('\\begin{align}\n\na&=b\n\\end{align}', ams),
    'blank-line-in-formula',
    '\\begin{align}\na&=b',
  ],
  [
    'a bracket that grows alone',
    text('$\\left( x + 1$'),
    'delimiter-unmatched',
    '\\left( x + 1 \\right)$',
  ],
  [
    'one in a row',
    text('\\begin{align*}a&=\\left[ x \\\\ b&=c\\end{align*}', ams),
    'delimiter-unmatched',
    '\\left[ x \\right] \\\\ b',
  ],
  ['a brace too few', text('Let $\\frac{a}{b + c$ be.'), 'brace-unclosed', '{b + c}$ be'],
  ['a brace too many', text('Let $\\frac{a}{b}} + c$ be.'), 'brace-extra', '{b} + c$'],
  [
    '& in an equation',
    text('\\begin{equation} a &= b \\end{equation}'),
    'columns-in-equation',
    '\\begin{align} a &= b \\end{align}',
  ],
  [
    'a label behind its formula',
    text('\\begin{equation} a \\end{equation}\\label{a} See \\ref{a}.'),
    'label-behind-formula',
    'a \\label{a}\\end{equation} See',
  ],
  [
    'a label without a number',
    text('\\begin{equation*} a\\label{a}\\end{equation*} See \\ref{a}.', ams),
    'label-unnumbered',
    '\\begin{equation} a\\label{a}\\end{equation}',
  ],
  [
    'a row too many',
    text('\\begin{align} a&=b \\\\ \\end{align}', ams),
    'row-empty',
    'a&=b  \\end',
    '(1) | (2)',
  ],
  [
    'a Greek letter in text',
    text('Let α be.'),
    'character-in-text',
    'Let $\\alpha$ be',
    'Let α be',
  ],
];

const NAMES: readonly CommonSlip[] = [
  [
    'slashes',
    '/documentclass{article}\n/begin{document}\nLow.\n/end{document}\n',
    'slash-leans',
    '\\documentclass{article}\n\\begin{document}\nLow.\n\\end',
  ],
  [
    'no backslash',
    `${A}\nusepackage{amsmath}\n\\begin{document}Low.\\end{document}`,
    'backslash-missing',
    '\n\\usepackage{amsmath}',
  ],
  ['a blank in a name', text('\\sub section{Ebb} Low.'), 'command-unknown', '\\subsection{Ebb}'],
  ['two blanks in a name', text('\\no indent Low.'), 'command-unknown', '\\noindent Low'],
  ['a letter run into a name', text('$\\alphax$'), 'command-unknown', '$\\alpha x$'],
  [
    'an argument run into a name',
    text('$\\mathbbZ$', '\\usepackage{amssymb}'),
    'command-unknown',
    '\\mathbb{Z}',
  ],
  [
    'a word run into a name',
    text('\\title{T}\\maketitleHello'),
    'command-unknown',
    '\\maketitle Hello',
  ],
  ['capitals', text('\\TableOfContents'), 'command-unknown', '\\tableofcontents'],
  ['by what it means', text('$\\integral x$'), 'command-unknown', '$\\int x$'],
  ['another spelling', text('$\\alfa$'), 'command-unknown', '$\\alpha$'],
  ['a command of text by its meaning', text('$\\vector{a}$'), 'text-only-in-math', '$\\vec{a}$'],
  [
    'a package in capitals',
    text('$\\text{x}$', '\\usepackage{AMSMath}'),
    'package-misspelt',
    '{amsmath}',
    'x',
  ],
  [
    'packages without a comma',
    text('$\\text{x}$', '\\usepackage{amsmath graphicx}'),
    'package-misspelt',
    '{amsmath,graphicx}',
    'x',
  ],
  [
    'a package by its meaning',
    text('Low.', '\\usepackage{amstheorem}'),
    'package-misspelt',
    '{amsthm}',
  ],
  [
    'a matrix without amsmath',
    text('\\[\\begin{pmatrix} 1 & 2 \\\\ 3 & 4\\end{pmatrix}\\]'),
    'package-needed',
    '\\usepackage{amsmath}',
  ],
  [
    'a statement nobody declares',
    text('\\begin{theorem} All. \\end{theorem}'),
    'environment-unknown',
    '\\newtheorem{theorem}{Theorem}',
  ],
  [
    'the beginning misspelt',
    `${A}\\begin{documnet}\nLow.\n\n\\section{Ebb}\n\\end{document}`,
    'environment-unknown',
    '\\begin{document}\nLow',
    'Low. | 1 Ebb',
  ],
  [
    'the end misspelt',
    `${A}\\begin{document}Low.\\end{docuemnt}`,
    'begin-end-mismatch',
    '\\end{document}',
    'Low.',
  ],
  [
    'begin misspelt',
    text('\\bgein{enumerate}\\item a\\end{enumerate}'),
    'command-unknown',
    '\\begin{enumerate}',
    '1. a',
  ],
  [
    'a label without its kind',
    text('\\begin{equation}\\label{eq:tide} a\\end{equation} See \\ref{tide}.'),
    'reference-unknown',
    '\\ref{eq:tide}',
  ],
  [
    'a kind that is none',
    '\\documentclass{homework}\\begin{document}Low.\\end{document}',
    'class-unknown',
    '{article}',
    'Low.',
  ],
];

const PLACES: readonly CommonSlip[] = [
  [
    'a package before the kind',
    `\\usepackage{amsmath}\n${A}\n\\begin{document}Low.\\end{document}`,
    'line-too-early',
    `${A}\n\\usepackage{amsmath}\n`,
  ],
  [
    'the title printed in the preamble',
    `${A}\\title{T}\n\\maketitle\n\\begin{document}\nLow.\n\\end{document}`,
    'maketitle-early',
    '\\begin{document}\n\\maketitle\nLow',
  ],
  [
    'the title printed above it',
    `${A}\n\\begin{document}\n\\maketitle\n\\title{My}\nLow.\n\\end{document}`,
    'maketitle-early',
    '\\title{My}\n\\maketitle\nLow',
  ],
  [
    'the title behind a sign',
    `${A}\\title{T}\n\\begin{document}\n%\\maketitle\nLow.\n\\end{document}`,
    'title-not-printed',
    '\n\\maketitle\nLow',
  ],
  [
    'headings in a letter',
    '\\documentclass{letter}\\begin{document}\\section{Ebb}\\end{document}',
    'headings-missing',
    '{article}',
  ],
  [
    'sections in a report',
    '\\documentclass{report}\\begin{document}\\section{Ebb}\\end{document}',
    'chapters-below',
    '\\chapter{Ebb}',
    '0.1 Ebb',
  ],
  [
    '[H] without its package',
    text('\\begin{figure}[H]x\\caption{y}\\end{figure}'),
    'package-needed',
    '\\usepackage{float}',
  ],
  [
    '[here]',
    text('\\begin{figure}[here]x\\caption{y}\\end{figure}'),
    'float-place-unknown',
    '[h]x',
  ],
  [
    'a row that is not ended',
    text('\\begin{tabular}{cc}a & b \\hline c & d\\end{tabular}'),
    'row-unended',
    'b \\\\ \\hline',
  ],
  [
    'no columns',
    text('\\begin{tabular} a & b \\\\ c & d \\end{tabular}'),
    'columns-missing',
    '\\begin{tabular}{ll} a',
  ],
];

const MEASURES: readonly CommonSlip[] = [
  ...['12', '13pt', '12px', '12point'].map((option): CommonSlip => [
    `[${option}]`,
    `\\documentclass[${option}]{article}\\begin{document}x\\end{document}`,
    'option-unknown',
    '[12pt]',
  ]),
  [
    'a key that is nearly one',
    text('x', '\\usepackage[margins=1in]{geometry}'),
    'option-misspelt',
    '[margin=1in]',
  ],
  [
    'a length without its key',
    text('x', '\\usepackage[1in]{geometry}'),
    'option-misspelt',
    '[margin=1in]',
  ],
  [
    'a margin without a unit',
    text('x', '\\usepackage[margin=1]{geometry}'),
    'unit-missing',
    '[margin=1in]',
  ],
  [
    'an option of nothing',
    text('x', '\\usepackage[ebb]{amsmath}'),
    'option-unknown',
    '[]{amsmath}',
  ],
  [
    'a key of nothing',
    text('x', '\\usepackage[ebbing={a,b},final]{hyperref}'),
    'option-unknown',
    '[final]{hyperref}',
  ],
  ['a large length without a unit', text('a\\hspace{10}b'), 'unit-missing', '{10pt}'],
  ['a small one', text('a\\\\[0.5]b'), 'unit-missing', '[0.5cm]'],
];

/** Slips that students make, whole sheets. */
export const COMMON_SLIPS = [...BRACES, ...FORMULAS, ...NAMES, ...PLACES, ...MEASURES];
