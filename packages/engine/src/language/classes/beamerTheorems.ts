import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { THEOREM_STYLE } from '../constructs/theorems';
import { type Args, type CommandEntry, isStarred, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { OVERLAY_COUNTERS } from './beamerFrames';

/**
 * What is stated stands in a block: its title is the name, the number where the template says so, and what
 * stands in brackets (beamer user guide, section 12.4). The counter is stepped in any case, for references.
 */
const STATEMENTS = String.raw`
\def\bmr@statement#1#2#3#4#5{\newenvironment{#1}{\bmr@begin{#2}{#3}{#4}{#5}}{\end{#3}}}
\NewDocumentCommand\bmr@begin{m m m m d<> o d<>}{\ifx\\#4\\\else\refstepcounter{#4}\fi\IfNoValueTF{#5}{\IfNoValueTF{#7}{\begin{#2}}{\begin{#2}<#7>}}{\begin{#2}<#5>}{#1\bmr@statednumber{#4}\IfNoValueTF{#6}{}{\ (#6)}}#3}
\def\bmr@statednumber#1{}\def\bmr@numbered#1{\ifx\\#1\\\else\ \csname the#1\endcsname\fi}
\def\bmr@word#1{\ifcsname bmr@\languagename @#1\endcsname\csname bmr@\languagename @#1\endcsname\else#1\fi}
\renewenvironment{proof}{\bmr@markproof\bmr@proof}{\bmr@qed\end{block}}\NewDocumentCommand\bmr@proof{d<> O{\proofname} d<>}{\IfNoValueTF{#1}{\IfNoValueTF{#3}{\begin{block}}{\begin{block}<#3>}}{\begin{block}<#1>}{#2.}}
`;

/** Name, title, block and type of the statements that the class brings. */
const STANDARD: readonly (readonly [string, string, 'block' | 'exampleblock', string])[] = [
  ['theorem', 'Theorem', 'block', '\\itshape'],
  ['corollary', 'Corollary', 'block', '\\itshape'],
  ['lemma', 'Lemma', 'block', '\\itshape'],
  ['fact', 'Fact', 'block', '\\itshape'],
  ['problem', 'Problem', 'block', ''],
  ['solution', 'Solution', 'block', ''],
  ['definition', 'Definition', 'block', ''],
  ['definitions', 'Definitions', 'block', ''],
  ['example', 'Example', 'exampleblock', ''],
  ['examples', 'Examples', 'exampleblock', ''],
];

/** Their titles in other languages. */
const TITLES: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  german: {
    Corollary: 'Korollar',
    Definitions: 'Definitionen',
    Example: 'Beispiel',
    Examples: 'Beispiele',
    Fact: 'Fakt',
    Solution: 'Lösung',
  },
  french: {
    Theorem: 'Théorème',
    Corollary: 'Corollaire',
    Lemma: 'Lemme',
    Fact: 'Fait',
    Problem: 'Problème',
    Definition: 'Définition',
    Definitions: 'Définitions',
    Example: 'Exemple',
    Examples: 'Exemples',
  },
  spanish: {
    Theorem: 'Teorema',
    Corollary: 'Corolario',
    Lemma: 'Lema',
    Fact: 'Hecho',
    Problem: 'Problema',
    Solution: 'Solución',
    Definition: 'Definición',
    Definitions: 'Definiciones',
    Example: 'Ejemplo',
    Examples: 'Ejemplos',
  },
};
const ALSO: Readonly<Record<string, string>> = { ngerman: 'german', frenchb: 'french' };

/** The statements that talks have without defining them; `envcountsect` counts them by sections. */
export function setUpTheorems(it: Interpreter, options: readonly string[]): void {
  const words = [
    ...Object.entries(TITLES),
    ...Object.entries(ALSO).map(([as, of]) => [as, TITLES[of] ?? {}] as const),
  ];
  const titles = words.flatMap(([language, of]) =>
    Object.entries(of).map(
      ([title, word]) => `\\expandafter\\def\\csname bmr@${language}@${title}\\endcsname{${word}}`,
    ),
  );
  it.execute(it.source(STATEMENTS + titles.join('')));
  if (options.includes('notheorems')) return;
  const within = options.includes('envcountsect') ? '[section]' : '';
  const numbers = within ? '\\def\\thetheorem{\\thesection.\\arabic{theorem}}' : '';
  const statements = STANDARD.map(
    ([name, title, block, type]) =>
      `\\bmr@statement{${name}}{\\bmr@word{${title}}}{${block}}{${type}}{theorem}`,
  );
  it.execute(it.source(`\\newcounter{theorem}${within}${numbers}${statements.join('')}`));
}

/** `\newtheorem` in a talk: an environment that is a block, of examples where its style is that. */
function newTheorem(it: Interpreter, args: Args): void {
  const [name, shared, within] = [1, 2, 4].map((i) => textOf(it.p, tokensOf(args, i)).trim());
  if (!name) return;
  const style = it.read(THEOREM_STYLE);
  const counter = isStarred(args) ? '' : shared || name;
  if (counter === name) {
    it.execute(it.source(`\\newcounter{${name}}${within ? `[${within}]` : ''}`));
    if (within)
      it.execute(
        it.source(`\\def\\the${name}{\\csname the${within}\\endcsname.\\arabic{${name}}}`),
      );
  }
  if (counter !== '' && !it.read(OVERLAY_COUNTERS).includes(counter))
    it.write(OVERLAY_COUNTERS, [...it.read(OVERLAY_COUNTERS), counter], true);
  const block = style === 'example' ? 'exampleblock' : 'block';
  it.execute([
    ...it.source(`\\bmr@statement{${name}}`),
    it.p.make(Cat.Begin, '{'),
    ...tokensOf(args, 3),
    it.p.make(Cat.End, '}'),
    ...it.source(`{${block}}{${style === 'plain' ? '\\itshape' : ''}}{${counter}}`),
  ]);
}

export const theoremCommands: readonly CommandEntry[] = [
  {
    name: 'newtheorem',
    signature: 'smomo',
    description: 'A kind of statement of your own, in a block.',
    example:
      '\\newtheorem{prop}{Proposition}\\begin{frame}\\begin{prop}Ebb.\\end{prop}\\end{frame}',
    run: newTheorem,
  },
  {
    name: 'resetcounteronoverlays',
    signature: 'm',
    description: 'A counter that counts the same on each step of a frame.',
    example: '\\newcounter{tide}\\resetcounteronoverlays{tide}',
    run: (it, args) =>
      it.write(
        OVERLAY_COUNTERS,
        [...it.read(OVERLAY_COUNTERS), textOf(it.p, tokensOf(args, 0)).trim()],
        true,
      ),
  },
];
