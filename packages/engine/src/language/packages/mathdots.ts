import { risingDots } from '../constructs/mathDots';
import type { PackageEntry } from '../machine/entries';

/** mathdots: dots that rise. */
export const mathdots: PackageEntry = {
  name: 'mathdots',
  description: 'Dots that rise from left to right.',
  options: null,
  commands: [risingDots],
};
