import { SIGNS_SAID } from './signMeanings';

/**
 * Data table: what one would call a thing who does not know its name. A line names it and says,
 * between commas, what it is asked for by; names after "+" are asked for by the same words.
 */
const SAID = String.raw`
sqrt: square root, root, radical, nth root, cube root
frac: fraction, divide, over, quotient, numerator denominator, ratio, half
dfrac: large fraction, big fraction, displayed fraction, fraction in full size
tfrac: small fraction, little fraction
sfrac+nicefrac: slanted fraction, fraction with a slash, diagonal fraction, inline fraction
cfrac: continued fraction
binom: binomial coefficient, n choose k, choose, combinations, k of n
lim: limit, limes
limsup: limit superior, upper limit
liminf: limit inferior, lower limit
sup: supremum, least upper bound
inf: infimum, greatest lower bound
max: maximum, largest
min: minimum, smallest
log: logarithm
ln: natural logarithm
exp: exponential function
sin: sine
cos: cosine
tan: tangent
arcsin: inverse sine
arctan: inverse tangent
det: determinant
dim: dimension
ker: kernel, null space
gcd: greatest common divisor, common divisor, hcf
deg: degree of a polynomial
Pr: probability
bmod: mod, modulo, remainder
pmod: mod n in brackets, modulo, congruent mod, mod
mathbb: blackboard bold, double struck letters, integers, real numbers, natural numbers, rational numbers, complex numbers, set of integers, number sets, hollow letters, bb font
mathds: blackboard one, indicator function
mathcal: calligraphic letters, curly letters, fancy letters in formulas, curly capital, cursive letters
mathscr: script letters, curly letters, handwritten capitals
mathfrak: fraktur, gothic letters, old german letters
mathrm: upright letters in a formula, roman in a formula, straight d, upright d, not italic in formula
mathbf: bold in a formula, bold vector, bold letters in math, bold matrix
boldsymbol+bm: bold greek, bold symbols in a formula, bold symbol, bold vector
operatorname: own function name, upright function name, name of an operator, function that is not known
DeclareMathOperator: define own function name, define an operator, new function name
text: words in a formula, text in math, text in a formula, words in an equation, normal text in math
left+right: growing bracket, big brackets, brackets that fit, bracket stretch, large parentheses, automatic brackets, scale brackets
bigl+bigr+Bigl+Bigr: brackets of a size chosen, bigger brackets, slightly larger bracket
overline: line over, bar over, conjugate, complex conjugate, closure, bar above several letters, repeating decimal
bar: bar over a letter, mean, average, conjugate, x bar
hat: hat over a letter, hat, estimate, unit vector, circumflex in a formula
widehat: wide hat
tilde: tilde over a letter, squiggle above
widetilde: wide tilde, tilde over several letters
vec: arrow over a letter, vector, vector arrow
overrightarrow: arrow over several letters, vector from A to B, long vector arrow
dot: dot above, dot over a letter, time derivative, newton derivative
ddot: two dots above, second time derivative, double dot
underline: underline, line under, underlined text
overbrace: brace over, curly bracket above, bracket over terms
underbrace: brace under, curly bracket below, bracket under terms, explain under terms
cancel: cross out a term, strike through in a formula, cancel terms, cancel in a fraction
boxed: box around a formula, frame a result, box around the answer, boxed answer
not: cross through a sign, negate a relation, slash through, not symbol
limits: limits above and below, put under the sum, below the integral
displaystyle: large size in a line, full size formula in text, big sum in text, bigger fractions in text
substack: two lines under a sum, several conditions below a sum
cases: piecewise function, case distinction, curly brace for cases, either or, function defined by cases, big left brace, piecewise
matrix: matrix without brackets
pmatrix: matrix with round brackets, matrix, matrix with parentheses, vector column, column vector
bmatrix: matrix with square brackets, square bracket matrix
vmatrix: determinant, matrix with bars, determinant bars
Bmatrix: matrix with curly braces
smallmatrix: small matrix in a line, matrix in text
array: augmented matrix, matrix with a line, columns in a formula, formula in columns
align: several equations, several lines aligned, align equations, equations below each other, lined up equals signs, derivation steps, multiple equations, equations under one another, line up equations, system of equations
aligned: aligned within a formula, system with a brace
equation: numbered formula, numbered equation, equation with a number, displayed formula with number, number an equation
gather: centred formulas, several formulas centred
multline: long formula over several lines, break a long equation, equation too long, split a long formula
split: one number for several lines, break an equation
nonumber+notag: no number, remove equation number, equation without number, suppress the number
tag: own number for an equation, name an equation, custom equation number, star instead of a number
intertext: words between lines of align, text between equations
eqref: refer to an equation, reference to an equation in brackets, equation reference
numberwithin: number equations by section, number within section, equation number with section
quad: space in a formula, wide space in a formula, gap in math
qquad: double space in a formula, wider gap
,: small space in a formula, thin space, space before dx
!: negative space in a formula, less space
phantom: invisible, leave room for, empty space as wide as
textbf: bold, bold text, bold letters, strong, make text bold, fat letters
emph: emphasis, emphasize, italic, stress, highlight words
textit: italic, italics, slanted, italic text, cursive
texttt: typewriter, typewriter font, monospace, code font, code in a line, computer letters
textsf: sans serif
textsc: small capitals, small caps
textrm: roman text
textsuperscript: raised text, superscript in text, first second th, ordinal
textsubscript: lowered text, subscript in text
sout: strike out text, strikethrough, cross out words, crossed out text
hl: highlight, marker pen, highlight text yellow
textcolor: coloured text, color of letters, red text, text color, font color
color: colour, change colour from here
colorbox: coloured background, background colour of words
fcolorbox: coloured box with frame
definecolor: own colour, define a colour
pagecolor: background colour of the page
large: font size, larger letters, larger text
small: text size
large+Large+LARGE+huge: letter size, large letters, big text, size of text
small: smaller text, make text small
footnotesize+tiny+scriptsize: small text, small letters, tiny text
normalsize: back to the ordinary size, normal font size
fontsize: font size, exact font size, text size in points
selectfont: change the font
itemize: bullets, bullet points, bulleted list, bullet list, unnumbered list, list with dots, dots list
enumerate: numbered list, numbering, ordered list, list with numbers, list with letters, list a b c, number the parts, parts a b c
description: list of terms, definition list, list with words
item: list entry, new bullet, point in a list
setlist: space in lists, list spacing, change labels of lists
tabular: table, columns and rows, table with cells, grid, make a table
table: floating table, table with a caption, table that floats
tabularx: table as wide as the text, table of full width, stretch table
longtable: table over several pages, long table
hline: line across a table, horizontal line in a table, table line, rule in a table
cline: line below some columns, partial horizontal line
toprule: thick line of a table, top rule
midrule: rule below the head of a table, table rules, line in a table
bottomrule: rule at the end of a table
multicolumn: cell over several columns, merge cells, merge columns, span columns, join cells
multirow: cell over several rows, merge rows, span rows
rowcolor: colour a row, row colour of a table
cellcolor: colour a cell
arraystretch: row height, space between rows, taller rows
figure: floating picture, picture with a caption, figure, place a figure
includegraphics: picture, insert a picture, image, photo, insert image, add a picture, graphic, put in a picture, screenshot
wrapfigure: picture with text around it, text around a figure, wrap text around an image
subfigure: two pictures side by side, pictures next to each other, side by side figures
caption: caption, figure caption, table caption, words below a picture, title of a figure, describe a figure, text under a figure
graphicspath: folder of the pictures
tikzpicture: drawing, draw a picture, diagram, draw a graph, sketch, draw a circle
tikzcd+CD: commutative diagram, diagram with arrows
axis: plot of a function, plot a function, graph of a function, axes, draw a curve, chart
label: name for references, mark to refer to, label an equation, anchor
ref: refer to, reference to a number, cross reference, refer to a figure, refer to a section
cref: reference with its word, smart reference
pageref: refer to a page, page number of a reference
cite: citation, cite, quote a source, refer to a book, reference to literature
bibliography+thebibliography: bibliography, references, list of references, literature, sources, works cited
printbibliography: bibliography, print the references
bibitem: entry of the references
section: heading, section heading, title of a section, header of a section, new section
subsection: smaller heading, subheading, sub section
subsubsection: third level heading
paragraph: heading in the line, run in heading
chapter: chapter, heading of a book
part: part of a book
appendix: appendix
tableofcontents: table of contents, contents, list of sections, overview of sections
listoffigures: list of figures
listoftables: list of tables
footnote: footnote, note at the foot of the page, note at the bottom
marginpar: margin note, note in the margin, side note, words beside the text
newpage: page break, new page, start a new page, next page, force a page break
clearpage: page break after figures, new page and place all figures
pagebreak: page break, break the page here
newline: line break, new line, start a new line
\: line break, new line, next line, new row, end of a row, end the line, return
linebreak: line break, break the line stretched
par: new paragraph, paragraph break
noindent: no indent, do not indent, paragraph without indent, remove indentation
indent: indent, indentation
indentfirst: indent the first paragraph
parindent: size of the indent
parskip: space between paragraphs, blank line between paragraphs, paragraph spacing
hspace: horizontal space, space across, gap in a line, move right, extra space
vspace: vertical space, space down, extra space between lines, gap between paragraphs, blank space, empty space
hfill: push to the right, fill the line, space that fills, move to the right edge
vfill: push to the bottom, fill the page
smallskip+medskip+bigskip: small vertical space, gap between paragraphs
~: space without break, non breaking space, keep together
mbox: keep on one line, do not break words
fbox: frame around words, box around text, border, frame
framed+mdframed: frame around paragraphs, box around a paragraph
tcolorbox: coloured box, box around text, frame with colour, highlight box
minipage: side by side, two columns in part of a page, boxes next to each other, next to each other
multicols: several columns, two columns, columns of text
twocolumn: two columns
center: centre text, center, middle, centred text, put in the middle
centering: centre a picture, center, centre a table, middle
flushright: right aligned, align text to the right, align to the right, right justified
flushleft: left aligned, align text to the left, align to the left
raggedright: left aligned, no justification, not justified
quote+quotation: quotation, quote, indented text, block quote
displayquote: block quote
enquote: quotation marks, quotes, quote marks
textquotedblleft: quotation mark, opening quotes
verbatim: text as typed, code, program, print exactly
verb: code in a line, print exactly in a line
lstlisting: program code, source code, code listing, python code, code with colours
algorithm: pseudocode, algorithm with caption
algorithmic: pseudocode, steps of an algorithm
comment: comment out, hide text, leave out a part
%: percent sign, per cent, percentage
&: ampersand, and sign
#: hash, number sign, pound key
$: dollar, dollar sign, money
_: underscore, low line
{+}: curly bracket, curly brace, braces, set brackets
textbackslash: backslash, backslash in text
textasciitilde: tilde in text
euro: euro, euro sign
pounds: pound sign, british pound
copyright: copyright
S: section sign, paragraph sign
textendash: dash, long hyphen, range of numbers
textemdash: long dash, em dash
'+^+": accents, accent on a letter, accented letters
': acute accent, e with accent
${'`'}: grave accent
": umlaut, two dots on a letter, diaeresis
c: cedilla
~: tilde on a letter, n with tilde
ss: sharp s, german s
o: slashed o, crossed o
aa: a with ring
today: date of today, current date, today's date
title: title, name of the document, heading of the document
author: author, name of the author, your name, who wrote it, my name, student name
date: date, day, remove the date
maketitle: print the title, title author and date, show the title
titlepage: title page, cover page, front page
abstract: summary, abstract
thanks: acknowledgement, note at the author
newcommand: own command, define a command, shortcut, macro, abbreviation, define a shortcut
renewcommand: change a command, redefine
newenvironment: own environment, define an environment
newtheorem: theorem, lemma, definition, define theorem, theorem environment, definition environment, corollary, own theorem kind, numbered exercise
proof: proof, proof with a box at the end, prove
qedhere: move the end mark of a proof, end mark in a formula
qed: end of a proof, end of proof, quod erat demonstrandum, q e d, box at the end of a proof
theoremstyle: look of theorems, theorem not italic
url: web address, link, website, internet address
href: link with words, hyperlink, clickable link, link text
input: include another file, put in another file, split the document into files
include: include a chapter file
usepackage: load a package, import a package, use a package
documentclass: kind of document, document type, paper and letter size, first line
pagestyle: page style, no page numbers, turn off page numbers
thispagestyle: no page number on this page
pagenumbering: page numbers, roman page numbers, number the pages, page numbering
setcounter: change a number, start numbering at, set the page number, start at a number
linespread: line spacing, space between lines
setstretch+onehalfspacing+doublespacing: line spacing, double spacing, spacing between lines, one and a half spacing
hrule+hrulefill: horizontal line, line across the page, rule
rule: line of a length, filled rectangle, horizontal line, black bar
dotfill: line of dots, dotted line
rotatebox: rotate, rotate text, rotate a picture, turn text, turn a picture
scalebox+resizebox: scale, make bigger, resize, shrink a table
num: number with unit, large number with spaces
SI+qty: physical quantity with unit, number with unit, unit
unit+si: unit, metre per second
ang: angle in degrees
ce: chemical formula, chemistry, reaction
ket: quantum state
bra: bra vector, quantum
dv: derivative, differentiate, d by dx
pdv: partial derivative fraction
abs: absolute value, modulus
norm: norm
grad: gradient
curl: curl, rotation of a field
todo: reminder, note to myself
lipsum: filler text, dummy text
index: index entry
geometry: margins, page margins, paper size, page size, a4, margin width, set margins, wider text, landscape
fancyhdr: page header, header and footer, running head, head and foot, name on each page, header, footer
fancyhead: header of the page, text at the top of each page, top of the page
fancyfoot: footer of the page, text at the bottom of each page, bottom of the page
setspace: line spacing, double spacing
enumitem: list labels, list spacing, change bullet symbol, letters instead of numbers
booktabs: good table rules, nice tables, professional tables
hyperref: clickable links, links in the document, bookmarks
xcolor: colours, colors
graphicx: pictures, images
amsmath: mathematics, equations and matrices
amssymb: more symbols, mathematical symbols
amsthm: theorems and proofs
babel: language, german, french, other language, hyphenation of a language
inputenc+fontenc: umlauts, encoding
titlesec: change headings, look of headings, section style
lscape+pdflscape: landscape page, page on its side, turned page
sidewaystable: table on its side, rotated table
microtype: better spacing
setlength: change a length, set the indent, change spacing
hyphenation: divide words, where a word is divided
slides+beamer: presentation, slides, slide show, talk
article: homework, essay, short document
report: long document with chapters, thesis
book: book
letter: letter
exam: exam, test questions with points
frame: slide, new slide
pause: show one by one, reveal step by step
bussproofs+prooftree: proof tree, natural deduction, derivation tree
forest: tree, syntax tree
sideset: signs at the corners of a sum
prescript: index on the left, left subscript
overarc: arc over letters
mathring: ring above
xspace: space behind a command
columnbreak: next column, break the column
landscape: landscape page, turn the page
draftwatermark: watermark
lineno+linenumbers: line numbers
lettrine: big first letter, drop cap
`;

function read(said: string): Map<string, readonly string[]> {
  const found = new Map<string, readonly string[]>();
  for (const line of said.split('\n')) {
    const at = line.indexOf(': ');
    if (at < 0) continue;
    const phrases = line.slice(at + 2).split(', ');
    for (const name of line.slice(0, at).split('+'))
      found.set(name, [...(found.get(name) ?? []), ...phrases]);
  }
  return found;
}

const MEANINGS = read(SIGNS_SAID + SAID);

/** What a command, environment or package is asked for by, in everyday words; none when nothing is known. */
export const meaningsOf = (name: string): readonly string[] => MEANINGS.get(name) ?? [];

/** All names with such words. */
export const namesWithMeanings = (): readonly string[] => [...MEANINGS.keys()];
