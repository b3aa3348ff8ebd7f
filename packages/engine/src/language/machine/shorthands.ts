import type { Fix } from '../../findings/finding';
import type { Token } from '../../expansion/meaning';
import type { MathReader } from './mathReader';

/**
 * Names that many courses define for themselves, and what they then mean. They count
 * only where a document defines nothing of the name: it is set, and said.
 */
const SHORTHANDS: Readonly<Record<string, string>> = Object.fromEntries(
  String.raw`
RR \mathbb{R}|NN \mathbb{N}|ZZ \mathbb{Z}|QQ \mathbb{Q}|CC \mathbb{C}|FF \mathbb{F}|eps \varepsilon
R \mathbb{R}|N \mathbb{N}|Z \mathbb{Z}|Complex \mathbb{C}|cnums \mathbb{C}|Reals \mathbb{R}|reals \mathbb{R}
real \Re|image \Im|natnums \mathbb{N}|Q \mathbb{Q}|C \mathbb{C}|F \mathbb{F}|infin \infty|empty \emptyset
exist \exists|isin \in|sub \subset|sube \subseteq|supe \supseteq|sdot \cdot|bull \bullet|plusmn \pm|ang \angle
alef \aleph|alefsym \aleph|weierp \wp|thetasym \vartheta|and \land|or \lor|clubs \clubsuit
diamonds \diamondsuit|hearts \heartsuit|spades \spadesuit|larr \leftarrow|rarr \rightarrow|harr \leftrightarrow
uarr \uparrow|darr \downarrow|lArr \Leftarrow|rArr \Rightarrow|hArr \Leftrightarrow|uArr \Uparrow|dArr \Downarrow
lrarr \leftrightarrow|Larr \Leftarrow|Rarr \Rightarrow|Harr \Leftrightarrow|lrArr \Leftrightarrow
lang \langle|rang \rangle|Uarr \Uparrow|Darr \Downarrow|Lrarr \Leftrightarrow|sect \S|argmin \operatorname*{arg\,min}
argmax \operatorname*{arg\,max}|plim \operatorname*{plim}|arctg \operatorname{arctg}|arcctg \operatorname{arcctg}
ch \operatorname{ch}|cosec \operatorname{cosec}|cotg \operatorname{cotg}|ctg \operatorname{ctg}
cth \operatorname{cth}|sh \operatorname{sh}|tg \operatorname{tg}|th \operatorname{th}|Alpha \mathrm{A}
Beta \mathrm{B}|Epsilon \mathrm{E}|Zeta \mathrm{Z}|Eta \mathrm{H}|Iota \mathrm{I}|Kappa \mathrm{K}
Mu \mathrm{M}|Nu \mathrm{N}|Omicron \mathrm{O}|Rho \mathrm{P}|Tau \mathrm{T}|Chi \mathrm{X}
lBrace \mathopen{\{\mkern-3.2mu[}|rBrace \mathclose{]\mkern-3.2mu\}}|origof ⊶|imageof ⊷|Dagger \ddagger|bold \mathbf|gt >|lt <|sixptsize \scriptsize
coppa ϟ|stigma ϛ|sampi ϡ|Coppa Ϟ
`
    .replaceAll('\n', '|')
    .split('|')
    .map((entry) => entry.trim())
    .filter((entry) => entry.includes(' '))
    .map((entry) => [entry.slice(0, entry.indexOf(' ')), entry.slice(entry.indexOf(' ') + 1)]),
);

/** Takes a name nobody defined for what it usually means, and says so; false when it means nothing. */
export function shorthandIn(reader: MathReader, token: Token): boolean {
  const body = Object.hasOwn(SHORTHANDS, token.text) ? SHORTHANDS[token.text] : undefined;
  if (body === undefined) return false;
  const { it, p } = reader;
  const span = it.spanOf(token);
  const own = token.chunk === p.reader.chunk;
  const to = token.from + token.text.length + 1;
  const fix: Fix | undefined = own
    ? { title: `Write ${body}`, edits: [{ from: token.from, to, text: spaced(body) }] }
    : undefined;
  const place = own ? { from: token.from, to } : span;
  p.report('command-not-defined-here', place, { name: token.text, body }, fix);
  p.push([...it.source(body)]);
  return true;
}

/** A command at the end keeps clear of the letter that may follow. */
const spaced = (body: string): string => (/\\[A-Za-z]+$/.test(body) ? `${body} ` : body);
