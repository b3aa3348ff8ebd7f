import { lineMap, positionAt, Session, type Finding } from '@odd-compass/engine';
import { readFileSync, writeFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { isMainThread } from 'node:worker_threads';
import { inBoundedThread } from './boundedThread';
import { filesIn } from './folderFiles';
import { fontsFrom } from './hostFonts';

const USAGE = 'odd-compass pdf sheet.tex [-o out.pdf] [--findings json|text] [--date 2026-03-01]';

/** Exit codes: 0 nothing broken, 1 broken parts, 2 could not be read. */
async function main(): Promise<number> {
  const options = readOptions();
  if (!options) return 2;
  const { input, output, findings: format, today } = options;
  let text: string;
  try {
    text = readFileSync(input, 'utf8');
  } catch {
    process.stderr.write(`odd-compass: ${input} cannot be read\n`);
    return 2;
  }
  const root = process.env.ODD_COMPASS_ROOT ?? dirname(dirname(fileURLToPath(import.meta.url)));
  const files = filesIn(dirname(input));
  const fonts = fontsFrom(join(root, 'static/fonts'));
  const session = new Session({ fonts, today, file: input, files });
  session.setText(text);
  session.settleAll();
  if (await session.loadPatterns()) session.settleAll();
  const pdf = await session.pdf({ title: basename(input).replace(/\.tex$/, ''), author: '' });
  try {
    writeFileSync(output, pdf);
  } catch {
    process.stderr.write(`odd-compass: ${output} cannot be written\n`);
    return 2;
  }
  const findings = session.findings();
  report(text, findings, format, input, (name) => files.text(name));
  return findings.some(({ severity }) => severity === 'broken') ? 1 : 0;
}

function readOptions() {
  try {
    const { values, positionals } = parseArgs({
      allowPositionals: true,
      options: {
        output: { type: 'string', short: 'o' },
        findings: { type: 'string', default: 'text' },
        date: { type: 'string' },
      },
    });
    const [input] = positionals;
    const date = values.date ? /^(\d{4})-(\d{2})-(\d{2})$/.exec(values.date) : null;
    const format =
      values.findings === 'json' || values.findings === 'text' ? values.findings : null;
    if (!input || positionals.length > 1 || (values.date && !date) || !format) {
      throw new Error();
    }
    const now = new Date();
    const today = date
      ? { year: Number(date[1]), month: Number(date[2]), day: Number(date[3]) }
      : { year: now.getFullYear(), month: now.getMonth() + 1, day: now.getDate() };
    return {
      input,
      output: values.output ?? input.replace(/(\.tex)?$/, '.pdf'),
      findings: format as 'json' | 'text',
      today,
    };
  } catch {
    process.stderr.write(`usage: ${USAGE}\n`);
    return null;
  }
}

function report(
  text: string,
  findings: readonly Finding[],
  format: 'json' | 'text',
  input: string,
  textOf: (name: string) => string | null,
): void {
  const own = lineMap(text);
  for (const { kind, severity, file: name, from, to, message, cause, fix } of findings) {
    const map = name === input ? own : lineMap(textOf(name) ?? '');
    const file = name === input ? input : join(dirname(input), name);
    const { line, column } = positionAt(map, from);
    const end = positionAt(map, to);
    if (format === 'text') {
      process.stderr.write(`${file}:${line}:${column}: ${severity}: ${message}\n`);
      continue;
    }
    const row = {
      severity,
      kind,
      file,
      line,
      column,
      endLine: end.line,
      endColumn: end.column,
      message,
      cause,
    };
    const mend = fix && { title: fix.title, edits: fix.edits.map((edit) => ({ file, ...edit })) };
    process.stdout.write(`${JSON.stringify(mend ? { ...row, fix: mend } : row)}\n`);
  }
}

process.exitCode = isMainThread
  ? await inBoundedThread(fileURLToPath(import.meta.url))
  : await main();
