import type { Span } from '../../base/spans';
import type { Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';

/** Packages of which one stops where the other was loaded (their manuals). */
const CLASHES: readonly (readonly string[])[] = [
  ['subfig', 'subcaption', 'subfigure'],
  ['algorithm2e', 'algorithm'],
  ['algorithmic', 'algpseudocode', 'algorithmicx'],
  ['biblatex', 'natbib'],
  ['biblatex', 'cite'],
  ['babel', 'polyglossia'],
  ['tocloft', 'titletoc'],
  ['mathptmx', 'newtxmath'],
];

/** What has to be loaded before a package. */
const BEFORE: Readonly<Record<string, readonly string[]>> = {
  hyperref: ['cleveref'],
  varioref: ['cleveref'],
  amsmath: ['cleveref', 'mathtools'],
};
/** A package that loads another one itself comes to no harm before it. */
const LOADS: Readonly<Record<string, readonly string[]>> = { mathtools: ['amsmath'] };

/** Tells of a package that cannot be loaded beside, or behind, one that was loaded before it. */
export function tellClash(it: Interpreter, name: string, span: Span, token: Token): void {
  if (token.chunk !== it.p.reader.chunk) return;
  const other = CLASHES.filter((group) => group.includes(name))
    .flat()
    .find((one) => one !== name && it.hasPackage(one));
  const { text, base } = it.p.reader;
  const isAlone = /^\\usepackage(?:\[[^\]]*\])?\{[^{},]*\}$/.test(
    text.slice(base + span.from, base + span.to),
  );
  const out = { title: `Take ${name} out`, edits: [{ ...span, text: '' }] };
  if (other) return it.p.report('packages-clash', span, { name, other }, isAlone ? out : undefined);
  if (it.hasPackage(name)) return;
  const late = BEFORE[name]?.find((one) => it.hasPackage(one) && !LOADS[one]?.includes(name));
  if (late) it.p.report('package-order', span, { name: late, other: name });
}
