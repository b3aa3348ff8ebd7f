import type { Span } from '../../base/spans';
import type { MathNode } from '../../document/math';
import { Cat } from '../../tokens/categories';
import { CELLS } from './cells';
import type { MathReader } from './mathReader';

/** A comma in a formula: a mark between things, or with package icomma part of a number when nothing parts it from what follows. */
export function comma(reader: MathReader, span: Span): MathNode {
  if (!reader.it.read(CELLS.numberComma)) return reader.characterNode(',', span);
  const next = reader.p.next();
  if (next) reader.p.unread(next);
  return reader.symbol(',', next && next.cat !== Cat.Space ? 'ord' : 'punct', span);
}
