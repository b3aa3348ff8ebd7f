import { nearestName } from '../base/nearest';
import type { FindingCode, RawFinding, RawFindingOf } from '../findings/finding';
import { PACKAGES } from '../language/packages';
import { packageLine } from '../source/packageLine';
import type { BlockFinding } from './wording';

/** Packages that are asked first who brings a name; what they lack the others may have. */
const FIRST = [
  'amsmath',
  'amssymb',
  'amsfonts',
  'mathtools',
  'amsthm',
  'graphicx',
  'xcolor',
  'enumitem',
  'physics',
];

type Owners = Readonly<Record<'command' | 'environment', ReadonlyMap<string, string>>>;

const ownersOf = (): Owners => {
  const all = Object.values(PACKAGES).filter((entry) => entry !== undefined);
  const rank = (name: string): number => (FIRST.includes(name) ? FIRST.indexOf(name) : 99);
  const command = new Map<string, string>();
  const environment = new Map<string, string>();
  for (const entry of [...all].sort((a, b) => rank(a.name) - rank(b.name))) {
    const put = (into: Map<string, string>, name: string): unknown =>
      // The fonts of the AMS are loaded by the package of its symbols, which courses know.
      into.has(name) || into.set(name, entry.name === 'amsfonts' ? 'amssymb' : entry.name);
    for (const { name } of entry.commands ?? []) put(command, name);
    for (const name of Object.keys(entry.macros ?? {})) put(command, name);
    for (const { name } of entry.environments ?? []) put(environment, name);
    for (const { name, kind } of entry.described ?? [])
      put(kind === 'command' ? command : environment, name);
  }
  return { command, environment };
};
let owners: Owners | null = null;

/** A finding of a name that nobody brings. */
type Unknown = RawFindingOf<'command-unknown'> | RawFindingOf<'environment-unknown'>;
const isUnknown = (raw: RawFinding): raw is Unknown =>
  raw.code === 'command-unknown' || raw.code === 'environment-unknown';

/** Packages whose names are tried where nothing that is loaded has one that is near. */
const COMMON: ReadonlySet<string> = new Set([...FIRST, 'hyperref', 'bm', 'cancel', 'siunitx']);

/** A misspelt name of a package that is not loaded: its button writes it right, and the next note loads the package. */
function nearOwned(finding: BlockFinding, raw: Unknown, source: string): BlockFinding {
  const { name } = raw.args;
  const isCommand = raw.code === 'command-unknown';
  const written = isCommand ? `\\${name}` : name;
  const isCut = raw.fix?.title.includes(' ', 'Write '.length) ?? false;
  if (raw.inFile || (raw.fix && !isCut)) return finding;
  owners ??= ownersOf();
  const names = owners[isCommand ? 'command' : 'environment'];
  const common = [...names].flatMap(([one, owner]) => (COMMON.has(owner) ? [one] : []));
  const near = nearestName(name, common);
  const at = source.indexOf(written, finding.start + raw.from) - finding.start;
  if (near === null || at < raw.from || at > raw.to) return finding;
  const from = at + (isCommand ? 1 : 0);
  const edits = [{ from, to: from + name.length, text: near }];
  const fix = { title: `Write ${isCommand ? '\\' : ''}${near}`, edits };
  return { ...finding, raw: { ...raw, fix } };
}

/** What stands behind the command of a finding, as far as arguments may reach. */
function behindName(source: string, { start, raw }: BlockFinding): string {
  const from = raw.inFile ? '' : source.slice(start + raw.from, start + raw.from + 200);
  return from.replace(/^\\[A-Za-z@]+/, '');
}

const FOLLOWING: ReadonlySet<FindingCode> = new Set([
  'alignment-outside',
  'math-in-text',
  'environment-unclosed',
  'begin-end-mismatch',
]);

/** Names that several packages have: what stands behind one shows whose it is. */
const BY_USE: ReadonlyMap<string, readonly [behind: RegExp, owner: string]> = new Map([
  // physics has one argument, siunitx a number and a unit.
  ['qty', [/^\s*(?:\[[^\]]*\]\s*)?\{[^{}]*\}\s*\{/, 'siunitx']],
]);

/** The package that brings the name of a finding that says nobody does. */
function ownerOf({ code, args }: Unknown, behind: () => string): string | undefined {
  owners ??= ownersOf();
  const shape = code === 'command-unknown' ? BY_USE.get(args.name) : undefined;
  if (shape?.[0].test(behind())) return shape[1];
  return owners[code === 'command-unknown' ? 'command' : 'environment'].get(args.name);
}

/** The finding in place of one of an unknown name; what stands in another file has no button. */
function needed(start: number, raw: Unknown, owner: string, text: string): BlockFinding {
  const { code, from, to, args, inFile } = raw;
  const name = code === 'command-unknown' ? `\\${args.name}` : args.name;
  const line = inFile ? null : packageLine(text, owner);
  const edits = line
    ? [{ from: line.from - start, to: line.from - start, text: line.insert }]
    : null;
  const found: RawFinding = { code: 'package-needed', from, to, args: { name, package: owner } };
  return {
    start,
    raw: {
      ...found,
      ...(inFile ? { inFile } : {}),
      ...(edits ? { fix: { title: `Load ${owner}`, edits } } : {}),
    },
  };
}

/**
 * Findings of names that nobody brings, where a package would: one for each package, at the
 * first of its names, with the line that loads it. The others only follow from it.
 */
export function withNeededPackages(
  findings: readonly BlockFinding[],
  text: () => string,
): BlockFinding[] {
  if (!findings.some(({ raw }) => isUnknown(raw))) return [...findings];
  const source = text();
  const place = ({ start, raw }: BlockFinding): number => start + raw.from;
  const told = new Set<string>();
  let environmentEnd = 0;
  return [...findings]
    .sort((a, b) => place(a) - place(b))
    .flatMap((finding) => {
      const { raw } = finding;
      const { code, inFile } = raw;
      // What an alignment holds makes no sense as text: that follows from its package.
      if (!inFile && place(finding) < environmentEnd && FOLLOWING.has(code)) return [];
      if (!isUnknown(raw)) return [finding];
      const owner = ownerOf(raw, () => behindName(source, finding));
      if (owner === undefined) return [nearOwned(finding, raw, source)];
      if (code === 'environment-unknown' && !inFile)
        environmentEnd = source.indexOf(`\\end{${raw.args.name}}`, place(finding)) + 1;
      if (told.has(owner)) return [];
      told.add(owner);
      return [needed(finding.start, raw, owner, source)];
    });
}
