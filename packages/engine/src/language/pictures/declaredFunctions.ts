import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { splitAt, trimmed } from '../scanning/optionLists';
import { DECLARED } from './openPicture';
import { wordsOf } from './words';

/** `declare function={f(\x)=…;}`, functions of the document’s own for expressions. */
export function declareFunctions(it: Interpreter, tokens: readonly Token[]): void {
  for (const part of splitAt(trimmed(tokens), ';')) {
    const source = part.map((t) => (t.cat === Cat.Command ? `\\${t.text} ` : t.text)).join('');
    const found = /^\s*([A-Za-z]\w*)\s*\(([^)]*)\)\s*=([\s\S]*)$/.exec(source);
    if (!found) continue;
    const parameters = (found[2] ?? '').split(',').map((name) => name.replace(/[\\\s]/g, ''));
    const body = parameters.reduce(
      (text, name) => text.replaceAll(new RegExp(`\\\\${name}(?![A-Za-z])`, 'g'), `(${name}Given)`),
      found[3] ?? '',
    );
    const declared = {
      parameters: parameters.map((name) => `${name}Given`),
      body: wordsOf(it, it.source(body)),
    };
    it.write(DECLARED, { ...it.read(DECLARED), [found[1] ?? '']: declared });
  }
}
