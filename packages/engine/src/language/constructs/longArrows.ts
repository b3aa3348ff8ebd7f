import type { CommandEntry } from '../entries';
import { readOptional } from '../../expansion/arguments';
import { mathEntry } from './mathEntry';

/** An arrow as long as its labels: brackets give what stands under it. */
const longArrow = (name: string, char: string): CommandEntry =>
  mathEntry(
    name,
    'om',
    'An arrow as long as its labels.',
    `A \\${name}[n]{f} B`,
    (reader, token) => {
      const below = readOptional(reader.p);
      let under = null;
      if (below) {
        reader.p.push([reader.p.make(1, '{'), ...below, reader.p.make(2, '}')]);
        under = reader.field(token);
      }
      const over = reader.field(token);
      return { kind: 'longArrow', char, over, under, ...reader.span(token) };
    },
  );

export const amsArrows = [longArrow('xrightarrow', '→'), longArrow('xleftarrow', '←')];

export const mathtoolsArrows = [
  longArrow('xleftrightarrow', '↔'),
  longArrow('xRightarrow', '⇒'),
  longArrow('xLeftarrow', '⇐'),
  longArrow('xLeftrightarrow', '⇔'),
  longArrow('xhookrightarrow', '↪'),
  longArrow('xhookleftarrow', '↩'),
  longArrow('xmapsto', '↦'),
];
