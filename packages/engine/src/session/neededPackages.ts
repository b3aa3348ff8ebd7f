import type { Finding, FindingCode } from '../findings/finding';
import { fill, WORDS } from '../findings/words';
import { PACKAGES } from '../language/packages';

/** Packages that are asked first who brings a name; what they lack the others may have. */
const FIRST = ['amsmath', 'amssymb', 'amsfonts', 'mathtools', 'amsthm', 'graphicx', 'xcolor'];

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
  }
  return { command, environment };
};
let owners: Owners | null = null;

const KINDS: Partial<Record<FindingCode, 'command' | 'environment'>> = {
  'command-unknown': 'command',
  'environment-unknown': 'environment',
};

const FOLLOWING: ReadonlySet<FindingCode> = new Set([
  'alignment-outside',
  'math-in-text',
  'environment-unclosed',
  'begin-end-mismatch',
]);

/** The package that brings a name, when a finding says that nobody does. */
function ownerOf(finding: Finding, text: string): { name: string; owner: string } | null {
  const kind = KINDS[finding.kind];
  if (!kind) return null;
  owners ??= ownersOf();
  const source = text.slice(finding.from, finding.from + 200);
  const pattern = kind === 'command' ? /^\\([A-Za-z]+\*?)/ : /^\\begin\s*\{([^}]*)\}/;
  const name = pattern.exec(source)?.[1];
  const owner = name === undefined ? undefined : owners[kind].get(name);
  return name !== undefined && owner !== undefined ? { name, owner } : null;
}

/** The edit that loads a package: behind the last line that loads one, or behind the class line. */
function loadingEdit(text: string, name: string) {
  const end = text.indexOf('\\begin{document}');
  const preamble = end < 0 ? '' : text.slice(0, end);
  const lines = [...preamble.matchAll(/^[^%\n]*\\(usepackage|documentclass)\b[^\n]*\n?/gm)];
  const last = lines.findLast(([, which]) => which === 'usepackage') ?? lines[0];
  if (!last) return null;
  const at = last.index + last[0].length;
  const before = last[0].endsWith('\n') ? '' : '\n';
  return { from: at, to: at, text: `${before}\\usepackage{${name}}\n` };
}

/**
 * Findings of names that nobody brings, where a package would: one for each package, at the
 * first of its names, with the line that loads it. The others only follow from it.
 */
export function withNeededPackages(findings: readonly Finding[], text: () => string): Finding[] {
  if (!findings.some(({ kind }) => KINDS[kind])) return [...findings];
  const source = text();
  const told = new Set<string>();
  let environmentEnd = 0;
  return findings.flatMap((finding) => {
    // What an alignment holds makes no sense as text: that follows from its package.
    if (finding.from < environmentEnd && FOLLOWING.has(finding.kind)) return [];
    const found = ownerOf(finding, source);
    if (!found) return [finding];
    const { name, owner } = found;
    if (finding.kind === 'environment-unknown')
      environmentEnd =
        Math.max(0, source.indexOf(`\\end{${name}}`, finding.from)) + name.length + 6;
    if (told.has(owner)) return [];
    told.add(owner);
    const { severity, message, cause } = WORDS['package-needed'];
    const shown = finding.kind === 'command-unknown' ? `\\${name}` : name;
    const edit = loadingEdit(source, owner);
    const needed: Finding = {
      kind: 'package-needed',
      severity,
      file: finding.file,
      from: finding.from,
      to: finding.to,
      message: fill(message, { name: shown, package: owner }),
      cause: fill(cause, { package: owner }),
    };
    return [edit ? { ...needed, fix: { title: `Load ${owner}`, edits: [edit] } } : needed];
  });
}
