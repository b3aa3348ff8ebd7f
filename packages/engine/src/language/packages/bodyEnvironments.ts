import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { environmentCell } from '../machine/cells';
import { tokensOf, type EnvironmentEntry, type PackageEntry } from '../machine/entries';
import { environmentTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';
import { braced } from './colourBoxes';

/** An environment that hands its contents on as `\BODY` to a macro. */
const bodied = (name: string, signature: string): EnvironmentEntry => ({
  name,
  signature,
  description: 'An environment of your own.',
  example: '',
  detail: { name, signature },
  begin: (it, args) => {
    const body = environmentTokens(it, name);
    closeNamed(it, name);
    const given = args.flatMap((arg, i) =>
      Array.isArray(arg)
        ? signature[i] === 'o'
          ? [...it.source('['), ...(arg as readonly Token[]), ...it.source(']')]
          : braced(it, arg as readonly Token[])
        : [],
    );
    it.p.push([
      ...it.source('\\begingroup\\def\\BODY'),
      ...braced(it, body),
      ...it.source(`\\csname env@${name}\\endcsname`),
      ...given,
      ...it.source('\\endgroup'),
    ]);
  },
});

function newEnviron(it: Interpreter, args: readonly (readonly Token[] | null | boolean)[]): void {
  const name = tokensText(tokensOf(args, 0)).trim();
  const count = parseInt(tokensText(tokensOf(args, 1)), 10) || 0;
  const fallback = Array.isArray(args[2]) ? (args[2] as readonly Token[]) : null;
  const optional = fallback ? [...it.source('['), ...fallback, ...it.source(']')] : [];
  const size = count > 0 ? it.source(`[${count}]`) : [];
  const final = tokensOf(args, 4);
  it.execute([
    ...it.source(`\\expandafter\\gdef\\csname env@${name}\\endcsname{}`),
    ...it.source(`\\expandafter\\renewcommand\\csname env@${name}\\endcsname`),
    ...size,
    ...optional,
    ...braced(it, [...tokensOf(args, 3), ...final]),
  ]);
  const signature = 'm'.repeat(count);
  const own = fallback ? `o${signature.slice(1)}` : signature;
  it.write(environmentCell(name), bodied(name, own), true);
}

/** environ: environments whose contents are one argument. */
export const environ: PackageEntry = {
  name: 'environ',
  description: 'Environments whose contents are at hand as one.',
  options: null,
  commands: ['NewEnviron', 'RenewEnviron'].map((name) => ({
    name,
    signature: 'mooMo',
    description: 'An environment of your own; its contents are \\BODY.',
    example: `\\${name}{tide}{[\\BODY]}\\begin{tide}ebb\\end{tide}`,
    run: newEnviron,
  })),
};
