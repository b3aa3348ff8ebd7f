import { parseArgs } from 'node:util';
import {
  outcomeOf,
  randomSlip,
  SLIPS,
  soundDocuments,
} from '../packages/engine/src/testing/mutations';
import { numbers } from '../packages/engine/src/testing/random';

/**
 * npm run slips -- [--each 40] [--seed 1]
 * Puts slips into sound documents and presses the buttons that are offered: how many slips of
 * each kind are mended so, and which buttons make things worse. Exit status 1 when any does.
 */
const { values } = parseArgs({
  options: { each: { type: 'string', default: '40' }, seed: { type: 'string', default: '1' } },
});
const random = numbers(Number(values.seed));
const documents = soundDocuments();
process.stdout.write(`${documents.length} sound documents\n`);
let worst = 0;
for (const kind of SLIPS) {
  const count = { tried: 0, silent: 0, single: 0, mended: 0, worse: 0, strays: 0 };
  for (let i = 0; count.tried < Number(values.each) && i < 20 * Number(values.each); i++) {
    const sound = documents[Math.floor(random() * documents.length)] ?? '';
    const slip = randomSlip(sound, kind, random);
    if (!slip) continue;
    const { notes, isMended, worse, strays } = outcomeOf(sound, slip);
    count.tried++;
    count.silent += notes === 0 ? 1 : 0;
    count.single += notes === 1 ? 1 : 0;
    count.mended += isMended ? 1 : 0;
    count.strays += isMended && strays ? 1 : 0;
    if (!isMended || worse) {
      const near = sound.slice(Math.max(0, slip.from - 30), slip.to + 30).replaceAll('\n', '⏎');
      process.stdout.write(`  ${kind}: ${worse ? `worse by “${worse}”` : 'not mended'}: ${near}\n`);
    }
    count.worse += worse ? 1 : 0;
  }
  worst += count.worse;
  process.stdout.write(`${kind}: ${JSON.stringify(count)}\n`);
}
process.exitCode = worst > 0 ? 1 : 0;
