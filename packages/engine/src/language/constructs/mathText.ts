import { STOP, type Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { CommandEntry } from '../machine/entries';
import { OWN } from '../machine/ownNames';

const endsCell = (t: Token): boolean =>
  t.cat === Cat.Tab ||
  t.cat === STOP ||
  (t.cat === Cat.Command && ['\\', 'cr', 'crcr', 'end'].includes(t.text));

/** The rest of a cell as text (the second column of `cases*`). */
export const textCell: CommandEntry = {
  name: OWN.textCell,
  signature: '',
  description: 'The rest of the cell as text.',
  example: '',
  math: (reader, token) => {
    const { p, it } = reader;
    const tokens: Token[] = [];
    let depth = 0;
    for (let t = p.next(); t !== null; t = p.next()) {
      if (t.cat === Cat.Begin) depth++;
      else if (t.cat === Cat.End) depth--;
      if (depth <= 0 && endsCell(t)) {
        p.unread(t);
        break;
      }
      tokens.push(t);
    }
    while (tokens[0]?.cat === Cat.Space) tokens.shift();
    if (tokens.length === 0) return null;
    return { kind: 'text', inlines: it.inlinesOf(tokens), ...reader.span(token) };
  },
};
