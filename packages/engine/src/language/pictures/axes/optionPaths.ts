import type { Token } from '../../../expansion/meaning';
import type { Interpreter } from '../../machine/interpreter';
import { splitAt, unspaced } from '../../scanning/optionLists';

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
