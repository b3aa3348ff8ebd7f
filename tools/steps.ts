import { sideText, stepsOf, type Step } from '@odd-compass/checks';
import { lineMap, positionAt, Session } from '@odd-compass/engine';
import { readFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { isMainThread } from 'node:worker_threads';
import { inBoundedThread } from './boundedThread';
import { filesIn } from './folderFiles';
import { fontsFrom } from './hostFonts';
import { placeIn, splicedParts, type Spliced } from '../src/lib/domain/splicedParts';

/**
 * Tests the steps of a sheet's derivations and prints one JSON line for each, in order. Exit codes: 0, 1 where a
 * step differs, 2 could not be read.
 */
function main(): number {
  const [input, ...others] = process.argv.slice(2);
  if (!input || others.length || input.startsWith('-')) {
    process.stderr.write('usage: odd-compass steps sheet.tex\n');
    return 2;
  }
  let own: string;
  try {
    own = readFileSync(input, 'utf8');
  } catch {
    process.stderr.write(`odd-compass: ${input} cannot be read\n`);
    return 2;
  }
  const root = process.env.ODD_COMPASS_ROOT ?? dirname(dirname(fileURLToPath(import.meta.url)));
  const files = filesIn(dirname(input));
  const spliced = splicedParts(basename(input), own, (name) => files.text(name));
  const session = new Session({
    fonts: fontsFrom(join(root, 'static/fonts')),
    today: { year: 2026, month: 1, day: 1 },
    file: input,
    files,
  });
  session.setText(spliced.text);
  let differs = false;
  for (const step of stepsOf(session.written())) {
    differs ||= step.outcome.result === 'differs';
    process.stdout.write(
      `${JSON.stringify(line(step, spliced, input, (name) => files.text(name)))}\n`,
    );
  }
  return differs ? 1 : 0;
}

function line(
  step: Step,
  { text, stretches }: Spliced,
  input: string,
  textOf: (name: string) => string | null,
) {
  const place = placeIn(stretches, step.from);
  const isMain = place.file === basename(input);
  const source =
    (isMain ? null : textOf(place.file)) ?? (isMain ? readFileSync(input, 'utf8') : '');
  const position = positionAt(lineMap(source), place.at);
  const { result, why, at } = step.outcome;
  const wrong = result === 'differs' || result === 'sometimes';
  return {
    file: isMain ? input : join(dirname(input), place.file),
    line: position.line,
    column: position.column,
    from: place.at,
    to: place.at + step.to - step.from,
    relation: step.relation,
    result,
    why,
    at: wrong && at ? plainMinus(at) : null,
    left: sideText(text, step.left),
    right: sideText(text, step.right),
  };
}

/** Values are read by programs here: with the minus they know. */
const plainMinus = (at: Readonly<Record<string, string>>): Record<string, string> =>
  Object.fromEntries(Object.entries(at).map(([name, value]) => [name, value.replaceAll('−', '-')]));

process.exitCode = isMainThread ? await inBoundedThread(fileURLToPath(import.meta.url)) : main();
