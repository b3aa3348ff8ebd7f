import { specMacro } from '../../expansion/assignments';
import { parameterise } from '../../expansion/definitions';
import { detach } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { mathtoolsArrows } from '../constructs/longArrows';
import { toolsAccents } from '../constructs/mathAccents';
import { laps } from '../constructs/mathPlaced';
import { macroEntry } from '../machine/macroEntry';
import { toolsMatrices } from '../constructs/mathMatrices';
import { symbolCommand } from '../constructs/mathSymbols';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import { TOOLS_SYMBOLS } from '../symbols/symbols';
import { macroOf } from '../machine/define';
import { tokensText } from '../../expansion/tokenText';
import { ownName } from '../../expansion/cells';

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
      it.state.cell(ownName(`grow:${name}`)),
      macroOf(it.state, `\\left${left}#1\\right${right}`, 1),
      true,
    );
    it.state.set(
      it.state.cell(ownName(`still:${name}`)),
      macroOf(it.state, `${left}#1${right}`, 1),
      true,
    );
    it.state.set(
      target.cell,
      {
        kind: 'expandable',
        name,
        expand: (p: typeof it.p) =>
          p.unread(p.command(ownName(`${p.takeChar('*') ? 'grow' : 'still'}:${name}`))),
      },
      true,
    );
  },
};

/** Brackets of your own around a body that may use `\\delimsize`: `\\set*{…}` grows, `\\set[\\big]{…}` is of a size. */
function pairedX(name: string): CommandEntry {
  const extended = name.endsWith('PP');
  return {
    name,
    signature: '',
    description: 'Brackets of your own around a body that you say.',
    example: extended
      ? `\\${name}{\\gauge}[1]{P}{(}{)}{}{#1}`
      : `\\${name}{\\gauge}[1]{\\{}{\\}}{#1}`,
    package: 'mathtools',
    run: (it, _args, token) => {
      const args = it.readArguments(extended ? 'mommmmM' : 'mommM', token);
      const target = tokensOf(args ?? [], 0).find((t) => t.cell !== null);
      if (!args || !target?.cell) return;
      const [open, close, body] = extended ? [3, 4, 6] : [2, 3, 4];
      const { p } = it;
      const before = extended ? tokensOf(args, 2) : [];
      const behind = extended ? tokensOf(args, 5) : [];
      const whole = [
        ...before,
        p.command('left'),
        ...tokensOf(args, open as number),
        ...tokensOf(args, body as number),
        p.command('right'),
        ...tokensOf(args, close as number),
        ...behind,
      ];
      const count = args[1]
        ? parseInt(
            tokensOf(args, 1)
              .map((t) => t.text)
              .join(''),
            10,
          ) || 1
        : 1;
      const spec = it.source(`s o ${'m '.repeat(count)}`);
      const shifted = parameterise(whole).map((t) =>
        t.cat === Cat.Argument ? { ...t, text: String(Number(t.text) + 2) } : t,
      );
      const macro = specMacro(p, spec, []);
      it.state.set(target.cell, { ...macro, body: detach(shifted) }, true);
      it.define('delimsize', '\\middle');
    },
  };
}

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
  commands: [
    pairedX('DeclarePairedDelimiterX'),
    pairedX('DeclarePairedDelimiterXPP'),
    ...mathtoolsArrows,
    paired,
    ...laps,
    ...toolsAccents,
    ...colons,
    ...TOOLS_SYMBOLS.map(symbolCommand),
  ],
  environments: [...toolsMatrices],
};
