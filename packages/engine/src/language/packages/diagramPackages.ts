import { arrowDiagram } from '../constructs/arrowDiagrams';
import { squares } from '../constructs/diagrams';
import { xyMatrix } from '../constructs/xyMatrix';
import type { PackageEntry } from '../machine/entries';

/** amscd: commutative squares. */
export const amscd: PackageEntry = {
  name: 'amscd',
  description: 'Commutative squares.',
  options: null,
  environments: [squares],
};

const xyPackage = (name: string): PackageEntry => ({
  name,
  description: 'Diagrams of objects and arrows, in the older way.',
  options: null,
  commands: [xyMatrix],
});

/** xy and xypic: diagrams as `\\xymatrix`. */
export const [xy, xypic] = [xyPackage('xy'), xyPackage('xypic')] as const;

/** tikz-cd: diagrams of objects and arrows. */
export const tikzcd: PackageEntry = {
  name: 'tikz-cd',
  description: 'Commutative diagrams with arrows in any direction.',
  options: null,
  requires: ['tikz'],
  commands: [
    {
      name: 'tikzcdset',
      signature: 'm',
      package: 'tikz-cd',
      description: 'Settings of the diagrams that follow.',
      example: '\\tikzcdset{row sep=large}',
      run: () => undefined,
    },
  ],
  environments: [arrowDiagram],
};
