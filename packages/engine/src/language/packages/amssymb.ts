import { alphabetCommand } from '../constructs/mathAlphabets';
import { symbolCommand } from '../constructs/mathSymbols';
import type { PackageEntry } from '../machine/entries';
import { AMS_SYMBOLS } from '../symbols/symbols';

/** amsfonts: blackboard and fraktur letters. */
export const amsfonts: PackageEntry = {
  name: 'amsfonts',
  description: 'Blackboard and fraktur letters.',
  options: ['psamsfonts'],
  commands: [
    alphabetCommand('mathbb', 'blackboard', 'Blackboard letters'),
    alphabetCommand('mathfrak', 'fraktur', 'Fraktur letters'),
    alphabetCommand('Bbb', 'blackboard', 'Blackboard letters, by their old name'),
    alphabetCommand('frak', 'fraktur', 'Fraktur letters, by their old name'),
  ],
};

/** amssymb: many more symbols. */
export const amssymb: PackageEntry = {
  name: 'amssymb',
  description: 'Many more relations, arrows and symbols; blackboard letters.',
  options: ['psamsfonts'],
  requires: ['amsfonts'],
  commands: AMS_SYMBOLS.map(symbolCommand),
};
