import type { SourceName } from '../machine/entries';
import { sourceCommand as command } from '../machine/macroEntry';

/** Functions whose brackets grow: `\sin[2](x)`; without brackets they are what they were. */
const FUNCTIONS =
  'sin cos tan csc sec cot arcsin arccos arctan sinh cosh tanh coth exp log ln det Pr'.split(' ');
const functions = FUNCTIONS.map(
  (name) =>
    `\\let\\ph@${name}\\${name}\\DeclareDocumentCommand\\${name}{od()}{\\ph@function\\ph@${name}{#1}{#2}}`,
).join('');
const ALIASES =
  'asin:arcsin acos:arccos atan:arctan exponential:exp logarithm:log naturallogarithm:ln determinant:det Probability:Pr sine:sin cosine:cos tangent:tan quantity:qty absolutevalue:abs poissonbracket:pb commutator:comm anticommutator:acomm crossproduct:cross cp:cross dotproduct:vdot vp:cross gradient:grad divergence:div trace:tr Trace:Tr Residue:Res principalvalue:pv PrincipalValue:PV pderivative:pdv partialderivative:pdv functionalderivative:fdv fderivative:fdv vectorarrow:va vectorunit:vu innerproduct:ip outerproduct:dyad op:dyad matrixel:mel matrixelement:mel expectationvalue:expval ev:expval matrixquantity:mqty smallmatrixquantity:smqty identitymatrix:imat zeromatrix:zmat xmatrix:xmat paulimatrix:pmat diagonalmatrix:dmat antidiagonalmatrix:admat variation:var differential:dd evaluated:eval'.split(
    ' ',
  );
const aliases = ALIASES.map((pair) => {
  const [name, of] = pair.split(':');
  return `\\let\\${name}\\${of}`;
}).join('');

const WORDS =
  'if then else otherwise unless given using assume since let for all even odd integer and or as in where with'.split(
    ' ',
  );
const words = WORDS.map(
  (word) =>
    String.raw`\DeclareDocumentCommand\q${word}{s}{\IfBooleanTF{#1}{}{\quad}\mbox{${word}}\quad}`,
).join('');

/** physics manual, sections 2.1 to 2.7. */
export const PHYSICS_SOURCE =
  String.raw`
\def\ph@function#1#2#3{#1\IfNoValueTF{#2}{}{^{#2}}\IfNoValueTF{#3}{}{\mathopen{}\left(#3\right)\mathclose{}}}
\DeclareDocumentCommand\order{sm}{\mathcal{O}\IfBooleanTF{#1}{(#2)}{\mathopen{}\left(#2\right)}}
\DeclareDocumentCommand\dd{o g d()}{\IfNoValueTF{#2}{\IfNoValueTF{#3}{\mathrm d\IfNoValueTF{#1}{}{^{#1}}}{\mathinner{\mathrm d\IfNoValueTF{#1}{}{^{#1}}\mathopen{}\left(#3\right)}}}{\mathinner{\mathrm d\IfNoValueTF{#1}{}{^{#1}}#2}\IfNoValueTF{#3}{}{(#3)}}}
\DeclareDocumentCommand\var{o g d()}{\IfNoValueTF{#2}{\IfNoValueTF{#3}{\delta}{\mathinner{\delta\mathopen{}\left(#3\right)}}}{\mathinner{\delta#2}}}
\newcommand\flatfrac[2]{#1\!/#2}
\DeclareDocumentCommand\expval{s m g}{\IfNoValueTF{#3}{\left\langle#2\right\rangle}{\left\langle#3\middle|#2\middle|#3\right\rangle}}
\DeclareDocumentCommand\braket{s m g}{\IfBooleanTF{#1}{\langle#2|\IfNoValueTF{#3}{#2}{#3}\rangle}{\left\langle#2\middle|\IfNoValueTF{#3}{#2}{#3}\right\rangle}}\let\ip\braket
\DeclareDocumentCommand\ketbra{s m g}{\left|#2\right\rangle\!\left\langle\IfNoValueTF{#3}{#2}{#3}\right|}\let\dyad\ketbra
\DeclareDocumentCommand\vb{sm}{\IfBooleanTF{#1}{\boldsymbol{#2}}{\mathbf{#2}}}\let\vectorbold\vb
\DeclareDocumentCommand\va{sm}{\vec{\IfBooleanTF{#1}{\boldsymbol{#2}}{\mathbf{#2}}}}
\DeclareDocumentCommand\vu{sm}{\hat{\IfBooleanTF{#1}{\boldsymbol{#2}}{\mathbf{#2}}}}
\DeclareDocumentCommand\grad{g d() d[]}{\boldsymbol\nabla\IfNoValueTF{#1}{}{#1}\IfNoValueTF{#2}{}{\left(#2\right)}\IfNoValueTF{#3}{}{\left[#3\right]}}
\DeclareDocumentCommand\div{g d() d[]}{\boldsymbol\nabla\boldsymbol\cdot\IfNoValueTF{#1}{}{#1}\IfNoValueTF{#2}{}{\left(#2\right)}\IfNoValueTF{#3}{}{\left[#3\right]}}
\DeclareDocumentCommand\curl{g d() d[]}{\boldsymbol\nabla\boldsymbol\times\IfNoValueTF{#1}{}{#1}\IfNoValueTF{#2}{}{\left(#2\right)}\IfNoValueTF{#3}{}{\left[#3\right]}}
\DeclareDocumentCommand\laplacian{g d() d[]}{\nabla^2\IfNoValueTF{#1}{}{#1}\IfNoValueTF{#2}{}{\left(#2\right)}\IfNoValueTF{#3}{}{\left[#3\right]}}
\DeclareDocumentCommand\eval{s g d(| d[|}{\IfNoValueTF{#2}{\IfNoValueTF{#3}{\left[\IfNoValueTF{#4}{}{#4}\right|}{\left(#3\right|}}{\left.#2\vphantom{\int}\right|}}
\DeclareDocumentCommand\Re{g}{\operatorname{Re}\IfNoValueTF{#1}{}{\left\{#1\right\}}}\DeclareDocumentCommand\Im{g}{\operatorname{Im}\IfNoValueTF{#1}{}{\left\{#1\right\}}}
\DeclareDocumentCommand\qq{sm}{\IfBooleanTF{#1}{}{\quad}\mbox{#2}\quad}
\DeclareDocumentCommand\qc{s}{,\quad}\let\qcomma\qc\DeclareDocumentCommand\qcc{s}{\IfBooleanTF{#1}{}{\quad}\mbox{c.c.}\quad}
\def\ph@mat#1#2#3#4{\DeclareDocumentCommand#1{s g d() d[] d||}{\IfNoValueTF{##2}{\IfNoValueTF{##3}{\IfNoValueTF{##4}{\left|\begin{#2}##5\end{#2}\right|}{\left[\begin{#2}##4\end{#2}\right]}}{\IfBooleanTF{##1}{\left\lgroup\begin{#2}##3\end{#2}\right\rgroup}{\left(\begin{#2}##3\end{#2}\right)}}}{#3\begin{#2}##2\end{#2}#4}}}
\ph@mat\mqty{matrix}{}{}\ph@mat\smqty{smallmatrix}{}{}
\ph@mat\pmqty{matrix}{\left(}{\right)}\ph@mat\bmqty{matrix}{\left[}{\right]}\ph@mat\vmqty{matrix}{\left|}{\right|}\ph@mat\Pmqty{matrix}{\left\lgroup}{\right\rgroup}
\ph@mat\spmqty{smallmatrix}{\left(}{\right)}\ph@mat\sbmqty{smallmatrix}{\left[}{\right]}\ph@mat\svmqty{smallmatrix}{\left|}{\right|}\ph@mat\sPmqty{smallmatrix}{\left\lgroup}{\right\rgroup}
\let\mdet\vmqty\let\smdet\svmqty
` +
  functions +
  words +
  aliases;

const extra = (name: string, signature: string, description: string, example: string): SourceName =>
  command(name, signature, description, `$${example}$`);

export const physicsNames: readonly SourceName[] = [
  extra('order', 'sm', 'An order of magnitude.', 'f=\\order{x^2}'),
  extra('dd', 'o', 'A differential, upright; in brackets its power.', '\\int f\\dd[3]{x}'),
  extra('var', '', 'A variation.', '\\var{F}'),
  extra('flatfrac', 'mm', 'A fraction with a stroke.', '\\flatfrac{a}{b}'),
  extra('expval', 'sm', 'An expected value, in a state when one is given.', '\\expval{A}{\\psi}'),
  extra('braket', 'sm', 'A product of states.', '\\braket{a}{b}'),
  extra('ip', 'sm', 'A product of states.', '\\ip{a}{b}'),
  extra('ketbra', 'sm', 'An outer product.', '\\ketbra{a}{b}'),
  extra('dyad', 'sm', 'An outer product.', '\\dyad{a}{b}'),
  extra('vb', 'sm', 'A vector in bold; with a star italic.', '\\vb{a}'),
  extra('va', 'sm', 'A vector in bold with an arrow.', '\\va{a}'),
  extra('vu', 'sm', 'A unit vector.', '\\vu{a}'),
  extra('grad', '', 'A gradient.', '\\grad{f}'),
  extra('div', '', 'A divergence.', '\\div{f}'),
  extra('curl', '', 'A curl.', '\\curl{f}'),
  extra('laplacian', '', 'The Laplace operator.', '\\laplacian f'),
  extra('eval', 's', 'A value at a place.', '\\eval{x^2}_0^1'),
  extra('qq', 'sm', 'Words in a formula, with room beside them.', 'a\\qq{if}b'),
  extra('qc', '', 'A comma with room behind it.', 'a\\qc b'),
  extra('qcc', 's', 'The letters c.c. with room beside them.', 'a+\\qcc'),
  ...WORDS.map((word) =>
    extra(`q${word}`, 's', `The word “${word}” with room beside it.`, `a\\q${word} b`),
  ),
  ...(
    [
      ['mqty', 'A matrix; (…), […] and |…| give it brackets.'],
      ['pmqty', 'A matrix in round brackets.'],
      ['bmqty', 'A matrix in square brackets.'],
      ['vmqty', 'A determinant.'],
      ['mdet', 'A determinant.'],
      ['smqty', 'A small matrix.'],
      ['smdet', 'A small determinant.'],
    ] as const
  ).map(([name, what]) => extra(name, '', what, `\\${name}{a & b \\\\ c & d}`)),
];
