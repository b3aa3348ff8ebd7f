import type { PackageEntry } from '../machine/entries';
import { answers } from './answers';
import { basePackages } from './basePackages';
import { chapterLooks } from './chapterLooks';
import { fontPackages } from './fontPackages';
import { formulaPackages } from './formulaPackages';
import { noteSeries } from './noteSeries';
import { pagePackages } from './pagePackages';
import { pgf, pgfkeys, pgfopts } from './pgfkeys';
import { placedPackages } from './placedPackages';
import { pseudocode } from './pseudocode';
import { tabu } from './tabu';
import { textPackages } from './textPackages';

/** Packages that stand together in files by what they are for. */
export const collections: readonly PackageEntry[] = [
  answers,
  ...basePackages,
  ...chapterLooks,
  ...fontPackages,
  ...formulaPackages,
  ...noteSeries,
  ...pagePackages,
  ...placedPackages,
  ...pseudocode,
  pgf,
  pgfkeys,
  pgfopts,
  tabu,
  ...textPackages,
];
