import { readOptional } from '../../expansion/arguments';
import type { CommandEntry } from '../machine/entries';
import { fieldOf, mathEntry } from './mathEntry';

/** An arrow as long as its labels: brackets give what stands under it. */
const longArrow = (name: string, char: string): CommandEntry =>
  mathEntry(
    name,
    'om',
    'An arrow as long as its labels.',
    `A \\${name}[n]{f} B`,
    (reader, token) => {
      const below = readOptional(reader.p);
      const under = below ? fieldOf(reader, below, token) : null;
      const over = reader.field(token);
      return { kind: 'longArrow', char, over, under, ...reader.span(token) };
    },
  );

const arrows = (table: string): readonly CommandEntry[] =>
  table
    .trim()
    .split(/\s+/)
    .map((pair) => pair.split(':') as [string, string])
    .map(([name, char]) => longArrow(name, char));

export const amsArrows = arrows('xrightarrow:→ xleftarrow:←');

export const mathtoolsArrows = arrows(`
xleftrightarrow:↔ xRightarrow:⇒ xLeftarrow:⇐ xLeftrightarrow:⇔ xhookrightarrow:↪ xhookleftarrow:↩
xmapsto:↦ xrightharpoonup:⇀ xrightharpoondown:⇁ xleftharpoonup:↼ xleftharpoondown:↽
xrightleftharpoons:⇌ xleftrightharpoons:⇋`);

/** Of the package extarrows, and others of the kind. */
export const furtherArrows = arrows(`
xlongequal:= xlongrightarrow:→ xlongleftarrow:← xLongrightarrow:⇒ xLongleftarrow:⇐
xlongleftrightarrow:↔ xLongleftrightarrow:⇔ xtwoheadrightarrow:↠ xtwoheadleftarrow:↞ xtofrom:⇄
xrightleftarrows:⇄ xrightequilibrium:⇌ xleftequilibrium:⇋`);
