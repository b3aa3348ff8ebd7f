import { mathtoolsArrows } from '../constructs/longArrows';
import { toolsAccents } from '../constructs/mathAccents';
import { laps } from '../constructs/mathPlaced';
import { largeOperator, symbolCommand } from '../constructs/mathSymbols';
import { macroEntry, quietEntry } from '../machine/macroEntry';
import { toolsMatrices } from '../constructs/mathMatrices';
import type { CommandEntry, PackageEntry } from '../machine/entries';
import { TOOLS_SYMBOLS } from '../symbols/symbols';
import { MATHTOOLS_SOURCE, mathtoolsNames } from './mathtoolsSource';

const colon = (name: string, body: string): CommandEntry =>
  macroEntry(
    name,
    '',
    'Colons and a relation as one sign.',
    `$a \\${name} b$`,
    `\\mathrel{${body}}`,
  );

/** Definitions from the left and from the right, each sign pulled close to the colon. */
const colons: readonly CommandEntry[] = [
  colon('Coloneqq', '\\dblcolon\\mkern-1.2mu='),
  colon('coloneq', '\\vcentcolon\\mkern-1.2mu\\mathrel{-}'),
  colon('Coloneq', '\\dblcolon\\mkern-1.2mu\\mathrel{-}'),
  colon('Eqqcolon', '=\\mkern-1.2mu\\dblcolon'),
  colon('eqcolon', '\\mathrel{-}\\mkern-1.2mu\\vcentcolon'),
  colon('Eqcolon', '\\mathrel{-}\\mkern-1.2mu\\dblcolon'),
  colon('colonapprox', '\\vcentcolon\\mkern-1.2mu\\approx'),
  colon('Colonapprox', '\\dblcolon\\mkern-1.2mu\\approx'),
  colon('colonsim', '\\vcentcolon\\mkern-1.2mu\\sim'),
  colon('Colonsim', '\\dblcolon\\mkern-1.2mu\\sim'),
];

/** mathtools: what it adds to amsmath. */
export const mathtools: PackageEntry = {
  name: 'mathtools',
  description: 'amsmath and more: paired brackets, cases of display size, := as one sign.',
  options: null,
  requires: ['amsmath'],
  source: MATHTOOLS_SOURCE,
  described: mathtoolsNames,
  commands: [
    ...mathtoolsArrows,
    ...laps,
    ...toolsAccents,
    ...colons,
    ...TOOLS_SYMBOLS.map(symbolCommand),
    largeOperator(['bigtimes', '⨉']),
    quietEntry('mathtoolsset', 'm', 'Settings of mathtools; the default ones hold here.'),
  ],
  environments: [...toolsMatrices],
};
