import type { Word } from '@odd-compass/engine/worker';

/** A symbol that can be found: its command, its sign, the words for what it means. */
export interface Sign {
  readonly name: string;
  readonly sign: string;
  readonly package: string;
  readonly meaning: string;
}

/** What signs mean, in the words one would look for them by. */
const MEANINGS: Readonly<Record<string, string>> = Object.fromEntries(
  `in:element of, member, belongs to|notin:not an element, not a member|ni:contains as member
subset:subset, contained|subseteq:subset or equal, contained or equal|supset:superset, contains
supseteq:superset or equal|subsetneq:proper subset|cup:union|cap:intersection|setminus:set difference, without, minus
emptyset:empty set|varnothing:empty set, round|forall:for all, for every|exists:there is, there exists
nexists:there is no|neg:not, negation|land:and, conjunction|lor:or, disjunction|wedge:wedge, and|vee:vee, or
implies:implies, follows, so|impliedby:is implied by|iff:if and only if, equivalent|Rightarrow:implies, double arrow
Leftrightarrow:equivalent, if and only if|to:tends to, goes to, maps to, arrow|rightarrow:arrow right|leftarrow:arrow left
mapsto:maps to, is sent to|hookrightarrow:injection, inclusion|twoheadrightarrow:surjection, onto
longrightarrow:long arrow|le:less than or equal, at most|leq:less than or equal, at most|ge:greater than or equal, at least
geq:greater than or equal, at least|ne:not equal, different|neq:not equal, different|approx:about equal, approximately
equiv:identical, congruent modulo, equivalent|sim:similar, distributed as, asymptotic|simeq:homotopic, similar or equal
cong:congruent, isomorphic|propto:proportional|ll:much less|gg:much greater|prec:precedes|succ:succeeds
pm:plus or minus|mp:minus or plus|times:times, product, cross|div:divided by|cdot:dot product, times|circ:composition, ring, degree
oplus:direct sum, circled plus|otimes:tensor product|ast:star, convolution|star:star|bullet:dot, bullet
sum:sum, sigma|prod:product|coprod:coproduct|int:integral|oint:contour integral, closed|iint:double integral
bigcup:union of many|bigcap:intersection of many|bigoplus:direct sum of many|bigotimes:tensor product of many
partial:partial derivative, boundary|nabla:gradient, del, nabla|infty:infinity|aleph:aleph, cardinal|ell:script l, length
hbar:reduced Planck|Re:real part|Im:imaginary part|wp:Weierstrass|perp:perpendicular, orthogonal|parallel:parallel
angle:angle|triangle:triangle|mid:divides, such that, given|nmid:does not divide|dots:dots, and so on|cdots:dots in the middle
ldots:dots low, list|vdots:dots down|ddots:dots diagonal|langle:angle bracket left, inner product|rangle:angle bracket right
lfloor:floor left, round down|rfloor:floor right|lceil:ceiling left, round up|rceil:ceiling right|lVert:norm left|rVert:norm right
therefore:therefore, hence|because:because, since|square:end of proof, box|blacksquare:end of proof, filled
vdash:proves, turnstile|models:models, satisfies|top:true, top|bot:false, bottom, contradiction
alpha:Greek letter|beta:Greek letter|gamma:Greek letter|delta:Greek letter, small change|epsilon:Greek letter
varepsilon:Greek letter, small number|zeta:Greek letter|eta:Greek letter|theta:Greek letter, angle|lambda:Greek letter, eigenvalue
mu:Greek letter, mean, measure|nu:Greek letter|xi:Greek letter|pi:Greek letter, circle|rho:Greek letter, density|sigma:Greek letter, deviation
tau:Greek letter|phi:Greek letter|varphi:Greek letter|chi:Greek letter|psi:Greek letter, wave|omega:Greek letter, frequency
Gamma:Greek capital|Delta:Greek capital, difference, Laplace|Theta:Greek capital|Lambda:Greek capital|Sigma:Greek capital
Phi:Greek capital|Psi:Greek capital|Omega:Greek capital, sample space, domain|vec:vector|hat:estimate, unit vector`
    .split(/[|\n]/)
    .map((entry) => [entry.slice(0, entry.indexOf(':')), entry.slice(entry.indexOf(':') + 1)]),
);

/** More words for what a sign means; '' when there are none. */
export const meaningOf = (name: string): string => MEANINGS[name] ?? '';

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

/** The signs among the words of the language, each once: the first name of a sign counts. */
export function signsOf(words: readonly Word[]): Sign[] {
  return words.flatMap(({ kind, name, description, package: from }): Sign[] => {
    const sign = kind === 'command' ? SIGN.exec(description)?.[1] : undefined;
    return sign === undefined ? [] : [{ name, sign, package: from, meaning: MEANINGS[name] ?? '' }];
  });
}

/** Signs by the words for their meaning, by name, or by the sign itself; the nearest first. */
export function findSigns(signs: readonly Sign[], sought: string): Sign[] {
  const query = sought.trim().toLowerCase().replace(/^\\/, '');
  if (query === '') return [];
  const words = query.split(/\s+/);
  const scored = signs.map((sign) => ({ sign, score: scoreOf(sign, query, words) }));
  return scored
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score)
    .map(({ sign }) => sign);
}

function scoreOf({ name, sign, meaning }: Sign, query: string, words: readonly string[]): number {
  if (sign === query) return 100;
  const lower = name.toLowerCase();
  const said = meaning.toLowerCase();
  if (lower === query) return 90;
  if (said.split(/, /).includes(query)) return 85;
  const inMeaning = words.filter((word) => new RegExp(`\\b${word.replace(/\W/g, '')}`).test(said));
  if (inMeaning.length === words.length) return 70 - said.length / 100;
  if (lower.startsWith(query)) return 60 - lower.length / 100;
  if (words.length > 1 && inMeaning.length === words.length - 1) return 30;
  return lower.includes(query) ? 20 - lower.length / 100 : 0;
}
