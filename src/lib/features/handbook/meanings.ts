/** Data table: what one would call a thing who does not know its name. */
export const FOR: Readonly<Record<string, string>> = Object.fromEntries(
  `sqrt:square root radical nth root|frac:fraction over divided quotient|dfrac:large fraction|tfrac:small fraction
binom:binomial coefficient choose k of n|sum:summation series add up|prod:product|int:integral area|lim:limit tends
textbf:bold strong letters|emph:emphasis italic stress|textit:italic slanted|texttt:typewriter code letters|underline:line under
itemize:bullet list points unnumbered|enumerate:numbered list ordered|description:list of terms|item:list entry point
align:several lines aligned equations derivation steps|equation:numbered displayed formula|gather:centred lines of formulas
multline:long formula over several lines|split:one number for several lines|cases:piecewise function brace either or
pmatrix:matrix round brackets parentheses|bmatrix:matrix square brackets|vmatrix:determinant bars|matrix:without brackets
array:columns augmented bar|tabular:table columns rows cells|table:floating table caption|hline:rule line across a table
toprule:top rule of a table|midrule:rule below the head of a table|multicolumn:cell over several columns span merge
figure:floating picture caption|includegraphics:picture image photo insert|caption:words below a picture title of a figure
label:name for references|ref:reference to a number|eqref:reference to an equation in brackets|cite:citation source literature
section:heading chapter title numbered|subsection:smaller heading|chapter:heading of a book|tableofcontents:list of contents
footnote:note at the foot of the page|newpage:page break new page|clearpage:page break floats|hspace:space across|vspace:space down
newcommand:define own command macro shortcut|newenvironment:define own environment|newtheorem:define theorem lemma kind
proof:proof with end mark|theorem:statement|qedhere:end mark of a proof in a formula|maketitle:print the title author date
title:name of the document|author:who wrote it|date:day|abstract:summary|centering:centre middle|center:centre middle
quote:quotation indented|verbatim:as typed code program|lstlisting:program code listing|left:growing bracket stretch
right:growing bracket stretch|overline:line over bar|hat:accent|vec:arrow over vector|dot:derivative by time|overbrace:brace over
underbrace:brace under|text:words in a formula|mathbb:blackboard letters real numbers naturals|mathcal:calligraphic letters
mathfrak:fraktur gothic letters|mathrm:upright letters|operatorname:own function name upright|pmod:modulo remainder|gcd:divisor
url:web address link|href:link that can be clicked|textcolor:colour of letters|color:colour|quad:wide space in a formula
linebreak:line break|noindent:no indent paragraph|today:date of the day|geometry:margins paper size|setspace:line spacing
fancyhdr:running heads page header footer|enumitem:lists labels spacing|booktabs:good table rules|hyperref:links bookmarks
amsmath:mathematics equations matrices|amssymb:symbols blackboard|amsthm:theorems proofs|graphicx:pictures images|xcolor:colours`
    .split(/[|\n]/)
    .map((entry) => [entry.slice(0, entry.indexOf(':')), entry.slice(entry.indexOf(':') + 1)]),
);
