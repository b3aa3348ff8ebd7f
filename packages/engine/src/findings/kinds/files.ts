import { finding } from '../entry';
import { renamed } from '../mends';

/** Files of the assignment. */
export const files = {
  'file-missing': finding({
    severity: 'broken',
    args: ['name', 'near'],
    message: 'There is no file “<name>” with this assignment<near>.',
    cause: 'Its name is misspelt, or it was not brought in.',
    mend: renamed(({ files }) => files),
  }),
  'files-in-circle': finding({
    severity: 'broken',
    args: ['name'],
    message: 'The file <name> reads itself again, by way of others; it is left out here.',
    cause: 'A file that is read in must not read the one that reads it.',
  }),
  'picture-unreadable': finding({
    severity: 'broken',
    args: ['name', 'why', 'todo'],
    message: 'The picture <name> cannot be shown: <why>.',
    cause: 'Pictures can be PNG, JPEG, PDF, SVG or EPS files. Do this: <todo>.',
  }),
};
