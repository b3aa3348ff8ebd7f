import { ESLint } from 'eslint';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { describe, expect, it } from 'vitest';

const ENGINE = 'packages/engine/src';
const CHECKS = 'packages/checks/src';

/** What a line of import would be told in a room. */
async function complaints(room: string, imported: string, folder = ENGINE): Promise<number> {
  const eslint = new ESLint();
  const text = `import type { X } from '${imported}';\nexport type Y = X;\n`;
  const [result] = await eslint.lintText(text, { filePath: join(folder, room, 'probe.ts') });
  return result?.messages.filter(({ ruleId }) => ruleId === 'no-restricted-imports').length ?? 0;
}

describe('import directions', () => {
  it.each([
    ['base', '../tokens/token'],
    ['tokens', '../expansion/state'],
    ['language', '../fonts/font'],
    ['math', '../paragraphs/items'],
    ['pages', '../session/session'],
    ['output/pdf', '../../session/session'],
    ['language/machine', '../constructs/tables'],
    ['language/scanning', '../packages/graphicx'],
    ['language/constructs', '../kernel/loading'],
    ['language/packages', '../classes/beamer'],
    ['language/machine', '../../blocks/layout'],
  ])('lint refuses %s importing %s', async (room, imported) => {
    expect(await complaints(room, imported)).toBe(1);
  });
  it.each([
    ['tokens', '../base/spans'],
    ['session', '../pages/page'],
    ['math', '../document/math'],
    ['language/constructs', '../scanning/dimenOf'],
    ['language/kernel', '../packages'],
    ['language/packages', '../../document/blocks'],
  ])('lint allows %s importing %s', async (room, imported) => {
    expect(await complaints(room, imported)).toBe(0);
  });
  it.each([
    ['numbers', '../reading/read', 1],
    ['reading', '../steps/check', 1],
    ['steps', '../sheet/pieces', 1],
    ['sheet', '../steps/check', 0],
    ['values', '../reading/expression', 0],
  ])('of the checks, %s importing %s', async (room, imported, told) => {
    expect(await complaints(room, imported, CHECKS)).toBe(told);
  });
});

/** What a file needs when it runs: its imports that are not of types alone, as paths. */
function importsOf(file: string): string[] {
  const text = readFileSync(file, 'utf8');
  const found = text.matchAll(/^(?:import|export)\s+(?!type\b)[^;'"]*?from\s+'(\.[^']+)'/gm);
  return [...found].flatMap(([, to = '']) => {
    const path = join(dirname(file), to);
    return [`${path}.ts`, join(path, 'index.ts')].filter((one) => existsSync(one));
  });
}

/** The files that import one another in a circle, if any: strongly connected parts (Tarjan 1972). */
function circles(files: readonly string[]): string[][] {
  const order = new Map<string, number>();
  const low = new Map<string, number>();
  const open: string[] = [];
  const found: string[][] = [];
  const visit = (file: string): void => {
    const at = order.size;
    order.set(file, at);
    low.set(file, at);
    open.push(file);
    for (const next of importsOf(file)) {
      if (!order.has(next)) visit(next);
      if (open.includes(next)) low.set(file, Math.min(low.get(file) ?? at, low.get(next) ?? at));
    }
    if (low.get(file) !== at) return;
    const part = open.splice(open.indexOf(file));
    if (part.length > 1) found.push(part);
  };
  for (const file of files) if (!order.has(file)) visit(file);
  return found;
}

const sources = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.ts$/.test(name) && !/\.(test|d)\.ts$/.test(name))
    .map((name) => join(folder, name));

it('no files import one another in a circle when they run', () => {
  expect(
    circles([...sources(ENGINE), ...sources(CHECKS), ...sources('src'), ...sources('tools')]),
  ).toEqual([]);
});

it('every source file says what it is and is of a size that can be read', () => {
  const files = readdirSync(ENGINE, { recursive: true, encoding: 'utf8' }).filter(
    (name) => name.endsWith('.ts') && !name.includes('test'),
  );
  const long = files.filter((name) => {
    const text = readFileSync(join(ENGINE, name), 'utf8');
    const isTable = /data table|symbols|words\.ts$|characters\.ts$/.test(name + text.slice(0, 80));
    return !isTable && text.split('\n').length > 450;
  });
  expect(long).toEqual([]);
});

it('no file of the app, its tools or its tests is too long to be read at once', () => {
  const ROOT = new URL('../', import.meta.url).pathname;
  const long = ['src', 'tools', 'tests', CHECKS, 'packages/engine/src/testing'].flatMap((folder) =>
    readdirSync(ROOT + folder, { recursive: true, encoding: 'utf8' })
      .filter((name) => /\.(ts|svelte|css|mjs)$/.test(name))
      // What the corpus must show is data.
      .filter((name) => !name.endsWith('corpusExpected.ts'))
      .filter((name) => readFileSync(`${ROOT}${folder}/${name}`, 'utf8').split('\n').length > 451)
      .map((name) => `${folder}/${name}`),
  );
  expect(long).toEqual([]);
});

it('room after room of the architecture is told of in its page', () => {
  const page = readFileSync(new URL('../docs/architecture.md', import.meta.url), 'utf8');
  const engine = new URL('../packages/engine/src/', import.meta.url).pathname;
  const rooms = readdirSync(engine, { withFileTypes: true })
    .filter((entry) => entry.isDirectory() && entry.name !== 'testing')
    .map(({ name }) => name);
  const floors = readdirSync(`${engine}language`, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map(({ name }) => name);
  const checks = readdirSync(new URL('../packages/checks/src', import.meta.url), {
    withFileTypes: true,
  })
    .filter((entry) => entry.isDirectory() && entry.name !== 'testing')
    .map(({ name }) => name);
  expect([...rooms, ...floors, ...checks].filter((name) => !page.includes(`\`${name}\``))).toEqual(
    [],
  );
});
