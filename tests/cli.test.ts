import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const folder = mkdtempSync(join(tmpdir(), 'odd-compass-'));
const run = (...args: string[]) =>
  spawnSync('bin/odd-compass', ['pdf', ...args], { encoding: 'utf8' });

function sheet(name: string, body: string): string {
  const file = join(folder, name);
  writeFileSync(
    file,
    `\\documentclass{article}\n\\usepackage{amsmath}\n\\begin{document}\n${body}\n\\end{document}\n`,
  );
  return file;
}

describe('the command line', () => {
  it('typesets a good sheet: status 0, the words in order, every font embedded and subset', () => {
    const file = sheet(
      'good.tex',
      'The tide on \\today: $x^2 \\le \\frac{1}{2}$, \\emph{so} the office opens.',
    );
    const out = join(folder, 'good.pdf');
    const result = run(file, '-o', out, '--date', '2026-03-01');
    expect([result.status, result.stderr]).toEqual([0, '']);
    const words = execFileSync('pdftotext', [out, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ');
    expect(words).toContain('The tide on March 1, 2026:');
    expect(words).toContain('so the office opens.');
    for (const font of execFileSync('pdffonts', [out], { encoding: 'utf8' })
      .trim()
      .split('\n')
      .slice(2)) {
      expect(font).toMatch(/CID Type 0C .*yes yes yes/);
    }
  });
  it('gives the same bytes for the same sheet', () => {
    const file = sheet('same.tex', '$\\sum_{i=1}^n i$ and more.');
    const pdf = (name: string) => {
      run(file, '-o', join(folder, name), '--date', '2026-03-01');
      return readFileSync(join(folder, name));
    };
    expect(pdf('a.pdf').equals(pdf('b.pdf'))).toBe(true);
  });
  it('tells findings as lines of JSON with places and fixes: status 1, and the PDF is there', () => {
    const file = sheet('broken.tex', 'A \\textbff{word}.');
    const result = run(file, '--findings', 'json');
    expect(result.status).toBe(1);
    const [row] = result.stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>);
    expect(row).toMatchObject({
      severity: 'broken',
      kind: 'command-unknown',
      file,
      line: 4,
      column: 3,
      endLine: 4,
      endColumn: 11,
      fix: { title: 'Write \\textbf', edits: [{ file, text: '\\textbf' }] },
    });
    expect(existsSync(join(folder, 'broken.pdf'))).toBe(true);
  });
  it('says what it cannot read: status 2', () => {
    expect(run(join(folder, 'none.tex'))).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('cannot be read'),
    });
    expect(run(sheet('x.tex', 'x'), '--date', 'tomorrow').status).toBe(2);
    expect(run().status).toBe(2);
  });
  it('ends a document that takes too long with a sentence: status 2', () => {
    const file = sheet('long.tex', 'Low water. '.repeat(60_000));
    const result = spawnSync('bin/odd-compass', ['pdf', file, '-o', join(folder, 'long.pdf')], {
      encoding: 'utf8',
      env: { ...process.env, ODD_COMPASS_PDF_SECONDS: '0.2' },
    });
    expect(result.status).toBe(2);
    expect(result.stderr).toMatch(/^odd-compass: this document was not done in 0.2 seconds/);
    expect(existsSync(join(folder, 'long.pdf'))).toBe(false);
  });
});

describe('the steps of a sheet', () => {
  const steps = (file: string) => {
    const { status, stdout, stderr } = spawnSync('bin/odd-compass', ['steps', file], {
      encoding: 'utf8',
    });
    const rows = stdout.split('\n').filter(Boolean);
    return { status, stderr, rows: rows.map((row) => JSON.parse(row) as Record<string, unknown>) };
  };
  it('come one a line, each at its relation, with values where the sides differ: status 1', () => {
    const file = sheet('steps.tex', '$(a+b)^2 = a^2 + 2ab + b^2 = a^2 + ab + b^2$');
    const { status, rows } = steps(file);
    expect(status).toBe(1);
    expect(rows.map(({ result }) => result)).toEqual(['holds', 'differs']);
    expect(rows[0]).toMatchObject({ file, line: 4, column: 10, relation: '=', at: null });
    const { a, b } = rows[1]?.at as Record<string, string>;
    expect([a, b].every((value) => /^-?\d+(\/\d+)?$/.test(value ?? ''))).toBe(true);
    const text = readFileSync(file, 'utf8');
    expect(text.slice(Number(rows[1]?.from), Number(rows[1]?.to))).toBe('=');
    expect(rows[1]).toMatchObject({ left: 'a^2 + 2ab + b^2', right: 'a^2 + ab + b^2' });
  });
  it('stand in the part they are written in', () => {
    writeFileSync(join(folder, 'part.tex'), 'First words.\nThen $12 \\cdot 7 = 74$.\n');
    const { rows } = steps(sheet('whole.tex', 'Before.\n\\input{part}\nAfter: $2^{10} = 1024$.'));
    expect(rows.map(({ file, line, result }) => [file, line, result])).toEqual([
      [join(folder, 'part.tex'), 2, 'differs'],
      [join(folder, 'whole.tex'), 6, 'holds'],
    ]);
    expect(rows[1]).toMatchObject({ left: '2^{10}', right: '1024' });
  });
  it('end with status 0 where none differs, and 2 where there is no sheet', () => {
    expect(steps(sheet('sound.tex', 'Words, and $1 + 1 = 2$.')).status).toBe(0);
    const missing = steps(join(folder, 'nowhere.tex'));
    expect([missing.status, missing.stderr]).toEqual([
      2,
      `odd-compass: ${join(folder, 'nowhere.tex')} cannot be read\n`,
    ]);
  });
});
