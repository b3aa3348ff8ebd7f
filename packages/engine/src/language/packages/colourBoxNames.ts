import type { Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';
import { groupsIn, keyValues } from '../scanning/optionLists';

/** What boxes of a kind are called in references: `crefname={box}{boxes}`, `Crefname` at the start of a sentence. */
export function nameKind(it: Interpreter, counter: string, options: readonly Token[]): void {
  const keys = keyValues(options);
  for (const command of ['crefname', 'Crefname']) {
    const [one, several] = groupsIn(keys.get(command) ?? []);
    if (!one || !several) continue;
    const said = [one, several].flatMap((word) => [...it.source('{'), ...word, ...it.source('}')]);
    const naming = [...it.source(`\\${command}{${counter}}`), ...said];
    it.execute([
      ...it.source(
        `\\makeatletter\\@ifundefined{${command}}{\\AtBeginDocument{\\@ifundefined{${command}}{}{`,
      ),
      ...naming,
      ...it.source('}}}{'),
      ...naming,
      ...it.source('}\\makeatother'),
    ]);
  }
}
