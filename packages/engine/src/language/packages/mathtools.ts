import { mathtoolsArrows } from '../constructs/longArrows';
import { cases, matrix } from '../constructs/mathArrays';
import { symbolCommand } from '../constructs/mathSymbols';
import type { CommandEntry, PackageEntry } from '../entries';
import { tokensOf } from '../entries';
import { TOOLS_SYMBOLS } from '../symbols/symbols';
import { macroOf } from '../define';
import { tokensText } from '../../expansion/expandables';

/** `\DeclarePairedDelimiter{\abs}{\lvert}{\rvert}`: a star makes the brackets grow. */
const paired: CommandEntry = {
  name: 'DeclarePairedDelimiter',
  signature: 'mmm',
  description: 'A pair of brackets as a command; with a star they grow.',
  example: '\\DeclarePairedDelimiter{\\abs}{\\lvert}{\\rvert}',
  package: 'mathtools',
  run: (it, args) => {
    const target = tokensOf(args, 0).find((t) => t.cell !== null);
    const [left, right] = [tokensText(tokensOf(args, 1)), tokensText(tokensOf(args, 2))];
    if (!target?.cell) return;
    const name = target.text;
    it.state.set(
      it.state.cell(`\u0001grow:${name}`),
      macroOf(it.state, `\\left${left}#1\\right${right}`, 1),
      true,
    );
    it.state.set(
      it.state.cell(`\u0001still:${name}`),
      macroOf(it.state, `${left}#1${right}`, 1),
      true,
    );
    it.state.set(
      target.cell,
      {
        kind: 'expandable',
        name,
        expand: (p: typeof it.p) =>
          p.unread(p.command(`\u0001${p.takeChar('*') ? 'grow' : 'still'}:${name}`)),
      },
      true,
    );
  },
};

/** mathtools: what it adds to amsmath. */
export const mathtools: PackageEntry = {
  name: 'mathtools',
  description: 'amsmath and more: paired brackets, cases of display size, := as one sign.',
  options: null,
  requires: ['amsmath'],
  commands: [...mathtoolsArrows, paired, ...TOOLS_SYMBOLS.map(symbolCommand)],
  environments: [
    cases('dcases', 'display', '{', null),
    cases('rcases', 'text', null, '}'),
    matrix('psmallmatrix', '(', ')', true),
    matrix('bsmallmatrix', '[', ']', true),
  ],
};
