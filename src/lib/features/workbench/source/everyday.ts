/** Commands that nearly every set needs: among names that begin alike they are offered first. */
export const EVERYDAY: ReadonlySet<string> = new Set(
  [
    'alpha beta gamma delta epsilon varepsilon zeta eta theta kappa lambda mu nu xi pi rho sigma',
    'tau phi varphi chi psi omega Gamma Delta Theta Lambda Sigma Phi Psi Omega',
    'frac dfrac sqrt sum prod int lim sup inf max min sin cos tan exp log ln det dim ker gcd',
    'infty partial nabla cdot times div pm le leq ge geq ne neq equiv approx sim in notin subset',
    'subseteq cup cap setminus emptyset forall exists neg land lor to mapsto implies iff Rightarrow',
    'mathbb mathcal mathrm mathbf text left right bigl bigr dots ldots cdots quad qquad hat bar vec',
    'tilde overline underline binom operatorname label tag',
    'section subsection subsubsection textbf textit texttt emph item ref eqref cite footnote caption',
    'includegraphics centering title author date maketitle usepackage documentclass newcommand',
    'newtheorem noindent vspace hspace newpage',
  ].flatMap((line) => line.split(' ')),
);

/** Environments that nearly every set needs. */
export const EVERYDAY_ENVIRONMENTS: ReadonlySet<string> = new Set(
  'align align* equation equation* enumerate itemize gather gather* cases pmatrix bmatrix matrix vmatrix array aligned proof theorem lemma corollary definition figure table tabular center document'.split(
    ' ',
  ),
);

/** Packages and kinds that mathematics students load. */
export const EVERYDAY_PACKAGES: ReadonlySet<string> = new Set(
  'amsmath amssymb amsthm mathtools geometry graphicx hyperref enumitem xcolor babel booktabs cleveref fancyhdr article report beamer'.split(
    ' ',
  ),
);
