import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../testing/document';
import { NATIVE_WORDS } from './nativeWords';
import { vocabulary } from './vocabulary';

const words = vocabulary();
const word = (name: string, kind = 'command') =>
  words.find((one) => one.name === name && one.kind === kind);

describe('the words of the language', () => {
  it('hold what every student writes', () => {
    const wanted =
      'section subsection maketitle title author date tableofcontents newcommand label ref eqref cite emph textbf item caption includegraphics frac sqrt sum begin end usepackage footnote today'.split(
        ' ',
      );
    expect(wanted.filter((name) => !word(name))).toEqual([]);
    const environments =
      'document abstract itemize enumerate table figure align pmatrix proof'.split(' ');
    expect(environments.filter((name) => !word(name, 'environment'))).toEqual([]);
  });
  it('tell how many arguments are written, also of commands that read their own', () => {
    const mandatory = (name: string) => (word(name)?.signature ?? '').match(/[mM]/g)?.length ?? 0;
    expect(
      ['section', 'frac', 'textbf', 'alpha', 'newcommand', 'maketitle'].map(mandatory),
    ).toEqual([1, 2, 1, 0, 2, 0]);
  });
  it('tell which classes have them, and the options of classes and packages', () => {
    expect(word('section')?.classes).toContain('article');
    expect(word('chapter')?.classes).not.toContain('article');
    expect(word('chapter')?.classes).toContain('book');
    expect(word('emph')?.classes).toEqual([]);
    expect(word('article', 'class')?.options).toContain('12pt');
    expect(word('amsmath', 'package')?.options).toContain('fleqn');
  });
  it.each(NATIVE_WORDS)('know $name as it is used in its example', ({ name, example }) => {
    expect(example).toContain(`\\${name}`);
    const isForPreamble = /author|setlength\{\textheight/.test(example);
    const text = isForPreamble ? inArticle('Tide.', example) : inArticle(`${example}.`);
    expect(findingsIn(text)).toEqual([]);
  });
  it('each say what they do, in a sentence', () => {
    const mute = words.filter(({ description }) => !/[.!?]$/.test(description));
    expect(mute.map(({ name }) => name)).toEqual([]);
  });
});
