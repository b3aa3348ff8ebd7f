import { CELLS } from '../machine/cells';
import type { EnvironmentEntry, PackageEntry } from '../machine/entries';
import { describedPackage, macroEntry } from '../machine/macroEntry';

/** Signs as characters, with their class: name, class and character in turn. */
const signs = (
  name: string,
  description: string,
  table: string,
  requires: readonly string[],
): PackageEntry => {
  const words = table.trim().split(/\s+/);
  return {
    name,
    description,
    options: null,
    requires,
    commands: words.flatMap((word, i) =>
      i % 3 === 0
        ? [
            macroEntry(
              word,
              '',
              'A sign.',
              `$a\\${word} b$`,
              `\\math${words[i + 1]}{${words[i + 2]}}`,
            ),
          ]
        : [],
    ),
  };
};

const MATHABX = `Asterisk bin ✱ asterisk bin ∗ convolution bin ∗ divideontimes bin ⋇ dotdiv bin ∸ bigplus op + corresponds rel ≙ notequiv rel ≢ napprox rel ≉ nequiv rel ≢ nsim rel ≁ notsign ord ¬ varnothing ord ∅ Leftarrow rel ⇐ leftrightharpoons rel ⇋ updownharpoons rel ⥮ upuparrows rel ⇈ curvearrowleft rel ↶ sqsubset rel ⊏ sqsupset rel ⊐ coloneq rel ≔ eqcolon rel ≕ second ord ″ third ord ‴ Moon ord ☾ Sun ord ☉ Earth ord ♁ Mars ord ♂ Venus ord ♀ bigstar bin ★ diameter ord ⌀ widetriangle ord △`;
const MNSYMBOL = `medbullet bin • smallcircle bin ∘ medcircle bin ○ filledstar bin ★ smallstar bin ⋆ medstar bin ☆ filledmedsquare bin ■ medsquare bin □ filledsquare bin ■ lsem open ⟦ rsem close ⟧ llangle open ⟪ rrangle close ⟫ rightmapsto rel ↦ leftmapsto rel ↤ upmodels rel ⫫ downmodels rel ⫪ rightmodels rel ⊨ nrightarrow rel ↛ nleftarrow rel ↚ hateq rel ≙ diamonddiamond rel ◇ landdownint op ∫ tbigtimes op ⨉ neswline rel ╱ nwseline rel ╲ sqbullet bin ▪ medtriangleup bin △ aleph ord ℵ`;

/** Displays within stand at the left, or in the middle. */
const placed = (name: string, where: string, atLeft: boolean): EnvironmentEntry => ({
  name,
  signature: 'o',
  description: `Displays ${where}.`,
  example: `\\begin{${name}}\\begin{equation*}a=b\\end{equation*}\\end{${name}}`,
  begin: (it) => it.write(CELLS.fleqn, atLeft),
});

/** A described package with environments that are more than macros. */
const withEnvironments = (
  environments: readonly EnvironmentEntry[],
  ...described: Parameters<typeof describedPackage>
): PackageEntry => ({ ...describedPackage(...described), environments });

/** Packages for formulas that are small enough to stand together. */
export const formulaPackages: readonly PackageEntry[] = [
  withEnvironments(
    [placed('fleqn', 'at the left', true), placed('ceqn', 'in the middle', false)],
    'nccmath',
    'Formulas of a size between display and line, and displays at the left.',
    String.raw`
    medmath m | A formula of medium size. | $\medmath{\frac12}$
    mfrac mm | A fraction of medium size. | $\mfrac12$
    mbinom mm | A binomial of medium size. | $\mbinom n2$
    medop m | An operator of medium size. | $\medop\sum x$
    medint m | An integral of medium size. | $\medint\int x$`,
    String.raw`\newcommand\medmath[1]{\vcenter{\hbox{\scalebox{.8}{$\displaystyle#1$}}}}\newcommand\mfrac[2]{\medmath{\frac{#1}{#2}}}\newcommand\mbinom[2]{\medmath{\binom{#1}{#2}}}\newcommand\medop[1]{\mathop{\medmath{#1}}}\newcommand\medint[1]{\mathop{\medmath{#1}}\nolimits}\newcommand\medintcorr{}\newcommand\useshortskip{}\newcommand\nr{\\}\newcommand\eqs{\qquad}\newcommand\dmulticolumn{\multicolumn}`,
    ['amsmath', 'graphicx'],
  ),
  describedPackage(
    'bigints',
    'Larger integrals.',
    ['bigint', 'bigints', 'bigintss', 'bigintsss', 'bigintssss', 'bigoint', 'bigoints']
      .map((name) => `${name} | A larger integral. | $\\displaystyle\\${name} x$`)
      .join('\n'),
    String.raw`\newcommand\bgi@at[2]{\mathop{\vcenter{\hbox{\scalebox{#1}{$\displaystyle#2$}}}}\nolimits}\newcommand\bigint{\bgi@at{3.4}{\int}}\newcommand\bigints{\bgi@at{2.6}{\int}}\newcommand\bigintss{\bgi@at{2.1}{\int}}\newcommand\bigintsss{\bgi@at{1.7}{\int}}\newcommand\bigintssss{\bgi@at{1.3}{\int}}\newcommand\bigoint{\bgi@at{3.4}{\oint}}\newcommand\bigoints{\bgi@at{2.6}{\oint}}\newcommand\bigointss{\bgi@at{2.1}{\oint}}\newcommand\bigointsss{\bgi@at{1.7}{\oint}}\newcommand\bigointssss{\bgi@at{1.3}{\oint}}`,
    ['amsmath', 'graphicx'],
  ),
  describedPackage(
    'calrsfs',
    'Round-hand capitals as the calligraphic ones.',
    '',
    String.raw`\let\mathcal\mathscr`,
    ['mathrsfs'],
  ),
  ...['mathalfa', 'mathalpha'].map((name): PackageEntry => ({
    ...describedPackage(
      name,
      'Alphabets of formulas chosen by name.',
      '',
      String.raw`\providecommand\mathbcal[1]{\boldsymbol{\mathcal{#1}}}\providecommand\mathbscr[1]{\boldsymbol{\mathscr{#1}}}\providecommand\mathbfrak[1]{\boldsymbol{\mathfrak{#1}}}\providecommand\mathbbb[1]{\boldsymbol{\mathbb{#1}}}`,
      ['amssymb', 'mathrsfs', 'amsmath'],
    ),
  })),
  ...['dutchcal', 'urwchancal', 'boondox-cal', 'boondox-calo'].map((name) =>
    describedPackage(name, 'Calligraphic letters of another hand; those at hand are set.', '', ''),
  ),
  describedPackage(
    'ushort',
    'Short lines below letters.',
    String.raw`
    ushort m | A short line below a letter. | $\ushort x$
    ushortw m | A line below letters. | $\ushortw{xy}$`,
    String.raw`\newcommand\ushort[1]{\mkern1mu\underline{\mkern-1mu#1\mkern-1mu}\mkern1mu}\newcommand\ushortw[1]{\underline{#1}}\newcommand\ushortdw[1]{\underline{\underline{#1}}}\newcommand\ushortd[1]{\ushort{\ushort{#1}}}`,
  ),
  describedPackage(
    'isotope',
    'Isotopes, with their numbers before their sign.',
    String.raw`isotope oom | An isotope: its nucleons, its protons, its sign. | \isotope[14][6]{C}`,
    String.raw`\newcommand\isotopestyle{\mathrm}\newcommand\isotope{\@ifnextchar[{\iso@a}{\iso@a[]}}\def\iso@a[#1]{\@ifnextchar[{\iso@b{#1}}{\iso@b{#1}[]}}\def\iso@b#1[#2]#3{\ensuremath{{}^{#1}_{#2}\isotopestyle{#3}}}`,
  ),
  describedPackage(
    'semantic',
    'Rules of inference, and reserved words.',
    String.raw`
    inference omm | A rule: what it is called, what it takes, what follows. | \inference[App]{a & b}{c}
    predicate m | A statement in a rule. | $\predicate{a}$
    reservestyle mm | A style for reserved words. | \reservestyle{\command}{\textbf}\command{let}
    mathlig mm | Signs typed together that stand for one. | \mathlig{->}{\rightarrow}`,
    String.raw`\newcommand\inference{\@ifstar\sem@inf\sem@inf}\newcommand\sem@inf[3][]{\@ifnextchar[{\sem@right{#1}{#2}{#3}}{\sem@right{#1}{#2}{#3}[]}}\def\sem@right#1#2#3[#4]{\ensuremath{\sem@name{#1}\frac{\begin{array}[b]{@{}c*{6}{@{\quad}c}@{}}#2\end{array}}{\displaystyle #3}\,\sem@name{#4}}}
\newcommand\sem@name[1]{\def\sem@n{#1}\ifx\sem@n\@empty\else\textnormal{\footnotesize\scshape(#1)}\ \fi}\newcommand\predicate[1]{#1}\newcommand\predicatebegin{}\newcommand\predicateend{}\newcommand\inferrule@{}
\newcommand\reservestyle[2]{\newcommand#1[1]{#2{##1}}}\newcommand\mathlig[2]{}\newcommand\mathlig@off{}\newcommand\mathligson{}\newcommand\mathligsoff{}\newcommand\comp[2]{[\![#1]\!]#2}\newcommand\eval[2]{[\![#1]\!]#2}`,
    ['amsmath'],
  ),
  describedPackage(
    'syllogism',
    'Conclusions below what they follow from.',
    String.raw`syllog ommm | Two premises and what follows. | \syllog{All ebbs flow}{This is an ebb}{It flows}`,
    String.raw`\newcommand\syllog[4][]{\begin{tabular}{@{}l@{}}#2\\#3\\\hline\ensuremath{\therefore}\ #4\end{tabular}}`,
    ['amssymb'],
  ),
  describedPackage(
    'subeqnarray',
    'Rows of one equation with letters behind its number.',
    String.raw`{subeqnarray} | Rows with letters behind one number. | \begin{subeqnarray}a&=&b\\c&=&d\end{subeqnarray}`,
    String.raw`\newenvironment{subeqnarray}{\subequations\eqnarray}{\endeqnarray\endsubequations}\newcommand\slabel[1]{\label{#1}}`,
    ['amsmath'],
  ),
  {
    ...signs('mathabx', 'More signs of mathematics.', MATHABX, ['amssymb', 'amsmath']),
    source: String.raw`\providecommand\widebar[1]{\overline{#1}}\providecommand\bigtimes{\mathop{⨉}}\providecommand\ltimesblack{\ltimes}`,
  },
  signs('MnSymbol', 'More signs of mathematics.', MNSYMBOL, ['amsmath', 'amssymb']),
  signs(
    'fdsymbol',
    'More signs of mathematics.',
    'medbullet bin • smallcircle bin ∘ medcircle bin ○ coloneq rel ≔ eqcolon rel ≕',
    ['amsmath', 'amssymb'],
  ),
];
