import { tokensText } from '../expansion/tokenText';
import type { Token } from '../expansion/meaning';
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
