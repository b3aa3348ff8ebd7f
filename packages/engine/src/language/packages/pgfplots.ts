import type { PackageEntry } from '../machine/entries';
import { axisCommands, axisEnvironments } from '../pictures/axes/commands';

/** pgfplots: axes with plots of functions and data. */
export const pgfplots: PackageEntry = {
  name: 'pgfplots',
  description: 'Axes with plots of functions, of points and of tables.',
  options: null,
  requires: ['tikz'],
  commands: axisCommands,
  environments: axisEnvironments,
};

/** pgfplotstable: tables of data. */
export const pgfplotstable: PackageEntry = {
  name: 'pgfplotstable',
  description: 'Tables of data, for plots.',
  options: null,
  requires: ['pgfplots'],
};
