import { setAll } from '../constructs/pageLayout';
import { alphabetCommand } from '../constructs/mathAlphabets';
import type { PackageEntry } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';
import { INCH } from '../../base/lengths';
import { turnPages } from '../constructs/columns';
import type { Turn } from '../../document/page';

/** nicefrac: fractions in the line. */
export const nicefrac: PackageEntry = {
  name: 'nicefrac',
  description: 'Fractions with a slanted stroke.',
  options: null,
  commands: [
    macroEntry(
      'nicefrac',
      'mm',
      'A fraction with a slanted stroke.',
      '\\nicefrac{1}{2}',
      '\\ensuremath{{}^{#1}\\!/_{#2}}',
    ),
  ],
};

/** bbm: letters with a double stroke. */
export const bbm: PackageEntry = {
  name: 'bbm',
  description: 'Letters with a double stroke.',
  options: null,
  commands: [alphabetCommand('mathbbm', 'blackboard', 'Letters with a double stroke')],
};

/** a4wide: wider text on A4 paper. */
export const a4wide: PackageEntry = {
  name: 'a4wide',
  description: 'Wider text on A4 paper.',
  options: null,
  setup: (it) => {
    const width = 6.3 * INCH;
    const margin = (it.dimen('paperwidth') - width) / 2 - INCH;
    setAll(it, {
      textwidth: width,
      hsize: width,
      linewidth: width,
      columnwidth: width,
      oddsidemargin: margin,
      evensidemargin: margin,
    });
  },
};

const landscape = (name: string, turned: Turn): PackageEntry => ({
  name,
  description: 'Pages on their side.',
  options: null,
  environments: [
    {
      name: 'landscape',
      signature: '',
      description: 'Pages on their side.',
      example: '\\begin{landscape}\nTides\n\\end{landscape}',
      begin: (it) => turnPages(it, turned),
      // The measures of upright pages are those around the environment.
      end: (it) => {
        it.endParagraph();
        it.afterEnvironment = (outer) => turnPages(outer, null);
      },
    },
  ],
});
export const lscape = landscape('lscape', 'text');
export const pdflscape = landscape('pdflscape', 'page');

/** epsfig: the old form of including pictures. */
export const epsfig: PackageEntry = {
  name: 'epsfig',
  description: 'Pictures by an old command.',
  options: null,
  requires: ['graphicx'],
};

/** appendixnumberbeamer: frames of an appendix are counted by themselves. */
export const appendixnumberbeamer: PackageEntry = {
  name: 'appendixnumberbeamer',
  description: 'In slides: frames of the appendix are counted by themselves.',
  options: null,
  source: String.raw`
\newif\ifapn@split\@ifundefined{insertframenumber}{\newcounter{framenumber}}{}\let\apn@appendix\appendix
\def\inserttotalframenumber{\ref*{apn@main}}
\def\apn@mark{\edef\@currentlabel{\arabic{framenumber}}\label{apn@main}}
\def\appendix{\apn@appendix\apn@mark\global\apn@splittrue\setcounter{framenumber}{0}\gdef\inserttotalframenumber{\ref*{bmr@total}}}
\AtEndDocument{\ifapn@split\else\apn@mark\fi}`,
};
