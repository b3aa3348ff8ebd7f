import { lookingUp, type LookedUp } from '$lib/domain/lookUp';
import { meaningsOf } from '$lib/domain/meanings';
import type { Word } from '@odd-compass/engine/worker';

/** A symbol that can be found: its command (with arguments where it has them, without the backslash), its sign, the words for what it means. */
export interface Sign {
  readonly name: string;
  readonly sign: string;
  readonly package: string;
  readonly meaning: string;
}

/** Signs that are written by a command with an argument, or by two commands: what one would ask for them by. */
const COMPOSED: readonly Sign[] = String.raw`
dots|…||dots, three dots, ellipsis, and so on
implies|⟹|amsmath|implies, therefore follows, so
iff|⟺||if and only if, exactly when, equivalent
mathbb{N}|ℕ|amssymb|natural numbers, naturals, set of natural numbers, blackboard bold N, positive integers
mathbb{Z}|ℤ|amssymb|integers, set of integers, whole numbers, blackboard bold Z
mathbb{Q}|ℚ|amssymb|rational numbers, rationals, blackboard bold Q, set of fractions
mathbb{R}|ℝ|amssymb|real numbers, reals, real line, blackboard bold R
mathbb{C}|ℂ|amssymb|complex numbers, complex plane, blackboard bold C
mathbb{P}|ℙ|amssymb|probability, primes, projective space, blackboard bold P
mathbb{E}|𝔼|amssymb|expected value, expectation, blackboard bold E
mathbb{F}|𝔽|amssymb|finite field, blackboard bold F
mathcal{O}|𝒪||big O, order of growth, landau symbol, calligraphic O
mathcal{L}|ℒ||laplace transform, calligraphic L, lagrangian
mathcal{F}|ℱ||fourier transform, calligraphic F, sigma algebra
mathcal{P}|𝒫||power set, calligraphic P
overset{!}{=}|≟|amsmath|equals with a sign above, must equal
overset{\text{def}}{=}|≝|amsmath|equals by definition, equals with def above, defined as with letters above
^{-1}|⁻¹||inverse, to the minus one
^\top|ᵀ||transpose, transposed
^\circ|°||degrees, degree sign
sqrt{x}|√||square root, root
frac{a}{b}|⁄||fraction, divide
bar{x}|x̄||x bar, mean, average
hat{x}|x̂||x hat, hat over a letter, estimate
vec{v}|v⃗||vector, arrow over a letter
dot{x}|ẋ||dot over a letter, time derivative`
  .trim()
  .split('\n')
  .map((line) => {
    const [name = '', sign = '', from = '', meaning = ''] = line.split('|');
    return { name, sign, package: from, meaning };
  });

/** Groups to leaf through, by the class of what is in them. */
export const GROUPS: Readonly<Record<string, readonly string[]>> = {
  Greek:
    'alpha beta gamma delta varepsilon zeta eta theta kappa lambda mu nu xi pi rho sigma tau varphi chi psi omega Gamma Delta Theta Lambda Sigma Phi Psi Omega'.split(
      ' ',
    ),
  Relations:
    'le ge ne approx equiv sim simeq cong propto ll gg prec succ mid nmid perp parallel'.split(' '),
  'Sets and logic':
    'in notin subset subseteq supseteq cup cap setminus emptyset forall exists neg land lor top bot vdash models'.split(
      ' ',
    ),
  Arrows:
    'to mapsto leftarrow Rightarrow Leftrightarrow hookrightarrow twoheadrightarrow longrightarrow uparrow downarrow rightleftharpoons'.split(
      ' ',
    ),
  Operators:
    'sum prod int oint iint bigcup bigcap bigoplus bigotimes partial nabla infty pm times cdot circ oplus otimes ast'.split(
      ' ',
    ),
};

const SIGN = /^The (?:symbol|large operator|upright letter) (\S+)\.$/;

/** The signs among the words of the language, and those written by several: the first name of a sign counts. */
export function signsOf(words: readonly Word[]): Sign[] {
  const named = words.flatMap(({ kind, name, description, package: from }): Sign[] => {
    const sign = kind === 'command' ? SIGN.exec(description)?.[1] : undefined;
    const meaning = meaningsOf(name).join(', ');
    return sign === undefined ? [] : [{ name, sign, package: from, meaning }];
  });
  return [...named, ...COMPOSED];
}

/** How a sign is written in a formula. */
export const writtenSign = ({ name }: Sign): string => (name.startsWith('^') ? name : `\\${name}`);

const toldOf = ({ name, meaning }: Sign): LookedUp => ({
  name,
  phrases: meaning === '' ? [] : meaning.split(', '),
  said: '',
});

const lookUp = lookingUp(
  toldOf,
  ({ name, package: from }: Sign) => -(from === '' ? 0 : 1) - name.length / 20,
);

/** Signs by the words for their meaning, by name, or by the sign itself; the nearest first. */
export function findSigns(signs: readonly Sign[], sought: string): Sign[] {
  const drawn = signs.filter(({ sign }) => sign === sought.trim());
  return [...new Set([...drawn, ...lookUp(signs, sought)])];
}
