import { readOptional } from '../../expansion/arguments';
import { arrowDiagram, plainDiagram } from '../constructs/arrowDiagrams';
import { squares } from '../constructs/diagrams';
import { xyMatrix } from '../constructs/xyMatrix';
import { tokensOf, type EnvironmentEntry, type PackageEntry } from '../machine/entries';
import { environmentTokens, formulaTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import { setDiagrams } from './tikzcdSettings';
import { diagramPicture, needsPicture } from './tikzcdPicture';

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

/** `tikzcd`, in formulas and in text: what is more than straight and bent arrows is drawn as a picture. */
const diagram: EnvironmentEntry = {
  ...arrowDiagram,
  begin: (it, args) => {
    const body = environmentTokens(it, 'tikzcd');
    closeNamed(it, 'tikzcd');
    const options = tokensOf(args, 0);
    if (needsPicture(it, options, body)) it.p.push(diagramPicture(it, options, body));
    else
      it.p.push([
        ...it.source('$\\begin{tikzcd}['),
        ...options,
        ...it.source(']'),
        ...body,
        ...it.source('\\end{tikzcd}$'),
      ]);
  },
  math: (reader, token) => {
    const options = readOptional(reader.p) ?? [];
    const body = formulaTokens(reader, 'tikzcd', token);
    if (!needsPicture(reader.it, options, body)) return plainDiagram(reader, token, options, body);
    reader.p.push(diagramPicture(reader.it, options, body));
    return null;
  },
};

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
      run: (it, args) => setDiagrams(it, tokensOf(args, 0)),
    },
  ],
  environments: [diagram],
};

/** quiver: more kinds of arrows for diagrams of tikz-cd. */
export const quiver: PackageEntry = {
  name: 'quiver',
  description: 'More kinds of arrows for commutative diagrams.',
  options: null,
  requires: ['tikz-cd', 'amssymb'],
};
