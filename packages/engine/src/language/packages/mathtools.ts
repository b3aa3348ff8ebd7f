import { mathtoolsArrows } from '../constructs/longArrows';
import { toolsAccents } from '../constructs/mathAccents';
import { laps } from '../constructs/mathPlaced';
import { largeOperator, symbolCommand } from '../constructs/mathSymbols';
import { macroEntry } from '../machine/macroEntry';
import { toolsMatrices } from '../constructs/mathMatrices';
import { tokensText } from '../../expansion/tokenText';
import { CELLS } from '../machine/cells';
import { tokensOf, type CommandEntry, type PackageEntry } from '../machine/entries';
import { keyValues } from '../scanning/optionLists';
import { TOOLS_SYMBOLS } from '../symbols/symbols';
import { MATHTOOLS_SOURCE, mathtoolsNames } from './mathtoolsSource';
import { tellUnknownKeys } from '../scanning/unknownKeys';

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

/** Every colon stands on the axis, or none (`centercolon`). */
const CENTRED_COLON =
  '\\mathcode`\\:="8000 \\begingroup\\lccode`\\~=`\\:\\lowercase{\\endgroup\\def~}{\\vcentcolon}';
const USUAL_COLON = '\\mathcode`\\:="303A';

/** Settings whose usual values hold here. */
const SETTINGS: ReadonlySet<string> = new Set([
  'showmanualtags',
  'mathic',
  'multlined-pos',
  'multlined-width',
  'firstline-afterskip',
  'lastline-preskip',
  'prescript-sub-format',
  'prescript-sup-format',
  'prescript-arg-format',
  'smallmatrix-align',
  'smallmatrix-inner-space',
  'disallow-spaces',
  'allow-mathtext-italic-correction',
]);

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
    {
      name: 'mathtoolsset',
      signature: 'm',
      description: 'Settings of mathtools: whether formulas that nothing refers to have numbers.',
      example: '\\mathtoolsset{showonlyrefs}',
      run: (it, args) => {
        for (const [key, value] of keyValues(tokensOf(args, 0))) {
          if (key === 'showonlyrefs')
            it.write(CELLS.onlyReferred, !/false/.test(tokensText(value)), true);
          if (key === 'centercolon')
            it.execute(it.source(/false/.test(tokensText(value)) ? USUAL_COLON : CENTRED_COLON));
        }
        tellUnknownKeys(it, tokensOf(args, 0), [...SETTINGS, 'showonlyrefs', 'centercolon']);
      },
    },
  ],
  environments: [...toolsMatrices],
};
