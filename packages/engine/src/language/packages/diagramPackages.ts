import { arrowDiagram } from '../constructs/arrowDiagrams';
import { squares } from '../constructs/diagrams';
import type { PackageEntry } from '../machine/entries';

/** amscd: commutative squares. */
export const amscd: PackageEntry = {
  name: 'amscd',
  description: 'Commutative squares.',
  options: null,
  environments: [squares],
};

/** tikz-cd: diagrams of objects and arrows. */
export const tikzcd: PackageEntry = {
  name: 'tikz-cd',
  description: 'Commutative diagrams with arrows in any direction.',
  options: null,
  environments: [arrowDiagram],
};
