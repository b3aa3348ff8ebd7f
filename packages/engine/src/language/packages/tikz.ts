import type { PackageEntry } from '../machine/entries';
import { pictureCommands, pictureEnvironments } from '../pictures/commands';

/** tikz: pictures described in text. */
export const tikz: PackageEntry = {
  name: 'tikz',
  description: 'Pictures described in text: lines, curves, shapes with words, graphs, trees.',
  options: null,
  requires: ['xcolor', 'graphicx', 'pgfkeys'],
  commands: pictureCommands,
  environments: pictureEnvironments,
};

/** pgffor: the loops of pictures, in text. */
export const pgffor: PackageEntry = {
  name: 'pgffor',
  description: 'Loops over lists.',
  options: null,
  commands: pictureCommands.filter(({ name }) => name === 'foreach'),
};

/** pgfmath: the arithmetic of pictures, in text. */
export const pgfmath: PackageEntry = {
  name: 'pgfmath',
  description: 'Arithmetic with numbers and lengths.',
  options: null,
  commands: pictureCommands.filter(({ name }) => name.startsWith('pgfmath')),
};
