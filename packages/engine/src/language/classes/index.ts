import type { ClassEntry } from '../machine/entries';
import { amsart, amsbook, amsproc } from './amsart';
import { beamer } from './beamer';
import { exam } from './exam';
import { withFurtherNames } from './furtherClassNames';
import { KOMA } from './koma';
import { letter } from './letter';
import { slides } from './slides';
import { memoir } from './memoir';
import { standalone } from './standalone';
import { article, book, proc, report } from './standard';

/** The classes that are known, by name. */
export const CLASSES: Readonly<Record<string, ClassEntry>> = Object.fromEntries(
  [
    article,
    report,
    book,
    proc,
    letter,
    amsart,
    amsbook,
    amsproc,
    exam,
    slides,
    beamer,
    memoir,
    standalone,
    ...KOMA,
    ...ctexClasses(),
  ].map((entry) => [entry.name, withFurtherNames(entry)]),
);

/** The classes of ctex are the standard ones with Chinese type, which is there anyway. */
function ctexClasses(): ClassEntry[] {
  return [
    { ...article, name: 'ctexart' },
    { ...report, name: 'ctexrep' },
    { ...book, name: 'ctexbook' },
    ...[article, report, book].map(withSizes),
    { ...article, name: 'minimal' },
  ];
}

/** The classes of extsizes: the standard ones in more sizes. */
function withSizes(entry: ClassEntry): ClassEntry {
  const options = [...entry.options, '8pt', '9pt', '14pt', '17pt', '20pt'];
  return { ...entry, name: `ext${entry.name}`, options };
}
