import { PT } from '../../base/lengths';
import { type PackageEntry, tokensOf } from '../machine/entries';
import { box } from '../constructs/boxes';
import { putBeside } from '../constructs/margins';
import { macroEntry } from '../machine/macroEntry';
import { optionWords } from '../scanning/optionWords';
import { addContentsLine } from '../constructs/contents';
import { flag } from '../../expansion/cells';

const GROUND = 0xffd9a0;

const DISABLED = flag('todo:off');

/** todonotes: notes to oneself. */
export const todonotes: PackageEntry = {
  name: 'todonotes',
  description: 'Notes to yourself, in the margin or in the line, and a list of them.',
  options: null,
  requires: ['xcolor', 'graphicx'],
  commands: [
    {
      name: 'todo',
      signature: 'oM',
      description: 'A note to yourself in the margin; [inline] puts it into the text.',
      example: '\\todo{check the gauge}',
      package: 'todonotes',
      run: (it, args) => {
        if (it.read(DISABLED)) return;
        const words = args[0] ? optionWords(tokensOf(args, 0)) : {};
        addContentsLine(it, 'tdo', 'todo', null, tokensOf(args, 1));
        const inline = 'inline' in words;
        const frame = { rule: 0.4 * PT, padding: 3 * PT, background: GROUND, color: 0xb07020 };
        const { p } = it;
        const group = [p.make(1, '{'), ...tokensOf(args, 1), p.make(2, '}')];
        const width = inline ? it.dimen('linewidth') - 7 * PT : it.dimen('marginparwidth') - 7 * PT;
        const inner = it.inlinesOf([
          ...it.source(`\\parbox[t]{${width / PT}pt}`),
          p.make(1, '{'),
          ...it.source('\\raggedright\\footnotesize '),
          ...group,
          p.make(2, '}'),
        ]);
        const note = box(it, inner, { frame });
        if (inline) {
          it.endParagraph();
          it.startParagraph(false);
          it.add(note);
          it.endParagraph();
          return;
        }
        it.startParagraph();
        putBeside(it, note, { push: it.dimen('marginparpush') });
      },
    },
    macroEntry(
      'listoftodos',
      'o',
      'The list of notes to yourself.',
      '\\listoftodos',
      '\\@listheading{#1}\\@starttoc{tdo}',
      'Todo list',
    ),
    {
      name: 'missingfigure',
      signature: 'oM',
      description: 'A frame in the place of a figure to come.',
      example: '\\missingfigure{the gauge}',
      package: 'todonotes',
      macro:
        '\\par\\noindent\\fbox{\\parbox[c][4cm][c]{.9\\linewidth}{\\centering Missing figure: #2}}\\par',
      fallback: '',
    },
  ],
  source: '\\def\\l@todo#1#2{\\@dottedtocline{1}{0em}{2.3em}{#1}{#2}}',
  setup: (it, options) => {
    if (options.includes('disable')) it.write(DISABLED, true, true);
  },
};
