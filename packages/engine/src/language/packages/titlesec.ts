import { textOf } from '../../expansion/tokenText';
import { detach, type Token } from '../../expansion/meaning';
import { type Args, isStarred, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry } from '../machine/macroEntry';
import {
  formatOf,
  type HeadingFormat,
  type HeadingSpacing,
  spacingOf,
} from '../constructs/sections';

const nameOf = (it: Interpreter, tokens: readonly Token[]): string =>
  tokens.find((t) => t.cell !== null)?.text ?? textOf(it.p, tokens);

/** `\titleformat{\section}[shape]{format}{label}{gap}{before}[after]`. */
function titleFormat(it: Interpreter, args: Args): void {
  if (isStarred(args)) {
    const [name, format] = [nameOf(it, tokensOf(args, 1)), tokensOf(args, 3)];
    const label = it.source(
      name === 'chapter' ? '\\chaptertitlename\\ \\thechapter' : `\\the${name}`,
    );
    set(it, name, {
      shape: name === 'chapter' ? 'display' : 'hang',
      format,
      label,
      gap: it.source(name === 'chapter' ? '20pt' : '1em'),
      before: [],
      after: [],
    });
    return;
  }
  const name = nameOf(it, tokensOf(args, 1));
  const shape = args[2] ? textOf(it.p, tokensOf(args, 2)) : 'hang';
  const rest = it.readArguments('MMMo', it.p.command('titleformat'));
  if (!rest) return;
  set(it, name, {
    shape,
    format: tokensOf(args, 3),
    label: tokensOf(rest, 0),
    gap: tokensOf(rest, 1),
    before: tokensOf(rest, 2),
    after: tokensOf(rest, 3),
  });
}

function set(it: Interpreter, name: string, format: HeadingFormat): void {
  const { format: form, label, gap, before, after } = format;
  it.write(formatOf(name), {
    ...format,
    format: detach(form),
    label: detach(label),
    gap: detach(gap),
    before: detach(before),
    after: detach(after),
  });
}

/** `\titlespacing*{\section}{left}{above}{below}`; `*` before a number counts in lines of space. */
function titleSpacing(it: Interpreter, args: Args): void {
  const name = nameOf(it, tokensOf(args, 1));
  const length = (i: number): Token[] => {
    const tokens = tokensOf(args, i);
    const text = tokens.map((t) => t.text).join('');
    const factor = /^\*\s*([\d.]+)?/.exec(text);
    if (!factor) return detach(tokens);
    const n = Number(factor[1] ?? 1);
    return it.source(
      i === 3 ? `${3.5 * n}ex plus ${n}ex minus ${0.2 * n}ex` : `${2.3 * n}ex plus ${0.2 * n}ex`,
    );
  };
  const spacing: HeadingSpacing = { left: length(2), above: length(3), below: length(4) };
  it.write(spacingOf(name), spacing);
}

/** titlesec: how headings are set. */
export const titlesec: PackageEntry = {
  name: 'titlesec',
  description: 'How headings look: font, label, space around them.',
  options: null,
  commands: [
    {
      name: 'titleformat',
      signature: 'smoM',
      description:
        'How a heading is set: its shape, font, label, the gap behind that, what comes before the title.',
      example: '\\titleformat{\\section}{\\large\\bfseries}{\\thesection}{1em}{}',
      package: 'titlesec',
      run: titleFormat,
    },
    {
      name: 'titlespacing',
      signature: 'smMMM',
      description: 'Space around a heading: left, above, below.',
      example: '\\titlespacing{\\section}{0pt}{2ex}{1ex}',
      package: 'titlesec',
      run: titleSpacing,
    },
    macroEntry(
      'titlelabel',
      'M',
      'The label of all headings.',
      '\\titlelabel{\\thetitle.\\quad}',
      '\\def\\@seccntformat##1{\\def\\thetitle{\\csname the##1\\endcsname}#1}',
    ),
    macroEntry(
      'chaptertitlename',
      '',
      'The word before the number of a chapter.',
      '\\chaptertitlename',
      '\\@chapapp',
    ),
    macroEntry(
      'titlerule',
      'o',
      'A rule across the text.',
      '\\titlerule',
      '\\par\\nobreak\\vskip 2pt\\hrule\\relax',
      '0.4pt',
    ),
    macroEntry('filcenter', '', 'Centres a heading.', '\\filcenter', '\\centering'),
    macroEntry('filright', '', 'Sets a heading ragged right.', '\\filright', '\\raggedright'),
    macroEntry('filleft', '', 'Sets a heading ragged left.', '\\filleft', '\\raggedleft'),
    macroEntry('sectionbreak', '', 'What happens before a section.', '\\sectionbreak', ''),
  ],
};
