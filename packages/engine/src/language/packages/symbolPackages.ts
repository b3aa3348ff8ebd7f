import { mathEntry } from '../constructs/mathEntry';
import { furtherAccents } from '../constructs/mathAccents';
import { furtherArrows } from '../constructs/longArrows';
import { largeOperator, symbolCommand } from '../constructs/mathSymbols';
import type { CommandEntry, PackageEntry } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';
import { BOLT, SIGN_SOURCE } from './signPackages';
import { CONTOUR_OPERATORS, MARYRD_SYMBOLS, UPRIGHT_GREEK } from '../symbols/symbols';

/** stmaryrd: brackets with a double stroke and arrows to the left. */
export const stmaryrd: PackageEntry = {
  name: 'stmaryrd',
  description: 'Brackets with a double stroke, and more arrows.',
  options: null,
  commands: [
    ...MARYRD_SYMBOLS.map(symbolCommand),
    macroEntry('sslash', '', 'Two strokes.', '$a\\sslash b$', '\\mathbin{/\\mkern-6mu/}'),
    macroEntry('fatsemi', '', 'A double semicolon.', '$a\\fatsemi b$', '\\mathbin{;\\mkern-5mu;}'),
    macroEntry(
      'llparenthesis',
      '',
      'A round bracket with a stroke.',
      '$\\llparenthesis a$',
      '\\mathopen{(\\mkern-3mu|}',
    ),
    macroEntry(
      'rrparenthesis',
      '',
      'The one that closes it.',
      '$a\\rrparenthesis$',
      '\\mathclose{|\\mkern-3mu)}',
    ),
    macroEntry('lightning', '', 'A bolt: a contradiction.', '$\\lightning$', BOLT),
    macroEntry(
      'bigsqcap',
      '',
      'A large sign of square intersection.',
      '\\[\\bigsqcap_i A_i\\]',
      '\\mathop{\\vcenter{\\hbox{\\Large$\\sqcap$}}}',
    ),
    macroEntry(
      'bigcurlyvee',
      '',
      'A large curly or.',
      '\\[\\bigcurlyvee_i A_i\\]',
      '\\mathop{\\vcenter{\\hbox{\\Large$\\curlyvee$}}}',
    ),
    macroEntry(
      'bigcurlywedge',
      '',
      'A large curly and.',
      '\\[\\bigcurlywedge_i A_i\\]',
      '\\mathop{\\vcenter{\\hbox{\\Large$\\curlywedge$}}}',
    ),
  ],
  requires: ['amssymb'],
  source: SIGN_SOURCE,
};

/** upgreek: small Greek letters that stand upright. */
export const upgreek: PackageEntry = {
  name: 'upgreek',
  description: 'Upright Greek letters.',
  options: null,
  // Capitals stand upright as they are.
  source: 'Gamma Delta Theta Lambda Xi Pi Sigma Upsilon Phi Psi Omega'
    .split(' ')
    .map((name) => `\\let\\Up${name.charAt(0).toLowerCase()}${name.slice(1)}\\${name} `)
    .join(''),
  commands: UPRIGHT_GREEK.map(([name, char]) =>
    mathEntry(name, '', `The upright letter ${char}.`, `\\${name}`, (reader, token) =>
      reader.symbol(char, 'ord', reader.it.spanOf(token)),
    ),
  ),
};

/** esint: integrals over closed surfaces and others. */
export const esint: PackageEntry = {
  name: 'esint',
  description: 'Integrals over closed surfaces and volumes.',
  options: null,
  commands: CONTOUR_OPERATORS.map((operator) => largeOperator(operator)),
  source: '\\providecommand\\varoiint{\\oiint}\\providecommand\\varoiintclockwise{\\oiint}',
};

const colon = (name: string, body: string): CommandEntry =>
  macroEntry(name, '', 'Colons and a relation as one sign.', `$a \\${name} b$`, body);
const joined = (left: string, right: string): string => `\\mathrel{${left}\\mkern-1.2mu${right}}`;

/** colonequals: definitions and ratios. */
export const colonequals: PackageEntry = {
  name: 'colonequals',
  description: 'Colons joined to relations.',
  options: null,
  commands: [
    colon('ratio', '\\mathrel{∶}'),
    colon('coloncolon', '\\mathrel{∷}'),
    colon('colonequals', '\\mathrel{≔}'),
    colon('coloncolonequals', joined('∷', '=')),
    colon('equalscolon', '\\mathrel{≕}'),
    colon('equalscoloncolon', joined('=', '∷')),
    colon('colonminus', joined('∶', '\\mathrel{-}')),
    colon('coloncolonminus', joined('∷', '\\mathrel{-}')),
    colon('minuscolon', joined('\\mathrel{-}', '∶')),
    colon('minuscoloncolon', joined('\\mathrel{-}', '∷')),
    colon('colonapprox', joined('∶', '\\approx')),
    colon('coloncolonapprox', joined('∷', '\\approx')),
    colon('colonsim', joined('∶', '\\sim')),
    colon('coloncolonsim', joined('∷', '\\sim')),
    colon('approxcolon', joined('\\approx', '∶')),
    colon('approxcoloncolon', joined('\\approx', '∷')),
    colon('simcolon', joined('\\sim', '∶')),
    colon('simcoloncolon', joined('\\sim', '∷')),
    colon('notni', '\\not\\ni'),
  ],
};

/** extarrows and others of the kind: arrows as long as their labels, arrows and marks over formulas. */
export const extarrows: PackageEntry = {
  name: 'extarrows',
  description: 'More arrows that are as long as their labels.',
  options: null,
  commands: furtherArrows,
};
export const extpfeil: PackageEntry = { ...extarrows, name: 'extpfeil' };

/** esvect, undertilde and their kin: marks over and under formulas. */
export const overarrows: PackageEntry = {
  name: 'overarrows',
  description: 'More arrows and marks over and under formulas.',
  options: null,
  commands: furtherAccents,
};
export const undertilde: PackageEntry = { ...overarrows, name: 'undertilde' };

const enclosing = (
  name: string,
  shape: 'actuarial' | 'phase',
  example: string,
  what: string,
): CommandEntry =>
  mathEntry(name, 'm', what, example, (reader, token) => ({
    kind: 'enclosure',
    shape,
    body: reader.field(token),
    ...reader.span(token),
  }));

/** actuarialangle: the sign of annuities. */
export const actuarialangle: PackageEntry = {
  name: 'actuarialangle',
  description: 'The angle of annuity symbols.',
  options: null,
  commands: [
    enclosing(
      'angl',
      'actuarial',
      'a_{\\angl{n}}',
      'A line over the formula and down its right side.',
    ),
    macroEntry('angln', '', 'n under the angle of annuities.', '$a_{\\angln}$', '\\angl{n}'),
    macroEntry('anglr', '', 'r under the angle of annuities.', '$a_{\\anglr}$', '\\angl{r}'),
  ],
};

/** steinmetz: phasors. */
export const steinmetz: PackageEntry = {
  name: 'steinmetz',
  description: 'The angle of a phasor.',
  options: null,
  commands: [
    enclosing('phase', 'phase', 'A\\phase{30}', 'An angle around the formula, for phasors.'),
  ],
};
