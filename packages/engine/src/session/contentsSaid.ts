import { sameValue } from '../expansion/meaning';
import { tokensText } from '../expansion/tokenText';
import type { Token } from '../expansion/meaning';
import type { BlockNode } from '../document/blocks';
import type { SessionBlock } from './block';
import type { ReadChange } from './reading';

/** What a block says for lists of contents. */
const said = ({ reading }: SessionBlock): string =>
  reading.nodes
    .map((node) =>
      node.kind === 'contents' ? `${node.list} ${tokensText(node.entry as readonly Token[])}` : '',
    )
    .join('\n');

/** Do blocks that were read anew from other contents say something else for contents than before? */
export const sayOtherwise = ({ changed, gone }: ReadChange): boolean =>
  changed.map(said).join('\n') !== gone.map(said).join('\n');

/** What a block writes on the page, but for heads and feet, which move nothing. */
const written = ({ reading }: SessionBlock): readonly BlockNode[] =>
  reading.nodes.filter(({ kind }) => kind !== 'pagestyle' && kind !== 'backdrop');

/** Do blocks that were read anew write something else than before: may what they went by change through them? */
export const writeOtherwise = ({ changed, gone }: ReadChange): boolean =>
  !sameValue(changed.map(written), gone.map(written));
