/** What names are tried for commands that are called otherwise: by the word for the thing, or in another spelling. */
const MEANT_WORDS = `
vector vec, vect vec, arrow vec, integral int, integrate int, infinity infty, infin infty, inf infty,
alfa alpha, betha beta, gama gamma, delt delta, lamda lambda, lamba lambda, sigm sigma, teta theta,
tetha theta, fi phi, epsilom epsilon, omicron o, summation sum, product prod, multiply times, mult times,
divide div, plusminus pm, plusmn pm, minusplus mp, degree circ, degrees circ, root sqrt, squareroot sqrt,
cuberoot sqrt[3], fraction frac, fract frac, over frac, lessequal leq, lte leq, lessthan lt, greaterequal geq,
gte geq, greaterthan gt, notequal neq, noteq neq, notequals neq, approximately approx, aprox approx,
almostequal approx, equivalent equiv, congruent cong, implied implies, implication implies, imply implies,
therfore therefore, forevery forall, forany forall, thereexists exists, exist exists, element in, elementof in,
isin in, notelement notin, union cup, intersection cap, intersect cap, subsetequal subseteq, emptyset emptyset,
empty emptyset, nullset emptyset, reals mathbb{R}, integers mathbb{Z}, rationals mathbb{Q}, naturals mathbb{N},
complex mathbb{C}, real mathbb{R}, arcsine arcsin, arccosine arccos, sine sin, cosine cos, tangent tan,
logarithm log, exponential exp, limit lim, minimum min, maximum max, determinant det, transpose top,
gradient nabla, del nabla, derivative partial, part partial, dotproduct cdot, crossproduct times, dot cdot,
perpendicular perp, paralell parallel, angel angle, tridot ldots, dotdotdot ldots, elipsis ldots, ellipsis ldots,
goes to, tends to, arrowright rightarrow, righarrow rightarrow, rightarow rightarrow, leftarow leftarrow,
conjugate overline, mean bar, norm lVert, absolute lvert, floor lfloor, ceiling lceil, bold textbf, italic textit,
italics textit, underlined underline, newline newline, linebreak linebreak, pagebreak pagebreak, title title,
bullet bullet, point item, chapter chapter, footer footnote, image includegraphics, picture includegraphics,
includegraphic includegraphics, includeimage includegraphics, contents tableofcontents, toc tableofcontents,
quote enquote, subsubsubsection paragraph, subsubsubsubsection subparagraph, heading section, subheading subsection, bibliograpy bibliography, referance ref, refer ref
`;

/** Each name tried, and what stands for it: a command without its backslash, with an argument where it needs one. */
export const MEANT_COMMANDS: ReadonlyMap<string, string> = new Map(
  MEANT_WORDS.split(',').flatMap((pair) => {
    const [tried = '', meant = ''] = pair.trim().split(/\s+/);
    return tried === '' || tried === meant ? [] : [[tried, meant]];
  }),
);
