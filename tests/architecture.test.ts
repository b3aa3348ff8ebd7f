import { ESLint } from 'eslint';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const ENGINE = 'packages/engine/src';

/** What a line of import would be told in a room. */
async function complaints(room: string, imported: string): Promise<number> {
  const eslint = new ESLint();
  const text = `import type { X } from '${imported}';\nexport type Y = X;\n`;
  const [result] = await eslint.lintText(text, { filePath: join(ENGINE, room, 'probe.ts') });
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
  ])('lint refuses %s importing %s', async (room, imported) => {
    expect(await complaints(room, imported)).toBe(1);
  });
  it.each([
    ['tokens', '../base/spans'],
    ['session', '../pages/page'],
    ['math', '../document/math'],
  ])('lint allows %s importing %s', async (room, imported) => {
    expect(await complaints(room, imported)).toBe(0);
  });
});

it('every source file says what it is and is of a size that can be read', () => {
  const files = readdirSync(ENGINE, { recursive: true, encoding: 'utf8' }).filter(
    (name) => name.endsWith('.ts') && !name.includes('test'),
  );
  const long = files.filter((name) => {
    const text = readFileSync(join(ENGINE, name), 'utf8');
    const isTable = /data table|symbols|words\.ts$|characters\.ts$/.test(name + text.slice(0, 80));
    return !isTable && text.split('\n').length > 600;
  });
  expect(long).toEqual([]);
});
