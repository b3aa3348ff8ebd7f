import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { keyValues } from './optionLists';

/** Options as names and values in words. */
export function optionWords(tokens: readonly Token[]): Record<string, string> {
  const out: Record<string, string> = {};
  for (const [key, value] of keyValues(tokens))
    out[key] = tokensText(value).replace(/[{}]/g, '').trim();
  return out;
}
