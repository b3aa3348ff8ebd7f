import type { CommandEntry, PackageEntry, SourceName } from './entries';

/** A command of a package that is a macro in the language itself. */
export const macroEntry = (
  name: string,
  signature: string,
  description: string,
  example: string,
  macro: string,
  fallback?: string,
): CommandEntry => ({
  name,
  signature,
  description,
  example,
  macro,
  ...(fallback === undefined ? {} : { fallback }),
});

/** Commands that are taken in and have nothing to do here. */
export const quietEntry = (name: string, signature: string, description: string): CommandEntry => ({
  name,
  signature,
  description,
  example: `\\${name}${[...signature].map((kind) => (kind === 'm' || kind === 'M' ? '{x}' : '')).join('')}`,
  run: () => undefined,
});

/** Commands that change the page elsewhere and not yet here: whoever uses one is told so. */
export const idleEntry = (name: string, signature: string, description: string): CommandEntry => ({
  ...quietEntry(name, signature, `${description} It changes nothing yet.`),
  run: (it, _args, token) => it.p.report('command-without-effect', it.spanOf(token), { name }),
});

/** Of commands in a package's source that do nothing, all are idle but those of whose work there is none here. */
export const tellingIdle = (source: string, harmless: ReadonlySet<string>): string =>
  source.replace(
    /(\\providecommand\\([A-Za-z@]+)\[\d\](?:\[[^\]]*\])?)\{\}/g,
    (quiet, head: string, name: string) =>
      harmless.has(name) ? quiet : `${head}{\\@withouteffect{${name}}}`,
  );

/** A command that the source of its package defines. */
export const sourceCommand = (
  name: string,
  signature: string,
  description: string,
  example: string,
): SourceName => ({ kind: 'command', name, signature, description, example });

/** An environment that the source of its package defines. */
export const sourceEnvironment = (
  name: string,
  signature: string,
  description: string,
  example: string,
): SourceName => ({ kind: 'environment', name, signature, description, example });

/**
 * Names that a package's source defines, one on a line: name and signature, what it does, an example,
 * between bars with blanks round them. The name of an environment stands in braces; ⏎ is a new line.
 */
export const describedNames = (lines: string): SourceName[] =>
  lines
    .trim()
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => {
      const [head = '', description = '', ...example] = line.trim().split(' | ');
      const [name = '', signature = ''] = head.split(' ');
      const make = name.startsWith('{') ? sourceEnvironment : sourceCommand;
      const sample = example.join(' | ').replaceAll('⏎', '\n');
      return make(name.replace(/[{}]/g, ''), signature, description, sample);
    });

/** A package that is written in the language itself, its names described line by line (`describedNames`). */
export const describedPackage = (
  name: string,
  description: string,
  names: string,
  source: string,
  requires: readonly string[] = [],
): PackageEntry => sourcePackage(name, description, describedNames(names), source, requires);

/** A package whose work others do, with what it adds to them. */
export const asOthers = (
  name: string,
  requires: readonly string[],
  description: string,
  source = '',
): PackageEntry => ({ name, description, options: null, requires, source });

/** A package that is written in the language itself. */
export const sourcePackage = (
  name: string,
  description: string,
  described: readonly SourceName[],
  source: string,
  requires: readonly string[] = [],
): PackageEntry => ({ name, description, options: null, requires, described, source });
