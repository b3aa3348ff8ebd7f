/** Data table: what the signs of formulas are asked for by, in the form of `meanings.ts`. */
export const SIGNS_SAID = String.raw`
in: element of, member of, belongs to, in a set
notin: not an element of, not a member, does not belong to
ni: contains as member, contains the element
subset: subset, contained in, strict subset, inside
subseteq: subset or equal, contained in or equal
supset: superset, contains
supseteq: superset or equal
subsetneq: proper subset, strict subset not equal
nsubseteq: not a subset
cup: union, set union
cap: intersection, set intersection
setminus: set difference, set minus, without, complement of a set, backslash of sets
complement: complement
emptyset+varnothing: empty set, null set, nothing in it
forall: for all, for every, for each, universal quantifier, upside down A
exists: there is, there exists, existential quantifier, backwards E
nexists: there is no, does not exist, there is none
neg+lnot: not, logical not, negation
land: and, logical and, conjunction
lor: or, logical or, disjunction, inclusive or
wedge: wedge, exterior product, hat shaped and
vee: vee, or
veebar: exclusive or, xor
implies: implies, therefore follows, so, double arrow right long
impliedby: is implied by, follows from
iff: if and only if, equivalence, equivalent, exactly when
Rightarrow: implies, double arrow, double right arrow
Leftarrow: double left arrow
Leftrightarrow: equivalent, double arrow both ways, if and only if
to+rightarrow: goes to, tends to, approaches, converges to, right arrow, arrow, arrow to the right, function arrow
leftarrow+gets: left arrow, arrow to the left, assigned from
leftrightarrow: arrow both ways, left right arrow, two sided arrow
mapsto: maps to, is sent to, is mapped to
uparrow: up arrow, arrow up
downarrow: down arrow, arrow down
hookrightarrow: injection, injective map, inclusion map, embedding, one to one
twoheadrightarrow: surjection, surjective map, onto
longrightarrow: long arrow, long right arrow
longmapsto: long maps to
rightleftharpoons: equilibrium, reversible reaction
rightharpoonup: weak convergence, harpoon
xrightarrow: arrow with text above, arrow with something over it, labelled arrow, arrow with words
xleftarrow: left arrow with text above
nearrow: diagonal arrow, arrow to the upper right
rightsquigarrow+leadsto: squiggly arrow, wavy arrow
circlearrowright: circular arrow, clockwise
le+leq: less than or equal, less or equal, smaller or equal, at most, no more than
ge+geq: greater than or equal, greater or equal, larger or equal, at least, no less than, bigger or equal
leqslant: less or equal slanted
geqslant: greater or equal slanted
ne+neq: not equal, unequal, different from, does not equal, equals crossed out
approx: approximately equal, about equal, approximately, roughly, almost equal, wavy equals
equiv: identical, congruent, congruent modulo, equivalent to, three lines equals, triple bar, always equal, congruence
sim: similar to, distributed as, asymptotic to, tilde between, equivalence relation
simeq: homotopic, similar or equal, asymptotically equal
cong: isomorphic, congruent triangles, isomorphism
propto: proportional to, varies as
ll: much less than, far smaller
gg: much greater than, far larger
prec: precedes
succ: succeeds
asymp: asymptotic
doteq: equals with a dot above, approaches the limit
triangleq: equals with a triangle above, defined as, equal by definition, delta equals
coloneqq: defined as, defined to be, colon equals, equal by definition, assignment
eqqcolon: equals colon
stackrel: equals with a sign above, sign above a relation, something over equals, text over equals
overset: equals with a sign above, something above a sign, put over, letter above, question mark over equals
underset: something below a sign, put under, text under a symbol
pm: plus or minus, plus minus
mp: minus or plus, minus plus
times: times, multiplication, multiply, cross product, cartesian product, product of sets
div: divided by, division sign, obelus
cdot: dot product, times dot, multiplication dot, centred dot, multiply dot
circ: composition, compose functions, composed with, small circle, ring operator
degree: degrees, degree sign, angle degrees
oplus: direct sum, circled plus, plus in a circle, xor
otimes: tensor product, circled times, times in a circle
ast: star operator, convolution, asterisk
star: star
bullet: filled dot, big dot
sum: sum, summation, sigma notation, series, add up
prod: product, product notation, capital pi product
coprod: coproduct, disjoint union
int: integral, integrate, antiderivative, area under a curve
oint: contour integral, closed integral, line integral around a loop
iint: double integral, surface integral
iiint: triple integral, volume integral
bigcup: union of many, big union, union over an index
bigcap: intersection of many, big intersection
bigoplus: direct sum of many
bigotimes: tensor product of many
sqcup+bigsqcup: disjoint union
partial: partial derivative, curly d, boundary, del
nabla: gradient, nabla, del, divergence, upside down triangle
infty: infinity, infinite, goes on for ever
aleph: aleph, cardinality, infinite cardinal
ell: script l, curly l, length
hbar: reduced planck constant, h bar
Re: real part
Im: imaginary part
wp: weierstrass
perp: perpendicular, orthogonal, at right angles, upside down T
parallel: parallel, two vertical bars
angle: angle
measuredangle: measured angle
triangle: triangle
mid: divides, such that, given, conditional bar, vertical bar in a set, set builder bar
nmid: does not divide
vert: absolute value bar, vertical bar
Vert: norm bar, double vertical bar
lvert+rvert: absolute value, modulus, vertical bars
lVert+rVert: norm, double bars
langle: inner product, angle bracket, pointed bracket left, left angle bracket
rangle: angle bracket right, inner product, pointed bracket right
lfloor: floor, round down, floor function, greatest integer
rfloor: floor right
lceil: ceiling, round up, ceiling function
rceil: ceiling right
dots: dots, three dots, ellipsis, and so on, dot dot dot
ldots: dots low, three dots, ellipsis, dots on the line, list dots
cdots: dots in the middle, centred dots, horizontal dots, three dots between plus signs
vdots: vertical dots, dots down
ddots: diagonal dots, dots in a matrix
therefore: therefore, hence, dots that mean therefore
because: because, since
square+blacksquare: end of proof, box, tombstone
checkmark: tick, check mark, done
vdash: proves, turnstile, provable
models+vDash: models, satisfies, entails
top: true, tautology
bot: false, contradiction, bottom
bowtie: natural join
lightning: contradiction
prime: prime, derivative stroke
dagger: dagger, adjoint, hermitian conjugate
alpha+beta+gamma+delta+epsilon+zeta+eta+theta+iota+kappa+lambda+mu+nu+xi+pi+rho+sigma+tau+upsilon+phi+chi+psi+omega: greek letter, greek
Gamma+Delta+Theta+Lambda+Xi+Pi+Sigma+Phi+Psi+Omega: greek capital, capital greek letter
varepsilon: curly epsilon, small number epsilon, greek letter
varphi: curly phi, greek letter
vartheta: curly theta, greek letter
lambda: eigenvalue, greek letter, wavelength
mu: mean, micro, measure, greek letter
pi: circle number, greek letter
sigma: standard deviation, greek letter
omega: frequency, greek letter
Delta: difference, change in, laplacian, capital greek letter
Omega: sample space, ohm, capital greek letter
`;
