import { textOf } from '../../expansion/tokenText';
import { isStarred, type PackageEntry, tokensOf } from '../machine/entries';
import { idleEntry } from '../machine/macroEntry';
import { fillerParagraph } from './fillerText';

/** lipsum: text to judge a layout by. */
export const lipsum: PackageEntry = {
  name: 'lipsum',
  description: 'Paragraphs of dummy text.',
  options: null,
  commands: [
    {
      name: 'lipsum',
      signature: 'soo',
      description: 'Paragraphs of dummy text; brackets say which ones.',
      example: '\\lipsum[1-2]',
      package: 'lipsum',
      run: (it, args) => {
        const range = args[1] ? textOf(it.p, tokensOf(args, 1)) : '1-7';
        const [from = '1', to] = range.split('-');
        const first = Math.max(1, parseInt(from, 10) || 1);
        const last = to === '' ? 150 : Math.min(150, parseInt(to ?? from, 10) || first);
        const paragraphs: string[] = [];
        for (let n = first; n <= last; n++) paragraphs.push(fillerParagraph(n));
        const joined = paragraphs.join(isStarred(args) ? ' ' : '\\par ');
        it.p.push(it.source(joined + (isStarred(args) ? '' : '\\par ')));
      },
    },
    idleEntry('setlipsum', 'm', 'How dummy text is set.'),
  ],
};
