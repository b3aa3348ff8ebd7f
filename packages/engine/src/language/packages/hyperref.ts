import { tokensText } from '../../expansion/expandables';
import type { CommandEntry, PackageEntry } from '../entries';
import { tokensOf } from '../entries';

const urlCommand: CommandEntry = {
  name: 'url',
  signature: 'm',
  description: 'An address, in typewriter.',
  example: '\\url{https://tides.example}',
  run: (it, args, token) => {
    it.startParagraph();
    const font = it.intern({ ...it.font, family: 'mono', series: 'medium', shape: 'upright' });
    const at = it.spanOf(token);
    it.add({
      kind: 'text',
      text: tokensText(tokensOf(args, 0)).replace(/\\([%#_&])/g, '$1'),
      font,
      ...at,
    });
  },
};

/** url: addresses. */
export const url: PackageEntry = {
  name: 'url',
  description: 'Addresses in typewriter.',
  options: null,
  commands: [urlCommand],
};

/** hyperref: links. Text is set as without it; links themselves come with the rest of the language. */
export const hyperref: PackageEntry = {
  name: 'hyperref',
  description: 'Links and bookmarks in the PDF.',
  options: null,
  commands: [
    urlCommand,
    {
      name: 'href',
      signature: 'mm',
      description: 'Words that link to an address.',
      example: '\\href{https://tides.example}{tide tables}',
      run: (it, args) => {
        it.startParagraph();
        for (const inline of it.inlinesOf(tokensOf(args, 1))) it.add(inline);
      },
    },
    {
      name: 'hypersetup',
      signature: 'M',
      description: 'Options of hyperref.',
      example: '\\hypersetup{colorlinks}',
      run: () => undefined,
    },
  ],
};
