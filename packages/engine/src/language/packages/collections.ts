import type { PackageEntry } from '../machine/entries';
import { answers } from './answers';
import { basePackages } from './basePackages';
import { fontPackages } from './fontPackages';
import { formulaPackages } from './formulaPackages';
import { noteSeries } from './noteSeries';
import { pagePackages } from './pagePackages';
import { pgf, pgfkeys, pgfopts } from './pgfkeys';
import { placedPackages } from './placedPackages';
import { tabu } from './tabu';
import { textPackages } from './textPackages';

/** Packages that stand together in files by what they are for. */
export const collections: readonly PackageEntry[] = [
  answers,
  ...basePackages,
  ...fontPackages,
  ...formulaPackages,
  ...noteSeries,
  ...pagePackages,
  ...placedPackages,
  pgf,
  pgfkeys,
  pgfopts,
  tabu,
  ...textPackages,
];
