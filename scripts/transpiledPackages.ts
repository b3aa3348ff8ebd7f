/** The packages as Node's own modules, for the tests. */
import { build } from 'esbuild';
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Plugin } from 'vite';

const PACKAGES = fileURLToPath(new URL('../packages/', import.meta.url));
/** Within the project, so that the packages of others are found from there. */
const MADE = fileURLToPath(new URL('../build-tools/packages/', import.meta.url));

/** What vitest leaves to Node. */
export const TRANSPILED = /\/build-tools\/packages\//;

/** What others wrote, which Node finds by itself. */
function dependencies(name: string): string[] {
  const manifest = JSON.parse(readFileSync(join(PACKAGES, name, 'package.json'), 'utf8')) as {
    readonly dependencies: Readonly<Record<string, string>>;
  };
  return Object.keys(manifest.dependencies).filter((one) => !one.startsWith('@odd-compass/'));
}

const sources = (name: string): string[] =>
  readdirSync(join(PACKAGES, name, 'src'), { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .map((file) => join(PACKAGES, name, 'src', file));

/**
 * Makes plain modules of the packages named, and gives a plugin by which tests import those.
 * Vitest would run each file through its module runner, where every use of what is imported asks an object for it:
 * three times the time for the same work, and as long again to load.
 */
export async function transpiledPackages(names: readonly string[]): Promise<Plugin> {
  rmSync(MADE, { recursive: true, force: true });
  await build({
    entryPoints: names.flatMap(sources),
    outdir: MADE,
    outbase: PACKAGES,
    bundle: true,
    splitting: true,
    external: names.flatMap(dependencies),
    platform: 'node',
    format: 'esm',
    target: 'node20',
    outExtension: { '.js': '.mjs' },
    logLevel: 'warning',
  });
  return {
    name: 'transpiled-packages',
    enforce: 'pre',
    async resolveId(source, importer, options) {
      const found = await this.resolve(source, importer, { ...options, skipSelf: true });
      const file = found ? relative(PACKAGES, found.id) : '..';
      if (file.startsWith('..') || !file.endsWith('.ts')) return null;
      const made = join(MADE, file.replace(/\.ts$/, '.mjs'));
      return existsSync(made) ? made : null;
    },
  };
}
