import type { Interpreter } from '../machine/interpreter';
import { nearestName } from '../../base/nearest';
import type { Reading, Trouble } from './coordinates';
import { withKeys } from './keys';
import { CIRCUIT_KEYS } from './circuits';
import { NODE_KEYS } from './keysOfNodes';
import { LINE_KEYS } from './keysOfLines';
import { CHAIN_KEYS } from './chains';
import { PLACE_KEYS } from './keysOfPlaces';
import { drawingOf, newPicture, type OpenPicture } from './openPicture';

const KEYS = { ...LINE_KEYS, ...PLACE_KEYS, ...NODE_KEYS, ...CIRCUIT_KEYS, ...CHAIN_KEYS };

/** A reading in the picture that is open, or in none: then what it draws goes nowhere. */
export function readingOf(it: Interpreter): Reading {
  const picture = drawingOf(it)?.picture ?? newPicture();
  const reading: Reading = {
    it,
    picture,
    keys: KEYS,
    trouble: (trouble) => tell(it, picture, trouble),
    withOptions: (g, options) => withKeys(reading, g, it.source(options)),
  };
  return reading;
}

/** What nicematrix calls the cells of its matrices here. */
const CELL_OF_MATRIX = /^nm\d+-(\d+)-(\d+)$/;

/** Says what could not be read, where the processor stands. */
function tell(it: Interpreter, picture: OpenPicture, { kind, word }: Trouble): void {
  const { place } = it.p;
  if (kind === 'number') return it.p.report('picture-number', place, { word });
  if (kind === 'anchor') return it.p.report('picture-anchor', place, { name: word });
  if (kind === 'coordinate') return it.p.report('picture-coordinate', place, { word });
  const [, row, column] = CELL_OF_MATRIX.exec(word) ?? [];
  if (row && column) return it.p.report('cell-missing', place, { row, column });
  const names = [...picture.nodes.keys()].filter((name) => !name.startsWith('\u0001'));
  const near = word.length > 1 ? (nearestName(word, names) ?? '') : '';
  it.p.report('picture-node', place, { name: word, near });
}
