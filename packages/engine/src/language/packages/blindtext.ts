import { textOf } from '../../expansion/tokenText';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import { fillerParagraph } from './fillerText';
import { macroEntry } from '../machine/macroEntry';

const text = (name: string, count: number, paragraphs: boolean): CommandEntry => ({
  name,
  signature: 'o',
  description: 'Dummy text; brackets say how much.',
  example: `\\${name}`,
  package: 'blindtext',
  run: (it, args) => {
    const times = args[0] ? parseInt(textOf(it.p, tokensOf(args, 0)), 10) || 1 : count;
    const parts = Array.from({ length: Math.min(times, 60) }, (_, i) => fillerParagraph(i + 1));
    it.p.push(it.source(parts.join(paragraphs ? '\\par ' : ' ')));
  },
});

const list = (name: string, environment: string): CommandEntry =>
  macroEntry(
    name,
    '',
    'A list of dummy items.',
    `\\${name}`,
    `\\begin{${environment}}${['First', 'Second', 'Third', 'Fourth'].map((w) => (environment === 'description' ? `\\item[${w}] item` : `\\item ${w} item`)).join('')}\\end{${environment}}`,
  );

/** blindtext: text, lists and whole documents to judge a layout by. */
export const blindtext: PackageEntry = {
  name: 'blindtext',
  description: 'Dummy text, lists and documents.',
  options: null,
  commands: [
    text('blindtext', 1, false),
    text('Blindtext', 5, true),
    text('parblindtext', 1, true),
    list('blinditemize', 'itemize'),
    list('blindenumerate', 'enumerate'),
    list('blinddescription', 'description'),
    macroEntry(
      'blindlist',
      'm',
      'A list of dummy items.',
      '\\blindlist{itemize}',
      '\\begin{#1}\\item First item\\item Second item\\end{#1}',
    ),
    macroEntry(
      'blinddocument',
      '',
      'A whole dummy document.',
      '\\blinddocument',
      '\\section{First}\\blindtext\\subsection{Second}\\blindtext\\blinditemize\\section{Third}\\Blindtext',
    ),
  ],
};
