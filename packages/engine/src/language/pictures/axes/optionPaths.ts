import type { Token } from '../../../expansion/meaning';
import type { Interpreter } from '../../machine/interpreter';
import { splitAt, trimmed, unspaced } from '../../scanning/optionLists';
import { equalsOf, wordsOf } from '../words';

/** An option's name, and what it is given: nothing where it stands alone. */
export type Option = readonly [key: string, value: readonly Token[]];

/** The options of a list, in order. */
export const optionsIn = (it: Interpreter, tokens: readonly Token[]): Option[] =>
  splitAt(tokens, ',').flatMap((part): Option[] => {
    const eq = equalsOf(part);
    const key = wordsOf(it, eq < 0 ? part : part.slice(0, eq))
      .replace(/\s+/g, ' ')
      .trim();
    return key === '' ? [] : [[key, eq < 0 ? [] : trimmed(part.slice(eq + 1))]];
  });

const textOf = (tokens: readonly Token[]): string => tokens.map(({ text }) => text).join('');

/** `error bars/.cd,y dir=both`: what follows stands within that path, until another is said (pgf manual, section 87.3.3). */
export function withPaths(it: Interpreter, tokens: readonly Token[]): readonly Token[] {
  if (!textOf(tokens).includes('/.cd')) return tokens;
  let path = '';
  const out: Token[] = [];
  for (const written of splitAt(tokens, ',')) {
    const part = unspaced(written);
    const text = textOf(part);
    const found = /^(.*)\/\.cd$/s.exec(text);
    if (found) {
      path = (found[1] ?? '').replace(/^\/(?:pgfplots|tikz)(?:\/|$)/, '');
      continue;
    }
    const isWhole = path === '' || text.startsWith('/') || text === '';
    out.push(...(out.length > 0 ? it.p.chars(',') : []));
    out.push(...(isWhole ? [] : it.p.chars(`${path}/`)), ...part);
  }
  return out;
}
