import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { splitAt, trimmed } from '../scanning/optionLists';

/** What stands at a value, high or low in its row. */
export interface Reached {
  readonly high: boolean;
  readonly words: readonly Token[];
}

/** What a function does at a value: what it comes to, what it goes on from. */
export interface Variation {
  readonly left: Reached | null;
  readonly right: Reached | null;
  /** A double line stands at the value. */
  readonly barred: boolean;
  /** Behind it there is no function. */
  readonly forbidden: boolean;
}

/** `+`, `-D+`, `D-`, `+H`: high or low before, what stands there, high or low behind (tkz-tab manual, section 5). */
const SIGNS = /^([+-]?)([CDV]*)([+-]?)(H?)$/;

/** The entries of a row of variations: signs, and behind slashes what is reached; `R` is passed over. */
export function variationsOf(tokens: readonly Token[]): Variation[] {
  return splitAt(tokens, ',').map((entry): Variation => {
    const [said = [], ...values] = splitAt(entry, '/').map((part) => trimmed(part));
    const [, before, kinds = '', behind, end] = SIGNS.exec(tokensText(said).trim()) ?? [];
    const reached = (
      sign: string | undefined,
      words: readonly Token[] | undefined,
    ): Reached | null => (sign ? { high: sign === '+', words: words ?? [] } : null);
    const left = reached(before, values[0]);
    return {
      left,
      right: reached(behind, values[left ? 1 : 0]),
      barred: /[CD]/.test(kinds),
      forbidden: end === 'H',
    };
  });
}
