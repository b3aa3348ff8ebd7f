import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
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

/** Where boxes of a kind are listed (`list inside=name`), or null. */
export const listOf = (options: readonly Token[]): string | null => {
  const name = tokensText(keyValues(options).get('list inside') ?? []).trim();
  return name === '' ? null : name;
};

/** What adds a box to its list: its number and its title. */
export const listed = (list: string, counter: string, title: string): string =>
  `\\addcontentsline{${list}}{tcolorbox}{\\protect\\numberline{\\csname the${counter}\\endcsname}${title}}`;

/** The title that options give, as source. */
export const titleText = (options: readonly Token[]): string =>
  tokensText(keyValues(options).get('title') ?? []);
