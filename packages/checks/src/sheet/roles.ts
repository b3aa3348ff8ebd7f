/** What the words around a formula make of it. */
export type Role =
  /** It is said to be so. */
  | 'claim'
  /** It is a condition, an assumption, or an equation to be solved. */
  | 'given'
  /** It is said that it is not so, or would be absurd. */
  | 'denied';

/** Words behind which something is supposed, and which a comma does not end. */
const SUPPOSES =
  /\b(let|suppose|assume|assuming|given|where|such that|satisf\w+|provided|choose|take|taking|put|putting|set|setting|define|denote|fix|solve|solving|solutions?|roots?|equations?|system|inequalit\w+|write|writing|call|substitut\w+|with|unless|wlog|whether|want|need|consider|defined|definition|hypothesis|condition|find all|determine all|say)\b/g;
/** Words that a comma ends. */
const CONDITIONS =
  /\b(if|for|when|whenever|since|because|as|case|by|using|unless|recall|because of|due to|iff)\b/g;
const CLAIMS =
  /\b(then|so|hence|thus|therefore|we|get|gets|have|has|gives?|giving|yields?|implies|implying|follows|obtain|obtained|find that|that is|i\.e|equals?|becomes?|comput\w+|calculat\w+|simplif\w+|expand\w*|factor\w*|show|shows|prove|proves|verify|which is|is|are|consequently|finally|next|also|indeed|namely|now|there|evaluat\w+|differentiat\w+|integrat\w+|sum|product)\b/g;

/** The role of a formula by the words before and behind it. A mark `$` stands for another formula. */
export function roleOf(said: string, after: string): Role {
  const before = lastSentence(said.toLowerCase());
  if (isDenied(before, firstSentence(after.toLowerCase()))) return 'denied';
  const supposes = lastOf(before, SUPPOSES);
  const condition = lastOf(before, CONDITIONS);
  const claim = lastOf(before, CLAIMS);
  const comma = before.lastIndexOf(',');
  const supposed = Math.max(supposes, condition > comma ? condition : -1);
  if (supposed > claim) return 'given';
  return /^\s*(?:,\s*)?(for some|for suitable|is (?:false|wrong)|has (?:no|two|one|a|exactly))\b/.test(
    firstSentence(after.toLowerCase()),
  )
    ? 'given'
    : 'claim';
}

const lastSentence = (text: string): string => text.split(/[.;:!?](?=\s)/).at(-1) ?? '';
const firstSentence = (text: string): string => text.split(/[.;!?](?:\s|$)/)[0] ?? '';

function lastOf(text: string, words: RegExp): number {
  let last = -1;
  for (const { index } of text.matchAll(words)) last = index;
  return last;
}

const DENIES =
  /\b(contradict\w*|absurd|impossible|false|wrong|incorrect|cannot|mistake|fails?|untrue|never|nonsense|disprove|not true|not hold|does not|counterexample|tempting|careless\w*)\b/;

function isDenied(before: string, after: string): boolean {
  return (
    DENIES.test(before.slice(-80)) ||
    DENIES.test(after.slice(0, 90)) ||
    /\bnot( true| equal| the case| hold| correct| always)?( that)?[\s:]*$/.test(before.slice(-40))
  );
}

/** Do the words before say that a letter gets its meaning here? */
export function isDefining(said: string): boolean {
  const before = lastSentence(said.toLowerCase());
  return /\b(let|put|set|define|denote|write|where|call|take|choose|consider|function|functions|given by|with|say|defined by)\b[^.]*$/.test(
    before,
  );
}
