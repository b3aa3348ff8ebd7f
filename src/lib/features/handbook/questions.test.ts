import { describe, expect, it } from 'vitest';
import { vocabulary } from '@odd-compass/engine';
import { namesWithMeanings } from '$lib/domain/meanings';
import { findEntries } from './entries';

const WORDS = vocabulary();

/** What students ask, and the entries of which one must stand first. */
const QUESTIONS = String.raw`
margins | geometry
how to change the margins | geometry
page margins | geometry
font size | large Large fontsize
bigger letters | large Large
make text smaller | small
bold | textbf
bold text | textbf
how do I make something bold | textbf
italic | emph textit
italics | emph textit
underlined | underline
strike through words | sout
cross out words | sout
typewriter font | texttt
small caps | textsc
coloured text | textcolor
text in colour | textcolor
red text | textcolor
colored background | colorbox
highlight | hl emph
bullets | itemize
bullet points | itemize
bullet list | itemize
unnumbered list | itemize
numbered list | enumerate
ordered list | enumerate
list with letters | enumerate
number the parts | enumerate
list spacing | setlist enumitem
definition list | description
line break | \ newline linebreak
new line | \ newline
page break | newpage clearpage pagebreak
new page | newpage
start a new page | newpage
new paragraph | par
no indent | noindent
do not indent | noindent
space between paragraphs | parskip
line spacing | linespread setspace setstretch onehalfspacing doublespacing
double spacing | doublespacing setspace
horizontal space | hspace
vertical space | vspace
extra space between lines | vspace
blank space | vspace
push to the right | hfill
right aligned | flushright
align text right | flushright
left aligned | flushleft raggedright
center | centering center
centre text | center
centered | center centering
two columns | multicols twocolumn minipage
side by side | minipage
side by side figures | subfigure
equals with a sign above | stackrel overset
sign above the equals | stackrel overset
something above a symbol | overset
text under a symbol | underset
arrow with text above | xrightarrow
blackboard bold | mathbb
integers | mathbb
real numbers | mathbb
natural numbers | mathbb
set of integers | mathbb
double struck letters | mathbb
calligraphic letters | mathcal
curly letters | mathcal mathscr
script letters | mathscr
fraktur | mathfrak
gothic | mathfrak
upright d | mathrm
bold vector | mathbf boldsymbol bm
bold greek | boldsymbol bm
accents | ' ^ "
umlaut | "
acute accent | '
dots | dots ldots cdots
three dots | dots ldots
ellipsis | dots ldots
vertical dots | vdots
diagonal dots | ddots
less than or equal | le leq
less or equal | le leq
at most | le leq
smaller or equal | le leq
greater than or equal | ge geq
at least | ge geq
not equal | ne neq
unequal | ne neq
approximately equal | approx
approximately | approx
about equal | approx
goes to | to rightarrow
tends to | to rightarrow
converges to | to rightarrow
right arrow | to rightarrow
arrow | to rightarrow
maps to | mapsto
implies | implies Rightarrow
if and only if | iff Leftrightarrow
equivalent | iff Leftrightarrow
for all | forall
for every | forall
there exists | exists
does not exist | nexists
element of | in
belongs to | in
not an element of | notin
subset | subset subseteq
subset or equal | subseteq
union | cup
intersection | cap
set difference | setminus
empty set | emptyset varnothing
infinity | infty
plus or minus | pm
plus minus | pm
times | times
multiply | times cdot
cross product | times
dot product | cdot
divided by | div
fraction | frac
fractions | frac
over | frac
large fraction | dfrac
slanted fraction | sfrac nicefrac
continued fraction | cfrac
square root | sqrt
cube root | sqrt
nth root | sqrt
sum | sum
summation | sum
product | prod
integral | int
double integral | iint
closed integral | oint
partial derivative | partial
gradient | nabla
limit | lim
supremum | sup
binomial | binom
n choose k | binom
modulo | bmod pmod equiv
congruent modulo | equiv
isomorphic | cong
proportional | propto
similar | sim
perpendicular | perp
parallel | parallel
angle | angle
degree sign | degree
absolute value | lvert vert abs
norm | norm lVert Vert
floor | lfloor
round down | lfloor
ceiling | lceil
inner product | langle
such that | mid
divides | mid
does not divide | nmid
composition | circ
direct sum | oplus
tensor product | otimes
therefore | therefore
because | because
end of proof | square blacksquare qed
tick | checkmark
complex conjugate | overline bar
line over letters | overline
bar over a letter | bar
hat | hat
hat over a letter | hat
tilde over a letter | tilde
vector | vec
arrow over a letter | vec
vector arrow | vec
dot above | dot
two dots above | ddot
brace over | overbrace
brace under terms | underbrace
cancel terms | cancel
cross out a term | cancel
box around the answer | boxed
box around a formula | boxed
piecewise function | cases
function defined by cases | cases
case distinction | cases
matrix | matrix pmatrix
matrix with round brackets | pmatrix
matrix with square brackets | bmatrix
column vector | pmatrix
determinant | det vmatrix
augmented matrix | array
align equations | align
line up equals signs | align
several equations | align gather
system of equations | align
equation without number | nonumber notag
numbered equation | equation
long equation over several lines | multline
break a long equation | multline
words in a formula | text
text in math | text
words between lines of align | intertext
big brackets | left bigl
brackets that fit | left
large parentheses | left
space in a formula | quad
small space in a formula | ,
limits above and below | limits
two lines under a sum | substack
own function name | operatorname DeclareMathOperator
define an operator | DeclareMathOperator
table | tabular table
make a table | tabular
line in a table | hline midrule
horizontal line in a table | hline
merge cells | multicolumn
merge rows | multirow
nice tables | booktabs
table over several pages | longtable
picture | includegraphics
insert an image | includegraphics
photo | includegraphics
insert picture | includegraphics
text around a picture | wrapfigure
figure caption | caption
caption | caption
draw a picture | tikzpicture
commutative diagram | tikzcd CD
plot a function | axis
graph of a function | axis
cross reference | ref
refer to an equation | eqref
reference to a figure | ref
refer to a page | pageref
citation | cite
bibliography | bibliography thebibliography printbibliography
references | thebibliography bibliography ref
heading | section
section title | section
subheading | subsection
table of contents | tableofcontents
footnote | footnote
margin note | marginpar marginnote
horizontal line | hrule rule hrulefill
theorem | newtheorem
lemma | newtheorem
define a theorem | newtheorem
proof | proof
definition | newtheorem
own command | newcommand
define a shortcut | newcommand
macro | newcommand
title | title
title page | titlepage
name of the author | author
date of today | today
remove the date | date
print the title | maketitle
summary | abstract
page numbers | pagenumbering
no page number | thispagestyle pagestyle
turn off page numbers | pagestyle
header and footer | fancyhdr
page header | fancyhdr
footer | fancyhdr fancyfoot
quotation marks | enquote
quote | quote
program code | lstlisting
code | texttt verbatim lstlisting verb
pseudocode | algorithm algorithmic
comment out | comment
percent sign | %
dollar sign | $
underscore | _
curly braces | { } Bmatrix
backslash | textbackslash setminus
euro sign | euro
long dash | textemdash textendash
hyperlink | href
link | url href
web address | url
include another file | input
load a package | usepackage
paper size | geometry
landscape | landscape lscape pdflscape
rotate | rotatebox
german | babel
superscript in text | textsuperscript
unit | unit si
slides | slides beamer
presentation | beamer slides
homework | article
watermark | draftwatermark
`
  .trim()
  .split('\n')
  .map((line) => line.split(' | ') as [string, string]);

describe('the handbook answers everyday questions', () => {
  it('two hundred and more of them', () => expect(QUESTIONS.length).toBeGreaterThan(200));
  it.each(QUESTIONS)('%s', (question, wanted) => {
    const answers = findEntries(WORDS, question, null).map(({ name }) => name);
    expect(wanted.split(' '), `${answers.slice(0, 5).join(' ')}`).toContain(answers[0]);
  });
  it('in whatever letters, and with the words of a sentence around them', () => {
    const first = (question: string) => findEntries(WORDS, question, null)[0]?.name;
    for (const [question] of QUESTIONS.filter((_one, i) => i % 5 === 0)) {
      expect(first(question.toUpperCase()), question).toBe(first(question));
      expect(first(`  how do I write the ${question}?`) !== undefined, question).toBe(true);
    }
  });
  it('by words for names that there are', () => {
    const known = new Set(WORDS.map(({ name }) => name));
    expect(namesWithMeanings().filter((name) => !known.has(name))).toEqual([]);
  });
});
