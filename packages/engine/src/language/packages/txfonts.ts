import type { PackageEntry } from '../machine/entries';
import { typeface } from './typeface';

/** txfonts, pxfonts: text and formulas in the Times and Palatino manners. */
const face = (name: string, of: 'termes' | 'pagella', manner: string): PackageEntry => ({
  ...typeface(name, of, `Text and formulas in the ${manner} manner.`),
  requires: ['amssymb'],
});
export const txfonts = face('txfonts', 'termes', 'Times');
export const pxfonts = face('pxfonts', 'pagella', 'Palatino');
