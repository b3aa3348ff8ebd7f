import type { CommandEntry } from './entries';

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
