import type { PackageEntry } from '../machine/entries';
import { chemfig } from './chemfig';
import { circuitikz } from './circuitikz';
import { tkzTab } from './tkzTab';
import { venndiagram } from './venn';

/** Packages that draw one kind of thing in pictures: molecules, circuits, tables of variations, sets. */
export const picturePackages: readonly PackageEntry[] = [chemfig, circuitikz, tkzTab, venndiagram];
