import type { CommandEntry, PackageEntry } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';

/** `\name[order]{f}{x}`: a quotient of differentials with a sign of its own. */
const quotient = (name: string, sign: string, description: string): CommandEntry =>
  macroEntry(
    name,
    'omm',
    description,
    `$\\${name}{f}{x}$ and $\\${name}[2]{f}{x}$`,
    `\\frac{${sign}^{#1}#2}{${sign}#3^{#1}}`,
  );
const UPRIGHT = '\\mathrm{d}';
const ROUND = '\\partial ';
const notation = (
  name: string,
  description: string,
  commands: readonly CommandEntry[],
): PackageEntry => ({ name, description, options: null, requires: ['amsmath'], commands });

/** esdiff: derivatives by the name of a function and of its variable. */
export const esdiff = notation('esdiff', 'Derivatives by function and variable.', [
  quotient('diff', UPRIGHT, 'A derivative.'),
  quotient('diffp', ROUND, 'A partial derivative.'),
]);

/** diffcoeff: derivatives, and the differentials of integrals. */
export const diffcoeff = notation('diffcoeff', 'Derivatives, and differentials of integrals.', [
  quotient('diff', UPRIGHT, 'A derivative.'),
  quotient('diffp', ROUND, 'A partial derivative.'),
  macroEntry('dl', 'm', 'The differential of an integral.', '$\\int x\\dl x$', '\\,\\mathrm{d}#1'),
]);

/** derivative: derivatives in one manner for all their kinds. */
export const derivative = notation('derivative', 'Derivatives of all kinds.', [
  quotient('odv', UPRIGHT, 'A derivative.'),
  quotient('pdv', ROUND, 'A partial derivative.'),
  macroEntry('odif', 'm', 'A differential.', '$\\odif{x}$', '\\mathop{}\\!\\mathrm{d}#1'),
  macroEntry('pdif', 'm', 'A partial differential.', '$\\pdif{x}$', '\\mathop{}\\!\\partial #1'),
]);
