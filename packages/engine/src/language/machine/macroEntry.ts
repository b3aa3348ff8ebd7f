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

/** A package that is written in the language itself. */
export const sourcePackage = (
  name: string,
  description: string,
  described: readonly SourceName[],
  source: string,
  requires: readonly string[] = [],
): PackageEntry => ({ name, description, options: null, requires, described, source });
