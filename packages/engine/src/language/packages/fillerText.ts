/** Words of the filler text, in the manner of the printers' old dummy Latin. */
const WORDS =
  'lorem ipsum dolor sit amet consectetur adipiscing elit sed do tempor incididunt ut labore et dolore magna aliqua portus mare fluctus aestus navis ventus stella lumen turris litus unda arena velum ancora nauta ripa fons pons via mons vallis campus silva nox dies hora mensis annus numerus ordo forma modus causa ratio finis initium medium summa pars totum locus tempus motus vis lex regula exemplum quaestio responsum argumentum signum nomen verbum littera pagina liber caput versus inter super sub ante post per pro contra sine cum'.split(
    ' ',
  );

/** A small generator (Park and Miller 1988), so that paragraph n is always the same. */
function numbers(seed: number): () => number {
  let state = (seed * 48271 + 11) % 2147483647;
  return () => {
    state = (state * 48271) % 2147483647;
    return state / 2147483647;
  };
}

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

/** Paragraph `n` of the filler text, from 1. */
export function fillerParagraph(n: number): string {
  const next = numbers(n);
  const pick = (): string => WORDS[Math.floor(next() * WORDS.length)] as string;
  const sentences = Array.from({ length: 6 + Math.floor(next() * 6) }, (_, s) => {
    const length = 6 + Math.floor(next() * 9);
    const words = Array.from({ length }, pick);
    if (n === 1 && s === 0) words.splice(0, 5, 'lorem', 'ipsum', 'dolor', 'sit', 'amet');
    if (length > 9) words[4] = `${words[4] ?? ''},`;
    return `${capital(words.join(' '))}.`;
  });
  return sentences.join(' ');
}
