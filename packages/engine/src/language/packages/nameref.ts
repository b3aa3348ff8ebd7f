import { textOf } from '../../expansion/tokenText';
import { type PackageEntry, tokensOf } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';
import { leading } from '../constructs/linking';

/** nameref: references by the heading they stand under. */
export const nameref: PackageEntry = {
  name: 'nameref',
  description: 'References by the words of a heading.',
  options: null,
  commands: [
    {
      name: 'nameref',
      signature: 'sm',
      description: 'The heading that a label stands under.',
      example: '\\nameref{eq:tide}',
      package: 'nameref',
      run: (it, args) => {
        it.startParagraph();
        const { place } = it.p;
        const at = { from: place.from, to: Math.max(place.to, it.p.here()) };
        const label = textOf(it.p, tokensOf(args, 1));
        it.add(leading(it, { kind: 'ref', what: 'title', label, font: it.font, ...at }));
      },
    },
    macroEntry(
      'Nameref',
      'm',
      'The heading that a label stands under, with its page.',
      '\\Nameref{eq:tide}',
      '‘\\nameref{#1}’ on page~\\pageref{#1}',
    ),
  ],
};
